import type { Range } from '../../../core/knots/shape/measures';
import { across_mm, acrossText } from '../../../core/knots/shape/sizes';
import { Cards } from '../../parts/Cards';
import { RopeRows } from '../../parts/RopeRows';
import { Failed, Loading } from '../../parts/States';
import { USE_WORDS } from '../../parts/words';
import { useApp } from '../../store';
import { useProfilesQuery, useRopeNeededQuery, useSessionQuery, type KnotReply } from '../../store/api';

/** What the knot takes of the rope of the job. */
export function RopeNeeded({ knot: entry }: { knot: KnotReply }) {
  const knot = entry.id;
  const { job } = useApp((s) => s.job);
  const person = useSessionQuery().data?.person;
  const profile = useProfilesQuery().data?.find((p) => p.id === job.profile);
  const { data, error } = useRopeNeededQuery({
    knot,
    rope_diameter_mm: across_mm(entry, job.rope),
    profile: job.profile,
    // as the job asks it, where the knot is made for that
    ...(entry.purposes.includes(job.purpose) && { use: job.purpose }),
  });
  if (error) return <Failed error={error} />;
  if (!data) return <Loading what="Measuring" />;
  return (
    <section className="sheet p-3 px-4" aria-labelledby="rope-needed">
      <h2 id="rope-needed">How much rope</h2>
      <p className="small quiet mb-1">
        for {USE_WORDS[data.use]}, on {acrossText(entry, across_mm(entry, job.rope))}, under{' '}
        {profile?.name ?? job.profile}; from the computed knot; low and high by how hard it is set
      </p>
      <RopeRows needed={data} person={person} profile={profile} />
      <ul className="small quiet mb-0 ps-3">
        {data.notes.map((n) => (
          <li key={n}>{n}</li>
        ))}
      </ul>
    </section>
  );
}

/** Girth and size of the tight knot on the job's rope, rounded up to whole millimetres. */
function Size({ knot, across_mm: across }: { knot: KnotReply; across_mm: number }) {
  const mm = (r: Range) => {
    const [low, high] = [Math.ceil(r.low * across), Math.ceil(r.high * across)];
    return low === high ? `${high} mm` : `${low}–${high} mm`;
  };
  const { girth, length, width } = knot.measures;
  return (
    <p className="small quiet mb-0 mt-2">
      Set, on {acrossText(knot, across)}, it is about {mm(length)} long, {mm(width)} wide and {mm(girth)} round.
      Computed, not measured: try what it must pass.
    </p>
  );
}

/** How large it is, and its shape to take along; a card to print. @param asked the form and state that are shown */
export function KnotItself({ knot, asked, way }: { knot: KnotReply; asked: string; way: string | undefined }) {
  const { id } = knot;
  const { job } = useApp((s) => s.job);
  return (
    <section className="sheet p-3 px-4 mt-3">
      <h2>The knot itself</h2>
      <Size knot={knot} across_mm={across_mm(knot, job.rope)} />
      <p className="small mb-0 mt-2">
        Take its shape along:{' '}
        <a href={`/api/v1/knots/${id}/shape.glb?${asked}`} download={`${id}.glb`}>
          glTF
        </a>
        ,{' '}
        <a href={`/api/v1/knots/${id}/shape.obj?${asked}`} download={`${id}.obj`}>
          OBJ
        </a>
        ,{' '}
        <a href={`/api/v1/knots/${id}/picture.svg?${asked}&size=900&theme=print`} download={`${id}.svg`}>
          SVG
        </a>
        ,{' '}
        <a href={`/api/v1/knots/${id}/shape?${asked}`} download={`${id}.json`}>
          JSON
        </a>
      </p>
      <p className="small mb-0 mt-2">
        <Cards knots={[id]} {...(way !== undefined && { way })} said="A card to print (PDF)" />
      </p>
    </section>
  );
}
