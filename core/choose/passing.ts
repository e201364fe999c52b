/**
 * What passes what: only what was tried. A trial is recorded with its rope, device and what happened; a knot is said to pass where a trial of that
 * knot in about that rope says so. A computed size says at most that it is likely stuck. Lengths in mm.
 */
import type { KnotEntry, Source } from '../knots/facts/types';
import { MUST_PASS, type Job } from './job';
import type { No, RuleText } from './rules';

export const PASSING_RESULTS = ['passes', 'by-hand', 'stuck'] as const;
export type PassingResult = (typeof PASSING_RESULTS)[number];
export const CAUGHT = ['body', 'edge', 'tails'] as const;
export type Device = (typeof MUST_PASS)[number];

export interface PassingTrial {
  readonly knot: string;
  readonly device: Device;
  /** of the rope, both ropes of a joint */
  readonly rope_diameter_mm: number;
  readonly result: PassingResult;
  /** of the device, where it was measured: then the trial speaks for that opening alone */
  readonly opening_mm?: number | null;
  /** of the tails, where they were measured: then it speaks for tails as long at most */
  readonly tail_mm?: number | null;
  /** what caught, where something did */
  readonly caught: (typeof CAUGHT)[number] | null;
  readonly note: string;
  readonly source: Source | 'recorded';
}

/** Trials that ship: joined 11 mm ropes on an eight-shaped descender. */
export const SHIPPED_TRIALS: readonly PassingTrial[] = [
  {
    knot: 'offset-double-overhand',
    device: 'standard-eight',
    rope_diameter_mm: 11,
    result: 'stuck',
    caught: null,
    note: '',
    source: 'practice',
  },
  {
    knot: 'offset-double-overhand',
    device: 'large-eight',
    rope_diameter_mm: 11,
    result: 'passes',
    caught: null,
    note: 'easily',
    source: 'practice',
  },
  {
    knot: 'double-fishermans',
    device: 'standard-eight',
    rope_diameter_mm: 11,
    result: 'stuck',
    caught: null,
    note: '',
    source: 'practice',
  },
  {
    knot: 'double-fishermans',
    device: 'large-eight',
    rope_diameter_mm: 11,
    result: 'by-hand',
    caught: 'tails',
    note: 'tails must be fed by hand, less reliable',
    source: 'practice',
  },
  {
    knot: 'triple-fishermans',
    device: 'standard-eight',
    rope_diameter_mm: 11,
    result: 'stuck',
    caught: 'body',
    note: 'jams sideways',
    source: 'practice',
  },
  {
    knot: 'triple-fishermans',
    device: 'large-eight',
    rope_diameter_mm: 11,
    result: 'stuck',
    caught: null,
    note: '',
    source: 'practice',
  },
];

/** What slides over an edge, whatever the rope: said of the knot, not tried. */
const OVER_AN_EDGE: Readonly<Record<string, string>> = {
  'offset-overhand': 'low, it slides over edges',
  'offset-double-overhand': 'it slides over edges',
};

/** A trial speaks for ropes that differ by no more than this. */
const AS_THICK_mm = 0.5;
/** And for openings that differ by no more than this. */
const AS_WIDE_mm = 1;

/** Whether a trial speaks for an opening and tails: for those that it was made with. @param opening_mm null where the job does not say */
const speaksFor = (t: PassingTrial, opening_mm: number | null, tail_mm: number | null): boolean =>
  (t.opening_mm == null || opening_mm === null || Math.abs(t.opening_mm - opening_mm) <= AS_WIDE_mm) &&
  (t.tail_mm == null || tail_mm === null || t.tail_mm >= tail_mm);

/** Openings of devices of each kind, the narrowest place a knot has to go through. General: measure your own. */
export const DEVICES: Readonly<
  Record<Device, { readonly name: string; readonly opening_mm: number | null; readonly source: Source }>
> = {
  edge: { name: 'an edge', opening_mm: null, source: 'general' },
  'standard-eight': { name: 'an eight-shaped descender', opening_mm: 40, source: 'general' },
  'large-eight': { name: 'a large rescue eight', opening_mm: 60, source: 'general' },
  pulley: { name: 'a pulley', opening_mm: 14, source: 'general' },
  tube: { name: 'a tube', opening_mm: 13, source: 'general' },
  autolock: { name: 'a self-locking descender', opening_mm: 13, source: 'general' },
  ring: { name: 'a ring', opening_mm: 40, source: 'general' },
};

export interface Passage {
  readonly device: Device;
  readonly says: PassingResult | 'likely-stuck' | 'not-known';
  readonly text: string;
  readonly source: Source | 'recorded' | 'computed';
}

/** The worst of several outcomes is the one that counts. */
const WORST: readonly PassingResult[] = ['stuck', 'by-hand', 'passes'];

/**
 * Whether a knot passes a device.
 * @param girth_mm across the set knot at its widest, computed @param measured_mm of the device, where it was measured @param tail_mm how long the tails will be
 */
export function passage(
  knot: string,
  device: Device,
  rope_diameter_mm: number,
  girth_mm: number,
  trials: readonly PassingTrial[] = SHIPPED_TRIALS,
  measured_mm: number | null = null,
  tail_mm: number | null = null,
): Passage {
  const opening_mm = measured_mm ?? DEVICES[device].opening_mm;
  const { name } = DEVICES[device];
  const own = trials.filter(
    (t) =>
      t.knot === knot &&
      t.device === device &&
      Math.abs(t.rope_diameter_mm - rope_diameter_mm) <= AS_THICK_mm &&
      speaksFor(t, measured_mm, tail_mm),
  );
  const worst = WORST.flatMap((result) => own.filter((t) => t.result === result))[0];
  if (worst) {
    const what = { passes: `passed ${name}`, 'by-hand': `passed ${name} only by hand`, stuck: `stuck in ${name}` }[
      worst.result
    ];
    return {
      device,
      says: worst.result,
      text: `${what}${worst.opening_mm == null ? '' : ` of ${worst.opening_mm} mm`} in a trial with ${worst.rope_diameter_mm} mm${worst.tail_mm == null ? '' : `, tails of ${worst.tail_mm} mm`}${worst.note ? `: ${worst.note}` : ''}`,
      source: worst.source,
    };
  }
  const edge = device === 'edge' ? OVER_AN_EDGE[knot] : undefined;
  if (edge) return { device, says: 'passes', text: edge, source: 'practice' };
  if (opening_mm !== null && girth_mm > opening_mm)
    return {
      device,
      says: 'likely-stuck',
      text: `likely stuck in ${name}: about ${Math.round(girth_mm)} mm across, the opening about ${opening_mm} mm; no trial`,
      source: 'computed',
    };
  return {
    device,
    says: 'not-known',
    text: `no trial is recorded of it passing ${name}${trials.some((t) => t.knot === knot && t.device === device) ? ` with ${rope_diameter_mm} mm rope` : ''}`,
    source: 'computed',
  };
}

/** What the things a job must pass say of a knot. @param girth_mm of the set knot in the job's rope */
export function passing(
  knot: KnotEntry,
  job: Job,
  girth_mm: number,
  trials?: readonly PassingTrial[],
  /** how long the tails will be, mm; asked for where something has to be passed */
  tail_mm: () => number | null = () => null,
): { nos: No[]; reasons: RuleText[]; cautions: RuleText[] } {
  // a trial of two equal ropes says nothing of an unequal pair
  const other_mm =
    knot.family === 'bend' ? (job.second_rope?.diameter_mm ?? job.rope.diameter_mm) : job.rope.diameter_mm;
  const equal = Math.abs(other_mm - job.rope.diameter_mm) <= AS_THICK_mm;
  const all = job.must_pass.map((device): Passage => {
    const measured = job.devices?.find((d) => d.kind === device)?.opening_mm ?? null;
    const found = passage(knot.id, device, job.rope.diameter_mm, girth_mm, trials, measured, tail_mm());
    return equal || (found.says !== 'passes' && found.says !== 'by-hand') || device === 'edge'
      ? found
      : {
          device,
          says: 'not-known',
          text: `no trial is recorded of it passing ${DEVICES[device].name} with ropes of ${job.rope.diameter_mm} and ${other_mm} mm`,
          source: 'computed',
        };
  });
  const told = (rule: string, p: Passage): RuleText => ({ rule, text: p.text, source: p.source, of: null });
  return {
    nos: all.flatMap((p): No[] =>
      p.says === 'stuck'
        ? [{ ...told('M2', p), weight: 'danger' }]
        : p.says === 'likely-stuck' || p.says === 'not-known'
          ? [{ ...told('M1', p), weight: 'needs' }]
          : [],
    ),
    reasons: all.filter((p) => p.says === 'passes').map((p) => told('M0', p)),
    cautions: all.filter((p) => p.says === 'by-hand').map((p) => told('M3', p)),
  };
}
