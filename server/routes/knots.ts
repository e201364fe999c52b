import type { FastifyInstance, FastifyReply } from 'fastify';
import { ENDPOINTS } from '../../contract';
import { choose, ropeNeeded } from '../../core/choose';
import { fault } from '../../core/errors';
import { pointsOf, type ShapeState } from '../../core/knots/stored';
import { CATALOGUE_VERSION, faultsWithShape, framesOf, knotById, knotIds, shapeOf, storedForm, type ShapeComponent } from '../../core/knots/catalogue';
import { drawVector, facing, frameFor, type PictureComponent } from '../../core/picture';
import { crossingsSeenFrom, gaussCode } from '../../core/topology';
import { judgeTail, SHIPPED_PROFILES } from '../../core/profiles';
import { bind } from '../bind';
import type { Context } from '../context';
import { knotIn, profileIn } from '../named';

/** Shapes and pictures change only with the catalogue: a browser may keep them a day. */
const KEEP = 'public, max-age=86400';

function checkForm(id: string, q: { fault?: string | undefined; wraps?: number | undefined; object?: string | undefined }): void {
  knotById(id);
  if (q.wraps !== undefined) throw fault('no-wraps-form', { knot: id });
  if (q.object === 'clip' || q.object === 'post') throw fault('no-object-form', { knot: id, object: q.object });
  if (q.fault !== undefined && !faultsWithShape(id).includes(q.fault)) throw fault('unknown-fault', { knot: id, fault: q.fault });
}

/** Half height of the knot proper in a state, for framing. */
function knotRadius(id: string, form: string, state: ShapeState): number {
  const f = storedForm(id, form);
  if (state === 'laid') {
    const m = f.laid.marks;
    const eyeCut = pointsOf(f.laid).filter((_, i) => i > m.standing[1] - 2 && i < m.tail[0] + 2 && Math.abs(i - m.eye) > 30);
    return Math.max(...eyeCut.map((p) => Math.abs(p[1])));
  }
  return (f.length_ropeDiameters / 2) * (state === 'dressed' ? 1.2 : 1);
}

function asPicture(components: readonly ShapeComponent[]): PictureComponent[] {
  return components.map(({ marks, ...c }) => (marks ? { ...c, drift: [marks.standing[1], marks.tail[0]] as const } : c));
}

function sendSvg(reply: FastifyReply, svg: string): FastifyReply {
  return reply.type('image/svg+xml').header('cache-control', KEEP).header('x-content-type-options', 'nosniff').send(svg);
}

export function knotRoutes(app: FastifyInstance, context: Context): void {
  bind(app, context, ENDPOINTS.knots, () =>
    knotIds().map((id) => {
      const { entry } = knotById(id);
      return { id, names: [...entry.names], family: entry.family, ways: entry.ways.map((w) => ({ id: w.id, right: w.right, ends_in: w.ends_in })), faults: entry.faults.map((f) => f.id), form_certainty: entry.form_certainty };
    }),
  );

  bind(app, context, ENDPOINTS.knot, ({ params }) => {
    const { entry, baked } = knotById(params.id);
    const right = baked.forms['right']!;
    const laid = crossingsSeenFrom([{ points: pointsOf(right.laid), closed: false }], [0, 0, 1]);
    return {
      ...entry,
      catalogue_version: CATALOGUE_VERSION,
      faults_with_shape: faultsWithShape(params.id),
      crossings: { count: laid.count, gauss_code: `open: ${gaussCode(laid, 1)[0]!}`, of: 'the laid form, seen from the front, standing end to tail' },
      measures: {
        in_knot_ropeDiameters: right.inKnot_ropeDiameters, width_ropeDiameters: right.width_ropeDiameters, length_ropeDiameters: right.length_ropeDiameters,
      },
    };
  });

  bind(app, context, ENDPOINTS.shape, ({ params, query, reply }) => {
    checkForm(params.id, query);
    const form = query.fault ?? 'right';
    const harness = harnessFor(form, query.object);
    void reply.header('cache-control', KEEP);
    return { unit: 'rope-diameter', components: shapeOf(params.id, form, query.state, harness) };
  });

  bind(app, context, ENDPOINTS.obj, ({ params, query, reply }) => {
    checkForm(params.id, query);
    const lines = ['# rope centre-lines; unit: rope diameters'];
    let n = 0;
    for (const c of shapeOf(params.id, query.fault ?? 'right', query.state)) {
      lines.push(`o ${c.name}`, ...c.points.map((p) => `v ${p.join(' ')}`));
      const ids = c.points.map((_, i) => n + i + 1);
      lines.push(`l ${[...ids, ...(c.closed ? [n + 1] : [])].join(' ')}`);
      n += c.points.length;
    }
    return reply.type('model/obj').header('cache-control', KEEP).send(`${lines.join('\n')}\n`);
  });

  bind(app, context, ENDPOINTS.picture, ({ params, query, reply }) => {
    checkForm(params.id, query);
    const form = query.fault ?? 'right';
    const harness = harnessFor(form, query.object);
    const mirrored = (c: readonly PictureComponent[]) => (query.hand === 'left' ? c.map((x) => ({ ...x, points: x.points.map((p): readonly [number, number, number] => [-p[0], p[1], p[2]]) })) : c);
    const components = mirrored(asPicture(shapeOf(params.id, form, query.state, harness)));
    const radius = knotRadius(params.id, form, query.state);
    const framing = { face: query.face, crop: query.crop, knotRadius_ropeDiameters: radius };
    const other = query.fit === undefined ? undefined : mirrored(asPicture(shapeOf(params.id, fitForm(params.id, query.fit), query.state, harnessFor(query.fit, query.object))));
    const name = knotById(params.id).entry.names[0];
    return sendSvg(
      reply,
      drawVector(components, {
        ...framing, theme: query.theme, size_px: query.size, cutTail: true,
        title: `${name}, ${query.face}${query.fault ? `, fault: ${query.fault.replaceAll('-', ' ')}` : ''}`,
        ...(other ? { frame: union(frameFor(components, framing), frameFor(other, framing)) } : {}),
      }),
    );
  });

  bind(app, context, ENDPOINTS.way, ({ params, reply }) => {
    const { entry } = knotById(params.id);
    const frames = framesOf(params.id, params.way);
    const way = entry.ways.find((w) => w.id === params.way)!;
    void reply.header('cache-control', KEEP);
    return { frames, right: way.right, ends_in: way.ends_in };
  });

  bind(app, context, ENDPOINTS.framePicture, ({ params, query, reply }) => {
    const frames = framesOf(params.id, params.way);
    const frame = frames[query.frame];
    if (!frame) throw fault('bad-input', {}, [{ path: 'querystring.frame', message: `must be 0 to ${frames.length - 1}` }]);
    const components = asPicture(frame.components).map((c) => ({ ...c, drift: [c.points.length * 0.15, c.points.length * 0.9] as const }));
    const ys = facing(components[0]!.points, 'front');
    const top = Math.max(...ys.slice(12).map((p) => p[1]));
    return sendSvg(reply, drawVector(components, { face: 'front', crop: 'whole', knotRadius_ropeDiameters: Math.min(15, Math.max(4, top - 3)), theme: query.theme, size_px: query.size, title: frame.caption, cutTail: true }));
  });

  bind(app, context, ENDPOINTS.choose, ({ body }) => choose(body, profileIn('profile', body.profile)));
  bind(app, context, ENDPOINTS.tail, ({ body: { profile, ...question } }) => {
    knotIn('knot', question.knot);
    return judgeTail(profileIn('profile', profile), question);
  });
  bind(app, context, ENDPOINTS.ropeNeeded, ({ body: { profile, ...question } }) => {
    knotIn('knot', question.knot);
    return ropeNeeded(profileIn('profile', profile), question);
  });
  bind(app, context, ENDPOINTS.profiles, () => SHIPPED_PROFILES);
}

/** object=ring shows the harness: both points threaded, but for the fault that leaves one out. */
const harnessFor = (form: string, object: string | undefined) => (object === 'ring' ? (form === 'one-harness-point' ? ('one' as const) : ('both' as const)) : null);

/** @throws unknown-fault */
function fitForm(id: string, form: string): string {
  if (form !== 'right' && !faultsWithShape(id).includes(form)) throw fault('unknown-fault', { knot: id, fault: form });
  return form;
}

type Frame4 = readonly [number, number, number, number];
function union(a: Frame4, b: Frame4): [number, number, number, number] {
  const x = Math.min(a[0], b[0]);
  const y = Math.min(a[1], b[1]);
  return [x, y, Math.max(a[0] + a[2], b[0] + b[2]) - x, Math.max(a[1] + a[3], b[1] + b[3]) - y];
}
