import * as fc from 'fast-check';
import {
  area,
  blankPattern,
  type CreasePattern,
  faceOutline,
  isBorder,
  lineThrough,
  point,
  rectangleSheet,
  segmentCuts,
  splitFaces,
} from '../../src/index';

const W = 100;
const H = 70;
const rim = fc.double({ min: 0.01, max: 0.99, noNaN: true });

/** Creases right across the sheet, from the left or bottom edge to the right or top one. */
const creases = fc.array(fc.tuple(fc.boolean(), rim, rim), { minLength: 1, maxLength: 7 });

function creased(list: readonly (readonly [boolean, number, number])[]): CreasePattern {
  return list.reduce(
    (pattern, [across, s, t], k) => {
      const line = across
        ? lineThrough(point(0, s * H), point(W, t * H))
        : lineThrough(point(s * W, 0), point(t * W, H));
      return splitFaces(pattern, new Map(pattern.faces.map((_, f) => [f, line])), `crease ${k}`).pattern;
    },
    blankPattern(rectangleSheet(W, H)),
  );
}

describe('creasing a sheet', () => {
  it('faces tile the sheet and are convex', () =>
    fc.assert(
      fc.property(creases, (list) => {
        const pattern = creased(list);
        const areas = pattern.faces.map((_, f) => area(faceOutline(pattern, f)));
        expect(Math.min(...areas)).toBeGreaterThan(0);
        expect(areas.reduce((a, b) => a + b, 0)).toBeCloseTo(W * H, 7);
      }),
    ));

  it('vertices, edges and faces obey Euler’s formula, and each crease joins two faces', () =>
    fc.assert(
      fc.property(creases, (list) => {
        const { vertices, edges, faces } = creased(list);
        expect(vertices.length - edges.length + faces.length).toBe(1);
        for (const edge of edges)
          expect(isBorder(edge) ? edge.right : Math.min(edge.left, edge.right)).toBe(
            isBorder(edge) ? -1 : Math.min(edge.left, edge.right),
          );
        const used = edges.reduce((n, edge) => n + (isBorder(edge) ? 1 : 2), 0);
        expect(used).toBe(faces.reduce((n, face) => n + face.edges.length, 0));
      }),
    ));

  it('creasing twice in the same place changes nothing', () =>
    fc.assert(
      fc.property(creases, (list) => {
        const once = creased(list);
        const twice = creased([...list, list[0]]);
        expect(twice.faces.length).toBe(once.faces.length);
      }),
    ));

  it('refuses a crease that ends in the middle of paper', () => {
    const pattern = blankPattern(rectangleSheet(W, H));
    expect(() => segmentCuts(pattern, point(10, 0), point(30, 40))).toThrow(RangeError);
  });
});
