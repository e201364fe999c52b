/** What was set for people and by whom, line by line. */
import { Link } from 'react-router';
import type { PersonPage } from '../../contract';
import { momentText } from './words';

type Setting = PersonPage['settings'][number];
const WHAT: Readonly<Record<Setting['what'], string>> = {
  made: 'added, with a first password',
  password: 'given a new first password',
  pin: 'given a PIN',
  'own-password': 'changed their own password',
  'own-pin': 'set their own PIN',
  'own-passkey': 'added a passkey of their own',
  'passkey-removed': 'a passkey or more removed',
  renamed: 'renamed',
  roles: 'given other roles',
  confirmed: 'confirmed in person',
};

export function SetFor({
  settings,
  named = false,
}: {
  readonly settings: readonly Setting[];
  readonly named?: boolean;
}) {
  return (
    <ul className="rows mt-2" style={{ maxWidth: 860 }}>
      {settings.map((s) => (
        <li key={s.id} className="py-2">
          {named ? (
            <>
              <Link to={`/log/people/${s.person}`}>{s.person_name}</Link>{' '}
            </>
          ) : null}
          {WHAT[s.what]}
          {s.roles ? `: ${s.roles.join(', ')}` : ''}
          <span className="sub">
            {' '}
            · {s.what.startsWith('own-') ? '' : `by ${s.by_name}, `}
            {momentText(s.at)}
          </span>
        </li>
      ))}
    </ul>
  );
}
