import type { Play } from '../assembly/joint';
import { type Demand, demandsOn, type Room } from '../purpose/demand';
import type { EaseId } from '../purpose/ease';
import { BOX, longSide, shortSide } from '../rooms/box';
import type { FormSizes } from './form';

/** Play between two pieces of which one takes in the other, both sides together, in mm: enough to slide, little enough to hold. */
export const PLAY_MM: Readonly<Record<EaseId, number>> = { snug: 0.3, easy: 0.5, loose: 1 };

const { demand } = demandsOn<'lengthMm' | 'widthMm' | 'depthMm'>();

/** What a room must have to go over a piece, or round it: its outside and some play, either way round. */
function takesIn({ outer }: FormSizes, ease: EaseId): readonly Demand[] {
  const terms = (size: number) => [
    { name: 'what it takes in', value: size },
    { name: 'play', value: PLAY_MM[ease] },
  ];
  return [
    demand('inside, long', longSide, longSide(outer) + PLAY_MM[ease], { terms: () => terms(longSide(outer)) }),
    demand('inside, wide', shortSide, shortSide(outer) + PLAY_MM[ease], { terms: () => terms(shortSide(outer)) }),
  ];
}

/** A lid goes over its base. */
export const over = (base: FormSizes, ease: EaseId): readonly Demand[] => takesIn(base, ease);

/** An outer piece goes round an inner one, which does not stand out of it. */
export const around = (inner: FormSizes, ease: EaseId): readonly Demand[] => [
  ...takesIn(inner, ease),
  demand('inside, deep', ({ depthMm }) => depthMm, inner.outer.heightMm),
];

/** The box that a piece has for its room. @throws RangeError when it has another room */
function boxIn({ rooms }: FormSizes): Room<'lengthMm' | 'widthMm' | 'depthMm'> {
  const box = rooms.find(({ kind }) => kind === BOX.id);
  if (!box) throw new RangeError('Only boxes go over or into each other.');
  return BOX.schema.parse(box);
}

/** What is left between a room and a piece in it, lying the way that leaves most in the tighter direction. */
export function playOf(outer: FormSizes, inner: FormSizes): Play {
  const { sizes } = boxIn(outer);
  return {
    lengthMm: longSide(sizes) - longSide(inner.outer),
    widthMm: shortSide(sizes) - shortSide(inner.outer),
  };
}

/** Play in the tighter direction. */
export const leastPlay = ({ lengthMm, widthMm }: Play): number => Math.min(lengthMm, widthMm);
