import * as fc from 'fast-check';
import { byItself, cross, dot, minus, stlOf, type Triangle, trianglesOf } from '../../src/index';
import { made, sheet, sheetOf } from '../forms/made';

/** Volume inside closed surfaces, by the divergence theorem: the sum of signed tetrahedra from the origin. */
const volumeOf = (triangles: readonly Triangle[]): number =>
  triangles.reduce((sum, [a, b, c]) => sum + dot(a, cross(b, c)) / 6, 0);

/** Reads such a file as any program does that knows the format. */
function readStl(text: string): { normal: number[]; corners: number[][] }[] {
  const facets = text.split('endfacet').slice(0, -1);
  return facets.map((facet) => {
    const figures = (line: RegExp): number[][] =>
      [...facet.matchAll(line)].map(([, said]) => said.trim().split(/\s+/).map(Number));
    return { normal: figures(/facet normal (.*)/g)[0], corners: figures(/vertex (.*)/g) };
  });
}

describe('a folded piece as plates', () => {
  it.each(['flat-folding-cup', 'square-tray-and-eared-lid', 'square-canoe'])(
    '%s: as much paper as the sheet has, whatever its thickness, and every plate closed',
    (id) =>
      fc.assert(
        fc.property(sheet, fc.double({ min: 0.05, max: 0.4, noNaN: true }), (s, thickness) => {
          const { finished } = made(id, s).folding;
          const triangles = trianglesOf(byItself({ entry: 'piece', copy: 0 }, finished).states.closed, () => thickness);
          const { widthMm, heightMm } = sheetOf(id, s);
          expect(volumeOf(triangles) / (widthMm * heightMm * thickness)).toBeCloseTo(1, 6);
          // Each edge of a closed surface is walked once each way.
          const edges = new Map<string, number>();
          const key = ({ x, y, z }: Triangle[0]): string => [x, y, z].map((v) => v.toFixed(6)).join();
          for (const corners of triangles)
            corners.forEach((p, k) => {
              const [from, to] = [key(p), key(corners[(k + 1) % 3])];
              edges.set(`${from} ${to}`, (edges.get(`${from} ${to}`) ?? 0) + 1);
            });
          for (const [edge, count] of edges) expect(edges.get(edge.split(' ').reverse().join(' '))).toBe(count);
        }),
        { numRuns: 3 },
      ),
  );

  it('is read back from the file with outward normals, in millimetres', () => {
    const { finished } = made('square-tray-and-eared-lid', 200).folding;
    const triangles = trianglesOf(byItself({ entry: 'piece', copy: 0 }, finished).states.closed, () => 0.1);
    const read = readStl(stlOf('A tray, 200 mm', triangles));
    expect(read.length).toBe(triangles.length);
    read.forEach(({ normal, corners }, k) => {
      triangles[k].forEach(({ x, y, z }, i) => {
        [x, y, z].forEach((v, j) => expect(corners[i][j]).toBeCloseTo(v, 4));
      });
      const [a, b, c] = triangles[k];
      const across = cross(minus(b, a), minus(c, a));
      expect(dot(across, { x: normal[0], y: normal[1], z: normal[2] })).toBeGreaterThan(0);
    });
  });
});
