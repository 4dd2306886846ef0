import { foldAnew, measure } from '../forms/folded';
import type { Entry, Form, FormSizes, SheetSize } from '../forms/form';
import { entriesOf } from '../forms/made-make';
import type { Demand } from '../purpose/demand';
import { atOnce, preparing, type Prepared } from '../purpose/prepare';
import type { Purpose } from '../purpose/purpose';
import { chanceOfAll } from './chance';
import type { Fitting } from './fitting';
import {
  optionsFor,
  type SizedEntry,
  type SizedForm,
  type SizedPiece,
  type SizeOptions,
  type Unmet,
} from './size-options';
import { type Against, sizing, sizingOn } from './size-piece';
import type { Asking, Work } from './sizing/search';
import { meeting, NO_WISHES } from './wishes';

const isPiece = (sized: SizedPiece | Against | null): sized is SizedPiece => sized !== null && 'sheet' in sized;

/** A purpose, held against whatever room a piece has. */
export const askingFor = (fitting: Fitting, prepared: Prepared): Asking => ({
  demands: (kind) => fitting.demands(prepared, kind),
});

/** Demands that follow from another piece. */
export const askingThese = (demands: readonly Demand[]): Asking => ({
  demands: () => [{ demands, arrangement: null }],
});

const entryOf = ({ key, name, pieceId, copies }: Entry, sized: SizedPiece): SizedEntry => ({
  ...sized,
  ...{ key, name, pieceId, copies },
});

/** What a sized entry measures. */
function sizesOf(fitting: Fitting, { pieceId, sheet, params }: SizedEntry, thicknessMm: number): FormSizes {
  return measure(foldAnew(fitting.shelf.piece(pieceId), sheet, params), thicknessMm);
}

/**
 * Sizes what follows an entry: with the lengths that its form gives it, or, where no sheet suits those, with its own best.
 */
function* following(
  fitting: Fitting,
  entry: Entry,
  of: FormSizes,
  options: SizeOptions,
): Work<SizedPiece | Against | null> {
  if (entry.sheet.kind !== 'follows') throw new RangeError(`“${entry.name}” follows no other entry.`);
  const piece = fitting.shelf.piece(entry.pieceId);
  const demands = entry.sheet.needs(of, options.ease);
  const asking = askingThese(demands);
  const sized = yield* sizing(fitting, piece, asking, options, entry.params);
  const lengths = new Set(piece.fields.filter(({ input }) => input.kind === 'length').map(({ key }) => key));
  if (isPiece(sized) || !Object.keys(entry.params).some((key) => lengths.has(key))) return sized;
  const free = Object.fromEntries(Object.entries(entry.params).filter(([key]) => !lengths.has(key)));
  return yield* sizing(fitting, piece, asking, options, free);
}

/** All other entries of a make, sized one after another to those that they follow. */
function* sizingOthers(
  fitting: Fitting,
  formId: string,
  entries: readonly [Entry, ...Entry[]],
  asked: { readonly sheet: SheetSize; readonly sizes: FormSizes; readonly asking: Asking },
  options: SizeOptions,
): Work<readonly SizedEntry[] | Against> {
  const { sheet: first, sizes, asking } = asked;
  const sheets = new Map([[entries[0].key, first]]);
  const measured = new Map([[entries[0].key, sizes]]);
  const others: SizedEntry[] = [];
  for (const entry of entries.slice(1)) {
    const own = optionsFor(options, formId, entry.key);
    if (entry.sheet.kind === 'same') {
      const sheet = sheets.get(entry.sheet.of);
      if (!sheet) throw new RangeError(`“${entry.name}” is like “${entry.sheet.of}”, which comes later.`);
      const piece = fitting.shelf.piece(entry.pieceId);
      const on = yield* sizingOn(fitting, piece, asking, own, sheet, entry.params);
      // From another paper it may do less.
      if (!on?.does) return { demands: [entry.name.toLowerCase()] };
      others.push(entryOf(entry, on.piece));
      sheets.set(entry.key, sheet);
      continue;
    }
    if (entry.sheet.kind !== 'follows') throw new RangeError(`“${entry.name}” has a sheet that nobody asks for.`);
    const of = measured.get(entry.sheet.of);
    if (!of) throw new RangeError(`“${entry.name}” follows “${entry.sheet.of}”, which comes later.`);
    const found = yield* following(fitting, entry, of, own);
    if (!isPiece(found)) return { demands: found?.demands ?? [entry.name.toLowerCase()] };
    const sized = entryOf(entry, found);
    others.push(sized);
    sheets.set(entry.key, sized.sheet);
    measured.set(entry.key, sizesOf(fitting, sized, own.thicknessMm));
  }
  return others;
}

/** Why a form does not answer, where there is something to say. */
function refusal(fitting: Fitting, form: Form, prepared: Prepared): Unmet | null {
  const refused = fitting.shelf.roomKind(form.rooms[0]).refuses?.(prepared);
  return refused ? { formId: form.id, demands: [], refused } : null;
}

/**
 * The smallest sheets, at marks of the ruler, from which a form meets a purpose: that of the piece that is asked for, and then
 * those of all that follows it. Each was folded, and so were the sheets one mark smaller.
 * @param given parameters of the piece that are settled, null for a length that folding alone gives
 * @returns null when the form's kind of room does not answer that kind of purpose, or it does not meet what is wished; the
 * demands that stand against it when no sheet does
 */
export function* sizingForm(
  fitting: Fitting,
  form: Form,
  prepared: Prepared,
  options: SizeOptions,
  given: Readonly<Record<string, unknown>> = {},
): Work<SizedForm | Unmet | null> {
  const make = meeting(form, options.wishes ?? NO_WISHES);
  if (!make) return null;
  const { purpose } = prepared;
  // What stands over the rim keeps it from closing.
  if (
    purpose.kind === 'hold' &&
    (purpose.proudMm || purpose.gripped) &&
    form.closure(form.params.parse(make)).kind !== 'open'
  )
    return null;
  // What none of its rooms answers needs no folding to be refused.
  if (!form.rooms.some((kind) => fitting.demands(prepared, kind).length)) return refusal(fitting, form, prepared);
  const usual = form.params.parse(make) as Readonly<Record<string, unknown>>;
  const first = optionsFor(options, form.id, entriesOf(form, usual)[0].key);
  const asked = yield* sizing(fitting, form, askingFor(fitting, prepared), first, given);
  if (!asked) return refusal(fitting, form, prepared);
  if (!isPiece(asked)) {
    const open = first.most
      ? yield* sizing(fitting, form, askingFor(fitting, prepared), { ...first, most: null }, given)
      : null;
    return { formId: form.id, ...asked, ...(open && isPiece(open) && { outside: open.outer }) };
  }
  const { ceiling } = form;
  const needsMm = Math.min(asked.sheet.widthMm, asked.sheet.heightMm);
  if (needsMm > ceiling.mm)
    return { formId: form.id, demands: [], beyond: { needsMm, mostMm: ceiling.mm, why: ceiling.why } };
  const entries = entriesOf(form, { ...make, ...asked.params });
  const own = entryOf(entries[0], asked);
  const others =
    entries.length > 1
      ? yield* sizingOthers(
          fitting,
          form.id,
          entries,
          { sheet: own.sheet, sizes: sizesOf(fitting, own, first.thicknessMm), asking: askingFor(fitting, prepared) },
          options,
        )
      : [];
  if ('demands' in others) return { formId: form.id, ...others };
  const chance = chanceOfAll([own, ...others].map((one) => one.chance));
  const chanceUsual = chanceOfAll([own, ...others].map((one) => one.chanceUsual));
  return { ...own, chance, chanceUsual, formId: form.id, make: { ...make, ...asked.params }, others };
}

/**
 * What belongs to a piece whose sheet is settled: the other entries of its make, at their smallest sheets.
 * @param params parameters of the make
 * @returns the demands that stand against one of them when no sheet does
 * @throws RangeError for a sheet or parameters out of range
 */
export function othersFor(
  fitting: Fitting,
  formId: string,
  sheet: SheetSize,
  params: Readonly<Record<string, unknown>>,
  options: SizeOptions,
): readonly SizedEntry[] | Against {
  const form = fitting.shelf.form(formId);
  const sizes = measure(foldAnew(form, sheet, params), options.thicknessMm);
  return atOnce(
    sizingOthers(fitting, formId, entriesOf(form, params), { sheet, sizes, asking: askingThese([]) }, options),
  );
}

/**
 * The same at once.
 * @throws RangeError for an unknown form
 */
export function sizeFor(
  fitting: Fitting,
  formId: string,
  purpose: Purpose,
  options: SizeOptions,
  given: Readonly<Record<string, unknown>> = {},
): SizedForm | Unmet | null {
  return atOnce(sizingForm(fitting, fitting.shelf.form(formId), atOnce(preparing(purpose, options)), options, given));
}
