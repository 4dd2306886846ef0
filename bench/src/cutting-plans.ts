import {
  areaOf,
  type CuttingPlan,
  gapOf,
  planCutting,
  seededRandom,
  type Solve,
  solverOf,
  type StockSheets,
  USUAL_CUT_RULES,
  type WantedSheet,
} from '@odd-corner/core';
import loadHighs from 'highs';
import { MaxRectsPacker } from 'maxrects-packer/dist/maxrects-packer.mjs';
import potpack from 'potpack';
import { separable } from '../../core/test/shelf/cutting-checker';

/** Cutting plans: how near the bound and how soon, and beside two packers that know nothing of cuts from edge to edge. */

const solve: Solve = solverOf(await loadHighs());

interface Request {
  readonly wanted: readonly WantedSheet[];
  readonly stock: readonly StockSheets[];
}

function planned(request: Request): { readonly plan: CuttingPlan; readonly ms: number } {
  const began = performance.now();
  const work = planCutting({ ...request, rules: USUAL_CUT_RULES, aims: ['paper'], patience: 'short' }, solve);
  for (let step = work.next(); ; step = work.next())
    if (step.done) return { plan: step.value, ms: performance.now() - began };
}

const wantedOf = (widthMm: number, heightMm: number, count: number): WantedSheet => ({
  outline: { widthMm, heightMm },
  ...{ mayTurn: true, grain: null, side: null, trim: 0, count, from: null },
});

const stockOf = (id: string, widthMm: number, heightMm: number, count: number): StockSheets => ({
  ...{ id, version: 1, size: { widthMm, heightMm }, runs: null, margins: 0, count, offcut: false, cost: null },
});

const SHELF: readonly StockSheets[] = [
  stockOf('A4', 210, 297, 30),
  stockOf('A3', 297, 420, 12),
  stockOf('200 square', 200, 200, 20),
  stockOf('350 square', 350, 350, 8),
  stockOf('half metre', 500, 700, 4),
  stockOf('strip', 120, 600, 10),
];

/** Squares, oblongs and strips as makes want them: `count` sheets of several sizes. */
function request(seed: number, kinds: number, count: number, most: number): readonly WantedSheet[] {
  const random = seededRandom(seed);
  const mm = (low: number, high: number): number => Math.round(low + (high - low) * random());
  const counts = Array.from({ length: kinds }, () => 1);
  for (let k = kinds; k < count; k++) counts[Math.floor(random() * kinds)]++;
  return counts.map((n, k) => {
    const side = mm(60, most);
    return k % 3 === 0
      ? wantedOf(side, side, n)
      : k % 3 === 1
        ? wantedOf(side, mm(50, most), n)
        : wantedOf(mm(25, 60), side, n);
  });
}

function percent(share: number): string {
  return `${(100 * share).toFixed(2)} %`;
}

planned({ wanted: [wantedOf(100, 100, 1)], stock: SHELF });
console.log('40 sheets of 8 sizes from 6 stocks, least paper:');
const many = Array.from({ length: 20 }, (_, k) => planned({ wanted: request(100 + k, 8, 40, 190), stock: SHELF }));
const gaps = many.map(({ plan }) => gapOf(plan.proof) ?? 1).sort((a, b) => a - b);
const times = many.map(({ ms }) => ms).sort((a, b) => a - b);
console.log(
  `  above the bound: middle ${percent(gaps[10])}, worst ${percent(gaps[19])}; within 2 %: ${gaps.filter((gap) => gap <= 0.02).length} of 20`,
);
console.log(`  time: middle ${times[10].toFixed(0)} ms, worst ${times[19].toFixed(0)} ms`);

const SIZES = [
  [297, 420],
  [210, 297],
  [350, 350],
] as const;

interface Theirs {
  readonly sheets: number;
  readonly separable: boolean;
  readonly ms: number;
}

const pieces = (wanted: readonly WantedSheet[]): { readonly width: number; readonly height: number }[] =>
  wanted.flatMap(({ outline, count }) =>
    Array.from({ length: count }, () => ({ width: outline.widthMm, height: outline.heightMm })),
  );

function maxrects({ wanted, stock: [{ size }] }: Request): Theirs {
  const began = performance.now();
  const packer = new MaxRectsPacker(size.widthMm, size.heightMm, 0, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: true,
  });
  packer.addArray(pieces(wanted).map(({ width, height }) => ({ width, height, x: 0, y: 0 })) as never);
  const bins = packer.bins.map(({ rects }) =>
    rects.map(({ x, y, width, height, rot }) => ({
      ...{ xMm: x, yMm: y },
      // What it turned keeps its sides as they were given.
      ...(rot ? { widthMm: height, heightMm: width } : { widthMm: width, heightMm: height }),
    })),
  );
  return { sheets: bins.length, separable: bins.every((bin) => separable(bin, 0)), ms: performance.now() - began };
}

/** It fills one container of its own shape: of the largest pieces it is given as many as stay within the sheet. */
function potpacked({ wanted, stock: [{ size }] }: Request): Theirs {
  const began = performance.now();
  const left = pieces(wanted).sort((a, b) => b.width * b.height - a.width * a.height);
  const [long, short] = [Math.max(size.widthMm, size.heightMm), Math.min(size.widthMm, size.heightMm)];
  let [sheets, parted] = [0, true];
  while (left.length) {
    let taken: { w: number; h: number; x?: number; y?: number }[] = [];
    const rest: typeof left = [];
    for (const one of left) {
      const boxes = [...taken.map(({ w, h }) => ({ w, h })), { w: one.width, h: one.height }];
      const { w, h } = potpack(boxes);
      if (Math.max(w, h) <= long && Math.min(w, h) <= short) taken = boxes;
      else rest.push(one);
    }
    if (!taken.length) {
      // A single piece lies as it likes.
      taken = [{ w: rest[0].width, h: rest[0].height, x: 0, y: 0 }];
      rest.shift();
    }
    parted &&= separable(
      taken.map(({ x = 0, y = 0, w, h }) => ({ xMm: x, yMm: y, widthMm: w, heightMm: h })),
      0,
    );
    sheets++;
    left.splice(0, left.length, ...rest);
  }
  return { sheets, separable: parted, ms: performance.now() - began };
}

console.log(
  '\n60 requests from one size of sheet, beside two packers from the registry (neither keeps to cuts from edge to edge):',
);
const rows = Array.from({ length: 60 }, (_, k) => {
  const [w, h] = SIZES[k % SIZES.length];
  const stock = [stockOf('sheet', w, h, 80)];
  const asked: Request = { wanted: request(900 + k, 3 + (k % 6), 8 + (k % 30), 180), stock };
  const { plan, ms } = planned(asked);
  const area = areaOf(stock[0].size);
  const used = pieces(asked.wanted).reduce((sum, { width, height }) => sum + width * height, 0);
  return {
    ours: { sheets: plan.proof.sheets, ms, least: plan.proof.leastSheets ?? 0 },
    maxrects: maxrects(asked),
    potpack: potpacked(asked),
    area,
    used,
  };
});
const total = (of: (row: (typeof rows)[number]) => number): number => rows.reduce((sum, row) => sum + of(row), 0);
const used = total(({ used: own }) => own);
for (const [name, of] of [
  ['ours', (row: (typeof rows)[number]) => row.ours],
  ['maxrects-packer', (row: (typeof rows)[number]) => row.maxrects],
  ['potpack, sheet by sheet', (row: (typeof rows)[number]) => row.potpack],
] as const) {
  const waste = 1 - used / total((row) => of(row).sheets * row.area);
  const ms = total((row) => of(row).ms) / rows.length;
  const straight = name === 'ours' ? rows.length : rows.filter((row) => of(row).separable).length;
  console.log(
    `  ${name.padEnd(24)} ${`${total((row) => of(row).sheets)}`.padStart(5)} sheets, waste ${percent(waste).padStart(8)}, ${ms.toFixed(0).padStart(5)} ms each, ${straight} of ${rows.length} cut from edge to edge`,
  );
}
console.log(`  no plan by straight cuts can take fewer than ${total((row) => row.ours.least)} sheets`);
const beaten = rows.filter(({ ours, ...theirs }) =>
  [theirs.maxrects, theirs.potpack].some((one) => one.separable && one.sheets < ours.sheets),
).length;
console.log(`  requests in which a plan of theirs that straight cuts can make takes fewer sheets than ours: ${beaten}`);
