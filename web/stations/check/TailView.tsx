import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { TAIL_UNCERTAINTY_MM } from '../../../core/inspect';
import { judgeTail, type Profile } from '../../../core/profiles';
import { LENGTH_UNITS, lengthText, lengthToMm } from '../../../core/units';
import { useKeys } from '../../parts/keys';
import type { Walk } from '../../store/walks';
import { TailGauge } from './TailGauge';

interface Props {
  readonly walk: Walk;
  readonly profile: Profile;
  readonly fist_mm: number;
  readonly calibrated: boolean;
  readonly onChange: (change: Partial<Walk>) => void;
  readonly onMeasured: (tail: { tail_mm: number; method: Walk['tailMethod']; uncertainty_mm: number }) => void;
  readonly onCannotSee: () => void;
  readonly onBack: () => void;
}
const UNIT_WORDS = { mm: 'mm', in: 'inches', fist: 'fists' } as const;
const METHOD_WORDS = { ruler: 'ruler', fists: 'fists', 'by-eye': 'by eye' } as const;

/** The tail as typed, in mm; null where it is no length. */
export function typedTail_mm(walk: Walk, fist_mm: number): number | null {
  const text = walk.tailText.trim().replace(',', '.');
  if (text === '') return null;
  const v = Number(text);
  if (!Number.isFinite(v) || v < 0 || v > 20_000) return null;
  const mm = lengthToMm(v, walk.tailUnit, fist_mm);
  return mm > 20_000 ? null : Math.round(mm * 10) / 10;
}

const VERDICT_TEXT = { enough: 'enough', short: 'too short', long: 'too long', 'not-measured': 'too near the limit to say: measure it with a ruler', 'no-rule': '' } as const;

export function TailView({ walk, profile, fist_mm, calibrated, onChange, onMeasured, onCannotSee, onBack }: Props) {
  const [tried, setTried] = useState(false);
  const tail_mm = typedTail_mm(walk, fist_mm);
  const uncertainty_mm = TAIL_UNCERTAINTY_MM[walk.tailMethod];
  const question = { knot: walk.knot, rope_diameter_mm: walk.rope_diameter_mm, stopper: walk.stopper, fist_mm };
  const answer = judgeTail(profile, tail_mm === null ? question : { ...question, tail_mm, uncertainty_mm });
  const wrong = walk.tailText.trim() !== '' && tail_mm === null ? 'a length, in numbers' : tried && tail_mm === null ? 'measure the tail, or press “Cannot see”' : null;
  useKeys({ x: onCannotSee, ArrowLeft: onBack });
  const keep = () => {
    setTried(true);
    if (tail_mm !== null) onMeasured({ tail_mm, method: walk.tailMethod, uncertainty_mm });
    else document.getElementById('tail')?.focus();
  };
  return (
    <form onSubmit={(e) => { e.preventDefault(); keep(); }}>
      <h1>How long is the tail?</h1>
      <p className="quiet mt-1 mb-3 fs-5">From where it leaves the knot to its end. {answer.rule.text[0]!.toUpperCase() + answer.rule.text.slice(1)} <span className="rule-id">{profile.name}{answer.rule.id === 'none' ? '' : ` ${answer.rule.id}`}</span></p>
      <div className="sheet gauge">
        <div className="tail-entry mb-3">
          <Form.Group controlId="tail">
            <Form.Label>Tail</Form.Label>
            <Form.Control value={walk.tailText} inputMode="decimal" autoComplete="off" autoFocus isInvalid={wrong !== null} onChange={(e) => onChange({ tailText: e.target.value })} aria-describedby="tail-says" />
          </Form.Group>
          <div className="d-flex flex-wrap gap-3">
            <fieldset><legend className="form-label mb-1 fs-6">in</legend>
              <div className="seg">{LENGTH_UNITS.map((u) => <label key={u}><input type="radio" name="unit" checked={walk.tailUnit === u} onChange={() => onChange({ tailUnit: u, tailMethod: u === 'fist' ? 'fists' : walk.tailMethod === 'fists' ? 'ruler' : walk.tailMethod })} /><span>{UNIT_WORDS[u]}</span></label>)}</div></fieldset>
            <fieldset><legend className="form-label mb-1 fs-6">measured with</legend>
              <div className="seg">{(Object.keys(METHOD_WORDS) as (keyof typeof METHOD_WORDS)[]).map((m) => <label key={m}><input type="radio" name="method" checked={walk.tailMethod === m} onChange={() => onChange({ tailMethod: m })} /><span>{METHOD_WORDS[m]}</span></label>)}</div></fieldset>
          </div>
        </div>
        {wrong ? <p className="invalid-feedback d-block" role="alert">{wrong}</p> : null}
        <TailGauge tail_mm={tail_mm} uncertainty_mm={uncertainty_mm} answer={answer} />
        <p id="tail-says" className="m-0 mt-2 fs-5" aria-live="polite">
          {tail_mm === null ? <span className="quiet">Not measured yet.</span> : (
            <>Tail <b className="figure">{lengthText(tail_mm, 'mm')}</b>{walk.tailUnit !== 'mm' ? ` (${walk.tailText} ${UNIT_WORDS[walk.tailUnit]})` : ''}, give or take {uncertainty_mm} mm{answer.required_mm === null ? '. No length is asked here: it is noted, not judged.' : <>: <b>{VERDICT_TEXT[answer.verdict]}</b>, {answer.required_mm} asked{answer.max_mm ? `, at most ${answer.max_mm}` : ''}, margin <b className="figure">{answer.margin_mm! > 0 ? '+' : ''}{answer.margin_mm}</b> mm at worst.</>}</>
          )}
        </p>
        {walk.tailUnit === 'fist' || answer.rule.text.includes('fist') ? <p className="small quiet m-0 mt-1">Your fist: {fist_mm} mm{calibrated ? '' : ' (not calibrated: set it under your name)'}.</p> : null}
      </div>
      <div className="answers">
        <Button variant="outline-primary" className="back" onClick={onBack}>Back <kbd>←</kbd></Button>
        <Button variant="outline-primary" onClick={onCannotSee}>Cannot see <kbd>x</kbd></Button>
        <Button type="submit">Keep this length <kbd>Enter</kbd></Button>
      </div>
    </form>
  );
}
