import {
  countFoldings,
  firstFolding,
  finishedCache,
  make,
  sizeTray,
  squareTray,
  type SquareTrayParams,
  stepPictures,
} from '@odd-corner/core';
import { measure, printTable } from './measure';
import { openMap, pleats } from './patterns';

const block = (k: number) => ({ lengthMm: 40 + k, widthMm: 30 + 0.7 * k, heightMm: 15 + 0.3 * k });

/** Answers one purpose as the start page does: both ways, tray and lid, nothing remembered from before. */
const answer = measure('answer one purpose: two ways, tray and lid each', 40, (k) => {
  const cache = finishedCache<SquareTrayParams>(squareTray);
  for (const walls of ['folded', 'measured'] as const)
    sizeTray({ block: block(k), ease: 'easy', ruler: 'mm', walls, thicknessMm: 0.1 }, cache);
});

const fold = measure('fold the tray: 16 steps, closed and layered', 60, (k) => {
  make(squareTray.id, { sheetMm: 100 + k, params: { part: 'tray' }, thicknessMm: 0.1 });
});

const pictures = measure('draw all steps of the tray', 30, (k) => {
  for (const step of make(squareTray.id, { sheetMm: 100 + k, params: { part: 'tray' }, thicknessMm: 0.1 }).folding
    .steps)
    stepPictures(step);
});

const counts = measure('count all 1,368 foldings of a 3 × 3 map', 8, () => {
  if (countFoldings(openMap(3, 3)) !== 1368) throw new Error('A 3 × 3 map folds in 1,368 ways.');
});

/** Growth with the number of faces: crossing pleats, each face under at most eight others. */
const growth = (
  [
    [3, 3],
    [5, 4],
    [7, 6],
    [10, 9],
  ] as const
).map(([across, up]) => {
  const pattern = pleats(across, up);
  return measure(
    `first layer order of ${pattern.faces.length} faces, crossing pleats`,
    8,
    () => void firstFolding(pattern),
  );
});

printTable([answer, fold, pictures, counts, ...growth]);
