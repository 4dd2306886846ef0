import fc from 'fast-check';
import {
  atOnce,
  creasesOf,
  distance,
  FIRST_FOLD,
  foldWay,
  foldWaysTo,
  lastMark,
  makeMarks,
  creasedBy,
  MarkSearch,
  placeOf,
  readFolds,
  rectangleSheet,
  reflect,
  sideOf,
  startSheet,
  symmetriesOf,
  turnedFolds,
  whereIs,
  writeFolds,
  alignmentOf,
  type Line,
  type MarkFold,
  type PlaceRef,
  type Point,
  type SheetSize,
} from '../../src/index';
import { DEEP, runs } from '../runs';
import { everyFold, onNearEdge, sameLine } from './every-fold';

const SQUARE: SheetSize = { widthMm: 150, heightMm: 150 };
const searched = new Map<number, MarkSearch>();

function searchOf(size: SheetSize): MarkSearch {
  const shape = size.widthMm / size.heightMm;
  let search = searched.get(shape);
  if (!search) searched.set(shape, (search = atOnce(MarkSearch.over(size))));
  return search;
}

const lengthOf = (edge: number, size: SheetSize): number => (edge % 2 ? size.heightMm : size.widthMm);
const alongEdge = (edge: number, { x, y }: { x: number; y: number }, size: SheetSize): number =>
  [x, y, size.widthMm - x, size.heightMm - y][edge];

const sheets = fc.constantFrom<SheetSize>(SQUARE, { widthMm: 210, heightMm: 297 }, { widthMm: 330, heightMm: 120 });
const edges = fc.constantFrom(0, 1, 2, 3);
const shares = fc.double({ min: 0.02, max: 0.98, noNaN: true });

describe('marks by folding', () => {
  it('lie where they are said to, folded for real: every fold meets what it is lined up by, and the last one the edge', () => {
    fc.assert(
      fc.property(sheets, edges, shares, fc.integer({ min: 1, max: 5 }), (size, edge, share, n) => {
        const mm = share * lengthOf(edge, size);
        const longer = Math.max(size.widthMm, size.heightMm);
        for (const { folds, off } of searchOf(size).near(edge, mm / longer, n, 2)) {
          expect(folds.length).toBe(n);
          const lines = creasesOf(folds, size);
          folds.forEach((fold, k) => foldsForReal(fold, lines.slice(0, FIRST_FOLD + k), lines[FIRST_FOLD + k], size));
          const mark = placeOf(lines, lastMark(edge, folds));
          expect(Math.abs(alongEdge(edge, mark, size) - mm - off * longer)).toBeLessThan(1e-9 * longer);
        }
      }),
      { numRuns: runs(40, 400) },
    );
  });

  it('are as many as sequences of up to two folds give, and of three folds none comes nearer that is not among them', () => {
    for (const h of [1, 0.7]) {
      const size = { widthMm: 1, heightMm: h };
      const search = searchOf(size);
      const first = everyFold([], h);
      expect(search.count(1)).toBe(first.length);
      const seconds = first.map((one) =>
        everyFold([one], h).filter((line) => !first.some((other) => sameLine(line, other))),
      );
      const all = seconds.flat();
      expect(search.count(2)).toBe(all.filter((one, k) => all.findIndex((other) => sameLine(one, other)) === k).length);
      // Any three folds, the third by whatever two have left: its marks are no nearer than the nearest of the search.
      const random = Math.random();
      const k = Math.floor(random * first.length);
      const pairs = DEEP ? seconds[k] : seconds[k].slice(0, 6);
      for (const second of pairs)
        for (const third of everyFold([first[k], second], h)) {
          const at = onNearEdge(third);
          if (at === null) continue;
          const nearest = Math.min(...[1, 2, 3].map((n) => Math.abs(search.near(0, at, n, 1)[0]?.off ?? Infinity)));
          expect(nearest).toBeLessThan(1e-6);
        }
    }
  });

  it('are within a thousandth of the side for 99 of 100 places, with up to five folds', () => {
    let near = 0;
    const count = 500;
    for (let k = 0; k < count; k++) {
      const share = Math.random();
      const isNear = [1, 2, 3, 4, 5].some((n) => Math.abs(searchOf(SQUARE).near(0, share, n, 1)[0]?.off ?? 1) < 0.001);
      if (isNear) near++;
    }
    expect(near).toBeGreaterThanOrEqual(0.99 * count);
  });

  it('are told only where fewer folds do not do as well, and exact ones are exact', () => {
    fc.assert(
      fc.property(sheets, edges, shares, (size, edge, share) => {
        const mm = share * lengthOf(edge, size);
        const longer = Math.max(size.widthMm, size.heightMm);
        for (const way of foldWaysTo(searchOf(size), size, edge, mm, 0)) {
          if (way.exact) expect(Math.abs(way.offMm)).toBeLessThan(1e-9 * longer);
          for (let n = 1; n < way.folds.length; n++) {
            const [fewer] = searchOf(size).near(edge, mm / longer, n, 1);
            // A sequence that no hand can make, however little it misses, is none.
            const made = fewer && foldWay(fewer.folds, edge, fewer.off * longer, size, 0);
            if (made && !way.exact) expect(Math.abs(fewer.off) * longer).toBeGreaterThan(Math.abs(way.offMm));
          }
        }
      }),
      { numRuns: runs(20, 200) },
    );
  });

  it.each([
    [1, 3, 3],
    [1, 5, 3],
    [3, 8, 3],
    [1, 6, 3],
  ])('%i/%i of a square is found exactly with no more than %i folds', (part, of, most) => {
    const exact = foldWaysTo(searchOf(SQUARE), SQUARE, 0, (150 * part) / of, 0.3).find((way) => way.exact);
    expect(exact?.folds.length).toBeLessThanOrEqual(most);
  });

  it('keep as text, and are read back alike; other texts are none', () => {
    fc.assert(
      fc.property(edges, shares, fc.integer({ min: 1, max: 5 }), (edge, share, n) => {
        for (const { folds } of searchOf(SQUARE).near(edge, share, n, 2))
          expect(readFolds(writeFolds(folds))).toEqual(folds);
      }),
      { numRuns: 20 },
    );
    for (const text of ['', 'p', 'p0', 'x0123', 'p00123-', 'p04512', 'constructor', 'e00zzzzzzz', 'p9012', 'l0'])
      expect(readFolds(text)).toBeNull();
    fc.assert(
      fc.property(fc.stringMatching(/^[a-z0-9-]{1,30}$/), (text) => {
        const folds = readFolds(text);
        if (folds) expect(readFolds(writeFolds(folds))).toEqual(folds);
      }),
    );
  });

  it('turned with the sheet, the same folds mark the mirrored places', () => {
    fc.assert(
      fc.property(sheets, shares, fc.integer({ min: 1, max: 4 }), (size, share, n) => {
        const [found] = searchOf(size).near(0, (share * size.widthMm) / Math.max(size.widthMm, size.heightMm), n, 1);
        if (!found) return;
        const at = alongEdge(0, placeOf(creasesOf(found.folds, size), lastMark(0, found.folds)), size);
        for (const to of symmetriesOf(size)) {
          const turned = turnedFolds(found.folds, to, size);
          const edge = to[0];
          const mirrored = alongEdge(edge, placeOf(creasesOf(turned, size), lastMark(edge, turned)), size);
          const length = lengthOf(edge, size);
          expect(Math.min(Math.abs(mirrored - at), Math.abs(length - mirrored - at))).toBeLessThan(1e-6);
        }
      }),
      { numRuns: runs(15, 150) },
    );
  });

  it('made by the engine’s hand leave their pinches on the lines that were meant', () => {
    fc.assert(
      fc.property(edges, shares, (edge, share) => {
        const mm = share * 150;
        for (const { folds, creased } of foldWaysTo(searchOf(SQUARE), SQUARE, edge, mm, 0.3)) {
          const hand = startSheet(rectangleSheet(150, 150));
          makeMarks(hand, SQUARE, folds, creased);
          const lines = creasesOf(folds, SQUARE);
          expect(creasedBy(folds, [lastMark(edge, folds)], SQUARE)).toEqual(creased);
          for (const { name, from, to } of hand.pose.marks ?? []) {
            const line = lines[FIRST_FOLD - 1 + Number(name.replace('mark ', ''))];
            expect(Math.max(Math.abs(sideOf(line, from)), Math.abs(sideOf(line, to)))).toBeLessThan(1e-7);
          }
        }
      }),
      { numRuns: runs(10, 100) },
    );
  });
});

/** Folds the sheet with the engine along one fold of a sequence, and looks whether what was laid came to lie where it was laid. */
function foldsForReal(fold: MarkFold, before: readonly Line[], crease: Line, size: SheetSize): void {
  const hand = startSheet(rectangleSheet(size.widthMm, size.heightMm));
  hand.valley('fold', alignmentOf(fold, before, size, crease));
  const { pose } = hand;
  expect(pose.placed.length).toBe(2);
  for (const [laid, onto] of laidOf(fold, before, crease))
    expect(distance(whereIs(pose, laid), whereIs(pose, onto))).toBeLessThan(
      1e-9 * Math.max(size.widthMm, size.heightMm),
    );
}

/** Points that a fold lays onto each other: where a point is laid onto a line, the point of that line where it comes to lie. */
function laidOf({ by }: MarkFold, lines: readonly Line[], crease: Line): [Point, Point][] {
  const lands = (point: PlaceRef, onto: number): [Point, Point] => {
    const p = placeOf(lines, point);
    const image = reflect(crease, p);
    expect(Math.abs(sideOf(lines[onto], image))).toBeLessThan(1e-6);
    return [p, image];
  };
  switch (by.kind) {
    case 'point-onto-point':
      return [[placeOf(lines, by.point), placeOf(lines, by.onto)]];
    case 'point-onto-line':
      expect(Math.abs(sideOf(crease, placeOf(lines, by.through)))).toBeLessThan(1e-6);
      return [lands(by.point, by.onto)];
    case 'point-onto-line-square':
      return [lands(by.point, by.onto)];
    case 'points-onto-lines':
      return [lands(by.point, by.onto), lands(by.other, by.otherOnto)];
    default:
      return [];
  }
}
