/** What looks different on yours: touched on either face, in the flat picture or the turning one; what it then is, and what that does under this job's pulls. */
import type { KnotReply } from '../../store/api';
import { useApp } from '../../store';
import { TouchWhatDiffers, type Difference } from '../../parts/TouchWhatDiffers';

interface Props {
  readonly knot: KnotReply;
  readonly chosen: Difference;
  readonly onChosen: (next: Difference) => void;
}

export function Differs({ knot, chosen, onChosen }: Props) {
  const { job } = useApp((s) => s.job);
  return (
    <section className="mt-4" aria-labelledby="differs">
      <h2 id="differs">Does yours look different?</h2>
      <p className="quiet mt-1 mb-2">
        Touch what is different on yours: a crossing that goes the other way round, or the part. The picture changes,
        and it is said what that would be.
      </p>
      <TouchWhatDiffers knot={knot} chosen={chosen} onChosen={onChosen} pulled={job.pulls} />
    </section>
  );
}
