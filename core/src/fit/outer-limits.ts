import type { Demand, RoomAsked, WayToFit } from '../purpose/demand';
import type { OuterLimits } from '../purpose/purpose';

const longOf = ({ outer }: RoomAsked): number => (outer ? Math.max(outer.lengthMm, outer.widthMm) : 0);
const wideOf = ({ outer }: RoomAsked): number => (outer ? Math.min(outer.lengthMm, outer.widthMm) : 0);
const highOf = ({ outer }: RoomAsked): number => outer?.heightMm ?? 0;

/** What a piece may measure outside, as demands: what there is of it is the limit, what is needed is how large it comes out. */
export function outerDemands({ lengthMm, widthMm, heightMm }: OuterLimits): readonly Demand[] {
  const demand = (name: string, mm: number | null, need: (asked: RoomAsked) => number): Demand[] =>
    mm === null ? [] : [{ name, unit: 'mm', have: () => mm, need }];
  return [
    ...demand('limit outside, long', lengthMm, longOf),
    ...demand('limit outside, wide', widthMm, wideOf),
    ...demand('limit outside, high', heightMm, highOf),
  ];
}

/** Ways to fit that keep to limits outside as well. */
export function within(ways: readonly WayToFit[], most: OuterLimits | null | undefined): readonly WayToFit[] {
  const limits = most ? outerDemands(most) : [];
  return limits.length ? ways.map((way) => ({ ...way, demands: [...way.demands, ...limits] })) : ways;
}
