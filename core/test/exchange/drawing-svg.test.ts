import { drawingSvg, PLAIN_PAPER, roomyBox, shadeOf, shapesOf, stepPictures } from '../../src/index';
import { made } from '../forms/made';

describe('a picture as a file', () => {
  const { steps } = made('flat-folding-cup', 150).folding;
  const { now } = stepPictures(steps[2]);

  it('is a document of its own: every patch, line and arrow, no style from elsewhere', () => {
    const text = drawingSvg(now, PLAIN_PAPER, { title: 'Mark & <pinch>' });
    const doc = new DOMParserLike(text);
    expect(doc.count('path')).toBe(
      now.patches.length +
        now.lines.length +
        now.arrows.reduce((sum, { kind }) => sum + (kind === 'fold-and-unfold' ? 4 : 3), 0) +
        2 * now.labels.length,
    );
    expect(doc.count('text')).toBe(now.labels.length);
    expect(text).toContain('<title>Mark &amp; &lt;pinch&gt;</title>');
    expect(text).not.toMatch(/var\(|class=/);
    expect(text).not.toMatch(/NaN|undefined/);
  });

  it('shows all of it: everything lies in its box', () => {
    const box = roomyBox(now);
    for (const shape of shapesOf(now, PLAIN_PAPER)) {
      if (shape.kind !== 'path' || shape.d.includes('S')) continue;
      const figures = shape.d.match(/-?\d+(?:\.\d+)?(?:e-?\d+)?/g)!.map(Number);
      figures.forEach((v, k) => {
        const [low, high] = k % 2 ? [box.y, box.y + box.height] : [box.x, box.x + box.width];
        expect(v).toBeGreaterThanOrEqual(low);
        expect(v).toBeLessThanOrEqual(high);
      });
    }
  });

  it('in full light has the paper’s own colours, and is darker with less, each side its own', () => {
    const paper = { front: '#336699', back: '#fbf8ef' };
    expect(shadeOf({ side: 'colour', light: 1 }, paper)).toBe('#336699');
    expect(shadeOf({ side: 'white', light: 1 }, paper)).toBe('#fbf8ef');
    const brightness = (hex: string): number =>
      [1, 3, 5].reduce((sum, k) => sum + parseInt(hex.slice(k, k + 2), 16), 0);
    const shades = [1, 0.7, 0.4, 0].map((light) => brightness(shadeOf({ side: 'white', light }, paper)));
    expect([...shades].sort((a, b) => b - a)).toEqual(shades);
    // Half of white and half of black is, in this space, a middle grey well below half of the code values.
    const grey = shadeOf({ side: 'white', light: 0 }, { front: '#ffffff', back: '#ffffff' });
    expect(grey).toMatch(/^#[0-9a-f]{6}$/);
  });
});

/** Counts the elements of a document, refusing one that is not closed properly. */
class DOMParserLike {
  private readonly found: string[] = [];
  constructor(text: string) {
    const open: string[] = [];
    for (const [, end, name, , self] of text.matchAll(/<(\/?)([a-z]+)((?:\s+[\w-]+="[^"<]*")*)\s*(\/?)>/g)) {
      if (end) expect(open.pop()).toBe(name);
      else {
        this.found.push(name);
        if (!self) open.push(name);
      }
    }
    expect(open).toEqual([]);
  }
  count(name: string): number {
    return this.found.filter((one) => one === name).length;
  }
}
