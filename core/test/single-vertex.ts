import { type AssignedPattern, createPattern, type Fold, point } from '../src/index';

/** A round sheet (a polygon with many corners) with creases from its middle, given by the angles between them in degrees. */
export function singleVertex(sectorsDeg: readonly number[], folds: readonly Fold[] = []): AssignedPattern {
  const corners = Array.from({ length: 64 }, (_, k) =>
    point(Math.cos(((k + 0.37) * Math.PI) / 32), Math.sin(((k + 0.37) * Math.PI) / 32)),
  );
  let angle = 0;
  const creases = sectorsDeg.map((sector, k) => {
    const to = point(Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180));
    angle += sector;
    return { from: point(0, 0), to, fold: folds[k] ?? ('either' as const), reach: 'ray' as const, name: `crease ${k}` };
  });
  return createPattern(corners, creases);
}

/** The edges of a single vertex in the order of its sectors. */
export function spokes(pattern: AssignedPattern): number[] {
  return pattern.edges
    .flatMap((edge, e) => (edge.name.startsWith('crease') ? [e] : []))
    .sort((a, b) => Number(pattern.edges[a].name.slice(7)) - Number(pattern.edges[b].name.slice(7)));
}
