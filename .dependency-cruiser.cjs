/** Imports run one way; see docs/house.md. */
const core = (folder, ...allowed) => ({
  name: `core-${folder}`, severity: 'error', comment: 'inside core imports run from units to the judging folders only',
  from: { path: `^core/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: '^core/', pathNot: `^core/(${[folder, 'errors', ...allowed].join('|')})/` },
});
module.exports = {
  forbidden: [
    { name: 'core-alone', severity: 'error', from: { path: '^core/', pathNot: '\\.test\\.ts$' }, to: { pathNot: '^(core|node_modules/robust-predicates|pure-rand|node_modules/pure-rand)/', dependencyTypesNot: ['type-only'] } },
    { name: 'contract-on-core', severity: 'error', from: { path: '^contract/', pathNot: '\\.test\\.ts$' }, to: { path: '^(server|web|scripts|bench|e2e)/' } },
    { name: 'server-not-web', severity: 'error', from: { path: '^server/' }, to: { path: '^(web|e2e|bench)/' } },
    { name: 'web-not-server', severity: 'error', from: { path: '^web/' }, to: { path: '^(server|e2e|bench|scripts)/' } },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true, dependencyTypesNot: ['type-only'] } },
    core('errors'), core('units'), core('curve', 'units'), core('topology', 'units', 'curve'), core('rope', 'units', 'curve', 'topology'), core('picture', 'units', 'curve', 'topology'),
    core('knots', 'units', 'curve', 'topology', 'rope'), core('profiles', 'units', 'curve', 'topology', 'rope', 'knots'),
    core('choose', 'units', 'curve', 'topology', 'rope', 'knots', 'profiles'), core('inspect', 'units', 'curve', 'topology', 'rope', 'knots', 'profiles'),
    core('train', 'units', 'curve', 'topology', 'rope', 'knots', 'profiles', 'inspect'),
    core('records', 'units', 'knots', 'profiles', 'inspect'),
  ],
  options: { tsConfig: { fileName: 'tsconfig.json' }, tsPreCompilationDeps: true, doNotFollow: { path: 'node_modules' }, exclude: { path: '^dist/' } },
};
