/**
 * Makers whose true values are known fold, measure with a ruler and slip now and then; after so many pieces each, the chance
 * that the next piece is not too small is asked of what was learned and of the usual hand.
 * usage: npx tsx bench/src/simulated-makers.ts [makers] [seed]
 */
import { calibration, judgedMakers, logScore, POPULATIONS } from '../../core/test/record/simulated-makers';

const [makers = 1000, seed = 100] = process.argv.slice(2).map(Number);
const AFTER = [0, 1, 2, 4, 8, 16];
const percent = (share: number): string => (100 * share).toFixed(1);

console.log(`${makers} makers of each kind, seed ${seed}; log score: 0 is certain and right, more is better`);
for (const population of POPULATIONS) {
  console.log(`\n${population.name}`);
  for (const after of AFTER) {
    const all = judgedMakers(population, [after], makers, seed);
    const bins = calibration(all, 'learned');
    const worst = Math.max(...bins.map(({ told, came }) => Math.abs(told - came)));
    console.log(
      [
        `after ${String(after).padStart(2)}`,
        `learned ${logScore(all, 'learned').toFixed(4)}`,
        `usual ${logScore(all, 'usual').toFixed(4)}`,
        `told to come ${bins.map(({ told, came }) => `${percent(told)}:${percent(came)}`).join(' ')}`,
        `furthest ${percent(worst)} points`,
      ].join('  '),
    );
  }
}
