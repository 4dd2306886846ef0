import {
  answer as answerAll,
  answering,
  Fitting,
  foldAnew,
  follow,
  isSized,
  measure as measureFolded,
  parsePurpose,
  prepare,
  replaying,
  sizeFor,
  type SizeOptions,
  countFoldings,
  creasePicture,
  firstFolding,
  foldTargets,
  FORMS,
  make,
  paperMesh,
  pieceScene,
  relax,
  squareSheet,
  squareTray,
  startSheet,
  stepPictures,
} from '@odd-corner/core';
import { measure, printTable, type Timing } from './measure';
import { openMap, pleats } from './patterns';

const block = (k: number) => ({ lengthMm: 40 + k, widthMm: 30 + 0.7 * k, heightMm: 15 + 0.3 * k });

/** Sizes a tray and the lid that goes over it, nothing remembered from before. */
const lidded = measure('size a tray with its lid, from nothing', 20, (k) => {
  const { lengthMm, widthMm, heightMm } = block(k);
  sizeFor(new Fitting(), squareTray.id, parsePurpose(`${lengthMm} x ${widthMm} x ${heightMm}`), {
    ...{ ease: 'easy', turning: 'upright', fingerRoom: false, gsm: 80, ruler: 'mm', thicknessMm: 0.1 },
    ...{ confidence: null, handMm: 0.3, wishes: { lid: 'eared', nested: 1 } },
  });
});

const trayOf = (mm: number) =>
  make(squareTray.id, { sheet: { widthMm: mm, heightMm: mm }, params: {}, paper: { thicknessMm: 0.1 } });

const fold = measure('fold the tray: 16 steps, closed and layered', 60, (k) => {
  trayOf(100 + k);
});

const pictures = measure('draw all steps of the tray', 30, (k) => {
  for (const step of trayOf(100 + k).folding.steps) stepPictures(step);
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

/** A maker's own accuracy on a tray: 2,000 replays by a hand that misses by a third of a millimetre, each measured. */
const sheet = squareSheet(150);
const params = squareTray.params.parse({});
const exact = startSheet(sheet);
squareTray.fold(exact, sheet, params);
const replays = measure('2,000 replays of the tray by an inexact hand, measured', 7, (run) => {
  for (let k = 0; k < 2000; k++) {
    const hand = startSheet(sheet, { inexact: { sigmaMm: 0.3, seed: 2000 * run + k }, after: exact.recording });
    squareTray.sizes(squareTray.fold(hand, sheet, params), sheet, params, 0.1);
  }
});

const tent = startSheet(sheet);
tent.valley('half', { kind: 'point-onto-point', point: { x: 0, y: 75 }, onto: { x: 150, y: 75 } });
tent.open3d({ half: 60 }, { x: 140, y: 75 });
const soft = measure('bring a half-folded sheet to rest, about 300 triangles', 6, (k) => {
  const paper = paperMesh(tent.pose, { cellMm: 16 });
  const pins = paper.mesh.triangles[0].map((vertex) => ({ vertex }));
  relax(paper.mesh, { folds: foldTargets(paper, () => 90 + k, 0.05), pins }, { bend: 30, tolerance: 1e-5 });
});

/** What a drag of the sheet's size asks for, form by form: fold, measure, crease pattern, piece to be turned. */
const tried = FORMS.map((form) =>
  measure(`try ${form.id} at another sheet`, 12, (k) => {
    const heightMm = 150 + k;
    const widthMm = form.sheetShape === 'square' ? heightMm : 1.29 * heightMm;
    const piece = make(form.id, { sheet: { widthMm, heightMm }, params: {}, paper: { thicknessMm: 0.1 } });
    creasePicture(piece.folding.finished);
    pieceScene(piece.folding.finished, piece.sizes);
  }),
);

/** The same while a length is dragged, for the forms that have one: nothing is similar to what was folded before. */
const dragged = FORMS.flatMap((form) => {
  const field = form.fields.find(({ input }) => input.kind === 'length');
  if (field?.input.kind !== 'length') return [];
  const sheet = { widthMm: form.sheetShape === 'square' ? 170 : 219, heightMm: 170 };
  const [least, most] = field.input.range(sheet, {});
  return [
    measure(`drag “${field.label.toLowerCase()}” of ${form.id}`, 30, (k) => {
      const params = { [field.key]: least + (most - least) * (0.2 + 0.02 * k) };
      const piece = make(form.id, { sheet, params, paper: { thicknessMm: 0.1 } });
      creasePicture(piece.folding.finished);
      pieceScene(piece.folding.finished, piece.sizes);
    }),
  ];
});

/** What the start page asks: all forms for one purpose, with all that is learned at build time known. */
const given: SizeOptions = {
  ...{ ease: 'easy', turning: 'upright', fingerRoom: false, gsm: 80, ruler: 'mm', thicknessMm: 0.1 },
  ...{ confidence: null, handMm: 0.3 },
};
const fitting = new Fitting();
for (const _ of fitting.warming()) continue;

/** Forms that take lengths from what they are for. */
const wrapParams = { layout: 'diagonal', longMm: 110, shortMm: 90 };
/** One recording followed to another size of sheet, its certificate asked after every move, and measured. */
const following = FORMS.map((form) => {
  const ratio = form.sheetShape === 'square' ? 1 : form.sheetShape.longPerShort[0] + 0.08;
  const params = form.fields.some(({ input }) => input.kind === 'length' && input.always) ? wrapParams : {};
  const at = (heightMm: number) => ({ widthMm: ratio * heightMm, heightMm });
  const folded = foldAnew(form, at(170), params);
  return {
    follow: measure(`follow ${form.id}, with its certificate`, 400, (k) => {
      if (!follow(folded, at(170 + 0.01 * k), params)) throw new Error('It holds there.');
    }),
    anew: measure(`fold ${form.id} anew`, 20, (k) => void foldAnew(form, at(170 + k), params)),
    measured: measure(`measure ${form.id} followed`, 400, (k) => {
      const one = follow(folded, at(170 + 0.01 * k), params);
      if (one) measureFolded(one, 0.1);
    }),
  };
});
const mean = (rows: readonly Timing[]): Timing => ({
  task: 'mean of all forms: follow with certificate',
  firstMs: rows.reduce((sum, { firstMs }) => sum + firstMs, 0) / rows.length,
  medianMs: rows.reduce((sum, { medianMs }) => sum + medianMs, 0) / rows.length,
  p95Ms: rows.reduce((sum, { p95Ms }) => sum + p95Ms, 0) / rows.length,
  runs: rows.length,
});

const oneBlock = measure('all forms for one block, exact hand, told answers folded', 20, (k) => {
  answerAll(fitting, parsePurpose(`${50 + k} x 45 x 22`), given);
});
const sureBlock = measure('the same, to fit 9 times in 10', 12, (k) => {
  answerAll(fitting, parsePurpose(`${50 + k} x 45 x 22`), { ...given, confidence: 0.9 });
});
const oneCard = measure('all forms for one card, exact hand', 12, (k) => {
  answerAll(fitting, parsePurpose(`card ${100 + k} x 74`), given);
});
const aSet = measure('all forms for a set of five things, laid on any side', 8, (k) => {
  answerAll(fitting, parsePurpose(`4 tickets ${100 + k} x 74, one hex key 120 x 35 x 8`), { ...given, turning: 'any' });
});
/** Purposes that were slowest when thousands were tried; the first answer counts as much as the last. */
const worst = [
  'ruler 310 x 30 x 3',
  '12 cells ø14.5 x 50.5',
  '13 tea bags 65 x 60 x 4',
  '2000 pins ø1 x 30, card 40 x 30',
  'load 60 g',
].map((text) =>
  measure(`worst purposes, 9 times in 10, any side: ${text}`, 3, () => {
    answerAll(fitting, parsePurpose(text), { ...given, confidence: 0.9, turning: 'any' });
  }),
);
/** Packing by itself: a few one by one in all ways, many in blocks, several kinds of many. */
const packed = [
  '12 cells ø14.5 x 50.5',
  'box 60 x 41 x 22, tin 33 x 14 x 9, case 50 x 27 x 13, lid 31 x 29 x 11, bar 45 x 17 x 8, clip 22 x 19 x 7',
  '20 boxes 50 x 41 x 22, 20 tins ø23 x 41, 20 bars 17 x 90 x 33',
].map((text) =>
  measure(`pack, any side: ${text}`, 5, () => {
    prepare(parsePurpose(text), { ...given, turning: 'any' });
  }),
);
const cold = measure('the first answer of a new fitting', 5, () => {
  for (const one of answering(new Fitting(), parsePurpose('60 x 45 x 22'), given)) if (one) return;
});
const cubeFor = parsePurpose('30 x 30 x 30');
const cube = sizeFor(fitting, 'closing-cube', cubeFor, given);
const sureCube = measure(
  'confidence of the closing cube: 2,000 replays, measured and held against the contents',
  3,
  (run) => {
    if (!isSized(cube)) throw new Error('A cube holds a block.');
    const work = replaying(fitting, cube, prepare(cubeFor, given), given, 2000, run + 1);
    while (!work.next(false).done);
  },
);

printTable([
  lidded,
  fold,
  pictures,
  counts,
  ...growth,
  replays,
  soft,
  ...tried,
  ...dragged,
  ...following.flatMap(({ follow: followed, anew, measured }) => [followed, measured, anew]),
  mean(following.map(({ follow: followed }) => followed)),
  oneBlock,
  sureBlock,
  oneCard,
  aSet,
  ...worst,
  ...packed,
  cold,
  sureCube,
]);
