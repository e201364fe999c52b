/** A card says what the catalogue says. */
import { afterAll, beforeAll, describe, expect, jest, test } from '@jest/globals';
import PDFDocument from 'pdfkit';
import { knotIds } from '../../core/knots/catalogue/catalogue';
import { entryById } from '../../core/knots/catalogue/lookup';
import { svgOf } from '../../core/picture';
import { call, testbed, type Testbed } from '../testing/harness';
import { facePicture } from './knotFaces';

let t: Testbed;
beforeAll(async () => {
  t = await testbed('cards');
});
afterAll(() => t.close());

/** A page asked for, with every text that was put on it. */
async function card(path: string) {
  const said: string[] = [];
  const onPages: string[][] = [];
  const turn = jest
    .spyOn(PDFDocument.prototype as unknown as { addPage: typeof realPage }, 'addPage')
    .mockImplementation(function (this: unknown, ...given: unknown[]) {
      onPages.push([]);
      return realPage.apply(this, given);
    });
  const write = jest
    .spyOn(PDFDocument.prototype as unknown as { text: typeof realText }, 'text')
    .mockImplementation(function (this: unknown, ...given: unknown[]) {
      said.push(String(given[0]));
      onPages.at(-1)?.push(String(given[0]));
      return realText.apply(this, given);
    });
  const r = await t.app.inject({ method: 'GET', url: `/api/v1${path}` });
  write.mockRestore();
  turn.mockRestore();
  const raw = r.rawPayload.toString('latin1');
  return {
    status: r.statusCode,
    type: r.headers['content-type'],
    said: said.join('\n'),
    /** the same, page by page */
    onPages: onPages.map((texts) => texts.join('\n')),
    pages: (raw.match(/\/Type \/Page\b/g) ?? []).length,
    box: /\/MediaBox \[([^\]]*)\]/.exec(raw)?.[1],
    embedded: (raw.match(/\/FontFile2/g) ?? []).length,
  };
}
const realPage = (PDFDocument.prototype as unknown as { addPage: (...a: unknown[]) => unknown }).addPage;
const realText = (PDFDocument.prototype as unknown as { text: (...a: unknown[]) => unknown }).text;

describe('cards', () => {
  test('every knot has one, on one page, with its faults, cautions and how it is set', async () => {
    const ids = knotIds();
    const onPages: string[] = [];
    // so many at once as anybody is given
    for (let k = 0; k < ids.length; k += 8) {
      const some = ids.slice(k, k + 8);
      const c = await card(`/cards.pdf?knots=${some.join(',')}`);
      expect([c.status, c.pages, c.onPages.length, c.embedded > 1]).toEqual([200, some.length, some.length, true]);
      onPages.push(...c.onPages);
    }
    for (const [page, id] of ids.entries()) {
      const entry = entryById(id);
      const said = onPages[page]!.toLowerCase();
      for (const text of [
        entry.names[0],
        entry.set.text,
        ...entry.faults.map((f) => f.name),
        ...entry.cautions.map((k) => k.text),
        ...entry.faces.map((f) => f.shows),
      ])
        expect([id, said.includes(text.toLowerCase()) || text]).toEqual([id, true]);
    }
  });

  test('says every step of the way that is asked for, tail and start for this rope under these rules, and the paper is what was asked', async () => {
    const c = await card('/knots/alpine-butterfly/card.pdf?way=three-wrap&paper=half-letter');
    expect(c.box).toBe('0 0 396 612');
    expect(c.said).toContain('One turn round the hand, toward the wrist.');
    const [thin, thick] = [
      await card('/knots/bowline-locked/card.pdf?rope_diameter_mm=8&profile=rope-access'),
      await card('/knots/bowline-locked/card.pdf?rope_diameter_mm=12'),
    ];
    const begins = (said: string) => Number(/begin (\d+) mm from the end/.exec(said)![1]);
    expect(begins(thick.said)).toBeGreaterThan(begins(thin.said));
    // five of 9.3 mm are 46.5: never less, and as the page shows it
    const termination = await card('/knots/buntline-hitch/card.pdf?rope_diameter_mm=9.3&profile=tree-work');
    expect(termination.said).toContain('here at least 47 mm');
    expect(thin.said).toContain('Rules: Rope access');
    expect((await card('/knots/bowline/card.pdf?hand=left')).said).toContain('Mirrored for left-handers');
    const wrong = (await card('/knots/alpine-butterfly/card.pdf?way=twist-back')).said;
    expect(wrong).toContain('WRONG ON PURPOSE');
    expect(wrong).toContain('front, as it should look');
  });

  test('a way that ends otherwise than in the right form says in which, and that form is drawn, set, otherwise than the right one', async () => {
    for (const id of knotIds())
      for (const way of entryById(id).ways) {
        const { form, then } = (await call(t, 'GET', `/knots/${id}/ways/${way.id}`)).body as unknown as {
          form: string;
          then: { state: 'dressed' | 'tight' }[];
        };
        if (way.ends_in) expect(form).toBe(way.ends_in.fault);
        if (form === 'right') continue;
        for (const { state } of then)
          expect([
            id,
            way.id,
            svgOf(facePicture(id, 'front', 'right', state, form)) === svgOf(facePicture(id, 'front', 'right', state)),
          ]).toEqual([id, way.id, false]);
        const asked = `/knots/${id}/picture.svg?state=tight&crop=knot&${way.ends_in ? 'fault' : 'variant'}=${form}`;
        expect([asked, (await call(t, 'GET', asked)).status]).toEqual([asked, 200]);
      }
  });

  test('each knot in what it is tied in, for the rope of the job: a hitch in a cord that suits it, tape in the usual tape; cord itself as it is', async () => {
    const booklet = (await card('/cards.pdf?knots=bowline,prusik,water-knot&rope_diameter_mm=10.2&rope_kind=dynamic'))
      .said;
    for (const what of ['In 10.2 mm rope begin', 'in 6.5 mm cord', '25 mm tape']) expect(booklet).toContain(what);
    const cord = (await card('/knots/prusik/card.pdf?rope_diameter_mm=6&rope_kind=accessory-cord')).said;
    expect(cord).toContain('6 mm cord');
    const refused = await call(t, 'GET', '/knots/prusik/card.pdf?rope_kind=wire');
    expect([refused.status, refused.body.errors![0]!.path]).toEqual([400, expect.stringContaining('rope_kind')]);
  });

  test('of several knots make a booklet; what is asked for wrongly is refused by name', async () => {
    const c = await card('/cards.pdf?knots=bowline,prusik,clove-hitch');
    expect([c.status, c.pages]).toEqual([200, 3]);
    expect((await call(t, 'GET', '/cards.pdf?knots=bowline,no-such')).body.errors![0]!.path).toContain('knots');
    expect((await call(t, 'GET', '/knots/bowline/card.pdf?way=no-such')).body.code).toBe('unknown-way');
    expect((await call(t, 'GET', '/knots/bowline/card.pdf?profile=none')).status).toBe(400);
  });
});
