export { crossingsSeenFrom, viewBasis, type Crossings, type Pass } from './crossings';
export { MOST_POINTS, refuseTouching, refuseUnfit } from './fitness';
export {
  diagramOf,
  gaussCodeOf,
  isPlanar,
  linkingMatrix,
  mirrored,
  ownersOf,
  parseGaussCode,
  partOf,
  pdCode,
  renumbered,
  withCrossingReversed,
  writhe,
  type Diagram,
} from './diagram';
export { reduced } from './reduce';
export { straightened } from './straighten';
export { jones, jonesByBigInt, laurentMirrored, laurentText, type Laurent } from './bracket';
export { alexander, alexanderText, determinantOf } from './alexander';
export { closedApart, closedAtInfinity, crossJoined, FRONT, openedAtEye, pinnedEye } from './closure';
export { MOST_CROSSINGS, simplestDiagram } from './simplest';
export { DIRECTIONS, regularView } from './regularView';
export { invariantsOf, signature, type Invariants } from './invariants';
export { compareDiagrams, sameDiagram, type Comparison } from './compare';
export { turnsAbout, type Turns } from './turns';
