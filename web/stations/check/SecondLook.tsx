/** The second person begins: told what to look at, and nothing of what the first one found. */
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useNavigate, useParams } from 'react-router';
import { useKnotName } from '../../parts/CheckRows';
import { Empty, Failed, Loading } from '../../parts/States';
import { newId } from '../../parts/newId';
import { momentText } from '../../parts/words';
import { usePeopleQuery, useSessionQuery, useToLookAtQuery, type Refusal } from '../../store/api';
import { useApp, useSend } from '../../store';
import { freshWalk, walkBegun } from '../../store/walks';

export function SecondLook() {
  const { check = '' } = useParams();
  const { data, error, isLoading, refetch } = useToLookAtQuery(check, { refetchOnMountOrArgChange: true });
  const people = usePeopleQuery().data;
  const me = useSessionQuery().data!.person!;
  const begun = useApp((s) => s.walks.find((w) => w.second?.check === check));
  const name = useKnotName();
  const send = useSend();
  const navigate = useNavigate();
  const [who, setWho] = useState<string | null>(null);
  const [tried, setTried] = useState(false);
  if ((error as Refusal | undefined)?.data?.code === 'already-signed')
    return (
      <Empty title="A second person has looked already">
        <Link className="btn btn-primary" to={`/log/${check}`}>
          Open the check
        </Link>
      </Empty>
    );
  if (isLoading || !people) return <Loading what="Getting what is to be looked at" />;
  if (error || !data) return <Failed error={error} again={refetch} />;
  const may = people.filter(
    (p) =>
      p.id !== data.tied_by && p.id !== data.checker && p.id !== data.corrector && p.roles.some((r) => r !== 'learner'),
  );
  const chosen = who ?? (may.some((p) => p.id === me.id) ? me.id : '');
  const person = may.find((p) => p.id === chosen);
  const tier = people.find((p) => p.id === data.tied_by)?.name ?? data.tied_by_words ?? 'nobody knows whom';
  const begin = () => {
    setTried(true);
    if (!person) return;
    const id = newId();
    send(
      walkBegun({
        id,
        tiedKnot: data.tied_knot,
        knot: data.knot,
        rope: data.rope,
        ropeTag: data.rope_tag,
        rope_diameter_mm: data.rope_diameter_mm,
        place: data.place,
        tiedBy: data.tied_by,
        tiedByOutside: data.tied_by_words ?? undefined,
        tiedAt: data.tied_at,
        profile: data.profile,
        profileVersion: data.profile_version,
        stopper: data.stopper,
        use: data.use ?? undefined,
        companions: data.companions,
        ropeKind: data.rope_kind ?? undefined,
        judging: data.judging,
        hand: data.hand,
        ...freshWalk(person.length_unit),
        second: { check, signer: person.id === me.id ? null : person.id, rule_fist_mm: data.fist_mm },
      }),
    );
    void navigate(`/check/${id}`);
  };
  return (
    <>
      <h1>Look at it yourself</h1>
      <p className="fs-5 mt-2 mb-1">
        <b>{name(data.knot)}</b> in {data.rope_tag} ({data.rope_diameter_mm} mm), {data.place}.
      </p>
      <p className="quiet">
        Tied by {tier}, {momentText(data.tied_at)}. What the first one found is shown after you have signed. Asking the
        one who tied it is no check.
      </p>
      {begun ? (
        <div className="notice mb-3">
          <p className="mb-2">A second look at it was begun on this device: {begun.answers.length} points answered.</p>
          <Link className="btn btn-primary" to={`/check/${begun.id}`}>
            Go on
          </Link>
        </div>
      ) : null}
      <Form.Group controlId="second-person" style={{ maxWidth: 460 }}>
        <Form.Label>Who looks</Form.Label>
        <Form.Select value={chosen} onChange={(e) => setWho(e.target.value)} isInvalid={tried && !person}>
          <option value="">choose</option>
          {may.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
              {p.id === me.id ? ' (signed in)' : ', on this device'}
            </option>
          ))}
        </Form.Select>
        {tried && !person ? <p className="invalid-feedback d-block mb-0">who looks?</p> : null}
        {person && person.id !== me.id ? (
          <Form.Text>
            Hand the device over now. {person.name.split(' ')[0]} signs at the end with{' '}
            {person.has_pin ? 'their own PIN' : 'their password: they have no PIN yet'}.
          </Form.Text>
        ) : null}
        {may.length === 0 ? (
          <Form.Text>There is nobody else who may look: neither who tied it nor the first checker can.</Form.Text>
        ) : null}
      </Form.Group>
      <div className="answers">
        <Button size="lg" onClick={begin}>
          Begin to look
        </Button>
        <Link className="btn btn-outline-primary" to="/">
          Not now
        </Link>
      </div>
    </>
  );
}
