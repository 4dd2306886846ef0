import { LIDS, MOST_NESTED, readLid, readNested } from './wishes-query';

describe('what is wished of a make, in an address', () => {
  it('reads back each lid, and takes what is not one for none', () => {
    for (const { id } of LIDS) expect(readLid(id)).toBe(id);
    for (const text of [null, '', 'golden', 'constructor']) expect(readLid(text)).toBe('none');
  });

  it('counts whole pieces, up to the most', () => {
    expect(readNested('3')).toBe(3);
    expect(readNested(`${MOST_NESTED}`)).toBe(MOST_NESTED);
    for (const text of [null, '', '0', '-2', 'many', `${MOST_NESTED + 1}`, 'Infinity'])
      expect(readNested(text)).toBe(1);
  });
});
