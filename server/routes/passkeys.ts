/** Passkeys: made beside the password by whoever wants one, and signed in by. */
import type { FastifyInstance, FastifyRequest } from 'fastify';
import { ENDPOINTS } from '../../contract';
import { fault, IdiomError } from '../../core/errors';
import { bind } from '../bind';
import type { Context } from '../context';
import { isDuplicate } from '../database';
import { publicUrl } from '../handing';
import { Passkeys, placeOf } from '../plugins/passkeys';
import { checkPassword, keysOf, openSession, type TryLimiter } from '../plugins/session';
import { keepingFor } from '../record/keeping';
import { noteCredential } from '../tables/credentials';
import { insertPasskey, noteUse, passkeyByCredential, passkeysOf, removePasskeys } from '../tables/passkeys';
import { personById } from '../tables/people';
import { publicPasskey, sessionReplyOf } from './people';

const MOST_OF_A_PERSON = 20;

export function passkeyRoutes(app: FastifyInstance, context: Context, limiter: TryLimiter): void {
  const { db } = context;
  const passkeys = new Passkeys(context.now);
  const own = async (person: string) => (await passkeysOf(db, person)).map(publicPasskey);
  const placeAsked = (request: FastifyRequest) => placeOf(publicUrl(context, request));

  bind(app, context, ENDPOINTS.passkeys, ({ who }) => own(who.id));
  bind(app, context, ENDPOINTS.beginPasskey, async ({ body, who, request }) => {
    const me = await personById(db, who.organisation, who.id);
    await checkPassword(limiter, keysOf(request, who.id), me?.password_hash, body.password);
    return passkeys.beginMaking(who.person, await passkeysOf(db, who.id), placeAsked(request));
  });
  bind(app, context, ENDPOINTS.newPasskey, async ({ body, who, request }) => {
    const made = await passkeys.made(body.ceremony, who.id, body.made, placeAsked(request));
    try {
      await keepingFor(context, who, async (k) => {
        if ((await passkeysOf(k.c, who.id)).length >= MOST_OF_A_PERSON)
          throw new IdiomError('bad-input', {}, [{ path: 'name', message: `there are ${MOST_OF_A_PERSON} already` }]);
        await insertPasskey(k, { ...made, person: who.id, name: body.name });
        await noteCredential(k, who.id, 'own-passkey', who.id);
      });
    } catch (error) {
      if (isDuplicate(error)) throw fault('passkey-refused');
      throw error;
    }
    return own(who.id);
  });
  bind(app, context, ENDPOINTS.removePasskey, async ({ params, who }) => {
    await keepingFor(context, who, async (k) => {
      if ((await removePasskeys(k, who.id, params.id)) === 0) throw fault('not-found');
      await noteCredential(k, who.id, 'passkey-removed', who.id);
    });
    return own(who.id);
  });

  bind(app, context, ENDPOINTS.beginSignIn, ({ request }) => passkeys.beginSignIn(placeAsked(request)));
  bind(app, context, ENDPOINTS.signInByPasskey, async ({ body, request, reply }) => {
    const stored = await passkeyByCredential(db, Buffer.from(body.used.id, 'base64url'));
    const keys = keysOf(request, stored?.person ?? `passkey ${body.used.id}`);
    limiter.check(keys);
    limiter.wrong(keys);
    const counter = await passkeys.used(body.ceremony, body.used, stored, placeAsked(request));
    if (!(await noteUse(db, stored!.id, counter))) throw fault('passkey-refused');
    limiter.right(keys);
    await openSession(context, reply, stored!.person);
    return sessionReplyOf(db, stored!.organisation, stored!.person);
  });
}
