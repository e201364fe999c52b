import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import type { FastifyInstance } from 'fastify';
import { ENDPOINTS } from '../../contract';
import {
  choose,
  eyeToEyeLength,
  frictionHitch,
  loopLength,
  roundAPost,
  ropeNeeded,
  SHIPPED_TRIALS,
} from '../../core/choose';
import type { Point3 } from '../../core/curve';
import { fault } from '../../core/errors';
import { linesOf } from '../../core/knots/shape/stored';
import {
  CATALOGUE_VERSION,
  faultsWithShape,
  formWithWraps,
  knotById,
  knotIds,
  shapeOf,
  storedForm,
  variantForm,
  wrapsOf,
  type Onto,
} from '../../core/knots/catalogue/catalogue';
import { FAMILIES, type ShapeState } from '../../core/knots/facts/types';
import { motionOf } from '../../core/knots/tying/motions';
import { goesOn } from '../../core/knots/facts/behaviour';
import type { Range } from '../../core/knots/shape/measures';
import { unitOfAcross } from '../../core/knots/shape/sizes';
import { crossingIds } from '../../core/knots/catalogue/crossing-ids';
import { differingPlace } from '../../core/knots/catalogue/differs';
import { drawVector, frameFor, pathInWords } from '../../core/picture';
import { crossingsSeenFrom, diagramOf, gaussCodeOf } from '../../core/topology';
import { TAIL_UNCERTAINTY_MM } from '../../core/inspect/judging';
import { companionMeant, lengthFor, rulesOf, SHIPPED_PROFILES } from '../../core/profiles';
import { bind } from '../bind';
import type { Context } from '../context';
import { shapeGlb } from '../documents/glb';
import { knotIn, profileIn } from '../named';
import { withCompanion } from '../../core/knots/catalogue/withCompanion';
import type { ShapeComponent } from '../../core/knots/shape/stored';
import type { PictureComponent } from '../../core/picture';
import { composedOf, FAULTS_OF_JOINED, isJoined } from '../../core/knots/facts/composed';
import type { FaultId } from '../../core/knots/facts/faultTable';
import { usesOf, type Companion } from '../../core/knots/facts/uses';
import { currentPerson } from '../plugins/session';
import { trialsWith } from '../tables/passingTrials';
import { frameSvg } from '../wayPictures';
import { sendPdf } from '../handing';
import { askerFor, askerOf, type Computing } from '../work/asking';
import { sendBegun } from './work';
import { asPicture, asPublic, KEEP, knotRadius, mirroredForLeft, sendSvg } from '../picturing';

interface Asked {
  readonly state?: ShapeState | undefined;
  readonly fault?: string | undefined;
  readonly wraps?: number | undefined;
  readonly object?: 'clip' | 'ring' | 'post' | undefined;
  readonly variant?: string | undefined;
  readonly companions?: readonly Companion[] | undefined;
}

/**
 * The knot that stands for one with others tied to it, and its form there.
 * @throws no-companion-form, bad-input
 */
function withCompanions(id: string, { companions, fault: faulty, wraps, object, variant }: Asked) {
  const [companion, ...more] = companions ?? [];
  if (companion === undefined) return null;
  if (more.length > 0 || wraps !== undefined || object !== undefined || variant !== undefined)
    throw fault('bad-input', {}, [
      { path: 'querystring.companions', message: 'one of them, without wraps, object or variant' },
    ]);
  if (isJoined(id, companion)) {
    if (faulty !== undefined && !FAULTS_OF_JOINED[companion].some((f) => f === faulty))
      throw fault('unknown-fault', { knot: id, fault: faulty });
    const joined = { companion, fault: faulty as FaultId | undefined };
    return { knot: id, form: 'right', joined: faulty === 'stopper-missing' ? null : joined };
  }
  const is = composedOf(id, companion, faulty as FaultId | undefined);
  if (!is) throw fault('no-companion-form', { knot: id, companion });
  return { ...is, joined: null };
}

/**
 * The form, state and object that a request names.
 * @throws unknown-knot, unknown-fault, unknown-variant, no-wraps-form, no-object-form, bad-input
 */
function asked(
  named: string,
  query: Asked,
): { id: string; form: string; state: ShapeState; onto: Onto | null; components: () => ShapeComponent[] } {
  knotById(named);
  const together = withCompanions(named, query);
  if (together) {
    const { knot, form, joined } = together;
    const alone = asked(knot, { state: query.state, ...(form !== 'right' && { fault: form }) });
    return joined
      ? { ...alone, components: () => [...withCompanion(knot, joined.companion, alone.state, joined.fault)] }
      : alone;
  }
  const id = named;
  const { state, fault: faulty, wraps, object, variant } = query;
  const { entry } = knotById(id);
  if (faulty !== undefined && !faultsWithShape(id).includes(faulty))
    throw fault('unknown-fault', { knot: id, fault: faulty });
  if (faulty !== undefined && wraps !== undefined && wraps !== entry.usual_wraps)
    throw fault('no-wraps-form', { knot: id, wraps });
  if (variant !== undefined && (faulty !== undefined || wraps !== undefined))
    throw fault('bad-input', {}, [{ path: 'querystring.variant', message: 'not together with fault or wraps' }]);
  const form =
    faulty ??
    (variant !== undefined ? variantForm(id, variant) : wraps === undefined ? 'right' : formWithWraps(id, wraps));
  // a tie-in knot has the harness for its ring
  const ring = entry.purposes.includes('tie-in') ? (form === 'one-harness-point' ? 'one' : 'both') : 'ring';
  const onto = object === undefined ? null : object === 'ring' ? ring : object;
  const inState = state ?? 'tight';
  return { id, form, state: inState, onto, components: () => shapeOf(id, form, inState, onto) };
}

const unpacked = promisify(gunzip);
/** Seconds of one core for all shapes of a way: the longest takes some three, once, and is kept. */
const WAY_LIMIT_s = 5;
/** Cards that anybody is given at once; more is longer work. */
const MOST_CARDS = 8;

export function knotRoutes(app: FastifyInstance, context: Context, { work, long, kept }: Computing): void {
  bind(app, context, ENDPOINTS.knots, () =>
    knotIds().map((id) => {
      const { entry } = knotById(id);
      return {
        id,
        names: [...entry.names],
        family: entry.family,
        purposes: [...entry.purposes],
        can_be_checked: entry.check_points.length > 0,
        ways: entry.ways.map((w) => ({ id: w.id, right: w.right, ends_in: w.ends_in })),
        faults: entry.faults.map((f) => f.id),
        form_certainty: entry.form_certainty,
      };
    }),
  );

  bind(app, context, ENDPOINTS.knot, ({ params }) => {
    const { entry, baked } = knotById(params.id);
    const right = baked.forms['right']!;
    const lines = linesOf(right.laid);
    const unit = unitOfAcross(right);
    const across = ({ low, value, high }: Range) => ({ low: low * unit, value: value * unit, high: high * unit });
    const laid = crossingsSeenFrom(lines, [0, 0, 1]);
    return {
      ...entry,
      catalogue_version: CATALOGUE_VERSION,
      faults_with_shape: faultsWithShape(params.id),
      crossings: {
        count: laid.count,
        gauss_code: gaussCodeOf(diagramOf(laid, lines.length))
          .map((code, i) => `${lines[i]!.closed ? 'closed' : 'open'}: ${code}`)
          .join('\n'),
        of: `the laid form, seen from the front, standing end to tail${right.objects.length > 0 ? '; its own rope alone, without what it is tied to' : ''}`,
      },
      family_name: FAMILIES[entry.family],
      path_in_words: pathInWords(laid, undefined, right.laid.marks.eye),
      wraps: wrapsOf(params.id),
      tied_to: right.objects[0]?.name ?? null,
      variants: entry.variants?.filter((v) => v.form in baked.forms) ?? [],
      drawn_up_here: !right.composed,
      laid_view: right.laidView,
      measures: {
        of: right.set.tight.tape ? 'tape-width' : 'rope-diameter',
        in_knot: across(right.set.inKnot_ropeDiameters),
        girth: across(right.set.girth_ropeDiameters),
        width: across(right.set.width_ropeDiameters),
        length: across(right.set.length_ropeDiameters),
      },
    };
  });

  bind(app, context, ENDPOINTS.shape, ({ params, query, reply }) => {
    const { components } = asked(params.id, query);
    void reply.header('cache-control', KEEP);
    return { unit: 'rope-diameter', components: components().map(asPublic) };
  });

  bind(app, context, ENDPOINTS.obj, ({ params, query, reply }) => {
    const { components } = asked(params.id, query);
    const lines = ['# rope centre-lines; unit: rope diameters'];
    let n = 0;
    for (const c of components()) {
      lines.push(`o ${c.name}`, ...c.points.map((p) => `v ${p.join(' ')}`));
      const ids = c.points.map((_, i) => n + i + 1);
      lines.push(`l ${[...ids, ...(c.closed ? [n + 1] : [])].join(' ')}`);
      n += c.points.length;
    }
    return reply
      .type('model/obj')
      .header('cache-control', KEEP)
      .send(`${lines.join('\n')}\n`);
  });

  bind(app, context, ENDPOINTS.glb, async ({ params, query, reply }) => {
    const { id, components } = asked(params.id, query);
    return reply
      .type('model/gltf-binary')
      .header('cache-control', KEEP)
      .send(Buffer.from(await shapeGlb(components(), knotById(id).entry.names[0]!)));
  });

  bind(app, context, ENDPOINTS.picture, ({ params, query, reply }) => {
    const of = asked(params.id, query);
    const { id, form, state, onto } = of;
    const joined = query.companions?.some((c) => isJoined(id, c)) && query.fault !== 'stopper-missing';
    const mirror = (p: Point3): Point3 => (query.hand === 'left' ? [-p[0], p[1], p[2]] : p);
    const drawn = (which: ReturnType<typeof asked>) => {
      const components = asPicture(which.components());
      return query.hand === 'left' ? mirroredForLeft(components) : components;
    };
    const components = drawn(of);
    const framing = {
      face: query.face,
      crop: query.crop,
      knotRadius_ropeDiameters: knotRadius(id, form, state, query.crop),
    };
    const other =
      query.fit === undefined
        ? undefined
        : asked(id, {
            state: query.state,
            object: query.object,
            ...(query.fit !== 'right' && { fault: query.fit }),
          });
    if (query.ring && (query.fit === undefined || (query.fit === 'right') === (form === 'right')))
      throw fault('bad-input', {}, [
        { path: 'querystring.ring', message: 'needs fit: the right form of a fault, or a fault of the right form' },
      ]);
    const place = query.ring && differingPlace(id, form, query.fit!, state, onto);
    const markAt = place && { ...place, centre: mirror(place.centre) };
    const { names, form_certainty } = knotById(id).entry;
    const name = form_certainty === 'settled' ? names[0] : `${names[0]} (form not settled)`;
    return sendSvg(
      reply,
      drawVector(components, {
        ...framing,
        markAt,
        theme: query.theme,
        size_px: query.size,
        cutTail: !goesOn(knotById(id).entry),
        // numbers that last are those of the stored form; two forms joined are numbered along the rope
        ...(joined
          ? { frame: frameOfJoined(components, query.face) }
          : { crossingIds: (seen) => crossingIds(storedForm(id, form), state, seen) }),
        title: `${name}, ${query.face}${query.fault ? `, fault: ${query.fault.replaceAll('-', ' ')}` : ''}`,
        ...(other
          ? {
              frame: union(
                frameFor(components, framing),
                frameFor(drawn(other), {
                  ...framing,
                  knotRadius_ropeDiameters: knotRadius(id, other.form, other.state, query.crop),
                }),
              ),
            }
          : {}),
      }),
    );
  });

  bind(app, context, ENDPOINTS.way, async ({ params, query, request, reply }) => {
    const { id, way } = params;
    motionOf(id, way);
    const between = query.between ?? 0;
    const asker = await askerOf(context, request, reply);
    // the same for everybody: computed once, whoever asks first
    const packed = await kept.get(`way ${id} ${way} ${between}`, async () =>
      Buffer.from(await work.run('way', { knot: id, way, between }, asker, { limit_s: WAY_LIMIT_s })),
    );
    void reply.header('cache-control', KEEP).type('application/json; charset=utf-8');
    if (!/\bgzip\b/.test(request.headers['accept-encoding'] ?? '')) return reply.send(await unpacked(packed));
    return reply.header('content-encoding', 'gzip').header('vary', 'accept-encoding').send(packed);
  });

  bind(app, context, ENDPOINTS.framePicture, ({ params, query, reply }) => {
    const motion = motionOf(params.id, params.way);
    if (!motion.keys[query.frame])
      throw fault('bad-input', {}, [{ path: 'querystring.frame', message: `must be 0 to ${motion.keys.length - 1}` }]);
    return sendSvg(reply, frameSvg(params.id, params.way, query.frame, query));
  });

  bind(app, context, ENDPOINTS.card, async ({ params, query, request, reply }) => {
    if (query.way !== undefined) motionOf(params.id, query.way);
    const asked = { ...query, profile: profileIn('querystring.profile', query.profile), now: context.now() };
    const asker = await askerOf(context, request, reply);
    const file = Buffer.from(await work.run('cards', { knots: [params.id], asked }, asker));
    return sendPdf(reply, `${params.id}-card`, file);
  });
  bind(app, context, ENDPOINTS.booklet, async ({ query, request, reply }) => {
    for (const id of query.knots) knotIn('querystring.knots', id);
    const given = {
      knots: query.knots,
      asked: { ...query, profile: profileIn('querystring.profile', query.profile), now: context.now() },
    };
    const who = await currentPerson(context, request);
    if (given.knots.length > MOST_CARDS) {
      if (!who) throw fault('longer-work', { most: `${MOST_CARDS} cards` });
      return sendBegun(request, reply, long.begin(who.id, 'knots', given.knots.length, 'cards', given));
    }
    return sendPdf(reply, 'knots', Buffer.from(await work.run('cards', given, askerFor(who, request, reply))));
  });

  bind(app, context, ENDPOINTS.cutLength, ({ body }) => {
    if (body.kind === 'round-a-post') return roundAPost(body);
    const profile = profileIn('profile', body.profile);
    return body.kind === 'loop' ? loopLength(profile, body) : eyeToEyeLength(profile, body);
  });
  bind(app, context, ENDPOINTS.frictionHitch, ({ body }) => frictionHitch(body));
  bind(app, context, ENDPOINTS.choose, async ({ body, request }) => {
    const profile = profileIn('profile', body.profile);
    // the trials of one's own organisation count beside those that ship
    const who = body.must_pass.length > 0 ? await currentPerson(context, request) : null;
    const own = who ? await trialsWith(context.db, who.organisation, body.must_pass) : [];
    return choose(body, profile, [...SHIPPED_TRIALS, ...own]);
  });
  bind(app, context, ENDPOINTS.tail, ({ body }) => {
    const entry = knotIn('knot', body.knot);
    const rules = profileIn('profile', body.profile);
    const { profile: _, as, stopper, use, companions, method, common, ...length } = body;
    if (as !== undefined && use !== undefined)
      throw fault('bad-input', {}, [{ path: 'as', message: 'is the older word for use: only one of them' }]);
    const uses = usesOf(entry);
    // the older word is taken where the knot is made for that
    const of = use ?? uses.find((u) => u === (as === 'rope-end' ? 'stopper' : as));
    const known = of ?? lengthFor(rules, { ...length, common }).use;
    return lengthFor(rules, {
      ...length,
      use: of,
      companions: companions ?? (stopper ? companionMeant(rulesOf(rules, common), entry, known) : []),
      uncertainty_mm: length.uncertainty_mm ?? (method && TAIL_UNCERTAINTY_MM[method]),
      byRuler: method === 'ruler',
      common,
    });
  });
  bind(app, context, ENDPOINTS.ropeNeeded, ({ body: { profile, ...question } }) => {
    knotIn('knot', question.knot);
    return ropeNeeded(profileIn('profile', profile), question);
  });
  bind(app, context, ENDPOINTS.profiles, () => SHIPPED_PROFILES);
}

/** All of a knot with another one tied to it, and of the standing part a little more than that. */
function frameOfJoined(components: readonly PictureComponent[], face: 'front' | 'back'): Frame4 {
  const side = face === 'back' ? -1 : 1;
  const all = components.flatMap(({ points, drift, tape }) =>
    (drift ? points.slice(drift[0]) : points).map((p) => ({ x: side * p[0], y: p[1], half: (tape?.width ?? 1) / 2 })),
  );
  const least = (of: (p: (typeof all)[number]) => number) => Math.min(...all.map(of));
  const [x, y] = [least((p) => p.x - p.half) - 1, least((p) => p.y - p.half) - 1];
  const [right, top] = [-least((p) => -p.x - p.half), -least((p) => -p.y - p.half)];
  return [x, y, right + 1 - x, top + 2.5 - y];
}

type Frame4 = readonly [number, number, number, number];
function union(a: Frame4, b: Frame4): [number, number, number, number] {
  const x = Math.min(a[0], b[0]);
  const y = Math.min(a[1], b[1]);
  return [x, y, Math.max(a[0] + a[2], b[0] + b[2]) - x, Math.max(a[1] + a[3], b[1] + b[3]) - y];
}
