/**
 * What trials come to where the answer is known, and how long they take.
 * usage: npx tsx bench/src/trials.ts
 */
import engine from '@dimforge/rapier3d-deterministic-compat';
import {
  floatHull,
  foldMake,
  heeling,
  hullShapeOf,
  type Make,
  type PouredThing,
  pouring,
  SHELF,
  sizeEffects,
  standingCells,
  standOf,
  tipOver,
  vesselOf,
  weighedBodies,
} from '@odd-corner/core';
import { filledShare } from '../../core/test/trials/filled-share';
import { gain, GRAVITY } from '../../core/test/trials/incline';
import { openBox } from '../../core/test/trials/open-box';
import { measure, printTable } from './measure';

await engine.init();

const THINGS: readonly (PouredThing & { readonly published: string })[] = [
  { name: 'balls of 10 mm', shape: 'ball', mm: [10], published: '0.55 to 0.64' },
  { name: 'cubes of 10 mm', shape: 'block', mm: [10, 10, 10], published: '0.54 to 0.68' },
  { name: 'discs of 12 by 5 mm', shape: 'disc', mm: [12, 5], published: '0.53 to 0.70' },
];
const [SIDE, DEEP, COUNT, SEEDS] = [84, 110, 340, [1, 2, 3]] as const;
const tall = vesselOf(openBox(SIDE, SIDE, DEEP))!;
console.log(`Shares of a box of ${SIDE} × ${SIDE} × ${DEEP} mm that ${COUNT} things fill, away from its walls:`);
for (const thing of THINGS)
  for (const shaken of [false, true]) {
    const shares = SEEDS.map((seed) => {
      const work = pouring(engine, tall, { thing, shaken, seed, count: COUNT });
      let next = work.next();
      while (!next.done) next = work.next(false);
      const inner = [11, SIDE - 11] as const;
      return filledShare(next.value!.bodies, thing, { x: inner, y: inner, low: 8 }).toFixed(3);
    });
    const how = shaken ? 'shaken' : 'poured';
    console.log(`  ${thing.name.padEnd(20)} ${how}  ${shares.join(' ')}  published ${thing.published}`);
  }

console.log('\nSpeed gained down an incline against 5/7 g sin θ:');
for (const deg of [1, 3, 8, 15, 25]) {
  const told = (5 / 7) * GRAVITY * Math.sin((deg * Math.PI) / 180);
  console.log(`  ${String(deg).padStart(2)}°  off by ${(100 * (gain(deg, 5) / told - 1)).toFixed(4)} %`);
}

/** A make of a form from a square sheet. */
const makeOf = (formId: string, mm: number, keys: readonly string[] = ['piece']): Make => ({
  formId,
  params: {},
  entries: Object.fromEntries(keys.map((key) => [key, { sheet: { widthMm: mm, heightMm: mm }, thicknessMm: 0.1 }])),
});
const [boat] = foldMake(makeOf('square-canoe', 150)).entries.values();
const hull = hullShapeOf(boat.sizes.rooms[0])!;
const load = (k: number) => [{ grams: 5 + k / 10, at: { x: 0, y: 0, z: 6 } }];
const tidy = weighedBodies(foldMake(makeOf('six-tube-tidy', 180, ['unit', 'unit-2'])), () => 80, null);
const faces = tidy.flatMap((body) => body.faces);
const cells = standingCells(faces);
console.log('');
printTable([
  measure('the room of an open box, by slices', 12, (k) => vesselOf(openBox(60 + k, 50, 40))),
  measure('a boat with a load comes to lie', 40, (k) => floatHull(hull, load(k), 2)),
  measure('a boat is heeled until it is lost', 12, (k) => heeling(hull, load(k), 2)),
  measure('where things stand in a tidy', 8, () => standingCells(faces)),
  measure('a tidy is tipped over', 20, (k) => {
    tipOver(standOf(tidy), cells, { longMm: 140 + k, acrossMm: 8, grams: 7 }, 12);
  }),
  measure('what misses do to the sizes of a tray', 8, (k) => {
    sizeEffects({ ...makeOf(SHELF.form('square-tray-and-eared-lid').id, 150 + k, ['tray']) });
  }),
]);
