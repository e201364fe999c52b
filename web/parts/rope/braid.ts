/**
 * The sheath as one repeating tile: a two-over-two braid of two families of helices, the height of a yarn
 * a half circle. The colour map is light, to be tinted per vertex; tracer yarns are dark in it. The bump
 * map comes from the same tile, so that light and colour agree.
 */
import { CanvasTexture, RepeatWrapping, SRGBColorSpace, type Texture } from 'three';

const SIZE_PX = 512;
const CARRIERS = 10;

const channels = (hex: string) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as [number, number, number];

export interface Braid {
  readonly colour: Texture;
  readonly bump: Texture;
}

/** @param tracers [carried by one family, carried by the other] as #rrggbb */
export function braid(tracers: readonly [string, string]): Braid {
  const canvas = () => {
    const c = document.createElement('canvas');
    c.width = c.height = SIZE_PX;
    return c;
  };
  const colourCanvas = canvas();
  const bumpCanvas = canvas();
  const colourContext = colourCanvas.getContext('2d')!;
  const bumpContext = bumpCanvas.getContext('2d')!;
  const colour = colourContext.createImageData(SIZE_PX, SIZE_PX);
  const bump = bumpContext.createImageData(SIZE_PX, SIZE_PX);
  const plain: [number, number, number] = [255, 250, 240];
  const first = channels(tracers[0]);
  const second = channels(tracers[1]);
  const profile = (t: number) => Math.sqrt(Math.max(0, 1 - (2 * t - 1) ** 2));
  for (let y = 0; y < SIZE_PX; y++)
    for (let x = 0; x < SIZE_PX; x++) {
      const u = x / SIZE_PX;
      const v = y / SIZE_PX;
      const p = (u + v) * CARRIERS;
      const q = (u - v + 1) * CARRIERS;
      const [ip, iq] = [Math.floor(p), Math.floor(q)];
      const over = ((ip + iq) & 2) === 0;
      const t = over ? p - ip : q - iq;
      const along = over ? q - iq + iq : p - ip + ip;
      const height = profile(t);
      const fibre = 0.5 + 0.5 * Math.sin(along * 6.283 * 3 + t * 4);
      const carrier = over ? ip % CARRIERS : iq % CARRIERS;
      const yarn = over ? (carrier <= 1 ? first : carrier === 5 ? second : plain) : carrier === 0 ? first : plain;
      const light = 0.6 + 0.4 * height + 0.07 * (fibre - 0.5);
      const o = 4 * (y * SIZE_PX + x);
      for (let c = 0; c < 3; c++) colour.data[o + c] = Math.min(255, yarn[c]! * light);
      const b = 255 * Math.min(1, 0.25 + 0.65 * height + 0.12 * fibre);
      bump.data[o] = bump.data[o + 1] = bump.data[o + 2] = b;
      colour.data[o + 3] = bump.data[o + 3] = 255;
    }
  colourContext.putImageData(colour, 0, 0);
  bumpContext.putImageData(bump, 0, 0);
  const texture = (c: HTMLCanvasElement) => {
    const made = new CanvasTexture(c);
    made.wrapS = made.wrapT = RepeatWrapping;
    made.anisotropy = 4;
    return made;
  };
  const colourTexture = texture(colourCanvas);
  colourTexture.colorSpace = SRGBColorSpace;
  return { colour: colourTexture, bump: texture(bumpCanvas) };
}
