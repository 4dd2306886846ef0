import { flatExtent } from '../folding/layers-at';
import { sideOfFace } from '../folding/layer-order';
import type { Pose } from '../folding/pose';
import type { Point } from '../measure/point';

/** All layers together are spread by no more than this many steps. */
const MOST_STEPS = 4;
/** Nor by more than this share of the shorter side of the paper as it lies. */
const MOST_SHARE = 0.025;

/**
 * A small shift for each face of flat paper, so that edges of layers that coincide can be told apart: all faces joined
 * by open creases shift together, by as many steps as there are layers below them. No shift where layers interlock in
 * a ring, for then no level fits.
 */
export function spreadLayers(pose: Pose, stepMm: number): Point[] {
  const { pattern, order, placed } = pose;
  const n = pattern.faces.length;
  const plate = pattern.faces.map((_, f) => f);
  const rootOf = (f: number): number => (plate[f] === f ? f : (plate[f] = rootOf(plate[f])));
  pattern.edges.forEach((edge, e) => {
    if (edge.left >= 0 && edge.right >= 0 && Math.abs(pose.angles[e]) < 1e-9)
      plate[rootOf(edge.left)] = rootOf(edge.right);
  });
  const above: Set<number>[] = plate.map(() => new Set());
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      if (sideOfFace(order, i, j) * placed[i][8] > 0.5 && rootOf(i) !== rootOf(j)) above[rootOf(i)].add(rootOf(j));
  const level = new Map<number, number>();
  const open = new Set<number>();
  let ring = false;
  const below: Set<number>[] = plate.map(() => new Set());
  above.forEach((set, i) => set.forEach((j) => below[j].add(i)));
  const levelOf = (f: number): number => {
    const known = level.get(f);
    if (known !== undefined) return known;
    if (open.has(f)) {
      ring = true;
      return 0;
    }
    open.add(f);
    const found = Math.max(-1, ...[...below[f]].map(levelOf)) + 1;
    open.delete(f);
    level.set(f, found);
    return found;
  };
  const levels = plate.map((_, f) => levelOf(rootOf(f)));
  // Many layers are told apart by less, so that the outline keeps its shape.
  const { widthMm, heightMm } = flatExtent(pose);
  const most = Math.min(MOST_STEPS * stepMm, MOST_SHARE * Math.min(widthMm, heightMm));
  const step = Math.min(stepMm, most / Math.max(1, ...levels));
  return levels.map((k) => (ring ? { x: 0, y: 0 } : { x: k * step, y: -k * step }));
}
