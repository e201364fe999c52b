import type { KnotReply } from '../../store/api';
import { CERTAINTY_WORDS, GRADE_WORDS, pullWords, PURPOSE_WORDS, SOURCE_WORDS } from '../../parts/words';
import { From, Said } from './Said';

/** All that the entry says of a knot, each with its source. */
export function Facts({ knot }: { knot: KnotReply }) {
  return (
    <section className="sheet p-3 px-4 mt-3" aria-labelledby="known">
      <h2 id="known">What is known of it</h2>
      <dl className="facts mt-2 mb-0">
        <dt>For</dt>
        <dd>
          {knot.purposes.length > 0
            ? knot.purposes.map((p) => PURPOSE_WORDS[p]).join(', ')
            : 'nothing by itself: it goes with another knot'}
        </dd>
        <dt>Needs</dt>
        <dd>
          <Said fact={knot.needs} />
        </dd>
        <dt>Pulled</dt>
        <dd>
          <ul className="plain">
            {knot.pulls.map((p) => (
              <li key={p.pull}>
                <b>
                  {pullWords(p.pull, knot.family === 'bend')}: {GRADE_WORDS[p.grade]}
                </b>
                , {p.condition}
                {p.grade === 'made' ? '' : `; ${p.what_happens}`} <From source={p.source} />
              </li>
            ))}
          </ul>
          Other pulls: not known.
        </dd>
        <dt>Set</dt>
        <dd>
          <Said fact={knot.set} />
        </dd>
        <dt>To adjust</dt>
        <dd>
          <Said fact={knot.adjust} />
        </dd>
        <dt>When idle</dt>
        <dd>
          <Said fact={knot.loosens} />
        </dd>
        <dt>Look again</dt>
        <dd>
          <Said fact={knot.look_again} />
        </dd>
        <dt>To undo</dt>
        <dd>
          <ul className="plain">
            {knot.untying.map((u) => (
              <li key={u.condition}>
                {u.condition.replaceAll('-', ' ')}: {u.least === u.most ? u.least : `${u.least} to ${u.most}`} of 5,{' '}
                {u.text} <From source={u.source} />
              </li>
            ))}
          </ul>
        </dd>
        <dt>Care</dt>
        <dd>
          <ul className="plain">
            {knot.cautions.map((c) => (
              <li key={c.text}>
                <Said fact={c} />
              </li>
            ))}
          </ul>
        </dd>
        <dt>Known to</dt>
        <dd>
          <Said fact={knot.recognised} />
        </dd>
        <dt>Its form</dt>
        <dd className={knot.form_certainty === 'settled' ? '' : 'mend'}>
          {CERTAINTY_WORDS[knot.form_certainty]}: {knot.form_text}
        </dd>
      </dl>
      <p className="small quiet mb-0">
        <abbr className="src">p</abbr> {SOURCE_WORDS.practice}; <abbr className="src">g</abbr> {SOURCE_WORDS.general}
      </p>
    </section>
  );
}
