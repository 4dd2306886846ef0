import fc from 'fast-check';
import {
  angleWaysTo,
  atOnce,
  blankSheet,
  creasesOf,
  crossing,
  distance,
  divideBy,
  edgesOf,
  eyeOf,
  EDGES,
  Fitting,
  foldAnew,
  foldsInRound,
  foldWay,
  foldWaysTo,
  goalsOf,
  halvingFolds,
  lastMark,
  lineThrough,
  type MarkMaker,
  markMissed,
  MarkSearch,
  measureMissed,
  offsetsOf,
  missesOf,
  planMarks,
  placeOf,
  rectangleSheet,
  type SheetMark,
  sheetFor,
  sheetMarks,
  SHELF,
  seededNormal,
  USUAL_EYE,
  usualWay,
  visibleOn,
  wayById,
  waysToMark,
  withMarks,
} from '../../src/index';
import { runs } from '../runs';

const SQUARE = { widthMm: 150, heightMm: 150 };
const search = atOnce(MarkSearch.over(SQUARE));
const MAKER: MarkMaker = { handMm: 0.3, eye: USUAL_EYE, rulerStepMm: 1, things: [{ name: 'card', mm: 85.6 }] };

/** Standard deviation of a mark over many replays by the engine's hand that misses. */
function replayed(
  folds: Parameters<typeof foldWay>[0],
  edge: number,
  handMm: number,
  count: number,
  seed: number,
): number {
  const way = foldWay(folds, edge, 0, SQUARE, handMm)!;
  const exact = placeOf(creasesOf(folds, SQUARE), lastMark(edge, folds));
  let squares = 0;
  for (let k = 0; k < count; k++) {
    const made = markMissed(SQUARE, folds, way.creased, lastMark(edge, folds), {
      sigmaMm: handMm,
      seed: seed * 7919 + k,
    });
    squares += edge % 2 ? (made.y - exact.y) ** 2 : (made.x - exact.x) ** 2;
  }
  return Math.sqrt(squares / count);
}

/** The measured marks of a piece, and what is needed to find them. */
function marksOf(pieceId: string, side: number, params: object) {
  const piece = SHELF.piece(pieceId);
  const folded = foldAnew(piece, { widthMm: side, heightMm: side }, params);
  const sheet = sheetFor(piece, { widthMm: side, heightMm: side });
  const steps = sheetMarks(folded.folding, sheet);
  const marks = steps.flatMap((step) => step.marks);
  const measured = marks.flatMap((mark) => (mark.how.kind === 'measured' ? [{ mark, how: mark.how }] : []));
  return { folded, steps, marks, measured, size: { widthMm: side, heightMm: side } };
}

describe('errors of marks', () => {
  it('are told as replays by the hand that misses have them', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(0, 1, 2, 3),
        fc.double({ min: 10, max: 140, noNaN: true }),
        fc.nat(1000),
        (edge, mm, seed) => {
          for (const { folds, spread } of foldWaysTo(search, SQUARE, edge, mm, 0.2).slice(0, 2)) {
            const sd = replayed(folds, edge, 0.05, 1200, seed);
            // The standard error of a standard deviation from so many is 2 %.
            expect(Math.abs(sd / (0.05 * spread.ofHand) - 1)).toBeLessThan(0.1);
            expect(spread.worst).toBeGreaterThanOrEqual(spread.ofHand);
          }
        },
      ),
      { numRuns: runs(4, 60) },
    );
  });

  it.each([
    [1, 3, 2],
    [2, 5, 4],
    [3, 7, 3],
    [1, 6, 2],
  ])(
    'of %i/%i by halving: each round of %i folds leaves its half of the guess, and the hand’s part as replayed',
    (part, of, round) => {
      expect(foldsInRound({ part, of })).toBe(round);
      const guess = foldWay(halvingFolds(0, { part, of }, 0), 0, 0, SQUARE, 0)!.spread.ofEye;
      for (const rounds of [1, 2]) {
        const folds = halvingFolds(0, { part, of }, rounds);
        const way = foldWay(folds, 0, 0, SQUARE, 0.3)!;
        expect(way.spread.ofEye).toBeCloseTo(guess / 2 ** (round * rounds), 6);
        expect(placeOf(creasesOf(folds, SQUARE), lastMark(0, folds)).x).toBeCloseTo((150 * part) / of, 4);
        // The hand misses the guess as it pinches it, too: a little of that is left in the replay.
        const sd = replayed(folds, 0, 0.05, 1500, rounds);
        expect(sd / (0.05 * way.spread.ofHand)).toBeGreaterThan(0.9);
        expect(sd / (0.05 * way.spread.ofHand)).toBeLessThan(1.25);
      }
    },
  );

  it('a slip in a drill, and too few tries, change little; many tries are believed', () => {
    expect(eyeOf([]).eye).toBeCloseTo(USUAL_EYE, 12);
    const normal = seededNormal(Math.floor(1e6 * Math.random()));
    const tries = Array.from({ length: 400 }, () => ({ share: 1 / 3, set: (1 + 0.01 * normal()) / 3 }));
    expect(Math.abs(eyeOf(tries).eye / 0.01 - 1)).toBeLessThan(0.15);
    const slipped = eyeOf([...tries, { share: 1 / 3, set: 0.9 }]);
    expect(slipped.eye).toBeLessThan(1.2 * eyeOf(tries).eye);
    expect(eyeOf(tries.slice(0, 2)).eye).toBeGreaterThan(0.7 * USUAL_EYE);
  });
});

describe('ways to find what is measured', () => {
  const PIECES: [string, number, object][] = [
    ['curled-ear-basket', 150, { baseMm: 60 }],
    ['thirds-twist-letterfold', 150, { thirds: 'ruler' }],
    ['square-card-envelope', 150, {}],
    ['bead-track', 150, {}],
    ['square-tray-and-eared-lid', 150, { wallMm: 24 }],
    ['banded-gift-box', 150, { halfBandMm: 7, heightMm: 18 }],
  ];
  it.each(PIECES)(
    '%s: every way is read back by its id, and the folded ones mark the very places',
    (id, side, params) => {
      const { measured, size } = marksOf(id, side, params);
      for (const { how } of measured) {
        const ways = waysToMark(how, size, MAKER, search);
        expect(ways[0].kind).toBe('ruler');
        expect(new Set(ways.map((way) => way.id)).size).toBe(ways.length);
        for (const way of ways) {
          expect(way.id).toMatch(/^[a-z0-9][a-z0-9-]{0,79}$/);
          expect(wayById(way.id, how, size, MAKER)).toEqual(way);
          expect(new Set(way.misses.map((miss) => miss.measured))).toEqual(
            new Set(how.places.map((place) => place.measured)),
          );
          if (!way.folded) continue;
          const lines = creasesOf(way.folded.folds, size);
          const goals = goalsOf(how.places, size)!;
          way.folded.marks.forEach((place, k) => {
            const { x, y } = placeOf(lines, place);
            const at = [x, y, size.widthMm - x, size.heightMm - y][goals[k].edge];
            expect(Math.abs(at - goals[k].mm)).toBeLessThan(Math.max(1e-4, 3 * way.expectedMm));
          });
        }
      }
      for (const other of ['constructor', 'f-', 'f-p9', 'halving-0', 'halving-12', ''])
        expect(measured.every(({ how }) => wayById(other, how, size, MAKER) === null)).toBe(true);
    },
  );

  it('a mark that moves along its edge moves the folds through it as is said, square to edges and slanting', () => {
    const moved = new Set<string>();
    for (const [id, side, params] of PIECES) {
      const { measured, size } = marksOf(id, side, params);
      for (const { how } of measured) {
        const goals = goalsOf(how.places, size);
        if (!goals) continue;
        moved.add(id);
        const by = goals.map(() => 0.02 * (Math.random() - 0.5));
        const edges = edgesOf(size);
        const at = (k: number, off: number) => {
          const { at: start, along } = edges[goals[k].edge];
          return { x: start.x + (goals[k].mm + off) * along.x, y: start.y + (goals[k].mm + off) * along.y };
        };
        for (const { at: place, from, mm, measured: n } of how.places) {
          const of = goals.flatMap(({ places }, k) => (places.some((one) => one.measured === n) ? [k] : []));
          const told = of.reduce((sum, k) => sum + by[k] * goals[k].places.find((one) => one.measured === n)!.moves, 0);
          const [p, q] = [at(of[0], by[of[0]]), of.length > 1 ? at(of[1], by[of[1]]) : null];
          const { along } = edges[goals[of[0]].edge];
          const fold = q ? lineThrough(p, q) : { at: p, along: { x: -along.y, y: along.x } };
          // Where the moved fold meets the way along which the place is measured.
          const way = { at: from, along: { x: (place.x - from.x) / mm, y: (place.y - from.y) / mm } };
          const met = crossing(fold, way)!;
          expect(of.length).toBe(goals[of[0]].square ? 1 : 2);
          expect(Math.abs(distance(met, from) - mm - told)).toBeLessThan(1e-4);
        }
      }
    }
    expect(moved.size).toBeGreaterThanOrEqual(4);
  });

  it('a school takes its own ways, and the ruler where it has none', () => {
    const { measured, size } = marksOf('thirds-twist-letterfold', 150, { thirds: 'ruler' });
    const ways = waysToMark(measured[0].how, size, MAKER, search);
    const seen = (): number => 0;
    expect(usualWay(ways, 'ruler', seen).id).toBe('ruler');
    expect(usualWay(ways, 'fold', seen).school).toBe('fold');
    expect(usualWay(ways, 'eye', seen).school).toBe('eye');
    expect(usualWay(ways.slice(0, 1), 'fold', seen).id).toBe('ruler');
    // What is seen of one way more than makes up for its being more exact.
    const [first, second] = ways.filter((way) => way.school === 'fold');
    const better = first.expectedMm <= second.expectedMm ? first : second;
    expect(usualWay([ways[0], first, second], 'fold', (way) => (way === better ? 1000 : 0))).not.toBe(better);
  });

  it('ways of several marks are one sequence, in which what they share is folded once', () => {
    const { measured, size } = marksOf('thirds-twist-letterfold', 150, { thirds: 'ruler' });
    const ways = measured.map(({ mark, how }) => ({
      called: mark.name,
      way: waysToMark(how, size, MAKER, search).find((way) => way.kind === 'folds')!,
    }));
    const plan = planMarks(ways, size);
    const apart = ways.reduce((sum, { way }) => sum + way.folded!.folds.length, 0);
    expect(plan.folds.length).toBeLessThan(apart);
    expect(plan.steps.length).toBe(plan.folds.length);
    expect(plan.misses.length).toBe(measured.reduce((sum, { how }) => sum + how.places.length, 0));
    const lucks = ways.map(({ way }) => plan.misses.find((miss) => miss.measured === way.misses[0].measured)!.luck);
    expect(new Set(lucks).size).toBe(ways.length);
    for (const { poses } of plan.steps) expect(poses.at(-1)!.marks!.length).toBeGreaterThan(poses[0].marks!.length);
  });

  it('divides an edge: all marks lie at their places, in fewer folds than each by itself', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 12 }), fc.constantFrom(0, 1, 2, 3), (parts, edge) => {
        const places = Array.from({ length: parts - 1 }, (_, k) => (150 * (k + 1)) / parts);
        const division = divideBy(search, SQUARE, edge, places, 0.3)!;
        const lines = creasesOf(division.folds, SQUARE);
        division.marks.forEach(({ place, mm, offMm }, k) => {
          const { x, y } = placeOf(lines, place);
          expect(mm).toBe(places[k]);
          expect([x, y, 150 - x, 150 - y][edge] - mm).toBeCloseTo(offMm, 9);
          expect(Math.abs(offMm)).toBeLessThan(0.75);
        });
        expect(division.folds.length).toBeLessThanOrEqual(parts + 3);
      }),
      { numRuns: runs(6, 60) },
    );
  });

  it('a line in a direction runs so', () => {
    fc.assert(
      fc.property(fc.double({ min: 4, max: 176, noNaN: true }), (deg) => {
        for (const { folds, offDeg } of angleWaysTo(search, SQUARE, deg, 0.3)) {
          const { along } = creasesOf(folds, SQUARE).at(-1)!;
          const made = ((Math.atan2(along.y, along.x) * 180) / Math.PI + 360) % 180;
          expect(Math.abs(Math.sin(((made - deg - offDeg) * Math.PI) / 180))).toBeLessThan(1e-9);
        }
      }),
      { numRuns: runs(10, 100) },
    );
    expect(angleWaysTo(search, SQUARE, 22.5, 0.3)[0]).toMatchObject({ exact: true });
  });
});

describe('marks and what they do', () => {
  it('on an open sheet all of a crease is seen on both sides, and what is folded in is not', () => {
    const piece = [
      [
        { x: 20, y: 30 },
        { x: 120, y: 30 },
      ],
    ] as const;
    const open = visibleOn(blankSheet(rectangleSheet(150, 150)), piece);
    expect(open.white).toBeCloseTo(100, 9);
    expect(open.coloured).toBeCloseTo(100, 9);
    const { folded } = marksOf('square-card-envelope', 150, {});
    const { white, coloured } = visibleOn(folded.folding.finished, piece);
    expect(white).toBeLessThan(open.white);
    expect(white).toBeGreaterThanOrEqual(0);
    expect(coloured).toBeLessThanOrEqual(100 + 1e-9);
  });

  it('a mark that is missed moves what is folded through it, for every piece whose sizes depend on it', () => {
    const still = new Set<string>();
    for (const [id, side, params] of [
      ['curled-ear-basket', 150, { baseMm: 60 }],
      ['triangular-purse', 150, {}],
      ['thirds-twist-letterfold', 150, { thirds: 'ruler' }],
      ['gusseted-bag', 200, {}],
    ] as const) {
      const { folded, measured } = marksOf(id, side, params);
      const exact = JSON.stringify(measureMissed(folded, { sigmaMm: 0, seed: 0 }, 0));
      for (const { mark, how } of measured)
        for (const { measured: k } of how.places) {
          const marks = new Array<number>(k + 1).fill(0);
          marks[k] = 0.5;
          if (JSON.stringify(measureMissed(folded, { sigmaMm: 0, seed: 0, marks }, 0)) === exact) still.add(mark.key);
        }
    }
    // Only where the flap of a base or a pleat ends does no size tell.
    expect([...still].filter((key) => !/flap|pleat/.test(key))).toEqual([]);
  });

  it('chances with marks are those of replays that miss folds and marks alike', () => {
    const fitting = new Fitting();
    const { folded, measured } = marksOf('triangular-purse', 150, {});
    const [{ how }] = measured;
    const offsets = offsetsOf(fitting, atOnce(missesOf(folded)));
    const places = how.places.map(({ measured: k }) => ({ measured: k, biasMm: 0.8, sdMm: 0.6, luck: 0 }));
    const handMm = 0.3;
    const drawn = withMarks(fitting, offsets, folded, places, handMm);
    expect(withMarks(fitting, offsets, folded, [], handMm)).toEqual(offsets);
    const name = drawn.names.indexOf('baseMm');
    const spread = (values: readonly number[]) => {
      const mean = values.reduce((a, b) => a + b, 0) / values.length;
      return { mean, sd: Math.sqrt(values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / values.length) };
    };
    const told = spread([...drawn.draws[name]].map((draw) => draw * handMm));
    const normal = seededNormal(Math.floor(1e6 * Math.random()));
    const base = foldAnew(folded.piece, folded.size, folded.params);
    const exact = measureMissed(base, { sigmaMm: 0, seed: 0 }, 0).rooms[0].sizes['baseMm'];
    const made = spread(
      Array.from({ length: 1500 }, (_, k) => {
        const marks: number[] = [];
        marks[how.places[0].measured] = 0.8 + 0.6 * normal();
        return measureMissed(base, { sigmaMm: handMm, seed: k + 1, marks }, 0).rooms[0].sizes['baseMm'] - exact;
      }),
    );
    expect(told.mean).toBeCloseTo(made.mean, 0);
    expect(Math.abs(told.sd / made.sd - 1)).toBeLessThan(0.12);
  });

  it('marks of a piece have keys of their own', () => {
    for (const form of SHELF.forms.slice(0, 6)) {
      const side = Math.max(200, form.leastSheetMm);
      if (form.sheetShape !== 'square') continue;
      const { marks, steps } = marksOf(form.id, side, {});
      const keys = marks.map(({ key }: SheetMark) => key);
      expect(new Set(keys).size).toBe(keys.length);
      for (const key of keys) expect(key).toMatch(/^[a-z0-9][a-z0-9-]*$/);
      expect(steps.every((step) => step.marks.length > 0)).toBe(true);
    }
    expect(EDGES).toHaveLength(4);
  });
});
