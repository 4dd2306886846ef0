import {
  atOnce,
  COMMON_SHAPES,
  commonMarks,
  foldWaysTo,
  fractionOf,
  fromCommon,
  MarkSearch,
  seededRandom,
  type SheetSize,
} from '@odd-corner/core';

/** Marks by folding: how near so many folds bring any place of an edge, how soon, and how soon out of the table. */

const PLACES = 500;
const NEAR = [100, 300, 1000, 3000];
const MOST = 6;
const HAND_MM = 0.3;

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

for (const [name, size] of [
  ['square', { widthMm: 150, heightMm: 150 }],
  ['A4', { widthMm: 210, heightMm: 297 }],
] as const satisfies readonly (readonly [string, SheetSize])[]) {
  const began = performance.now();
  const search = atOnce(MarkSearch.over(size));
  const made = performance.now() - began;
  foldWaysTo(search, size, 0, 0.4321 * size.widthMm, HAND_MM);
  const first = performance.now() - began;
  const random = seededRandom(19);
  const within = Array.from({ length: MOST }, () => NEAR.map(() => 0));
  const longer = Math.max(size.widthMm, size.heightMm);
  const times: number[] = [];
  for (let k = 0; k < PLACES; k++) {
    const share = random();
    let off = Infinity;
    for (let folds = 1; folds <= MOST; folds++) {
      const [found] = search.near(0, (share * size.widthMm) / longer, folds, 1);
      off = Math.min(off, found ? Math.abs(found.off) * (longer / size.widthMm) : Infinity);
      NEAR.forEach((part, n) => {
        if (off < 1 / part) within[folds - 1][n]++;
      });
    }
    if (k < 100) {
      const asked = performance.now();
      foldWaysTo(search, size, 0, share * size.widthMm, HAND_MM);
      times.push(performance.now() - asked);
    }
  }
  times.sort((a, b) => a - b);
  console.log(
    `\n${name}: ${[1, 2, 3].map((folds) => search.count(folds)).join(', ')} lines of one, two and three folds`,
  );
  console.log(
    `  all sequences in ${made.toFixed(0)} ms, the first place with them in ${first.toFixed(0)} ms, each next one in ${times[50].toFixed(0)} ms (at most ${times[99].toFixed(0)})`,
  );
  console.log(
    `  share of ${PLACES} places of the near edge within  ${NEAR.map((part) => `1/${part}`.padStart(9)).join('')}`,
  );
  within.forEach((row, k) =>
    console.log(`    up to ${k + 1} folds${' '.repeat(26)}${row.map((n) => percent(n / PLACES).padStart(9)).join('')}`),
  );
}

const shape = { widthMm: 100 * COMMON_SHAPES[0], heightMm: 100 };
const table = commonMarks(0, atOnce(MarkSearch.over(shape)));
const places = Object.keys(table).map((key) => key.split(':')[1].split('/').map(Number));
fromCommon(table, { widthMm: 150, heightMm: 150 }, 0, 75, HAND_MM);
const took = places.map(([part, of]) => {
  const began = performance.now();
  const ways = fromCommon(table, { widthMm: 150, heightMm: 150 }, 0, (150 * part) / of, HAND_MM);
  if (!ways || fractionOf(part / of)?.of !== of) throw new Error(`${part}/${of} is missing from the table.`);
  return performance.now() - began;
});
took.sort((a, b) => a - b);
console.log(
  `\n${places.length} common fractions out of the table: ${took[Math.floor(took.length / 2)].toFixed(1)} ms each, at most ${took[took.length - 1].toFixed(1)} ms`,
);
