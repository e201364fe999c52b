/**
 * From a job to suited, nearly, excluded; the rules are in rules.ts. Order of the suited: whether it was made for the pulls, who can check it, whether it minds
 * unequal ropes, then how it comes undone (if that was asked), whether the rule set names it, whether it is the usual one, what else it stands, whether everybody knows it, then ways to get it wrong, whether it
 * loosens, what must be fed by hand, rope used and bulk. Each part is said by itself, there is no one number. Silence of a profile is said, it is neither a yes nor a no.
 */
import { upTo } from '../units';
import { knotById, knotIds, CATALOGUE_VERSION } from '../knots/catalogue/catalogue';
import { across_mm, unit_mm } from '../knots/shape/sizes';
import type { BakedForm } from '../knots/shape/stored';
import type { KnotEntry } from '../knots/facts/types';
import { askedOf, lengthFor, rulesOf, type Profile } from '../profiles';
import { cordCautions } from './friction';
import type { Job } from './job';
import { ropeInCompanion } from './ropeNeeded';
import { undoneUneven, untyingAsked } from './untying';
import { passing, type PassingTrial } from './passing';
import { PULLS_ASKED } from './forPurpose';
import {
  behaviourIn,
  comesTo,
  EQUAL_ONLY,
  isJoint,
  nosTo,
  stopperFor,
  stops,
  unequal,
  type ChangeKind,
  type RuleText,
} from './rules';
import { pullWords } from '../knots/facts/words';

export type { RuleText };
/** What the order of the suited is made of, in the order in which it decides. */
export const SCORE_PARTS = [
  'adjusts',
  'made-for-it',
  'checked-by',
  'equal-ropes',
  'untying',
  'named-by-profile',
  'usual-for',
  'also-stands',
  'known-to',
  'ways-to-get-it-wrong',
  'loosens',
  'passes',
  'rope-used',
  'bulk',
] as const;
export interface ScorePart {
  readonly part: (typeof SCORE_PARTS)[number];
  /** smaller is better */
  readonly value: number;
  readonly text: string;
}
export interface Suited {
  readonly knot: string;
  readonly score_parts: readonly ScorePart[];
  readonly reasons: readonly RuleText[];
  readonly cautions: readonly RuleText[];
}
export interface Nearly {
  readonly knot: string;
  readonly wouldDoIf: string;
  readonly rule: string;
  readonly change: ChangeKind;
}
export interface Excluded {
  readonly knot: string;
  readonly because: readonly RuleText[];
}
export interface Choice {
  readonly suited: readonly Suited[];
  readonly nearly: readonly Nearly[];
  readonly excluded: readonly Excluded[];
  readonly versions: { readonly catalogue: number; readonly profile: string; readonly profile_version: number };
}

type Fact = Omit<RuleText, 'of'>;
const anywhere = (all: readonly Fact[]): RuleText[] => all.map((f) => ({ ...f, of: null }));

function reasonsFor(knot: KnotEntry, job: Job, profile: Profile): RuleText[] {
  const pulled = job.pulls.map((pull): Fact => {
    if (stops(knot, job, pull)) return { rule: 'P0', text: 'pulled against what it stops', source: 'practice' };
    const g = behaviourIn(knot, job, pull);
    const said = pullWords(comesTo(knot, job, pull), knot.family === 'bend');
    return {
      rule: 'P0',
      text: g.grade === 'ok' ? `${said}: ${g.condition}` : `made for ${said}`,
      source: g.source ?? 'general',
    };
  });
  const named = namedBy(profile, knot, job);
  const known: Fact[] =
    knot.recognised.by === 'anyone' ? [{ rule: 'C0', text: knot.recognised.text, source: knot.recognised.source }] : [];
  return [
    ...anywhere(pulled),
    ...(named ? [{ ...named, of: profile.id }] : []),
    ...anywhere([...known, ...knot.good_for.map((f, i) => ({ rule: `G${i + 1}`, ...f }))]),
  ];
}

/** What a rule set says of a knot by its name for the purpose: as a tie-in, or else by a length or something it asks of it; null where it is silent. */
function namedBy(profile: Profile, knot: KnotEntry, job: Job): Fact | null {
  if (job.purpose === 'tie-in') {
    const says = profile.tieIn.find((k) => k.knot === knot.id && k.says === 'named');
    return says ? { rule: says.rule, text: says.text, source: says.source } : null;
  }
  const length = profile.lengths.find(
    (l) =>
      l.for.includes(knot.id) &&
      (l.use === 'any' || l.use === job.purpose || (l.use === 'rope-end' && job.purpose === 'stopper')),
  );
  const [asked] = askedOf({ ...rulesOf(profile), common: false }, knot, job.purpose, 'named');
  return length
    ? { rule: length.id, text: length.text, source: length.source }
    : asked
      ? { rule: asked.rule.id, text: asked.rule.text, source: asked.rule.source as Fact['source'] }
      : null;
}

/** Whether a rule set says anything of a knot: as a tie-in, or how long its tail is. */
const speaksOf = (profile: Profile, knot: KnotEntry): boolean =>
  profile.tieIn.some((k) => k.knot === knot.id) ||
  (profile.also ?? []).some((a) => a.knots.includes(knot.id)) ||
  profile.lengths.some((l) => l.for.includes(knot.id) || l.for.includes(knot.family) || l.for.includes('any'));

const NOT_SETTLED: Readonly<Record<Exclude<KnotEntry['form_certainty'], 'settled'>, string>> = {
  'one-derivation': 'it, or a part of it, stands on one derivation alone',
  unsettled: 'which form is meant is not known',
};

function cautionsFor(knot: KnotEntry, job: Job, profile: Profile): RuleText[] {
  const out: RuleText[] = [];
  const add = (rule: string, text: string, source: RuleText['source'], of: string | null = null) =>
    out.push({ rule, text, source, of });
  if (knot.form_certainty !== 'settled')
    add('S3', `its computed form is not settled: ${NOT_SETTLED[knot.form_certainty]}`, 'general');
  if (knot.recognised.by === 'trained')
    add(
      'C1',
      job.team === 'anyone' ? `${knot.recognised.text}: not everyone here can judge it` : knot.recognised.text,
      knot.recognised.source,
    );
  const u = untyingAsked(knot, job);
  if (job.untie !== 'any' && u.most > 3) add('U2', `${u.least} to ${u.most} of 5 to undo: ${u.text}`, u.source);
  if (job.untie !== 'any' && job.set_unevenly && !undoneUneven(knot, job))
    add('U4', 'how it comes undone when it was set unevenly is not known', 'general');
  if (job.untie !== 'any' && job.stiff_rope && u.most > 2)
    add('U5', 'a stiff rope makes it harder to undo; by how much is not known', 'general');
  if (job.purpose === 'tie-in' && !profile.tieIn.some((k) => k.knot === knot.id))
    add('S1', `the rule set ${profile.name} says nothing about this knot as a tie-in`, 'practice', profile.id);
  for (const a of profile.also ?? [])
    if (a.knots.includes(knot.id) && (a.uses === undefined || a.uses.includes(job.purpose)))
      add(a.rule, a.text, a.source, profile.id);
  const stopper = profile.stopperBehindTieIn;
  if (job.purpose === 'tie-in' && stopper.asked === 'required' && stopper.knots.includes(knot.id))
    add('S2', stopper.text, stopper.source, profile.id);
  if (withStopper(knot, job)) {
    const standing = profile.tieIn.find((k) => k.knot === knot.id && k.says !== 'named');
    add(
      'S5',
      `with the stopper behind it${standing ? `: ${standing.text}` : ''}`,
      standing?.source ?? 'practice',
      standing ? profile.id : null,
    );
  }
  if (knot.needs.eye_first && job.object === 'post')
    add('N6', 'its eye is made first: only over a post whose end can be reached', 'practice');
  if (isJoint(knot) && unequal(job))
    add(
      'D1',
      `ropes of ${job.rope.diameter_mm} and ${job.second_rope!.diameter_mm} mm: ${profile.unequalOver_mm === undefined ? 'no limit is set by the rules' : `within the ${profile.unequalOver_mm} mm that ${profile.name} allows`}${EQUAL_ONLY.includes(knot.id) ? '; this joint is for equal ones' : ''}; look at how it sits, leave longer tails`,
      EQUAL_ONLY.includes(knot.id) ? 'practice' : 'general',
    );
  if (job.rope.kind === 'accessory-cord' && knot.family !== 'friction')
    add('R6', 'in cord: only general facts are known', 'general');
  if (knot.family === 'friction' && job.purpose === 'friction') out.push(...cordCautions(knot.id, job));
  out.push(...anywhere(knot.cautions.map((c, i) => ({ rule: `K${i + 1}`, ...c }))));
  if (job.purpose !== 'tie-in' && !speaksOf(profile, knot))
    add('S4', `the rule set ${profile.name} says nothing about this knot`, 'practice', profile.id);
  return out;
}

/** Whether a stopper will be tied behind it. */
const withStopper = (knot: KnotEntry, job: Job): boolean =>
  job.stopper_behind === true && stopperFor(knot, job) !== undefined;

/** The usual knot where a loop in the middle is pulled one way only (practice). */
const ONE_WAY = 'inline-eight';
const ONE_WAY_PULLS: readonly Job['pulls'][number][] = ['standing-eye', 'tail-eye'];
function isUsual(knot: KnotEntry, job: Job): boolean {
  if (job.purpose === 'midline' && job.pulls.length === 1 && ONE_WAY_PULLS.includes(job.pulls[0]!))
    return knot.id === ONE_WAY;
  return knot.usual_for?.includes(job.purpose) ?? false;
}

/** How it is adjusted where it hangs: at once; by sliding; only by working the knot along. */
const AT_ONCE: readonly string[] = ['clove-hitch', 'munter-hitch', 'double-figure-eight-loop'];
function adjusts(knot: KnotEntry): 0 | 1 | 2 {
  if (AT_ONCE.includes(knot.id) || knot.family === 'friction') return 0;
  return knot.family === 'noose' ? 1 : 2;
}

/** Grades of a pull that is stood. */
const STANDS: readonly string[] = ['made', 'ok'];

function scoreOf(
  knot: KnotEntry,
  form: BakedForm,
  job: Job,
  profile: Profile,
  byHand: readonly RuleText[],
): ScorePart[] {
  const u = untyingAsked(knot, job);
  const named = namedBy(profile, knot, job) !== null;
  const usual = isUsual(knot, job);
  const grave = knot.faults.filter((f) => f.verdict === 'take-out-and-retie').length;
  const unit = unit_mm(form, across_mm(knot, job.rope));
  const stopper = withStopper(knot, job) ? ropeInCompanion(knot.id, stopperFor(knot, job)!).value * unit : 0;
  const mm = upTo(10, form.set.inKnot_ropeDiameters.value * unit + stopper);
  const girth = upTo(10, form.set.girth_ropeDiameters.value * unit);
  const minds = isJoint(knot) && unequal(job) && EQUAL_ONLY.includes(knot.id);
  const onlyOk = job.pulls.filter((p) => !stops(knot, job, p) && behaviourIn(knot, job, p).grade !== 'made');
  const others = PULLS_ASKED[job.purpose].filter((p) => !job.pulls.includes(p));
  const stands = others.filter((p) => stops(knot, job, p) || STANDS.includes(behaviourIn(knot, job, p).grade));
  const rope_used = {
    part: 'rope-used',
    value: mm,
    text: `${mm} mm of rope in the knot${isJoint(knot) ? ', of each' : ''}${stopper > 0 ? ', its stopper in' : ''}`,
  } as const;
  const bulk = { part: 'bulk', value: girth, text: `${girth} mm round it` } as const;
  return [
    ...(job.adjustable ? [{ part: 'adjusts', value: adjusts(knot), text: knot.adjust.text } as const] : []),
    {
      part: 'made-for-it',
      value: onlyOk.length,
      text:
        onlyOk.length === 0
          ? 'made for what pulls it'
          : `will do, pulled ${onlyOk.map((p) => pullWords(p, knot.family === 'bend')).join(' and ')}`,
    },
    {
      part: 'checked-by',
      value: job.team === 'anyone' && knot.recognised.by !== 'anyone' ? 1 : 0,
      text: knot.recognised.text,
    },
    {
      part: 'equal-ropes',
      value: minds ? 1 : 0,
      text: minds
        ? 'for ropes of one diameter'
        : isJoint(knot) && unequal(job)
          ? 'not said to need equal ropes'
          : 'no question here',
    },
    {
      part: 'untying',
      value: job.untie === 'any' ? 0 : u.most,
      text: u.least === u.most ? `${u.most} of 5: ${u.text}` : `${u.least} to ${u.most} of 5: ${u.text}`,
    },
    {
      part: 'named-by-profile',
      value: named ? 0 : 1,
      text: named ? `named by ${profile.name}` : `${profile.name} says nothing`,
    },
    { part: 'usual-for', value: usual ? 0 : 1, text: usual ? 'the usual knot for it' : 'one of several for it' },
    {
      part: 'also-stands',
      value: others.length - stands.length,
      text:
        others.length === 0
          ? 'no other pull is asked'
          : stands.length > 0
            ? `stands as well: pulled ${stands.map((p) => pullWords(p, knot.family === 'bend')).join(', ')}`
            : 'of no other pull it is said to stand it',
    },
    {
      part: 'known-to',
      value: knot.recognised.by === 'anyone' ? 0 : 1,
      text: knot.recognised.by === 'anyone' ? 'known to everybody' : 'known to those trained on it',
    },
    {
      part: 'ways-to-get-it-wrong',
      value: grave + (knot.harder_to_dress ? 1 : 0),
      text: `${grave} grave faults known${knot.harder_to_dress ? '; harder to dress neatly' : ''}`,
    },
    { part: 'loosens', value: knot.keeps_when_idle ? 0 : 1, text: knot.loosens.text },
    {
      part: 'passes',
      value: byHand.length,
      text:
        byHand.length > 0
          ? byHand.map((c) => c.text).join('; ')
          : job.must_pass.length > 0
            ? 'passes what it must, in trials'
            : 'nothing to pass',
    },
    // what stops something is the better the larger it is
    ...(job.purpose === 'stopper' ? [{ ...bulk, value: -girth }, rope_used] : [rope_used, bulk]),
  ];
}

/** The tail that the rules ask of a knot in this job, mm: how long tails will be that have to pass something. */
const tailAsked = (knot: string, job: Job, profile: Profile): number | null =>
  lengthFor(profile, { knot, rope_diameter_mm: job.rope.diameter_mm }).required_mm;

/**
 * Every catalogue knot exactly once.
 * @param job a job with at least one pull
 * @param profile the rule set the job names @param trials of what passes what; those that ship where none are handed in
 */
export function choose(job: Job, profile: Profile, trials?: readonly PassingTrial[]): Choice {
  const suited: Suited[] = [];
  const nearly: Nearly[] = [];
  const excluded: Excluded[] = [];
  for (const id of knotIds()) {
    const { entry, baked } = knotById(id);
    const form = baked.forms['right']!;
    const passed = passing(
      entry,
      job,
      (form.set.girth_ropeDiameters.value * unit_mm(form, across_mm(entry, job.rope))) / Math.PI,
      trials,
      () => tailAsked(id, job, profile),
    );
    const nos = nosTo(entry, job, profile, passed.nos);
    const only = nos[0];
    if (!only)
      suited.push({
        knot: id,
        score_parts: scoreOf(entry, form, job, profile, passed.cautions),
        reasons: [...reasonsFor(entry, job, profile), ...passed.reasons],
        cautions: [...passed.cautions, ...cautionsFor(entry, job, profile)],
      });
    else if (nos.length === 1 && only.change)
      nearly.push({ knot: id, wouldDoIf: only.change.text, rule: only.rule, change: only.change.kind });
    else
      excluded.push({
        knot: id,
        // that it passed in a trial is told as well: it may be asked for another purpose
        because: [
          ...nos.map(({ rule, text, source, of }) => ({ rule, text, source, of })),
          ...passed.reasons,
          ...passed.cautions,
        ],
      });
  }
  const byScore = (a: Suited, b: Suited) => {
    for (let i = 0; i < a.score_parts.length; i++) {
      const d = a.score_parts[i]!.value - b.score_parts[i]!.value;
      if (d !== 0) return d;
    }
    return a.knot < b.knot ? -1 : 1;
  };
  suited.sort(byScore);
  return {
    suited,
    nearly,
    excluded,
    versions: { catalogue: CATALOGUE_VERSION, profile: profile.id, profile_version: profile.version },
  };
}
