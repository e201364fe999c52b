/**
 * The interface on a made-up server: answers by path, remembers what was sent. What it answers and what it is sent are held against the
 * contract: after a test none may be otherwise.
 */
import { afterEach, expect, jest } from '@jest/globals';
import { render } from '@testing-library/react';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { ENDPOINTS, type Endpoint } from '../../contract';
import { SHIPPED_PROFILES } from '../../core/profiles';
import { ENTRIES } from '../../core/knots/catalogue/entries';
import { openDesk, store } from '../store';
import { api } from '../store/api';

export interface Sent {
  readonly method: string;
  readonly path: string;
  readonly body: unknown;
}
type Answers = Readonly<Record<string, unknown>>;

export const PERSON = {
  id: '11111111-1111-4111-8111-111111111111',
  handle: 'tove',
  name: 'Tove Vannmark',
  roles: ['instructor'],
  fist_mm: 92,
  arm_mm: null,
  hand_mm: null,
  foot_mm: null,
  length_unit: 'mm',
  hand: 'right',
  single_keys: true,
  calibrated: true,
  has_pin: true,
};
export const TIER = {
  ...PERSON,
  id: '22222222-2222-4222-8222-222222222222',
  handle: 'joss',
  name: 'Joss Marrable',
  roles: ['learner'],
};
export const ROPE = {
  id: '33333333-3333-4333-8333-333333333333',
  tag: 'NL-07',
  thing: 'rope',
  kind: 'dynamic',
  diameter_mm: 10.2,
  length_m: 60,
  first_length_m: 60,
  state: 'in-service',
  open_damages: 0,
  hard_falls: 0,
  open_findings: 0,
  knots_in_it: 0,
  in_service_since: null,
  note: '',
};

const STANDING: Answers = {
  'GET /session': {
    person: PERSON,
    organisation: { id: 'o', name: 'Loft', demo: false },
    demo: false,
    setup_open: false,
    must_change_password: false,
  },
  'GET /people': [PERSON, TIER],
  'GET /ropes': [ROPE],
  'GET /profiles': SHIPPED_PROFILES,
  'GET /knots': ENTRIES.map((e) => ({
    id: e.id,
    names: e.names,
    family: e.family,
    purposes: e.purposes,
    can_be_checked: e.check_points.length > 0,
    ways: e.ways.map((w) => ({ id: w.id, right: w.right, ends_in: w.ends_in })),
    faults: e.faults.map((f) => f.id),
    form_certainty: e.form_certainty,
  })),
  'GET /today': {
    open_findings: [],
    waiting_signatures: [],
    last_checks: [],
    to_look_at_again: [],
    rounds_waiting: [],
    counts: { checks: 0, open_findings: 0, waiting_signatures: 0 },
  },
  [`GET /people/${PERSON.id}`]: {
    person: PERSON,
    signed_off: [],
    wrong_pins: [],
    settings: [],
    depends_on: [],
    passkeys: [],
  },
  'GET /people/me/passkeys': [],
  'GET /jobs': { items: [], next: null },
};

/** What was answered or sent otherwise than the contract says. */
const unfit: string[] = [];
afterEach(() => expect(unfit.splice(0)).toEqual([]));

const endpoints = (Object.values(ENDPOINTS) as Endpoint[]).map((e) => ({
  ...e,
  pattern: new RegExp(`^${e.path.replaceAll('.', '\\.').replaceAll(/:\w+/g, '[^/]+')}$`),
}));
// an address in words before one with a parameter in its place
endpoints.sort((a, b) => Number(a.path.includes(':')) - Number(b.path.includes(':')));

function heldAgainstContract(method: string, path: string, body: unknown, answer: unknown): void {
  const endpoint = endpoints.find((e) => e.method === method && e.pattern.test(path));
  if (!endpoint) {
    unfit.push(`${method} ${path}: no such endpoint`);
    return;
  }
  const hold = (what: string, schema: Endpoint['reply'], value: unknown) => {
    const held = schema?.safeParse(value);
    if (held && !held.success)
      unfit.push(
        `${method} ${path}, ${what}: ${held.error.issues.map((i) => `${i.path.join('.')} ${i.message}`).join('; ')}`,
      );
  };
  if (method !== 'GET') hold('sent', endpoint.body, body);
  if (answer !== undefined && typeof answer !== 'number') hold('answered', endpoint.reply, answer);
}

// Node's Request wants a whole address and its own kind of signal
const NodeRequest = globalThis.Request;
globalThis.Request = class extends NodeRequest {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    const { signal: _signal, ...rest } = init ?? {};
    super(typeof input === 'string' && input.startsWith('/') ? `http://test${input}` : input, rest);
  }
};

/** Shows `element` at `path`; `answers` by "METHOD /path", a number stands for a refusal with that status. */
export function show(
  element: ReactElement,
  pattern: string,
  path: string,
  answers: Answers = {},
): { sent: Sent[]; router: ReturnType<typeof createMemoryRouter> } {
  const sent: Sent[] = [];
  const all = { ...STANDING, ...answers };
  globalThis.fetch = jest.fn(async (input: RequestInfo | URL) => {
    const request = input as Request;
    const url = new URL(request.url);
    const { method } = request;
    const path = url.pathname.replace('/api/v1', '');
    const text = await request.text();
    const body: unknown = text ? JSON.parse(text) : null;
    if (method !== 'GET') sent.push({ method, path, body });
    const answer = all[`${method} ${path}`];
    heldAgainstContract(method, path, body, answer);
    if (answer === undefined || typeof answer === 'number') {
      const status = answer ?? 404;
      return new Response(
        JSON.stringify({
          type: '',
          title: `Refused ${status}`,
          status,
          detail: 'said by the test',
          code: status === 403 ? 'role-missing' : 'not-found',
        }),
        { status, headers: { 'content-type': 'application/problem+json' } },
      );
    }
    return new Response(JSON.stringify(answer), { status: 200, headers: { 'content-type': 'application/json' } });
  }) as typeof fetch;
  store.dispatch(api.util.resetApiState());
  openDesk(PERSON.id);
  const router = createMemoryRouter(
    [
      { path: pattern, element },
      { path: '*', element: <p>elsewhere</p> },
    ],
    { initialEntries: [path] },
  );
  render(
    <Provider store={store}>
      <Session>
        <RouterProvider router={router} />
      </Session>
    </Provider>,
  );
  return { sent, router };
}

/** As in the frame: pages are shown once the session is known. */
function Session({ children }: { children: ReactElement }) {
  const { data } = api.useSessionQuery();
  return data ? children : null;
}
