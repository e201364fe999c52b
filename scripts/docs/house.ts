/** docs/house.svg: the rooms of the project and their imports, read from the source, types among them. Rooms stand left to right in the order in which they build on each other. */
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';

const root = join(import.meta.dirname, '../..');
const KNOTS = ['facts', 'shape', 'laying', 'baking', 'moving', 'shelf', 'catalogue', 'tying'];
/** Rooms, by the folder that they are: each may import from those before it. */
const ROOMS: readonly (readonly string[])[] = [
  ['core/errors', 'core/units', 'core/curve'],
  ['core/topology', 'core/rope', 'core/picture'],
  KNOTS.slice(0, 2).map((r) => `core/knots/${r}`),
  ['core/knots/laying', 'core/knots/baking', 'core/knots/moving'],
  ['core/knots/shelf', 'core/knots/catalogue', 'core/knots/tying'],
  ['core/profiles', 'core/inspect/judging', 'core/inspect/naming'],
  ['core/choose', 'core/train', 'core/records', 'core/proving', 'core/judgings'],
  ['contract'],
  ['server', 'web'],
];
const NAMES = ROOMS.flat();

const files = (folder: string): string[] =>
  readdirSync(join(root, folder)).flatMap((f) => {
    const path = join(folder, f);
    return statSync(join(root, path)).isDirectory()
      ? files(path)
      : /\.tsx?$/.test(f) && !/\.test\./.test(f)
        ? [path]
        : [];
  });
const roomOf = (path: string): string | undefined => NAMES.find((r) => path === r || path.startsWith(`${r}/`));

/** Every room with those that it imports from. Not how often: the picture changes when the structure does. */
function arrows(): [from: string, to: string][] {
  const found = new Set<string>();
  for (const file of ['core', 'contract', 'server', 'web'].flatMap(files)) {
    const from = roomOf(file);
    if (!from) continue;
    for (const [, to] of readFileSync(join(root, file), 'utf8').matchAll(/\bfrom '(\.[^']*)'/g)) {
      const room = roomOf(relative(root, join(root, dirname(file), to!)));
      if (room && room !== from) found.add(`${from}>${room}`);
    }
  }
  return [...found].sort().map((key) => key.split('>') as [string, string]);
}

const BOX = { width: 122, height: 44, across: 172, down: 84, left: 12, top: 44, stagger: 24 };

interface Spot {
  readonly x: number;
  readonly y: number;
}

/** From the left edge of a room to the right edge of one that stands before it, or, in the same column, from edge to edge. */
function arrow(from: Spot, to: Spot, said: string): string {
  const sameColumn = from.x === to.x;
  const up = to.y < from.y;
  const start = sameColumn
    ? { x: from.x + BOX.width / 2, y: up ? from.y : from.y + BOX.height }
    : { x: from.x, y: from.y + BOX.height / 2 };
  const end = sameColumn
    ? { x: to.x + BOX.width / 2, y: up ? to.y + BOX.height : to.y }
    : { x: to.x + BOX.width, y: to.y + BOX.height / 2 };
  const bow = sameColumn ? 0 : Math.min(40, Math.abs(start.x - end.x) / 4);
  return `<path d="M${start.x} ${start.y}C${start.x - bow} ${start.y} ${end.x + bow} ${end.y} ${end.x} ${end.y}" fill="none" stroke="#3a6ea5" stroke-opacity=".4" stroke-width="1.4"><title>${said}</title></path>`;
}

export function houseSvg(): string {
  const spots = new Map(
    ROOMS.flatMap((column, x) =>
      column.map((room, y): [string, Spot] => [
        room,
        { x: BOX.left + x * BOX.across, y: BOX.top + y * BOX.down + (x % 2) * BOX.stagger },
      ]),
    ),
  );
  const width = BOX.left * 2 + (ROOMS.length - 1) * BOX.across + BOX.width;
  const height = BOX.top + 5 * BOX.down + BOX.stagger;
  const lines = arrows().map(([from, to]) => arrow(spots.get(from)!, spots.get(to)!, `${from} imports from ${to}`));
  const boxes = [...spots].map(([room, { x, y }]) => {
    const name = room.replace(/^core\//, '');
    return `<rect x="${x}" y="${y}" width="${BOX.width}" height="${BOX.height}" rx="6" fill="#fff" stroke="#22303c"/><text x="${x + BOX.width / 2}" y="${y + 27}">${name}</text>`;
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" font-family="sans-serif" font-size="13" text-anchor="middle">`,
    `<rect width="${width}" height="${height}" fill="#f6f5f1"/>`,
    `<text x="${BOX.left}" y="22" text-anchor="start" font-size="14">Rooms, left to right as they build on each other; a line leads from a room to one that it imports from, types included</text>`,
    ...lines,
    ...boxes,
    '</svg>',
    '',
  ].join('\n');
}
