import type { CreaseRow, Place } from '../../folding/crease-rows';
import { type Corners, even, type Stance } from './stance';

/** Proportions of a straight track, in shares of the sheet's side. */
export interface StraightTrack {
  readonly strips: number;
  /** Width of the body, of the band beside it, and depth of the hem at the low end. */
  readonly body: number;
  readonly band: number;
  readonly hem: number;
}

/** Bands that close with so many strips. */
const BAND: Readonly<Record<number, number>> = { 6: 1 / 16, 8: 1 / 16, 10: 1 / 20, 12: 1 / 24 };

/** A wider body has a longer and flatter path, and room for a lower hem only. */
export const straightTrack = (strips: number, body: 'usual' | 'wide'): StraightTrack => ({
  strips,
  band: BAND[strips],
  ...(body === 'wide' ? { body: 1 / 2, hem: 3 / 32 } : { body: 3 / 8, hem: 1 / 8 }),
});

const bodyLine = ({ body }: StraightTrack): number => (1 - body) / 2;

export function straightCorners(track: StraightTrack): readonly Corners[] {
  const { strips: n, band, hem } = track;
  const y = bodyLine(track);
  return Array.from({ length: n + 1 }, (_, k): Corners => {
    const x = k / n;
    // The path turns by turns on the near and on the far side.
    const near = (v: number): Place => [x, k % 2 ? 1 - v : v];
    const far = (v: number): Place => [x, k % 2 ? v : 1 - v];
    const foot = hem * (1 - x);
    return { turn: near(y), tip: near(y - band), foot: near(foot), ridge: far(y), ridgeFoot: far(foot) };
  });
}

/** How far each strip is pushed together for the legs to stand upright. */
const standing = ({ band, body }: StraightTrack): number => band / Math.sqrt(1 - (2 * band) / body);

/** The closed form of the pose with its legs upright, by the right angles of its corners; 180 degrees everywhere when flat. */
export function straightStance(track: StraightTrack, pose: 'standing' | 'flat bar'): Stance {
  const { strips: n, body, band } = track;
  const deg = (half: number): number => (2 * half * 180) / Math.PI;
  const half = pose === 'standing' ? Math.asin(standing(track) * n) : Math.PI / 2;
  const through = (across: number): number =>
    pose === 'standing' ? deg(Math.atan(Math.tan(half) * Math.hypot(1, 1 / n / across))) : 180;
  const rho = even(n, deg(half));
  const zigzag = even(n, through(band));
  return { path: even(n, through(body)), ridge: rho, wall: rho, tipLeg: rho, ridgeLeg: rho, down: zigzag, up: zigzag };
}

/** The legs' creases go on through the hems that are folded in under them, mirrored in the hems' folds. */
export function hemRows(track: StraightTrack, { wall: angles }: Stance): readonly CreaseRow[] {
  const { hem } = track;
  const shrink = 1 + hem * hem;
  return straightCorners(track).flatMap(({ foot, ridgeFoot }, k, all): CreaseRow[] => {
    if (k === 0 || k === all.length - 1) return [];
    const through = (from: Place, deg: number): CreaseRow => {
      const low = from[1] < 1 / 2;
      const up = low ? from[1] : 1 - from[1];
      // The upright line through the foot, mirrored in the hem's fold, down to the raw edge.
      const long = (up * shrink) / (1 - hem * hem);
      const end: Place = [from[0] - (2 * hem * long) / shrink, low ? 0 : 1];
      return ['strip', from, end, deg];
    };
    return [through(foot, -angles[k]), through(ridgeFoot, angles[k])];
  });
}
