/** The items nearest to nothing, of all that are offered. */
export class Nearest {
  readonly items: { readonly of: number; readonly off: number }[] = [];

  constructor(private readonly most: number) {}

  /** How near an item must be to be taken. */
  get reach(): number {
    return this.items.length < this.most ? Infinity : Math.abs(this.items[this.items.length - 1].off);
  }

  offer(of: number, off: number): void {
    const far = Math.abs(off);
    if (far >= this.reach) return;
    let k = this.items.length;
    while (k > 0 && Math.abs(this.items[k - 1].off) > far) k--;
    this.items.splice(k, 0, { of, off });
    if (this.items.length > this.most) this.items.pop();
  }
}
