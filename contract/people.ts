import { z } from 'zod';
import { LENGTH_UNITS, OWN_MEASURE_RANGES_MM, type OwnMeasure } from '../core/units';
import { fist_mm, knotId, line, uuid } from './common';
import { passkey } from './passkeys';
import { ROLES } from './roles';

export const handle = z
  .string()
  .regex(/^[a-z][a-z0-9.-]{1,39}$/, 'lower-case letters, digits, dot or dash, 2 to 40 of them');
export const password = z
  .string()
  .min(10)
  .max(200)
  .refine((v) => v.trim().length >= 10, 'at least 10 characters, blanks at its ends not counted');

export const person = z.strictObject({
  id: z.string(),
  handle: z.string(),
  name: z.string(),
  roles: z.array(z.enum(ROLES)),
  fist_mm: z.number(),
  /** own measures beside the fist; null where they were never taken */
  arm_mm: z.number().nullable(),
  hand_mm: z.number().nullable(),
  foot_mm: z.number().nullable(),
  length_unit: z.enum(LENGTH_UNITS),
  hand: z.enum(['right', 'left']),
  single_keys: z.boolean(),
  calibrated: z.boolean(),
  has_pin: z.boolean(),
});
export type Person = z.infer<typeof person>;

export const sessionReply = z.strictObject({
  person: person.nullable(),
  organisation: z.strictObject({ id: z.string(), name: z.string(), demo: z.boolean() }).nullable(),
  demo: z.boolean(),
  setup_open: z.boolean(),
  /** the password was given by somebody else: nothing is open until it is changed */
  must_change_password: z.boolean(),
});
export const signInBody = z.strictObject({ handle: z.string().min(1).max(60), password: z.string().min(1).max(200) });
export const demoPeopleReply = z.array(
  z.strictObject({ handle: z.string(), name: z.string(), roles: z.array(z.enum(ROLES)), about: z.string() }),
);
export const setupBody = z.strictObject({
  token: z.string().min(10).max(100),
  organisation: line(120),
  name: line(120),
  handle,
  password,
});

const ownMeasure = (m: OwnMeasure) =>
  z.number().min(OWN_MEASURE_RANGES_MM[m][0]).max(OWN_MEASURE_RANGES_MM[m][1]).nullable().optional();
export const preferencesBody = z.strictObject({
  fist_mm: fist_mm.optional(),
  arm_mm: ownMeasure('arm'),
  hand_mm: ownMeasure('hand'),
  foot_mm: ownMeasure('foot'),
  length_unit: z.enum(LENGTH_UNITS).optional(),
  hand: z.enum(['right', 'left']).optional(),
  single_keys: z.boolean().optional(),
});
export const newPersonBody = z.strictObject({
  id: uuid,
  name: line(120),
  handle,
  password,
  roles: z.array(z.enum(ROLES)).min(1).max(5),
});
/** Digits only: it is typed in gloves, on somebody else's device. Limited and recorded where wrong. */
export const pin = z
  .string()
  .regex(/^\d{4,8}$/, '4 to 8 digits')
  .refine(
    (v) => !/^(\d)\1+$/.test(v) && !'01234567890123456789'.includes(v) && !'98765432109876543210'.includes(v),
    'is guessed too easily',
  );
export const ownPinBody = z.strictObject({ password: z.string().min(1).max(200), pin });
export const ownPasswordBody = z.strictObject({
  password: z.string().min(1).max(200).describe('the one until now'),
  new_password: password,
});
export const CREDENTIALS = [
  'made',
  'password',
  'pin',
  'own-password',
  'own-pin',
  'own-passkey',
  'passkey-removed',
  'renamed',
  'roles',
  'confirmed',
] as const;
export type CredentialWhat = (typeof CREDENTIALS)[number];
export const newConfirmationBody = z.strictObject({ id: uuid });
export const personParams = z.strictObject({ id: uuid });
export const changePersonBody = z.strictObject({
  name: line(120).optional(),
  roles: z.array(z.enum(ROLES)).min(1).max(5).optional(),
  password: password.optional().describe('a new first password'),
});
export const SIGN_OFFS = ['tie', 'check'] as const;
export const newSignOffBody = z.strictObject({
  id: uuid,
  knot: knotId,
  may: z.enum(SIGN_OFFS),
  given: z.boolean().describe('false takes it back'),
});
const credentialRow = z.strictObject({
  id: z.string(),
  person: z.string(),
  person_name: z.string(),
  what: z.enum(CREDENTIALS),
  roles: z.array(z.enum(ROLES)).nullable().describe('as they were set'),
  by_name: z.string(),
  at: z.string(),
});
export const credentialsReply = z.strictObject({ items: z.array(credentialRow), next: z.string().nullable() });
export const personReply = z.strictObject({
  person,
  signed_off: z.array(
    z.strictObject({ knot: z.string(), may: z.enum(SIGN_OFFS), by_name: z.string(), at: z.string() }),
  ),
  wrong_pins: z
    .array(z.strictObject({ at: z.string(), on_device_of_name: z.string() }))
    .describe('the last ones; for the person and for instructors, empty for others'),
  settings: z.array(credentialRow).describe('what was set for them and by whom, newest first, 50 at most'),
  depends_on: z
    .array(z.strictObject({ id: z.string(), name: z.string() }))
    .describe('who made them or set their password, and to whom they are no second person until confirmed in person'),
  passkeys: z
    .array(passkey)
    .describe('by which they sign in beside the password; for the person and for instructors, empty for others'),
});
export type PersonPage = z.infer<typeof personReply>;
export const peopleReply = z.array(person);
