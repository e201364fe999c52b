/**
 * A knot as a vector picture: short overlapping pieces of rope drawn from far to near, each with a dark
 * casing, so that over and under cannot be mistaken. Light from the upper left; where other strands lie
 * in front, a piece is darker. Tracer yarns follow the sheath (two families of helices), so that run and
 * twist can be read. Orthographic; the shape's z axis points to the viewer on the front.
 */
import { arcLengths, lerp, resample, splineThrough, transportFrames, type Line3, type Point3 } from '../curve';
import { regularView, type Crossings } from '../topology';
import { isRope } from './component';
import { line, spot, type Path, type Picture, type Piece, type Spot } from './drawing';
import { pathInWords } from './inWords';
import { palmPiece, type DrawnPalm } from './palm';
import { postPiece } from './post';
import { cutEnd, tracers } from './sheath';
import { neighbourhood, shadeAt, smoothed } from './shade';
import { svgOf } from './svg';
import { hiddenAmong, ribbonPieces, type Tape } from './ribbon';
import { mixed, PICTURE_THEMES, strandTints, type PictureTheme } from './tokens';

export interface PictureComponent {
  readonly name: string;
  readonly role: 'rope' | 'second-rope' | 'sling' | 'ring' | 'post' | 'host';
  readonly closed: boolean;
  readonly diameter: number;
  readonly points: readonly Point3[];
  /** point indices between which the tint drifts from standing part to tail */
  readonly drift?: readonly [number, number];
  /** flat tape instead of a round rope */
  readonly tape?: Tape | undefined;
  /** point index of the eye's far point */
  readonly eye?: number | undefined;
  /** on a karabiner: point indices between which it opens */
  readonly gate?: readonly [number, number] | undefined;
}

export interface PictureSettings {
  readonly face: 'front' | 'back';
  readonly theme: PictureTheme;
  /** picture width in px */
  readonly size_px: number;
  /** 'whole' shows eye and tail, 'knot' the knot proper in a square, 'tall' the same upright */
  readonly crop: 'whole' | 'knot' | 'tall';
  /** half height of the knot proper, diameters */
  readonly knotRadius_ropeDiameters: number;
  readonly title: string;
  /** the tail ends here as a cut end */
  readonly cutTail: boolean;
  /** a ring drawn round a place: where to look */
  readonly markAt?: { readonly centre: Point3; readonly radius: number } | undefined;
  /** lasting number of each crossing seen; without it they are numbered along the ropes */
  readonly crossingIds?: ((seen: Crossings) => readonly number[]) | undefined;
  /** the hand on which it is wound or laid */
  readonly palm?: DrawnPalm | null | undefined;
  /** fixed frame [left, bottom, width, height] in diameters, so that two pictures have one scale */
  readonly frame?: readonly [number, number, number, number] | undefined;
}

/** Spacing of drawn points: so many pixels, within these limits in diameters. Finer cannot be seen. */
const STEP_PX = 7;
const FINEST_STEP = 0.28;
const COARSEST_STEP = 0.45;
const PER_PIECE = 2;

/** The shape as seen on a face: x right, y up, z to the viewer. The back is the front turned about the upright axis. */
export function facing(points: readonly Point3[], face: 'front' | 'back'): Point3[] {
  return face === 'front' ? points.slice() : points.map((p) => [-p[0], p[1], -p[2]]);
}

/** Straight on; where a point lies exactly on another strand, a hair aside. */
const NEARLY_STRAIGHT_ON: readonly Point3[] = [
  [0, 0, 1],
  [3e-6, 1e-6, 1],
  [-1e-6, 4e-6, 1],
  [5e-6, -7e-6, 1],
];
export function frameFor(
  components: readonly PictureComponent[],
  settings: Pick<PictureSettings, 'face' | 'crop' | 'knotRadius_ropeDiameters'>,
): [number, number, number, number] {
  const r = settings.knotRadius_ropeDiameters;
  if (settings.crop === 'tall') {
    // the knot proper fills the width: ends that lie across run out of the picture
    const half = Math.max(
      3,
      ...components
        .flatMap((c) =>
          facing(c.drift ? c.points.slice(Math.max(0, c.drift[0] - 3), c.drift[1] + 4) : c.points, settings.face),
        )
        .filter((p) => Math.abs(p[1]) < r)
        .map((p) => Math.abs(p[0]) + 0.9),
    );
    return [-half, -2.15 * half, 2 * half, 4.3 * half];
  }
  if (settings.crop === 'knot') return [-r - 1.6, -r - 1.6, 2 * r + 3.2, 2 * r + 3.2];
  const all = components.flatMap((c) => facing(c.points, settings.face)).filter((p) => p[1] < r + 3.4);
  const margin = 1.1;
  const x0 = Math.min(...all.map((p) => p[0])) - margin;
  const x1 = Math.max(...all.map((p) => p[0])) + margin;
  const y0 = Math.min(...all.map((p) => p[1])) - margin;
  const half = Math.max(Math.abs(x0), Math.abs(x1));
  return [-half, y0, 2 * half, r + 3.2 - y0];
}

/** The picture as an SVG document; pieces carry data-component, data-from, data-to (point indices), crossings data-crossing. */
export const drawVector = (components: readonly PictureComponent[], settings: PictureSettings): string =>
  svgOf(pictureOf(components, settings));

/** What is drawn of the components, for whatever draws it. */
export function pictureOf(components: readonly PictureComponent[], settings: PictureSettings): Picture {
  const colours = PICTURE_THEMES[settings.theme];
  const frame = settings.frame ?? frameFor(components, settings);
  const step = Math.min(COARSEST_STEP, Math.max(FINEST_STEP, (STEP_PX * frame[2]) / settings.size_px));
  const fine = components.map((c) => {
    const seen = facing(c.points, settings.face);
    const control = c.closed ? [...seen, seen[0]!] : seen;
    return resample(splineThrough(control, 4), step);
  });
  const around = neighbourhood(fine.flat());
  const pieces: Piece[] = [];
  const hidden = hiddenAmong(
    components.flatMap((c) =>
      c.tape
        ? [
            {
              points: facing(c.points, settings.face),
              tape: { ...c.tape, across: facing(c.tape.across, settings.face) },
            },
          ]
        : [],
    ),
  );
  if (settings.palm) {
    const [wrist, fingertips] = facing([settings.palm.wrist, settings.palm.fingertips], settings.face) as [
      Point3,
      Point3,
    ];
    pieces.push(palmPiece({ ...settings.palm, wrist, fingertips }, colours.palm));
  }
  components.forEach((c, which) => {
    if (c.role === 'post') {
      pieces.push(
        postPiece(facing(c.points, settings.face), c.diameter, {
          name: c.name,
          tint: colours.object,
          edge: colours.objectEdge,
        }),
      );
      return;
    }
    if (c.tape) {
      const turned = { ...c.tape, across: facing(c.tape.across, settings.face) };
      pieces.push(
        ...ribbonPieces(facing(c.points, settings.face), turned, {
          name: c.name,
          tint: tintAlong(c, settings.theme),
          stripe: strandTints(c.role, settings.theme).tracers[0],
          casing: colours.casing,
          hidden,
        }),
      );
      return;
    }
    const points = fine[which]!;
    const rope = isRope(c);
    const frames = transportFrames(points);
    const s = arcLengths(points);
    const perPoint = (c.points.length - (c.closed ? 0 : 1)) / (points.length - 1);
    const r = c.diameter / 2;
    const dims = smoothed(points.map((p, i) => (i % PER_PIECE === 1 ? shadeAt(p, around(p), step) : Number.NaN)));
    const w = c.diameter;
    // the places of the line itself and of the two lighter layers, written once
    const [onLine, onBody, onLight] = [0, 0.05 * w, 0.14 * w].map((by) =>
      points.map((p) => spot([p[0] - by, p[1] + by, 0])),
    ) as [Spot[], Spot[], Spot[]];
    const tint = tintAlong(c, settings.theme);
    const yarns = rope ? tracers(points, frames, s, r, strandTints(c.role, settings.theme).tracers, dims) : [];
    for (let i = 0; i < points.length - 1; i += PER_PIECE) {
      const j = Math.min(points.length - 1, i + PER_PIECE);
      const mid = points[Math.floor((i + j) / 2)]!;
      if (
        mid[1] > frame[1] + frame[3] + 2 ||
        mid[1] < frame[1] - 2 ||
        Math.abs(mid[0] - frame[0] - frame[2] / 2) > frame[2] / 2 + 2
      )
        continue;
      // a piece reaches a little beyond its own stretch, or the outside of a bend shows gaps: further where the line
      // turns sharply in the picture, for there a step is short; never so far that it could lie over a strand it passes under
      const beyond = turnsSharply(points, i, j) ? 1 : 0;
      const stretch = (on: readonly Spot[], by: number) => on.slice(Math.max(0, i - by), j + 1 + by);
      const dim = dims[i]!;
      const base = mixed(tint(i * perPoint), '#140d06', Math.min(0.62, dim * 0.62));
      const edge = mixed(base, '#140d06', rope ? 0.38 : 0.25);
      const light = mixed(base, '#ffffff', 0.3 * (1 - dim));
      const casing = rope ? colours.casing : colours.objectEdge;
      const part = (k: number, to: number) =>
        spot(lerp(points[k]!, points[Math.min(points.length - 1, Math.max(0, to))]!, 0.28));
      const rim = beyond > 0 ? stretch(onLine, beyond) : [part(i, i - 1), ...stretch(onLine, 0), part(j, j + 1)];
      const shapes: Path[] = [
        line(rim, casing, w * 1.13),
        // each layer reaches a little further than the one below it, or slivers of the darker one show as rungs and notches
        line(stretch(onLine, beyond + 1), edge, w * 0.97),
        line(stretch(onBody, beyond + 2), base, w * 0.76),
        line(stretch(onLight, beyond + 3), light, w * 0.3),
      ];
      // yarns that end beside it too, or the piece drawn last cuts them off at its edge
      for (const { from, to, path } of yarns) if (from <= j && to >= i) shapes.push(path);
      const hinge = c.gate?.some((g) => g >= i * perPoint && g < j * perPoint);
      if (hinge) shapes.push(across(points[i]!, points[j]!, w, colours.objectEdge));
      const depth = Math.min(points[i]![2], mid[2], points[j]![2]) * 0.3 + mid[2] * 0.7;
      const of = { component: c.name, from: Math.floor(i * perPoint), to: Math.ceil(j * perPoint) };
      pieces.push({ depth, of, opacity: 1, shapes });
    }
    if (rope && settings.cutTail && !c.closed && c.role !== 'host') {
      const end = points.at(-1)!;
      const sheath = mixed(strandTints(c.role, settings.theme).tint[1], '#140d06', 0.3);
      pieces.push({
        depth: end[2] + 0.05,
        of: null,
        opacity: 1,
        shapes: [cutEnd(points, colours.casing, colours.core, sheath)],
      });
    }
  });
  pieces.sort((a, b) => a.depth - b.depth);

  const ropes = components.filter(isRope).map((c) => ({ points: facing(c.points, settings.face), closed: c.closed }));
  const crossings = crossingsOrNone(ropes);
  const ids = crossings ? settings.crossingIds?.(crossings) : undefined;
  const [m] = settings.markAt ? facing([settings.markAt.centre], settings.face) : [];
  const [x, y, width, height] = frame;
  return {
    width_px: settings.size_px,
    height_px: Math.round((settings.size_px * height) / width),
    box: [x, -y - height, width, height],
    title: settings.title,
    inWords: crossings && pathInWords(crossings, ids, components[0]?.eye),
    ground: colours.ground === 'none' ? null : colours.ground,
    pieces,
    mark: m ? { x: m[0], y: -m[1], radius: settings.markAt!.radius, colours: [colours.core, colours.mark] } : null,
    crossings: (crossings?.passes ?? [])
      .filter((p) => p.over)
      .map((p) => {
        const q = ropes[p.line]!.points[Math.floor(p.at)]!;
        return { id: ids?.[p.crossing] ?? p.crossing + 1, x: q[0], y: -q[1] };
      }),
  };
}

/** Whether the line, as seen, turns by more than some 12 degrees at a point of the piece or beside it. */
function turnsSharply(points: readonly Point3[], i: number, j: number): boolean {
  for (let k = Math.max(1, i - 1); k <= Math.min(points.length - 2, j + 1); k++) {
    const [a, b, c] = [points[k - 1]!, points[k]!, points[k + 1]!];
    const [ux, uy, vx, vy] = [b[0] - a[0], b[1] - a[1], c[0] - b[0], c[1] - b[1]];
    if (ux * vx + uy * vy < 0.975 * Math.hypot(ux, uy) * Math.hypot(vx, vy)) return true;
  }
  return false;
}

/** The crossings seen; null where strands touch: the picture stands, but nothing is said of its path. */
function crossingsOrNone(ropes: readonly Line3[]): Crossings | null {
  try {
    return regularView(ropes, NEARLY_STRAIGHT_ON);
  } catch {
    return null;
  }
}

/** A line across a bar, where a gate is hinged or shuts. */
function across(a: Point3, b: Point3, width: number, colour: string): Path {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const half = (0.56 * width) / (Math.hypot(dx, dy) || 1);
  const [x, y] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  const ends: Point3[] = [
    [x - dy * half, y + dx * half, 0],
    [x + dy * half, y - dx * half, 0],
  ];
  return line(ends.map(spot), colour, 0.2);
}

/** The colour of a component at a point index: light to dark along a rope, one for an object. */
function tintAlong(c: PictureComponent, theme: PictureTheme): (at: number) => string {
  const [from, to] = strandTints(c.role, theme).tint;
  if (from === to) return () => from;
  const [a, b] = c.drift ?? [0, c.points.length - 1];
  return (at) => mixed(from, to, Math.min(1, Math.max(0, (at - a) / (b - a || 1))));
}
