import type { Pose } from '../folding/pose';
import { isBorder } from '../pattern/crease-pattern';
import type { Drawing, DrawnLine } from './drawing';

/**
 * The opened sheet, white side up, with every crease made so far: valleys and mountains as they were last folded.
 * @param marked names of creases that the current step makes or moves; they are drawn as `valley` or `mountain`, the
 *   others as `crease`. All creases keep their own sense when nothing is marked.
 */
export function creasePicture(pose: Pose, marked: readonly string[] = []): Drawing {
  const { pattern, sense, angles } = pose;
  const flip = (v: number): { x: number; y: number } => ({ x: pattern.vertices[v].x, y: -pattern.vertices[v].y });
  const lines = pattern.edges.flatMap((edge, e): DrawnLine[] => {
    const line = { from: flip(edge.from), to: flip(edge.to) };
    if (isBorder(edge)) return [{ kind: 'raw' as const, ...line }];
    const way = Math.sign(angles[e]) || sense[e];
    if (!way) return [];
    if (marked.length && !marked.includes(edge.name)) return [{ kind: 'crease' as const, ...line }];
    return [{ kind: way > 0 ? ('valley' as const) : ('mountain' as const), ...line }];
  });
  for (const { name, from, to, sense } of pose.marks ?? []) {
    const kind = marked.length && !marked.includes(name) ? 'crease' : sense > 0 ? 'valley' : 'mountain';
    lines.push({ kind, from: { x: from.x, y: -from.y }, to: { x: to.x, y: -to.y } });
  }
  const points = lines.flatMap(({ from, to }) => [from, to]);
  const [x0, x1] = [Math.min(...points.map((p) => p.x)), Math.max(...points.map((p) => p.x))];
  const [y0, y1] = [Math.min(...points.map((p) => p.y)), Math.max(...points.map((p) => p.y))];
  const outline = [
    { x: x0, y: y0 },
    { x: x1, y: y0 },
    { x: x1, y: y1 },
    { x: x0, y: y1 },
  ];
  return {
    patches: [{ points: outline, side: 'white', part: 0, light: 1 }],
    lines: lines.sort((a, b) => Number(a.kind !== 'crease') - Number(b.kind !== 'crease')),
    arrows: [],
    labels: [],
    box: { x: x0, y: y0, width: x1 - x0, height: y1 - y0 },
  };
}
