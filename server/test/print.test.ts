import { type Job, job as jobSchema, toFold } from '@odd-corner/contract';
import { creasePicture, creaseSheet, foldMake } from '@odd-corner/core';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as fc from 'fast-check';
import { PAGES, type PageId, type PrintAsked } from '../src/print/print-asked';
import { printMake } from '../src/print/print-make';
import { OVERLAP_MM, tileName, tilingOf } from '../src/print/tiles';
import { bench, FONTS, post, watchJob } from './workshop';

const dir = mkdtempSync(join(tmpdir(), 'odd-corner-print-'));

/** Prints what a route answers, and keeps the file. */
async function printed(what: string, query: string) {
  let pdf: Uint8Array | null = null;
  let asked: PrintAsked | null = null;
  const b = bench({
    print: async (wanted) => {
      asked = wanted;
      const done = await printMake(wanted, FONTS);
      if ('pdf' in done) pdf = done.pdf;
      return done;
    },
  });
  const job = jobSchema.parse(await post<Job>(b, '/api/jobs', watchJob(null)));
  const { status, response } = await b.send('GET', `/api/makes/${job.makes[0].id}/${what}?${query}`);
  const file = join(dir, `${what}-${query.replaceAll(/\W/g, '-')}.pdf`);
  if (pdf) writeFileSync(file, pdf);
  return { status, response, job, file, asked: asked as PrintAsked | null };
}

const hasPoppler = spawnSync('pdftotext', ['-v']).status === 0;
/** Programs of others read the files back; without them this is left out. */
const reading = hasPoppler ? it : it.skip;

const textOf = (file: string): string =>
  spawnSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' }).stdout.replaceAll(/\s+/g, ' ');
const infoOf = (file: string): string => spawnSync('pdfinfo', [file], { encoding: 'utf8' }).stdout;

const DPI = 254;

/** A page as grey values, ten pixels to a millimetre. */
function pixelsOf(
  file: string,
  page: number,
): { width: number; height: number; dark: (x: number, y: number) => boolean } {
  const out = join(dir, `page-${page}`);
  spawnSync('pdftoppm', ['-gray', '-r', `${DPI}`, '-f', `${page}`, '-l', `${page}`, '-singlefile', file, out]);
  const bytes = readFileSync(`${out}.pgm`);
  const [, width, height] = /^P5\s+(\d+)\s+(\d+)\s+\d+\s/.exec(bytes.subarray(0, 40).toString('latin1'))!.map(Number);
  const start = bytes.length - width * height;
  return { width, height, dark: (x, y) => bytes[start + y * width + x] < 128 };
}

/** The longest unbroken dark row on the lowest part of a page, in mm. */
function barOf({ width, height, dark }: ReturnType<typeof pixelsOf>): number {
  let longest = 0;
  for (let y = height - 80; y < height; y++)
    for (let x = 0, run = 0; x < width; x++) longest = Math.max(longest, (run = dark(x, y) ? run + 1 : 0));
  return longest / 10;
}

describe('pages of a sheet at true size', () => {
  const side = fc.double({ min: 40, max: 1500, noNaN: true });
  it('cover the sheet, overlap each other, and are as few as they can be one way or the other', () =>
    fc.assert(
      fc.property(side, side, fc.constantFrom<PageId>('a4', 'letter'), (widthMm, heightMm, page) => {
        const { width, height, rows, columns, tiles } = tilingOf({ widthMm, heightMm }, PAGES[page]);
        expect(tiles).toHaveLength(rows * columns);
        expect(new Set(tiles.map(tileName)).size).toBe(tiles.length);
        const last = tiles[tiles.length - 1];
        expect(last.x + width).toBeGreaterThanOrEqual(widthMm - 1e-6);
        expect(last.y + height).toBeGreaterThanOrEqual(heightMm - 1e-6);
        for (const { row, column, x, y } of tiles) {
          const right = tiles.find((one) => one.row === row && one.column === column + 1);
          const below = tiles.find((one) => one.row === row + 1 && one.column === column);
          if (right) expect(x + width - right.x).toBeCloseTo(OVERLAP_MM, 9);
          if (below) expect(y + height - below.y).toBeCloseTo(OVERLAP_MM, 9);
        }
        // With one page less a way it would not be covered.
        if (columns > 1) expect(width + (columns - 2) * (width - OVERLAP_MM)).toBeLessThan(widthMm);
        if (rows > 1) expect(height + (rows - 2) * (height - OVERLAP_MM)).toBeLessThan(heightMm);
      }),
    ));

  reading('have a bar of 100 mm, and lines where the creases are, to a tenth of a millimetre', async () => {
    const { status, file, job } = await printed('crease-sheet', 'page=a4&entry=tray');
    expect(status).toBe(200);
    const page = pixelsOf(file, 1);
    expect(barOf(page)).toBeGreaterThanOrEqual(99.9);
    expect(barOf(page)).toBeLessThanOrEqual(100.4);
    const { entries } = foldMake(toFold(job.makes[0].make));
    const sheet = creaseSheet(creasePicture(entries.get('tray')!.folding.finished));
    // Solid edges of the sheet: all along them there is ink.
    const inked = (x: number, y: number): boolean => {
      const [px, py] = [Math.round(10 * (8 + x)), Math.round(10 * (8 + sheet.heightMm - y))];
      return [-1, 0, 1].some((i) => [-1, 0, 1].some((j) => page.dark(px + i, py + j)));
    };
    const cuts = sheet.lines.filter(({ layer }) => layer === 'cut');
    expect(cuts.length).toBeGreaterThanOrEqual(4);
    for (const { from, to } of cuts)
      for (const t of [0.01, 0.25, 0.5, 0.75, 0.99])
        expect(inked(from.x + t * (to.x - from.x), from.y + t * (to.y - from.y))).toBe(true);
  });

  reading('of a large sheet say which page is which, and how they go together', async () => {
    const { asked } = await printed('crease-sheet', 'page=letter&entry=tray');
    const [tray] = asked!.make.entries;
    const large = { ...tray, sheet: { widthMm: 420, heightMm: 420 }, params: { ...tray.params, wallMm: null } };
    const done = await printMake({ ...asked!, make: { ...asked!.make, entries: [large] } }, FONTS);
    const file = join(dir, 'large.pdf');
    writeFileSync(file, 'pdf' in done ? done.pdf : '');
    const text = textOf(file);
    const pages = Number(/Pages:\s+(\d+)/.exec(infoOf(file))?.[1]);
    const { tiles } = tilingOf({ widthMm: 420, heightMm: 420 }, PAGES.letter);
    expect(pages).toBe(tiles.length);
    for (const tile of tiles) expect(text).toContain(`page ${tileName(tile)} of`);
    expect(text).toContain('goes on right and below');
  });
});

describe('a booklet', () => {
  reading.each([
    ['a4', 4, /595\.\d+ x 841\.\d+/],
    ['letter', 9, /612 x 792/],
  ] as const)('on %s has the words of every step, %d a page, with its type in it', async (page, perPage, size) => {
    const { status, file, job, response } = await printed('booklet', `page=${page}&perPage=${perPage}`);
    expect(status).toBe(200);
    expect(response.headers.get('content-type')).toBe('application/pdf');
    const text = textOf(file);
    const info = infoOf(file);
    expect(info).toMatch(size);
    let pages = 0;
    for (const { folding } of foldMake(toFold(job.makes[0].make)).entries.values()) {
      pages += Math.ceil((folding.steps.length + (folding.uses?.length ?? 0)) / perPage);
      folding.steps.forEach(({ title }, k) => expect(text).toContain(`${k + 1}. ${title.split(' ')[0]}`));
      // Columns stand beside each other in the text: words one by one.
      for (const { words, check } of folding.steps)
        for (const word of `${words} ${check}`.split(/[\s.,;:]+/).filter((one) => /^[a-z]{4,}$/.test(one)))
          expect(text).toContain(word);
    }
    expect(Number(/Pages:\s+(\d+)/.exec(info)?.[1])).toBe(pages);
    const fonts = spawnSync('pdffonts', [file], { encoding: 'utf8' }).stdout.trim().split('\n').slice(2);
    expect(fonts.length).toBeGreaterThan(0);
    for (const font of fonts) expect(font).toMatch(/ yes yes yes /);
    // Something is drawn: not only words.
    const { width, height, dark } = pixelsOf(file, 1);
    let ink = 0;
    for (let y = 0; y < height; y += 7) for (let x = 0; x < width; x += 7) if (dark(x, y)) ink++;
    expect(ink).toBeGreaterThan(300);
  });

  it('of a make or an entry that is not there, or on paper that nobody has, is refused in words', async () => {
    expect((await printed('booklet', 'page=napkin')).status).toBe(400);
    expect((await printed('booklet', 'perPage=5')).status).toBe(400);
    expect((await printed('crease-sheet', 'entry=sail')).status).toBe(422);
    const b = bench();
    expect((await b.send('GET', '/api/makes/00000000-0000-4000-8000-000000000009/booklet')).status).toBe(404);
  });
});

describe('labels', () => {
  reading('say what it is called, what it is for, and from which sheets it was folded', async () => {
    const { file, job } = await printed('labels', 'page=a4');
    const text = textOf(file);
    expect(text).toContain(job.title.split(' ')[0]);
    expect(text).toContain('Square tray, for');
    const [{ sheet }] = job.makes[0].make.entries;
    expect(text).toContain(`From ${sheet.widthMm} mm`);
  });
});
