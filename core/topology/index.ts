export { crossingsSeenFrom, gaussCode, viewBasis, type Crossings, type Pass } from './crossings';
export { closedAtInfinity } from './closure';
export { alexanderAt } from './alexander';
