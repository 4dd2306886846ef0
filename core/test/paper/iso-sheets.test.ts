import { isoSheet, STOCK_SHEETS } from '../../src/index';

describe('sheets of ISO 216', () => {
  it('are each half of the one before, as near √2 as whole millimetres come, from A0 of a square metre on', () => {
    for (const series of ['A', 'B'])
      for (let k = 0; k < 10; k++) {
        const [[long, short], next] = [isoSheet(`${series}${k}`)!, isoSheet(`${series}${k + 1}`)!];
        expect(next).toEqual([short, Math.floor(long / 2)]);
        expect(Math.abs(long - Math.SQRT2 * short)).toBeLessThan(1.5);
      }
    const [long, short] = isoSheet('A0')!;
    expect((long * short) / 1e6).toBeCloseTo(1, 3);
  });

  it('have the sides that everybody knows', () => {
    expect(isoSheet('A4')).toEqual([297, 210]);
    expect(isoSheet('a6')).toEqual([148, 105]);
    expect(isoSheet('B5')).toEqual([250, 176]);
    for (const name of ['A11', 'C4', 'A', 'AA', '']) expect(isoSheet(name)).toBeNull();
    expect(STOCK_SHEETS.find(({ name }) => name === 'A3')).toMatchObject({ widthMm: 420, heightMm: 297 });
  });
});
