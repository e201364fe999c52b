/** Every endpoint once: what the server binds, what the interface calls, what the documentation shows. */
import { z } from 'zod';
import { checkParams, checkReply, checksQuery, dayQuery, statisticsQuery, statisticsReply, toLookAtReply, verifyQuery, verifyReply, checksReply, endTiedKnotBody, newKnotEventBody, headReply, jobParams, jobReply, jobsReply, passingTrialReply, passingTrialsReply, newCheckBody, newCorrectionBody, newFindingClosedBody, newJobBody, newPassingTrialBody, newSignatureBody, newTiedKnotBody, recordedReply, tiedKnotReply, tiedKnotsReply, todayReply } from './records';
import { bookletQuery, cardQuery, chooseReply, framePictureQuery, job, knotListReply, knotParams, pictureQuery, ropeNeededBody, ropeNeededReply, shapeQuery, shapeReply, tailBody, tailReply, wayParams, wayQuery, wayReply, cutLengthBody, cutLengthReply, frictionBody, frictionReply } from './knots';
import { changePersonBody, demoPeopleReply, newPersonBody, newSignOffBody, ownPinBody, peopleReply, person, personParams, personReply, preferencesBody, sessionReply, setupBody, signInBody } from './people';
import { importBody, importReply, labelsQuery, newRopeBody, newRopeEventBody, ropeLifeReply, ropeParams, ropeReply, ropesReply } from './ropes';
import { finishRoundWalkBody, newRoundBody, newRoundWalkBody, roundParams, roundReply, roundsReply, roundWalkReply, roundWalksQuery, roundWalksReply } from './rounds';
import { movedShow, openedShow, showParams, showState } from './shows';
import { RECORDING_ROLES, type Role } from './roles';
import { page } from './common';
import { changesReply, drillBody, drillReply, identifyBody, identifyReply, lookalikesReply, touchedParams, touchedPictureQuery, touchedQuery, touchedReply } from './inspect';

export interface Endpoint {
  readonly method: 'GET' | 'POST' | 'PATCH' | 'DELETE';
  readonly path: string;
  readonly summary: string;
  /** 'open' needs no session; otherwise a session, and one of the roles if any are given */
  readonly access: 'open' | 'session' | readonly Role[];
  readonly params?: z.ZodType;
  readonly query?: z.ZodType;
  readonly body?: z.ZodType;
  /** JSON reply; left out where the reply is a file */
  readonly reply?: z.ZodType;
  readonly files?: readonly string[];
}

const anything = z.record(z.string(), z.unknown());

export const ENDPOINTS = {
  health: { method: 'GET', path: '/health', summary: 'Whether server and database are up', access: 'open', reply: z.strictObject({ status: z.literal('ok'), database: z.literal('ok'), version: z.string() }) },
  knots: { method: 'GET', path: '/knots', summary: 'The catalogue', access: 'open', reply: knotListReply },
  knot: { method: 'GET', path: '/knots/:id', summary: 'The whole entry of a knot', access: 'open', params: knotParams, reply: anything },
  shape: { method: 'GET', path: '/knots/:id/shape', summary: 'The shape of a knot as centre-lines', access: 'open', params: knotParams, query: shapeQuery, reply: shapeReply },
  picture: { method: 'GET', path: '/knots/:id/picture.svg', summary: 'A face of a knot as a vector picture', access: 'open', params: knotParams, query: pictureQuery, files: ['image/svg+xml'] },
  obj: { method: 'GET', path: '/knots/:id/shape.obj', summary: 'The shape as Wavefront polylines', access: 'open', params: knotParams, query: shapeQuery, files: ['model/obj'] },
  glb: { method: 'GET', path: '/knots/:id/shape.glb', summary: 'The shape as binary glTF tubes, a 10 mm rope', access: 'open', params: knotParams, query: shapeQuery, files: ['model/gltf-binary'] },
  way: { method: 'GET', path: '/knots/:id/ways/:way', summary: 'The key frames of a way of tying', access: 'open', params: wayParams, query: wayQuery, reply: wayReply },
  framePicture: { method: 'GET', path: '/knots/:id/ways/:way/frame.svg', summary: 'One key frame as a vector picture', access: 'open', params: wayParams, query: framePictureQuery, files: ['image/svg+xml'] },
  card: { method: 'GET', path: '/knots/:id/card.pdf', summary: 'One knot on one small page: how it is tied, both faces, counts, tail, start, faults, cautions', access: 'open', params: knotParams, query: cardQuery, files: ['application/pdf'] },
  booklet: { method: 'GET', path: '/cards.pdf', summary: 'Cards of several knots, a page each', access: 'open', query: bookletQuery, files: ['application/pdf'] },
  openShow: { method: 'POST', path: '/shows', summary: 'Show a way of tying on another screen: a code for it', access: 'session', body: showState, reply: openedShow },
  moveShow: { method: 'POST', path: '/shows/:code', summary: 'Where the one who shows it stands now', access: 'session', params: showParams, body: showState, reply: movedShow },
  followShow: { method: 'GET', path: '/shows/:code/events', summary: 'Follow what is shown: a stream of server-sent events, each the state as JSON', access: 'open', params: showParams, files: ['text/event-stream'] },
  identify: { method: 'POST', path: '/identify', summary: 'What was entered: a shape, or the Gauss code of its faces', access: 'open', body: identifyBody, reply: identifyReply },
  touched: { method: 'GET', path: '/knots/:id/touched', summary: 'The laid knot with crossings reversed: what it then is', access: 'open', params: touchedParams, query: touchedQuery, reply: touchedReply },
  touchedPicture: { method: 'GET', path: '/knots/:id/touched.svg', summary: 'A face of the laid knot with crossings reversed', access: 'open', params: touchedParams, query: touchedPictureQuery, files: ['image/svg+xml'] },
  changes: { method: 'GET', path: '/knots/:id/changes', summary: 'Its wrong forms, by the part of the knot where each shows', access: 'open', params: touchedParams, reply: changesReply },
  lookalikes: { method: 'GET', path: '/knots/:id/look-alikes', summary: 'Knots and faults within one crossing, one turn or one exchanged end', access: 'open', params: touchedParams, reply: lookalikesReply },
  drill: { method: 'POST', path: '/drills/next', summary: 'A knot, right or wrong, to be spotted, with its key', access: 'open', body: drillBody, reply: drillReply },
  choose: { method: 'POST', path: '/choose', summary: 'Which knot does a job', access: 'open', body: job, reply: chooseReply },
  tail: { method: 'POST', path: '/tail', summary: 'A tail against a rule', access: 'open', body: tailBody, reply: tailReply },
  frictionHitch: { method: 'POST', path: '/rig/friction-hitch', summary: 'Cord against rope for a friction hitch, by both schools', access: 'open', body: frictionBody, reply: frictionReply },
  ropeNeeded: { method: 'POST', path: '/rope-needed', summary: 'How much rope a knot takes', access: 'open', body: ropeNeededBody, reply: ropeNeededReply },
  cutLength: { method: 'POST', path: '/cut-length', summary: 'How long to cut a loop or a cord, and how much rope goes round a post', access: 'open', body: cutLengthBody, reply: cutLengthReply },
  profiles: { method: 'GET', path: '/profiles', summary: 'The practice profiles', access: 'open', reply: z.array(anything) },
  session: { method: 'GET', path: '/session', summary: 'Who is signed in', access: 'open', reply: sessionReply },
  signIn: { method: 'POST', path: '/session', summary: 'Sign in', access: 'open', body: signInBody, reply: sessionReply },
  signOut: { method: 'DELETE', path: '/session', summary: 'Sign out', access: 'open', reply: sessionReply },
  demoPeople: { method: 'GET', path: '/demo-people', summary: 'The made-up people of the demo', access: 'open', reply: demoPeopleReply },
  setup: { method: 'POST', path: '/setup', summary: 'The first instructor, by the one-time link', access: 'open', body: setupBody, reply: sessionReply },
  preferences: { method: 'PATCH', path: '/people/me', summary: 'Own measures and habits', access: 'session', body: preferencesBody, reply: person },
  people: { method: 'GET', path: '/people', summary: 'People of the organisation', access: 'session', reply: peopleReply },
  newPerson: { method: 'POST', path: '/people', summary: 'Add a person', access: ['instructor'], body: newPersonBody, reply: person },
  personById: { method: 'GET', path: '/people/:id', summary: 'One person: what each is signed off to tie and to check', access: 'session', params: personParams, reply: personReply },
  changePerson: { method: 'PATCH', path: '/people/:id', summary: 'Change a person’s name or roles, or give a new first password', access: ['instructor'], params: personParams, body: changePersonBody, reply: personReply },
  ownPin: { method: 'POST', path: '/people/me/pin', summary: 'Set the own PIN, by which one signs on somebody else’s device', access: 'session', body: ownPinBody, reply: person },
  newSignOff: { method: 'POST', path: '/people/:id/sign-offs', summary: 'Sign a person off to tie or to check a knot, or take that back', access: ['instructor', 'assessor'], params: personParams, body: newSignOffBody, reply: personReply },
  import: { method: 'POST', path: '/imports', summary: 'Read a CSV of ropes or people: what is in it and what is wrong, row by row; all of it is read in, or nothing', access: ['instructor'], body: importBody, reply: importReply },
  ropes: { method: 'GET', path: '/ropes', summary: 'Ropes of the organisation', access: 'session', reply: ropesReply },
  newRope: { method: 'POST', path: '/ropes', summary: 'Add a rope', access: ['instructor', 'inspector', 'owner'], body: newRopeBody, reply: ropeReply },
  ropesCsv: { method: 'GET', path: '/ropes.csv', summary: 'Ropes as CSV', access: 'session', files: ['text/csv'] },
  ropesJson: { method: 'GET', path: '/ropes.json', summary: 'Ropes as a JSON file', access: 'session', files: ['application/json'] },
  ropeLabels: { method: 'GET', path: '/ropes/labels.pdf', summary: 'Labels with a QR code for ropes, cords, slings and karabiners', access: 'session', query: labelsQuery, files: ['application/pdf'] },
  rope: { method: 'GET', path: '/ropes/:id', summary: 'The life of a rope; PDF with Accept: application/pdf', access: 'session', params: ropeParams, reply: ropeLifeReply },
  ropePdf: { method: 'GET', path: '/ropes/:id.pdf', summary: 'The life of a rope as PDF', access: 'session', params: ropeParams, files: ['application/pdf'] },
  newRopeEvent: { method: 'POST', path: '/ropes/:id/events', summary: 'Note what happened to a rope: looked over, damage and what was done about it, hard fall, end cut off, retired', access: RECORDING_ROLES, params: ropeParams, body: newRopeEventBody, reply: recordedReply },
  rounds: { method: 'GET', path: '/rounds', summary: 'Rounds, newest first', access: 'session', query: page, reply: roundsReply },
  newRound: { method: 'POST', path: '/rounds', summary: 'Keep a round: places in walking order, with the knots expected there', access: RECORDING_ROLES, body: newRoundBody, reply: roundReply },
  round: { method: 'GET', path: '/rounds/:id', summary: 'One round', access: 'session', params: roundParams, reply: roundReply },
  roundWalks: { method: 'GET', path: '/round-walks', summary: 'Walks of rounds, newest first', access: 'session', query: roundWalksQuery, reply: roundWalksReply },
  newRoundWalk: { method: 'POST', path: '/round-walks', summary: 'Begin to walk a round', access: RECORDING_ROLES, body: newRoundWalkBody, reply: roundWalkReply },
  roundWalk: { method: 'GET', path: '/round-walks/:id', summary: 'A walk of a round, stop by stop', access: 'session', params: roundParams, reply: roundWalkReply },
  finishRoundWalk: { method: 'POST', path: '/round-walks/:id/finish', summary: 'Finish a round: what was not reached is not judged', access: RECORDING_ROLES, params: roundParams, body: finishRoundWalkBody, reply: recordedReply },
  roundWalkPdf: { method: 'GET', path: '/round-walks/:id.pdf', summary: 'A walked round as PDF', access: 'session', params: roundParams, files: ['application/pdf'] },
  roundWalkCsv: { method: 'GET', path: '/round-walks/:id.csv', summary: 'A walked round as CSV', access: 'session', params: roundParams, files: ['text/csv'] },
  passingTrials: { method: 'GET', path: '/passing-trials', summary: 'What passed what: trials of the organisation, newest first, and those that ship', access: 'session', query: page, reply: passingTrialsReply },
  newPassingTrial: { method: 'POST', path: '/passing-trials', summary: 'Log a trial of a knot passing a device', access: 'session', body: newPassingTrialBody, reply: passingTrialReply },
  jobs: { method: 'GET', path: '/jobs', summary: 'Kept jobs, newest first', access: 'session', query: page, reply: jobsReply },
  keptJob: { method: 'GET', path: '/jobs/:id', summary: 'One kept job', access: 'session', params: jobParams, reply: jobReply },
  newJob: { method: 'POST', path: '/jobs', summary: 'Keep a job', access: 'session', body: newJobBody, reply: jobReply },
  tiedKnots: { method: 'GET', path: '/tied-knots', summary: 'Knots that are or were in ropes', access: 'session', query: page, reply: tiedKnotsReply },
  newTiedKnot: { method: 'POST', path: '/tied-knots', summary: 'Note a tied knot', access: RECORDING_ROLES, body: newTiedKnotBody, reply: tiedKnotReply },
  tiedKnot: { method: 'GET', path: '/tied-knots/:id', summary: 'One tied knot, and whether it is to be looked at again', access: 'session', params: checkParams, reply: tiedKnotReply },
  newKnotEvent: { method: 'POST', path: '/tied-knots/:id/events', summary: 'Note that a tied knot was moved, loaded anew, left idle, or another rope took the load: it is unchecked then', access: 'session', params: checkParams, body: newKnotEventBody, reply: tiedKnotReply },
  endTiedKnot: { method: 'POST', path: '/tied-knots/:id/end', summary: 'Note that a knot is out of the rope', access: RECORDING_ROLES, params: checkParams, body: endTiedKnotBody, reply: tiedKnotReply },
  today: { method: 'GET', path: '/today', summary: 'What is open, what was last done', access: 'session', reply: todayReply },
  checks: { method: 'GET', path: '/checks', summary: 'Checks, newest first; CSV with Accept: text/csv', access: 'session', query: checksQuery, reply: checksReply },
  checksCsv: { method: 'GET', path: '/checks.csv', summary: 'Checks as CSV', access: 'session', query: checksQuery, files: ['text/csv'] },
  checksJson: { method: 'GET', path: '/checks.json', summary: 'Checks as a JSON file', access: 'session', query: checksQuery, files: ['application/json'] },
  statistics: { method: 'GET', path: '/checks/statistics', summary: 'Tails against the limit, faults by knot, open findings by age; of the last 90 days where no day is given', access: 'session', query: statisticsQuery, reply: statisticsReply },
  dayPdf: { method: 'GET', path: '/day.pdf', summary: 'The checks of a day as PDF', access: 'session', query: dayQuery, files: ['application/pdf'] },
  newCheck: { method: 'POST', path: '/checks', summary: 'Record a check', access: RECORDING_ROLES, body: newCheckBody, reply: recordedReply },
  check: { method: 'GET', path: '/checks/:id', summary: 'One check with all its entries', access: 'session', params: checkParams, reply: checkReply },
  checkPdf: { method: 'GET', path: '/checks/:id.pdf', summary: 'One check as PDF', access: 'session', params: checkParams, files: ['application/pdf'] },
  toLookAt: { method: 'GET', path: '/checks/:id/to-look-at', summary: 'What the second person is told before looking', access: RECORDING_ROLES, params: checkParams, reply: toLookAtReply },
  sign: { method: 'POST', path: '/checks/:id/signatures', summary: 'Second signature on a check', access: RECORDING_ROLES, params: checkParams, body: newSignatureBody, reply: recordedReply },
  correct: { method: 'POST', path: '/checks/:id/corrections', summary: 'Correct a check by a new entry', access: RECORDING_ROLES, params: checkParams, body: newCorrectionBody, reply: recordedReply },
  closeFinding: { method: 'POST', path: '/checks/:id/finding-closed', summary: 'Say what was done about a finding', access: RECORDING_ROLES, params: checkParams, body: newFindingClosedBody, reply: recordedReply },
  verifyEntry: { method: 'GET', path: '/record/verify', summary: 'Whether an entry with this number and hash stands in a record: for who holds a printed page', access: 'open', query: verifyQuery, reply: verifyReply },
  head: { method: 'GET', path: '/record/head', summary: 'Head and length of the record', access: 'session', reply: headReply },
} as const satisfies Record<string, Endpoint>;

export type EndpointName = keyof typeof ENDPOINTS;
