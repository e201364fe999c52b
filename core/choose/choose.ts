/**
 * From a job to suited, nearly, excluded. Every rule is a function with an id; each says no (with how
 * grave it is), or names the one visible change that would do. Order of the suited: who can check it,
 * then how it comes undone (if that was asked), then whether the rule set names it, then whether everybody
 * knows it, then ways to get it wrong, then rope used. Silence of a profile is said, it is neither a yes nor a no.
 */
import { behaviour } from '../knots/behaviour';
import { knotById, knotIds, CATALOGUE_VERSION } from '../knots/catalogue';
import { across_mm, unit_mm } from '../knots/sizes';
import type { BakedForm } from '../knots/stored';
import { FAMILIES, type KnotEntry } from '../knots/types';
import type { Profile } from '../profiles';
import type { Job } from './job';

export interface RuleText {
  readonly rule: string;
  readonly text: string;
}
export interface ScorePart {
  readonly part: 'checked-by' | 'untying' | 'named-by-profile' | 'known-to' | 'ways-to-get-it-wrong' | 'rope-used';
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
  readonly change: 'add-stopper' | 'free-an-end';
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

interface No extends RuleText {
  /** 0 danger, 1 rule set or rope, 2 need, 3 purpose */
  readonly weight: 0 | 1 | 2 | 3;
  readonly change?: { readonly kind: Nearly['change']; readonly text: string };
}

type Rule = (knot: KnotEntry, job: Job, profile: Profile) => readonly No[];

const PULL_WORDS: Readonly<Record<string, string>> = {
  'standing-eye': 'standing part to eye', 'tail-eye': 'tail to eye', through: 'standing part to tail with the eye idle', cross: 'one end across the eye',
  ring: 'the eye pulled apart', all: 'standing part, tail and eye at once', up: 'upward', down: 'downward',
};

/** A stopper has no eye: what pulls at its standing part pulls it against what it stops. Any other pull it must be graded for. */
const stops = (knot: KnotEntry, job: Job, pull: Job['pulls'][number]) => knot.family === 'stopper' && job.purpose === 'stopper' && pull === 'standing-eye';

const pulls: Rule = (knot, job) =>
  job.pulls.flatMap((pull): No[] => {
    if (stops(knot, job, pull)) return [];
    const grade = behaviour(knot, pull);
    if (grade.grade === 'not-known') return [{ rule: 'P3', weight: 1, text: `pulled ${PULL_WORDS[pull]}: not known for this knot, so not offered` }];
    if (grade.grade === 'fails') return [{ rule: 'P1', weight: 0, text: `pulled ${PULL_WORDS[pull]} it fails: ${grade.what_happens}` }];
    if (grade.grade === 'avoid') return [{ rule: 'P2', weight: 0, text: `pulled ${PULL_WORDS[pull]}: to be avoided, ${grade.what_happens}` }];
    return [];
  });

const CORD_IS_USUAL: readonly Job['purpose'][] = ['friction', 'cord-loop', 'sling'];

const rope: Rule = (knot, job) => {
  const out: No[] = [];
  if (job.rope.kind === 'webbing' && !knot.tape) out.push({ rule: 'R1', weight: 0, text: 'not a knot for flat tape' });
  if (job.rope.kind !== 'webbing' && knot.tape === 'only') out.push({ rule: 'R7', weight: 0, text: 'for flat tape only, never in rope' });
  if (job.rope.kind === 'hollow-braid') out.push({ rule: 'R2', weight: 1, text: 'not known in hollow braid' });
  if (job.rope.kind === 'high-modulus-cord') out.push({ rule: 'R3', weight: 1, text: 'not known in thin slippery cord' });
  if (job.rope.kind === 'accessory-cord' && (job.purpose === 'tie-in' || job.life_load) && !CORD_IS_USUAL.includes(job.purpose)) out.push({ rule: 'R4', weight: 1, text: 'accessory cord is no rope to hang a person on by one strand' });
  // the second rope of a friction hitch is the one it grips
  if (job.second_rope && knot.family !== 'bend' && knot.family !== 'friction') out.push({ rule: 'R5', weight: 2, text: 'tied in one rope; it does not join two' });
  return out;
};

const lifeLoad: Rule = (knot, job, profile) => {
  if (!job.life_load && job.purpose !== 'tie-in') return [];
  const says = profile.tieIn.find((k) => k.knot === knot.id);
  if (says?.says === 'only-with-stopper') return [{ rule: says.rule, weight: 0, text: says.text, change: { kind: 'add-stopper', text: 'if a stopper is tied in its tail, butted up to the knot' } }];
  if (knot.for_a_life?.only === 'never') return [{ rule: 'L2', weight: 0, text: knot.for_a_life.text }];
  if (!says && knot.for_a_life) return [{ rule: 'L1', weight: 0, text: knot.for_a_life.text, change: { kind: 'add-stopper', text: 'if a stopper is tied in its tail and the eye is not small; the double bowline is advised in its place' } }];
  if (says?.says === 'advised-with-stopper') return [{ rule: says.rule, weight: 1, text: says.text, change: { kind: 'add-stopper', text: 'with a stopper on its tail, as a margin' } }];
  return [];
};

const endFree: Rule = (knot, job) =>
  knot.needs.free_end && !job.end_free ? [{ rule: 'N1', weight: 2, text: 'it needs a free end', change: { kind: 'free-an-end', text: 'if an end of the rope were free' } }] : [];

const OBJECT_WORDS: Readonly<Record<Job['object'], string>> = { clip: 'a karabiner', 'closed-ring': 'a ring', post: 'a post', harness: 'a harness', rope: 'another rope', none: 'nothing' };

const object: Rule = (knot, job) => {
  if (job.fits_thicknesses !== undefined && job.fits_thicknesses < knot.needs.thicknesses_through_object)
    return [{ rule: 'N2', weight: 2, text: `${knot.needs.thicknesses_through_object} thickness of rope must go through the object` }];
  if (knot.needs.eye_first && (job.object === 'closed-ring' || job.object === 'harness')) return [{ rule: 'N5', weight: 2, text: 'its eye is made first: it cannot be put through a closed object' }];
  if (job.object === 'rope' && knot.family !== 'friction') return [{ rule: 'N3', weight: 2, text: 'it does not grip another rope' }];
  if (job.object !== 'rope' && knot.family === 'friction') return [{ rule: 'N7', weight: 2, text: 'it grips another rope, nothing else' }];
  if (knot.needs.objects && !knot.needs.objects.includes(job.object)) return [{ rule: 'N8', weight: 2, text: `it goes on ${knot.needs.objects.map((o) => OBJECT_WORDS[o]).join(' or ')}, nothing else` }];
  if (job.object === 'none' && job.purpose === 'tie-in') return [{ rule: 'N4', weight: 2, text: 'a tie-in needs something to tie in to' }];
  return [];
};

const untying: Rule = (knot, job) => (job.untie === 'under-load' && !canBeLetGo(knot) ? [{ rule: 'U1', weight: 1, text: 'cannot be let go while it is loaded' }] : []);

/** Not above this of 5 under load: by hand. */
const LET_GO_MOST = 3;
const canBeLetGo = (knot: KnotEntry): boolean => knot.untying.some((u) => u.condition === 'under-load' && u.most <= LET_GO_MOST);

const passing: Rule = (_knot, job) =>
  job.must_pass.length > 0 ? [{ rule: 'M1', weight: 2, text: `no trial is recorded of it passing: ${job.must_pass.join(', ')}` }] : [];

const purpose: Rule = (knot, job) => (knot.purposes.includes(job.purpose) ? [] : [{ rule: 'F1', weight: 3, text: `not for this purpose: it is ${withArticle(FAMILIES[knot.family])}, not for "${job.purpose}"` }]);

const withArticle = (word: string) => `${/^[aeiou]/.test(word) ? 'an' : 'a'} ${word}`;

const RULES: readonly Rule[] = [pulls, lifeLoad, rope, untying, endFree, object, passing, purpose];

function reasonsFor(knot: KnotEntry, job: Job, profile: Profile): RuleText[] {
  const out: RuleText[] = job.pulls.map((pull) => {
    if (stops(knot, job, pull)) return { rule: 'P0', text: 'pulled against what it stops' };
    const g = behaviour(knot, pull);
    return { rule: 'P0', text: g.grade === 'ok' ? `${PULL_WORDS[pull]}: ${g.condition}` : `made for ${PULL_WORDS[pull]}` };
  });
  const says = profile.tieIn.find((k) => k.knot === knot.id);
  if (says?.says === 'named') out.push({ rule: says.rule, text: says.text });
  if (knot.recognised.by === 'anyone') out.push({ rule: 'C0', text: knot.recognised.text });
  out.push(...knot.good_for.map((f, i) => ({ rule: `G${i + 1}`, text: f.text })));
  return out;
}

function untyingFor(knot: KnotEntry, job: Job) {
  const condition = job.untie === 'after-hard-falls' || job.untie === 'under-load' ? job.untie : 'ordinary-load';
  return knot.untying.find((u) => u.condition === condition) ?? knot.untying[0]!;
}

function cautionsFor(knot: KnotEntry, job: Job, profile: Profile): RuleText[] {
  const out: RuleText[] = [];
  if (knot.form_certainty !== 'settled') out.push({ rule: 'S3', text: `its computed form is not settled: ${knot.form_text.split(':')[0]!}` });
  if (knot.recognised.by === 'trained') out.push({ rule: 'C1', text: job.team === 'anyone' ? `${knot.recognised.text}: not everyone here can judge it` : knot.recognised.text });
  const u = untyingFor(knot, job);
  if (job.untie !== 'any' && u.most > 3) out.push({ rule: 'U2', text: `${u.least} to ${u.most} of 5 to undo: ${u.text}` });
  if (job.purpose === 'tie-in' && !profile.tieIn.some((k) => k.knot === knot.id)) out.push({ rule: 'S1', text: `the rule set ${profile.name} says nothing about this knot as a tie-in` });
  const stopper = profile.stopperBehindTieIn;
  if (job.purpose === 'tie-in' && stopper.asked === 'required' && stopper.knots.includes(knot.id)) out.push({ rule: 'S2', text: stopper.text });
  if (knot.needs.eye_first && job.object === 'post') out.push({ rule: 'N6', text: 'its eye is made first: only over a post whose end can be reached' });
  if (job.rope.kind === 'accessory-cord') out.push({ rule: 'R6', text: 'in cord: only general facts are known' });
  out.push(...knot.cautions.map((c, i) => ({ rule: `K${i + 1}`, text: c.text })));
  return out;
}

function scoreOf(knot: KnotEntry, form: BakedForm, job: Job, profile: Profile): ScorePart[] {
  const u = untyingFor(knot, job);
  const says = profile.tieIn.find((k) => k.knot === knot.id);
  const grave = knot.faults.filter((f) => f.verdict === 'take-out-and-retie').length;
  const mm = Math.ceil((form.set.inKnot_ropeDiameters.value * unit_mm(form, across_mm(knot, job.rope))) / 10) * 10;
  return [
    { part: 'checked-by', value: job.team === 'anyone' && knot.recognised.by !== 'anyone' ? 1 : 0, text: knot.recognised.text },
    { part: 'untying', value: job.untie === 'any' ? 0 : u.most, text: u.least === u.most ? `${u.most} of 5: ${u.text}` : `${u.least} to ${u.most} of 5: ${u.text}` },
    { part: 'named-by-profile', value: says?.says === 'named' ? 0 : 1, text: says?.says === 'named' ? `named by ${profile.name}` : `${profile.name} says nothing` },
    { part: 'known-to', value: knot.recognised.by === 'anyone' ? 0 : 1, text: knot.recognised.by === 'anyone' ? 'known to everybody' : 'known to those trained on it' },
    { part: 'ways-to-get-it-wrong', value: grave, text: `${grave} grave faults known` },
    { part: 'rope-used', value: mm, text: `${mm} mm of rope in the knot` },
  ];
}

/**
 * Every catalogue knot exactly once.
 * @param job a job with at least one pull
 * @param profile the rule set the job names
 */
export function choose(job: Job, profile: Profile): Choice {
  const suited: Suited[] = [];
  const nearly: Nearly[] = [];
  const excluded: Excluded[] = [];
  for (const id of knotIds()) {
    const { entry, baked } = knotById(id);
    const nos = RULES.flatMap((rule) => rule(entry, job, profile));
    const only = nos[0];
    if (nos.length === 0)
      suited.push({
        knot: id,
        score_parts: scoreOf(entry, baked.forms['right']!, job, profile),
        reasons: reasonsFor(entry, job, profile),
        cautions: cautionsFor(entry, job, profile),
      });
    else if (nos.length === 1 && only?.change) nearly.push({ knot: id, wouldDoIf: only.change.text, rule: only.rule, change: only.change.kind });
    else
      excluded.push({
        knot: id,
        because: nos.slice().sort((a, b) => a.weight - b.weight).map(({ rule, text }) => ({ rule, text })),
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
  return { suited, nearly, excluded, versions: { catalogue: CATALOGUE_VERSION, profile: profile.id, profile_version: profile.version } };
}
