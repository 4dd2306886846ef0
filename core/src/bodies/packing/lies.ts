import { boxOf, type Posture, type Thing } from '../contents';
import type { Axis, Box } from './front';
import type { Lie } from './node';

/** `upright`: things may be turned on the floor only. `any`: laid on any side too. */
export type Turning = 'upright' | 'any';

const TURNS: readonly (readonly [Axis, Axis, Axis])[] = [
  [0, 1, 2],
  [1, 0, 2],
  [0, 2, 1],
  [2, 0, 1],
  [1, 2, 0],
  [2, 1, 0],
];

/** The ways in which a thing may lie: its own posture goes before what holds for all. */
export function liesOf(thing: Thing, turning: Turning, posture: Posture | undefined): readonly Lie[] {
  const sides = boxOf(thing);
  const low = Math.min(...sides);
  const free = posture === 'any' || posture === 'lying' || (posture === undefined && turning === 'any');
  const lies = TURNS.filter((turn) => free || turn[2] === 2).map((turn): Lie => {
    const size = turn.map((k) => sides[k]) as unknown as Box;
    if (thing.shape === 'ball') return { size, round: 'ball' };
    return thing.shape === 'cylinder' ? { size, round: turn.indexOf(2) as Axis } : { size };
  });
  const same = (p: Lie, q: Lie): boolean => p.round === q.round && p.size.every((side, k) => side === q.size[k]);
  return lies
    .filter(({ size }) => posture !== 'lying' || size[2] === low)
    .filter((lie, k, all) => all.findIndex((other) => same(lie, other)) === k);
}
