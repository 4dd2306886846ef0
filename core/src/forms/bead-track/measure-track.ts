import type { Folding, FormSizes } from '../form';
import { whereIs } from '../../folding/pose';
import { spanOf } from '../../folding/solid-measures';
import { mostLayers } from '../../folding/stack-depth';
import type { SheetPart } from '../../folding/crease-rows';
import { distance3, dot, minus, type Point3, unitOf } from '../../measure/vector3';
import { GUTTER } from '../../rooms/gutter';
import type { Corners } from './stance';

/** Rolling resistance of a hard bead on paper, as an arm per radius: from 0.005 on smooth to 0.03 on soft paper; assumed. */
const ROLLS = 0.01;
/** Larger beads, as a share of the sheet, were not tried however wide the gutter. */
const LARGEST_SHARE = 0.06;
/** Beads that passed corners well in simulated runs were no smaller than the sheet by this. */
const SMALLEST_SHARE = 1 / 40;

/**
 * Sizes of a standing track, measured on its poses.
 * @param share how much of the gutter's width a bead may take: by simulated runs of beads on tracks of that kind
 */
export function measureTrack(
  { finished }: Folding,
  at: SheetPart,
  corners: readonly Corners[],
  share: number,
  thicknessMm: number,
): FormSizes {
  const placed = (place: Corners['turn']): Point3 => whereIs(finished, at(place));
  const [turns, ridges, tips] = (['turn', 'ridge', 'tip'] as const).map((key) =>
    corners.map((corner) => placed(corner[key])),
  );
  const segments = turns.slice(1).map((turn, k) => {
    // The two walls of a gutter meet in its path; each is a triangle up to a ridge.
    const along = unitOf(minus(turn, turns[k]));
    const across = (p: Point3): Point3 => {
      const d = minus(p, turns[k]);
      const s = dot(d, along);
      return unitOf({ x: d.x - s * along.x, y: d.y - s * along.y, z: d.z - s * along.z });
    };
    const [one, other] = [across(ridges[k]), across(ridges[k + 1])];
    const cosine = dot(one, other);
    // Tangent and square of the sine of half the angle between the walls.
    const tangent = Math.sqrt((1 - cosine) / (1 + cosine));
    return {
      ...{ long: distance3(turn, turns[k]), drop: turn.z - turns[k].z, tangent, sine2: (1 - cosine) / 2 },
    };
  });
  const low = (values: readonly number[]): number => Math.min(...values);
  const sheetMm = distance3({ ...at([0, 0]), z: 0 }, { ...at([1, 0]), z: 0 });
  const stripMm = sheetMm / (corners.length - 1);
  const outer = spanOf(finished);
  const floor = low(finished.pattern.vertices.map((p) => whereIs(finished, p).z));
  const steepest = segments.reduce((worst, one) =>
    one.drop - (ROLLS * one.long) / one.sine2 < worst.drop - (ROLLS * worst.long) / worst.sine2 ? one : worst,
  );
  return {
    rooms: [
      GUTTER.of({
        mostBeadMm: Math.min(LARGEST_SHARE * sheetMm, share * stripMm * low(segments.map(({ tangent }) => tangent))),
        leastBeadMm: SMALLEST_SHARE * sheetMm,
        segmentMm: steepest.long,
        dropMm: steepest.drop,
        neededDropMm: (ROLLS * steepest.long) / steepest.sine2,
        exitMm: turns[0].z - floor,
      }),
    ],
    outer: {
      lengthMm: outer.x + thicknessMm,
      widthMm: outer.y + 2 * thicknessMm,
      heightMm: outer.z + thicknessMm,
    },
    lengths: [
      { name: 'path, all segments', mm: segments.reduce((sum, { long }) => sum + long, 0) },
      { name: 'exit, from the middle line', mm: Math.abs(turns[0].y - (turns[0].y + ridges[0].y) / 2) },
      { name: 'walls above a turn', mm: low(tips.slice(1, -1).map((tip, k) => tip.z - turns[k + 1].z)) },
    ],
    layers: [{ name: 'thickest', count: mostLayers(finished) }],
  };
}
