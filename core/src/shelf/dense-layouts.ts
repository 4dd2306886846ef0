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
  treeOf(): CutTree;
}

/** Boxes of about one area that are kept, those that lose least. */
const KEPT = 36;
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
  const classes: { readonly box: Dense; readonly rank: number; readonly key: string }[][] = [];
  const offer = (area: number, w: number, h: number, counts: () => Int32Array, treeOf: () => CutTree): void => {
    const place = classOf(area);
    const all = (classes[place] ??= []);
    const rank = (area / (w * h)) * (1 - 0.04 * random());
    if (all.length >= KEPT && all[all.length - 1].rank >= rank) return;
    const made = counts();
    const key = `${made.join(' ')} ${w.toFixed(3)} ${h.toFixed(3)}`;
    if (all.some((one) => one.key === key)) return;
    let at = all.length;
    while (at > 0 && all[at - 1].rank < rank) at--;
    all.splice(at, 0, { box: { counts: made, widthMm: w, heightMm: h, area, treeOf }, rank, key });
    if (all.length > KEPT) all.pop();
  };
  ways.forEach((lying, wanted) => {
    if (!left[wanted]) return;
    for (const way of lying)
      if (fits(way.widthMm, way.heightMm))
        offer(
          areas[wanted],
          way.widthMm,
          way.heightMm,
          () => Int32Array.from(left, (_, k) => (k === wanted ? 1 : 0)),
          () => ({ wanted, ...way }),
        );
  });
  const enough = (a: Int32Array, b: Int32Array): boolean => {
    for (let k = 0; k < kinds; k++) if (a[k] + b[k] > left[k]) return false;
    return true;
  };
  const tryPair = (a: Dense, b: Dense): void => {
    if (!enough(a.counts, b.counts)) return;
    const counts = (): Int32Array => Int32Array.from(left, (_, k) => a.counts[k] + b.counts[k]);
    const area = a.area + b.area;
    const beside = a.widthMm + b.widthMm + lossMm;
    const tall = Math.max(a.heightMm, b.heightMm);
    if (fits(beside, tall)) offer(area, beside, tall, counts, () => joined('upright', a.treeOf(), b.treeOf(), lossMm));
    const broad = Math.max(a.widthMm, b.widthMm);
    const beyond = a.heightMm + b.heightMm + lossMm;
    if (fits(broad, beyond)) offer(area, broad, beyond, counts, () => joined('level', a.treeOf(), b.treeOf(), lossMm));
  };
  // Two of one class make one of a higher class, so that each class is complete when it is come to.
  for (let k = 0; k < classes.length; k++) {
    const here = (classes[k] ?? []).map(({ box }) => box);
    for (const [n, a] of here.entries()) {
      for (let i = 0; i < k; i++) for (const { box } of classes[i] ?? []) tryPair(a, box);
      for (let m = n; m < here.length; m++) tryPair(a, here[m]);
    }
  }
  return classes.flatMap((all) => (all ?? []).map(({ box }) => box));
}
