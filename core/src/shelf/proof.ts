import type { Aim } from './aims';

/** How good a plan is, against any that straight cuts from edge to edge can make. */
export interface Proof {
  /** What was made small first, and how small it is: mm², sheets or what the prices are in. */
  readonly aim: Aim;
  readonly value: number;
  /** No plan has less; null where nothing is proven of this aim. */
  readonly least: number | null;
  readonly sheets: number;
  /** No plan takes fewer sheets. */
  readonly leastSheets: number | null;
  /** Whether every wanted sheet comes out of it. */
  readonly whole: boolean;
}

const NAMES: Readonly<Record<Aim, string>> = {
  paper: 'paper',
  cost: 'money',
  cuts: 'cuts',
  whole: 'whole sheets',
  offcuts: 'paper of whole sheets',
};

/** How far a plan is from the best that could be, as a share of it; null where nothing is known. */
export const gapOf = ({ value, least }: Pick<Proof, 'value' | 'least'>): number | null =>
  least === null ? null : value <= 0 ? 0 : Math.max(0, 1 - least / value);

/** Shares below this are rounding. */
const NO_GAP = 1e-7;

const few = (n: number): string => (n === 1 ? 'one' : `${n}`);

/** The same in words: "2 sheets; no plan can do with 1." */
export function gapInWords(proof: Proof): string {
  const { sheets, leastSheets, aim, whole } = proof;
  const taken = `${sheets === 1 ? 'One sheet' : `${sheets} sheets`}`;
  if (!whole) return sheets ? `${taken}, and some are missing.` : 'None of it comes out of the shelf.';
  if (!sheets) return 'Nothing is to be cut.';
  const gap = gapOf(proof);
  if (leastSheets !== null && leastSheets === sheets && (gap === null || gap <= NO_GAP))
    return sheets === 1 ? 'One sheet does.' : `${taken}; no plan can do with ${sheets - 1}.`;
  if (gap !== null && gap <= NO_GAP)
    return `${taken}; no plan takes less ${aim === 'whole' ? 'of them whole' : NAMES[aim]}.`;
  if (aim === 'paper' && leastSheets !== null && leastSheets < sheets)
    return `${taken}; perhaps ${few(sheets - leastSheets)} fewer would do.`;
  if (gap !== null) {
    const percent = Math.max(1, Math.ceil(100 * gap - NO_GAP));
    return `${taken}; another plan may take up to ${percent} % less ${NAMES[aim]}.`;
  }
  return `${taken}; the fewest ${NAMES[aim]} among the plans that were tried.`;
}
