/** What makes one answer better than another. */
export const CRITERIA = {
  paper: { name: 'Little paper', why: 'The smallest sheet, by area.' },
  close: { name: 'Fits closely', why: 'Little room to spare around the contents.' },
  sure: { name: 'Sure to fit', why: 'How often it fits when a hand misses its marks.' },
  time: { name: 'Quick', why: 'Minutes for a first piece.' },
  ease: { name: 'Easy to fold', why: 'Takes little skill.' },
  dry: { name: 'No glue, no cuts', why: 'Paper alone holds it.' },
  closed: { name: 'Closes', why: 'Something keeps the contents in.' },
} as const;

export type Criterion = keyof typeof CRITERIA;

/** How much each counts, from 0 to 3. */
export type Weights = Readonly<Record<Criterion, number>>;

export const USUAL_WEIGHTS: Weights = { paper: 2, close: 2, sure: 1, time: 1, ease: 1, dry: 1, closed: 1 };
