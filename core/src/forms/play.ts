import type { Play } from '../assembly/joint';
import { type Demand, demandsOn, type Room } from '../purpose/demand';
import type { EaseId } from '../purpose/ease';
import { BOX } from '../rooms/box';
import type { FormSizes } from './form';

/** Play between two pieces of which one takes in the other, both sides together, in mm: enough to slide, little enough to hold. */
export const PLAY_MM: Readonly<Record<EaseId, number>> = { snug: 0.3, easy: 0.5, loose: 1 };

const { demand } = demandsOn<'lengthMm' | 'widthMm' | 'depthMm'>();

const longer = (a: { readonly lengthMm: number; readonly widthMm: number }): number => Math.max(a.lengthMm, a.widthMm);
const shorter = (a: { readonly lengthMm: number; readonly widthMm: number }): number => Math.min(a.lengthMm, a.widthMm);

/** What a room must have to go over a piece, or round it: its outside and some play, either way round. */
function takesIn({ outer }: FormSizes, ease: EaseId): readonly Demand[] {
  const terms = (size: number) => [
    { name: 'what it takes in', value: size },
    { name: 'play', value: PLAY_MM[ease] },
  ];
  return [
    demand('inside, long', longer, longer(outer) + PLAY_MM[ease], { terms: () => terms(longer(outer)) }),
    demand('inside, wide', shorter, shorter(outer) + PLAY_MM[ease], { terms: () => terms(shorter(outer)) }),
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
    lengthMm: longer(sizes) - longer(inner.outer),
    widthMm: shorter(sizes) - shorter(inner.outer),
  };
}

/** How two boxes go together. */
export interface Pairing {
  /** The first one over the second, as a lid over its base. */
  readonly over: Play;
  /** The first one inside the second, as an insert. */
  readonly inside: Play;
  readonly how: 'over' | 'inside' | 'neither';
}

export const leastPlay = ({ lengthMm, widthMm }: Play): number => Math.min(lengthMm, widthMm);

/** Whether a lid goes over a base, or into it: what the paper of both leaves between them. */
export function pairing(lid: FormSizes, base: FormSizes): Pairing {
  const [overIt, inside] = [playOf(lid, base), playOf(base, lid)];
  return {
    over: overIt,
    inside,
    how: leastPlay(overIt) >= 0 ? 'over' : leastPlay(inside) >= 0 ? 'inside' : 'neither',
  };
}
