import type { Room } from './all-layouts';
import { type CutTree, joined } from './cut-tree';
import { NOISE_MM } from './cutting';
import type { Way } from './lying';

/** Joined pieces with hardly any paper lost between them. */
export interface Dense {
  readonly counts: Int32Array;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Of the pieces alone, in mm². */
  readonly area: number;
  /** What it is joined from, and how the cut between them runs; a piece, and which of the wanted ones it is. */
  readonly from:
    | { readonly first: Dense; readonly second: Dense; readonly upright: boolean }
    | { readonly wanted: number; readonly turned: boolean };
}

/** The same as it is cut. */
export function treeOf({ from, widthMm, heightMm }: Dense, lossMm: number): CutTree {
  if ('wanted' in from) return { ...from, widthMm, heightMm };
  const [first, second] = [treeOf(from.first, lossMm), treeOf(from.second, lossMm)];
  return joined(from.upright ? 'upright' : 'level', first, second, lossMm);
}

/** Boxes of about one area that are kept, those that lose least. */
const KEPT = 36;
/** By how much chance moves a rank at most. */
const JITTER = 0.04;
/** Areas of one class differ by no more than this factor. */
const CLASS = Math.SQRT2;

/**
 * Bundles of at most so many of each wanted sheet, none of which loses much paper: small ones are joined to larger ones side by side or
 * one beyond the other (as `allLayouts` does), and of those of about one size only the densest go on. Not all that there are, but good
 * ones where there are too many to list.
 * @param left how many of each may be used
 * @param random from 0 to 1; moves the ranks a little, so that each call finds others
 */
export function denseLayouts(
  ways: readonly (readonly Way[])[],
  left: readonly number[],
  rooms: readonly Room[],
  lossMm: number,
  random: () => number,
): readonly Dense[] {
  const kinds = left.length;
  const fits = (w: number, h: number): boolean =>
    rooms.some(({ widthMm, heightMm }) => w <= widthMm + NOISE_MM && h <= heightMm + NOISE_MM);
  const areas = ways.map(([way]) => (way ? way.widthMm * way.heightMm : 0));
  const least = Math.min(...areas.filter((area, k) => area > 0 && left[k] > 0));
  const classOf = (area: number): number =>
    Math.max(0, Math.floor(Math.log(area / least) / Math.log(CLASS) + NOISE_MM));
  const classes: { readonly box: Dense; readonly rank: number }[][] = [];
  const enough = (a: Int32Array, b: Int32Array): boolean => {
    for (let k = 0; k < kinds; k++) if (a[k] + b[k] > left[k]) return false;
    return true;
  };
  const same = (one: Dense, w: number, h: number, area: number): boolean =>
    Math.abs(one.widthMm - w) < NOISE_MM &&
    Math.abs(one.heightMm - h) < NOISE_MM &&
    Math.abs(one.area - area) < NOISE_MM;
  /** Puts a box among those of its class where it belongs; two of one size and area are as good as each other. */
  const offer = (area: number, w: number, h: number, countsOf: () => Int32Array, from: () => Dense['from']): void => {
    const all = (classes[classOf(area)] ??= []);
    const rank = (area / (w * h)) * (1 - JITTER * random());
    if (all.length >= KEPT && all[all.length - 1].rank >= rank) return;
    if (all.some(({ box }) => same(box, w, h, area))) return;
    let at = all.length;
    while (at > 0 && all[at - 1].rank < rank) at--;
    all.splice(at, 0, { box: { counts: countsOf(), widthMm: w, heightMm: h, area, from: from() }, rank });
    if (all.length > KEPT) all.pop();
  };
  ways.forEach((lying, wanted) => {
    if (!left[wanted]) return;
    for (const { widthMm, heightMm, turned } of lying)
      if (fits(widthMm, heightMm))
        offer(
          areas[wanted],
          widthMm,
          heightMm,
          () => Int32Array.from(left, (_, k) => (k === wanted ? 1 : 0)),
          () => ({ wanted, turned }),
        );
  });
  const tryPair = (first: Dense, second: Dense): void => {
    const [w, v, h, g] = [first.widthMm, second.widthMm, first.heightMm, second.heightMm];
    const area = first.area + second.area;
    const counts = (): Int32Array => first.counts.map((n, k) => n + second.counts[k]);
    const [beside, tall] = [w + v + lossMm, h > g ? h : g];
    if (fits(beside, tall)) offer(area, beside, tall, counts, () => ({ first, second, upright: true }));
    const [broad, beyond] = [w > v ? w : v, h + g + lossMm];
    if (fits(broad, beyond)) offer(area, broad, beyond, counts, () => ({ first, second, upright: false }));
  };
  // Two of one class make one of a higher class, so that each class is complete when it is come to.
  for (let k = 0; k < classes.length; k++) {
    const here = (classes[k] ?? []).map(({ box }) => box);
    for (const [n, a] of here.entries()) {
      for (let i = 0; i < k; i++)
        for (const { box } of classes[i] ?? []) if (enough(a.counts, box.counts)) tryPair(a, box);
      for (let m = n; m < here.length; m++) if (enough(a.counts, here[m].counts)) tryPair(a, here[m]);
    }
  }
  return classes.flatMap((all) => (all ?? []).map(({ box }) => box));
}
