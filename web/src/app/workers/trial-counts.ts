/** Pours that are told together. */
export const POURS = 3;
/** Tracks that a hand folds. */
export const TRACKS = 200;
