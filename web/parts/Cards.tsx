/** Cards to print, with the rules and the rope of the job: of one knot, or a page each of several. */
import { useApp } from '../store';
import { useSessionQuery } from '../store/api';

const PAPERS = [
  ['a5', 'A5'],
  ['half-letter', 'half letter'],
] as const;

interface Props {
  /** one makes a card, several a booklet */
  readonly knots: readonly string[];
  /** of one knot: which way of tying */
  readonly way?: string;
  readonly hand?: 'right' | 'left';
  readonly said: string;
}

export function Cards({ knots, way, hand, said }: Props) {
  const { job } = useApp((s) => s.job);
  const own = useSessionQuery().data?.person?.hand;
  const asked = new URLSearchParams({
    hand: hand ?? own ?? 'right',
    profile: job.profile,
    rope_diameter_mm: String(job.rope.diameter_mm),
    rope_kind: job.rope.kind,
    ...(way !== undefined && { way }),
  });
  const url =
    knots.length === 1 && way !== undefined
      ? `/api/v1/knots/${knots[0]!}/card.pdf?`
      : `/api/v1/cards.pdf?knots=${knots.join(',')}&`;
  return (
    <>
      {said}:{' '}
      {PAPERS.map(([paper, name], k) => (
        <span key={paper}>
          {k > 0 ? ', ' : ''}
          <a href={`${url}paper=${paper}&${asked.toString()}`}>{name}</a>
        </span>
      ))}
    </>
  );
}
