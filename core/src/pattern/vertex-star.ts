import type { CreasePattern } from './crease-pattern';

/** The edges at a vertex, counter-clockwise, with their directions in radians. */
export interface VertexStar {
  readonly edges: readonly number[];
  readonly angles: readonly number[];
  /** Whether the vertex lies inside the sheet. */
  readonly interior: boolean;
}

/** The stars of all vertices. */
export function vertexStars(pattern: CreasePattern): VertexStar[] {
  const around: { edge: number; angle: number }[][] = pattern.vertices.map(() => []);
  const border = pattern.vertices.map(() => false);
  pattern.edges.forEach(({ from, to, left, right }, edge) => {
    const [p, q] = [pattern.vertices[from], pattern.vertices[to]];
    around[from].push({ edge, angle: Math.atan2(q.y - p.y, q.x - p.x) });
    around[to].push({ edge, angle: Math.atan2(p.y - q.y, p.x - q.x) });
    if (left < 0 || right < 0) border[from] = border[to] = true;
  });
  return around.map((star, v) => {
    star.sort((a, b) => a.angle - b.angle);
    return { edges: star.map((s) => s.edge), angles: star.map((s) => s.angle), interior: !border[v] };
  });
}
