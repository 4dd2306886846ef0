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
  /** How many sheets were measured together; one where nothing is said. */
  readonly stackSheets?: number | null;
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

/**
 * By how much papers of one weight and kind differ in thickness, one standard deviation as a share of it: office paper is made
 * alike everywhere, hand-made and patterned ones are not.
 */
const BULK_SPREAD: Readonly<Record<PaperKind, number>> = {
  printer: 0.05,
  origami: 0.1,
  kraft: 0.1,
  construction: 0.12,
  cardstock: 0.1,
  patterned: 0.15,
  foil: 0.15,
  washi: 0.25,
};

/** By how much a stack is misread with callipers or a ruler held to it, one standard deviation in mm. */
const STACK_READING_MM = 0.05;

/**
 * How far the thickness of a layer may be off, one standard deviation in mm: of an estimate what papers of that kind differ by, of a
 * measured stack the reading shared out among its sheets.
 */
export function caliperSpread(paper: Paper): number {
  if (paper.caliperMm === null) return caliperOf(paper) * BULK_SPREAD[paper.kind];
  return STACK_READING_MM / Math.max(1, paper.stackSheets ?? 1);
}

/** The paper that sizes are quoted for when none was chosen: common office paper. */
export const COMMON_PAPER: Paper = { gsm: 80, kind: 'printer', caliperMm: null };
