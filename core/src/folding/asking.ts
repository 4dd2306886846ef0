import type { Point } from '../measure/point';
import type { CreasePattern } from '../pattern/crease-pattern';
import { spotAt } from './pose';
import { type AskedSpot, type Decision, type Recording, StructureDiffers } from './recording';

/**
 * What a hand asks of the paper while it folds: where sheet points are, and what to do next. A hand that no other one went
 * before looks it up and writes it down; one that follows finds what was written, by the order in which it asks.
 */
export class Asking {
  private readonly ownSpots: AskedSpot[] = [];
  private readonly ownDecisions: Decision[] = [];
  private asked = 0;

  /**
   * @param after what an exact hand did on this sheet, for one that misses
   * @param along what an exact hand did on another sheet
   */
  constructor(
    private readonly after: Recording | undefined,
    private readonly along: Recording | undefined,
  ) {}

  /** All that was asked, to be followed. */
  get written(): Pick<Recording, 'spots' | 'decisions'> {
    const { spots, decisions } = this.along ?? { spots: this.ownSpots, decisions: this.ownDecisions };
    return { spots, decisions };
  }

  /** Whether as much has been asked as was recorded. */
  get done(): boolean {
    return this.asked === (this.along?.spots.length ?? this.asked);
  }

  /** The face and vertex of a sheet point: looked up once, by the hand that others follow. */
  spotOf(p: Point, pattern: CreasePattern): AskedSpot {
    const k = this.asked++;
    const recorded = (this.after ?? this.along)?.spots[k];
    if (recorded) return recorded;
    if (this.along) throw new StructureDiffers('More points are asked for than were recorded.');
    const spot = spotAt(pattern, p);
    if (!this.after) this.ownSpots.push(spot);
    return spot;
  }

  /** What was decided by an exact hand holds for one that misses; on another sheet it must be decided alike. */
  decide<T extends string | number | boolean>(look: () => T): T {
    const recorded = (this.after ?? this.along)?.decisions[this.ownDecisions.length];
    if (this.after && recorded) {
      this.asked += recorded.spots;
      this.ownDecisions.push(recorded);
      return recorded.decided as T;
    }
    const asked = this.asked;
    const decided = look();
    if (this.along && decided !== recorded?.decided) throw new StructureDiffers('Another move would be made here.');
    this.ownDecisions.push({ decided, spots: this.asked - asked });
    return decided;
  }
}
