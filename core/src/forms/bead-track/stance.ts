import type { CreaseRow, Place } from '../../folding/crease-rows';

/** A place on the sheet for each corner of a track, in shares of its side: where the path turns, the wall's tip, its foot. */
export interface Corners {
  /** On the side where the path turns. */
  readonly turn: Place;
  readonly tip: Place;
  readonly foot: Place;
  /** On the other side: the ridge's high end, and its foot. */
  readonly ridge: Place;
  readonly ridgeFoot: Place;
}

/** Fold angles of a standing track, in degrees, without their signs; one for each corner or segment. */
export interface Stance {
  /** From a turn to the next. */
  readonly path: readonly number[];
  /** From the ridge to the turn, from the turn to the tip, and down both legs; none at either end of the sheet. */
  readonly ridge: readonly number[];
  readonly wall: readonly number[];
  readonly tipLeg: readonly number[];
  readonly ridgeLeg: readonly number[];
  /** From a ridge to the next tip, and from a tip to the next ridge. */
  readonly down: readonly number[];
  readonly up: readonly number[];
}

/** The same angle everywhere. */
export const even = (n: number, deg: number): readonly number[] => Array.from({ length: n + 1 }, () => deg);

/** All creases of a track that stands so, as seen from the white side: what runs is coloured. */
export function trackRows(corners: readonly Corners[], stance: Stance): readonly CreaseRow[] {
  return corners.flatMap(({ turn, tip, foot, ridge, ridgeFoot }, k): CreaseRow[] => {
    const inside: CreaseRow[] =
      k === 0 || k === corners.length - 1
        ? []
        : [
            ['strip', turn, ridge, stance.ridge[k]],
            ['strip', turn, tip, -stance.wall[k]],
            ['strip', tip, foot, stance.tipLeg[k]],
            ['strip', ridge, ridgeFoot, -stance.ridgeLeg[k]],
          ];
    if (k === 0) return inside;
    const before = corners[k - 1];
    return [
      ...inside,
      ['path', before.turn, turn, -stance.path[k]],
      ['zigzag', before.ridge, tip, stance.down[k]],
      ['zigzag', before.tip, ridge, stance.up[k]],
    ];
  });
}
