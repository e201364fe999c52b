/** What makes the difference between two or three knots for a job, in words: who is ruled out and why, then the first thing by which the order is decided. */
import type { Choice, ScorePart } from './choose';

/** How each part of the order is spoken of. */
const DECIDES: Readonly<Record<ScorePart['part'], string>> = {
  adjusts: 'how it is adjusted',
  'made-for-it': 'what it was made for',
  'usual-for': 'what is usual',
  'also-stands': 'what else it stands',
  'checked-by': 'who can check it',
  'equal-ropes': 'the unequal ropes',
  untying: 'how it comes undone',
  'named-by-profile': 'what the rule set says',
  'known-to': 'who knows it',
  'ways-to-get-it-wrong': 'ways to get it wrong',
  loosens: 'what it does when idle',
  passes: 'what must be fed by hand',
  'rope-used': 'the rope it takes',
  bulk: 'how bulky it is',
};

export interface Standing {
  readonly knot: string;
  readonly stands: 'suited' | 'nearly' | 'excluded';
  /** why, or what would do; empty where it is suited */
  readonly because: string;
  readonly rule: string | null;
}

export interface Difference {
  /** in the order in which they stand for the job, best first */
  readonly order: readonly Standing[];
  /** between neighbours that are both suited: what decides, and what each has there */
  readonly decided: readonly {
    readonly before: string;
    readonly after: string;
    readonly by: string;
    readonly has: readonly [string, string];
  }[];
}

const RANK = { suited: 0, nearly: 1, excluded: 2 } as const;

/** @param knots two or three that the choice has; others are left out */
export function whatDecides(choice: Choice, knots: readonly string[]): Difference {
  const place = (id: string) => choice.suited.findIndex((s) => s.knot === id);
  const order = knots
    .flatMap((knot): Standing[] => {
      if (place(knot) >= 0) return [{ knot, stands: 'suited', because: '', rule: null }];
      const nearly = choice.nearly.find((n) => n.knot === knot);
      if (nearly) return [{ knot, stands: 'nearly', because: nearly.wouldDoIf, rule: nearly.rule }];
      const no = choice.excluded.find((x) => x.knot === knot)?.because[0];
      return no ? [{ knot, stands: 'excluded', because: no.text, rule: no.rule }] : [];
    })
    .sort((a, b) => RANK[a.stands] - RANK[b.stands] || place(a.knot) - place(b.knot));
  const suited = order.filter((s) => s.stands === 'suited').map((s) => choice.suited[place(s.knot)]!);
  const decided = suited.slice(1).map((after, k) => {
    const before = suited[k]!;
    const n = before.score_parts.findIndex((p, i) => p.value !== after.score_parts[i]!.value);
    // alike in everything: then by name
    return n < 0
      ? { before: before.knot, after: after.knot, by: 'nothing: they stand alike', has: ['', ''] as const }
      : {
          before: before.knot,
          after: after.knot,
          by: DECIDES[before.score_parts[n]!.part],
          has: [before.score_parts[n]!.text, after.score_parts[n]!.text] as const,
        };
  });
  return { order, decided };
}
