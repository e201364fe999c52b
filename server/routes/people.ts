import { randomUUID } from 'node:crypto';
import type { FastifyInstance } from 'fastify';
import { ENDPOINTS } from '../../contract';
import { fault, IdiomError } from '../../core/errors';
import { bind } from '../bind';
import type { Context } from '../context';
import { isDuplicate, rows, type Database } from '../database';
import { keepingFor, keepingOfProgram } from '../record/keeping';
import {
  checkPassword,
  closeSession,
  currentPerson,
  hashPassword,
  keysOf,
  openSession,
  tokenOf,
  type TryLimiter,
} from '../plugins/session';
import { anyDemo, insertOrganisation } from '../tables/organisations';
import {
  changePerson,
  countPeople,
  demoPeople,
  insertPerson,
  instructorsHeld,
  peopleOf,
  personByHandle,
  personById,
  publicPerson,
  updatePreferences,
} from '../tables/people';
import { credentialsPage, dependsOnWhom, isConfirmation, noteCredential } from '../tables/credentials';
import { passkeysOf, removePasskeys, type StoredPasskey } from '../tables/passkeys';
import { endSessionsOf, type SessionPerson } from '../tables/sessions';
import { insertSignOff, signedOff, signOffById } from '../tables/signOffs';
import { wrongPinsOf } from '../tables/wrongPins';
import { contentHash } from '../canonical';
import { fromSequenceCursor, sequenceCursor } from '../cursor';
import { keptOnce } from '../kept';
import { knotIn } from '../named';
import { setPin } from '../plugins/pin';
import type { FastifyRequest } from 'fastify';

/** What may be said of a passkey. */
export const publicPasskey = ({ id, name, made_at }: StoredPasskey) => ({ id, name, made_at: made_at.toISOString() });

/** What whoever has just signed in is told. */
export async function sessionReplyOf(db: Database, organisation: string, person: string) {
  const found = (await personById(db, organisation, person))!;
  const [org] = await rows<{ id: string; name: string; demo: number }>(
    db,
    'SELECT id, name, demo FROM organisations WHERE id = ?',
    [organisation],
  );
  return {
    person: publicPerson(found),
    organisation: { id: org!.id, name: org!.name, demo: Boolean(org!.demo) },
    demo: Boolean(org!.demo),
    setup_open: false,
    must_change_password: found.must_change,
  };
}

export function peopleRoutes(app: FastifyInstance, context: Context, limiter: TryLimiter): void {
  const { db } = context;

  const sessionOf = async (request: FastifyRequest) => {
    const who = await currentPerson(context, request);
    return {
      person: who?.person ?? null,
      organisation: who ? { id: who.organisation, name: who.organisation_name, demo: who.demo } : null,
      demo: who ? who.demo : await anyDemo(db),
      setup_open: who ? false : context.settings.setupToken !== null && (await countPeople(db)) === 0,
      must_change_password: who?.must_change ?? false,
    };
  };

  bind(app, context, ENDPOINTS.session, ({ request }) => sessionOf(request));

  bind(app, context, ENDPOINTS.signIn, async ({ body, request, reply }) => {
    const handle = body.handle.trim().toLowerCase();
    const found = /^[a-z0-9.-]+$/.test(handle) ? await personByHandle(db, handle) : null;
    await checkPassword(limiter, keysOf(request, found?.id ?? handle), found?.password_hash, body.password);
    await openSession(context, reply, found!.id);
    return sessionReplyOf(db, found!.organisation, found!.id);
  });

  bind(app, context, ENDPOINTS.signOut, async ({ request, reply }) => {
    await closeSession(context, request, reply);
    return {
      person: null,
      organisation: null,
      demo: await anyDemo(db),
      setup_open: false,
      must_change_password: false,
    };
  });

  bind(app, context, ENDPOINTS.demoPeople, async () =>
    (await demoPeople(db)).map((p) => ({ handle: p.handle, name: p.name, roles: p.roles, about: p.about })),
  );

  bind(app, context, ENDPOINTS.setup, async ({ body, reply }) => {
    if (context.settings.setupToken === null || body.token !== context.settings.setupToken) throw fault('not-found');
    const password_hash = await hashPassword(body.password);
    const organisation = randomUUID();
    const id = randomUUID();
    await keepingOfProgram(db, context.now(), async (k) => {
      if ((await countPeople(k.c)) > 0) throw fault('not-found');
      await insertOrganisation(k, organisation, body.organisation, false);
      await insertPerson(k, {
        id,
        organisation,
        handle: body.handle,
        name: body.name,
        password_hash,
        roles: ['instructor', 'inspector'],
      });
    });
    await openSession(context, reply, id);
    return sessionReplyOf(db, organisation, id);
  });

  bind(app, context, ENDPOINTS.preferences, async ({ body, who }) => {
    const changes = Object.fromEntries(Object.entries(body).filter(([, v]) => v !== undefined));
    await keepingFor(context, who, (k) => updatePreferences(k, who.id, changes));
    return publicPerson((await personById(db, who.organisation, who.id))!);
  });

  bind(app, context, ENDPOINTS.people, async ({ who }) => (await peopleOf(db, who.organisation)).map(publicPerson));

  bind(app, context, ENDPOINTS.newPerson, async ({ body, who }) => {
    const roles = [...new Set(body.roles)];
    /** the same person again; anything else under this id is refused */
    const again = async () => {
      const there = await personById(db, who.organisation, body.id);
      if (!there) return null;
      const same =
        there.handle === body.handle &&
        there.name === body.name &&
        contentHash([...there.roles].sort()) === contentHash([...roles].sort());
      if (!same) throw fault('id-taken');
      return publicPerson(there);
    };
    const there = await again();
    if (there) return there;
    const password_hash = await hashPassword(body.password);
    try {
      await keepingFor(context, who, async (k) => {
        await insertPerson(k, {
          id: body.id,
          organisation: who.organisation,
          handle: body.handle,
          name: body.name,
          password_hash,
          roles,
          must_change: true,
        });
        await noteCredential(k, body.id, 'made', who.id, { roles });
      });
    } catch (error) {
      if (error instanceof IdiomError && error.code === 'id-taken') {
        const made = await again();
        if (made) return made;
      }
      if (!isDuplicate(error)) throw error;
      throw new IdiomError('bad-input', {}, [{ path: 'handle', message: 'is taken' }]);
    }
    return publicPerson((await personById(db, who.organisation, body.id))!);
  });

  const personPage = async (who: SessionPerson, id: string) => {
    const found = await personById(db, who.organisation, id);
    if (!found) throw fault('not-found');
    const mayKnow = id === who.id || who.person.roles.includes('instructor');
    const [settings, depends, passkeys] = await Promise.all([
      credentialsPage(db, who.organisation, { person: id, limit: 50 }),
      dependsOnWhom(db, who.organisation, id),
      mayKnow ? passkeysOf(db, id) : [],
    ]);
    return {
      settings: settings.map(({ number: _, ...row }) => row),
      depends_on: await Promise.all(
        depends.map(async (d) => ({ id: d, name: (await personById(db, who.organisation, d))?.name ?? d })),
      ),
      passkeys: passkeys.map(publicPasskey),
      person: publicPerson(found),
      signed_off: await signedOff(db, who.organisation, id),
      wrong_pins: mayKnow ? await wrongPinsOf(db, who.organisation, id, 20) : [],
    };
  };
  bind(app, context, ENDPOINTS.personById, ({ params, who }) => personPage(who, params.id));
  bind(app, context, ENDPOINTS.changePerson, async ({ params, body, who, request }) => {
    if (body.password !== undefined && params.id === who.id)
      throw new IdiomError('bad-input', {}, [
        { path: 'password', message: 'one’s own is changed with the one until now: /people/me/password' },
      ]);
    if (!(await personById(db, who.organisation, params.id))) throw fault('not-found');
    const password_hash = body.password === undefined ? undefined : await hashPassword(body.password);
    await keepingFor(context, who, async (k) => {
      const instructors = await instructorsHeld(k.c, who.organisation);
      if (body.roles && !body.roles.includes('instructor') && instructors.length === 1 && instructors[0] === params.id)
        throw fault('last-instructor');
      const before = (await personById(k.c, who.organisation, params.id))!;
      // whoever gives somebody else a password knows it: they change it first of all
      const must_change = password_hash !== undefined && params.id !== who.id ? true : undefined;
      await changePerson(k, params.id, { name: body.name, roles: body.roles, password_hash, must_change });
      if (body.name !== undefined && body.name !== before.name) await noteCredential(k, params.id, 'renamed', who.id);
      if (body.roles) await noteCredential(k, params.id, 'roles', who.id, { roles: body.roles });
      if (password_hash !== undefined)
        await noteCredential(k, params.id, params.id === who.id ? 'own-password' : 'password', who.id);
      // a new first password is for who lost what they had, or where somebody else had it: no passkey opens anything from then on
      if (password_hash !== undefined && (await removePasskeys(k, params.id)) > 0)
        await noteCredential(k, params.id, 'passkey-removed', who.id);
    });
    if (password_hash !== undefined) await endSessionsOf(db, params.id, tokenOf(request));
    return personPage(who, params.id);
  });
  bind(app, context, ENDPOINTS.ownPassword, async ({ body, who, request }) => {
    const me = await personById(db, who.organisation, who.id);
    await checkPassword(limiter, keysOf(request, who.id), me?.password_hash, body.password);
    if (body.new_password === body.password)
      throw new IdiomError('bad-input', {}, [{ path: 'new_password', message: 'is the one until now' }]);
    const password_hash = await hashPassword(body.new_password);
    await keepingFor(context, who, async (k) => {
      await changePerson(k, who.id, { password_hash, must_change: false });
      await noteCredential(k, who.id, 'own-password', who.id);
    });
    await endSessionsOf(db, who.id, tokenOf(request));
    return sessionOf(request);
  });
  bind(app, context, ENDPOINTS.newConfirmation, async ({ params, body, who }) => {
    if (!(await personById(db, who.organisation, params.id))) throw fault('not-found');
    if (params.id === who.id)
      throw new IdiomError('bad-input', {}, [{ path: 'person', message: 'nobody confirms themselves' }]);
    if (!(await isConfirmation(db, body.id, params.id, who.id)))
      await keepingFor(context, who, (k) => noteCredential(k, params.id, 'confirmed', who.id, { id: body.id }));
    return personPage(who, params.id);
  });
  bind(app, context, ENDPOINTS.credentials, async ({ query, who }) => {
    const found = await credentialsPage(db, who.organisation, {
      before: fromSequenceCursor(query.cursor),
      limit: query.limit + 1,
    });
    const items = found.slice(0, query.limit);
    return {
      items: items.map(({ number: _, ...row }) => row),
      next: found.length > query.limit ? sequenceCursor(items.at(-1)!.number) : null,
    };
  });
  bind(app, context, ENDPOINTS.ownPin, async ({ body, who, request }) => {
    const me = await personById(db, who.organisation, who.id);
    await checkPassword(limiter, keysOf(request, who.id), me?.password_hash, body.password);
    await setPin(context, who, body.pin);
    return publicPerson((await personById(db, who.organisation, who.id))!);
  });
  bind(app, context, ENDPOINTS.newSignOff, async ({ params, body, who }) => {
    knotIn('knot', body.knot);
    if (!(await personById(db, who.organisation, params.id))) throw fault('not-found');
    if (params.id === who.id)
      throw new IdiomError('bad-input', {}, [{ path: 'person', message: 'nobody signs themselves off' }]);
    const request = contentHash({ body, of: params.id, by: who.id });
    await keptOnce(
      who.organisation,
      request,
      () => signOffById(db, body.id),
      () =>
        keepingFor(context, who, (k) => insertSignOff(k, { ...body, person: params.id, signed_by: who.id }, request)),
    );
    await context.signer?.sign(who.organisation, 'sign-off');
    return personPage(who, params.id);
  });
}
