/** What the thread that computes and the one that waits for it both see: numbers in memory that both have. */

/** who computes (the thread's number, for its processor time); how much is done, of how much; told to stop */
const PLACES = ['thread', 'done', 'of', 'stopped'] as const;
type Place = (typeof PLACES)[number];

export class Shared {
  private readonly numbers: Int32Array;
  constructor(readonly memory: SharedArrayBuffer = new SharedArrayBuffer(4 * PLACES.length)) {
    this.numbers = new Int32Array(memory);
  }
  get(place: Place): number {
    return Atomics.load(this.numbers, PLACES.indexOf(place));
  }
  set(place: Place, value: number): void {
    Atomics.store(this.numbers, PLACES.indexOf(place), value);
  }
}
