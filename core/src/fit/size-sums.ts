import type { FormSizes, Piece, SheetSize } from '../forms/form';
import { OUTER_NAMES } from '../forms/sizes-told';
import { roomFacts } from '../rooms/room-kind';
import { measure } from '../forms/folded';
import type { WhyLine } from './why-line';
import { type Quantities, quantity } from '../purpose/quantity';
import type { Fitting } from './fitting';
import { flattened, type SizeModel, sizeModel } from './size-model';
import type { SizePoint, Way } from './ways';

/** So many times a length, in mm. */
export interface SizeTerm {
  readonly of: string;
  readonly mm: number;
  readonly times: number;
}

/** A size as the sum that it comes from; what depends on nothing is the rest. */
export interface SizeSum {
  readonly name: string;
  readonly mm: number;
  readonly terms: readonly SizeTerm[];
  readonly restMm: number;
}

/** Smaller shares than this are what rounding left, in mm. */
const NOTHING_MM = 1e-6;
/** A sum that misses what was measured by more, as a share of the sheet, does not explain it. */
const AGREES = 1e-6;

/** The lengths that sizes depend on, in the order of a model's rows. */
function lengthsAt(
  { sheetShape, fields }: Piece,
  way: Way,
  { sheet, lengths, thicknessMm }: SizePoint,
): { of: string; mm: number }[] {
  const square = sheetShape === 'square';
  return [
    { of: square ? 'sheet' : 'sheet’s long side', mm: sheet.widthMm },
    { of: 'sheet’s short side', mm: square ? 0 : sheet.heightMm },
    ...way.lengths.map((key, k) => ({
      of: fields.find((field) => field.key === key)?.label.toLowerCase() ?? key,
      mm: lengths[k],
    })),
    { of: 'one layer of paper', mm: thicknessMm },
  ];
}

/** What all sizes of a model come from at a point. */
function sumsAt(piece: Piece, way: Way, model: SizeModel, point: SizePoint): SizeSum[] {
  const given = lengthsAt(piece, way, point);
  return model.names.map((name, r) => {
    const row = model.rows[r];
    const restMm = row[given.length];
    const terms = given
      .map(({ of, mm }, k) => ({ of, mm, times: row[k] }))
      .filter(({ mm, times }) => Math.abs(mm * times) > NOTHING_MM);
    return { name, mm: terms.reduce((sum, { mm, times }) => sum + mm * times, restMm), terms, restMm };
  });
}

/** What room and outside of a folded piece come from, of those sizes that are told and that a sum explains. */
export function modelSums(
  fitting: Fitting,
  way: Way,
  model: SizeModel | null,
  point: SizePoint,
  sizes: FormSizes,
): readonly SizeSum[] {
  if (!model) return [];
  const words = new Map<string, string | undefined>(Object.entries(fitting.shelf.roomKind(sizes.rooms[0].kind).names));
  for (const [key, name] of Object.entries(OUTER_NAMES)) words.set(`outer ${key}`, name);
  const measured = flattened(sizes);
  return sumsAt(fitting.pieceOf(way), way, model, point).flatMap((sum) => {
    const name = words.get(sum.name);
    return name && Math.abs(sum.mm - measured[sum.name]) < AGREES * point.sheet.widthMm ? [{ ...sum, name }] : [];
  });
}

/** All sizes of a piece by the names that are shown. */
function named(fitting: Fitting, { rooms, outer, lengths }: FormSizes): Readonly<Record<string, number>> {
  const row: Record<string, number> = {};
  const [room] = rooms;
  for (const { name, mm } of roomFacts(fitting.shelf.roomKind(room.kind), room)) row[name] = mm;
  for (const { name, mm } of lengths) row[name[0].toUpperCase() + name.slice(1)] = mm;
  for (const [key, name] of Object.entries(OUTER_NAMES)) row[name] = outer[key as keyof FormSizes['outer']];
  return row;
}

/**
 * What each size of a piece comes from, made as asked: of those that a sum explains.
 * @throws RangeError for a sheet or parameters out of their range
 */
export function sizeSums(
  fitting: Fitting,
  pieceId: string,
  sheet: SheetSize,
  params: Readonly<Record<string, unknown>>,
  thicknessMm: number,
): readonly SizeSum[] {
  const piece = fitting.shelf.piece(pieceId);
  const isLength = (key: string): boolean =>
    piece.fields.some(({ key: own, input }) => own === key && input.kind === 'length') &&
    typeof params[key] === 'number';
  const way: Way = {
    pieceId,
    choices: Object.fromEntries(Object.entries(params).filter(([key]) => !isLength(key))),
    lengths: Object.keys(params).filter(isLength),
  };
  const [longer, shorter] = [Math.max(sheet.widthMm, sheet.heightMm), Math.min(sheet.widthMm, sheet.heightMm)];
  const point: SizePoint = {
    sheet: { widthMm: longer, heightMm: shorter },
    lengths: way.lengths.map((one) => params[one] as number),
    thicknessMm,
  };
  const found = fitting.fold(way, point);
  const model = found && sizeModel(way, found.folded, point.lengths, (sizes) => named(fitting, sizes));
  if (!model) return [];
  const measured = named(fitting, measure(found.folded, thicknessMm));
  return sumsAt(piece, way, model, point).filter(({ name, mm }) => Math.abs(mm - measured[name]) < AGREES * longer);
}

const figure = (times: number): string => `${Math.round(times * 1e4) / 1e4}`;

/** A sum in plain words, with the figures put in: `0.7071 × sheet 150 mm − 2 × walls 32 mm = 42.1 mm`. */
export function explainSum({ name, mm, terms, restMm }: SizeSum, shown: Quantities): WhyLine {
  const parts = [
    ...terms.map(({ of, mm: length, times }) => ({
      minus: times < 0,
      text: `${figure(Math.abs(times)) === '1' ? '' : `${figure(Math.abs(times))} × `}${of} ${quantity(length, 'mm', shown, length < 1 ? 3 : 1)}`,
    })),
    ...(Math.abs(restMm) > NOTHING_MM ? [{ minus: restMm < 0, text: quantity(Math.abs(restMm), 'mm', shown) }] : []),
  ];
  const sum = parts.map(({ minus, text }, k) => `${minus ? (k ? ' − ' : '−') : k ? ' + ' : ''}${text}`).join('');
  return { what: name, figures: `${sum} = ${quantity(mm, 'mm', shown)}` };
}
