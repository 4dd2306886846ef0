import { boxOf, heapShare, volumeOf } from '../bodies/contents';
import { alone, demandsOn } from '../purpose/demand';
import { type EaseId, easeMm, GRIP_MM, roomy, roomyFloor } from '../purpose/ease';
import type { Manner } from '../purpose/purpose';
import { roomKind } from './room-kind';

const KEYS = ['lengthMm', 'widthMm', 'depthMm'] as const;
type Sizes = Readonly<Record<(typeof KEYS)[number], number>>;
/** What has a floor: things lie on it either way round. */
type Floor = Pick<Sizes, 'lengthMm' | 'widthMm'>;

const { demand, summed } = demandsOn<(typeof KEYS)[number]>();
export const longSide = ({ lengthMm, widthMm }: Floor): number => Math.max(lengthMm, widthMm);
export const shortSide = ({ lengthMm, widthMm }: Floor): number => Math.min(lengthMm, widthMm);
const deep = ({ depthMm }: Sizes): number => depthMm;

/** What must be gripped still stands in the box by this share of its height. */
const HELD_SHARE = 0.5;

/** How deep a box must be for what stands so high in it, and how shallow. */
function deepEnough(heightMm: number, ease: EaseId, { proudMm = 0, gripped }: Manner) {
  if (gripped)
    return [
      demand('depth that holds it', deep, HELD_SHARE * heightMm),
      demand('over the rim, for fingers', (sizes) => heightMm - sizes.depthMm, GRIP_MM),
    ];
  if (!proudMm) return [summed('depth', deep, roomy(heightMm, ease))];
  return [demand('depth, less what may stand proud', deep, Math.max(heightMm - proudMm, HELD_SHARE * heightMm))];
}

/** A room with an even floor and walls on all sides: things stand in it, or are poured in. */
export const BOX = roomKind('box', KEYS, {
  names: { lengthMm: 'Inside, long', widthMm: 'Inside, wide', depthMm: 'Inside, deep' },
  holds: ['boxes and blocks', 'loose pieces', 'flat things'],
  demands({ purpose, options: { ease }, standing }) {
    if (purpose.kind === 'hold')
      return standing.map((arrangement) => {
        const { long, wide } = roomyFloor(arrangement, ease);
        return {
          demands: [
            summed('length', longSide, long),
            summed('width', shortSide, wide),
            ...deepEnough(arrangement.box[2], ease, purpose),
          ],
          arrangement,
        };
      });
    if (purpose.kind === 'bulk')
      return alone(
        demand('depth, filled level', deep, ({ lengthMm, widthMm }) => (1000 * purpose.ml) / (lengthMm * widthMm)),
      );
    if (purpose.kind !== 'loose') return null;
    const { thing, count } = purpose.piece;
    const heapMm3 = (count * volumeOf(thing)) / heapShare(thing);
    const passes = [...boxOf(thing)].sort((p, q) => q - p).map((side) => side + easeMm(side, ease));
    return alone(
      demand('length', longSide, passes[0]),
      demand('width', shortSide, passes[1]),
      demand('depth, filled level', deep, ({ lengthMm, widthMm }) =>
        Math.max(passes[2], heapMm3 / (lengthMm * widthMm)),
      ),
    );
  },
  standing: ({ sizes }) => ({ heightMm: sizes.depthMm, lengthMm: sizes.lengthMm }),
});
