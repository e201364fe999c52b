/**
 * Tints of rope and of what is not rope, by theme: one table for vector pictures and for the turning
 * rope. Strands are told apart by tint *and* tracer, never by tint alone: light to dark along the rope
 * from standing part to tail holds for people who do not see hues.
 */
export const PICTURE_THEMES = {
  paper: {
    casing: '#2a2119',
    ground: 'none',
    standing: '#c98a2b',
    tail: '#eadfc4',
    tracer: '#1c3350',
    tracerTail: '#8e2f1f',
    second: '#3f8781',
    secondTail: '#bfdcd6',
    tracerSecond: '#f4f0e2',
    tracerSecondTail: '#1d3a40',
    host: '#7e95a6',
    tracerHost: '#f2efe6',
    core: '#f6f1e4',
    object: '#8b9296',
    objectEdge: '#4a5054',
    palm: '#d9c6b0',
    mark: '#9c221c',
  },
  headlamp: {
    casing: '#070605',
    ground: 'none',
    standing: '#d9942c',
    tail: '#f3e6c8',
    tracer: '#27466b',
    tracerTail: '#a63c28',
    second: '#4fa39b',
    secondTail: '#d4ece6',
    tracerSecond: '#fff6e0',
    tracerSecondTail: '#1d3a40',
    host: '#8aa0b0',
    tracerHost: '#f6f1e4',
    core: '#fff6e0',
    object: '#7d8488',
    objectEdge: '#2b2f31',
    palm: '#7a6656',
    mark: '#ff7a63',
  },
  print: {
    casing: '#000000',
    ground: '#ffffff',
    standing: '#b8b8b8',
    tail: '#ffffff',
    tracer: '#000000',
    tracerTail: '#555555',
    second: '#6a6a6a',
    secondTail: '#b4b4b4',
    tracerSecond: '#ffffff',
    tracerSecondTail: '#000000',
    host: '#e4e4e4',
    tracerHost: '#777777',
    core: '#ffffff',
    object: '#8c8c8c',
    objectEdge: '#000000',
    palm: '#ececec',
    mark: '#000000',
  },
} as const;

export type PictureTheme = keyof typeof PICTURE_THEMES;

export interface StrandTints {
  /** at its standing end and at its tail */
  readonly tint: readonly [string, string];
  /** tracer yarns, carried by one family and by the other */
  readonly tracers: readonly [string, string];
}

/** What tells one rope from another: tint and tracer. @param role of the component */
export function strandTints(role: string, theme: PictureTheme): StrandTints {
  const c = PICTURE_THEMES[theme];
  if (role === 'second-rope') return { tint: [c.second, c.secondTail], tracers: [c.tracerSecond, c.tracerSecondTail] };
  if (role === 'host') return { tint: [c.host, c.host], tracers: [c.tracerHost, c.tracerHost] };
  if (role === 'ring' || role === 'post') return { tint: [c.object, c.object], tracers: [c.object, c.object] };
  return { tint: [c.standing, c.tail], tracers: [c.tracer, c.tracerTail] };
}

/** Mixes two #rrggbb colours; t = 0 gives the first. */
export function mixed(a: string, b: string, t: number): string {
  const from = parseInt(a.slice(1), 16);
  const to = parseInt(b.slice(1), 16);
  let out = 0;
  for (let shift = 16; shift >= 0; shift -= 8) {
    const x = (from >> shift) & 255;
    out |= Math.round(x + (((to >> shift) & 255) - x) * t) << shift;
  }
  return `#${out.toString(16).padStart(6, '0')}`;
}
