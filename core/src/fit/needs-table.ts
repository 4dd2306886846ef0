import type { RoomAsked, WayToFit } from '../purpose/demand';
import { FITS, spareShare } from './needs';

/** One way to fit as figures: which of the measures each demand reads, and what it needs. */
interface Row {
  readonly way: WayToFit;
  readonly reads: readonly number[];
  /** Null where what is needed depends on the room. */
  readonly needs: readonly (number | null)[];
}

/**
 * All ways to fit, with what their demands have in common read once for each room: a packing of many things has hundreds of
 * ways, which ask for other figures of the same three sides.
 */
export class NeedsTable {
  private readonly measures: ((asked: RoomAsked) => number)[] = [];
  private readonly rows: Row[];
  private readonly have: Float64Array;

  constructor(ways: readonly WayToFit[]) {
    const known = new Map<unknown, number>();
    this.rows = ways.map((way) => ({
      way,
      reads: way.demands.map((demand) => {
        const key = demand.reads ?? demand;
        let at = known.get(key);
        if (at === undefined) {
          known.set(key, (at = this.measures.length));
          this.measures.push((asked) => demand.have(asked));
        }
        return at;
      }),
      needs: way.demands.map(({ fixed }) => fixed ?? null),
    }));
    this.have = new Float64Array(this.measures.length);
  }

  private read(asked: RoomAsked): void {
    for (let k = 0; k < this.measures.length; k++) this.have[k] = this.measures[k](asked);
  }

  /** The most over all ways of the least that is left over, as a share of what is needed. */
  bestShare(asked: RoomAsked): number {
    this.read(asked);
    const { have } = this;
    let best = -Infinity;
    for (const { way, reads, needs } of this.rows) {
      let least = Infinity;
      for (let d = 0; d < reads.length && least > best; d++) {
        const share = spareShare(have[reads[d]], needs[d] ?? way.demands[d].need(asked));
        least = Number.isNaN(share) ? -Infinity : Math.min(least, share);
      }
      if (least > best) best = least;
    }
    return best;
  }

  /**
   * The most over all ways of the least number of standard deviations by which a demand is met.
   * @param spreads standard deviation of each demand of each way for a hand that misses by 1 mm
   * @param most what stands for a demand that no miss touches
   */
  bestSureness(asked: RoomAsked, spreads: readonly (readonly number[])[], handMm: number, most: number): number {
    this.read(asked);
    const { have } = this;
    let best = -Infinity;
    for (let w = 0; w < this.rows.length; w++) {
      const { way, reads, needs } = this.rows[w];
      const spread = spreads[w];
      let least = most;
      for (let d = 0; d < reads.length && least > best; d++) {
        const need = needs[d] ?? way.demands[d].need(asked);
        const spare = have[reads[d]] - need;
        const sd = spread[d] * handMm;
        // A demand that no miss touches is met or not.
        least = Math.min(least, sd > 1e-9 ? spare / sd : spare >= FITS * Math.abs(need) ? most : -most);
      }
      if (least > best) best = least;
    }
    return best;
  }
}
