import type { Point } from '../measure/point';
import { type AssignedPattern, type Fold, foldsOf } from './assigned-pattern';
import { type CreasePattern, toleranceOf } from './crease-pattern';
import { vertexStars } from './vertex-star';

/** A law of flat folding at one vertex, and by how much it is broken. */
export interface LocalFault {
  /**
   * `even-degree`: an odd number of creases meets (amount: how many). `Kawasaki–Justin`: alternate angles do not add up to
   * 180° (amount: degrees over). `Maekawa–Justin`: valleys and mountains do not differ by two (amount: how far from it).
   * `big-little-big`: creases round a smallest angle that fold the same way (amount: how many more than can).
   */
  readonly law: 'even-degree' | 'Kawasaki–Justin' | 'Maekawa–Justin' | 'big-little-big';
  readonly vertex: number;
  readonly at: Point;
  readonly amount: number;
}

const DEG = 180 / Math.PI;

/**
 * The local laws of flat folding that a pattern breaks, vertex by vertex; none when every vertex folds flat on its own.
 * Creases whose fold is open break a law only when no choice for them could keep it.
 */
export function localLaws(pattern: CreasePattern | AssignedPattern): LocalFault[] {
  const folds = foldsOf(pattern);
  return vertexStars(pattern).flatMap((star, vertex): LocalFault[] => {
    if (!star.interior) return [];
    const folded = star.edges.flatMap((edge, k) => (folds[edge] === 'flat' ? [] : [{ edge, angle: star.angles[k] }]));
    const n = folded.length;
    if (!n) return [];
    const fault = (law: LocalFault['law'], amount: number): LocalFault => ({
      law,
      vertex,
      at: pattern.vertices[vertex],
      amount,
    });
    if (n % 2) return [fault('even-degree', n)];
    const sectors = folded.map(({ angle }, k) => {
      const next = folded[(k + 1) % n].angle;
      return n === 1 ? 2 * Math.PI : next > angle ? next - angle : next - angle + 2 * Math.PI;
    });
    // Vertices are known to the tolerance, directions therefore to the tolerance over the shortest crease.
    const shortest = Math.min(...folded.map(({ edge }) => lengthOf(pattern, edge)));
    const slack = 1e-9 + (4 * n * toleranceOf(pattern)) / shortest;
    const over = sectors.reduce((sum, sector, k) => (k % 2 ? sum : sum + sector), 0) - Math.PI;
    const at = folded.map(({ edge }) => folds[edge]);
    return [
      ...(Math.abs(over) > slack ? [fault('Kawasaki–Justin', over * DEG)] : []),
      ...maekawa(at).map((amount) => fault('Maekawa–Justin', amount)),
      ...bigLittleBig(at, sectors, slack).map((amount) => fault('big-little-big', amount)),
    ];
  });
}

function lengthOf(pattern: CreasePattern, edge: number): number {
  const { from, to } = pattern.edges[edge];
  return Math.hypot(
    pattern.vertices[to].x - pattern.vertices[from].x,
    pattern.vertices[to].y - pattern.vertices[from].y,
  );
}

const count = (folds: readonly Fold[], fold: Fold): number => folds.filter((f) => f === fold).length;

/** How far valleys less mountains stay from ±2, whatever the open creases do. */
function maekawa(folds: readonly Fold[]): number[] {
  const difference = Math.abs(count(folds, 'valley') - count(folds, 'mountain'));
  const open = count(folds, 'either');
  const off = Math.max(0, difference - open - 2, open ? 0 : 2 - difference);
  return off ? [off] : [];
}

/**
 * The general form of the law for k equal angles between larger ones: of the k + 1 creases at them, valleys and mountains
 * are equal in number when k is odd, and differ by one when k is even.
 */
function bigLittleBig(folds: readonly Fold[], sectors: readonly number[], slack: number): number[] {
  const n = folds.length;
  const faults: number[] = [];
  for (let start = 0; start < n; start++) {
    if (!(sectors[(start + n - 1) % n] > sectors[start] + slack)) continue;
    let k = 1;
    while (k < n && Math.abs(sectors[(start + k) % n] - sectors[start]) <= slack) k++;
    if (k >= n || !(sectors[(start + k) % n] > sectors[start] + slack)) continue;
    const run = Array.from({ length: k + 1 }, (_, i) => folds[(start + i) % n]);
    const difference = Math.abs(count(run, 'valley') - count(run, 'mountain'));
    const off = difference - count(run, 'either') - (k % 2 ? 0 : 1);
    if (off > 0) faults.push(off);
  }
  return faults;
}
