import type { CreaseRow, Place } from '../../folding/crease-rows';
import { foldAngleDeg } from '../../folding/fold-angle';
import { solved } from '../../measure/gauss-newton';
import { cross, distance3, dot, minus, type Point3 } from '../../measure/vector3';
import type { Corners } from './stance';

/** Proportions of a tapered track, in shares of the sheet's side. */
export interface TaperedTrack {
  readonly strips: number;
  /** Height of the mark that the near edge is laid through. */
  readonly mark: number;
  /** Slope of the leg lines, where they begin at the low end, and the band from there to the body lines. */
  readonly slope: number;
  readonly low: number;
  readonly band: number;
  /** Where the corner lands on the middle line. */
  readonly lands: number;
}

/** Wider bands do not close. */
const WIDEST_BAND = 0.065;
/** So wide a band for a strip, in more than eight. */
const BAND_OF_STRIP = 0.52;

/** The near edge laid through a mark, its corner on the middle line: what that fold is, by halving for the landing place. */
export function taperedTrack(strips: number, mark: number): TaperedTrack {
  const half = 1 / 2;
  /** Where the near edge of the flap meets the sheet's own. */
  const meets = (x: number): number => (-mark * x) / (half - mark);
  const off = (x: number): number => (1 - meets(x)) ** 2 - half * half - (x - meets(x)) ** 2;
  let [near, far] = [half, 1];
  for (let k = 0; k < 80; k++) {
    const middle = (near + far) / 2;
    if (off(middle) > 0) near = middle;
    else far = middle;
  }
  const lands = (near + far) / 2;
  const slope = Math.tan(Math.atan2(half, lands - meets(lands)) / 2);
  return {
    ...{ strips, mark, slope, lands, low: -meets(lands) * slope },
    band: Math.min(WIDEST_BAND, BAND_OF_STRIP / strips),
  };
}

const tipHeight = ({ low, slope }: TaperedTrack, x: number): number => low + slope * x;

export function taperedCorners(track: TaperedTrack): readonly Corners[] {
  const { strips: n, band } = track;
  return Array.from({ length: n + 1 }, (_, k): Corners => {
    const x = k / n;
    const near = (v: number): Place => [x, k % 2 ? 1 - v : v];
    const far = (v: number): Place => [x, k % 2 ? v : 1 - v];
    const tip = tipHeight(track, x);
    return { turn: near(tip + band), tip: near(tip), foot: near(0), ridge: far(tip + band), ridgeFoot: far(0) };
  });
}

/** Where the corners stand: legs upright, feet on the table. */
interface Standing {
  readonly turn: Point3;
  readonly tip: Point3;
  readonly ridge: Point3;
}

/**
 * The rigid pose on upright legs: all lengths as on the sheet, both end segments flat. Solved from the pose that a straight track
 * of the same width would have.
 * @throws RangeError when it does not close
 */
function stands(track: TaperedTrack): readonly Standing[] {
  const { strips: n, band, slope } = track;
  const delta = 1 / n;
  const heights = Array.from({ length: n + 1 }, (_, k) => tipHeight(track, k / n));
  const widths = heights.map((tip) => 1 - 2 * (tip + band));
  const side = (k: number): number => (k % 2 ? -1 : 1);
  const guess = widths.flatMap((w, k) => {
    const closed = band / Math.sqrt(1 - (2 * band) / w);
    const across = Math.hypot(w, closed);
    const x = k * Math.sqrt(delta * delta - closed * closed);
    const ridge = (w * w - closed * closed) / (2 * across);
    const s = side(k);
    return [
      ...[x, (s * across) / 2, heights[k] + band - (closed * w) / across],
      ...[x, s * (ridge + closed)],
      ...[x, -s * ridge],
    ];
  });
  // Held: the first ridge in plan, and the last one across.
  const held = new Set([5, 6, 7 * n + 6]);
  const free = guess.flatMap((_, i) => (held.has(i) ? [] : [i]));
  const all = (unknowns: readonly number[]): number[] => {
    const values = [...guess];
    free.forEach((i, k) => (values[i] = unknowns[k]));
    return values;
  };
  const corner = (values: readonly number[], k: number): Standing => {
    const [cx, cy, cz, px, py, ex, ey] = values.slice(7 * k, 7 * k + 7);
    return {
      turn: { x: cx, y: cy, z: cz },
      tip: { x: px, y: py, z: heights[k] },
      ridge: { x: ex, y: ey, z: heights[k] + band },
    };
  };
  const plan = (p: Point3, q: Point3): number => Math.hypot(p.x - q.x, p.y - q.y);
  const flat = (a: Point3, b: Point3, c: Point3, d: Point3): number =>
    dot(cross(minus(b, a), minus(c, a)), minus(d, a)) / delta / delta;
  const residuals = (unknowns: readonly number[]): number[] => {
    const values = all(unknowns);
    const at = widths.map((_, k) => corner(values, k));
    const off = at.flatMap(({ turn, tip, ridge }, k) => {
      const own = [distance3(turn, tip) - band, distance3(turn, ridge) - widths[k]];
      if (k === 0) return own;
      const before = at[k - 1];
      const along = delta * Math.hypot(1, slope);
      return [
        ...own,
        plan(tip, before.ridge) - delta,
        plan(before.tip, ridge) - delta,
        distance3(turn, before.ridge) - along,
        distance3(before.turn, ridge) - along,
        distance3(turn, before.turn) - Math.hypot(delta, (widths[k] + widths[k - 1]) / 2),
      ];
    });
    return [
      ...off,
      flat(at[0].turn, at[0].tip, at[1].ridge, at[1].turn),
      flat(at[n - 1].ridge, at[n].turn, at[n].tip, at[n - 1].turn),
    ];
  };
  const found = solved(
    residuals,
    free.map((i) => guess[i]),
  );
  if (!found) throw new RangeError(`A track of ${n} strips does not close with this band.`);
  const values = all(found);
  return widths.map((_, k) => corner(values, k));
}

/** What was solved before: a track is settled by its strips and its mark, whatever the sheet. */
const solvedBefore = new Map<string, readonly CreaseRow[]>();

/**
 * All creases of the standing track, their angles taken from where its corners stand.
 * @throws RangeError when it does not close
 */
export function taperedRows(track: TaperedTrack): readonly CreaseRow[] {
  const key = `${track.strips} ${track.mark}`;
  const rows = solvedBefore.get(key) ?? standingRows(track);
  solvedBefore.set(key, rows);
  return rows;
}

function standingRows(track: TaperedTrack): readonly CreaseRow[] {
  const corners = taperedCorners(track);
  const places = new Map<string, Point3>();
  stands(track).forEach(({ turn, tip, ridge }, k) => {
    const on = corners[k];
    const put = (place: Place, p: Point3): unknown => places.set(place.join(), p);
    put(on.turn, turn);
    put(on.tip, tip);
    put(on.ridge, ridge);
    put(on.foot, { ...tip, z: 0 });
    put(on.ridgeFoot, { ...ridge, z: 0 });
  });
  const row = (name: string, from: Place, to: Place, one: Place, other: Place): CreaseRow => {
    const seen = [from, to, one, other].map(([x, y]) => ({ sheet: { x, y }, at: places.get(`${x},${y}`)! }));
    return [name, from, to, foldAngleDeg(seen[0], seen[1], seen[2], seen[3])];
  };
  return corners.flatMap((own, k): CreaseRow[] => {
    const [before, after] = [corners[k - 1], corners[k + 1]];
    const rows: CreaseRow[] = [];
    if (before)
      rows.push(
        row('path', before.turn, own.turn, before.ridge, own.ridge),
        row('zigzag', before.ridge, own.tip, own.turn, own.foot),
        row('zigzag', before.tip, own.ridge, before.turn, own.ridgeFoot),
        row('body line', own.turn, before.ridge, before.turn, own.tip),
        row('body line', before.turn, own.ridge, own.turn, before.tip),
      );
    if (before && after)
      rows.push(
        row('strip', own.turn, own.ridge, before.turn, after.turn),
        row('strip', own.turn, own.tip, before.ridge, after.ridge),
        row('strip', own.tip, own.foot, before.ridge, after.ridge),
        row('strip', own.ridge, own.ridgeFoot, before.tip, after.tip),
      );
    return rows;
  });
}
