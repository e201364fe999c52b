/**
 * An overhand of 199 nodes tightened by our solver and, for comparison, as a chain of rigid bodies in a general
 * physics engine: the same nodes as capsules joined end to end, neighbours not colliding, the same force at both
 * ends. Each until the distance of its ends is within 2 % of its final value; the chain at most 60 s.
 */
import { createRequire } from 'node:module';
import type RapierModule from '@dimforge/rapier3d-compat';
import { distance, lerp, scale, subtract, unit, type Point3 } from '../core/curve';
import { flatDiagram, nodesOf, reversed } from '../core/knots/laying/authoring';
import { OVERHAND } from '../core/knots/laying/single-paths';
import { NODE_SPACING, RopeSolver } from '../core/rope';

const RAPIER = createRequire(import.meta.url)('@dimforge/rapier3d-compat') as {
  default?: typeof RapierModule;
} & typeof RapierModule;
const NODES = 199;
const FORCE = 0.5;
const FRICTION = 0.1;
const CAP_s = 60;

const all = nodesOf(flatDiagram(OVERHAND, { scale: 1.35, height: 0.66, plateau: 0.7 }), NODE_SPACING);
const skip = Math.floor((all.length - NODES) / 2);
const points = reversed(reversed(all.slice(skip)).slice(all.length - skip - NODES));

/** When the distance of the ends first came within 2 % of where it ended. */
function settledAt(series: readonly { s: number; span: number }[]): number {
  const last = series.at(-1)!.span;
  let at = series.length - 1;
  while (at > 0 && Math.abs(series[at - 1]!.span / last - 1) <= 0.02) at--;
  return series[at]!.s;
}

function ours(): number {
  const solver = new RopeSolver([{ points }]);
  solver.friction = FRICTION;
  const pulls = [
    solver.addPull(0, [0, Math.sign(points[0]![1]), 0], 0.3),
    solver.addPull(NODES - 1, [0, Math.sign(points.at(-1)![1]), 0], 0.3),
  ];
  for (const p of pulls) p.force = FORCE;
  const series: { s: number; span: number }[] = [];
  const begun = performance.now();
  while (solver.time < 400) {
    for (let k = 0; k < 50; k++) solver.step();
    series.push({ s: (performance.now() - begun) / 1000, span: distance(solver.point(0), solver.point(NODES - 1)) });
  }
  return settledAt(series);
}

async function chain(): Promise<{ s: number; capped: boolean; spans: number[] }> {
  const R = RAPIER.default ?? RAPIER;
  await R.init();
  const world = new R.World({ x: 0, y: 0, z: 0 });
  world.timestep = 1 / 120;
  world.integrationParameters.numSolverIterations = 16;
  const bodies = points.slice(1).map((p, i) => {
    const from = points[i]!;
    const middle = lerp(from, p, 0.5);
    const along = unit(subtract(p, from));
    // turns the capsule's own y axis along the rope
    const axis: Point3 = [along[2], 0, -along[0]];
    const w = 1 + along[1];
    const length = Math.hypot(axis[0], axis[2], w) || 1;
    const body = world.createRigidBody(
      R.RigidBodyDesc.dynamic()
        .setTranslation(...middle)
        .setRotation({ x: axis[0] / length, y: 0, z: axis[2] / length, w: w / length })
        .setLinearDamping(0.5)
        .setAngularDamping(2)
        .setCcdEnabled(true),
    );
    world.createCollider(
      R.ColliderDesc.capsule(NODE_SPACING / 2, 0.5)
        .setFriction(FRICTION)
        .setDensity(1)
        .setActiveHooks(R.ActiveHooks.FILTER_CONTACT_PAIRS),
      body,
    );
    return body;
  });
  const half = NODE_SPACING / 2;
  for (let i = 1; i < bodies.length; i++) {
    const joint = world.createImpulseJoint(
      R.JointData.spherical({ x: 0, y: half, z: 0 }, { x: 0, y: -half, z: 0 }),
      bodies[i - 1]!,
      bodies[i]!,
      true,
    );
    joint.setContactsEnabled(false);
  }
  const place = new Map(bodies.map((b, i) => [b.handle, i]));
  const hooks = {
    filterContactPair: (_a: number, _b: number, one: number, two: number) =>
      Math.abs((place.get(one) ?? 0) - (place.get(two) ?? 0)) < 4 ? null : R.SolverFlags.COMPUTE_IMPULSE,
    filterIntersectionPair: () => false,
  };
  const events = new R.EventQueue(true);
  const series: { s: number; span: number }[] = [];
  const [first, last] = [bodies[0]!, bodies.at(-1)!];
  const begun = performance.now();
  const pull = (side: number): Point3 => scale([0, side, 0], FORCE * 40);
  const at = (b: typeof first): Point3 => [b.translation().x, b.translation().y, b.translation().z];
  let s = 0;
  while (s < CAP_s) {
    for (let k = 0; k < 10; k++) {
      for (const [body, side] of [
        [first, Math.sign(points[0]![1])],
        [last, Math.sign(points.at(-1)![1])],
      ] as const) {
        const [x, y, z] = pull(side);
        body.resetForces(true);
        body.addForce({ x, y, z }, true);
      }
      world.step(events, hooks);
    }
    s = (performance.now() - begun) / 1000;
    series.push({ s, span: distance(at(first), at(last)) });
    const recent = series.filter((q) => q.s > s - 4).map((q) => q.span);
    if (s > 8 && Math.max(...recent) / Math.min(...recent) < 1.002) break;
  }
  return {
    s: settledAt(series),
    capped: s >= CAP_s,
    spans: series.filter((_, i) => i % Math.ceil(series.length / 6) === 0).map((q) => Math.round(q.span * 10) / 10),
  };
}

const own = ours();
const other = await chain();
console.log(
  `overhand of ${NODES} nodes, ends within 2 % of their final distance: rod solver ${own.toFixed(2)} s; chain of ${NODES - 1} bodies ${other.capped ? 'more than ' : ''}${(other.capped ? CAP_s : other.s).toFixed(2)} s (spans ${other.spans.join(', ')}): ${((other.capped ? CAP_s : other.s) / own).toFixed(1)} times as long`,
);
