import { z } from 'zod';
import { ROPE_KINDS } from '../core/choose';
import { LENGTH_UNITS, OWN_MEASURE_RANGES_MM, type OwnMeasure } from '../core/units';
import { diameter_mm, fist_mm, line, note, uuid } from './common';
import { ROLES } from './roles';

export const handle = z.string().regex(/^[a-z][a-z0-9.-]{1,39}$/, 'lower-case letters, digits, dot or dash, 2 to 40 of them');
export const password = z.string().min(10).max(200);

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
});
export type Person = z.infer<typeof person>;

export const sessionReply = z.strictObject({
  person: person.nullable(),
  organisation: z.strictObject({ id: z.string(), name: z.string(), demo: z.boolean() }).nullable(),
  demo: z.boolean(),
  setup_open: z.boolean(),
});
export const signInBody = z.strictObject({ handle: z.string().min(1).max(60), password: z.string().min(1).max(200) });
export const demoPeopleReply = z.array(z.strictObject({ handle: z.string(), name: z.string(), roles: z.array(z.enum(ROLES)), about: z.string() }));
export const setupBody = z.strictObject({ token: z.string().min(10).max(100), organisation: line(120), name: line(120), handle, password });

const ownMeasure = (m: OwnMeasure) => z.number().min(OWN_MEASURE_RANGES_MM[m][0]).max(OWN_MEASURE_RANGES_MM[m][1]).nullable().optional();
export const preferencesBody = z.strictObject({
  fist_mm: fist_mm.optional(),
  arm_mm: ownMeasure('arm'),
  hand_mm: ownMeasure('hand'),
  foot_mm: ownMeasure('foot'),
  length_unit: z.enum(LENGTH_UNITS).optional(),
  hand: z.enum(['right', 'left']).optional(),
  single_keys: z.boolean().optional(),
});
export const newPersonBody = z.strictObject({ id: uuid, name: line(120), handle, password, roles: z.array(z.enum(ROLES)).min(1).max(5) });
export const peopleReply = z.array(person);

export const ropeReply = z.strictObject({
  id: z.string(), tag: z.string(), kind: z.enum(ROPE_KINDS), diameter_mm: z.number(), length_m: z.number().nullable(),
  state: z.enum(['in-service', 'retired']), in_service_since: z.string().nullable(), note: z.string(),
});
export type RopeRow = z.infer<typeof ropeReply>;
export const newRopeBody = z.strictObject({
  id: uuid, tag: line(40), kind: z.enum(ROPE_KINDS), diameter_mm, length_m: z.number().min(0.1).max(2000).nullable().default(null), note,
});
export const ropesReply = z.array(ropeReply);
