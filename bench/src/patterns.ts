import { type AssignedPattern, createPattern, point, rectangleSheet } from '@odd-corner/core';

/** A map of columns × rows squares, all creases open. */
export function openMap(columns: number, rows: number): AssignedPattern {
  return createPattern(rectangleSheet(columns, rows).outline, [
    ...Array.from({ length: columns - 1 }, (_, k) => ({ from: point(k + 1, 0), to: point(k + 1, rows) })),
    ...Array.from({ length: rows - 1 }, (_, k) => ({ from: point(0, k + 1), to: point(columns, k + 1) })),
  ]);
}

/** A sheet with crossing pleats, `across` of them one way and `up` the other; which way each crease folds is left open. */
export function pleats(across: number, up: number): AssignedPattern {
  const [wide, narrow] = [10, 3];
  const size = (n: number): number => n * (wide + narrow) + wide;
  const creases = (n: number): number[] =>
    Array.from({ length: n }, (_, k) => [k * (wide + narrow) + wide, (k + 1) * (wide + narrow)]).flat();
  const [width, height] = [size(across), size(up)];
  return createPattern(rectangleSheet(width, height).outline, [
    ...creases(across).map((x) => ({ from: point(x, 0), to: point(x, height) })),
    ...creases(up).map((y) => ({ from: point(0, y), to: point(width, y) })),
  ]);
}
