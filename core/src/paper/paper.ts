/** Kinds of paper that a maker names; each has a typical bulk. */
export const PAPER_KINDS = [
  'printer',
  'origami',
  'kraft',
  'construction',
  'cardstock',
  'patterned',
  'foil',
  'washi',
] as const;

/** Whether its maker says that a paper may touch food; without a word from them nobody knows. */
export const FOOD_SAFE = ['yes', 'no', 'unknown'] as const;

export type FoodSafe = (typeof FOOD_SAFE)[number];

export type PaperKind = (typeof PAPER_KINDS)[number];

/** What the calculations need to know about a paper. */
export interface Paper {
  readonly gsm: number;
  readonly kind: PaperKind;
  /** Measured thickness in mm; estimated from weight and kind when null. */
  readonly caliperMm: number | null;
}

/**
 * Typical bulk in cm³/g (thickness in µm per g/m²). Uncoated office paper lies near 1.25-1.3 (80 g/m² is about
 * 0.10 mm); calendered and coated kinds are denser, open long-fibred and rough ones bulkier. A maker who measures a
 * stack overrides the estimate.
 */
const BULK: Readonly<Record<PaperKind, number>> = {
  printer: 1.28,
  origami: 1.15,
  kraft: 1.4,
  construction: 1.6,
  cardstock: 1.25,
  patterned: 1.15,
  foil: 0.95,
  washi: 2.0,
};

/** Thickness of one layer in mm: measured, else estimated from weight and kind. */
export function caliperOf(paper: Paper): number {
  return paper.caliperMm ?? (paper.gsm * BULK[paper.kind]) / 1000;
}

/** The paper that sizes are quoted for when none was chosen: common office paper. */
export const COMMON_PAPER: Paper = { gsm: 80, kind: 'printer', caliperMm: null };
