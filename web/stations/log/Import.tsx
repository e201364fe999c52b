/** A CSV of ropes or people: looked at first, row by row; read in whole or not at all. */
import { useState } from 'react';
import { Button, Form, Table } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import { newId } from '../../parts/newId';
import { refusalText, useImportFileMutation } from '../../store/api';
import { Tabs } from './Tabs';

const EXAMPLE = {
  ropes:
    'tag,thing,kind,diameter_mm,length_m,in_service_since,note\nNL-20,rope,low-stretch,10.5,60,2026-03-01,gallery\nNK-10,karabiner,,,,,',
  people: 'name,handle,roles,hand,length_unit,fist_mm,first_password\nMira Holt,mira,inspector owner,left,mm,88,',
} as const;
const MOST_SHOWN = 60;

export function Import() {
  const what = useParams().what === 'people' ? 'people' : 'ropes';
  return <ImportOf key={what} what={what} />;
}

function ImportOf({ what }: { readonly what: 'ropes' | 'people' }) {
  const [send, { data, error, isLoading }] = useImportFileMutation();
  const [id, setId] = useState(newId);
  const [csv, setCsv] = useState('');
  const look = (text: string) => {
    setCsv(text);
    // another file is another reading
    const next = newId();
    setId(next);
    if (text.trim() !== '') void send({ id: next, what, csv: text, commit: false });
  };
  const shown = data && csv.trim() !== '' ? data : null;
  const wrong = shown?.rows.filter((r) => r.errors.length > 0) ?? [];
  const rows = shown ? [...wrong, ...shown.rows.filter((r) => r.errors.length === 0)].slice(0, MOST_SHOWN) : [];
  return (
    <>
      <Tabs />
      <h1>Read {what} in</h1>
      <p className="quiet mt-1">
        A CSV with a heading. It is looked at first; then all of it is read in, or nothing.{' '}
        <Link to={`/log/${what}`}>Back</Link>
      </p>
      <div className="form-grid mt-2">
        <Form.Group controlId="csv-file">
          <Form.Label>File</Form.Label>
          <Form.Control
            type="file"
            accept=".csv,text/csv"
            onChange={(e) => void (e.target as HTMLInputElement).files?.[0]?.text().then(look)}
          />
        </Form.Group>
        <Form.Group controlId="csv-text" className="wide">
          <Form.Label>or the text itself</Form.Label>
          <Form.Control
            as="textarea"
            rows={5}
            className="figure fw-normal"
            value={csv}
            placeholder={EXAMPLE[what]}
            onChange={(e) => look(e.target.value)}
          />
        </Form.Group>
      </div>
      {error && csv.trim() !== '' ? (
        <p className="notice bad mt-3" role="alert">
          {refusalText(error)}
        </p>
      ) : null}
      {shown?.read_in ? (
        <div className="notice mt-3" role="status">
          <b>
            {shown.rows.length} {what} read in.
          </b>{' '}
          <Link to={`/log/${what}`}>Show them</Link>
          {shown.first_passwords.length > 0 ? (
            <>
              <p className="mt-2 mb-1">First passwords, told this once: write them down.</p>
              <ul className="m-0">
                {shown.first_passwords.map((p) => (
                  <li key={p.handle}>
                    {p.handle}: <b className="figure">{p.password}</b>
                  </li>
                ))}
              </ul>
            </>
          ) : null}
        </div>
      ) : null}
      {shown && !shown.read_in ? (
        <>
          <p className={`notice mt-3 ${shown.errors > 0 ? 'bad' : ''}`} role="status">
            {shown.errors > 0
              ? `${shown.errors} ${shown.errors === 1 ? 'cell is' : 'cells are'} wrong in ${wrong.length} of ${shown.rows.length} rows. Nothing is read in until all of them are right.`
              : `${shown.rows.length} rows, nothing wrong.`}
          </p>
          <Button disabled={isLoading || shown.errors > 0} onClick={() => void send({ id, what, csv, commit: true })}>
            Read all {shown.rows.length} in
          </Button>
          <Table className="mt-3">
            <thead>
              <tr>
                <th scope="col">Row</th>
                {shown.columns.map((c) => (
                  <th scope="col" key={c}>
                    {c}
                  </th>
                ))}
                <th scope="col">What is wrong</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((r) => (
                <tr key={r.row}>
                  <th scope="row" className="figure">
                    {r.row}
                  </th>
                  {shown.columns.map((c) => (
                    <td key={c}>
                      {r.errors.some((e) => e.column === c) ? (
                        <b className="v-take-out-and-retie">{r.values[c] || 'empty'}</b>
                      ) : (
                        r.values[c]
                      )}
                    </td>
                  ))}
                  <td>
                    {r.errors.map((e) => (
                      <div key={`${e.column} ${e.message}`}>
                        {e.column ? `${e.column}: ` : ''}
                        {e.message}
                      </div>
                    ))}
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
          {shown.rows.length > rows.length ? (
            <p className="quiet">and {shown.rows.length - rows.length} more rows</p>
          ) : null}
        </>
      ) : null}
    </>
  );
}
