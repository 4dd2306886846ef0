let known: Promise<void> = Promise.resolve();

/** Says when what was learned at build time has been taken over: questions about sizes wait for it. */
export function whenKnown(loaded: Promise<void>): void {
  known = loaded;
}

export const sizesKnown = (): Promise<void> => known;
