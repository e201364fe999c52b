/** Hands as plain markers: a disc with its letter; filled where the hand moves, a ring where it holds. */
import { CanvasTexture, SRGBColorSpace } from 'three';
import type { Point3 } from '../../../core/curve';

export interface HandMarker {
  readonly letter: 'L' | 'R';
  readonly at: Point3;
  /** it leads what moves; else it holds */
  readonly moves: boolean;
}

/** A hand on which rope lies, plainly: a round body along its middle. Rope diameters. */
export interface PalmShape {
  readonly wrist: Point3;
  readonly fingertips: Point3;
  readonly width: number;
}
/** How a shape is turned while it is looked at. */
export interface Turn {
  readonly yaw_rad: number;
  readonly pitch_rad: number;
  /** what is looked at: so far from the middle of the frame, and so much of it */
  readonly right: number;
  readonly up: number;
  readonly width: number;
  readonly height: number;
}

const COLOURS = {
  paper: { ink: '#16324f', ground: '#ffffff' },
  headlamp: { ink: '#ffd9b8', ground: '#1d1512' },
} as const;
const SIDE_px = 96;

export function handDisc(letter: HandMarker['letter'], moves: boolean, theme: keyof typeof COLOURS): CanvasTexture {
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = SIDE_px;
  const c = canvas.getContext('2d')!;
  const { ink, ground } = COLOURS[theme];
  c.beginPath();
  c.arc(SIDE_px / 2, SIDE_px / 2, SIDE_px / 2 - 6, 0, 2 * Math.PI);
  c.fillStyle = moves ? ink : ground;
  c.globalAlpha = moves ? 0.92 : 0.88;
  c.fill();
  c.globalAlpha = 1;
  c.lineWidth = 7;
  c.strokeStyle = ink;
  c.stroke();
  c.fillStyle = moves ? ground : ink;
  c.font = `700 ${SIDE_px * 0.56}px "Atkinson Hyperlegible Next", sans-serif`;
  c.textAlign = 'center';
  c.textBaseline = 'middle';
  c.fillText(letter, SIDE_px / 2, SIDE_px / 2 + 4);
  const texture = new CanvasTexture(canvas);
  texture.colorSpace = SRGBColorSpace;
  return texture;
}
