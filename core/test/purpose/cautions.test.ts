import { cautionsOf, COMMON_PURPOSES, isEaten, parsePurpose } from '../../src/index';

const kinds = (text: string): readonly string[] => cautionsOf(parsePurpose(text)).map(({ kind }) => kind);

describe('cautions of a purpose', () => {
  it.each([
    ['60 x 45 x 22', []],
    ['30 washers ø10 x 1', ['small parts']],
    ['bead 8', ['small parts']],
    ['4 tea lights ø38 x 16', ['flame']],
    ['2 tea bags 60 x 50 x 5', ['food']],
    ['120 ml', ['food']],
    ['load 40 g', ['water']],
    ['5 button cells ø11.6 x 5.4', ['swallowed']],
    ['6 magnets ø40 x 40, one candle ø20 x 150', ['swallowed', 'flame']],
    ['3 scalpel blades 45 x 10 x 1', ['sharp', 'small parts']],
    ['strap 25 x 2', []],
  ])('%s: %j', (text, expected) => {
    expect(kinds(text)).toEqual(expected);
  });

  it('a thing is a small part up to the cylinder of the standard, and no more beyond it', () => {
    expect(kinds('2 rods ø31.7 x 57.1')).toEqual(['small parts']);
    expect(kinds('2 rods ø31.8 x 57.1')).toEqual([]);
    expect(kinds('2 rods ø31.7 x 57.2')).toEqual([]);
    // Turned about it is as small.
    expect(kinds('2 rods 57.1 x 31.7 x 31.7')).toEqual(kinds('2 rods 31.7 x 57.1 x 31.7'));
  });

  it('a tea light is no food, a tea bag is', () => {
    expect(isEaten(parsePurpose('4 tea lights ø38 x 16'))).toBe(false);
    expect(isEaten(parsePurpose('4 tea bags 60 x 50 x 5'))).toBe(true);
  });

  it('says each caution once, for everything that is offered by name', () => {
    for (const { text } of COMMON_PURPOSES.filter(({ id }) => !id.startsWith('square'))) {
      const said = kinds(text);
      expect(new Set(said).size).toBe(said.length);
    }
  });
});
