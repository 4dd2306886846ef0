import { USUAL_EYE } from '@odd-corner/core';
import { type FreeAsked, markTasks } from './mark-tasks';
import { markSearch, searchingMarks } from './mark-searches';

const asked = (find: FreeAsked['find'], widthMm = 150, heightMm = 150): FreeAsked => ({
  ...{ size: { widthMm, heightMm }, find },
  ...{ handMm: 0.3, eye: USUAL_EYE },
});
const still = (): Promise<boolean> => Promise.resolve(true);

describe('searches for marks', () => {
  it('stop when nobody wants them any more, and are made anew when somebody does', async () => {
    const size = { widthMm: 173, heightMm: 201 };
    expect(
      await searchingMarks(
        size,
        () => undefined,
        () => true,
      ),
    ).toBeNull();
    const told: number[] = [];
    const search = await searchingMarks(
      size,
      (share) => told.push(share),
      () => false,
    );
    expect(search?.count(1)).toBeGreaterThan(3);
    expect([...told].sort((p, q) => p - q)).toEqual(told);
    expect(told.every((share) => share >= 0 && share <= 1)).toBe(true);
    // Known from then on, also of another sheet of that proportion.
    expect(markSearch({ widthMm: 346, heightMm: 402 })).toBe(search);
  });

  it('of several proportions remember the last few', () => {
    const first = markSearch({ widthMm: 100, heightMm: 61 });
    expect(markSearch({ widthMm: 100, heightMm: 61 })).toBe(first);
    for (let k = 0; k < 6; k++) markSearch({ widthMm: 100, heightMm: 62 + k });
    expect(markSearch({ widthMm: 100, heightMm: 61 })).not.toBe(first);
  });
});

describe('ways to any mark', () => {
  it('to a fraction converge too, to another length they do not; each fold has its picture and its words', async () => {
    const ways = (await markTasks.freeWays(asked({ kind: 'places', edge: 0, mm: [50] }), () => undefined, still))!;
    expect(ways.map(({ kind }) => kind)).toContain('halving');
    const other = (await markTasks.freeWays(asked({ kind: 'places', edge: 1, mm: [43.7] }), () => undefined, still))!;
    expect(other.map(({ kind }) => kind)).not.toContain('halving');
    for (const { folds, expected, worst, off } of [...ways, ...other]) {
      expect(folds.length).toBeGreaterThan(0);
      for (const { drawing, words } of folds) {
        expect(drawing.lines.length).toBeGreaterThan(4);
        expect(words).toMatch(/open it\.$/);
      }
      expect(worst).toBeGreaterThanOrEqual(expected - 1e-9);
      expect(expected).toBeGreaterThanOrEqual(Math.abs(off) - 1e-9);
    }
    // Each next way by folding comes nearer, or is the first that is exact.
    const folded = other.filter(({ kind }) => kind === 'folds');
    folded.slice(1).forEach((way, k) => expect(way.exact || way.expected < folded[k].expected).toBe(true));
  });

  it('to many places are one sequence with what is to be expected at each, and none where no fold comes near', async () => {
    const mm = [30, 60, 90, 120];
    const [division] = (await markTasks.freeWays(asked({ kind: 'places', edge: 0, mm }), () => undefined, still))!;
    expect(division.kind).toBe('division');
    expect(division.marks!.map((mark) => mark.mm)).toEqual(mm);
    expect(Math.max(...division.marks!.map(({ expectedMm }) => expectedMm))).toBe(division.expected);
    const [angle] = (await markTasks.freeWays(asked({ kind: 'angle', deg: 45 }), () => undefined, still))!;
    expect(angle).toMatchObject({ kind: 'angle', exact: true, worst: null });
    expect(angle.folds).toHaveLength(1);
  });

  it('that nobody waits for any more are none', async () => {
    const sheet = asked({ kind: 'places', edge: 0, mm: [41.3] }, 119, 307);
    expect(
      await markTasks.freeWays(
        sheet,
        () => undefined,
        () => Promise.resolve(false),
      ),
    ).toBeNull();
  });
});
