import { dot, lengthOf, minus, onWay, plus, type Point3, scaledBy, unitOf } from '../../measure/vector3';
import { type BeadMaterial, MOMENT_S, Rolling } from './rolling';

/** A track that stands: all its faces, the path in the bottom of its gutter from the high end to the exit, and its tray. */
export interface TrackShape {
  readonly faces: readonly (readonly Point3[])[];
  readonly path: readonly Point3[];
  /** Where a bead that has left the track should come to lie, by its outline's limits on the table; null without a tray. */
  readonly tray: { readonly low: Point3; readonly high: Point3 } | null;
}

export interface RollAsked {
  readonly diameterMm: number;
  readonly material: BeadMaterial;
  /** The table under the high end is higher by this, in degrees. */
  readonly moreDeg?: number;
  /** Beads that follow each other, each when the one before is so many seconds on its way. */
  readonly beads?: number;
  readonly everyS?: number;
}

/** What became of one bead. */
export interface RollEnd {
  readonly how: 'through' | 'stalls' | 'jumps';
  /** The segment of the path in which it ended, the highest being the first. */
  readonly segment: number;
  readonly seconds: number;
  /** Whether it came to lie in the tray; null without one. */
  readonly caught: boolean | null;
}

export interface RollProgress {
  readonly seconds: number;
  /** Of its path, from 0 to 1: of the bead that is furthest. */
  readonly share: number;
  readonly beads: readonly Point3[];
}

/** No bead takes longer. */
const LONGEST_S = 40;
/** Told every so many moments. */
const TOLD_EVERY = 40;
/** A bead that is slower than this for so long has come to rest. */
const [REST_MM_S, REST_S] = [2, 0.5] as const;
/** It has left its path when it is further from it than so many radii. */
const LEFT_RADII = 3.5;
/** A bead is let go so far down the highest segment: a share of it, or so many of its widths where it is large. */
const [START_SHARE, START_WIDTHS] = [0.25, 1.4] as const;

/** The nearest place on a path: which segment, how far along all of it, and how far away. */
function nearestOnPath(path: readonly Point3[], p: Point3) {
  let best = { segment: 0, along: 0, away: Infinity };
  let before = 0;
  path.slice(1).forEach((b, k) => {
    const a = path[k];
    const way = minus(b, a);
    const long = lengthOf(way);
    const t = Math.max(0, Math.min(1, dot(minus(p, a), way) / (long * long)));
    const away = lengthOf(minus(p, onWay(a, b, t)));
    if (away < best.away) best = { segment: k, along: before + t * long, away };
    before += long;
  });
  return { ...best, whole: before };
}

/** Where a bead lies in the gutter at a place of its path: raised until it touches nothing. */
function lying(rolling: Rolling, at: Point3): Point3 {
  const r = rolling.radiusMm;
  const raised = (by: number): Point3 => ({ ...at, z: at.z + by });
  let [low, high] = [0, r];
  while (rolling.clearanceMm(raised(high)) < r && high < 20 * r) high *= 1.3;
  for (let k = 0; k < 24; k++) {
    const mid = (low + high) / 2;
    if (rolling.clearanceMm(raised(mid)) < r) low = mid;
    else high = mid;
  }
  return raised(high);
}

/**
 * Lets beads roll down a track, and says what became of each. Yields where they are; sent `true`, it stops.
 * @returns null when it was stopped
 */
export function* rollingDown(
  { faces, path, tray }: TrackShape,
  { diameterMm, material, moreDeg = 0, beads = 1, everyS = 0.6 }: RollAsked,
): Generator<RollProgress, readonly RollEnd[] | null, boolean> {
  const r = diameterMm / 2;
  const [exit, before] = [path[path.length - 1], path[path.length - 2]];
  const high = path[0];
  // Raised at its high end, everything falls a little more towards its exit.
  const away = unitOf({ x: exit.x - high.x, y: exit.y - high.y, z: 0 });
  const lean = (moreDeg * Math.PI) / 180;
  const down = plus(scaledBy(away, Math.sin(lean)), { x: 0, y: 0, z: -Math.cos(lean) });
  const rolling = new Rolling(faces, r, material, down);
  const startShare = Math.min(
    0.6,
    Math.max(START_SHARE, (START_WIDTHS * diameterMm) / lengthOf(minus(path[1], path[0]))),
  );
  const start = lying(rolling, onWay(path[0], path[1], startShare));
  const out = unitOf(minus(exit, before));
  const ends: (RollEnd | null)[] = Array.from({ length: beads }, () => null);
  const rests = new Float64Array(beads);
  const begun: number[] = [];
  const passed = new Float64Array(beads).fill(-1);
  let furthest = 0;
  const whole = nearestOnPath(path, exit).whole;
  for (let n = 0; n * MOMENT_S < LONGEST_S; n++) {
    const seconds = n * MOMENT_S;
    if (rolling.beads.length < beads && seconds >= rolling.beads.length * everyS) {
      rolling.add(start);
      begun.push(seconds);
    }
    rolling.step();
    rolling.beads.forEach((bead, k) => {
      if (ends[k]) return;
      const took = seconds - begun[k];
      const place = nearestOnPath(path, bead.at);
      const atEnd = dot(minus(bead.at, exit), out) > r;
      if (passed[k] < 0 && atEnd && lengthOf(minus(bead.at, exit)) < 8 * r) passed[k] = took;
      const slow = lengthOf(bead.speed) < REST_MM_S;
      rests[k] = slow ? rests[k] + MOMENT_S : 0;
      const inTray =
        tray !== null &&
        bead.at.x > tray.low.x &&
        bead.at.x < tray.high.x &&
        bead.at.y > tray.low.y &&
        bead.at.y < tray.high.y;
      const end = (how: RollEnd['how'], caught: boolean | null): void => {
        ends[k] = { how, segment: place.segment, seconds: passed[k] >= 0 ? passed[k] : took, caught };
      };
      if (passed[k] >= 0) {
        furthest = 1;
        if (!tray) end('through', null);
        else if (rests[k] > REST_S && inTray) end('through', true);
        else if (bead.at.z < tray.low.z - 4 * r || rests[k] > REST_S || took > passed[k] + 4) end('through', inTray);
        return;
      }
      furthest = Math.max(furthest, place.along / whole);
      if (place.away > LEFT_RADII * r + 2) end('jumps', tray && false);
      else if (rests[k] > REST_S) end('stalls', tray && false);
    });
    if (ends.every((end) => end)) break;
    if (n % TOLD_EVERY === 0 && (yield { seconds, share: furthest, beads: rolling.beads.map(({ at }) => at) }))
      return null;
  }
  return ends.map(
    (end, k) =>
      end ?? {
        how: 'stalls',
        segment: rolling.beads[k] ? nearestOnPath(path, rolling.beads[k].at).segment : 0,
        seconds: LONGEST_S,
        caught: tray && false,
      },
  );
}
