import * as fc from 'fast-check';
import {
  distance3,
  foldAngle,
  foldTargets,
  meshEdges,
  paperMesh,
  point,
  type Point3,
  type Pose,
  relax,
  relaxing,
  signedVolume,
  type SoftMesh,
  squareSheet,
  startSheet,
} from '../../src/index';

const at = (x: number, y: number, z = 0): Point3 => ({ x, y, z });

/** A strip of square panels along x, each cut by one diagonal; its first panel's corners are 0 to 3. */
function strip(panels: number, side: number, width: number): SoftMesh {
  const rest = Array.from({ length: panels + 1 }, (_, k) => [at(k * side, 0), at(k * side, width)]).flat();
  const triangles = Array.from({ length: panels }, (_, k) => {
    const [a, b, c, d] = [2 * k, 2 * k + 2, 2 * k + 3, 2 * k + 1];
    // Diagonals alternate, so that the strip has no handedness.
    return k % 2 ? [[a, b, c] as const, [a, c, d] as const] : [[a, b, d] as const, [b, c, d] as const];
  }).flat();
  return { rest, start: rest, triangles };
}

/** Two square sheets of side 1, each n × n squares of four triangles, joined along all edges. */
function pillow(n: number): SoftMesh {
  const rest: Point3[] = [];
  const start: Point3[] = [];
  const index = new Map<string, number>();
  const vertex = (sheet: 0 | 1, x: number, y: number): number => {
    const onEdge = x === 0 || y === 0 || x === 1 || y === 1;
    const key = `${onEdge ? 0 : sheet} ${x} ${y}`;
    const known = index.get(key);
    if (known !== undefined) return known;
    const up = onEdge ? 0 : 0.25 * Math.sin(Math.PI * x) * Math.sin(Math.PI * y) * (sheet ? -1 : 1);
    rest.push(at(x, y));
    // Every other corner of the seam starts pushed in: the seam shortens in crimps, as it does in any real pillow.
    const crimp = onEdge && Math.round((x + y) * n) % 2 ? 0.9 / n : 0;
    start.push(
      at(
        x + crimp * Math.sign(0.5 - x) * Number(x === 0 || x === 1),
        y + crimp * Math.sign(0.5 - y) * Number(y === 0 || y === 1),
        up,
      ),
    );
    index.set(key, rest.length - 1);
    return rest.length - 1;
  };
  const triangles: [number, number, number][] = [];
  for (const sheet of [0, 1] as const)
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++) {
        const ring = [
          [i, j],
          [i + 1, j],
          [i + 1, j + 1],
          [i, j + 1],
        ].map(([a, b]) => vertex(sheet, a / n, b / n));
        const middle = vertex(sheet, (i + 0.5) / n, (j + 0.5) / n);
        ring.forEach((a, k) => triangles.push(sheet ? [ring[(k + 1) % 4], a, middle] : [a, ring[(k + 1) % 4], middle]));
      }
  return { rest, start, triangles };
}

describe('soft paper', () => {
  const coordinate = fc.double({ min: -5, max: 5, noNaN: true });
  it('the fold angle is positive where wings rise, and its gradient is its slope', () => {
    const wings = (deg: number): Float64Array => {
      const [c, s] = [Math.cos((deg / 2) * (Math.PI / 180)), Math.sin((deg / 2) * (Math.PI / 180))];
      return Float64Array.from([0, 0, 0, 0, 1, 0, -c, 0.5, s, c, 0.5, s]);
    };
    for (const deg of [-150, -20, 0, 45, 170])
      expect((foldAngle(wings(deg), 0, 1, 2, 3, new Float64Array(12)) * 180) / Math.PI).toBeCloseTo(deg, 9);
    fc.assert(
      fc.property(fc.array(coordinate, { minLength: 12, maxLength: 12 }), (list) => {
        const x = Float64Array.from(list);
        // An edge as short as the step by which the slope is read has no direction to fold along.
        if (Math.hypot(x[3] - x[0], x[4] - x[1], x[5] - x[2]) < 1e-3) return;
        const gradient = new Float64Array(12);
        const angle = foldAngle(x, 0, 1, 2, 3, gradient);
        if (!Number.isFinite(angle) || Math.abs(angle) > 3 || !(Math.max(...gradient.map(Math.abs)) < 50)) return;
        for (let i = 0; i < 12; i++) {
          const step = 1e-6;
          const nudged = (by: number): number =>
            foldAngle(
              x.map((v, k) => (k === i ? v + by : v)),
              0,
              1,
              2,
              3,
              new Float64Array(12),
            );
          expect((nudged(step) - nudged(-step)) / (2 * step)).toBeCloseTo(gradient[i], 3);
        }
      }),
    );
  });

  it('folds asked for are reached, without stretching, when nothing stands against them', () => {
    const mesh = strip(3, 10, 10);
    const { hinges } = meshEdges(mesh);
    const creases = hinges.filter(({ a, b }) => mesh.rest[a].x === mesh.rest[b].x);
    const result = relax(
      mesh,
      {
        folds: creases.map(({ a, b }, k) => ({ a, b, angleDeg: k ? -70 : 100, stiffness: 1 })),
        pins: [0, 1, 2].map((vertex) => ({ vertex })),
      },
      { stretch: 100, bend: 5, tolerance: 1e-9 },
    );
    expect(result.converged).toBe(true);
    expect(result.edgeStrain).toBeLessThan(1e-6);
    expect(result.facetBendDeg).toBeLessThan(1e-3);
    const x = Float64Array.from(result.vertices.flatMap((p) => [p.x, p.y, p.z]));
    const angles = creases.map(
      ({ a, b, left, right }) => (foldAngle(x, a, b, left, right, new Float64Array(12)) * 180) / Math.PI,
    );
    expect(angles.map((deg) => Math.round(deg * 1e4) / 1e4).sort((p, q) => p - q)).toEqual([-70, 100]);
  });

  it('a strip held at one end sags by q L⁴ / 8 B w, within 2 %', () => {
    const [panels, side, width, stiffness, q] = [24, 5, 5, 2, 1e-7];
    const mesh = strip(panels, side, width);
    const creases = meshEdges(mesh).hinges.filter(({ a, b }) => mesh.rest[a].x === mesh.rest[b].x);
    const length = (panels - 0.5) * side;
    const result = relax(
      mesh,
      {
        // A crease stands for the bending of one side's length: moment per radian = B w / side.
        folds: creases.map(({ a, b }) => ({ a, b, angleDeg: 0, stiffness: (stiffness * width) / side })),
        pins: [0, 1, 2, 3].map((vertex) => ({ vertex })),
        weight: at(0, 0, -q),
      },
      { stretch: 50, bend: 200, tolerance: 1e-9, mostSteps: 100_000 },
    );
    expect(result.converged).toBe(true);
    expect(result.edgeStrain).toBeLessThan(0.005);
    const sag = -Math.min(...result.vertices.map((p) => p.z));
    // Panels are stiff, so the strip bends from the first crease, half a panel beyond the clamp's edge.
    const expected = (q * width * length ** 4) / (8 * stiffness * width);
    expect(Math.abs(sag / expected - 1)).toBeLessThan(0.02);
  });

  it('a pillow of two square sheets of side 1 holds the 0.1905 of the classical teabag formula, within 2 %', () => {
    const mesh = pillow(12);
    const result = relax(mesh, { pressure: 1 }, { stretch: 1000, bend: 1e-5, tolerance: 1e-4 });
    const volume = signedVolume(mesh.triangles.map((corners) => corners.map((v) => result.vertices[v])));
    expect(result.converged).toBe(true);
    expect(result.edgeStrain).toBeLessThan(0.005);
    // w³ (h / π w − 0.142 (1 − 10^(−h / w))) with w = h = 1; no paper pillow can hold more than 0.217.
    const expected = 1 / Math.PI - 0.142 * (1 - 0.1);
    expect(Math.abs(volume / expected - 1)).toBeLessThan(0.02);
  });

  it('is the same every time, tells how far it is, and can be stopped', () => {
    const mesh = pillow(3);
    const run = () => relax(mesh, { pressure: 1 }, { stretch: 100, bend: 1e-4, mostSteps: 300 });
    expect(run()).toEqual(run());
    const work = relaxing(mesh, { pressure: 1 });
    const seen: number[] = [];
    let state = work.next(false);
    while (!state.done) {
      seen.push(state.value.steps);
      state = work.next(state.value.steps === 7);
    }
    expect(state.value).toMatchObject({ cancelled: true, steps: 7 });
    expect(seen).toEqual([1, 2, 3, 4, 5, 6, 7]);
  });

  describe('paper cut into triangles', () => {
    /** A square folded in half and opened to some angle. */
    const tent = (angleDeg: number): Pose => {
      const hand = startSheet(squareSheet(100));
      hand.valley('half', { kind: 'point-onto-point', point: point(0, 50), onto: point(100, 50) });
      hand.open3d({ half: angleDeg }, point(90, 50));
      return hand.pose;
    };

    it('keeps the paper’s area and creases, and no edge is longer than asked', () =>
      fc.assert(
        fc.property(fc.integer({ min: 8, max: 60 }), (cellMm) => {
          const { mesh, creases, faceOf } = paperMesh(tent(60), { cellMm });
          const { bars, hinges } = meshEdges(mesh);
          const length = ([a, b]: readonly [number, number]): number => distance3(mesh.rest[a], mesh.rest[b]);
          expect(Math.max(...bars.map(length))).toBeLessThanOrEqual(cellMm * (1 + 1e-6));
          // The pose is a rigid one, so the mesh starts without strain.
          for (const [a, b] of bars) expect(distance3(mesh.start[a], mesh.start[b])).toBeCloseTo(length([a, b]), 9);
          const area = mesh.triangles.reduce((sum, [a, b, c]) => {
            const [p, q, r] = [mesh.rest[a], mesh.rest[b], mesh.rest[c]];
            return sum + ((q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x)) / 2;
          }, 0);
          expect(area).toBeCloseTo(100 * 100, 6);
          expect(creases.reduce((sum, { lengthMm }) => sum + lengthMm, 0)).toBeCloseTo(100, 9);
          expect(faceOf).toHaveLength(mesh.triangles.length);
          // Vertices minus edges plus faces of a disc.
          expect(mesh.rest.length - bars.length + mesh.triangles.length).toBe(1);
          expect(hinges.length).toBeGreaterThanOrEqual(creases.length);
        }),
        { numRuns: 15 },
      ));

    it('comes to rest at the angle that its crease strives for', () => {
      const paper = paperMesh(tent(60), { cellMm: 30 });
      const fixed = paper.faceOf.findIndex((f) => f === paper.faceOf[0]);
      const result = relax(
        paper.mesh,
        {
          folds: foldTargets(paper, () => 100, 0.5),
          pins: paper.mesh.triangles[fixed].map((vertex) => ({ vertex })),
        },
        { bend: 50, tolerance: 1e-8 },
      );
      expect(result.converged).toBe(true);
      expect(result.edgeStrain).toBeLessThan(1e-6);
      const [corner, opposite] = [point(0, 0), point(100, 0)].map((p) =>
        paper.mesh.rest.findIndex((q) => q.x === p.x && q.y === p.y),
      );
      // Two sides of 50 mm that enclose 180° − 100°.
      const chord = 2 * 50 * Math.sin((40 * Math.PI) / 180);
      expect(distance3(result.vertices[corner], result.vertices[opposite])).toBeCloseTo(chord, 3);
    });

    it('is shaped by the hand that holds it, and goes on lying as it lay', () => {
      const hand = startSheet(squareSheet(100));
      hand.valley('half', { kind: 'point-onto-point', point: point(0, 50), onto: point(100, 50) });
      hand.open3d({ half: 60 }, point(90, 50));
      const before = hand.pose;
      const work = hand.shape(
        { cellMm: 30 },
        (paper) => ({
          folds: foldTargets(paper, () => 20, 0.5),
          pins: paper.mesh.triangles[0].map((vertex) => ({ vertex })),
        }),
        { bend: 50, tolerance: 1e-8 },
      );
      let state = work.next(false);
      while (!state.done) state = work.next(false);
      const { paper, rested } = state.value;
      const [a, b] = [point(0, 0), point(100, 0)].map((p) =>
        paper.mesh.rest.findIndex((q) => q.x === p.x && q.y === p.y),
      );
      expect(distance3(rested.vertices[a], rested.vertices[b])).toBeCloseTo(100 * Math.sin((80 * Math.PI) / 180), 2);
      expect(hand.pose).toEqual(before);
    });

    it('may take some faces only', () => {
      const pose = tent(60);
      const { mesh, creases } = paperMesh(pose, { cellMm: 20, faces: (f) => f === 0 });
      expect(creases).toEqual([]);
      expect(mesh.triangles.length).toBeGreaterThan(10);
      expect(() => paperMesh(pose, { cellMm: 0 })).toThrow(RangeError);
    });
  });

  it('refuses targets that are not there', () => {
    expect(() => relax(strip(2, 1, 1), { folds: [{ a: 0, b: 5, angleDeg: 90, stiffness: 1 }] })).toThrow(RangeError);
    expect(() => relax(strip(2, 1, 1), { pins: [{ vertex: 99 }] })).toThrow(RangeError);
  });
});
