import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import {
  judge,
  TAIL_METHODS,
  TAIL_UNCERTAINTY_MM,
  type PointAnswer,
  type TailMethod,
} from '../../../core/inspect/judging';
import type { KnotEntry } from '../../../core/knots/facts/types';
import { lengthFor, type Profile } from '../../../core/profiles';
import { lengthText } from '../../../core/units';
import { useKeys } from '../../parts/keys';
import { KIND_WORDS, METHOD_WORDS, ruleSaid, TAIL_UNIT_WORDS } from '../../parts/words';
import { useRopesQuery } from '../../store/api';
import { tieable } from '../../store/tieable';
import { ropeTaken, TAIL_UNITS, tailAnswer, typedTails, type Walk } from '../../store/walks';
import { TailGauge } from './TailGauge';

interface Props {
  readonly walk: Walk;
  readonly knot: KnotEntry;
  readonly profile: Profile;
  /** of who looks: what a fist of theirs is */
  readonly fist_mm: number;
  /** the fist that the rule is reckoned with */
  readonly rule_fist_mm: number;
  readonly calibrated: boolean;
  readonly onChange: (change: Partial<Walk>) => void;
  readonly onMeasured: (answer: Omit<PointAnswer, 'point'>) => void;
  readonly onCannotSee: () => void;
  readonly onBack: () => void;
}
const VERDICT_TEXT = {
  enough: 'enough',
  short: 'too short',
  long: 'too long',
  'not-measured': 'too near the limit to say: measure it with a ruler',
  'no-rule': '',
} as const;
/** What a unit is usually counted with. */
const METHOD_OF = { fist: 'fists', diameter: 'rope-diameters' } as const;

/** A method that goes with the unit: what is counted in fists was not laid along a ruler. */
const methodFor = (unit: Walk['tailUnit'], method: TailMethod): TailMethod =>
  unit === 'fist' || unit === 'diameter'
    ? METHOD_OF[unit]
    : method === 'fists' || method === 'rope-diameters'
      ? 'ruler'
      : method;

/** What is asked may go by the rope's thickness: it is said before a length is kept. */
function RopeFirst({ walk, onChange }: Pick<Props, 'walk' | 'onChange'>) {
  const ropes = useRopesQuery().data ?? [];
  return (
    <Form.Group controlId="rope-first" className="notice mb-3">
      <Form.Label>In which rope? The rule may go by its thickness.</Form.Label>
      <Form.Select value="" onChange={(e) => onChange(ropeTaken(walk, ropes, e.target.value))}>
        <option value="">choose</option>
        {tieable(ropes).map((r) => (
          <option key={r.id} value={r.id}>
            {r.tag}, {r.diameter_mm} mm {KIND_WORDS[r.kind]}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}

export function TailView({
  walk,
  knot,
  profile,
  fist_mm,
  rule_fist_mm,
  calibrated,
  onChange,
  onMeasured,
  onCannotSee,
  onBack,
}: Props) {
  const [tried, setTried] = useState(false);
  const tails = typedTails(walk, knot, fist_mm);
  const question = {
    knot: walk.knot,
    use: walk.use,
    companions: walk.companions,
    rope_diameter_mm: walk.rope_diameter_mm,
    fist_mm: rule_fist_mm,
    byRuler: walk.tailMethod === 'ruler',
  };
  const each = tails.mm.map((tail_mm) =>
    lengthFor(profile, tail_mm === null ? question : { ...question, tail_mm, uncertainty_mm: tails.uncertainty_mm }),
  );
  const answer = each[0]!;
  const given = tailAnswer(walk, knot, fist_mm);
  useKeys({ x: onCannotSee, ArrowLeft: onBack });
  const keep = () => {
    setTried(true);
    if (walk.rope === '') document.getElementById('rope-first')?.focus();
    else if (given) onMeasured(given);
    else document.getElementById(`tail${Math.max(0, tails.mm.indexOf(null)) || ''}`)?.focus();
  };
  const wrongOf = (k: number) =>
    tails.texts[k]!.trim() !== '' && tails.mm[k] === null
      ? 'a length, in numbers'
      : tried && tails.mm[k] === null
        ? 'measure the tail, or press “Cannot see”'
        : null;
  const type = (k: number, text: string) =>
    onChange(
      k === 0 ? { tailText: text } : { moreTails: tails.texts.slice(1).map((t, i) => (i === k - 1 ? text : t)) },
    );
  // judged as it will be: the worse of several decides
  const judged = given
    ? judge(profile, { ...question, answers: [{ point: 'tail', ...given }], secondSigned: false }).points.find(
        (p) => p.point === 'tail',
      )
    : undefined;
  const several = tails.names.length > 1;
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        keep();
      }}
    >
      <h1>{several ? 'How long are the tails?' : 'How long is the tail?'}</h1>
      <p className="quiet mt-1 mb-3 fs-5">
        From where it leaves the knot to its end. {answer.rule.text[0]!.toUpperCase() + answer.rule.text.slice(1)}{' '}
        <span className="rule-id">{answer.rule.id === 'none' ? profile.name : ruleSaid(answer.rule)}</span>
      </p>
      {walk.rope === '' ? <RopeFirst walk={walk} onChange={onChange} /> : null}
      <div className="sheet gauge">
        <div className="tail-entry mb-3">
          {tails.names.map((name, k) => (
            <Form.Group controlId={`tail${k || ''}`} key={name}>
              <Form.Label>{name[0]!.toUpperCase() + name.slice(1)}</Form.Label>
              <Form.Control
                value={tails.texts[k]!}
                inputMode="decimal"
                autoComplete="off"
                autoFocus={k === 0}
                isInvalid={wrongOf(k) !== null}
                onChange={(e) => type(k, e.target.value)}
                aria-describedby="tail-says"
              />
            </Form.Group>
          ))}
          <div className="d-flex flex-wrap gap-3">
            <fieldset>
              <legend className="form-label mb-1 fs-6">in</legend>
              <div className="seg">
                {TAIL_UNITS.map((u) => (
                  <label key={u}>
                    <input
                      type="radio"
                      name="unit"
                      checked={walk.tailUnit === u}
                      onChange={() => onChange({ tailUnit: u, tailMethod: methodFor(u, walk.tailMethod) })}
                    />
                    <span>{TAIL_UNIT_WORDS[u]}</span>
                  </label>
                ))}
              </div>
            </fieldset>
            <fieldset>
              <legend className="form-label mb-1 fs-6">measured</legend>
              <div className="seg">
                {TAIL_METHODS.map((m) => (
                  <label key={m}>
                    <input
                      type="radio"
                      name="method"
                      checked={walk.tailMethod === m}
                      onChange={() => onChange({ tailMethod: m })}
                    />
                    <span>{METHOD_WORDS[m]}</span>
                  </label>
                ))}
              </div>
            </fieldset>
            <Form.Group controlId="tail-uncertainty">
              <Form.Label className="mb-1 fs-6">give or take, mm</Form.Label>
              <Form.Select
                value={walk.tailUncertainty_mm ?? ''}
                onChange={(e) =>
                  onChange({ tailUncertainty_mm: e.target.value === '' ? undefined : Number(e.target.value) })
                }
              >
                <option value="">{TAIL_UNCERTAINTY_MM[walk.tailMethod]} (usual)</option>
                {[2, 5, 10, 20, 30, 50].map((v) => (
                  <option key={v} value={v}>
                    {v}
                  </option>
                ))}
              </Form.Select>
            </Form.Group>
          </div>
        </div>
        {tails.names.map(
          (name, k) =>
            wrongOf(k) && (
              <p className="invalid-feedback d-block" role="alert" key={name}>
                {several ? `${name}: ` : ''}
                {wrongOf(k)}
              </p>
            ),
        )}
        <div className={several ? 'halves' : ''}>
          {tails.mm.map((tail_mm, k) => (
            <TailGauge key={tails.names[k]} tail_mm={tail_mm} uncertainty_mm={tails.uncertainty_mm} answer={each[k]!} />
          ))}
        </div>
        <div id="tail-says" className="mt-2 fs-5" aria-live="polite">
          {tails.mm.every((v) => v === null) ? (
            <span className="quiet">Not measured yet.</span>
          ) : (
            tails.mm.map((tail_mm, k) => {
              const a = each[k]!;
              return tail_mm === null ? null : (
                <p className="m-0" key={tails.names[k]}>
                  {several ? `${tails.names[k]![0]!.toUpperCase()}${tails.names[k]!.slice(1)} ` : 'Tail '}
                  <b className="figure">{lengthText(tail_mm, 'mm')}</b>
                  {walk.tailUnit !== 'mm' ? ` (${tails.texts[k]} ${TAIL_UNIT_WORDS[walk.tailUnit]})` : ''}
                  {walk.tailMethod === 'ruler' ? ', as read with a ruler' : `, give or take ${tails.uncertainty_mm} mm`}
                  {a.required_mm === null ? (
                    '. No length is asked here: it is noted, not judged.'
                  ) : (
                    <>
                      : <b>{VERDICT_TEXT[a.verdict]}</b>, {a.required_mm} asked{a.max_mm ? `, at most ${a.max_mm}` : ''}
                      , margin{' '}
                      <b className="figure">
                        {a.margin_mm! > 0 ? '+' : ''}
                        {a.margin_mm}
                      </b>{' '}
                      mm{walk.tailMethod === 'ruler' ? '' : ' at worst'}.
                    </>
                  )}
                </p>
              );
            })
          )}
          {judged && several ? (
            <p className="m-0 small quiet">
              The worse one decides: {judged.state === 'meets' ? 'both meet the rule' : judged.text}.
            </p>
          ) : null}
        </div>
        {walk.tailUnit === 'fist' || answer.rule.text.includes('fist') ? (
          <p className="small quiet m-0 mt-1">
            Your fist: {fist_mm} mm{calibrated ? '' : ' (not calibrated: set it under your name)'}.
          </p>
        ) : null}
      </div>
      <div className="answers">
        <Button variant="outline-primary" className="back" onClick={onBack}>
          Back <kbd>←</kbd>
        </Button>
        <Button variant="outline-primary" onClick={onCannotSee}>
          Cannot see <kbd>x</kbd>
        </Button>
        <Button type="submit">
          Keep {several ? 'these lengths' : 'this length'} <kbd>Enter</kbd>
        </Button>
      </div>
    </form>
  );
}
