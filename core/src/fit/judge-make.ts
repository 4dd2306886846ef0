import { foldMake, type Make } from '../forms/made-make';
import { preparing } from '../purpose/prepare';
import type { Purpose } from '../purpose/purpose';
import type { Fitting } from './fitting';
import { askingFor, askingThese } from './size-for';
import { optionsFor, type SizedEntry, type SizeOptions } from './size-options';
import { sizingOn } from './size-piece';
import type { Asking, Work } from './sizing/search';

/** An entry of a make as it stands, held against what it is for. */
export interface EntryJudged {
  readonly key: string;
  readonly name: string;
  /** Null where nothing is asked of it: no purpose is known, or its kind of room does not answer. */
  readonly sized: SizedEntry | null;
  /** Whether it does all that is asked, as surely as is asked; true where nothing is. */
  readonly does: boolean;
}

/**
 * Folds a make as it stands and holds each entry against what it is for: the first against the purpose, the others against
 * what they follow. Nothing is sought: sheets, ways and lengths are those of the make.
 * @throws RangeError for a form, a sheet or parameters out of range
 * @throws FoldRefused when it cannot be folded so, or its entries do not go together
 */
export function* judging(
  fitting: Fitting,
  make: Make,
  purpose: Purpose | null,
  options: SizeOptions,
): Work<readonly EntryJudged[]> {
  const { entries } = foldMake(make, undefined, fitting.shelf);
  const judged: EntryJudged[] = [];
  for (const [key, { entry }] of entries) {
    const { name, pieceId, copies, sheet: rule } = entry;
    const nothing: EntryJudged = { key, name, sized: null, does: true };
    let asking: Asking | null = null;
    if (rule.kind === 'follows') asking = askingThese(rule.needs(entries.get(rule.of)!.sizes, options.ease));
    else if (purpose) asking = askingFor(fitting, yield* preparing(purpose, options));
    yield;
    if (!asking) {
      judged.push(nothing);
      continue;
    }
    const { sheet, thicknessMm } = make.entries[key];
    const [shorter, longer] = [sheet.widthMm, sheet.heightMm].sort((a, b) => a - b);
    const piece = fitting.shelf.piece(pieceId);
    const on = yield* sizingOn(
      fitting,
      piece,
      asking,
      { ...optionsFor(options, make.formId, key), thicknessMm },
      { widthMm: longer, heightMm: shorter },
      piece.params.parse(entry.params) as Readonly<Record<string, unknown>>,
    );
    judged.push(on ? { key, name, does: on.does, sized: { ...on.piece, key, name, pieceId, copies } } : nothing);
  }
  return judged;
}
