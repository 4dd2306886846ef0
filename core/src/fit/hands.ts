/**
 * How far a hand lines up either end of a fold beside its mark, one standard deviation, in mm: judgements to begin with, for
 * as long as nobody has measured what comes out of that hand.
 */
export const HANDS = {
  learning: { missMm: 0.6, reason: 'Edges meet more or less; a first or second piece of anything.' },
  practised: { missMm: 0.3, reason: 'Edges meet edges; folds are pressed once they lie right. The usual choice.' },
  exact: { missMm: 0.15, reason: 'Slow, with good light, and every crease checked before it is pressed.' },
} as const;

export type HandId = keyof typeof HANDS;
