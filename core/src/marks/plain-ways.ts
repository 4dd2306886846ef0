import type { PlaceMiss } from '../fit/mark-misses';
import type { MarkMaker, MarkWay, Measured, School } from './mark-way';

/** How far a card or strip that is cut to a length misses it, one standard deviation in mm: a judgement. */
export const CUT_CARD_MM = 0.2;

/** A thing is used as a ruler where its side is so near to the length, in mm. */
const BY_CONTENTS_MM = 1.5;

/** A card longer than this, in mm, is no card any more. */
export const LONGEST_CARD_MM = 300;

/** Nearer to a mark of the ruler than this, in mm, nobody sees it. */
const SEEN_MM = 0.05;

/** Ways that fold nothing, the ruler first. @param thirds whether all places are at thirds of their edges */
export function plainWays(
  { mm, places }: Measured,
  { eye, rulerStepMm, things }: MarkMaker,
  thirds: boolean,
): MarkWay[] {
  const all = (biasMm: number, sdMm: number, together: boolean): PlaceMiss[] =>
    places.map(({ measured }, k) => ({ measured, biasMm, sdMm, luck: together ? 0 : k }));
  const way = (
    id: MarkWay['kind'],
    school: School,
    biasMm: number,
    sdMm: number,
    more: Partial<MarkWay> & { readonly together?: boolean } = {},
  ): MarkWay => {
    const { together = false, ...rest } = more;
    return {
      ...{ id, kind: id, school, exact: false, folded: null },
      misses: all(biasMm, sdMm, together),
      expectedMm: Math.hypot(biasMm, sdMm),
      worstMm: Math.abs(biasMm) + sdMm,
      ...rest,
    };
  };
  const beside = Math.round(mm / rulerStepMm) * rulerStepMm - mm;
  const [thing] = things
    .filter((one) => Math.abs(one.mm - mm) <= BY_CONTENTS_MM)
    .sort((p, q) => Math.abs(p.mm - mm) - Math.abs(q.mm - mm));
  return [
    way('ruler', 'ruler', 0, 0, { exact: true }),
    ...(Math.abs(beside) > SEEN_MM ? [way('nearest', 'ruler', beside, 0)] : []),
    ...(mm <= LONGEST_CARD_MM ? [way('card', 'ruler', 0, CUT_CARD_MM, { together: true })] : []),
    ...(thing ? [way('contents', 'eye', thing.mm - mm, 0, { by: thing, together: true })] : []),
    ...(thirds ? [way('roll', 'eye', 0, eye * mm)] : []),
    way('eye', 'eye', 0, eye * mm),
  ];
}
