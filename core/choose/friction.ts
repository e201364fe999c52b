/**
 * Cord against rope for a friction hitch, by both schools: 65 to 80 % of the rope's diameter; or somewhat above one half. Wraps advised, which way it
 * grips, how it is let go, where the joint of a sling goes. Lengths in mm; sources are practice throughout.
 */
import { fault, finite } from '../errors';
import type { Job } from './job';
import type { RuleText } from './rules';

export const FRICTION_HITCHES = ['prusik', 'klemheist', 'autoblock', 'schwabisch', 'distel', 'michoacan'] as const;
export type FrictionHitch = (typeof FRICTION_HITCHES)[number];
/** Which way the hitch will be pulled along its rope. */
export const DIRECTIONS_OF_PULL = ['up', 'down', 'one-way', 'both'] as const;

export interface Band {
  readonly id: '65-80' | 'over-half';
  readonly name: string;
  readonly least: number;
  readonly most: number;
}
/** Cord as a share of the rope it grips: 5 or 6 mm on 10 mm is what the second school means. */
export const BANDS: readonly Band[] = [
  { id: '65-80', name: '65 to 80 %', least: 0.65, most: 0.8 },
  { id: 'over-half', name: 'somewhat above one half', least: 0.5, most: 0.6 },
];
/** Not farther outside a band than this it is just outside. */
const JUST = 0.05;
/** Beyond these the second school names what goes wrong. */
const MAY_NOT_BITE = 0.7;
const WEAK = 0.4;
const NEARLY_ZERO = 1e-9;

export type Zone = 'below' | 'just-below' | 'inside' | 'just-above' | 'above';
export function zoneOf(ratio: number, { least, most }: Band): Zone {
  if (ratio < least - NEARLY_ZERO) return ratio >= least - JUST - NEARLY_ZERO ? 'just-below' : 'below';
  if (ratio > most + NEARLY_ZERO) return ratio <= most + JUST + NEARLY_ZERO ? 'just-above' : 'above';
  return 'inside';
}

interface Facts {
  readonly grips: 'one-way' | 'both' | 'both-weakly';
  readonly wraps: number;
  /** whether the number of its turns is a choice */
  readonly more: boolean;
  readonly release: string;
  readonly joint: string | null;
}
const OF_A_HITCH: Readonly<Record<FrictionHitch, Facts>> = {
  prusik: {
    grips: 'both',
    wraps: 3,
    more: true,
    release: 'hard to let go while loaded, and also let go by mistake',
    joint: 'out of the wraps and off the clip: drawn to one side by pulling the slack out on one leg only',
  },
  klemheist: {
    grips: 'one-way',
    wraps: 3,
    more: true,
    release: 'partly let go while loaded',
    joint: 'in the clip-end bight, beside the clip',
  },
  autoblock: {
    grips: 'both-weakly',
    wraps: 3,
    more: true,
    release: 'let go easily while loaded: pinch the top and push',
    joint: 'in the clip-end bight, beside the clip',
  },
  schwabisch: {
    grips: 'one-way',
    wraps: 5,
    more: false,
    release: 'let go smoothly while loaded, with a tender',
    joint: null,
  },
  distel: {
    grips: 'one-way',
    wraps: 5,
    more: false,
    release: 'let go smoothly while loaded, with a tender',
    joint: null,
  },
  michoacan: {
    grips: 'one-way',
    wraps: 4,
    more: false,
    release: 'let go smoothly while loaded, with a tender; four turns and the tucked one',
    joint: null,
  },
};

export interface FrictionQuestion {
  readonly hitch: string;
  readonly cord_diameter_mm: number;
  readonly rope_diameter_mm: number;
  /** turns on the rope; the usual number where it is not said */
  readonly wraps?: number | undefined;
  readonly direction?: (typeof DIRECTIONS_OF_PULL)[number] | undefined;
}
export interface FrictionAnswer {
  readonly ratio: number;
  readonly zones: Readonly<Record<Band['id'], Zone>>;
  /** what each school would say of it */
  readonly zone_texts: Readonly<Record<Band['id'], string>>;
  readonly wraps_advised: number;
  readonly grips: Facts['grips'];
  readonly release: string;
  readonly joint: string | null;
  readonly cautions: readonly RuleText[];
}

const percent = (ratio: number) => `${Math.round(ratio * 100)} %`;
const ZONE_WORDS: Readonly<Record<Zone, string>> = {
  below: 'under',
  'just-below': 'just under',
  inside: 'within',
  'just-above': 'just over',
  above: 'over',
};

function zoneText(band: Band, zone: Zone, ratio: number): string {
  const base = `${percent(ratio)} of the rope: ${ZONE_WORDS[zone]} ${band.name}${band.id === 'over-half' ? `, ${band.least * 100} to ${percent(band.most)}` : ''}`;
  if (band.id === 'over-half' && ratio >= MAY_NOT_BITE - NEARLY_ZERO) return `${base}; it may not bite`;
  if (band.id === 'over-half' && ratio <= WEAK + NEARLY_ZERO) return `${base}; it bites but is weak`;
  return base;
}

const caution = (rule: string, text: string): RuleText => ({ rule, text, source: 'practice', of: null });

/** @throws bad-input where it is none of the friction hitches, not-a-number */
export function frictionHitch(q: FrictionQuestion): FrictionAnswer {
  if (!FRICTION_HITCHES.some((h) => h === q.hitch))
    throw fault('bad-input', {}, [
      { path: 'body.hitch', message: `grips no rope: it is none of ${FRICTION_HITCHES.join(', ')}` },
    ]);
  const facts = OF_A_HITCH[q.hitch as FrictionHitch];
  const cord = finite('cord_diameter_mm', q.cord_diameter_mm, 2, 20);
  const rope = finite('rope_diameter_mm', q.rope_diameter_mm, 4, 40);
  const ratio = cord / rope;
  const zones = Object.fromEntries(BANDS.map((b) => [b.id, zoneOf(ratio, b)])) as Record<Band['id'], Zone>;
  const thick = ratio > BANDS[0]!.most + NEARLY_ZERO;
  const usual = facts.wraps + (facts.more && thick ? 1 : 0);
  const cautions: RuleText[] = [];
  const add = (rule: string, text: string) => cautions.push(caution(rule, text));
  if (BANDS.every((b) => zones[b.id] !== 'inside')) {
    if (ratio > 0.6 && ratio < 0.65) add('H1', 'used in practice, outside the stated band of either school');
    else if (thick) add('H2', 'thick cord on thin rope: it may not bite');
    else if (ratio < 0.5) add('H3', 'thin cord: it bites, but it is weak and hard to move');
  }
  if (cord >= rope)
    cautions.push({ ...caution('H4', 'the cord is as thick as the rope it should grip'), source: 'general' });
  if (q.direction === 'both' && facts.grips === 'one-way')
    add('H5', 'it grips one way only: pulled the other way it slides');
  if (facts.grips === 'both-weakly')
    add('H6', 'it grips weakly: under a descender, not to climb on, not where security is needed');
  if (q.wraps !== undefined) {
    const wraps = finite('wraps', q.wraps, 1, 12);
    if (wraps < (facts.more ? 3 : facts.wraps))
      add(
        'H7',
        facts.more ? 'fewer than three wraps: three is the usual minimum' : `fewer turns than it has: ${facts.wraps}`,
      );
    if (facts.more && wraps > usual + 1) add('H8', 'each wrap more holds more and moves worse');
    if (!facts.more && wraps > facts.wraps + 1) add('H8', `more turns than it has: ${facts.wraps}`);
  }
  if (facts.more) add('H9', 'add a wrap when it slips: thick cord on thin rope, wet or iced, a new smooth sheath');
  add(
    'H10',
    'slides by hand, bites on a short hard pull, holds body weight: try it in that order before it is trusted',
  );
  return {
    ratio,
    zones,
    zone_texts: Object.fromEntries(BANDS.map((b) => [b.id, zoneText(b, zones[b.id], ratio)])) as Record<
      Band['id'],
      string
    >,
    wraps_advised: usual,
    grips: facts.grips,
    release: facts.release,
    joint: facts.joint,
    cautions,
  };
}

/** What the cord of a job says of a hitch: the job's rope is the cord, its second rope what it grips; nothing where no rope to grip is named. */
export function cordCautions(hitch: string, job: Job): RuleText[] {
  if (!job.second_rope || job.rope.kind !== 'accessory-cord')
    return [
      caution(
        'H0',
        'cord against rope: 65 to 80 % of the rope, or somewhat above one half; name both to have it looked at',
      ),
    ];
  const { zone_texts, cautions } = frictionHitch({
    hitch,
    cord_diameter_mm: job.rope.diameter_mm,
    rope_diameter_mm: job.second_rope.diameter_mm,
  });
  return [
    caution('H0', Object.values(zone_texts).join('; ')),
    ...cautions.filter((c) => ['H1', 'H2', 'H3', 'H4'].includes(c.rule)),
  ];
}
