/**
 * What the solver says of known things: ropelength of the closed trefoil and figure-eight, tension over a post
 * against exp(mu theta), critical friction of reef, granny and thief. Figures, no times but the whole.
 */
import { curvatures, lengthOf, resample, smallestDistance, type Point3 } from '../core/curve';
import { flatDiagrams, nodesOf, type Control } from '../core/knots/laying/authoring';
import { NODE_SPACING, RopeSolver, SOLVER_SETTINGS } from '../core/rope';

const began = performance.now();

// ---- ropelength: a closed rope made ever shorter until it cannot be
const TREFOIL = (t: number): Point3 => [
  Math.sin(t) + 2 * Math.sin(2 * t),
  Math.cos(t) - 2 * Math.cos(2 * t),
  -1.2 * Math.sin(3 * t),
];
const FIGURE_EIGHT = (t: number): Point3 => [
  (2 + Math.cos(2 * t)) * Math.cos(3 * t),
  (2 + Math.cos(2 * t)) * Math.sin(3 * t),
  1.4 * Math.sin(4 * t),
];

function ropelength(name: string, curve: (t: number) => Point3, ideal: number, nodes: number): void {
  const dense = Array.from({ length: 2001 }, (_, k) => curve((2 * Math.PI * k) / 2000)).map((p): Point3 => [
    p[0] * 1.6,
    p[1] * 1.6,
    p[2] * 1.6,
  ]);
  const points = resample(dense, lengthOf(dense) / nodes).slice(0, nodes);
  const solver = new RopeSolver([{ points, closed: true }], {
    ...SOLVER_SETTINGS,
    stretchStiffness: 20,
    bendingStiffness: 0.002,
    contactStiffness: 60,
    timeStep: 0.03,
  });
  solver.friction = 0;
  const { rest } = solver.state;
  const [from, to] = [rest[0]!, (ideal * 0.965) / nodes];
  const total = 700;
  while (solver.time < total) {
    const u = Math.min(1, solver.time / (total * 0.7));
    rest.fill(from * (to / from) ** (u ** 0.7));
    solver.step();
  }
  const tight = solver.points(0);
  const line = { points: tight, closed: true };
  const length = lengthOf([...tight, tight[0]!]);
  const apart = smallestDistance([line], 1.45);
  const radius = 1 / Math.max(...curvatures([...tight.slice(-2), ...tight, ...tight.slice(0, 2)]).slice(2, -2));
  console.log(
    `ropelength ${name.padEnd(13)} ${nodes} nodes: ${(length / apart).toFixed(2)} (ideal ${ideal}, ${(100 * (length / apart / ideal - 1)).toFixed(2)} % over); over twice the smallest radius ${(length / (2 * radius)).toFixed(2)}; guard violations ${solver.guardViolations}`,
  );
}
for (const nodes of [66, 132]) ropelength('trefoil', TREFOIL, 16.37, nodes);
for (const nodes of [84, 168]) ropelength('figure-eight', FIGURE_EIGHT, 21.04, nodes);

// ---- capstan: a rope drawn over a post, sliding, its far end held back
const POST = 2;
function tensionRatio(friction: number, turns: number): number {
  const across = POST + 0.5;
  const angle = 2 * Math.PI * turns;
  const path: Point3[] = [];
  for (let x = -30; x < 0; x++) path.push([x, across, 0]);
  for (let i = 0; i <= 240 * turns; i++)
    path.push([
      across * Math.sin((angle * i) / (240 * turns)),
      across * Math.cos((angle * i) / (240 * turns)),
      (1.1 * angle * i) / (240 * turns) / (2 * Math.PI),
    ]);
  const end = path.at(-1)!;
  const away: Point3 = [Math.cos(angle), -Math.sin(angle), 0];
  for (let k = 1; k <= 40; k++) path.push([end[0] + away[0] * k, end[1] + away[1] * k, end[2]]);
  const points = resample(path, 0.4);
  // stiff, so that it does not stretch under the many times larger tension on the near side
  const solver = new RopeSolver([{ points }], {
    ...SOLVER_SETTINGS,
    stretchStiffness: 160,
    bendingStiffness: 0.003,
    timeStep: 0.0225,
  });
  solver.friction = friction;
  solver.addPost([0, 0, 0], [0, 0, 1], POST, friction);
  const back = solver.addPull(points.length - 1, away, 0.2);
  back.force = 0.05;
  const draw = solver.addPull(0, [-1, 0, 0], 0.02);
  draw.force = 100;
  // forces in the rope just before and after the post, averaged while it slides
  let near = 0,
    far = 0;
  // the spring of the pull is first drawn out nearly to what the post will ask of it
  const drawnOut = (0.9 * back.force * Math.exp(friction * angle)) / 0.3;
  while (solver.time < 700) {
    if (solver.time < 250) draw.anchor[0] -= (drawnOut * solver.settings.timeStep) / 250;
    solver.step();
    if (solver.time < 450) continue;
    const { load, tension } = solver.state;
    let [first, last] = [0, points.length - 1];
    while (load[first] === 0) first++;
    while (load[last] === 0) last--;
    near += tension[first - 3]!;
    far += tension[last + 3]!;
  }
  return near / far;
}
for (const friction of [0.1, 0.2, 0.3]) {
  const logs = [1, 2, 3].map((turns) => Math.log(tensionRatio(friction, turns)));
  const slope = (logs[2]! - logs[0]!) / (4 * Math.PI);
  console.log(
    `capstan mu ${friction}: ln(T1/T2) at 1, 2, 3 turns ${logs.map((v) => v.toFixed(3)).join(', ')}; slope ${slope.toFixed(4)} = ${(slope / friction).toFixed(3)} mu`,
  );
}

// ---- critical friction: the least at which two ropes joined so do not run out
type Bend = 'reef' | 'granny' | 'thief';
function bend(kind: Bend): Point3[][] {
  const z = kind === 'granny' ? [1, -1, 1, -1, 1, -1] : [1, -1, 1, 1, -1, 1];
  const bight = (side: 1 | -1, order?: readonly number[]): Control[] => {
    const at = (x: number, y: number, k?: number): Control =>
      order && k !== undefined ? [-side * x, y, order[k]!] : [-side * x, y, 0];
    return [
      at(-24, 0.9),
      at(-10, 0.9),
      at(-6, 0.9),
      at(-2.5, 0.82, 0),
      at(-1.4, 0.95),
      at(0, 1.5, 1),
      at(1.4, 1.9),
      at(2.5, 0.85, 2),
      at(2.7, 0),
      at(2.5, -0.85, 3),
      at(1.4, -1.9),
      at(0, -1.5, 4),
      at(-1.4, -0.95),
      at(-2.5, -0.82, 5),
      at(-6, -0.9),
      at(-10, -0.9),
      at(-13, -0.9),
    ];
  };
  const two = flatDiagrams([bight(1, z), bight(-1)], { scale: 1.5, height: 0.62, plateau: 0.6 }).map((line) =>
    nodesOf(line, NODE_SPACING, 10),
  );
  if (kind !== 'thief') return two;
  // the second rope is loaded by the leg on the other side
  const upside = two[1]!.slice().reverse();
  const first = upside[0]!;
  const longer = Array.from({ length: 36 }, (_, k): Point3 => [
    first[0] + Math.sign(first[0]) * NODE_SPACING * (36 - k),
    first[1],
    first[2],
  ]);
  return [two[0]!, [...longer, ...upside.slice(0, -30)]];
}

/** Rope that slips through while the full load is held, rope diameters; infinite when a tail runs out. */
function slip(kind: Bend, friction: number): number {
  const ropes = bend(kind);
  const solver = new RopeSolver(
    ropes.map((points) => ({ points })),
    { ...SOLVER_SETTINGS, timeStep: 0.045 },
  );
  solver.friction = friction;
  const outward = (node: number): Point3 => [Math.sign(solver.point(node)[0]), 0, 0];
  const standing = [0, 1].map((r) =>
    solver.addPull(solver.endNode(r, 'standing'), outward(solver.endNode(r, 'standing')), 0.15),
  );
  const tails = [0, 1].map((r) => solver.addPull(solver.endNode(r, 'tail'), outward(solver.endNode(r, 'tail')), 0.15));
  for (const p of standing) p.force = 0.2;
  for (const p of tails) p.force = 0.1;
  while (solver.time < 300) solver.step();
  solver.pulls.splice(solver.pulls.indexOf(tails[0]!), 1);
  solver.pulls.splice(solver.pulls.indexOf(tails[1]!), 1);
  const begun = solver.time;
  // rope of the two tails beyond the last place that bears
  const outside = () =>
    [0, 1].reduce((sum, r) => {
      const end = solver.endNode(r, 'tail');
      let last = end;
      while (last > solver.endNode(r, 'standing') && solver.state.load[last]! < 0.02) last--;
      return sum + (end - last) * NODE_SPACING;
    }, 0);
  let atFull = 0;
  while (solver.time < begun + 750) {
    const u = (solver.time - begun) / 500;
    for (const p of standing) p.force = Math.min(1, 0.2 + 0.8 * u);
    solver.step();
    if (u >= 1 && atFull === 0) atFull = outside();
    // a tail that is drawn into the knot is as good as out
    if (u > 0.1 && outside() < 5) return Infinity;
  }
  return atFull - outside();
}
const HOLDS_ropeDiameters = 0.5;
const STEP = 0.02;
for (const kind of ['reef', 'granny', 'thief'] as const) {
  let [runs, holds] = [0.06, 0.62];
  if (slip(kind, holds) > HOLDS_ropeDiameters) {
    console.log(`critical friction ${kind}: more than ${holds}`);
    continue;
  }
  while (holds - runs > STEP + 1e-9) {
    const middle = runs + STEP * Math.round((holds - runs) / STEP / 2);
    if (slip(kind, middle) > HOLDS_ropeDiameters) runs = middle;
    else holds = middle;
  }
  console.log(`critical friction ${kind}: ${runs.toFixed(2)} to ${holds.toFixed(2)}`);
}
console.log(`all of it ${((performance.now() - began) / 1000).toFixed(0)} s`);
