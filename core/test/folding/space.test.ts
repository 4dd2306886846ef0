import * as fc from 'fast-check';
import {
  apply,
  boundsOf,
  createPattern,
  crossSection,
  distanceBetween,
  type Point3,
  place3d,
  point,
  type Polygon3,
  rectangleSheet,
  signedVolume,
} from '../../src/index';
import { singleVertex, spokes } from '../single-vertex';

const RAD = Math.PI / 180;
const angleDeg = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('paper in space', () => {
  it('a vertex of four flat-foldable creases moves as its half-angle tangents say', () =>
    fc.assert(
      fc.property(angleDeg(20, 85), angleDeg(20, 85), angleDeg(1, 179), fc.boolean(), (a, b, drive, twist) => {
        const pattern = singleVertex([a, b, 180 - a, 180 - b]);
        // Of the two pairs of opposite creases one folds the same way, one opposite ways, and the tangents of the half
        // angles keep a fixed ratio; there are two such motions.
        const half = (over: number, under: number): number =>
          (2 * Math.atan((over / under) * Math.tan((drive / 2) * RAD))) / RAD;
        const other = twist
          ? half(Math.sin(((a - b) / 2) * RAD), Math.sin(((a + b) / 2) * RAD))
          : half(-Math.cos(((a + b) / 2) * RAD), Math.cos(((a - b) / 2) * RAD));
        const angles = pattern.edges.map(() => 0);
        const [c0, c1, c2, c3] = spokes(pattern);
        if (twist) Object.assign(angles, { [c0]: other, [c1]: drive, [c2]: -other, [c3]: drive });
        else Object.assign(angles, { [c0]: drive, [c1]: other, [c2]: drive, [c3]: -other });
        const { vertices } = place3d(pattern, angles);
        expect(vertices).toHaveLength(1);
        expect(vertices[0].residual).toBeLessThan(1e-9);
      }),
    ));

  it('six creases at 60° in threefold symmetry: cos 60° cos(a/2) cos(b/2) − sin(a/2) sin(b/2) = 1/2', () =>
    fc.assert(
      fc.property(angleDeg(-170, 170), (a) => {
        const pattern = singleVertex([60, 60, 60, 60, 60, 60]);
        const [x, y] = [Math.cos((a / 2) * RAD) / 2, Math.sin((a / 2) * RAD)];
        const reach = Math.hypot(x, y);
        const turned = Math.atan2(y, x);
        const b = ((Math.sign(a || 1) * Math.acos(Math.min(1, 0.5 / reach)) - turned) * 2) / RAD;
        const angles = pattern.edges.map(() => 0);
        spokes(pattern).forEach((edge, k) => (angles[edge] = k % 2 ? b : a));
        expect(place3d(pattern, angles).residual).toBeLessThan(1e-9);
      }),
    ));

  it('a wrong angle is told at its own vertex', () => {
    const pattern = createPattern(rectangleSheet(6, 2).outline, [
      { from: point(0, 1), to: point(6, 1), name: 'long' },
      { from: point(2, 0), to: point(2, 2), name: 'left' },
      { from: point(4, 0), to: point(4, 2), name: 'right' },
    ]);
    const angles = pattern.edges.map(() => 0);
    pattern.edges.forEach((edge, e) => {
      if (edge.name === 'right') angles[e] = 90;
    });
    expect(place3d(pattern, angles).residual).toBeLessThan(1e-12);
    const wrong = pattern.edges.findIndex((edge) => edge.name === 'left');
    angles[wrong] = 10;
    const off = place3d(pattern, angles).vertices.filter(({ residual }) => residual > 1e-9);
    expect(off.map(({ vertex }) => pattern.vertices[vertex])).toEqual([{ x: 2, y: 1 }]);
    expect(off[0].residual).toBeCloseTo(Math.max(Math.sin(10 * RAD), 1 - Math.cos(10 * RAD)), 12);
  });

  it('a strip of n panels closes to a prism, whose volume and section are those of the polygon', () =>
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 9 }), angleDeg(0.5, 4), (n, height) => {
        const pattern = createPattern(
          rectangleSheet(n, height).outline,
          Array.from({ length: n - 1 }, (_, k) => ({ from: point(k + 1, 0), to: point(k + 1, height) })),
        );
        const { faces } = place3d(
          pattern,
          pattern.edges.map((edge) => (edge.right < 0 ? 0 : 360 / n)),
        );
        const at = (x: number): Point3[] =>
          [0, height].map((y) =>
            apply(
              faces[pattern.faces.findIndex((face) => face.vertices.some((v) => pattern.vertices[v].x === x))],
              point(x, y),
            ),
          );
        const [start, end] = [at(0), at(n)];
        start.forEach((p, k) => expect(Math.hypot(p.x - end[k].x, p.y - end[k].y, p.z - end[k].z)).toBeLessThan(1e-9));

        const walls = pattern.faces.map((face, f): Polygon3 =>
          face.vertices.map((v) => apply(faces[f], pattern.vertices[v])),
        );
        const base = pattern.faces.map((face, f) =>
          apply(faces[f], point(Math.min(...face.vertices.map((v) => pattern.vertices[v].x)), 0)),
        );
        const top = base.map((p) => ({ ...p, y: height }));
        const polygon = n / (4 * Math.tan(Math.PI / n));
        expect(Math.abs(signedVolume([...walls, [...base].reverse(), top]))).toBeCloseTo(polygon * height, 9);
        const cut = crossSection(walls, { x: 0, y: 1, z: 0 }, height / 3);
        expect(cut).toHaveLength(n);
        expect(cut.reduce((sum, [p, q]) => sum + Math.hypot(q.x - p.x, q.z - p.z), 0)).toBeCloseTo(n, 9);
        const { low, high } = boundsOf(walls);
        expect(high.y - low.y).toBeCloseTo(height, 12);
        if (n % 2 === 0) expect(distanceBetween(walls[0], walls[n / 2])).toBeCloseTo(1 / Math.tan(Math.PI / n), 9);
      }),
    ));

  it('a cube: opposite walls are one edge apart, neighbours touch', () => {
    const square = (z: number): Polygon3 =>
      [point(0, 0), point(1, 0), point(1, 1), point(0, 1)].map((p) => ({ ...p, z }));
    const wall: Polygon3 = [
      { x: 0, y: 0, z: 0 },
      { x: 1, y: 0, z: 0 },
      { x: 1, y: 0, z: 1 },
      { x: 0, y: 0, z: 1 },
    ];
    expect(distanceBetween(square(0), square(1))).toBeCloseTo(1, 12);
    expect(distanceBetween(square(0), wall)).toBe(0);
    const through = wall.map((p) => ({ ...p, y: 0.5, z: p.z - 0.5 }));
    expect(distanceBetween(square(0), through)).toBe(0);
  });
});
