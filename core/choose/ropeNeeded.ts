/**
 * How much rope a knot takes and where to start, from the computed shape. In the knot: first to last contact without the eye and without what lies
 * round its object, of the stored tight form, with low and high over set force and friction. Eye: free arc and what lies round the object; both
 * eyes where there are two. Tail: by use, from the rules. Stopper: rope in the turns of the knots that belong to it, their own tail stands in the
 * tail. Raw values; whoever shows them rounds up.
 */
import { arcLengths } from '../curve';
import { finite } from '../errors';
import { knotById } from '../knots/catalogue/catalogue';
import { partsOf, type Companion, type Use } from '../knots/facts/uses';
import type { Range } from '../knots/shape/measures';
import { unit_mm } from '../knots/shape/sizes';
import { pointsOf, type BakedForm } from '../knots/shape/stored';
import { askedOf, companionMeant, companionsTied, lengthFor, rulesOf, type Profile } from '../profiles';
import { COMPANION_WORDS, ruleSaid } from '../profiles/words';
import { oneTurn, roundObject } from './roundObject';

export interface RopeQuestion {
  readonly knot: string;
  /** of tape its width */
  readonly rope_diameter_mm: number;
  /** rope wanted in the eye, knot to knot; in each where there are two */
  readonly eye_mm?: number | undefined;
  /** thickness of what the eye, or the knot, goes round */
  readonly object_diameter_mm?: number | undefined;
  /** what it is for; where it is not said, the use that asks most */
  readonly use?: Use | undefined;
  /** knots tied to it; those that the rules ask are reckoned in anyway */
  readonly companions?: readonly Companion[] | undefined;
  /** that a stopper is tied, of whatever kind the rules mean */
  readonly stopper?: boolean | undefined;
}

type Part = 'in_knot' | 'eye' | 'tail' | 'stopper' | 'total' | 'start_at';
export type RopeNeeded = Record<`${Part}_mm` | `${Part}_mm_low` | `${Part}_mm_high`, number> & {
  readonly use: Use;
  readonly companions: readonly Companion[];
  /** rope in hand before tying that the rule set asks, beside where the computed knot starts; null where it asks none */
  readonly in_hand_mm: number | null;
  /** Where the tail's length is from: the rule set, common practice, or the rope goes on. */
  readonly tail_from: 'rule' | 'common' | 'goes-on';
  readonly notes: readonly string[];
};

/** An eye through two harness points where nothing else is said: general. */
const HARNESS_EYE_MM = 200;
/** How much more an eye may take that nobody measured: general. */
const GUESSED_EYE_SPREAD = 0.15;
/** A karabiner's bow, where nothing else is said: general. */
const CLIP_MM = 12;
/** Above so many diameters a thing is much thicker than the rope: general. */
const MUCH_THICKER = 4;
/** Knots that shut against what they are clipped to: their eye is no larger than that. */
const SHUTS_ON_IT: readonly string[] = ['buntline-hitch', 'barrel-noose'];
/** How much to begin with for a personal tether, or a noose at its end: in practice. */
const BEGIN_WITH: Readonly<Record<string, string>> = {
  'overhand-on-bight':
    'for a tether: from about 600 mm of bight, tied 200 to 250 mm from the end, if a stopper follows; tag at least 150 mm, the stopper’s own tail 75 to 100 mm',
  'figure-eight-on-bight': 'for a tether: from 400 to 500 mm of bight, with no stopper; tag at least 150 mm',
  'barrel-noose': 'for a tether: from about 400 mm of tail, so that a double-overhand stopper fits behind it',
};

const exactly = (value: number): Range => ({ low: value, value, high: value });
const spread = (value: number): Range => ({ low: value, value, high: value * (1 + GUESSED_EYE_SPREAD) });
const added = (a: Range, b: Range): Range => ({ low: a.low + b.low, value: a.value + b.value, high: a.high + b.high });
const timesOf = (r: Range, by: number): Range => ({ low: r.low * by, value: r.value * by, high: r.high * by });
/** What one form has more than another, at least none. */
const more = (a: Range, b: Range): Range => ({
  low: Math.max(0, a.low - b.low),
  value: Math.max(0, a.value - b.value),
  high: Math.max(0, a.high - b.high),
});
const inKnotOf = (knot: string): Range => knotById(knot).baked.forms['right']!.set.inKnot_ropeDiameters;

/** Rope in the turns of a companion, in the unit of its knot; of what is part of the knot itself none is added. */
export function ropeInCompanion(knot: string, companion: Companion): Range {
  switch (companion) {
    case 'stopper-behind':
      return more(inKnotOf('tie-in-stopper'), inKnotOf('figure-eight-follow-through'));
    case 'two-strand-backup':
      return more(inKnotOf('two-strand-backup'), inKnotOf('figure-eight-follow-through'));
    case 'stopper-in-tag':
      return inKnotOf('double-overhand-stopper');
    case 'backed-both-sides':
      // in tape an overhand takes what the knot takes of one end, in rope what an overhand round two strands takes
      return knot === 'water-knot'
        ? inKnotOf(knot)
        : more(inKnotOf('two-strand-backup'), inKnotOf('figure-eight-follow-through'));
    default:
      return exactly(0);
  }
}

/** Rope in one eye of the set form, rope diameters. */
function drawnEyes(form: BakedForm): number {
  const { legs, second_legs } = form.set.tight.marks;
  const s = arcLengths(pointsOf(form.set.tight));
  const arc = (of: typeof legs) => (of ? s[of[1][1]]! - s[of[0][0]]! : 0);
  return arc(legs) + arc(second_legs);
}

/** Rope in the eye and round the object, and how that is known. */
function eyeOf(
  knot: string,
  form: BakedForm,
  tieIn: boolean,
  q: RopeQuestion,
  d: number,
): { readonly eye: Range; readonly note?: string } {
  const { legs, second_legs } = form.set.tight.marks;
  const eyes = second_legs ? 2 : 1;
  const each = eyes > 1 ? ' of each of the two' : '';
  const wished = q.eye_mm === undefined ? undefined : finite('eye_mm', q.eye_mm, 0, 20000);
  const object =
    q.object_diameter_mm === undefined ? undefined : finite('object_diameter_mm', q.object_diameter_mm, 0, 3000);
  const round = roundObject(knot, form);
  if (round) {
    const on = object ?? round.drawnOn_ropeDiameters * d;
    const turns = round.turns * oneTurn(on, d);
    const own = knot === 'tension-free-hitch' ? drawnEyes(form) * d : 0;
    return {
      eye: {
        low: turns + (wished ?? own),
        value: turns + (wished ?? own),
        high: turns + (wished ?? own * (1 + GUESSED_EYE_SPREAD)),
      },
      note: `eye: ${round.turns} ${round.turns === 1 ? 'turn' : 'turns'} round ${object === undefined ? `what is drawn here, ${Math.round(on)} mm thick` : `${on} mm`}${own > 0 ? ', and the eye that is clipped back' : ''}`,
    };
  }
  if (!legs) return { eye: exactly(0), ...(wished !== undefined && { note: 'eye: none, it has no eye' }) };
  if (wished !== undefined)
    return { eye: exactly(wished * eyes), ...(eyes > 1 && { note: `eye: ${wished} mm${each}` }) };
  if (SHUTS_ON_IT.includes(knot)) {
    const clip = object ?? CLIP_MM;
    // half way round a thin one, and on either side from its middle to the knot; nearly all the way round one much thicker than the rope
    const thin = clip <= MUCH_THICKER * d;
    return {
      eye: spread(thin ? (Math.PI * (clip + d)) / 2 + clip + d : Math.PI * (clip + d)),
      note: `eye: shut on ${object === undefined ? `a karabiner of ${CLIP_MM} mm (general)` : `${object} mm`}`,
    };
  }
  if (object !== undefined)
    // half round the object, and two legs as long as its thickness (at least four rope diameters)
    return {
      eye: spread(eyes * ((Math.PI * (object + d)) / 2 + 2 * Math.max(object, 4 * d))),
      note: `eye${each}: half way round the object and two legs`,
    };
  if (tieIn)
    return {
      eye: spread(HARNESS_EYE_MM),
      note: 'eye: about 200 mm through two harness points (general); draw it as small as the harness allows',
    };
  return {
    eye: spread(drawnEyes(form) * d),
    note: `eye${each}: as small as drawn here; make it as large as the job asks`,
  };
}

/** Of rope in the knot what is its own: without what lies round the drawn object. */
function ownRope(knot: string, form: BakedForm, eyes: Range): Range {
  const round = roundObject(knot, form);
  // where the turns are drawn as its eye they are not in it
  if (!round || (form.set.tight.marks.legs && knot !== 'tension-free-hitch')) return eyes;
  const turns = exactly(round.turns * oneTurn(round.drawnOn_ropeDiameters, 1));
  return more(eyes, turns);
}

/** @throws unknown-knot, not-a-number, bad-input */
export function ropeNeeded(profile: Profile, q: RopeQuestion): RopeNeeded {
  const across = finite('rope_diameter_mm', q.rope_diameter_mm, 2, 40);
  const { entry, baked } = knotById(q.knot);
  const form = baked.forms['right']!;
  const d = unit_mm(form, across);
  const rules = rulesOf(profile);
  const { use } = lengthFor(profile, { knot: q.knot, rope_diameter_mm: across, use: q.use });
  const given = q.companions ?? (q.stopper ? companionMeant(rules, entry, use) : []);
  const companions = companionsTied(rules, entry, use, given);
  // of what the rules ask and nobody said is tied the rope is counted; the length asked stays the knot's own, which is never less
  const length = lengthFor(profile, { knot: q.knot, rope_diameter_mm: across, use, companions: given });
  const times = (r: Range): Range => timesOf(r, d);
  const inKnot = times(ownRope(q.knot, form, form.set.inKnot_ropeDiameters));
  const standingSide = times(form.set.inKnotStandingSide_ropeDiameters);
  const { eye, note } = eyeOf(q.knot, form, use === 'tie-in', q, d);
  const goesOn = length.required_mm === null;
  const tail = length.required_mm ?? 0;
  const tied = companions.filter((c) => !partsOf(entry).includes(c));
  const stopper = tied.map((c) => times(ropeInCompanion(q.knot, c))).reduce(added, exactly(0));
  const notes: string[] = [
    ...(note ? [note] : []),
    goesOn ? 'tail: none, the rope goes on' : `tail: ${length.rule.text} (${ruleSaid(length.rule)})`,
    ...(entry.family === 'bend' ? ['of each of the two ropes'] : []),
    ...(entry.tape === 'only' ? [`in tape ${across} mm wide`] : []),
    ...(entry.family === 'friction' ? [`of cord of ${across} mm, which is thinner than the rope it grips`] : []),
    ...(use === 'tether' && BEGIN_WITH[q.knot] ? [`${BEGIN_WITH[q.knot]} (practice)`] : []),
    ...tied.map((c) => `stopper: ${COMPANION_WORDS[c]}${given.includes(c) ? ', its own tail is the tail' : ''}`),
    ...askedOf(rules, entry, use, 'bight').map((a) => a.rule.text),
  ];
  const { startAllowance_mm: hand } = profile;
  const asked_in_hand = [
    ...(hand?.knots.includes(q.knot) ? [{ mm: hand.most, text: hand.text }] : []),
    ...askedOf(rules, entry, use, 'in-hand').map((a) => ({ mm: a.asks.least_mm, text: a.rule.text })),
  ];
  const in_hand_mm = asked_in_hand.length > 0 ? Math.max(...asked_in_hand.map((a) => a.mm)) : null;
  notes.push(...asked_in_hand.map((a) => a.text));
  const out: Record<string, number> = {};
  const round = (v: number) => Math.round(v * 10) / 10;
  for (const [suffix, of] of [
    ['', 'value'],
    ['_low', 'low'],
    ['_high', 'high'],
  ] as const) {
    const parts: Record<Exclude<Part, 'total' | 'start_at'>, number> = {
      in_knot: inKnot[of],
      eye: eye[of],
      tail,
      stopper: stopper[of],
    };
    for (const [part, value] of Object.entries(parts)) out[`${part}_mm${suffix}`] = round(value);
    // the sum of the rounded parts, so that the total is what a reader adds up
    out[`total_mm${suffix}`] = round(Object.keys(parts).reduce((sum, part) => sum + out[`${part}_mm${suffix}`]!, 0));
    out[`start_at_mm${suffix}`] = round(
      inKnot[of] + eye[of] + tail + stopper[of] - Math.min(standingSide[of], inKnot[of]),
    );
  }
  const tail_from = goesOn ? 'goes-on' : length.rule.layer === 'common' ? 'common' : 'rule';
  return { ...out, use, companions, in_hand_mm, tail_from, notes } as unknown as RopeNeeded;
}
