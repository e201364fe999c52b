/** Method and address of every endpoint: said here and nowhere else. Apart from the schemas, so that a browser can have them without those. */
export const ROUTES = {
  health: { method: 'GET', path: '/health' },
  live: { method: 'GET', path: '/live' },
  ready: { method: 'GET', path: '/ready' },
  incidents: { method: 'GET', path: '/incidents' },
  newIncident: { method: 'POST', path: '/incidents' },
  knots: { method: 'GET', path: '/knots' },
  knot: { method: 'GET', path: '/knots/:id' },
  shape: { method: 'GET', path: '/knots/:id/shape' },
  picture: { method: 'GET', path: '/knots/:id/picture.svg' },
  obj: { method: 'GET', path: '/knots/:id/shape.obj' },
  glb: { method: 'GET', path: '/knots/:id/shape.glb' },
  way: { method: 'GET', path: '/knots/:id/ways/:way' },
  framePicture: { method: 'GET', path: '/knots/:id/ways/:way/frame.svg' },
  card: { method: 'GET', path: '/knots/:id/card.pdf' },
  booklet: { method: 'GET', path: '/cards.pdf' },
  longWork: { method: 'GET', path: '/work/:id' },
  stopWork: { method: 'DELETE', path: '/work/:id' },
  workResult: { method: 'GET', path: '/work/:id/result' },
  openShow: { method: 'POST', path: '/shows' },
  moveShow: { method: 'POST', path: '/shows/:code' },
  followShow: { method: 'GET', path: '/shows/:code/events' },
  identify: { method: 'POST', path: '/identify' },
  touched: { method: 'GET', path: '/knots/:id/touched' },
  touchedPicture: { method: 'GET', path: '/knots/:id/touched.svg' },
  changes: { method: 'GET', path: '/knots/:id/changes' },
  lookalikes: { method: 'GET', path: '/knots/:id/look-alikes' },
  drill: { method: 'POST', path: '/drills/next' },
  choose: { method: 'POST', path: '/choose' },
  walk: { method: 'GET', path: '/knots/:id/walk' },
  judge: { method: 'POST', path: '/judge' },
  tail: { method: 'POST', path: '/tail' },
  frictionHitch: { method: 'POST', path: '/rig/friction-hitch' },
  ropeNeeded: { method: 'POST', path: '/rope-needed' },
  cutLength: { method: 'POST', path: '/cut-length' },
  profiles: { method: 'GET', path: '/profiles' },
  session: { method: 'GET', path: '/session' },
  signIn: { method: 'POST', path: '/session' },
  signOut: { method: 'DELETE', path: '/session' },
  demoPeople: { method: 'GET', path: '/demo-people' },
  setup: { method: 'POST', path: '/setup' },
  preferences: { method: 'PATCH', path: '/people/me' },
  people: { method: 'GET', path: '/people' },
  newPerson: { method: 'POST', path: '/people' },
  personById: { method: 'GET', path: '/people/:id' },
  changePerson: { method: 'PATCH', path: '/people/:id' },
  ownPassword: { method: 'POST', path: '/people/me/password' },
  newConfirmation: { method: 'POST', path: '/people/:id/confirmations' },
  credentials: { method: 'GET', path: '/credentials' },
  ownPin: { method: 'POST', path: '/people/me/pin' },
  newSignOff: { method: 'POST', path: '/people/:id/sign-offs' },
  import: { method: 'POST', path: '/imports' },
  ropes: { method: 'GET', path: '/ropes' },
  newRope: { method: 'POST', path: '/ropes' },
  ropesCsv: { method: 'GET', path: '/ropes.csv' },
  ropesJson: { method: 'GET', path: '/ropes.json' },
  ropeLabels: { method: 'GET', path: '/ropes/labels.pdf' },
  rope: { method: 'GET', path: '/ropes/:id' },
  ropePdf: { method: 'GET', path: '/ropes/:id.pdf' },
  newRopeEvent: { method: 'POST', path: '/ropes/:id/events' },
  rounds: { method: 'GET', path: '/rounds' },
  newRound: { method: 'POST', path: '/rounds' },
  round: { method: 'GET', path: '/rounds/:id' },
  roundWalks: { method: 'GET', path: '/round-walks' },
  newRoundWalk: { method: 'POST', path: '/round-walks' },
  roundWalk: { method: 'GET', path: '/round-walks/:id' },
  finishRoundWalk: { method: 'POST', path: '/round-walks/:id/finish' },
  roundWalkPdf: { method: 'GET', path: '/round-walks/:id.pdf' },
  roundWalkCsv: { method: 'GET', path: '/round-walks/:id.csv' },
  passingTrials: { method: 'GET', path: '/passing-trials' },
  newPassingTrial: { method: 'POST', path: '/passing-trials' },
  withdrawTrial: { method: 'POST', path: '/passing-trials/:id/withdrawals' },
  jobs: { method: 'GET', path: '/jobs' },
  keptJob: { method: 'GET', path: '/jobs/:id' },
  newJob: { method: 'POST', path: '/jobs' },
  tiedKnots: { method: 'GET', path: '/tied-knots' },
  newTiedKnot: { method: 'POST', path: '/tied-knots' },
  tiedKnot: { method: 'GET', path: '/tied-knots/:id' },
  newKnotEvent: { method: 'POST', path: '/tied-knots/:id/events' },
  endTiedKnot: { method: 'POST', path: '/tied-knots/:id/end' },
  today: { method: 'GET', path: '/today' },
  checks: { method: 'GET', path: '/checks' },
  checksCsv: { method: 'GET', path: '/checks.csv' },
  checksJson: { method: 'GET', path: '/checks.json' },
  statistics: { method: 'GET', path: '/checks/statistics' },
  dayPdf: { method: 'GET', path: '/day.pdf' },
  newCheck: { method: 'POST', path: '/checks' },
  check: { method: 'GET', path: '/checks/:id' },
  checkPdf: { method: 'GET', path: '/checks/:id.pdf' },
  toLookAt: { method: 'GET', path: '/checks/:id/to-look-at' },
  sign: { method: 'POST', path: '/checks/:id/signatures' },
  correct: { method: 'POST', path: '/checks/:id/corrections' },
  closeFinding: { method: 'POST', path: '/checks/:id/finding-closed' },
  verifyEntry: { method: 'GET', path: '/record/verify' },
  head: { method: 'GET', path: '/record/head' },
} as const satisfies Record<string, { readonly method: 'GET' | 'POST' | 'PATCH' | 'DELETE'; readonly path: string }>;
export type RouteName = keyof typeof ROUTES;

/** Names of the parts of a path that stand for a value, as in `/knots/:id`. */
type PathParams<P extends string> = P extends `${string}:${infer Name}/${infer Rest}`
  ? Name | PathParams<`/${Rest}`>
  : P extends `${string}:${infer Name}`
    ? Name
    : never;

export type ParamsOf<N extends RouteName> = Readonly<Record<PathParams<(typeof ROUTES)[N]['path']>, string>>;

/**
 * A call of an endpoint: its method, its address with the values put in, and what else goes along.
 * @example to('shape', { id: 'bowline' }, { params: { state: 'tight' } })
 */
export function to<N extends RouteName, Rest extends object = object>(name: N, params: ParamsOf<N>, rest?: Rest) {
  const { method, path } = ROUTES[name];
  const url = path.replace(/:(\w+)/g, (_, part: string) =>
    encodeURIComponent((params as Record<string, string>)[part]!),
  );
  return { url, method, ...rest };
}
