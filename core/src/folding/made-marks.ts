import { between, distance, type Point } from '../measure/point';
import type { Alignment } from './alignment';
import type { FoundMark } from './found-marks';
import type { AskedSpot } from './recording';
import { apply, inverse, type Transform } from './transform';

/** A sheet point so near to a measured mark, in mm, is that mark. */
const MARK_MM = 1e-9;

interface Missed {
  readonly at: Point;
  readonly spot: AskedSpot;
  /** Where it was made, on the sheet. */
  readonly made: Point;
}

/** How a hand found the places to fold, and where it made those that it measured otherwise than meant. */
export class MadeMarks {
  readonly found: FoundMark[] = [];
  private readonly missed: Missed[] = [];
  private measuredSoFar = 0;

  /** @param off by how much each measured mark lies too far from what it is measured from, in mm, in order */
  constructor(private readonly off: readonly number[] = []) {}

  lined(name: string, by: Alignment['kind'], pinched: boolean): void {
    this.found.push({ kind: 'lined', name, by, pinched });
  }

  /**
   * Notes a mark made with a ruler.
   * @param marked where it should lie on the table, @param origin where it is measured from
   * @param held the face that it is on, and where that lies: asked for only when it is missed
   * @returns where it does lie
   */
  measured(
    name: string,
    { at, from }: { readonly at: Point; readonly from: Point },
    [marked, origin]: readonly [Point, Point],
    held: () => { readonly face: number; readonly placed: Transform },
  ): Point {
    const mm = distance(marked, origin);
    this.found.push({ kind: 'measured', name, at, from, mm });
    const off = this.off[this.measuredSoFar++] ?? 0;
    if (off === 0) return marked;
    const made = between(origin, marked, 1 + off / mm);
    const { face, placed } = held();
    this.missed.push({
      at,
      spot: { face, vertex: -1 },
      made: apply(inverse(placed), { ...made, z: placed[11] }),
    });
    return made;
  }

  /** The mark that a sheet point is, where it was missed. */
  missedAt(p: Point): Missed | undefined {
    return this.missed.find(({ at }) => distance(at, p) <= MARK_MM);
  }
}
