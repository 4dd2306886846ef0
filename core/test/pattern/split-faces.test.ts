import * as fc from 'fast-check';
import {
  area,
  blankPattern,
  creaseStretches,
  type CreasePattern,
  faceOutline,
  isBorder,
  lineThrough,
  point,
  rectangleSheet,
  removeFaces,
  slitEdges,
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

  it('stretches make the pattern that whole creases made, wherever they meet', () =>
    fc.assert(
      fc.property(creases, (list) => {
        const whole = creased(list);
        const stretches = whole.edges.flatMap((edge) =>
          isBorder(edge) ? [] : [{ from: whole.vertices[edge.from], to: whole.vertices[edge.to], name: edge.name }],
        );
        const { pattern, edgeFrom, faceFrom } = creaseStretches(blankPattern(rectangleSheet(W, H)), stretches);
        expect([pattern.vertices.length, pattern.edges.length, pattern.faces.length]).toEqual([
          whole.vertices.length,
          whole.edges.length,
          whole.faces.length,
        ]);
        pattern.edges.forEach((edge, e) => expect(edgeFrom[e] < 0).toBe(!isBorder(edge)));
        expect(new Set(faceFrom)).toEqual(new Set([0]));
        expect(pattern.faces.reduce((sum, _, f) => sum + area(faceOutline(pattern, f)), 0)).toBeCloseTo(W * H, 7);
      }),
    ));

  it('several stretches may meet inside a face, one alone may not end there', () => {
    const blank = blankPattern(rectangleSheet(W, H));
    const hub = point(30, 40);
    const spokes = [point(0, 0), point(W, 0), point(W, H), point(0, H)].map((to) => ({ from: hub, to, name: 'spoke' }));
    expect(creaseStretches(blank, spokes).pattern.faces).toHaveLength(4);
    expect(() => creaseStretches(blank, spokes.slice(0, 1))).toThrow(RangeError);
    expect(() => creaseStretches(blank, [{ from: hub, to: point(50, 50), name: 'afloat' }])).toThrow(RangeError);
  });
});

describe('cutting a sheet', () => {
  it('takes faces away and leaves raw edges', () =>
    fc.assert(
      fc.property(creases, fc.nat(), (list, seed) => {
        const pattern = creased(list);
        const gone = seed % pattern.faces.length;
        const {
          pattern: rest,
          faceFrom,
          edgeFrom,
        } = removeFaces(
          pattern,
          pattern.faces.map((_, f) => f === gone),
        );
        expect(faceFrom).not.toContain(gone);
        rest.edges.forEach((edge, e) => {
          const old = pattern.edges[edgeFrom[e]];
          expect([edge.from, edge.to].sort()).toEqual([old.from, old.to].sort());
          expect(isBorder(edge)).toBe(isBorder(old) || old.left === gone || old.right === gone);
        });
      }),
    ));

  it('a slit from the raw edge parts the two sides of it and nothing else', () => {
    const grid = creased([
      [true, 0.5, 0.5],
      [false, 0.5, 0.5],
    ]);
    const along = grid.edges.findIndex(
      (edge) => !isBorder(edge) && [edge.from, edge.to].some((v) => grid.vertices[v].y === 0),
    );
    const { pattern } = slitEdges(grid, new Set([along]));
    const borders = (p: CreasePattern): number => p.edges.filter((edge) => isBorder(edge)).length;
    expect(pattern.faces).toHaveLength(4);
    expect(borders(pattern)).toBe(borders(grid) + 2);
    expect(() => slitEdges(grid, new Set())).toThrow(RangeError);
  });
});
