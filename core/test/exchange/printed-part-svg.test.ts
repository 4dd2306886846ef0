import { make, printedPartSvg, formById } from '../../src/index';

const paper = { thicknessMm: 0.1 };

describe('the face of a bookmark, to be printed', () => {
  const s = 170;
  const { sizes } = make('page-corner-bookmark', {
    sheet: { widthMm: s, heightMm: s },
    params: { panel: 'band' },
    paper,
  });
  const [part] = formById('page-corner-bookmark').prints!(sizes);

  it('is as wide as the mouth and cut at half right angles, flush with the pocket', () => {
    const [a, b, c, d] = part.outline;
    expect(b.x - a.x).toBeCloseTo(s / Math.SQRT2, 6);
    expect(c.y - b.y).toBeCloseTo(b.x - c.x, 9);
    expect(d.x - a.x).toBeCloseTo(d.y - a.y, 9);
  });

  it('has eyes that touch the mouth, the middle and the slanted edges', () => {
    const depth = (s * Math.SQRT2) / 4;
    for (const { radiusMm } of part.discs) {
      // Its centre lies a radius below the mouth and beside the middle: a radius from the slanted edge too.
      expect((depth - 2 * radiusMm) / Math.SQRT2).toBeCloseTo(radiusMm, 6);
    }
  });

  it('comes out at its true size: millimetres in the document, and a bar to check them by', () => {
    const svg = printedPartSvg(part);
    const [, width, unitWidth] = /width="([\d.]+)mm" height="[\d.]+mm" viewBox="[-\d.]+ [-\d.]+ ([\d.]+)/.exec(svg)!;
    expect(width).toBe(unitWidth);
    expect(Number(width)).toBeGreaterThan(s / Math.SQRT2);
    expect(svg).toContain('H50V');
    expect(svg.match(/<circle/g)).toHaveLength(2);
  });
});
