import { COUNTS, LIDS, readCount, readLid } from './wishes-query';

describe('what is wished of a make, in an address', () => {
  it('reads back each lid, and takes what is not one for none', () => {
    for (const { id } of LIDS) expect(readLid(id)).toBe(id);
    for (const text of [null, '', 'golden', 'constructor']) expect(readLid(text)).toBe('none');
  });

  it('counts whole pieces, up to the most', () => {
    for (const count of Object.values(COUNTS)) {
      expect(readCount('3', count)).toBe(3);
      expect(readCount(`${count.most}`, count)).toBe(count.most);
      for (const text of [null, '', '0', '-2', 'many', `${count.most + 1}`, 'Infinity'])
        expect(readCount(text, count)).toBe(1);
    }
  });
});
