/**
 * What takes longer than anybody else should wait for: computed in a thread of its own. A task takes and gives what can be handed from one
 * thread to another, and says how far it is.
 */
import { gzipSync } from 'node:zlib';
import { identify, identifyCode, inWords, knownForms, knownOf, type Entered } from '../../core/inspect/naming/naming';
import type { Point3 } from '../../core/curve';
import { knotById } from '../../core/knots/catalogue/catalogue';
import { boxOf } from '../../core/knots/tying/looking';
import { framesOf, motionOf } from '../../core/knots/tying/motions';
import { cardsPdf, type CardAsked } from '../documents/card';
import { checkPdf, dayPdf, ropePdf, roundPdf } from '../documents/evidence';
import { labelsPdf } from '../documents/labels';
import { asPublic } from '../picturing';

/** A hundredth of a diameter is finer than any picture shows. */
const rounded = (p: Point3): Point3 => [
  Math.round(p[0] * 100) / 100,
  Math.round(p[1] * 100) / 100,
  Math.round(p[2] * 100) / 100,
];

/** Says how many of how many are done. @throws where it was told to stop */
export type Progress = (done: number, of: number) => void;

type Names = Readonly<Record<string, string>>;
const nameFrom =
  (names: Names) =>
  (person: string): string =>
    names[person] ?? person;
type Rest<F extends (...args: never[]) => unknown> = Parameters<F>;

/** A way of tying as it is answered: all its shapes, written and packed. */
function wayPacked({ knot, way, between }: { knot: string; way: string; between: number }): Buffer {
  const { entry } = knotById(knot);
  const frames = framesOf(knot, way, between).map((f) => ({
    ...f,
    palm: f.palm && { ...f.palm, wrist: rounded(f.palm.wrist), fingertips: rounded(f.palm.fingertips) },
    joint: f.joint && f.joint.map(rounded),
    components: f.components.map((c) => asPublic({ ...c, points: c.points.map(rounded) })),
  }));
  const own = entry.ways.find((w) => w.id === way)!;
  const motion = motionOf(knot, way);
  return gzipSync(
    JSON.stringify({
      frames,
      making: motion.making,
      form: motion.form,
      path: motion.path,
      box_ropeDiameters: boxOf(motion),
      then: motion.then.map(({ upTo, ...told }) => ({ state: upTo, ...told })),
      right: own.right,
      ends_in: own.ends_in,
    }),
    { level: 6 },
  );
}

export const TASKS = {
  /** the forms that a specimen is held against are made ready: before the first question */
  ready: () => knownForms().length,
  identify: ({ components, code }: { components?: readonly Entered[] | undefined; code?: string | undefined }) => {
    const found = code === undefined ? identify(components!) : identifyCode(code);
    return { ...found, said: inWords(found), known: found.matches.map(knownOf) };
  },
  way: wayPacked,
  cards: ({ knots, asked }: { knots: readonly string[]; asked: CardAsked }, progress: Progress) =>
    cardsPdf(knots, asked, progress),
  checkPage: ({
    head,
    row,
    entries,
    names,
    url,
  }: {
    head: Rest<typeof checkPdf>[0];
    row: Rest<typeof checkPdf>[1];
    entries: Rest<typeof checkPdf>[2];
    names: Names;
    url: string | null;
  }) => checkPdf(head, row, entries, nameFrom(names), url),
  dayPage: ({
    head,
    day,
    rows,
    more,
    url,
  }: {
    head: Rest<typeof dayPdf>[0];
    day: string;
    rows: Rest<typeof dayPdf>[2];
    more: boolean;
    url: string | null;
  }) => dayPdf(head, day, rows, more, url),
  ropePage: ({
    head,
    rope,
    life,
    entries,
    checks,
    names,
    url,
  }: {
    head: Rest<typeof ropePdf>[0];
    rope: Rest<typeof ropePdf>[1];
    life: Rest<typeof ropePdf>[2];
    entries: Rest<typeof ropePdf>[3];
    checks: Rest<typeof ropePdf>[4];
    names: Names;
    url: string | null;
  }) => ropePdf(head, rope, life, entries, checks, nameFrom(names), url),
  roundPage: ({
    head,
    walk,
    url,
  }: {
    head: Rest<typeof roundPdf>[0];
    walk: Rest<typeof roundPdf>[1];
    url: string | null;
  }) => roundPdf(head, walk, url),
  labels: ({
    head,
    ropes,
    address,
  }: {
    head: Rest<typeof labelsPdf>[0];
    ropes: Rest<typeof labelsPdf>[1];
    address: string;
  }) => labelsPdf(head, ropes, (r) => `${address}/log/ropes/${r.id}`),
} as const;
export type TaskName = keyof typeof TASKS;
export type Given<T extends TaskName> = Parameters<(typeof TASKS)[T]>[0];
export type Gives<T extends TaskName> = Awaited<ReturnType<(typeof TASKS)[T]>>;
