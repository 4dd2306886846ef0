/** What a text says, or why it cannot be read, in words fit to stand beside the field. */
export type Reading<T> = { readonly value: T } | { readonly why: string };

/** How the text of a field and the value behind it are told from each other. */
export interface Codec<T> {
  readonly read: (text: string) => Reading<T | null>;
  /** The value as a maker would type it; what is written is read back as the same. */
  readonly write: (value: T) => string;
}

/** Reads a text, or takes what a parser throws for the reason. */
export function reading<T>(parse: () => T, isRefusal: (error: unknown) => error is Error): Reading<T> {
  try {
    return { value: parse() };
  } catch (error) {
    if (!isRefusal(error)) throw error;
    return { why: error.message };
  }
}

/** The text itself. */
export const words: Codec<string> = { read: (text) => ({ value: text }), write: (text) => text };
