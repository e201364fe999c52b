/**
 * Every version of judging by which an entry of a record was made, frozen: none takes anything from what may change. An entry names its version; one
 * without a name is of version 1. `npm run freeze-judging` writes the version in force; it is judged by with the rule set, common practice and the
 * knot's entry as they are stored beside the record, so every recorded verdict can be computed again.
 */
import { fault, IdiomError } from '../errors';
import { judge as judgeV1, type EntryV1, type ProfileV1 } from './v1/judge';
import { judgeBy as judgeV2 } from './v2/judge.js';

/** The version that new entries are made by: that of core/inspect/judging. Raised with every change of what it answers. */
export const JUDGING_VERSION = 2;

/** What a judgement is made by, as it is stored with the record. */
export interface JudgedWith {
  readonly profile: object;
  readonly entry: object;
  /** common practice; null where its rules did not count, or a check is from before there was one */
  readonly practice: object | null;
}

/** What was asked: version 1 knew whether a stopper was tied, version 2 what the knot is for and which companions. */
export interface AskedOfJudging {
  readonly knot: string;
  readonly rope_diameter_mm: number;
  readonly stopper: boolean;
  readonly fist_mm: number;
  readonly answers: readonly object[];
  readonly secondSigned: boolean;
  readonly rope_state?: 'in-service' | 'damaged' | 'retired' | undefined;
  readonly [of_later_versions: string]: unknown;
}

/**
 * A judgement as a version of judging makes it.
 * @param version as the entry names it; 1 where it names none
 * @returns null where the version is not known to this program, or what it judges by is not there
 */
export function judgedBy(version: number, { profile, entry, practice }: JudgedWith, input: AskedOfJudging): unknown {
  const { stopper, ...asked } = input;
  if (version === 1) {
    const { knot, rope_diameter_mm, fist_mm, answers, secondSigned, rope_state } = input;
    return judgeV1(profile as ProfileV1, entry as EntryV1, {
      knot,
      rope_diameter_mm,
      stopper,
      fist_mm,
      answers: answers as Parameters<typeof judgeV1>[2]['answers'],
      secondSigned,
      rope_state,
    });
  }
  return version === 2 && practice
    ? inOurWords(() => judgeV2({ profile, practice, common: true }, entry, asked))
    : null;
}

/** What frozen code refuses it throws as an error of its own: the same refusal in the class that everybody knows. */
function inOurWords<T>(judged: () => T): T {
  try {
    return judged();
  } catch (e) {
    if (e instanceof IdiomError || !(e instanceof Error) || e.name !== 'IdiomError') throw e;
    const { code, values, errors } = e as unknown as IdiomError;
    throw fault(code, values, errors);
  }
}
