/** What is broken on purpose, and which tests are asked whether they notice. */

export interface Module {
  readonly name: string;
  /** Share of the breaks that has to be noticed. */
  readonly asked: number;
  readonly files: readonly string[];
  /** The nearest suites, in groups: the quick ones first, the next only where those noticed nothing. */
  readonly tests: readonly (readonly string[])[];
}

const of = (folder: string, names: string, end = '.ts') => names.split(' ').map((n) => `${folder}/${n}${end}`);
const tests = (folder: string, names: string) => of(folder, names, '.test.ts');

/** Judging, choosing, proving and who may do what: a break there is what somebody hangs on. */
const CRITICAL = 0.85;
const ELSEWHERE = 0.75;

export const MODULES: readonly Module[] = [
  {
    name: 'judging',
    asked: CRITICAL,
    files: of('core/inspect/judging', 'pace pictured tails verdict words'),
    tests: [tests('core/inspect/judging', 'pace pictured tails verdict')],
  },
  {
    name: 'choosing',
    asked: CRITICAL,
    files: of(
      'core/choose',
      'choose cutLength difference forPurpose friction passing ropeNeeded rules strands whatElse',
    ),
    tests: [
      tests('core/choose', 'answers limits difference cutLength strands'),
      tests('core/choose', 'choose ropeNeeded'),
      tests('core/choose', 'rules'),
    ],
  },
  {
    name: 'proving',
    asked: CRITICAL,
    files: [
      ...of('core/proving', 'formLimits formProof nameLimits nameProof placeLimits placeProof presenting'),
      ...of('core/knots/tying', 'proving wayLimits'),
    ],
    tests: [
      [...tests('core/proving', 'formLimits presenting'), ...tests('core/knots/tying', 'wayLimits')],
      tests('scripts/proofs', 'figures'),
    ],
  },
  {
    name: 'access',
    asked: CRITICAL,
    files: [
      ...of('server/plugins', 'session pin'),
      ...of('server', 'bind rights'),
      ...of('server/tables', 'sessions signOffs wrongPins'),
    ],
    tests: [tests('server', 'access'), tests('server', 'parts whoMay lives secondLook verify')],
  },
  {
    name: 'profiles',
    asked: ELSEWHERE,
    files: of('core/profiles', 'disagreements lengths tail shipped'),
    tests: [
      [...tests('core/profiles', 'disagreements lengths shipped tail'), ...tests('core/inspect/judging', 'verdict')],
    ],
  },
  {
    name: 'naming',
    asked: ELSEWHERE,
    files: of('core/inspect/naming', 'candidates evidence fit fromCode gauge identify measured near specimen unseen'),
    tests: [
      tests('core/inspect/naming', 'candidates fit gauge specimen'),
      tests('core/inspect/naming', 'answers'),
      tests('core/inspect/naming', 'naming'),
    ],
  },
  {
    name: 'records',
    asked: ELSEWHERE,
    files: of('core/records', 'again differences entries ropeLife status'),
    tests: [tests('core/records', 'again differences records ropeLife')],
  },
  {
    name: 'recording',
    asked: ELSEWHERE,
    files: of('server/recording', 'check correction entry finding ropeEvent round signature standing'),
    tests: [tests('server', 'records tiedKnots jobs lives rounds secondLook'), tests('server', 'access verify whoMay')],
  },
  {
    name: 'verify',
    asked: ELSEWHERE,
    files: of('server', 'verify judgingAgain'),
    tests: [tests('server', 'verifyEach judgingAgain'), tests('server', 'verify')],
  },
  {
    name: 'evidence',
    asked: ELSEWHERE,
    files: of('server/documents', 'evidence csv page words'),
    tests: [tests('server/documents', 'evidence'), tests('server', 'readBack'), tests('server', 'evidence')],
  },
];
