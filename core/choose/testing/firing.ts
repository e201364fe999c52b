/** A job in which each rule says no to some knot, found by going through jobs in order: for the test that no rule is idle, and for the docs. */
import { PROFILE_IDS, shippedProfile, type Profile } from '../../profiles';
import {
  choose,
  MUST_PASS,
  OBJECTS,
  OWN_STOPPER_RULE,
  PULLS,
  PURPOSE_RULE,
  PURPOSES,
  ROPE_KINDS,
  RULES,
  UNTYING_WISHES,
  type Job,
} from '../index';
import { TIE_IN } from './jobs';

export interface Firing {
  readonly job: Job;
  readonly knot: string;
  readonly text: string;
}
const USUAL: Job = TIE_IN;

/** Jobs that differ from the usual one in one thing or two. */
function* jobs(): Generator<Job> {
  const one: Partial<Job>[] = [
    {},
    ...PULLS.map((p) => ({ pulls: [p] })),
    ...ROPE_KINDS.map((kind) => ({ rope: { kind, diameter_mm: kind === 'webbing' ? 25 : 8 } })),
    ...OBJECTS.map((object) => ({ object })),
    ...UNTYING_WISHES.map((untie) => ({ untie })),
    ...MUST_PASS.map((d) => ({ must_pass: [d] })),
    { end_free: false },
    { life_load: false },
    { fits_thicknesses: 0 },
    { devices: [{ kind: 'descender', opening_mm: 200 }] },
    { second_rope: { kind: 'dynamic' as const, diameter_mm: 9 } },
    { rope: { kind: 'low-stretch' as const, diameter_mm: 11 } },
  ];
  for (const profile of PROFILE_IDS)
    for (const purpose of PURPOSES) for (const a of one) yield { ...USUAL, profile, purpose, ...a };
  for (const purpose of PURPOSES) for (const a of one) for (const b of one) yield { ...USUAL, purpose, ...a, ...b };
}

/** Ids of every rule that can say no, with its text, source and owner. */
export const everyRule = (): { id: string; text: string; source: string; of: string | null }[] => {
  const own = new Map<string, { id: string; text: string; source: string; of: string | null }>();
  for (const id of PROFILE_IDS) {
    const p: Profile = shippedProfile(id);
    for (const k of p.tieIn)
      if (k.says !== 'named')
        own.set(k.rule, {
          id: k.rule,
          text: k.text,
          source: k.source,
          of: [own.get(k.rule)?.of, p.name].filter(Boolean).join(', '),
        });
  }
  const told = [...RULES, OWN_STOPPER_RULE, PURPOSE_RULE].map(({ id, text, source }) => ({
    id,
    text,
    source,
    of: null,
  }));
  const passes = [
    {
      id: 'M1',
      text: 'What has to pass something is offered only where a trial says that it does: a computed size says at most that it is likely stuck.',
      source: 'practice',
      of: null,
    },
    { id: 'M2', text: 'What stuck in a trial is not offered where it has to pass.', source: 'practice', of: null },
  ];
  return [...told, ...passes, ...own.values()].sort((a, b) => (a.id < b.id ? -1 : 1));
};

/** The first job found in which each rule fires; rules that never do are missing. */
export function firings(): Map<string, Firing> {
  const wanted = new Set(everyRule().map((r) => r.id));
  const out = new Map<string, Firing>();
  for (const job of jobs()) {
    const { excluded, nearly } = choose(job, shippedProfile(job.profile));
    for (const { knot, because } of excluded)
      for (const { rule, text } of because) if (wanted.has(rule) && !out.has(rule)) out.set(rule, { job, knot, text });
    for (const { knot, rule, wouldDoIf } of nearly)
      if (wanted.has(rule) && !out.has(rule)) out.set(rule, { job, knot, text: wouldDoIf });
    if (out.size === wanted.size) break;
  }
  return out;
}
