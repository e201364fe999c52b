/** Imports run one way; see docs/house.md. Types count as well as values. */
/** The rooms of core, each with those that it may import from. */
const ROOMS = {
  errors: [],
  units: [],
  curve: ['units'],
  topology: ['units', 'curve'],
  rope: ['units', 'curve', 'topology'],
  picture: ['units', 'curve', 'topology'],
  knots: ['units', 'curve', 'topology', 'rope'],
  profiles: ['units', 'curve', 'topology', 'rope', 'knots'],
  choose: ['units', 'curve', 'topology', 'rope', 'knots', 'profiles'],
  inspect: ['units', 'curve', 'topology', 'rope', 'knots', 'profiles'],
  train: ['units', 'curve', 'topology', 'rope', 'knots', 'profiles', 'inspect'],
  judgings: [],
  records: ['units', 'knots', 'profiles', 'inspect'],
  proving: ['units', 'curve', 'topology', 'rope', 'knots', 'inspect'],
};
/** The rooms of core/knots, in the order in which they build on each other. */
const KNOTS = ['facts', 'shape', 'laying', 'baking', 'moving', 'shelf', 'catalogue', 'tying'];
const KNOTS_APART = {
  laying: ['baking'],
  baking: ['laying'],
  moving: ['baking'],
  shelf: ['baking'],
  catalogue: ['baking'],
  tying: ['baking'],
};
/** The rooms of core/inspect: naming a shape and judging a tied knot know nothing of each other. */
const INSPECT = ['judging', 'naming'];

const alternatives = (names) => `(${names.join('|')})`;
const rule = (name, from, to) => ({ name, severity: 'error', from: { path: from, pathNot: '\\.test\\.tsx?$' }, to });

const betweenRooms = Object.entries(ROOMS).map(([room, allowed]) =>
  rule(`core-${room}`, `^core/${room}/`, {
    path: '^core/',
    pathNot: `^core/${alternatives([room, 'errors', ...allowed])}/`,
  }),
);
const withinKnots = KNOTS.map((room, k) => {
  const before = KNOTS.slice(0, k).filter((other) => !(KNOTS_APART[room] ?? []).includes(other));
  return rule(`knots-${room}`, `^core/knots/${room}/`, {
    path: '^core/knots/',
    pathNot: `^core/knots/${alternatives([room, ...before])}/`,
  });
});
const withinInspect = INSPECT.map((room) =>
  rule(`inspect-${room}`, `^core/inspect/${room}/`, {
    path: '^core/inspect/',
    pathNot: `^core/inspect/${room}/`,
  }),
);

module.exports = {
  forbidden: [
    rule('core-alone', '^core/', {
      pathNot: '^(core|pure-rand|node_modules/(robust-predicates|pure-rand|flatbush|flatqueue|d3-polygon))/',
      dependencyTypesNot: ['type-only'],
    }),
    rule('contract-on-core', '^contract/', { path: '^(server|web|scripts|bench|e2e)/' }),
    { name: 'server-not-web', severity: 'error', from: { path: '^server/' }, to: { path: '^(web|e2e|bench)/' } },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|e2e|bench|scripts)/' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    ...betweenRooms,
    ...withinKnots,
    ...withinInspect,
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^dist/' },
  },
};
