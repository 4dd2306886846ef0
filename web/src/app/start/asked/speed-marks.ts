/**
 * Marks that the page sets for itself, by which `npm run bench:page` reads how soon answers are on the screen: the last key in
 * the line, the first answer drawn, all drawn.
 */
export const SPEED_MARKS = { typed: 'oc-typed', first: 'oc-first-answer', all: 'oc-all-answers' } as const;

/** Sets a mark, the newest of its name alone. */
export function markNow(name: (typeof SPEED_MARKS)[keyof typeof SPEED_MARKS]): void {
  performance.clearMarks(name);
  performance.mark(name);
}
