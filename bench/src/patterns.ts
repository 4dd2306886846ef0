import { type AssignedPattern, createPattern, type Fold, point, rectangleSheet } from '@odd-corner/core';

/** A map of columns × rows squares, all creases open. */
export function openMap(columns: number, rows: number): AssignedPattern {
  return createPattern(rectangleSheet(columns, rows).outline, [
    ...Array.from({ length: columns - 1 }, (_, k) => ({ from: point(k + 1, 0), to: point(k + 1, rows) })),
    ...Array.from({ length: rows - 1 }, (_, k) => ({ from: point(0, k + 1), to: point(columns, k + 1) })),
  ]);
}

/** A sheet with crossing pleats: pairs of a valley and a mountain, `across` of them one way and `up` the other. */
export function pleats(across: number, up: number): AssignedPattern {
  const [wide, narrow] = [10, 3];
  const size = (n: number): number => n * (wide + narrow) + wide;
  const [width, height] = [size(across), size(up)];
  // Where pleats cross, the upper pleat's creases change sense over the lower one, as paper demands.
  const lines = (
    n: number,
    line: (at: number, fold: Fold) => { from: { x: number; y: number }; to: { x: number; y: number }; fold: Fold },
  ) =>
    Array.from({ length: n }, (_, k) => [
      line(k * (wide + narrow) + wide, 'either'),
      line((k + 1) * (wide + narrow), 'either'),
    ]).flat();
  return createPattern(rectangleSheet(width, height).outline, [
    ...lines(across, (x, fold) => ({ from: point(x, 0), to: point(x, height), fold })),
    ...lines(up, (y, fold) => ({ from: point(0, y), to: point(width, y), fold })),
  ]);
}
