import * as fc from 'fast-check';
import { draftsDiffer, type Guessed, guessesOf, type Make, triedRange } from '../../src/index';

const guessed = (role: string, guess: number | null, truth: number | null, told: number | null = null): Guessed => ({
  ...{ role, guess, truth, told },
});

describe('guesses', () => {
  it('are told apart by role, as shares of what came, and say whether they get better', () => {
    const all = [
      guessed('Sorter', 20, 10),
      guessed('Greeter', 9, 10, 11),
      guessed('Sorter', 4, 8),
      guessed('Sorter', 11, 10),
      guessed('Sorter', 19, 20, 22),
    ];
    const [sorter, greeter] = guessesOf(all);
    expect(sorter.offs.map(({ nth }) => nth)).toEqual([0, 2, 3, 4]);
    expect(sorter.offs[0].guessOff).toBeCloseTo(1, 12);
    expect(sorter.better!.before).toBeCloseTo(0.75, 12);
    expect(sorter.better!.now).toBeCloseTo(0.075, 12);
    expect(greeter).toMatchObject({ role: 'Greeter', better: null });
    expect(greeter.offs[0].toldOff).toBeCloseTo(0.1, 12);
  });

  it('of which nothing came, or nothing was said, say nothing', () => {
    expect(guessesOf([guessed('', 5, null), guessed('', null, 5), guessed('', 5, 0)])).toEqual([]);
  });

  it('do not depend on what they are counted in', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 1, max: 99, noNaN: true }), fc.double({ min: 1, max: 99, noNaN: true })), {
          minLength: 1,
          maxLength: 12,
        }),
        fc.double({ min: 0.1, max: 50, noNaN: true }),
        (pairs, unit) => {
          const [one, other] = [1, unit].map(
            (times) => guessesOf(pairs.map(([guess, truth]) => guessed('', times * guess, times * truth)))[0].offs,
          );
          one.forEach(({ guessOff }, k) => expect(other[k].guessOff).toBeCloseTo(guessOff!, 9));
        },
      ),
    ));
});

describe('what trials of the same came to', () => {
  const minutes = fc.array(fc.double({ min: 1, max: 200, noNaN: true }), { minLength: 1, maxLength: 12 });

  it('lies between its least and its most, goes with its unit, and is surer by more of them', () => {
    fc.assert(
      fc.property(minutes, fc.double({ min: 0.1, max: 9, noNaN: true }), (all, unit) => {
        const [one, other] = [triedRange(all)!, triedRange(all.map((x) => unit * x))!];
        expect(one.least).toBeLessThan(one.likely);
        expect(one.likely).toBeLessThan(one.most);
        expect(other.likely / one.likely).toBeCloseTo(unit, 9);
        expect(other.most / other.least).toBeCloseTo(one.most / one.least, 9);
      }),
    );
    const wide = [1, 4, 16]
      .map((n) => triedRange(new Array<number>(n).fill(20))!)
      .map(({ least, most }) => most / least);
    expect(wide).toEqual([...wide].sort((a, b) => b - a));
  });

  it('is not known without any', () => expect([triedRange([]), triedRange([0, -3])]).toEqual([null, null]));
});

describe('drafts of a form', () => {
  const draft = (widthMm: number, strips: string): Make => ({
    formId: 'bead-track-straight',
    params: { strips },
    entries: { track: { sheet: { widthMm, heightMm: widthMm }, thicknessMm: 0.1 } },
  });

  it('are told apart by what is not alike in them, by the names that their fields have', () => {
    const rows = draftsDiffer([draft(170, 'twelve'), draft(170, 'eight'), draft(200, 'eight')]);
    expect(rows).toEqual([
      { name: 'Sheet, wide', values: [170, 170, 200], isLength: true },
      { name: 'Sheet, high', values: [170, 170, 200], isLength: true },
      { name: 'Strips', values: ['Twelve', 'Eight', 'Eight'], isLength: false },
    ]);
    expect(draftsDiffer([draft(170, 'six'), draft(170, 'six')])).toEqual([]);
  });

  it('of several forms, and of one that is not here, are told apart by that', () => {
    const other = { ...draft(170, 'six'), formId: 'paper-moon' };
    expect(draftsDiffer([draft(170, 'six'), other]).at(0)).toEqual({
      ...{ name: 'Form', values: ['Straight bead track', 'paper-moon'], isLength: false },
    });
  });
});
