/** Lines nearer to each other than this, in each number of their normal form on a sheet of side 1, are one line. */
export const SAME_LINE = 1e-9;

/** Cells of the grid on which lines are looked up: far coarser than what makes two lines one, far finer than they lie. */
const CELL = 1e-7;

/** A direction in the space of normal forms that no symmetry of the sheet keeps, so that few lines share a cell. */
const [ALONG_A, ALONG_B, ALONG_C] = [0.754877666, 0.569840291, 0.430159709];

/**
 * Lines a·x + b·y = c with a² + b² = 1, each once. Looked up by one number on a fine grid, and told apart exactly: a line near
 * the border of a cell is looked for in the next one too.
 */
export class LineBook {
  private capacity = 1 << 12;
  a = new Float64Array(this.capacity);
  b = new Float64Array(this.capacity);
  c = new Float64Array(this.capacity);
  size = 0;
  private slots = new Int32Array(this.capacity * 4).fill(-1);
  private next = new Int32Array(this.capacity).fill(-1);

  /** The line's number, or -1. Its normal form must point as `normalSign` says. */
  find(a: number, b: number, c: number): number {
    const at = (a * ALONG_A + b * ALONG_B + c * ALONG_C) / CELL;
    const cell = Math.floor(at);
    const near = at - cell;
    const found = this.inCell(cell, a, b, c);
    if (found >= 0) return found;
    const border = (4 * SAME_LINE) / CELL;
    if (near < border) return this.inCell(cell - 1, a, b, c);
    return near > 1 - border ? this.inCell(cell + 1, a, b, c) : -1;
  }

  /** Enters a line that is not there. @returns its number */
  add(a: number, b: number, c: number): number {
    if (this.size === this.capacity) this.grow();
    const k = this.size++;
    this.a[k] = a;
    this.b[k] = b;
    this.c[k] = c;
    this.enter(k);
    return k;
  }

  private inCell(cell: number, a: number, b: number, c: number): number {
    for (let k = this.slots[this.slotOf(cell)]; k >= 0; k = this.next[k])
      if (
        Math.abs(this.a[k] - a) < SAME_LINE &&
        Math.abs(this.b[k] - b) < SAME_LINE &&
        Math.abs(this.c[k] - c) < SAME_LINE
      )
        return k;
    return -1;
  }

  private slotOf(cell: number): number {
    return (Math.imul(cell | 0, 0x9e3779b1) >>> 7) & (this.slots.length - 1);
  }

  private enter(k: number): void {
    const slot = this.slotOf(Math.floor((this.a[k] * ALONG_A + this.b[k] * ALONG_B + this.c[k] * ALONG_C) / CELL));
    this.next[k] = this.slots[slot];
    this.slots[slot] = k;
  }

  private grow(): void {
    this.capacity *= 2;
    const longer = (from: Float64Array): Float64Array<ArrayBuffer> => {
      const to = new Float64Array(this.capacity);
      to.set(from);
      return to;
    };
    [this.a, this.b, this.c] = [longer(this.a), longer(this.b), longer(this.c)];
    this.slots = new Int32Array(this.capacity * 4).fill(-1);
    this.next = new Int32Array(this.capacity).fill(-1);
    for (let k = 0; k < this.size; k++) this.enter(k);
  }
}

/** 1 or -1: by what a normal form is multiplied so that each line has one only. */
export const normalSign = (a: number, b: number): 1 | -1 => (a > SAME_LINE || (a >= -SAME_LINE && b > 0) ? 1 : -1);
