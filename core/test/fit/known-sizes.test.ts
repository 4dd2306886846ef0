import { isSized, learnSizes, parsePurpose, sizeFor, takeSizes } from '../../src/index';
import { USUAL } from './usual-options';

const options = { ...USUAL, confidence: 0.9 };

describe('what fitting learned before', () => {
  it('gives the same answers when it is taken over from a file', () => {
    const ask = () => {
      const answer = sizeFor('flat-folding-cup', parsePurpose('60 ml'), options);
      if (!isSized(answer)) throw new Error('It has a sheet.');
      return answer;
    };
    const kept = JSON.parse(JSON.stringify(learnSizes(['flat-folding-cup']))) as ReturnType<typeof learnSizes>;
    const before = ask();
    takeSizes(kept);
    expect(ask()).toEqual(before);
    // It is what was taken over that answers: a pouch twice as roomy needs a smaller sheet.
    takeSizes({ ...kept, pouchPerCube: 2 * kept.pouchPerCube });
    expect(ask().sheet.widthMm).toBeLessThan(before.sheet.widthMm);
  });

  it('is refused when it is something else', () => {
    expect(() => takeSizes({})).toThrow();
    expect(() => takeSizes({ pouchPerCube: 'much', ways: [] })).toThrow();
  });
});
