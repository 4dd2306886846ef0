import { type LengthFault, ParseLengthError } from '../../measure/parse-length';
import type { Token } from './tokens';

/** Says what in a line cannot be read, in words fit to stand beside the field, and where it stands in the line. */
export class ParsePurposeError extends ParseLengthError {
  constructor(
    fault: LengthFault,
    message: string,
    /** The whole line, and the part of it that is meant. */
    line: string,
    readonly at: { readonly from: number; readonly to: number },
  ) {
    super(fault, message, line);
  }
}

/** The error that some tokens are to blame for; whoever reads the line adds it. */
export class Unreadable extends Error {
  override readonly name = 'Unreadable';
  constructor(
    readonly fault: LengthFault,
    message: string,
    readonly at: { readonly from: number; readonly to: number },
  ) {
    super(message);
  }
}

export function unreadable(
  tokens: readonly Pick<Token, 'from' | 'to'>[],
  fault: LengthFault,
  message: string,
): Unreadable {
  const from = Math.min(...tokens.map((token) => token.from));
  const to = Math.max(...tokens.map((token) => token.to));
  return new Unreadable(fault, message, tokens.length ? { from, to } : { from: 0, to: 0 });
}
