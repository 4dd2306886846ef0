import * as fc from 'fast-check';
import { blockOn, flatContents, surfaceIn } from '../../src/drawing/contents';
import { area } from '../../src/pattern/convex';
import { signedVolume } from '../../src/folding/solid-measures';
import { make } from '../../src/forms/make';

/** A cone standing on its point: a fan of triangles with its mouth at a height. */
function cone(radius: number, height: number, sides = 48) {
  const rim = Array.from({ length: sides }, (_, k) => {
    const a = (2 * Math.PI * k) / sides;
    return { x: radius * Math.cos(a), y: radius * Math.sin(a), z: height };
  });
  const foot = { x: 0, y: 0, z: 0 };
  return rim.map((p, k) => [p, foot, rim[(k + 1) % sides]]);
}

describe('what is shown in a piece', () => {
  it('fills a cone to the cube root of its share: half as high holds an eighth', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 200, noNaN: true }),
        fc.double({ min: 10, max: 200, noNaN: true }),
        fc.double({ min: 0.02, max: 0.9, noNaN: true }),
        (radius, height, share) => {
          const facets = cone(radius, height);
          const base = area(facets.map(([p]) => p));
          const level = surfaceIn(facets, (share * base * height) / 3);
          // Sixty levels: it can be one level off.
          expect(Math.abs(level[0].z / height - Math.cbrt(share))).toBeLessThan(1.1 / 60);
          expect(area(level)).toBeGreaterThan(0);
        },
      ),
    );
  });

  it('stays below the rim when there is more than it holds', () => {
    const level = surfaceIn(cone(40, 50), 1e9);
    expect(level[0].z).toBeLessThan(50);
  });

  it('is a closed solid, drawn from outside: a card, a page, a block', () => {
    const sheet = { widthMm: 160, heightMm: 160 };
    const paper = { thicknessMm: 0.1 };
    const card = make('square-card-envelope', { sheet, params: {}, paper });
    const page = make('page-corner-bookmark', { sheet, params: {}, paper });
    const dish = make('four-pointed-dish', { sheet, params: {}, paper });
    const floor = [
      { x: 60, y: 60 },
      { x: 100, y: 60 },
      { x: 100, y: 100 },
      { x: 60, y: 100 },
    ];
    for (const sides of [
      flatContents(card.sizes.rooms[0]),
      flatContents(page.sizes.rooms[0]),
      blockOn(dish.folding.finished, floor, dish.sizes.rooms[0]),
    ]) {
      const moved = sides.map((side) => side.map((p) => ({ x: p.x + 31, y: p.y - 17, z: p.z + 5 })));
      expect(signedVolume(sides)).toBeGreaterThan(0);
      // Of a closed surface the volume does not depend on where it lies.
      expect(signedVolume(moved)).toBeCloseTo(signedVolume(sides), 3);
    }
  });

  it('holds a page only outside the corner that marks it', () => {
    const { sizes } = make('page-corner-bookmark', {
      sheet: { widthMm: 120, heightMm: 120 },
      params: {},
      paper: { thicknessMm: 0.1 },
    });
    const [point, edge, other] = sizes.rooms[0].corners!;
    const halfway = { x: (edge.x + other.x) / 2, y: (edge.y + other.y) / 2 };
    const away = { x: halfway.x - point.x, y: halfway.y - point.y };
    for (const p of flatContents(sizes.rooms[0]).flat())
      expect((p.x - halfway.x) * away.x + (p.y - halfway.y) * away.y).toBeGreaterThanOrEqual(-1e-9);
  });
});
