/** Every endpoint once: what the server binds, what the interface calls, what the documentation shows. */
import { z } from 'zod';
import { checkParams, checkReply, checksQuery, checksReply, endTiedKnotBody, newKnotEventBody, headReply, jobParams, jobReply, jobsReply, passingTrialReply, passingTrialsReply, newCheckBody, newCorrectionBody, newFindingClosedBody, newJobBody, newPassingTrialBody, newSignatureBody, newTiedKnotBody, recordedReply, tiedKnotReply, tiedKnotsReply, todayReply } from './records';
import { chooseReply, framePictureQuery, job, knotListReply, knotParams, pictureQuery, ropeNeededBody, ropeNeededReply, shapeQuery, shapeReply, tailBody, tailReply, wayParams, wayQuery, wayReply, cutLengthBody, cutLengthReply, frictionBody, frictionReply } from './knots';
import { demoPeopleReply, newPersonBody, newRopeBody, peopleReply, person, preferencesBody, ropeReply, ropesReply, sessionReply, setupBody, signInBody } from './people';
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
  ropes: { method: 'GET', path: '/ropes', summary: 'Ropes of the organisation', access: 'session', reply: ropesReply },
  newRope: { method: 'POST', path: '/ropes', summary: 'Add a rope', access: ['instructor', 'inspector', 'owner'], body: newRopeBody, reply: ropeReply },
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
  newCheck: { method: 'POST', path: '/checks', summary: 'Record a check', access: RECORDING_ROLES, body: newCheckBody, reply: recordedReply },
  check: { method: 'GET', path: '/checks/:id', summary: 'One check with all its entries', access: 'session', params: checkParams, reply: checkReply },
  sign: { method: 'POST', path: '/checks/:id/signatures', summary: 'Second signature on a check', access: RECORDING_ROLES, params: checkParams, body: newSignatureBody, reply: recordedReply },
  correct: { method: 'POST', path: '/checks/:id/corrections', summary: 'Correct a check by a new entry', access: RECORDING_ROLES, params: checkParams, body: newCorrectionBody, reply: recordedReply },
  closeFinding: { method: 'POST', path: '/checks/:id/finding-closed', summary: 'Say what was done about a finding', access: RECORDING_ROLES, params: checkParams, body: newFindingClosedBody, reply: recordedReply },
  head: { method: 'GET', path: '/record/head', summary: 'Head and length of the record', access: 'session', reply: headReply },
} as const satisfies Record<string, Endpoint>;

export type EndpointName = keyof typeof ENDPOINTS;
