import * as fc from 'fast-check';
import {
  area,
  type AssignedPattern,
  type CreaseLine,
  createPattern,
  faceOutline,
  isBorder,
  locate,
  middle,
  point,
  rectangleSheet,
} from '../../src/index';

const W = 100;
const H = 80;
const OUTLINE = rectangleSheet(W, H).outline;
const inSheet = fc.record({
  x: fc.double({ min: 1, max: W - 1, noNaN: true }),
  y: fc.double({ min: 1, max: H - 1, noNaN: true }),
});
const lines = fc
  .array(fc.record({ from: inSheet, to: inSheet }), { minLength: 1, maxLength: 8 })
  .map((list) =>
    list
      .filter(({ from, to }) => Math.hypot(to.x - from.x, to.y - from.y) > 1)
      .map((crease): CreaseLine => ({ ...crease, reach: 'line' })),
  );

const total = (pattern: AssignedPattern): number =>
  pattern.faces.reduce((sum, _, f) => sum + area(faceOutline(pattern, f)), 0);

describe('laying creases on a sheet', () => {
  it('whatever lines are laid, the faces tile the sheet', () =>
    fc.assert(
      fc.property(lines, (list) => {
        const pattern = createPattern(OUTLINE, list);
        expect(total(pattern)).toBeCloseTo(W * H, 6);
        expect(pattern.vertices.length - pattern.edges.length + pattern.faces.length).toBe(1);
        pattern.edges.forEach((edge) => expect(edge.left).not.toBe(edge.right));
      }),
    ));

  it('creases nearly in one place become one, and none leaves a sliver', () =>
    fc.assert(
      fc.property(lines, fc.double({ min: -1e-9, max: 1e-9, noNaN: true }), (list, off) => {
        const nudged = list.map((c) => ({
          ...c,
          from: { x: c.from.x + off, y: c.from.y - off },
          to: { x: c.to.x - off, y: c.to.y },
        }));
        const pattern = createPattern(OUTLINE, [...list, ...nudged]);
        expect(pattern.faces.length).toBe(createPattern(OUTLINE, list).faces.length);
        for (const [f] of pattern.faces.entries()) expect(area(faceOutline(pattern, f))).toBeGreaterThan(1e-9);
      }),
    ));

  it('finds every face from a point inside it, every vertex and every edge', () =>
    fc.assert(
      fc.property(lines, (list) => {
        const pattern = createPattern(OUTLINE, list);
        pattern.faces.forEach((_, index) => {
          const outline = faceOutline(pattern, index);
          if (area(outline) > 1e-4) expect(locate(pattern, middle(outline))).toEqual({ kind: 'face', index });
        });
        pattern.vertices.forEach((p, index) => expect(locate(pattern, p)).toEqual({ kind: 'vertex', index }));
        expect(locate(pattern, point(-1, 3))).toEqual({ kind: 'outside' });
      }),
      { numRuns: 40 },
    ));

  it('cuts creases at the raw edge and makes a vertex where three cross within 1e-9', () => {
    const pattern = createPattern(OUTLINE, [
      { from: point(-50, 40), to: point(150, 40) },
      { from: point(50, -10), to: point(50, 90) },
      { from: point(10, 1e-9), to: point(90, 80), reach: 'line' },
    ]);
    expect(pattern.vertices.filter(({ x, y }) => Math.hypot(x - 50, y - 40) < 1e-6)).toHaveLength(1);
    expect(pattern.faces).toHaveLength(6);
  });

  it('keeps what is known of a crease on every piece of it', () => {
    const { edges, folds } = createPattern(OUTLINE, [
      { from: point(0, 40), to: point(W, 40), fold: 'valley', name: 'middle' },
      { from: point(50, 0), to: point(50, H), fold: 'mountain' },
      { from: point(20, 40), to: point(60, 40), name: 'again' },
    ]);
    expect(edges.map((e, k) => [e.name, folds[k]]).filter(([name]) => name === 'middle')).toEqual(
      Array.from({ length: 4 }, () => ['middle', 'valley']),
    );
    edges.forEach((edge, k) => isBorder(edge) && expect(folds[k]).toBe('flat'));
  });

  it.each<[string, CreaseLine[]]>([
    ['without length', [{ from: point(1, 1), to: point(1, 1) }]],
    ['not a number', [{ from: point(1, NaN), to: point(1, 1) }]],
    ['outside the sheet', [{ from: point(200, 1), to: point(300, 1) }]],
    ['along a raw edge', [{ from: point(0, 0), to: point(50, 0) }]],
    ['floating free', [{ from: point(20, 20), to: point(40, 30) }]],
    [
      'valley on mountain',
      [
        { from: point(0, 40), to: point(60, 40), fold: 'valley' },
        { from: point(30, 40), to: point(W, 40), fold: 'mountain' },
      ],
    ],
  ])('refuses a crease %s', (_, creases) => expect(() => createPattern(OUTLINE, creases)).toThrow(RangeError));

  it.each([
    ['a line', [point(0, 0), point(1, 1), point(2, 2)]],
    ['a dart', [point(0, 0), point(4, 0), point(1, 1), point(0, 4)]],
    ['a star', [0, 2, 4, 1, 3].map((k) => point(Math.cos((k * 2 * Math.PI) / 5), Math.sin((k * 2 * Math.PI) / 5)))],
    ['two corners', [point(0, 0), point(1, 1)]],
  ])('refuses %s as a sheet', (_, outline) => expect(() => createPattern(outline, [])).toThrow(RangeError));

  it('takes any convex sheet, either way round', () => {
    const hexagon = Array.from({ length: 6 }, (_, k) =>
      point(Math.cos((k * Math.PI) / 3), Math.sin((k * Math.PI) / 3)),
    );
    for (const outline of [hexagon, [...hexagon].reverse()])
      expect(total(createPattern(outline, []))).toBeCloseTo((3 * Math.sqrt(3)) / 2, 12);
  });
});
