/**
 * Passkeys: what passes between a device and the server while one is made or used (Web Authentication, its JSON forms). Each of the two takes a
 * ceremony that the server begins: it is good once, for some minutes.
 */
import { z } from 'zod';
import { line, uuid } from './common';

/** Bytes as base64url. */
const bytes = (most: number) =>
  z
    .string()
    .max(Math.ceil((most * 4) / 3))
    .regex(/^[A-Za-z0-9_-]+$/, 'is not base64url');
const credentialId = bytes(1023);
const clientData = bytes(4096);

export const passkey = z.strictObject({ id: z.string(), name: z.string(), made_at: z.string() });
export const passkeysReply = z.array(passkey);
export const beginPasskeyBody = z.strictObject({ password: z.string().min(1).max(200) });
export const ceremonyReply = z.strictObject({
  ceremony: z.string(),
  options: z.record(z.string(), z.unknown()).describe('for navigator.credentials, in its JSON form'),
});
export const newPasskeyBody = z.strictObject({
  ceremony: uuid,
  name: line(60).describe('what its owner calls the device'),
  made: z.strictObject({
    id: credentialId,
    client_data: clientData,
    attestation: bytes(16_384),
    transports: z
      .array(z.string().regex(/^[a-z-]{1,15}$/))
      .max(6)
      .default([]),
  }),
});
export const signInByPasskeyBody = z.strictObject({
  ceremony: uuid,
  used: z.strictObject({
    id: credentialId,
    client_data: clientData,
    authenticator_data: bytes(4096),
    signature: bytes(4096),
    user_handle: bytes(64).optional(),
  }),
});
