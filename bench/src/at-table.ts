import { FORMS, formById, make, movingPictures, type Made, shownFaces, wrongStates } from '@odd-corner/core';
import { measure, printTable } from './measure';

/** What is asked at the table, over all forms: wrong states, motion, and what shows where; and how much of it is known. */

function madeOf(id: string, side: number): Made {
  const { sheetShape } = formById(id);
  const long =
    sheetShape === 'square' ? 1 : Math.max(sheetShape.longPerShort[0], Math.min(1.4, sheetShape.longPerShort[1]));
  return make(id, { sheet: { widthMm: side * long, heightMm: side }, params: {}, paper: { thicknessMm: 0.1 } });
}

const all = FORMS.map(({ id }) => madeOf(id, 200));
const steps = all.flatMap(({ folding }) => folding.steps);
const folds = steps.filter(({ meant = [] }) => meant.length);
const wrong = folds.map((step) => wrongStates(step));
const moving = steps.filter((step) => movingPictures(step) !== null);

console.log(`${steps.length} steps of ${FORMS.length} forms, ${folds.length} of them with simple folds`);
console.log(
  `wrong states: ${wrong.flat().length}, at least one for ${wrong.filter((one) => one.length).length} of the steps that fold simply`,
);
console.log(`motion told for ${moving.length} steps`);

const RUNS = 60;
printTable([
  measure('wrong states of a step', RUNS, (k) => {
    wrongStates(folds[k % folds.length]);
  }),
  measure('a step as it moves, proved and drawn', RUNS, (k) => {
    movingPictures(steps[k % steps.length]);
  }),
  measure('faces that show on a folded piece', RUNS, (k) => {
    shownFaces(all[k % all.length].folding.finished);
  }),
]);
