/**
 * A knot as a vector picture: short overlapping pieces of rope drawn from far to near, each with a dark
 * casing, so that over and under cannot be mistaken. Light from the upper left; where other strands lie
 * in front, a piece is darker. Tracer yarns follow the sheath (two families of helices), so that run and
 * twist can be read. Orthographic; the shape's z axis points to the viewer on the front.
 */
import {
  arcLengths,
  lerp,
  onTube,
  resample,
  splineThrough,
  transportFrames,
  type Frames,
  type Line3,
  type Point3,
} from '../curve';
import { regularView, type Crossings, type Pass } from '../topology';
import { isRope } from './component';
import type { Piece } from './piece';
import { palmPiece, type DrawnPalm } from './palm';
import { postPiece } from './post';
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
const STEP_PX = 4.8;
const FINEST_STEP = 0.2;
const COARSEST_STEP = 0.45;
const PER_PIECE = 2;
const f2 = (x: number) => (Math.round(x * 100) / 100 + 0).toString();

/** The shape as seen on a face: x right, y up, z to the viewer. The back is the front turned about the upright axis. */
export function facing(points: readonly Point3[], face: 'front' | 'back'): Point3[] {
  return face === 'front' ? points.slice() : points.map((p) => [-p[0], p[1], -p[2]]);
}

/**
 * The rope's path in words, for those who do not see the picture: over and under at each crossing in turn.
 * @param ids number of each crossing; without them they are numbered along the rope
 * @param eye point index of the eye's far point, where there is one
 */
export function pathInWords({ count, passes }: Crossings, ids?: readonly number[], eye?: number): string {
  if (count === 0) return 'The rope does not cross itself.';
  const line = passes[0]!.line;
  const words: string[] = [];
  let before: Pass | null = null;
  for (const p of passes) {
    if (p.line !== line) continue;
    if (eye !== undefined && p.at > eye && (before === null || before.at <= eye)) words.push('round the eye');
    words.push(`${p.over ? 'over' : 'under'} at ${ids?.[p.crossing] ?? p.crossing + 1}`);
    before = p;
  }
  if (eye !== undefined && before !== null && before.at <= eye) words.push('round the eye');
  return `From the standing part the rope passes ${words.join(', ')}, and out as the tail. ${count} ${count === 1 ? 'crossing' : 'crossings'}.`;
}

/** Rope is drawn in whole hundredths of a diameter: shorter to write and to read than fractions. */
const UNITS = 100;
/** Straight on; where a point lies exactly on another strand, a hair aside. */
const NEARLY_STRAIGHT_ON: readonly Point3[] = [
  [0, 0, 1],
  [3e-6, 1e-6, 1],
  [-1e-6, 4e-6, 1],
  [5e-6, -7e-6, 1],
];
const whole = (x: number) => Math.round(x * UNITS);
const spot = (p: Point3) => `${whole(p[0])} ${whole(-p[1])}`;
const polyline = (points: readonly Point3[]) => `M${points.map(spot).join('L')}`;

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

/**
 * Draws the picture.
 * @returns an SVG document; pieces carry data-component, data-from, data-to (point indices), crossings data-crossing
 */
export function drawVector(components: readonly PictureComponent[], settings: PictureSettings): string {
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
    pieces.push(palmPiece({ ...settings.palm, wrist, fingertips }, colours.palm, UNITS));
  }
  components.forEach((c, which) => {
    if (c.role === 'post') {
      pieces.push(
        postPiece(facing(c.points, settings.face), c.diameter, {
          name: c.name,
          tint: colours.object,
          edge: colours.objectEdge,
          units: UNITS,
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
          units: UNITS,
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
    );
    const tint = tintAlong(c, settings.theme);
    const yarnColours = strandTints(c.role, settings.theme).tracers;
    const written = new Map<number, string>();
    const yarns = (k: number): string => {
      if (k < 0 || k >= points.length - 1) return '';
      const there =
        written.get(k) ??
        tracers(points, frames, s, k, Math.min(points.length - 1, k + PER_PIECE), r, yarnColours, dims[k]!);
      written.set(k, there);
      return there;
    };
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
      const stretch = (on: readonly string[], by: number) => on.slice(Math.max(0, i - by), j + 1 + by).join('L');
      const dim = dims[i]!;
      const base = mixed(tint(i * perPoint), '#140d06', Math.min(0.62, dim * 0.62));
      const edge = mixed(base, '#140d06', rope ? 0.38 : 0.25);
      const light = mixed(base, '#ffffff', 0.3 * (1 - dim));
      const casing = rope ? colours.casing : colours.objectEdge;
      const part = (k: number, to: number) =>
        spot(lerp(points[k]!, points[Math.min(points.length - 1, Math.max(0, to))]!, 0.28));
      const rim = beyond > 0 ? stretch(onLine!, beyond) : `${part(i, i - 1)}L${stretch(onLine!, 0)}L${part(j, j + 1)}`;
      let svg = `<path d="M${rim}" stroke="${casing}" stroke-width="${whole(w * 1.13)}"/>`;
      // each layer reaches a little further than the one below it, or slivers of the darker one show as rungs and notches
      svg += `<path d="M${stretch(onLine!, beyond + 1)}" stroke="${edge}" stroke-width="${whole(w * 0.97)}"/>`;
      svg += `<path d="M${stretch(onBody!, beyond + 2)}" stroke="${base}" stroke-width="${whole(w * 0.76)}"/>`;
      svg += `<path d="M${stretch(onLight!, beyond + 3)}" stroke="${light}" stroke-width="${whole(w * 0.3)}"/>`;
      // the neighbours' yarns again, or the piece drawn last cuts them off at its edge
      if (rope) for (let k = i - PER_PIECE; k <= i + PER_PIECE; k += PER_PIECE) svg += yarns(k);
      const hinge = c.gate?.some((g) => g >= i * perPoint && g < j * perPoint);
      if (hinge) svg += across(points[i]!, points[j]!, w, colours.objectEdge);
      const depth = Math.min(points[i]![2], mid[2], points[j]![2]) * 0.3 + mid[2] * 0.7;
      pieces.push({
        depth,
        svg: `<g data-component="${c.name}" data-from="${Math.floor(i * perPoint)}" data-to="${Math.ceil(j * perPoint)}">${svg}</g>`,
      });
    }
    if (rope && settings.cutTail && !c.closed && c.role !== 'host') {
      const end = points.at(-1)!;
      pieces.push({
        depth: end[2] + 0.05,
        svg: cutEnd(
          points,
          colours.casing,
          colours.core,
          mixed(strandTints(c.role, settings.theme).tint[1], '#140d06', 0.3),
        ),
      });
    }
  });
  pieces.sort((a, b) => a.depth - b.depth);

  const ropes = components.filter(isRope).map((c) => ({ points: facing(c.points, settings.face), closed: c.closed }));
  const crossings = crossingsOrNone(ropes);
  const ids = crossings ? settings.crossingIds?.(crossings) : undefined;
  const spots = (crossings?.passes ?? [])
    .filter((p) => p.over)
    .map((p) => {
      const q = ropes[p.line]!.points[Math.floor(p.at)]!;
      return `<circle data-crossing="${ids?.[p.crossing] ?? p.crossing + 1}" cx="${f2(q[0])}" cy="${f2(-q[1])}" r="0.7"/>`;
    })
    .join('');
  let mark = '';
  if (settings.markAt) {
    const [m] = facing([settings.markAt.centre], settings.face);
    const ring = (colour: string, width: number) =>
      `<circle cx="${f2(m![0])}" cy="${f2(-m![1])}" r="${f2(settings.markAt!.radius)}" fill="none" stroke="${colour}" stroke-width="${width}"/>`;
    mark = `<g data-mark="here">${ring(colours.core, 0.34)}${ring(colours.mark, 0.16)}</g>`;
  }
  const [x, y, width, height] = frame;
  const ground =
    colours.ground === 'none'
      ? ''
      : `<rect x="${f2(x)}" y="${f2(-y - height)}" width="${f2(width)}" height="${f2(height)}" fill="${colours.ground}"/>`;
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${settings.size_px}" height="${Math.round((settings.size_px * height) / width)}" viewBox="${f2(x)} ${f2(-y - height)} ${f2(width)} ${f2(height)}" role="img">` +
    `<title>${settings.title}</title>${crossings ? `<desc>${pathInWords(crossings, ids, components[0]?.eye)}</desc>` : ''}${ground}` +
    `<g fill="none" stroke-linejoin="round" transform="scale(${1 / UNITS})">${pieces.map((p) => p.svg).join('')}</g>${mark}<g fill="none" stroke="none" pointer-events="all">${spots}</g></svg>`
  );
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
function across(a: Point3, b: Point3, width: number, colour: string): string {
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const half = (0.56 * width) / (Math.hypot(dx, dy) || 1);
  const [x, y] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
  return `<path d="${polyline([
    [x - dy * half, y + dx * half, 0],
    [x + dy * half, y - dx * half, 0],
  ])}" stroke="${colour}" stroke-width="${whole(0.2)}"/>`;
}

/** The colour of a component at a point index: light to dark along a rope, one for an object. */
function tintAlong(c: PictureComponent, theme: PictureTheme): (at: number) => string {
  const [from, to] = strandTints(c.role, theme).tint;
  if (from === to) return () => from;
  const [a, b] = c.drift ?? [0, c.points.length - 1];
  return (at) => mixed(from, to, Math.min(1, Math.max(0, (at - a) / (b - a || 1))));
}

/** Farther away than this nothing shades, diameters. */
const SHADE_REACH = 2;

/** For a place, the points that may be near enough to shade it: those of its own square of the page and the eight around. */
function neighbourhood(points: readonly Point3[]): (p: Point3) => readonly Point3[] {
  const cell = (v: number) => Math.floor(v / SHADE_REACH);
  const squares = new Map<number, Point3[]>();
  const key = (x: number, y: number) => x * 65_536 + y;
  for (const p of points) {
    for (let x = cell(p[0]) - 1; x <= cell(p[0]) + 1; x++)
      for (let y = cell(p[1]) - 1; y <= cell(p[1]) + 1; y++) {
        const there = squares.get(key(x, y));
        if (there) there.push(p);
        else squares.set(key(x, y), [p]);
      }
  }
  return (p) => squares.get(key(cell(p[0]), cell(p[1]))) ?? [];
}

/** How much a place is covered by strands nearer to the viewer or to the light, 0 to 1. */
function shadeAt(p: Point3, others: readonly Point3[], step: number): number {
  let sum = 0;
  for (const q of others) {
    const dx = q[0] - p[0];
    const dy = q[1] - p[1];
    const dz = q[2] - p[2];
    const d2 = dx * dx + dy * dy + dz * dz;
    if (d2 > SHADE_REACH * SHADE_REACH || d2 < 0.6) continue;
    const towards = (0.55 * dz - 0.35 * dx + 0.35 * dy) / Math.sqrt(d2) + 0.15;
    if (towards > 0) sum += (towards / d2) * step;
  }
  return 1 - Math.exp(-0.75 * sum);
}

const SMOOTH_REACH = 5;

/** Fills the gaps (NaN) and evens the shade along the rope, so that pieces do not show as rungs. */
function smoothed(values: readonly number[]): number[] {
  return values.map((_, i) => {
    let sum = 0;
    let weight = 0;
    for (let k = Math.max(0, i - SMOOTH_REACH); k <= Math.min(values.length - 1, i + SMOOTH_REACH); k++) {
      const v = values[k]!;
      if (Number.isNaN(v)) continue;
      const w = Math.max(0, 1 - Math.abs(k - i) / SMOOTH_REACH);
      sum += w * v;
      weight += w;
    }
    return weight > 0 ? sum / weight : 0;
  });
}

const PITCH = 3.4;
const YARNS = [
  { hand: 1, phase: 0, colour: 0 },
  { hand: -1, phase: 2.1, colour: 0 },
  { hand: 1, phase: Math.PI, colour: 1 },
] as const;

/** Height of the sheath's outward direction at an angle of frame i, 1 towards the viewer. */
const facingViewer = (frames: Frames, i: number, angle: number) =>
  frames.normals[i]![2] * Math.cos(angle) + frames.binormals[i]![2] * Math.sin(angle);

/** Tracer yarns between fine points i and j: two of one hand, one of the other, as short slanted dashes on the near side. */
function tracers(
  points: readonly Point3[],
  frames: Frames,
  s: readonly number[],
  i: number,
  j: number,
  radius: number,
  colours: readonly [string, string],
  dim: number,
): string {
  let out = '';
  for (const family of YARNS) {
    // a yarn shows where it runs over the other family: every second of eight places round a pitch
    const place = Math.floor((s[i]! * 8) / PITCH);
    if (place % 2 === (family.hand > 0 ? 0 : 1)) continue;
    const turn = (family.hand * 2 * Math.PI) / PITCH;
    const [from, to] = [turn * s[i]! + family.phase, turn * s[j]! + family.phase];
    // how far the yarn faces the viewer at either end
    const near = Math.min(facingViewer(frames, i, from), facingViewer(frames, j, to));
    if (near < 0.12) continue;
    out += `<path d="${polyline([onTube(points, frames, i, radius, from), onTube(points, frames, j, radius, to)])}" stroke="${mixed(colours[family.colour], '#140d06', dim * 0.45)}" stroke-width="${whole(0.2 * (0.5 + 0.5 * near))}" stroke-linecap="round"/>`;
  }
  return out;
}

/** A cut end: the sheath's edge and the core inside. */
function cutEnd(points: readonly Point3[], casing: string, core: string, sheath: string): string {
  const e = points.at(-1)!;
  const d = points.at(-4)!;
  const dx = e[0] - d[0];
  const dy = e[1] - d[1];
  const angle = (Math.atan2(-dy, dx) * 180) / Math.PI;
  return `<g transform="translate(${spot(e)}) rotate(${f2(angle)}) scale(${UNITS})"><ellipse rx="0.26" ry="0.53" fill="${sheath}" stroke="${casing}" stroke-width="0.09"/><ellipse rx="0.16" ry="0.34" fill="${core}"/></g>`;
}
