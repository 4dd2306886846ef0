import * as z from 'zod';
import type { Assembly } from '../../assembly/assembly';
import { placedOutline, type Pose, whereIs } from '../../folding/pose';
import { IDENTITY, type Transform } from '../../folding/transform';
import type { Point3 } from '../../measure/vector3';
import { catching } from '../../rooms/catch';
import { GUTTER } from '../../rooms/gutter';
import { squareFrame } from '../at-hand';
import { choice } from '../choice';
import type { Entry, FormSizes, MadeEntry } from '../form';
import type { Corners } from './stance';

/** A track by itself, or with the tray that catches its beads. */
export const tray = z.enum(['none', 'with']).default('none');

export const trayField = choice(
  'tray',
  'Catch tray',
  'Beads roll over its lip and stay; its sheet follows the exit of the track.',
  {
    none: 'None',
    with: 'With a tray',
  },
);

/** Between the lip and the track, as a share of the track's length: they do not touch. */
const GAP_SHARE = 0.004;

function needs({ rooms: [room] }: FormSizes) {
  const { mostBeadMm, exitMm } = GUTTER.schema.parse(room).sizes;
  return catching(mostBeadMm, exitMm);
}

/** The entries of a track, the tray among them when it is asked. */
export function withTray(
  pieceId: string,
  { tray: asked, ...params }: { readonly tray: 'none' | 'with' } & Readonly<Record<string, unknown>>,
): readonly [Entry, ...Entry[]] {
  const track: Entry = { key: 'track', name: 'Track', pieceId, params, copies: 1, sheet: { kind: 'asked' } };
  if (asked === 'none') return [track];
  return [
    track,
    {
      ...{ key: 'tray', name: 'Catch tray', pieceId: 'bead-catch-tray', params: {}, copies: 1 },
      sheet: { kind: 'follows', of: 'track', needs },
    },
  ];
}

const cornersOf = (pose: Pose): Point3[] => pose.pattern.faces.flatMap((_, f) => placedOutline(pose, f));

/** The tray at the low end of the track, its lip before the corner that the beads leave by. */
export function assembleWithTray(made: ReadonlyMap<string, MadeEntry>, stance: readonly Corners[]): Assembly {
  const track = made.get('track')!;
  const pose = track.folding.finished;
  const bodies = [{ ref: { entry: 'track', copy: 0 }, shape: pose, motion: IDENTITY }];
  const beside = made.get('tray');
  if (beside) {
    const { on } = squareFrame(track.sheet);
    // The corners of the gutter at its low and at its high end.
    const [exit, high] = [stance[0], stance[stance.length - 1]].map(({ turn }) => whereIs(pose, on(...turn)));
    const own = beside.folding.finished;
    const corners = cornersOf(own);
    const span = (axis: 'x' | 'y'): readonly [number, number] => {
      const values = corners.map((p) => p[axis]);
      return [Math.min(...values), Math.max(...values)];
    };
    const [[left, right], [lip]] = [span('x'), span('y')];
    // Down the track: the tray's far end points there.
    const away = high.x > exit.x ? -1 : 1;
    const half = (right - left) / 2;
    const ahead = cornersOf(pose).filter(({ y }) => Math.abs(y - exit.y) <= half);
    const edge = away * Math.max(...ahead.map(({ x }) => away * x));
    const gap = GAP_SHARE * track.sizes.outer.lengthMm;
    // Its length is turned into the track's, and its middle brought before the exit.
    const turn = [0, away, 0, -away, 0, 0, 0, 0, 1];
    const motion: Transform = [...turn, edge + away * (gap - lip), exit.y + (away * (left + right)) / 2, 0];
    bodies.push({ ref: { entry: 'tray', copy: 0 }, shape: own, motion });
  }
  return { states: { closed: bodies }, joints: [], steps: [] };
}
