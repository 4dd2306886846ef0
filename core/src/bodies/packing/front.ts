/** Sides of a box along x, y and z, in mm. */
export type Box = readonly [number, number, number];
export type Axis = 0 | 1 | 2;
export const AXES: readonly Axis[] = [0, 1, 2];

/** What adding binary fractions may leave of a side, in mm. */
const SAME_MM = 1e-9;
/** Volumes that differ by less than this share are the same, whatever order they were multiplied in. */
const SAME_VOLUME = 1e-9;

/** Takes boxes by their sides, and keeps those worth keeping. */
export interface Offered<N> {
  /** Keeps a box of these sides if it is worth it; only then is it made. */
  offer(a: number, b: number, c: number, made: (box: Box) => N): void;
  readonly nodes: readonly N[];
}

/** Boxes of which none fits into another: what is offered is kept unless it has no side smaller than one that is there. */
export class Front<N extends { readonly box: Box }> implements Offered<N> {
  private readonly kept: N[] = [];

  /** @param share one is kept only if it is better by more than this share of a side */
  constructor(private readonly share = 0) {}

  get nodes(): readonly N[] {
    return this.kept;
  }

  /** Whether a box of these sides is no better than one that is kept. */
  isBeaten(a: number, b: number, c: number): boolean {
    const { kept } = this;
    const more = 1 + this.share;
    const [x, y, z] = [a * more + SAME_MM, b * more + SAME_MM, c * more + SAME_MM];
    for (let k = 0; k < kept.length; k++) {
      const { box } = kept[k];
      if (box[0] > x || box[1] > y || box[2] > z) continue;
      // Who beats one beats many: it is asked sooner next time.
      if (k) [kept[k - 1], kept[k]] = [kept[k], kept[k - 1]];
      return true;
    }
    return false;
  }

  offer(a: number, b: number, c: number, made: (box: Box) => N): void {
    if (this.isBeaten(a, b, c)) return;
    const { kept } = this;
    let left = 0;
    for (const one of kept) {
      const { box } = one;
      if (a <= box[0] + SAME_MM && b <= box[1] + SAME_MM && c <= box[2] + SAME_MM) continue;
      kept[left++] = one;
    }
    kept.length = left;
    kept.push(made([a, b, c]));
  }
}

/** How far proportions may differ that count as one, as a natural logarithm: a sheet differs by the square of it. */
const ALIKE = 0.12;
/** A box is no longer than this many times the side of a cube of its volume, unless a thing in it is. */
const LONGEST = 6;

/**
 * Of boxes with much the same proportions the one of least volume: for so many things that a box hardly differs from the next.
 * The least volume that holds more is no less than that which holds fewer.
 */
export class Proportions<N extends { readonly box: Box }> implements Offered<N> {
  private readonly cells = new Map<number, { volume: number; node: N }>();

  /**
   * @param longestMm the longest thing that must go in
   * @param alike how far proportions may differ that count as one, as a natural logarithm
   */
  constructor(
    private readonly longestMm: number,
    private readonly alike = ALIKE,
  ) {}

  get nodes(): readonly N[] {
    const front = new Front<N>();
    for (const { node } of this.cells.values()) front.offer(...node.box, () => node);
    return front.nodes;
  }

  offer(a: number, b: number, c: number, made: (box: Box) => N): void {
    const volume = a * b * c;
    if (Math.max(a, b, c) > Math.max(this.longestMm + SAME_MM, LONGEST * Math.cbrt(volume))) return;
    const [floor, height] = [Math.log(a / b), Math.log((c * c) / (a * b)) / 2];
    const key = 1000 * Math.round(floor / this.alike) + Math.round(height / this.alike);
    const before = this.cells.get(key);
    if (!before || volume < before.volume) this.cells.set(key, { volume, node: made([a, b, c]) });
  }
}

/** The smallest by volume first; of those alike, the one with least surface: a stack before a carpet. */
export function smallestFirst<N extends { readonly box: Box }>(nodes: readonly N[]): readonly N[] {
  return nodes
    .map((node) => {
      const [a, b, c] = node.box;
      return { node, volume: Math.round(Math.log(a * b * c) / SAME_VOLUME), surface: a * b + b * c + c * a };
    })
    .sort((p, q) => p.volume - q.volume || p.surface - q.surface || p.node.box[2] - q.node.box[2])
    .map(({ node }) => node);
}

/** More boxes than these are thinned out by their proportions, ever more until so few are left. */
const MANY = 240;

/** Of very many boxes, those with much the same proportions count as one. */
export function thinned<N extends { readonly box: Box }>(nodes: readonly N[], many = MANY): readonly N[] {
  let left = nodes;
  for (let alike = ALIKE / 4; left.length > many; alike *= 1.25) {
    const cells = new Proportions<N>(Infinity, alike);
    for (const node of nodes) cells.offer(...node.box, () => node);
    left = cells.nodes;
  }
  return left;
}
