import type { Paper } from '@odd-corner/contract';

/** Colours of the paper at hand. */
export interface PaperColours {
  readonly front: string;
  readonly back: string;
}

export const PLAIN_PAPER: PaperColours = { front: '#c79a63', back: '#fbf8ef' };

/** The colours in which a paper is drawn; those of plain paper when none is chosen. */
export const coloursOf = (paper: Paper | null | undefined): PaperColours =>
  paper ? { front: paper.colourFront, back: paper.colourBack } : PLAIN_PAPER;
