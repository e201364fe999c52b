/** Naming what was entered, touching what differs, look-alikes, drills. */
import { z } from 'zod';
import { PARTS } from '../core/knots/facts/faultTable';
import { shapeComponent } from './knots';
import { knotId } from './common';

const MOST_POINTS = 6000;
const coordinate = z.number().min(-1e6).max(1e6);
const point3 = z.tuple([coordinate, coordinate, coordinate]);
const index = z.number().int().min(0).max(MOST_POINTS);
const stretch = z.tuple([index, index]);

export const enteredComponent = z.strictObject({
  name: z.string().max(60).optional(),
  role: z.enum(['rope', 'second-rope', 'sling', 'ring', 'post', 'host']),
  closed: z.boolean(),
  diameter: z.number().min(0.05).max(200).optional().describe('in diameters of the first rope'),
  points: z.array(point3).min(2).max(MOST_POINTS),
  tape: z
    .strictObject({ width: z.number(), thickness: z.number(), across: z.array(point3).max(MOST_POINTS) })
    .optional(),
  marks: z
    .strictObject({
      standing: stretch,
      tail: stretch,
      eye: z.union([index, z.tuple([index, index])]),
      second_legs: z.tuple([stretch, stretch]),
      legs: z.tuple([stretch, stretch]),
      collar: stretch,
      nipping_loop: stretch,
      gate: stretch,
    })
    .partial()
    .optional(),
});

export const identifyBody = z
  .strictObject({
    unit: z.literal('rope-diameter').optional(),
    components: z
      .array(enteredComponent)
      .min(1)
      .max(12)
      .optional()
      .describe('as a shape gives them; a rope runs from its standing end to its tail'),
    code: z
      .string()
      .min(1)
      .max(20_000)
      .optional()
      .describe('signed Gauss code, a line per component: open: or closed:, then tokens such as O3+ U1-'),
    back: z
      .string()
      .min(1)
      .max(20_000)
      .optional()
      .describe('the code of the back: by hand both faces are entered, and have to agree'),
  })
  .refine((b) => (b.components === undefined) !== (b.code === undefined), {
    message: 'needs either components or code',
    path: ['components'],
  })
  .refine((b) => b.back === undefined || b.code !== undefined, { message: 'goes with code', path: ['back'] });

const named = { knot: z.string(), fault: z.string().nullable() };
const name = z.strictObject(named);
export const identified = z.strictObject({
  crossings: z.number().int(),
  matches: z.array(
    z.strictObject({
      ...named,
      relation: z.enum(['same', 'mirror']),
      certainty: z.enum(['lies-as-stored', 'by-its-crossings']),
    }),
  ),
  near: z.array(z.strictObject({ ...named, crossing: z.number().int(), means: z.string() })),
  needs: z.array(z.enum(['eye-mark', 'loaded-ends', 'object', 'gate', 'other-end-of-the-gripped-rope'])),
  undecided: z.array(z.strictObject({ between: z.array(name), by: z.string() })),
  invariants: z.record(z.string(), z.array(z.string())),
});

const pull = z.strictObject({
  pull: z.string(),
  grade: z.string(),
  condition: z.string(),
  what_happens: z.string(),
  source: z.string(),
});
const faultText = z.strictObject({
  name: z.string(),
  arises: z.string(),
  shows: z.string(),
  verdict: z.string(),
  what_to_do: z.string(),
  source: z.string(),
});
const place = z.strictObject({ x: z.number(), y: z.number(), radius: z.number() });
const known = z.strictObject({ ...named, name: z.string(), fault_text: faultText.nullable(), pulls: z.array(pull) });
export const identifyReply = identified.extend({
  said: z.string().describe('in words: what was entered is ...'),
  known: z.array(known),
});

const crossings = z
  .string()
  .max(200)
  .regex(/^\d{1,3}(,\d{1,3})*$/, 'is a list of crossing numbers, as 3 or 3,5')
  .transform((v) => [...new Set(v.split(',').map(Number))]);
export const touchedParams = z.strictObject({ id: knotId });
const touchedFields = { fault: z.string().max(60).optional() };
export const touchedQuery = z
  .strictObject({ ...touchedFields, crossings: crossings.optional() })
  .refine((q) => q.crossings !== undefined || q.fault !== undefined, {
    message: 'needs crossings, or a fault',
    path: ['crossings'],
  });
export const touchedPictureQuery = z.strictObject({
  ...touchedFields,
  crossings,
  face: z.enum(['front', 'back']).default('front'),
  theme: z.enum(['paper', 'headlamp', 'print']).default('paper'),
  size: z.coerce.number().int().min(32).max(2000).default(320),
  hand: z.enum(['right', 'left']).default('right'),
});
export const touchedReply = z.strictObject({
  components: z.array(shapeComponent),
  identified,
  said: z.string(),
  known: z.array(known),
});

export const changesReply = z.array(
  z.strictObject({
    fault: z.string(),
    name: z.string(),
    part: z.enum(PARTS),
    state: z.enum(['laid', 'tight']),
    where: place.nullable().describe('on the right knot laid out, rope diameters, x of the front'),
  }),
);

export const lookalikesReply = z.array(
  z.strictObject({
    ...named,
    name: z.string(),
    by: z.enum(['crossing', 'turn', 'ends']),
    crossing: z.number().int().nullable(),
    tell: z.string(),
    verdict: z.string().nullable(),
    tells: z.strictObject({ front: z.string(), back: z.string() }).nullable(),
  }),
);

export const drillBody = z.strictObject({
  seed: z.number().int().min(0).max(4_294_967_295).optional(),
  knots: z.array(knotId).max(60).optional(),
});
export const drillReply = z.strictObject({
  seed: z.number().int(),
  knot: z.string(),
  name: z.string(),
  state: z.string(),
  hand: z.enum(['right', 'left']),
  face: z.enum(['front', 'back']),
  pictures: z.strictObject({ front: z.string(), back: z.string() }),
  choices: z.array(z.strictObject({ fault: z.string(), name: z.string() })),
  key: z.strictObject({
    right: z.boolean(),
    fault: z.string().nullable(),
    text: faultText.omit({ source: true }).nullable(),
    verdict: z.enum(['meets-the-rule', 'put-right', 'take-out-and-retie']),
    where: place.nullable(),
  }),
});
