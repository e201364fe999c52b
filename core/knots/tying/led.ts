/** A way whose path hands change, worked out as a motion. */
import { distance, smallestDistance, type Point3 } from '../../curve';
import type { ShapeComponent } from '../shape/stored';
import type { LedByHands, StillStep, WayOfTying } from '../moving/way';
import { isMoving, stretches } from './slid';
import { type KeyFrame, type Motion, marksOf, BETWEEN, NEIGHBOUR_ARC_ON_THE_WAY_ropeDiameters } from './motion';

/** the same where hands change the path, and parts come nearer to each other on their way */
const SHARE_OF_GAP_BY_HAND = 0.38;

const LOOKED_AT = [0, 0.25, 0.5, 0.75, 1] as const;

/** Ends farther apart than this are legs that lie side by side: their joint is out of sight. */
const JOINED_WITHIN = 2.6;

const jointOf = (points: readonly Point3[]): readonly Point3[] | null =>
  distance(points[0]!, points.at(-1)!) > JOINED_WITHIN
    ? null
    : [points[2]!, points[0]!, points.at(-1)!, points.at(-3)!];

export function ledByHands(
  found: WayOfTying,
  { stages, eyes = [], objects = [], box, palm, joined = false }: LedByHands,
  stored?: readonly KeyFrame[],
): Motion {
  const steps = found.steps.filter(isMoving);
  const last = stages.length - 1;
  const at = (come: number) => {
    const k = Math.min(last, Math.floor(come));
    return stages[k]!(come - k);
  };
  const thingsAt = (come: number) => (typeof objects === 'function' ? objects(come) : objects);
  // a gate moves too
  const moving = (come: number) => [
    ...at(come),
    ...(typeof objects === 'function' ? objects(come).map((o) => o.points) : []),
  ];
  /** how near parts come in a stage: so far may a point move */
  const gapIn = (stage: number) =>
    Math.min(
      1,
      ...LOOKED_AT.map((u) =>
        smallestDistance(
          stages[stage]!(u).map((points) => ({ points: points.filter((_, i) => i % 2 === 0), closed: false })),
          NEIGHBOUR_ARC_ON_THE_WAY_ropeDiameters,
        ),
      ),
    );
  const keysAnew = (): KeyFrame[] => {
    const keys: KeyFrame[] = [{ step: 0, come: [0] }];
    steps.forEach((step, k) => {
      for (let stage = keys.at(-1)!.come[0]!; stage < step.upTo; stage++)
        for (const come of stretches(
          (u) => moving(Math.min(stage + u, stage + 1 - 1e-9)),
          0,
          1,
          0.5,
          SHARE_OF_GAP_BY_HAND * gapIn(stage) * (BETWEEN + 1),
        ))
          keys.push({ step: k, come: [stage + come] });
    });
    return keys;
  };
  return {
    making: found.making,
    form: found.form ?? 'right',
    path: 'changes',
    ...(box && { box }),
    steps,
    then: found.steps.filter((s): s is StillStep => !isMoving(s)),
    keys: stored ?? keysAnew(),
    palmAt: ([come]) => palm?.(come!) ?? null,
    jointAt: ([come]) => (joined ? jointOf(at(come!)[0]!) : null),
    componentsAt: ([come]) => {
      const ropes = at(come!);
      return [
        ...ropes.map((points, rope): ShapeComponent => {
          const name = rope === 0 ? 'rope' : 'second-rope';
          return { name, role: name, closed: false, diameter: 1, points, marks: marksOf(points.length, eyes[rope]) };
        }),
        ...thingsAt(come!),
      ];
    },
  };
}
