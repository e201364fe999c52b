/**
 * When a knot counts as settled, one rule for all: over the last 50 units of time its ropes moved, apart from
 * drifting as a whole, by less than a hundredth of a diameter a unit on average, and the size of the loaded
 * part did not change by more than a two-hundredth.
 */
import type { RopeSolver } from './solver';

// looked up once: in a context of its own a program pays for each look
const { abs, ceil, hypot, sqrt } = Math;

const WINDOW = 50;
const MOST_SPEED = 0.01;
const MOST_CHANGE = 0.005;

export class SettledWatch {
  private next: number;
  private size = Infinity;
  private speed = 0;
  private samples = 0;

  constructor(private readonly solver: RopeSolver) {
    this.next = solver.time + WINDOW;
  }

  /** To be asked after every step. */
  settled(): boolean {
    const { solver } = this;
    // the mean over a window, from one step in ten
    if (this.samples++ % 10 === 0) this.speed += meanSpeed(solver);
    if (solver.time < this.next) return false;
    const mean = this.speed / ceil(this.samples / 10);
    const size = loadedSize(solver);
    const still = mean < MOST_SPEED && abs(size - this.size) <= MOST_CHANGE * size;
    this.next = solver.time + WINDOW;
    this.size = size;
    this.speed = this.samples = 0;
    return still;
  }
}

/** Mean speed of the loaded nodes, their common drift taken out. */
function meanSpeed({ state: { v, load, nodeCount } }: RopeSolver): number {
  const drift = [0, 0, 0];
  let n = 0;
  for (let i = 0; i < nodeCount; i++)
    if (load[i]! > 0) {
      n++;
      for (let c = 0; c < 3; c++) drift[c]! += v[3 * i + c]!;
    }
  if (n === 0) return 0;
  let sum = 0;
  for (let i = 0; i < nodeCount; i++)
    if (load[i]! > 0)
      sum += hypot(v[3 * i]! - drift[0]! / n, v[3 * i + 1]! - drift[1]! / n, v[3 * i + 2]! - drift[2]! / n);
  return sum / n;
}

/** Root mean square distance of the loaded nodes from their middle, weighted by load. */
function loadedSize({ state: { x, load, nodeCount } }: RopeSolver): number {
  let weight = 0;
  const middle = [0, 0, 0];
  for (let i = 0; i < nodeCount; i++) {
    weight += load[i]!;
    for (let c = 0; c < 3; c++) middle[c]! += load[i]! * x[3 * i + c]!;
  }
  if (weight === 0) return 0;
  let sum = 0;
  for (let i = 0; i < nodeCount; i++)
    for (let c = 0; c < 3; c++) sum += load[i]! * (x[3 * i + c]! - middle[c]! / weight) ** 2;
  return sqrt(sum / weight);
}
