import { useState, type FormEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { lengthFromText, OWN_MEASURE_RANGES_MM, OWN_MEASURES, type OwnMeasure } from '../../../core/units';
import { OwnPasskeys } from '../../parts/OwnPasskeys';
import { OwnPassword } from '../../parts/OwnPassword';
import { fieldText, useLengthUnit } from '../../parts/NumberField';
import { fieldMessage, refusalText, useOwnPinMutation, usePreferencesMutation, useSessionQuery } from '../../store/api';

const ASKED: Readonly<Record<OwnMeasure, { readonly label: string; readonly help: string; readonly wrong: string }>> = {
  fist: {
    label: 'My fist, across the knuckles',
    help: 'Close your hand and lay a ruler across the four knuckles.',
    wrong: 'a fist is 70 to 120 mm broad: measure across the knuckles',
  },
  arm: {
    label: 'My arm’s length',
    help: 'Rope from the middle of the chest to the fist of the arm held out.',
    wrong: 'an arm’s length is 500 to 1200 mm',
  },
  hand: {
    label: 'My hand, spread',
    help: 'From the tip of the thumb to the tip of the little finger.',
    wrong: 'a spread hand is 130 to 300 mm',
  },
  foot: {
    label: 'My foot, in its boot',
    help: 'From heel to toe: rope is laid beside it.',
    wrong: 'a boot is 180 to 400 mm long',
  },
};

/** By the PIN one signs on somebody else's device. */
function OwnPin() {
  const person = useSessionQuery().data!.person!;
  const [keep, { error, isLoading, isSuccess }] = useOwnPinMutation();
  const [pin, setPin] = useState('');
  const [password, setPassword] = useState('');
  const submit = (e: FormEvent) => {
    e.preventDefault();
    void keep({ pin, password }).then((r) => {
      if (r.data) setPin('');
      setPassword('');
    });
  };
  const wrong = fieldMessage(error, 'pin');
  return (
    <Form noValidate onSubmit={submit} className="form-grid mt-4" aria-label="My PIN">
      <h2 className="wide">My PIN</h2>
      <p className="wide quiet m-0">
        By it you sign a second look on somebody else’s device.{' '}
        {person.has_pin ? 'You have one; a new one takes its place.' : 'You have none yet.'}
      </p>
      <Form.Group controlId="pin">
        <Form.Label>New PIN, 4 to 8 digits</Form.Label>
        <Form.Control
          type="password"
          inputMode="numeric"
          autoComplete="off"
          value={pin}
          onChange={(e) => setPin(e.target.value)}
          isInvalid={Boolean(wrong)}
        />
        {wrong ? (
          <p className="invalid-feedback d-block mb-0" role="alert">
            {wrong}
          </p>
        ) : null}
      </Form.Group>
      <Form.Group controlId="pin-password">
        <Form.Label>My password</Form.Label>
        <Form.Control
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
      </Form.Group>
      <div className="wide d-flex gap-3 align-items-center">
        <Button type="submit" disabled={isLoading || pin === '' || password === ''}>
          Keep my PIN
        </Button>
        <span role="status" className="quiet">
          {isSuccess ? 'Kept.' : ''}
        </span>
        {error && !wrong ? (
          <span role="alert" className="v-take-out-and-retie">
            {refusalText(error)}
          </span>
        ) : null}
      </div>
    </Form>
  );
}

/** Own measures: each is taken once with a ruler; units, hand, keys. */
export function Me() {
  const person = useSessionQuery().data!.person!;
  const [save, { error, isLoading, isSuccess }] = usePreferencesMutation();
  const unit = useLengthUnit();
  const [texts, setTexts] = useState<Readonly<Partial<Record<OwnMeasure, string>>>>({});
  const textOf = (m: OwnMeasure) => texts[m] ?? fieldText(person[`${m}_mm`], unit);
  const valueOf = (m: OwnMeasure) => Math.round(lengthFromText(textOf(m), unit) * 10) / 10;
  const wrongOf = (m: OwnMeasure): string | undefined => {
    if (textOf(m).trim() === '' && m !== 'fist') return fieldMessage(error, `${m}_mm`);
    const [least, most] = OWN_MEASURE_RANGES_MM[m];
    const v = valueOf(m);
    return Number.isNaN(v)
      ? 'a length in mm, or with its unit'
      : v < least || v > most
        ? ASKED[m].wrong
        : fieldMessage(error, `${m}_mm`);
  };
  const keep = () =>
    void save(Object.fromEntries(OWN_MEASURES.map((m) => [`${m}_mm`, textOf(m).trim() === '' ? null : valueOf(m)])));
  return (
    <>
      <h1>My measures and keys</h1>
      <div className="form-grid mt-4">
        {(['fist', 'arm', 'hand', 'foot'] as const).map((m) => (
          <Form.Group controlId={m} key={m}>
            <Form.Label>
              {ASKED[m].label}, {unit}
            </Form.Label>
            <Form.Control
              value={textOf(m)}
              onChange={(e) => setTexts({ ...texts, [m]: e.target.value })}
              isInvalid={Boolean(wrongOf(m))}
              aria-describedby={`${m}-help`}
            />
            {wrongOf(m) ? <p className="invalid-feedback d-block mb-0">{wrongOf(m)}</p> : null}
            <Form.Text id={`${m}-help`}>
              {m !== 'fist' ? '' : person.calibrated ? 'Calibrated. ' : 'Not calibrated: 100 mm is taken. '}
              {ASKED[m].help}
            </Form.Text>
          </Form.Group>
        ))}
        <Form.Group controlId="unit">
          <Form.Label>Lengths are told in</Form.Label>
          <Form.Select
            defaultValue={person.length_unit}
            onChange={(e) => {
              setTexts({});
              void save({ length_unit: e.target.value as 'mm' });
            }}
          >
            <option value="mm">millimetres</option>
            <option value="in">inches</option>
            <option value="fist">millimetres, tails in fists</option>
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="hand-used">
          <Form.Label>I tie with the</Form.Label>
          <Form.Select defaultValue={person.hand} onChange={(e) => void save({ hand: e.target.value as 'right' })}>
            <option value="right">right hand</option>
            <option value="left">left hand</option>
          </Form.Select>
        </Form.Group>
        <div>
          <Form.Check
            type="checkbox"
            id="keys"
            label="Single keys (f, c, a, b …) work outside fields"
            defaultChecked={person.single_keys}
            onChange={(e) => void save({ single_keys: e.target.checked })}
          />
        </div>
      </div>
      <div className="mt-4 d-flex gap-3 align-items-center">
        <Button disabled={OWN_MEASURES.some((m) => Boolean(wrongOf(m))) || isLoading} onClick={keep}>
          Keep my measures
        </Button>
        <span role="status" className="quiet">
          {isSuccess ? 'Kept.' : ''}
        </span>
        {error ? (
          <span role="alert" className="v-take-out-and-retie">
            {refusalText(error)}
          </span>
        ) : null}
      </div>
      <OwnPin />
      <OwnPassword />
      <OwnPasskeys />
    </>
  );
}
