/** What looks different on yours: touched on either face, in the flat picture or the turning one; what it then is, and what that does under this job's pulls. */
import { refusalText, useTouchedQuery, type KnotReply } from '../../store/api';
import { useApp } from '../../store';
import { Loading } from '../../parts/States';
import { Named } from '../../parts/Named';
import { CrossingNumbers, Touchable } from '../../parts/Touchable';

interface Props {
  readonly knot: KnotReply;
  readonly chosen: readonly number[];
  readonly onChosen: (crossings: readonly number[]) => void;
}

export function Differs({ knot, chosen, onChosen }: Props) {
  const { job } = useApp((s) => s.job);
  const touched = useTouchedQuery({ id: knot.id, crossings: chosen }, { skip: chosen.length === 0 });
  const toggle = (n: number) => onChosen(chosen.includes(n) ? chosen.filter((c) => c !== n) : [...chosen, n].sort((a, b) => a - b));
  return (
    <section className="mt-4" aria-labelledby="differs">
      <h2 id="differs">Does yours look different?</h2>
      <p className="quiet mt-1 mb-2">Touch the crossing that goes the other way round on yours. The picture changes, and it is said what that would be.</p>
      <div className="two-faces">{(['front', 'back'] as const).map((face) => <Touchable key={face} knot={knot.id} name={knot.names[0]} face={face} chosen={chosen} onTouch={toggle} />)}</div>
      <CrossingNumbers count={knot.crossings.count} chosen={chosen} onTouch={toggle} />
      <div className="mt-3">
        {chosen.length === 0 ? null : touched.error ? <p className="notice no">{refusalText(touched.error)}</p> : touched.data && !touched.isFetching ? <Named said={touched.data.said} answer={touched.data.identified} known={touched.data.known} state="laid" pulled={job.pulls} /> : <Loading what="Looking" />}
      </div>
    </section>
  );
}
