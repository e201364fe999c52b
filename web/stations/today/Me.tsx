import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { fieldMessage, refusalText, usePreferencesMutation, useSessionQuery } from '../../store/api';

/** Own measures: the fist is calibrated once with a ruler; units, hand, keys. */
export function Me() {
  const person = useSessionQuery().data!.person!;
  const [save, { error, isLoading, isSuccess }] = usePreferencesMutation();
  const [fist, setFist] = useState(String(person.fist_mm));
  const value = Number(fist.replace(',', '.'));
  const wrong = fist.trim() === '' || !Number.isFinite(value) ? 'a number in millimetres' : value < 70 || value > 120 ? 'a fist is 70 to 120 mm broad: measure across the knuckles' : fieldMessage(error, 'fist_mm');
  return (
    <>
      <h1>My measures and keys</h1>
      <div className="form-grid mt-4">
        <Form.Group controlId="fist">
          <Form.Label>My fist, across the knuckles, in mm</Form.Label>
          <Form.Control value={fist} onChange={(e) => setFist(e.target.value)} inputMode="decimal" isInvalid={Boolean(wrong)} aria-describedby="fist-help" />
          {wrong ? <p className="invalid-feedback d-block mb-0">{wrong}</p> : null}
          <Form.Text id="fist-help">{person.calibrated ? 'Calibrated.' : 'Not calibrated: 100 mm is taken.'} Close your hand and lay a ruler across the four knuckles.</Form.Text>
        </Form.Group>
        <Form.Group controlId="unit">
          <Form.Label>Tails are measured in</Form.Label>
          <Form.Select defaultValue={person.length_unit} onChange={(e) => void save({ length_unit: e.target.value as 'mm' })}>
            <option value="mm">millimetres</option><option value="in">inches</option><option value="fist">fists</option>
          </Form.Select>
        </Form.Group>
        <Form.Group controlId="hand">
          <Form.Label>I tie with the</Form.Label>
          <Form.Select defaultValue={person.hand} onChange={(e) => void save({ hand: e.target.value as 'right' })}><option value="right">right hand</option><option value="left">left hand</option></Form.Select>
        </Form.Group>
        <div><Form.Check type="checkbox" id="keys" label="Single keys (f, c, a, b …) work outside fields" defaultChecked={person.single_keys} onChange={(e) => void save({ single_keys: e.target.checked })} /></div>
      </div>
      <div className="mt-4 d-flex gap-3 align-items-center">
        <Button disabled={Boolean(wrong) || isLoading} onClick={() => void save({ fist_mm: value })}>Keep my fist</Button>
        <span role="status" className="quiet">{isSuccess ? 'Kept.' : ''}</span>
        {error ? <span role="alert" className="v-take-out-and-retie">{refusalText(error)}</span> : null}
      </div>
    </>
  );
}
