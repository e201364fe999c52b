import type { FastifyInstance } from 'fastify';
import { randomInt } from 'node:crypto';
import { ENDPOINTS } from '../../contract';
import type { Point3 } from '../../core/curve';
import { fault, IdiomError } from '../../core/errors';
import {
  changesOf,
  facesAgree,
  inWords,
  lookalikesOf,
  touched,
  withTouched,
  type Entered,
} from '../../core/inspect/naming/naming';
import { faultsWithShape, knotById, shapeOf } from '../../core/knots/catalogue/catalogue';
import type { PictureOf } from '../../core/knots/facts/types';
import { judge, TAIL_UNCERTAINTY_MM, walkFor, wrongPicture } from '../../core/inspect/judging';
import { DEFAULT_FIST_MM, rulesOf } from '../../core/profiles';
import { goesOn } from '../../core/knots/facts/behaviour';
import { drawVector, frameFor } from '../../core/picture';
import { drill } from '../../core/train';
import { bind } from '../bind';
import type { Context } from '../context';
import { knotIn, profileIn } from '../named';
import { asAnswers } from '../recording/check';
import { asPicture, asPublic, KEEP, knotRadius, sendSvg } from '../picturing';
import { askerOf, type Computing } from '../work/asking';

/** What is wrong with what was entered is said at that field. */
async function atField<T>(path: string, compute: () => Promise<T>): Promise<T> {
  try {
    return await compute();
  } catch (error) {
    if (error instanceof IdiomError && error.status === 400 && error.errors.length === 0)
      throw new IdiomError(error.code, error.values, [{ path, message: error.message }]);
    throw error;
  }
}

function formOf(id: string, faulty: string | undefined): string {
  if (faulty !== undefined && !faultsWithShape(id).includes(faulty))
    throw fault('unknown-fault', { knot: id, fault: faulty });
  return faulty ?? 'right';
}

/** Where a picture of an answer is; null where it has none. */
function pictureAddress(knot: string, of: PictureOf | null): string | null {
  if (!of) return null;
  const q = new URLSearchParams({ face: of.face, state: of.state });
  const form = of.harness === 'one' ? 'one-harness-point' : of.form;
  if (form !== 'right') q.set('fault', form);
  if (of.harness) q.set('object', 'ring');
  if (of.companion) q.set('companions', of.companion);
  return `/api/v1/knots/${of.knot ?? knot}/picture.svg?${q.toString()}`;
}

export function inspectRoutes(app: FastifyInstance, context: Context, { work }: Computing): void {
  bind(app, context, ENDPOINTS.identify, async ({ body, request, reply }) => {
    const asker = await askerOf(context, request, reply);
    return atField(body.code === undefined ? 'body.components' : 'body.code', async () => {
      if (body.back !== undefined && body.code !== undefined && !facesAgree(body.code, body.back))
        throw fault('faces-differ');
      return work.run('identify', body as { components?: readonly Entered[]; code?: string }, asker);
    });
  });

  bind(app, context, ENDPOINTS.touched, ({ params, query }) => {
    const { components, identified, known } = touched(params.id, query.crossings ?? [], formOf(params.id, query.fault));
    return { components: components.map(asPublic), identified, said: inWords(identified), known };
  });

  bind(app, context, ENDPOINTS.touchedPicture, ({ params, query, reply }) => {
    const form = formOf(params.id, query.fault);
    const mirror = (p: Point3): Point3 => (query.hand === 'left' ? [-p[0], p[1], p[2]] : p);
    const drawn = (components: ReturnType<typeof shapeOf>) =>
      asPicture(components).map((c) => ({ ...c, points: c.points.map(mirror) }));
    const framing = {
      face: query.face,
      crop: 'knot' as const,
      knotRadius_ropeDiameters: knotRadius(params.id, form, 'laid', 'knot'),
    };
    const { entry } = knotById(params.id);
    // framed as the untouched one, so that the two can be held beside each other
    return sendSvg(
      reply,
      drawVector(drawn(withTouched(params.id, query.crossings, form)), {
        ...framing,
        theme: query.theme,
        size_px: query.size,
        cutTail: !goesOn(entry),
        title: `${entry.names[0]}, crossing ${query.crossings.join(', ')} the other way round, ${query.face}`,
        frame: frameFor(drawn(shapeOf(params.id, form, 'laid')), framing),
      }),
    );
  });

  bind(app, context, ENDPOINTS.walk, ({ params, query: { profile, common, ...asked } }) => {
    const { entry } = knotById(params.id);
    const rules = rulesOf(profileIn('querystring.profile', profile), common);
    const walk = walkFor(rules, entry, asked);
    const withShape = faultsWithShape(entry.id);
    return {
      use: walk.use,
      uses: walk.uses,
      companions: walk.companions,
      points: [
        ...(walk.refused
          ? [
              {
                id: 'use' as const,
                question: 'Is it made for that?',
                help: walk.refused.text,
                right: { label: 'another knot, one that is made for it', picture: null },
                wrong: [],
                rule: walk.refused,
              },
            ]
          : []),
        ...walk.points.map((p) => ({
          id: p.id,
          question: p.question,
          help: p.help,
          right: { label: p.right.label, picture: pictureAddress(entry.id, p.right.picture) },
          wrong: p.wrong.map((w) => ({
            fault: w.fault,
            label: w.label,
            picture: pictureAddress(entry.id, wrongPicture(entry.id, p, w, withShape)),
          })),
          rule: p.rule,
        })),
      ],
      of: walk.of,
    };
  });

  bind(app, context, ENDPOINTS.judge, ({ body }) => {
    const entry = knotIn('knot', body.knot);
    const filled = (t: NonNullable<(typeof body)['answers'][number]['tail']>) =>
      'fist' in t ? t : { ...t, uncertainty_mm: t.uncertainty_mm ?? TAIL_UNCERTAINTY_MM[t.method] };
    return judge(
      profileIn('profile', body.profile),
      {
        knot: entry.id,
        use: body.use,
        companions: body.companions,
        rope_kind: body.rope.kind,
        rope_diameter_mm: body.rope.diameter_mm,
        rope_state: body.rope.state,
        fist_mm: body.fist_mm ?? DEFAULT_FIST_MM,
        answers: asAnswers(
          body.answers.flatMap(({ tail, more_tails, point, ...a }) =>
            point === 'use'
              ? []
              : [
                  {
                    ...a,
                    point,
                    ...(tail && { tail: filled(tail) }),
                    ...(more_tails && { more_tails: more_tails.map(filled) }),
                  },
                ],
          ),
          entry.id,
        ),
        secondSigned: body.second_signed ?? false,
        tied_by_unknown: body.tied_by_unknown,
        short: body.short,
      },
      body.common,
    );
  });

  bind(app, context, ENDPOINTS.changes, ({ params, reply }) => {
    void reply.header('cache-control', KEEP);
    return changesOf(params.id);
  });

  bind(app, context, ENDPOINTS.lookalikes, ({ params, reply }) => {
    knotById(params.id);
    void reply.header('cache-control', KEEP);
    return lookalikesOf(params.id).map((l) => {
      const { entry } = knotById(l.knot);
      const own = entry.faults.find((f) => f.id === l.fault);
      const tells = own ? null : { front: entry.faces[0].shows, back: entry.faces[1].shows };
      return {
        knot: l.knot,
        fault: l.fault,
        name: own ? `${entry.names[0]}: ${own.name}` : entry.names[0],
        by: l.by,
        crossing: l.crossing ?? null,
        tell: own?.shows ?? entry.faces[0].shows,
        verdict: own?.verdict ?? null,
        tells,
      };
    });
  });

  bind(app, context, ENDPOINTS.drill, ({ body }) => {
    for (const [i, k] of (body.knots ?? []).entries()) knotIn(`body.knots.${i}`, k);
    const d = drill(body.seed ?? randomInt(0, 4_294_967_295), body.knots);
    const picture = (face: string) =>
      `/api/v1/knots/${d.knot}/picture.svg?face=${face}&state=${d.state}&crop=knot&size=420&hand=${d.hand}&fit=right${d.key.fault ? `&fault=${d.key.fault}` : ''}`;
    return { ...d, pictures: { front: picture('front'), back: picture('back') } };
  });
}
