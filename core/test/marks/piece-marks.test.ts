import {
  creasesOf,
  distance,
  edgesOf,
  EDGES,
  findingWords,
  foldAnew,
  type Form,
  formatLength,
  foldWords,
  make,
  marksOfPiece,
  marksPicture,
  MarkSearch,
  type MarksWanted,
  measuredOf,
  namingOf,
  parsePurpose,
  type School,
  SCHOOLS,
  seenOf,
  sheetFor,
  sheetMarks,
  sheetSizeOf,
  type SheetSize,
  SHELF,
  squareSheet,
  stepPictures,
  thingsAsRulers,
  USUAL_EYE,
  WAY_NAMES,
  waysToMark,
  whereIs,
  withMarkSteps,
  atOnce,
  rectangleSheet,
} from '../../src/index';
import { someOf } from '../runs';

const searches = new Map<string, MarkSearch>();
function searchFor(size: SheetSize): MarkSearch {
  const key = (size.widthMm / size.heightMm).toFixed(9);
  let search = searches.get(key);
  if (!search) searches.set(key, (search = atOnce(MarkSearch.over(size))));
  return search;
}

const wanted = (school: School, ways: MarksWanted['ways'] = null): MarksWanted => ({
  ...{ school, ways },
  maker: { handMm: 0.3, eye: USUAL_EYE, rulerStepMm: 1, things: [{ name: 'card', mm: 60 }] },
});

interface Case {
  readonly id: string;
  readonly sheet: SheetSize;
  readonly params: Readonly<Record<string, unknown>>;
}

const square = (widthMm: number): SheetSize => ({ widthMm, heightMm: widthMm });

/** Pieces that measure, each on a sheet of its own. */
const CASES: readonly Case[] = [
  { id: 'thirds-twist-letterfold', sheet: square(180), params: { thirds: 'ruler' } },
  { id: 'square-tray-and-eared-lid', sheet: square(157), params: { wallMm: 24 } },
  { id: 'curled-ear-basket', sheet: square(190), params: { baseMm: 70 } },
  { id: 'closing-cube', sheet: square(183), params: { thirds: 'ruler' } },
  { id: 'gusseted-bag', sheet: { widthMm: 297, heightMm: 210 }, params: {} },
  { id: 'tuck-flap-envelope', sheet: square(157), params: { hemMm: 12, sideMm: 24 } },
  { id: 'bead-track', sheet: square(210), params: {} },
  { id: 'triangular-purse', sheet: square(150), params: {} },
];

function folded({ id, sheet, params }: Case) {
  const piece = SHELF.piece(id);
  return { lying: sheetFor(piece, sheet), ...foldAnew(piece, sheet, params) };
}

const say = (one: Parameters<typeof findingWords>[0]): string | null =>
  findingWords(one, (mm) => formatLength(mm, 'mm'));

describe('a piece with its marks found as was chosen', () => {
  it.each(someOf(CASES, 4))(
    '$id: the folds that find its marks come first, each a state the open sheet can be in',
    (one) => {
      const { folding, lying } = folded(one);
      const marked = marksOfPiece(folding, lying, wanted('fold'), searchFor);
      const { steps, marks, folds } = marked.plan;
      const all = withMarkSteps(folding.steps, marked, say);
      expect(all.length).toBe(folding.steps.length + folds.length);
      expect(all.slice(0, steps.length).map(({ id }) => id)).toEqual(steps.map(({ id }) => id));
      expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
      const size = sheetSizeOf(lying);
      for (const step of steps) {
        expect(step.id).toMatch(/^[a-z0-9][a-z0-9-]{0,79}$/);
        const [before, after] = [step.poses[0], step.poses.at(-1)!];
        expect(after.pattern.faces).toHaveLength(1);
        expect(after.marks!.length).toBeGreaterThan(before.marks!.length);
        // Every place that the words name by a letter has its letter in the picture.
        const letters = [...step.words.matchAll(/\(([A-D])\)/g)].map(([, letter]) => letter);
        expect([...new Set(letters)].sort()).toEqual([...new Set(step.landmarks.map(({ name }) => name))].sort());
        expect(stepPictures(step).now.lines.length).toBeGreaterThan(4);
      }
      // Every mark that is folded is called by its number where it is pinched.
      const called = new Set(marked.plan.pinches.flatMap((pinch) => pinch.called?.split(' and ') ?? []));
      const byFolding = marked.found.filter(({ way }) => way.folded).map(({ mark }) => `${mark.n}`);
      expect([...called].sort()).toEqual([...new Set(byFolding)].sort());
      const drawn = marksPicture(folding, marked.marks, marked.plan.pinches);
      const labels = new Set(drawn.labels.flatMap(({ text }) => text.split(' and ')));
      for (const number of called) expect(labels).toContain(number);
      expect(drawn.lines.length).toBe(marksPicture(folding, marked.marks).lines.length + marks.length);
      for (const { from, to } of marks)
        for (const { x, y } of [from, to]) {
          expect(Math.min(x, y)).toBeGreaterThan(-1e-6);
          expect(x).toBeLessThan(size.widthMm + 1e-6);
          expect(y).toBeLessThan(size.heightMm + 1e-6);
        }
    },
  );

  it.each(someOf(CASES, 3))('$id: pinches on its sheet change nothing that is folded of it', (one) => {
    const { folding, lying, piece } = folded(one);
    const { marks } = marksOfPiece(folding, lying, wanted('fold'), searchFor).plan;
    const request = { sheet: one.sheet, params: one.params, paper: { thicknessMm: 0.1 } };
    const [plain, pinched] = [make(piece.id, request), make(piece.id, { ...request, marks })];
    expect(pinched.sizes).toEqual(plain.sizes);
    expect(pinched.folding.finished.marks!.length).toBe(plain.folding.finished.marks!.length + marks.length);
  });

  it('with a ruler nothing is folded first and nothing is said; every other way says what is done', () => {
    for (const one of CASES) {
      const { folding, lying } = folded(one);
      const ruled = marksOfPiece(folding, lying, wanted('ruler'), () => {
        throw new Error('A ruler needs no search.');
      });
      expect(ruled.plan.steps).toEqual([]);
      expect(ruled.found.length).toBeGreaterThan(0);
      expect(withMarkSteps(folding.steps, ruled, say).flatMap(({ finds }) => finds ?? [])).toEqual([]);
      expect(ruled.plan.misses.every(({ biasMm, sdMm }) => biasMm === 0 && sdMm === 0)).toBe(true);
      const [{ mark, measured }] = ruled.found;
      for (const way of waysToMark(
        measured,
        sheetSizeOf(lying),
        wanted('ruler').maker,
        searchFor(sheetSizeOf(lying)),
      )) {
        const words = say({ mark, measured, way });
        expect(words === null).toBe(way.kind === 'ruler');
        expect(WAY_NAMES[way.kind].length).toBeGreaterThan(3);
        if (words) expect(words.startsWith(`Mark ${mark.n}`)).toBe(true);
        if (way.kind === 'card') expect(words).toContain(formatLength(measured.mm, 'mm'));
      }
    }
  });

  it('one mark by a way of its own, the others by the school; a way that is none here gives way to the school', () => {
    const [one] = CASES;
    const { folding, lying } = folded(one);
    const usual = marksOfPiece(folding, lying, wanted('fold'), searchFor);
    const [first, second] = usual.found.map(({ mark }) => mark.key);
    const mixed = marksOfPiece(
      folding,
      lying,
      wanted('fold', { [first]: 'card', [second]: 'f-p9999', other: 'eye', constructor: 'eye' }),
      searchFor,
    );
    expect(mixed.found.map(({ way }) => way.kind)).toEqual([
      'card',
      ...usual.found.slice(1).map(({ way }) => way.kind),
    ]);
    expect(mixed.plan.folds.length).toBeLessThan(usual.plan.folds.length);
  });

  it('a way that was chosen for one sheet is the same fold on another, or none where it marks another place', () => {
    const [, tray] = CASES;
    const { folding, lying } = folded(tray);
    const [{ mark, way }] = marksOfPiece(folding, lying, wanted('fold'), searchFor).found;
    const again = (widthMm: number) => {
      const { folding: other, lying: on } = folded({ ...tray, sheet: square(widthMm) });
      return marksOfPiece(other, on, wanted('ruler', { [mark.key]: way.id }), searchFor).found[0].way;
    };
    expect(again(158).id).toBe(way.id);
    expect(again(158).expectedMm).toBeGreaterThan(0);
    expect(again(260).id).toBe('ruler');
  });

  it('what is seen of a way is no more than its creases, on either side, and nothing of what folds nothing', () => {
    for (const one of CASES.slice(0, 3)) {
      const { folding, lying } = folded(one);
      for (const school of SCHOOLS)
        for (const { way } of marksOfPiece(folding, lying, wanted(school), searchFor).found) {
          const { white, coloured } = seenOf(folding, way);
          const length = (way.folded?.creased ?? [])
            .flatMap(({ pieces }) => pieces)
            .reduce((sum, [p, q]) => sum + Math.hypot(q.x - p.x, q.y - p.y), 0);
          expect(Math.max(white, coloured)).toBeLessThanOrEqual(length + 1e-6);
          if (!way.folded) expect(white + coloured).toBe(0);
        }
    }
  });

  it('sheets have their sides as they lie, marks that are folded are no measured ones', () => {
    expect(sheetSizeOf(rectangleSheet(120, 80))).toEqual({ widthMm: 120, heightMm: 80 });
    expect(sheetSizeOf(squareSheet(50))).toEqual({ widthMm: 50, heightMm: 50 });
    const { folding, lying } = folded(CASES[0]);
    const marks = marksOfPiece(folding, lying, wanted('ruler'), searchFor).marks.flatMap((step) => step.marks);
    const open = folding.steps[0].poses[0];
    expect(marks.some((mark) => measuredOf(mark, sheetSizeOf(lying), open) === null)).toBe(true);
    const forms: readonly Form[] = SHELF.forms;
    expect(forms.length).toBeGreaterThan(13);
  });
});

describe('marks that are folded', () => {
  it('are at hand when the piece is folded through them: with its places, as they lay on the open sheet', () => {
    let [slanting, none] = [0, 0];
    for (const one of CASES) {
      const { folding, lying } = folded(one);
      const size = sheetSizeOf(lying);
      const edges = edgesOf(size);
      for (const step of sheetMarks(folding, lying))
        for (const mark of step.marks) {
          const [pose] = folding.steps[step.step - 1].poses;
          const measured = measuredOf(mark, size, pose);
          if (!measured) continue;
          if (!measured.goals) none++;
          for (const { edge, mm, square: isSquare, places } of measured.goals ?? []) {
            if (!isSquare) slanting++;
            const { at, along } = edges[edge];
            const pinch = { x: at.x + mm * along.x, y: at.y + mm * along.y };
            for (const { measured: n } of places) {
              const place = measured.places.find((other) => other.measured === n)!.at;
              const [p, q] = [whereIs(pose, pinch), whereIs(pose, place)];
              expect(distance(p, q)).toBeCloseTo(distance(pinch, place), 3);
            }
          }
        }
    }
    expect(slanting).toBeGreaterThan(0);
    // What is measured on folded paper is not to be found on the open sheet.
    expect(none).toBeGreaterThan(0);
  });
});

describe('words for folds', () => {
  it('name corners by two edges, folds by their numbers, and crossings by both', () => {
    const naming = namingOf([], 1);
    expect(naming.place([0, 3])).toBe('the near left corner');
    expect(naming.place([1, 2])).toBe('the far right corner');
    expect(naming.place([5, 2])).toBe('pinch 2 on the far edge');
    expect(naming.place([6, 4])).toBe('where 1 and 3 cross');
    expect(EDGES.map((_, k) => naming.line(k))).toEqual(EDGES.map((edge) => `the ${edge} edge`));
    expect(foldWords({ kind: 'point-onto-point', point: [0, 3], onto: [0, 1] }, naming)).toBe(
      'Lay the near left corner onto the near right corner.',
    );
    expect(foldWords({ kind: 'by-eye', edge: 0, share: 1 / 3 }, naming)).toBe(
      'Guess 33.3 % of the near edge from its left end.',
    );
    expect(creasesOf([], { widthMm: 10, heightMm: 10 })).toHaveLength(4);
  });

  it('things that are held serve as rulers by each of their sides', () => {
    expect(thingsAsRulers(parsePurpose('60 x 45 x 22')).map(({ mm }) => mm)).toEqual([60, 45, 22]);
    expect(thingsAsRulers(parsePurpose('200 ml'))).toEqual([]);
    expect(thingsAsRulers(null)).toEqual([]);
  });
});
