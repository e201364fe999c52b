/** Making entries of the record from what a person sent: one file for each kind of entry. */
export { keepTiedKnot, recordCheck } from './check';
export { recordCorrection } from './correction';
export { recordFindingClosed } from './finding';
export { recordIncident } from './incident';
export { recordRopeEvent } from './ropeEvent';
export { recordRoundFinished } from './round';
export { recordSignature } from './signature';
