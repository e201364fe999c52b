/**
 * PINs: a person signs by theirs on somebody else's device. Tries of a person follow one another (the row is held), wrong ones are
 * recorded and counted in the database, so that neither a restart nor tries sent side by side get more of them.
 */
import { verify } from '@node-rs/argon2';
import { fault } from '../../core/errors';
import type { Context } from '../context';
import { rows } from '../database';
import { keeping, keepingFor } from '../record/keeping';
import { noteCredential } from '../tables/credentials';
import { changePerson, type StoredPerson } from '../tables/people';
import { hashPassword } from './session';
import type { SessionPerson } from '../tables/sessions';
import { insertWrongPin, pinLockedFor_s } from '../tables/wrongPins';

/**
 * @param on whose session the device has
 * @throws wrong-pin, pin-locked, no-pin; wrong-pin too for nobody of this organisation
 */
export async function checkPin(
  context: Context,
  on: SessionPerson,
  person: StoredPerson | null,
  pin: string,
): Promise<void> {
  if (!person) throw fault('wrong-pin');
  if (person.pin_hash === null) throw fault('no-pin');
  const now = context.now();
  const outcome = await keeping(
    context.recordingDb ?? context.db,
    { organisation: person.organisation, by: on.id, now },
    async (k) => {
      const { c } = k;
      const [held] = await rows<{ pin_hash: string }>(c, 'SELECT pin_hash FROM people WHERE id = ? FOR UPDATE', [
        person.id,
      ]);
      const locked = await pinLockedFor_s(c, person.id, now);
      if (locked > 0) return { locked };
      if (await verify(held!.pin_hash, pin)) return { right: true };
      await insertWrongPin(k, person.id, on.id);
      return {};
    },
  );
  if (outcome.locked !== undefined) throw fault('pin-locked', { seconds: outcome.locked });
  if (!outcome.right) throw fault('wrong-pin');
}

export async function setPin(context: Context, person: SessionPerson, pin: string): Promise<void> {
  const pin_hash = await hashPassword(pin);
  await keepingFor(context, person, async (k) => {
    await changePerson(k, person.id, { pin_hash });
    await noteCredential(k, person.id, 'own-pin', person.id);
  });
}
