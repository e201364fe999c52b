/** A knot laid out on both faces: what looks different is touched, a crossing or a part; then it is shown with that change, and said what that would be. */
import { Button } from 'react-bootstrap';
import type { z } from 'zod';
import type { changesReply } from '../../contract';
import { refusalText, useChangesQuery, useTouchedQuery, type KnotReply } from '../store/api';
import { CrossingNumbers, Touchable, type TouchedAt } from './Touchable';
import { Named } from './Named';
import { Loading } from './States';

type Change = z.output<typeof changesReply>[number];
export type Part = Change['part'];

/** What was touched: crossings that go the other way round, or one wrong form; or only the part that looks different. */
export interface Difference {
  readonly crossings: readonly number[];
  readonly fault: string | null;
  readonly part: Part | null;
}
export const NOTHING: Difference = { crossings: [], fault: null, part: null };

const PART_WORDS: readonly (readonly [Part, string])[] = [
  ['strands', 'how strands pass'],
  ['pair', 'a pair'],
  ['wraps', 'the wraps'],
  ['eye', 'the eye'],
  ['tail', 'the tail'],
  ['loaded-end', 'which end is loaded'],
  ['tied-to', 'what it is tied to'],
  ['set', 'how it is set'],
];
/** A touch counts for a change where it falls no farther outside its place than this, rope diameters. */
const BESIDE = 1;

interface Props {
  readonly knot: KnotReply;
  readonly chosen: Difference;
  readonly onChosen: (next: Difference) => void;
  /** the job's pulls, where the answer is about a job */
  readonly pulled?: readonly string[];
}

export function TouchWhatDiffers({ knot, chosen: { crossings, fault, part }, onChosen, pulled = [] }: Props) {
  const { id } = knot;
  const changes = useChangesQuery(id).data ?? [];
  const asked = crossings.length > 0 || fault !== null;
  const touched = useTouchedQuery({ id, crossings, fault }, { skip: !asked });
  const toggle = (n: number) =>
    onChosen({
      crossings: crossings.includes(n) ? crossings.filter((c) => c !== n) : [...crossings, n].sort((a, b) => a - b),
      fault: null,
      part: null,
    });
  const apart = (c: Change, { x, y }: TouchedAt) => Math.hypot(c.where!.x - x, c.where!.y - y);
  const at = (where: TouchedAt) => {
    if (where.crossing !== null) return toggle(where.crossing);
    const near = changes
      .filter((c) => c.where && apart(c, where) <= c.where.radius + BESIDE)
      .sort((a, b) => apart(a, where) - apart(b, where))[0];
    if (near) onChosen({ crossings: [], fault: null, part: near.part });
  };
  const open = part ?? changes.find((c) => c.fault === fault)?.part ?? null;
  const state = changes.find((c) => c.fault === fault)?.state ?? 'laid';
  const parts = PART_WORDS.filter(([p]) => changes.some((c) => c.part === p));
  return (
    <>
      <div className="touch-faces">
        {(['front', 'back'] as const).map((face) => (
          <Touchable
            key={face}
            knot={id}
            name={knot.names[0]}
            face={face}
            crossings={crossings}
            fault={fault}
            state={state}
            onTouch={at}
          />
        ))}
      </div>
      {knot.crossings.count > 0 ? (
        <CrossingNumbers count={knot.crossings.count} chosen={crossings} onTouch={toggle} />
      ) : null}
      {parts.length > 0 ? (
        <>
          <div className="seg wide mt-2" role="group" aria-label="Or another part looks different">
            {parts.map(([p, words]) => (
              <button
                key={p}
                type="button"
                aria-pressed={open === p}
                onClick={() => onChosen(open === p ? NOTHING : { crossings: [], fault: null, part: p })}
              >
                {words}
              </button>
            ))}
          </div>
          {open ? (
            <div className="answers mt-2" role="group" aria-label="How it differs">
              {changes
                .filter((c) => c.part === open)
                .map((c) => (
                  <Button
                    key={c.fault}
                    variant={c.fault === fault ? 'primary' : 'outline-primary'}
                    aria-pressed={c.fault === fault}
                    onClick={() =>
                      onChosen(
                        c.fault === fault
                          ? { crossings: [], fault: null, part: open }
                          : { crossings: [], fault: c.fault, part: open },
                      )
                    }
                  >
                    {c.name}
                  </Button>
                ))}
            </div>
          ) : null}
        </>
      ) : null}
      <div className="mt-3">
        {!asked ? null : touched.error ? (
          <p className="notice no">{refusalText(touched.error)}</p>
        ) : touched.data && !touched.isFetching ? (
          <Named
            said={touched.data.said}
            answer={touched.data.identified}
            known={touched.data.known}
            state={state}
            pulled={pulled}
          />
        ) : (
          <Loading what="Looking" />
        )}
      </div>
    </>
  );
}
