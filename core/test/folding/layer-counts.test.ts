import {
  blankPattern,
  type CreasePattern,
  IDENTITY,
  layerOrdersOf,
  layerProblem,
  lineThrough,
  place,
  point,
  rectangleSheet,
  splitFaces,
} from '../../src/index';

/** A map of columns × rows unit squares. */
function map(columns: number, rows: number): CreasePattern {
  let pattern = blankPattern(rectangleSheet(columns, rows));
  const crease = (x0: number, y0: number, x1: number, y1: number): void => {
    const line = lineThrough(point(x0, y0), point(x1, y1));
    pattern = splitFaces(pattern, new Map(pattern.faces.map((_, f) => [f, line])), 'crease').pattern;
  };
  for (let x = 1; x < columns; x++) crease(x, 0, x, rows);
  for (let y = 1; y < rows; y++) crease(0, y, columns, y);
  return pattern;
}

/** All ways to fold a map up to one square, whichever way each crease folds, one face held still. */
function waysToFold(columns: number, rows: number): number {
  const pattern = map(columns, rows);
  const { faces } = place(
    pattern,
    pattern.edges.map(() => 180),
    0,
    IDENTITY,
  );
  let ways = 0;
  for (const _ of layerOrdersOf(layerProblem(pattern, faces), { given: new Map() })) ways++;
  return ways;
}

describe('ways to fold', () => {
  // The numbers of ways to fold a strip of n stamps and an m × n map are classical counts.
  it.each([
    [1, 1],
    [2, 2],
    [3, 6],
    [4, 16],
    [5, 50],
    [6, 144],
    [7, 462],
  ])('a strip of %i stamps folds in %i ways', (n, ways) => expect(waysToFold(n, 1)).toBe(ways));

  it.each([
    [2, 2, 8],
    [3, 2, 60],
    [3, 3, 1368],
  ])('a map of %i × %i folds in %i ways', (columns, rows, ways) => expect(waysToFold(columns, rows)).toBe(ways));
});
