/**
 * Every version of judging by which an entry of a record was made. An entry names its version; one without a name is of version 1. A version is
 * frozen when judging changes, with the rule sets and knots' entries stored beside the record: so every recorded verdict can be computed again.
 */
import { judge as judgeV1, type EntryV1, type ProfileV1 } from './v1/judge';

/** The version that new entries are made by: that of core/inspect/judging. Raised with every change of what it answers; the old one is frozen first. */
export const JUDGING_VERSION = 1;

const VERSIONS: Readonly<Record<number, typeof judgeV1>> = { 1: judgeV1 };

export type JudgeInput = Parameters<typeof judgeV1>[2];

/**
 * A judgement as a version of judging makes it.
 * @param version as the entry names it; 1 where it names none
 * @param profile the rule set, and
 * @param entry the knot's entry, as they are stored with the record
 * @returns null where the version is not known to this program
 */
export function judgedBy(version: number, profile: ProfileV1, entry: EntryV1, input: JudgeInput): unknown {
  return VERSIONS[version]?.(profile, entry, input) ?? null;
}
export type { EntryV1, ProfileV1 };
