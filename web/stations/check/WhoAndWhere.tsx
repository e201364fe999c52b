/** In which rope, where, who tied it and when: said before the walk or before signing. */
import { Form } from 'react-bootstrap';
import type { RopeRow } from '../../../contract';
import { KIND_WORDS } from '../../parts/words';
import { tieable } from '../../store/tieable';

export interface WhoWhere {
  readonly rope: string;
  readonly place: string;
  /** a member's id, or one of the two words below; '' while not said */
  readonly tiedBy: string;
  /** who it was, where it was somebody outside */
  readonly outside: string;
  /** the checker states that they did not tie it */
  readonly notMe: boolean;
  /** as the field for a local time has it */
  readonly tiedAt: string;
}
export const OUTSIDE = 'outside';
export const NOT_KNOWN = 'unknown';

const localOf = (at: Date) => new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
export const localNow = () => localOf(new Date());
export const localTime = (iso: string) => localOf(new Date(iso));
/** Later than now: a knot cannot be looked at before it is tied. */
export const liesAhead = (local: string) => new Date(local).getTime() > Date.now();

/** What is still missing, by field; null where nothing is. */
export function missingOf(v: WhoWhere): Readonly<Record<'rope' | 'tiedBy' | 'tiedAt' | 'place', string | null>> {
  return {
    rope: v.rope === '' ? 'which rope is it in?' : null,
    tiedBy:
      v.tiedBy === ''
        ? 'who tied it?'
        : v.tiedBy === OUTSIDE && v.outside.trim() === ''
          ? 'who is it, in a few words?'
          : v.tiedBy === NOT_KNOWN && !v.notMe
            ? 'state that you did not tie it'
            : null,
    tiedAt:
      v.tiedAt === '' || Number.isNaN(new Date(v.tiedAt).getTime())
        ? 'when was it tied?'
        : liesAhead(v.tiedAt)
          ? 'lies in the future'
          : null,
    place: v.place.trim() === '' ? 'where is it?' : null,
  };
}

/** Who tied it, as a check records it. */
export const tierOf = (v: WhoWhere) =>
  v.tiedBy === OUTSIDE
    ? { tiedBy: null, tiedByOutside: v.outside.trim() }
    : { tiedBy: v.tiedBy === NOT_KNOWN || v.tiedBy === '' ? null : v.tiedBy, tiedByOutside: undefined };

export function WhoAndWhere({
  values,
  set,
  wrong,
  people,
  ropes,
  places,
  me,
  placeIsFixed = false,
}: {
  readonly values: WhoWhere;
  readonly set: (change: Partial<WhoWhere>) => void;
  /** null while nothing is complained of */
  readonly wrong: ReturnType<typeof missingOf> | null;
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly ropes: readonly RopeRow[];
  readonly places: readonly string[];
  readonly me: string;
  readonly placeIsFixed?: boolean;
}) {
  const inService = tieable(ropes);
  const say = (key: keyof NonNullable<typeof wrong>) =>
    wrong?.[key] ? (
      <p className="invalid-feedback d-block mb-0" id={`${key}-wrong`}>
        {wrong[key]}
      </p>
    ) : null;
  return (
    <>
      <Form.Group controlId="rope">
        <Form.Label>In which rope</Form.Label>
        <Form.Select
          value={values.rope}
          onChange={(e) => set({ rope: e.target.value })}
          isInvalid={Boolean(wrong?.rope)}
          aria-describedby="rope-wrong"
        >
          <option value="">choose</option>
          {inService.map((r) => (
            <option key={r.id} value={r.id}>
              {r.tag}, {r.diameter_mm} mm {KIND_WORDS[r.kind]}
              {r.state === 'in-service' ? '' : `: ${r.state}, never for a life load`}
            </option>
          ))}
        </Form.Select>
        {say('rope')}
        {inService.length === 0 ? <Form.Text>There is no rope yet: add one under Log, Ropes.</Form.Text> : null}
      </Form.Group>
      <Form.Group controlId="tiedBy">
        <Form.Label>Tied by</Form.Label>
        <Form.Select
          value={values.tiedBy}
          onChange={(e) => set({ tiedBy: e.target.value })}
          isInvalid={Boolean(wrong?.tiedBy)}
          aria-describedby="tiedBy-wrong"
        >
          <option value="">choose</option>
          {people.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
              {p.id === me ? ' (me: then nobody else has looked)' : ''}
            </option>
          ))}
          <option value={OUTSIDE}>somebody outside</option>
          <option value={NOT_KNOWN}>nobody knows</option>
        </Form.Select>
        {values.tiedBy === OUTSIDE ? (
          <Form.Control
            className="mt-2"
            aria-label="Who it is, in a few words"
            placeholder="who it is, in a few words"
            maxLength={120}
            value={values.outside}
            onChange={(e) => set({ outside: e.target.value })}
          />
        ) : null}
        {values.tiedBy === NOT_KNOWN ? (
          <>
            <Form.Check
              className="mt-2"
              id="not-me"
              checked={values.notMe}
              onChange={(e) => set({ notMe: e.target.checked })}
              label="I did not tie this"
            />
            <Form.Text>It stands in the record, and a second person is asked whatever the rules say.</Form.Text>
          </>
        ) : null}
        {say('tiedBy')}
      </Form.Group>
      <Form.Group controlId="tiedAt">
        <Form.Label>Tied when</Form.Label>
        <Form.Control
          type="datetime-local"
          value={values.tiedAt}
          onChange={(e) => set({ tiedAt: e.target.value })}
          isInvalid={Boolean(wrong?.tiedAt)}
          aria-describedby="tiedAt-wrong"
        />
        {say('tiedAt')}
      </Form.Group>
      <Form.Group controlId="place">
        <Form.Label>Where</Form.Label>
        <Form.Control
          value={values.place}
          onChange={(e) => set({ place: e.target.value })}
          list="places"
          maxLength={160}
          readOnly={placeIsFixed}
          autoComplete="off"
          isInvalid={Boolean(wrong?.place)}
          aria-describedby="place-wrong"
        />
        <datalist id="places">
          {places.map((p) => (
            <option key={p} value={p} />
          ))}
        </datalist>
        {say('place')}
      </Form.Group>
    </>
  );
}
