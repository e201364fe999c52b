/**
 * The rules by which a knot is ruled out of a job: data with id, text and source, and beside each what makes it say no. A rule says no with how grave
 * that is, or names the one visible change that would do. What a rule set says of a knot is that rule set's own rule, with its id and source.
 */
import { untyingAsked } from './untying';
import { behaviour, type Behaviour } from '../knots/facts/behaviour';
import { FAMILIES, type KnotEntry, type Source } from '../knots/facts/types';
import { knotById } from '../knots/catalogue/catalogue';
import { companionsFor, type Companion } from '../knots/facts/uses';
import { across_mm, unit_mm } from '../knots/shape/sizes';
import { COMMON_PRACTICE, companionsAsked, rulesOf, type Profile } from '../profiles';
import { COMPANION_WORDS } from '../profiles/words';
import type { Job } from './job';
import { OBJECT_WORDS, pullWords } from '../knots/facts/words';

export interface RuleText {
  readonly rule: string;
  readonly text: string;
  /** of a trial that was logged, or of a size, what it is */
  readonly source: Source | 'recorded' | 'computed';
  /** the rule set it belongs to; null where it holds under every one */
  readonly of: string | null;
}
/** How grave a no is: a danger; rope or rule set; what the knot needs; the purpose. */
export const WEIGHTS = ['danger', 'rope-or-rules', 'needs', 'purpose'] as const;
export type Weight = (typeof WEIGHTS)[number];
export type ChangeKind = 'add-stopper' | 'free-an-end';
export interface Change {
  readonly kind: ChangeKind;
  readonly text: string;
}
export interface No extends RuleText {
  readonly weight: Weight;
  readonly change?: Change;
}
/** What a rule found: in words for this knot and job; its source where that is not the rule's own. */
interface Found {
  readonly text: string;
  readonly source?: Source;
  readonly change?: Change;
}
export interface Rule {
  readonly id: string;
  /** what it asks, of any knot */
  readonly text: string;
  readonly source: Source;
  readonly weight: Weight;
  readonly says: (knot: KnotEntry, job: Job) => readonly (string | Found)[];
}

/** A pull in words, for a knot. */
const pulled = (knot: KnotEntry, pull: Job['pulls'][number]): string => pullWords(pull, knot.family === 'bend');
const withArticle = (word: string) => `${/^[aeiou]/.test(word) ? 'an' : 'a'} ${word}`;
const when = <T>(holds: boolean, found: T): T[] => (holds ? [found] : []);

/** A stopper has no eye: what pulls at its standing part pulls it against what it stops. Any other pull it must be graded for. */
export const stops = (knot: KnotEntry, job: Job, pull: Job['pulls'][number]) =>
  knot.family === 'stopper' && job.purpose === 'stopper' && pull === 'standing-eye';
/** Purposes of a loop in the rope: pulled across its eye it is pulled from one end or the other. */
const IN_THE_ROPE: readonly Job['purpose'][] = ['midline', 'handle', 'isolate-damage', 'two-eyes'];
/** Purposes of a joint that closes a loop: however the loop hangs, its joint is pulled rope against rope. */
const CLOSED_LOOP: readonly Job['purpose'][] = ['sling', 'cord-loop'];
const GRADES = ['fails', 'not-known', 'avoid', 'ok', 'made'] as const;

/** The pull that one of the job comes to for a knot: of a closed loop, however it hangs, its joint is pulled rope against rope. */
export const comesTo = (knot: KnotEntry, job: Job, pull: Job['pulls'][number]): Job['pulls'][number] =>
  (pull === 'standing-eye' || pull === 'ring') &&
  CLOSED_LOOP.includes(job.purpose) &&
  knot.family === 'bend' &&
  behaviour(knot, pull).grade === 'not-known'
    ? 'through'
    : pull;

/** What a knot does under a pull of the job: as its entry grades it, or as the pulls that this one comes to. */
export function behaviourIn(knot: KnotEntry, job: Job, pull: Job['pulls'][number]): Behaviour {
  const own = behaviour(knot, comesTo(knot, job, pull));
  if (own.grade !== 'not-known') return own;
  if (pull === 'cross' && IN_THE_ROPE.includes(job.purpose) && knot.family !== 'hitch')
    return [behaviour(knot, 'standing-eye'), behaviour(knot, 'tail-eye')].reduce((a, b) =>
      GRADES.indexOf(b.grade) < GRADES.indexOf(a.grade) ? b : a,
    );
  return own;
}

const graded = (
  knot: KnotEntry,
  job: Job,
  grade: 'fails' | 'avoid' | 'not-known',
  words: (pull: string, happens: string) => string,
): Found[] =>
  job.pulls.flatMap((pull) => {
    if (stops(knot, job, pull)) return [];
    const g = behaviourIn(knot, job, pull);
    return when(g.grade === grade, {
      text: words(pulled(knot, comesTo(knot, job, pull)), g.what_happens),
      ...(g.source && { source: g.source }),
    });
  });

const CORD_IS_USUAL: readonly Job['purpose'][] = ['friction', 'cord-loop', 'sling'];
/** Knots that are spoken of in thin slippery cord. */
const IN_HIGH_MODULUS: readonly string[] = ['alpine-butterfly'];
const byHand = (job: Job) => job.untie === 'by-hand-after-load' || job.untie === 'after-hard-falls';
/** Above this of 5 it takes tools or a knife. */
const BY_HAND_MOST = 4;
/** Not above this of 5 under load: by hand. */
const LET_GO_MOST = 3;
const canBeLetGo = (knot: KnotEntry): boolean =>
  knot.untying.some((u) => u.condition === 'under-load' && u.most <= LET_GO_MOST);
const holdsALife = (job: Job) => job.life_load || job.purpose === 'tie-in';
const WITH_A_STOPPER: Change = {
  kind: 'add-stopper',
  text: 'if a stopper is tied in its tail and the eye is not small; the double bowline is advised in its place',
};

/** Ropes that are tied with one strand; cord and tape are tied to slings. */
const ONE_STRAND: readonly Job['rope']['kind'][] = ['dynamic', 'low-stretch', 'high-modulus-cord', 'hollow-braid'];

/** How far across the set knot is in the job's rope, mm: of its girth, were it round. */
function acrossOf(knot: string, job: Job): number {
  const { entry, baked } = knotById(knot);
  const form = baked.forms['right']!;
  return (form.set.girth_ropeDiameters.value * unit_mm(form, across_mm(entry, job.rope))) / Math.PI;
}

/** Rules that hold under every rule set, in the order in which they are looked at. */
export const RULES: readonly Rule[] = [
  {
    id: 'P1',
    text: 'A pull under which the knot fails rules it out.',
    source: 'practice',
    weight: 'danger',
    says: (knot, job) => graded(knot, job, 'fails', (pull, happens) => `pulled ${pull} it fails: ${happens}`),
  },
  {
    id: 'P2',
    text: 'A pull that is to be avoided rules the knot out.',
    source: 'practice',
    weight: 'danger',
    says: (knot, job) => graded(knot, job, 'avoid', (pull, happens) => `pulled ${pull}: to be avoided, ${happens}`),
  },
  {
    id: 'P3',
    text: 'A pull of which nothing is known for the knot rules it out: behaviour is never guessed.',
    source: 'general',
    weight: 'rope-or-rules',
    says: (knot, job) =>
      graded(knot, job, 'not-known', (pull) => `pulled ${pull}: not known for this knot, so not offered`),
  },
  {
    id: 'L2',
    text: 'A knot that is never the only thing a person hangs on is not offered for it.',
    source: 'practice',
    weight: 'danger',
    says: (knot, job) => (holdsALife(job) && knot.for_a_life?.only === 'never' ? [knot.for_a_life] : []),
  },
  {
    id: 'L3',
    text: 'What practice keeps from a life is not offered for it.',
    source: 'practice',
    weight: 'danger',
    says: (knot, job) =>
      holdsALife(job)
        ? COMMON_PRACTICE.refused.filter(
            (r) =>
              knot.for_a_life?.only !== 'never' &&
              r.knots.includes(knot.id) &&
              (r.uses === 'any' || r.uses.includes(job.purpose)),
          )
        : [],
  },
  {
    id: 'L4',
    text: 'A girth hitch is loaded on both strands together: in a single rope one would carry alone.',
    source: 'practice',
    weight: 'danger',
    says: (knot, job) =>
      when(
        knot.id === 'girth-hitch' && holdsALife(job) && ONE_STRAND.includes(job.rope.kind),
        'both strands are loaded together, in a sling: here one strand would carry alone',
      ),
  },
  {
    id: 'L5',
    text: 'An autoblock is not climbed on, and no belay is escaped with it.',
    source: 'practice',
    weight: 'danger',
    says: (knot, job) =>
      when(
        knot.id === 'autoblock' && holdsALife(job) && job.pulls.includes('up'),
        'best under a descender, not for climbing or escaping a belay',
      ),
  },
  {
    id: 'L6',
    text: 'A cord as thick as the rope does not bite.',
    source: 'general',
    weight: 'danger',
    says: (knot, job) =>
      when(
        knot.family === 'friction' && Boolean(job.second_rope) && job.rope.diameter_mm >= job.second_rope!.diameter_mm,
        `${job.rope.diameter_mm} mm cord on ${job.second_rope?.diameter_mm} mm rope: as thick as the rope, it does not bite`,
      ),
  },
  {
    id: 'M4',
    text: 'A stopper is larger than the opening it stops at.',
    source: 'general',
    weight: 'danger',
    says: (knot, job) => {
      if (knot.family !== 'stopper' || job.purpose !== 'stopper') return [];
      const across = Math.floor(acrossOf(knot.id, job));
      return (job.devices ?? [])
        .filter((d) => across <= d.opening_mm)
        .map(
          (d) =>
            `about ${across} mm across when set: it can go through ${d.kind.replaceAll('-', ' ')} of ${d.opening_mm} mm`,
        );
    },
  },
  {
    id: 'R1',
    text: 'In flat tape only knots that are tied in tape.',
    source: 'practice',
    weight: 'danger',
    says: (knot, job) => when(job.rope.kind === 'webbing' && !knot.tape, 'not a knot for flat tape'),
  },
  {
    id: 'R7',
    text: 'A knot for flat tape is never tied in rope.',
    source: 'practice',
    weight: 'danger',
    says: (knot, job) => when(job.rope.kind !== 'webbing' && knot.tape === 'only', 'for flat tape only, never in rope'),
  },
  {
    id: 'R2',
    text: 'In hollow braid no knot is known.',
    source: 'general',
    weight: 'rope-or-rules',
    says: (_knot, job) => when(job.rope.kind === 'hollow-braid', 'not known in hollow braid'),
  },
  {
    id: 'R3',
    text: 'In thin slippery high-modulus cord only knots that are spoken of there.',
    source: 'practice',
    weight: 'rope-or-rules',
    says: (knot, job) =>
      when(
        job.rope.kind === 'high-modulus-cord' && !IN_HIGH_MODULUS.includes(knot.id),
        'not known in thin slippery cord',
      ),
  },
  {
    id: 'R4',
    text: 'A person does not hang on one strand of accessory cord.',
    source: 'general',
    weight: 'rope-or-rules',
    says: (knot, job) =>
      when(
        job.rope.kind === 'accessory-cord' &&
          holdsALife(job) &&
          !CORD_IS_USUAL.includes(job.purpose) &&
          // of cord is what a friction hitch is made
          knot.family !== 'friction',
        'accessory cord is no rope to hang a person on by one strand',
      ),
  },
  // the second rope of a friction hitch is the one it grips
  {
    id: 'R5',
    text: 'Two ropes are joined by a joint.',
    source: 'practice',
    weight: 'needs',
    says: (knot, job) =>
      when(
        Boolean(job.second_rope) && knot.family !== 'bend' && knot.family !== 'friction',
        'tied in one rope; it does not join two',
      ),
  },
  {
    id: 'U1',
    text: 'What must be let go while it is loaded has to be known for that.',
    source: 'practice',
    weight: 'rope-or-rules',
    says: (knot, job) => when(job.untie === 'under-load' && !canBeLetGo(knot), 'cannot be let go while it is loaded'),
  },
  {
    id: 'U3',
    text: 'What is to come undone by hand is no knot that needs tools or a knife even at its best.',
    source: 'practice',
    weight: 'rope-or-rules',
    says: (knot, job) =>
      when(byHand(job) && untyingAsked(knot, job).least > BY_HAND_MOST, {
        text: `not by hand: ${untyingAsked(knot, job).text}`,
        source: untyingAsked(knot, job).source,
      }),
  },
  {
    id: 'N1',
    text: 'A knot that is tied with an end needs a free end.',
    source: 'practice',
    weight: 'needs',
    says: (knot, job) =>
      when(knot.needs.free_end && !job.end_free, {
        text: 'it needs a free end',
        change: { kind: 'free-an-end', text: 'if an end of the rope were free' },
      }),
  },
  {
    id: 'N2',
    text: 'As many thicknesses of rope have to go through the object as the knot needs.',
    source: 'practice',
    weight: 'needs',
    says: (knot, job) =>
      when(
        job.fits_thicknesses !== undefined && job.fits_thicknesses < knot.needs.thicknesses_through_object,
        `${knot.needs.thicknesses_through_object === 1 ? 'one thickness' : `${knot.needs.thicknesses_through_object} thicknesses`} of rope must go through the object`,
      ),
  },
  {
    id: 'N5',
    text: 'An eye that is made first goes on what can be opened or clipped.',
    source: 'practice',
    weight: 'needs',
    says: (knot, job) =>
      when(
        Boolean(knot.needs.eye_first) && (job.object === 'closed-ring' || job.object === 'harness'),
        'its eye is made first: it cannot be put through a closed object',
      ),
  },
  {
    id: 'N3',
    text: 'On another rope only what grips one.',
    source: 'practice',
    weight: 'needs',
    says: (knot, job) => when(job.object === 'rope' && knot.family !== 'friction', 'it does not grip another rope'),
  },
  {
    id: 'N7',
    text: 'A friction hitch goes on a rope.',
    source: 'practice',
    weight: 'needs',
    says: (knot, job) =>
      when(job.object !== 'rope' && knot.family === 'friction', 'it grips another rope, nothing else'),
  },
  {
    id: 'N8',
    text: 'A hitch that goes on one kind of thing only is not offered for another.',
    source: 'practice',
    weight: 'needs',
    says: (knot, job) =>
      when(
        job.object !== 'rope' &&
          knot.family !== 'friction' &&
          knot.needs.objects !== undefined &&
          !knot.needs.objects.includes(job.object),
        `it goes on ${(knot.needs.objects ?? []).map((o) => OBJECT_WORDS[o]).join(' or ')}, nothing else`,
      ),
  },
  {
    id: 'N4',
    text: 'A tie-in needs something to tie in to.',
    source: 'practice',
    weight: 'needs',
    says: (_knot, job) =>
      when(job.object === 'none' && job.purpose === 'tie-in', 'a tie-in needs something to tie in to'),
  },
];
/** Looked at last: a danger and a need come before it. */
export const PURPOSE_RULE: Rule = {
  id: 'F1',
  text: 'A knot is offered for what it is made for.',
  source: 'practice',
  weight: 'purpose',
  says: (knot, job) =>
    when(
      !knot.purposes.includes(job.purpose),
      `not for this purpose: it is ${withArticle(FAMILIES[knot.family])}, not for "${job.purpose}"`,
    ),
};
/** What a knot asks itself before a life hangs on it, where the rule set is silent about it. */
export const OWN_STOPPER_RULE: Rule = {
  id: 'L1',
  text: 'A knot that holds a person only with a stopper is offered with it, where the rule set says nothing of the knot.',
  source: 'practice',
  weight: 'danger',
  says: (knot, job) =>
    holdsALife(job) && knot.for_a_life?.only === 'with-stopper' ? [{ ...knot.for_a_life, change: WITH_A_STOPPER }] : [],
};

/** Joints that are tied in ropes of one diameter (practice). */
export const EQUAL_ONLY: readonly string[] = ['double-fishermans', 'triple-fishermans'];
export const isJoint = (knot: KnotEntry): boolean => knot.family === 'bend';
export const unequal = (job: Job): boolean =>
  Boolean(job.second_rope) && job.purpose !== 'friction' && job.second_rope!.diameter_mm !== job.rope.diameter_mm;

/** Ropes that differ by more than the rule set allows: only where it sets a limit. */
function tooUnequal(knot: KnotEntry, job: Job, profile: Profile): No[] {
  const most = profile.unequalOver_mm;
  if (most === undefined || !isJoint(knot) || !EQUAL_ONLY.includes(knot.id) || !unequal(job)) return [];
  const by = Math.abs(job.rope.diameter_mm - job.second_rope!.diameter_mm);
  return by > most
    ? [
        {
          rule: 'D2',
          text: `ropes of ${job.rope.diameter_mm} and ${job.second_rope!.diameter_mm} mm: ${profile.name} joins ropes that differ by more than ${most} mm by another knot`,
          source: 'practice',
          of: profile.id,
          weight: 'rope-or-rules',
        },
      ]
    : [];
}

const said = (rule: Rule, knot: KnotEntry, job: Job): No[] =>
  rule.says(knot, job).map((found): No => {
    const { text, source, change } =
      typeof found === 'string' ? { text: found, source: undefined, change: undefined } : found;
    return {
      rule: rule.id,
      text,
      source: source ?? rule.source,
      of: null,
      weight: rule.weight,
      ...(change && { change }),
    };
  });

/** The stopper that can be tied behind a knot for a purpose; undefined where none can. */
export const stopperFor = (knot: KnotEntry, job: Job): Companion | undefined =>
  companionsFor(knot, job.purpose).find((c) => c === 'stopper-behind' || c === 'stopper-in-tag');

/** A knot that common practice ties only with another one: with it, it would do. */
function onlyWithCompanion(knot: KnotEntry, job: Job, profile: Profile): No[] {
  if (knot.for_a_life) return [];
  return companionsAsked(rulesOf(profile), knot, job.purpose)
    .filter((a) => a.how === 'required' && a.rule?.layer === 'common')
    .map((a): No => ({
      rule: a.rule!.id,
      text: a.rule!.text,
      source: a.rule!.source as Source,
      of: null,
      weight: 'danger',
      change: { kind: 'add-stopper', text: `with ${COMPANION_WORDS[a.companions[0]!]}` },
    }));
}

/** What the rule set says of a knot on which a person hangs. */
function ofTheProfile(knot: KnotEntry, job: Job, profile: Profile): No[] {
  if (!holdsALife(job)) return [];
  // with the stopper that will be tied it is what the rules ask
  if (job.stopper_behind && stopperFor(knot, job)) return [];
  const says = profile.tieIn.find((k) => k.knot === knot.id);
  if (!says) return [...said(OWN_STOPPER_RULE, knot, job), ...onlyWithCompanion(knot, job, profile)];
  const own = { rule: says.rule, text: says.text, source: says.source, of: profile.id };
  if (says.says === 'only-with-stopper')
    return [
      {
        ...own,
        weight: 'danger',
        change: { kind: 'add-stopper', text: 'if a stopper is tied in its tail, butted up to the knot' },
      },
    ];
  if (says.says === 'advised-with-stopper')
    return [
      {
        ...own,
        weight: 'rope-or-rules',
        change: { kind: 'add-stopper', text: 'with a stopper on its tail, as a margin' },
      },
    ];
  return [];
}

/** Every no to a knot for a job, gravest first. */
export function nosTo(knot: KnotEntry, job: Job, profile: Profile, passing: readonly No[]): No[] {
  const all = [
    ...RULES.flatMap((rule) => said(rule, knot, job)),
    ...ofTheProfile(knot, job, profile),
    ...tooUnequal(knot, job, profile),
    ...passing,
    ...said(PURPOSE_RULE, knot, job),
  ];
  return all.sort((a, b) => WEIGHTS.indexOf(a.weight) - WEIGHTS.indexOf(b.weight));
}
