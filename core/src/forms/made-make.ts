import { type Assembly, byItself, proveState } from '../assembly/assembly';
import { startSheet } from '../folding/hand';
import { IDENTITY, type Transform } from '../folding/transform';
import { placedOutline } from '../folding/pose';
import type { ShownUnit } from '../measure/format-length';
import { readParams } from './folded';
import type { Entry, Form, MadeEntry, SheetSize } from './form';
import { sheetFor } from './make';
import { SHELF, type Shelf } from './shelf';

/** The sheet and paper of one entry of a make. */
export interface EntrySheet {
  readonly sheet: SheetSize;
  /** Thickness of one layer, in mm. */
  readonly thicknessMm: number;
  /** Parameters that were found for it, over those that its form gives it. */
  readonly params?: Readonly<Record<string, unknown>>;
}

/** A make: what a maker sets out to fold. */
export interface Make {
  readonly formId: string;
  readonly params: unknown;
  /** By the keys of its entries. */
  readonly entries: Readonly<Record<string, EntrySheet>>;
}

/** A make folded, measured and put together. */
export interface MadeMake {
  readonly entries: ReadonlyMap<string, MadeEntry>;
  readonly assembly: Assembly;
}

/** What a form makes with its parameters: its own piece alone, where it does not say otherwise. */
export function entriesOf(form: Form, params: unknown): readonly [Entry, ...Entry[]] {
  const read = readParams(form, params);
  return (
    form.entries?.(read) ?? [
      {
        ...{ key: 'piece', name: form.name, pieceId: form.id, copies: 1, sheet: { kind: 'asked' } },
        params: read as Readonly<Record<string, unknown>>,
      },
    ]
  );
}

/** What the entries of a make are called, by their keys. */
export const entryNames = (form: Form, params: unknown): ReadonlyMap<string, string> =>
  new Map(entriesOf(form, params).map(({ key, name }) => [key, name]));

/**
 * Folds every entry of a make, measures it on its paper, and puts all together.
 * @throws RangeError for an unknown form, a missing sheet, or a sheet or parameters out of range
 * @throws FoldRefused when an entry cannot be folded, or they do not go together: a lid that is a mark too small
 */
export function foldMake({ formId, params, entries: sheets }: Make, unit?: ShownUnit, shelf: Shelf = SHELF): MadeMake {
  const form = shelf.form(formId);
  const entries = new Map(
    entriesOf(form, params).map((entry): [string, MadeEntry] => {
      if (!Object.hasOwn(sheets, entry.key)) throw new RangeError(`There is no sheet for “${entry.name}”.`);
      const { sheet: size, thicknessMm, params: found } = sheets[entry.key];
      const piece = shelf.piece(entry.pieceId);
      const sheet = sheetFor(piece, size);
      const own = { ...entry.params, ...found };
      const read = readParams(piece, own);
      const folding = piece.fold(startSheet(sheet), sheet, read, unit);
      const sizes = piece.sizes(folding, sheet, read, thicknessMm);
      return [entry.key, { entry: { ...entry, params: own }, sheet, folding, sizes }];
    }),
  );
  const assembly = form.assemble?.(entries, readParams(form, params)) ?? sideBySide([...entries.values()]);
  // One alone was proved when it was folded.
  if (assembly.states.closed.length > 1) proveState(assembly.states.closed, assembly.joints);
  return { entries, assembly };
}

/** Bodies that nothing holds to each other, in a row; one alone in all its states. */
function sideBySide(made: readonly MadeEntry[]): Assembly {
  const [first] = made;
  const bodies = made.flatMap((one) => Array.from({ length: one.entry.copies }, (_, copy) => ({ one, copy })));
  if (bodies.length === 1) {
    const { finished, open, flat } = first.folding;
    return byItself({ entry: first.entry.key, copy: 0 }, finished, { open, flat });
  }
  let x = 0;
  const closed = bodies.map(({ one: { entry, folding }, copy }) => {
    const { finished } = folding;
    const xs = finished.pattern.faces.flatMap((_, f) => placedOutline(finished, f).map((p) => p.x));
    const [left, right] = [Math.min(...xs), Math.max(...xs)];
    const motion: Transform = [...IDENTITY.slice(0, 9), x - left, 0, 0];
    x += 1.2 * (right - left);
    return { ref: { entry: entry.key, copy }, shape: finished, motion };
  });
  return { states: { closed }, joints: [], steps: [] };
}
