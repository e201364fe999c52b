/** The rope's path through its crossings in words. */
import type { Crossings, Pass } from '../topology';

/**
 * The rope's path in words, for those who do not see the picture: over and under at each crossing in turn.
 * @param ids number of each crossing; without them they are numbered along the rope
 * @param eye point index of the eye's far point, where there is one
 */
export function pathInWords({ count, passes }: Crossings, ids?: readonly number[], eye?: number): string {
  if (count === 0) return 'The rope does not cross itself.';
  const line = passes[0]!.line;
  const words: string[] = [];
  let before: Pass | null = null;
  for (const p of passes) {
    if (p.line !== line) continue;
    if (eye !== undefined && p.at > eye && (before === null || before.at <= eye)) words.push('round the eye');
    words.push(`${p.over ? 'over' : 'under'} at ${ids?.[p.crossing] ?? p.crossing + 1}`);
    before = p;
  }
  if (eye !== undefined && before !== null && before.at <= eye) words.push('round the eye');
  return `From the standing part the rope passes ${words.join(', ')}, and out as the tail. ${count} ${count === 1 ? 'crossing' : 'crossings'}.`;
}
