import { z } from 'zod';
import { TAIL_METHODS } from '../core/inspect/judging';
import { STATES } from '../core/knots/facts/types';
import { FAMILIES } from '../core/knots/facts/types';
import { COMPANIONS, USES } from '../core/knots/facts/uses';
import {
  DIRECTIONS_OF_PULL,
  MUST_PASS,
  OBJECTS,
  PULLS,
  PURPOSES,
  ROPE_KINDS,
  TEAMS,
  UNTYING_WISHES,
  SCORE_PARTS,
} from '../core/choose';
import { diameter_mm, fist_mm, knotId } from './common';

export const knotParams = z.strictObject({ id: knotId });
const state = z.enum(STATES).optional().describe('laid, dressed or tight; tight if it is missing');
const onObject = z
  .enum(['clip', 'ring', 'post'])
  .optional()
  .describe(
    'what hangs in the eye: a karabiner; a closed ring, for a tie-in knot two harness points; or what a hitch lies round, where it is stored so',
  );
/** Ids of companions, parted by commas. */
export const companionsIds = z
  .string()
  .max(200)
  .transform((ids) =>
    ids
      .split(',')
      .map((id) => id.trim())
      .filter((id) => id !== ''),
  )
  .pipe(z.array(z.enum(COMPANIONS)).max(COMPANIONS.length));

export const shapeQuery = z.strictObject({
  state,
  fault: z.string().max(60).optional(),
  object: onObject,
  companions: companionsIds.optional().describe('knots tied to it, parted by commas; with fault, one of theirs'),
  wraps: z.coerce.number().int().min(1).max(12).optional(),
  variant: z
    .string()
    .max(60)
    .optional()
    .describe('another form that is right too: the form of one of the entry’s variants'),
});
export const pictureQuery = shapeQuery.extend({
  face: z.enum(['front', 'back']).default('front'),
  theme: z.enum(['paper', 'headlamp', 'print']).default('paper'),
  size: z.coerce.number().int().min(32).max(2000).default(320),
  crop: z.enum(['whole', 'knot', 'tall']).default('whole'),
  hand: z.enum(['right', 'left']).default('right').describe('left: the shape mirrored, for left-handers'),
  fit: z.string().max(60).optional().describe('take the frame of this form, so that two pictures have one scale'),
  ring: z
    .literal('differs')
    .optional()
    .describe('a ring where this form differs from the one named by fit; one of the two must be the right one'),
});

const point3 = z.tuple([z.number(), z.number(), z.number()]);
const stretch = z.tuple([z.number(), z.number()]);
export const shapeComponent = z.strictObject({
  name: z.string(),
  role: z.enum(['rope', 'second-rope', 'sling', 'ring', 'post', 'host']),
  closed: z.boolean(),
  diameter: z.number(),
  points: z.array(point3),
  tape: z
    .strictObject({ width: z.number(), thickness: z.number(), across: z.array(point3) })
    .optional()
    .describe('flat tape: its width and thickness, and at each point the unit vector across it'),
  marks: z
    .strictObject({
      standing: stretch,
      tail: stretch,
      eye: z.union([z.number(), z.tuple([z.number(), z.number()])]),
      second_legs: z.tuple([stretch, stretch]),
      legs: z.tuple([stretch, stretch]),
      collar: stretch,
      nipping_loop: stretch,
      gate: stretch,
    })
    .partial()
    .optional(),
});
export const shapeReply = z.strictObject({ unit: z.literal('rope-diameter'), components: z.array(shapeComponent) });

export const knotListReply = z.array(
  z.strictObject({
    id: z.string(),
    names: z.array(z.string()),
    family: z.enum(Object.keys(FAMILIES) as [keyof typeof FAMILIES]),
    purposes: z.array(z.string()),
    can_be_checked: z.boolean().describe('whether check points are known for it'),
    ways: z.array(
      z.strictObject({ id: z.string(), right: z.boolean(), ends_in: z.strictObject({ fault: z.string() }).nullable() }),
    ),
    faults: z.array(z.string()),
    form_certainty: z.enum(['settled', 'one-derivation', 'unsettled']),
  }),
);

export const wayParams = z.strictObject({ id: knotId, way: z.string().min(1).max(60) });
export const wayQuery = z.strictObject({
  between: z.coerce
    .number()
    .int()
    .min(0)
    .max(12)
    .optional()
    .describe('computed frames between each two key frames; proved for 6'),
});
export const wayReply = z.strictObject({
  frames: z.array(
    z.strictObject({
      key: z.boolean(),
      step: z.number().int().describe('which step it belongs to, from 0; a step may take several key frames'),
      come_ropeDiameters: z
        .array(z.number())
        .nullable()
        .describe(
          'how far each rope, or the bight, has come along its path, rope diameters; null where the path changes',
        ),
      components: z.array(shapeComponent),
      caption: z.string(),
      hands: z.strictObject({ left: z.string(), right: z.string() }),
      moving: z.string(),
      camera: z
        .strictObject({
          yaw_deg: z.number(),
          pitch_deg: z.number(),
          right_ropeDiameters: z.number(),
          up_ropeDiameters: z.number(),
          width_ropeDiameters: z.number(),
          height_ropeDiameters: z.number(),
        })
        .describe(
          'how the tier looks at it: turned about the upright axis, then about the one across; so far from the middle of what is looked at, and so much of it',
        ),
      palm: z
        .strictObject({ wrist: point3, fingertips: point3, width_ropeDiameters: z.number() })
        .nullable()
        .describe('the hand on which rope is wound or laid, plainly; no part of the shape'),
      joint: z
        .array(point3)
        .nullable()
        .describe('the joint of a closed loop of cord, from one of its ends to the other; no part of the shape'),
    }),
  ),
  making: z.enum(['end', 'bight']),
  form: z.string().describe('the form it ends in: right, a variant, or a fault'),
  path: z
    .enum(['stays', 'changes'])
    .describe('whether the rope follows a path that stays as it is, or hands change the path itself'),
  box_ropeDiameters: z
    .tuple([z.number(), z.number(), z.number(), z.number()])
    .describe('what is looked at while it is tied, seen from the front: left, bottom, width, height; rope diameters'),
  then: z
    .array(
      z.strictObject({
        state: z.enum(['dressed', 'tight']),
        caption: z.string(),
        hands: z.strictObject({ left: z.string(), right: z.string() }),
        moving: z.string(),
      }),
    )
    .describe('dressing and setting, that follow'),
  right: z.boolean(),
  ends_in: z.strictObject({ fault: z.string() }).nullable(),
});
export const framePictureQuery = z.strictObject({
  hand: z.enum(['right', 'left']).default('right'),
  frame: z.coerce.number().int().min(0).max(400),
  theme: z.enum(['paper', 'headlamp', 'print']).default('paper'),
  size: z.coerce.number().int().min(32).max(2000).default(320),
});

const onPaper = {
  paper: z.enum(['a5', 'half-letter']).default('a5'),
  hand: z.enum(['right', 'left']).default('right'),
  profile: z.string().min(1).max(80).default('sport-crag'),
  rope_diameter_mm: z.coerce
    .number()
    .min(2)
    .max(40)
    .default(10)
    .describe(
      'of the rope of the job, for the start point and the tail; a friction hitch takes a cord that suits it, a knot in tape the usual tape',
    ),
  rope_kind: z.enum(ROPE_KINDS).default('dynamic').describe('where it is cord or webbing itself, it is taken as it is'),
};
export const cardQuery = z.strictObject({
  ...onPaper,
  way: z.string().min(1).max(60).optional().describe('the first right one where it is not said'),
});
export const bookletQuery = z.strictObject({
  ...onPaper,
  knots: z
    .string()
    .min(1)
    .max(2000)
    .transform((ids) =>
      ids
        .split(',')
        .map((id) => id.trim())
        .filter((id) => id !== ''),
    )
    .pipe(z.array(knotId).min(1).max(60))
    .describe('ids, parted by commas; a page each'),
});

const rope = z.strictObject({ kind: z.enum(ROPE_KINDS), diameter_mm });
const distinct = <T>(values: readonly T[]) => new Set(values).size === values.length;
export const job = z.strictObject({
  purpose: z.enum(PURPOSES),
  profile: z.string().min(1).max(80),
  rope,
  second_rope: rope.nullable().optional(),
  pulls: z.array(z.enum(PULLS)).min(1).max(PULLS.length).refine(distinct, 'names a pull twice'),
  object: z.enum(OBJECTS),
  fits_thicknesses: z.number().int().min(0).max(20).optional(),
  end_free: z.boolean(),
  untie: z.enum(UNTYING_WISHES),
  must_pass: z.array(z.enum(MUST_PASS)).max(MUST_PASS.length).refine(distinct, 'names a thing twice'),
  team: z.enum(TEAMS),
  life_load: z.boolean(),
  stopper_behind: z.boolean().optional().describe('a stopper will be tied behind it'),
  adjustable: z.boolean().optional().describe('it has to be adjusted where it hangs'),
  set_unevenly: z.boolean().optional().describe('it may be set in haste, unevenly: how it comes undone then counts'),
  stiff_rope: z.boolean().optional().describe('the rope is stiff'),
  devices: z
    .array(z.strictObject({ kind: z.string().min(1).max(40), opening_mm: z.number().min(1).max(500) }))
    .max(12)
    .readonly()
    .optional()
    .describe('what it has to stop at, or to pass, by the opening that was measured'),
});
const ruleText = z.strictObject({
  rule: z.string(),
  text: z.string(),
  source: z.enum(['practice', 'general', 'recorded', 'computed']),
  of: z.string().nullable().describe('the rule set it belongs to; null where it holds under every one'),
});
export const chooseReply = z.strictObject({
  suited: z.array(
    z.strictObject({
      knot: z.string(),
      score_parts: z.array(z.strictObject({ part: z.enum(SCORE_PARTS), value: z.number(), text: z.string() })),
      reasons: z.array(ruleText),
      cautions: z.array(ruleText),
    }),
  ),
  nearly: z.array(
    z.strictObject({
      knot: z.string(),
      wouldDoIf: z.string(),
      rule: z.string(),
      change: z.enum(['add-stopper', 'free-an-end']),
    }),
  ),
  excluded: z.array(z.strictObject({ knot: z.string(), because: z.array(ruleText) })),
  versions: z.strictObject({ catalogue: z.number(), profile: z.string(), profile_version: z.number() }),
});

export const frictionBody = z.strictObject({
  hitch: knotId,
  cord_diameter_mm: z.number().min(2).max(20),
  rope_diameter_mm: z.number().min(4).max(40),
  wraps: z.number().int().min(1).max(12).optional(),
  direction: z.enum(DIRECTIONS_OF_PULL).optional(),
});
const zone = z.enum(['below', 'just-below', 'inside', 'just-above', 'above']);
export const frictionReply = z.strictObject({
  ratio: z.number(),
  zones: z.strictObject({ '65-80': zone, 'over-half': zone }),
  zone_texts: z.strictObject({ '65-80': z.string(), 'over-half': z.string() }),
  wraps_advised: z.number().int(),
  grips: z.enum(['one-way', 'both', 'both-weakly']),
  release: z.string(),
  joint: z.string().nullable(),
  cautions: z.array(ruleText),
});

export const tailBody = z.strictObject({
  profile: z.string().min(1).max(80),
  knot: knotId,
  rope_diameter_mm: diameter_mm,
  tail_mm: z.number().min(0).max(20000).optional(),
  uncertainty_mm: z.number().min(0).max(1000).optional(),
  stopper: z.boolean().optional(),
  fist_mm: fist_mm.optional(),
  as: z.enum(['tie-in', 'rope-end', 'tether']).optional().describe('older than use; rope-end is the end of a rope'),
  use: z
    .enum(USES)
    .optional()
    .describe('what the knot is for; where it is not said, the use that asks most of those that it is not kept from'),
  companions: z
    .array(z.enum(COMPANIONS))
    .max(COMPANIONS.length)
    .optional()
    .describe('knots tied that belong to it: the length is then theirs'),
  method: z
    .enum(TAIL_METHODS)
    .optional()
    .describe(
      'a reading by ruler counts as it is read; any other at its worst, by uncertainty_mm or what is usual for it',
    ),
  common: z.boolean().optional().describe('false: without common practice'),
});
export const tailReply = z.strictObject({
  use: z.enum(USES).describe('by which use it was answered'),
  length_kind: z.enum(['tail', 'beyond_stopper', 'start_allowance', 'bight', 'stopper_rope']),
  required_mm: z.number().nullable(),
  recommended_mm: z.number().nullable(),
  max_mm: z.number().nullable(),
  rule: z.strictObject({
    id: z.string(),
    text: z.string(),
    source: z.string(),
    profile: z.string(),
    version: z.number(),
    layer: z.enum(['own', 'school', 'common']).nullable().describe('whose rule; null where there is none'),
  }),
  verdict: z.enum(['enough', 'short', 'long', 'not-measured', 'no-rule']),
  margin_mm: z.number().nullable(),
});

export const ropeNeededBody = z.strictObject({
  knot: knotId,
  rope_diameter_mm: diameter_mm,
  eye_mm: z.number().min(0).max(20000).optional(),
  object_diameter_mm: z.number().min(0).max(3000).optional(),
  use: z.enum(USES).optional().describe('what it is for; where it is not said, the use that asks most'),
  companions: z
    .array(z.enum(COMPANIONS))
    .max(COMPANIONS.length)
    .optional()
    .describe('knots tied to it; those that the rules ask are reckoned in anyway'),
  stopper: z.boolean().optional().describe('that a stopper is tied, of whatever kind the rules mean'),
  profile: z.string().min(1).max(80),
});
const profile = z.string().min(1).max(80);
const length_mm = z.number().min(0).max(20_000);
export const cutLengthBody = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('loop'),
    profile,
    joint: knotId,
    cord_diameter_mm: diameter_mm,
    round_mm: length_mm.describe('once round the finished loop, through its joint'),
  }),
  z.strictObject({
    kind: z.literal('eye-to-eye'),
    profile,
    cord_diameter_mm: z.number().min(2).max(20),
    between_mm: length_mm.optional().describe('from far point to far point of the eyes, set'),
    whole_mm: length_mm.optional().describe('or the whole cord, as it is cut'),
    stoppers: z.boolean(),
  }),
  z.strictObject({
    kind: z.literal('round-a-post'),
    rope_diameter_mm: diameter_mm,
    girth_mm: z.number().min(10).max(20_000),
    turns: z.number().min(0.5).max(20),
  }),
]);
const cutPart = { low_mm: z.number(), mm: z.number(), high_mm: z.number() };
export const cutLengthReply = z.strictObject({
  ...cutPart,
  parts: z.array(z.strictObject({ what: z.string(), ...cutPart })),
  between_mm: z.number().optional().describe('of a cord with two eyes: between them'),
  notes: z.array(z.string()),
});

const n = z.number();
export const ropeNeededReply = z.strictObject({
  in_knot_mm: n,
  in_knot_mm_low: n,
  in_knot_mm_high: n,
  eye_mm: n,
  eye_mm_low: n,
  eye_mm_high: n,
  tail_mm: n,
  tail_mm_low: n,
  tail_mm_high: n,
  stopper_mm: n,
  stopper_mm_low: n,
  stopper_mm_high: n,
  total_mm: n,
  total_mm_low: n,
  total_mm_high: n,
  start_at_mm: n,
  start_at_mm_low: n,
  start_at_mm_high: n,
  use: z.enum(USES),
  companions: z.array(z.enum(COMPANIONS)).readonly(),
  in_hand_mm: n
    .nullable()
    .describe('what the rule set has in hand before tying; beside where the computed knot starts'),
  tail_from: z.enum(['rule', 'common', 'goes-on']),
  notes: z.array(z.string()),
});
