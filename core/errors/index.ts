/**
 * The one table of error codes. Every refusal of bad input throws an IdiomError with a code from here;
 * the server turns it into problem+json. Codes are never reused; docs/errors.md lists them and a test
 * compares. "Cannot judge" is a value with reasons, not an error.
 */
export const ERRORS = {
  'bad-input': { status: 400, title: 'The request has faults', detail: 'Some fields are missing, unknown or out of range; each is named.' },
  'bad-json': { status: 400, title: 'The request body is not JSON', detail: 'Send one JSON object as application/json.' },
  'unsupported-media': { status: 415, title: 'This kind of body is not read here', detail: 'Send application/json.' },
  'body-too-large': { status: 413, title: 'The request body is too large', detail: 'The limit is 256 kB.' },
  'unknown-knot': { status: 404, title: 'No such knot in the catalogue', detail: 'There is no knot "{knot}". GET /api/v1/knots lists them.' },
  'unknown-fault': { status: 400, title: 'This knot has no such fault', detail: 'The knot "{knot}" has no shape for the fault "{fault}".' },
  'unknown-way': { status: 404, title: 'This knot has no such way of tying', detail: 'The knot "{knot}" has no way "{way}".' },
  'unknown-profile': { status: 404, title: 'No such practice profile', detail: 'There is no profile "{profile}" here, or not in that version.' },
  'no-object-form': { status: 400, title: 'This knot has no form on that object', detail: 'The knot "{knot}" is not stored on the object "{object}".' },
  'no-companion-form': { status: 400, title: 'The knot is not stored with that other knot', detail: 'There is no form of "{knot}" with "{companion}".' },
  'unknown-variant': { status: 404, title: 'No such variant of this knot', detail: 'The knot "{knot}" has no variant "{variant}".' },
  'no-wraps-form': { status: 400, title: 'The knot is not stored with that many wraps', detail: 'The knot "{knot}" has no form with {wraps} wraps.' },
  'not-found': { status: 404, title: 'Not found', detail: 'There is nothing here, or it belongs to another organisation.' },
  'method-not-allowed': { status: 405, title: 'This address does not take that method', detail: 'See /api/docs.' },
  'not-signed-in': { status: 401, title: 'Sign in first', detail: 'This needs a session.' },
  'wrong-password': { status: 401, title: 'Name or password do not match', detail: 'Nothing was changed.' },
  'role-missing': { status: 403, title: 'Your roles do not allow this', detail: 'It needs one of: {roles}.' },
  'cross-site': { status: 403, title: 'The request came from another site', detail: 'Only pages of this server may change data.' },
  'too-many-requests': { status: 429, title: 'Too many requests', detail: 'Wait {seconds} s and try again.' },
  'too-many-tries': { status: 429, title: 'Too many wrong passwords', detail: 'Wait {seconds} s and try again.' },
  'id-taken': { status: 409, title: 'This id already stands for something else', detail: 'The same id was sent with another content. Nothing was changed.' },
  'signer-not-second': { status: 409, title: 'This person cannot be the second signer', detail: 'The second signer is neither the one who tied the knot, nor the first checker, nor who corrected the check.' },
  'signer-depends': { status: 409, title: 'This person cannot be the second one to that person', detail: '{other} made {signer}, or set how they sign in: until another instructor has confirmed them in person they are no second person to {other}.' },
  'first-password': { status: 403, title: 'Change the first password first', detail: 'It was given by somebody else, who knows it. Nothing else is open until it is changed.' },
  'already-signed': { status: 409, title: 'This check is signed already', detail: 'It has a second signature.' },
  'finding-open': { status: 409, title: 'This knot is to be taken out and retied', detail: 'The finding on it is open: say what was done about it first. Tied again it is a new knot.' },
  'reason-needed': { status: 409, title: 'Another knot in this rope is to be taken out', detail: 'Open at: {places}. Say in writing why the rest of the rope is used (despite_open_finding).' },
  'rope-not-for-life': { status: 409, title: 'This rope is not for a life load', detail: '{tag} is {state}.' },
  'round-finished': { status: 409, title: 'This round is finished', detail: 'Nothing more is added to it: begin it anew.' },
  'no-pin': { status: 409, title: 'This person has no PIN', detail: 'They set one under their own name, or sign with their password.' },
  'pin-locked': { status: 429, title: 'Too many wrong PINs', detail: 'Wait {seconds} s, or sign on a device of one’s own. The wrong ones are recorded.' },
  'passkey-refused': {
    status: 401,
    title: 'The passkey was not accepted',
    detail: 'It is not known here any more, was made for another address, or too long passed. Try again, or sign in with the password.',
  },
  'wrong-pin': { status: 401, title: 'The PIN does not match', detail: 'It is recorded. Nothing else was changed.' },
  'last-instructor': { status: 409, title: 'Somebody has to be instructor', detail: 'This is the last one of the organisation.' },
  'already-closed': { status: 409, title: 'This finding is closed already', detail: 'An entry says what was done.' },
  'nothing-open': { status: 409, title: 'There is no open finding on this check', detail: 'Only a check with the verdict Take out and retie has one.' },
  'profile-superseded': { status: 409, title: 'The rules have a newer version', detail: 'The check was begun under {profile}; look at it again under the version in force.' },
  'short-look-not-allowed': { status: 409, title: 'No short look at this knot', detail: 'The rule set allows no short look at the knot "{knot}": look at all its points.' },
  'busy': { status: 503, title: 'The database is busy', detail: 'Nothing was stored; send the same request again.' },
  'busy-computing': { status: 503, title: 'Others are being computed for', detail: 'Busy: ask again in {seconds} s.' },
  'took-too-long': { status: 422, title: 'This takes too long', detail: 'It was ended after {seconds} s of computing. Ask for less at once; signed in, longer work is done as a job.' },
  'longer-work': { status: 401, title: 'Sign in for longer work', detail: 'Without sign-in at most {most} at once; signed in, more is done as a job.' },
  'stopping': { status: 503, title: 'The server is stopping', detail: 'It answers what it has and takes nothing more.' },
  'gone': { status: 499, title: 'Whoever asked has gone', detail: 'The connection was closed before the answer.' },
  'database-away': { status: 503, title: 'The database cannot be reached', detail: 'Nothing was stored; send the same request again in a moment.' },
  'internal': { status: 500, title: 'A fault of the program', detail: 'It was noted in the log with number {number}.' },
  'shape-not-finite': { status: 400, title: 'The shape has values that are not numbers', detail: 'Every point needs three finite numbers.' },
  'too-few-points': { status: 400, title: 'The shape has too few points', detail: 'An open line needs two different points, a closed one three.' },
  'too-many-points': { status: 400, title: 'The shape has too many points', detail: 'At most {most} points are looked at.' },
  'strands-touch': { status: 400, title: 'Two strands touch or pass through each other', detail: 'Strands that touch are no knot: over and under cannot be told.' },
  'view-not-regular': { status: 400, title: 'The shape cannot be seen apart from there', detail: 'A point lies exactly on another strand in this view.' },
  'too-many-crossings': { status: 400, title: 'The shape has too many crossings', detail: 'Even at its simplest it shows more than {most} crossings.' },
  'bend-too-tight': { status: 400, title: 'The path bends too tightly to be doubled', detail: 'Its sharpest bend has a radius of {radius}, the strands lie {half} to either side.' },
  'ends-not-joined': { status: 400, title: 'The ends are not joined', detail: 'Only closed lines have these figures; join the ends first.' },
  'eye-not-found': { status: 400, title: 'The eye cannot be cut open', detail: 'The mark of the eye does not lie inside the rope, or its legs cannot be led out.' },
  'no-such-crossing': { status: 400, title: 'There is no such crossing', detail: 'There is no crossing {crossing}; the diagram has {count}.' },
  'bad-code': { status: 400, title: 'This is no signed Gauss code', detail: 'The code cannot be read: {reason}.' },
  'code-not-planar': { status: 400, title: 'The code cannot be drawn', detail: 'No knot drawn in a plane has this code.' },
  'bad-specimen': { status: 400, title: 'This cannot be looked at as a knot', detail: 'The shape cannot be used: {reason}.' },
  'faces-differ': { status: 400, title: 'The two faces do not agree', detail: 'The code of the back is not that of the front seen from behind: look at both again.' },
  'solver-passed-through': { status: 500, title: 'The rope computation was thrown away', detail: 'A strand may have passed through another.' },
  'not-a-number': { status: 400, title: 'A value is not a number', detail: '"{field}" must be a finite number{range}.' },
} as const satisfies Record<string, { status: number; title: string; detail: string }>;

export type ErrorCode = keyof typeof ERRORS;

export interface FieldFault {
  /** JSON pointer-like path, parts joined by "." */
  readonly path: string;
  readonly message: string;
}

/** The one error class for bad input and refusals. */
export class IdiomError extends Error {
  readonly status: number;
  constructor(
    readonly code: ErrorCode,
    readonly values: Readonly<Record<string, string | number>> = {},
    readonly errors: readonly FieldFault[] = [],
  ) {
    super(ERRORS[code].detail.replace(/\{(\w+)\}/g, (_, name: string) => String(values[name] ?? '')));
    this.name = 'IdiomError';
    this.status = ERRORS[code].status;
  }
}

/** Makes an IdiomError; `throw fault('unknown-knot', { knot })`. */
export function fault(code: ErrorCode, values: Readonly<Record<string, string | number>> = {}, errors: readonly FieldFault[] = []): IdiomError {
  return new IdiomError(code, values, errors);
}

/**
 * Refuses NaN, Infinity and values outside a range at a public door of core.
 * @throws not-a-number
 */
export function finite(field: string, value: number, min = -Infinity, max = Infinity): number {
  if (!Number.isFinite(value) || value < min || value > max)
    throw fault('not-a-number', { field, range: Number.isFinite(min) || Number.isFinite(max) ? ` from ${min} to ${max}` : '' });
  return value;
}
