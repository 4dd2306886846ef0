import type { ParamField, Piece, SheetSize } from '../forms/form';
import { type RulerId, RULERS } from '../measure/ruler';

/** One way to make a piece: choices as they are, and the lengths that are sought rather than found by folding. */
export interface Way {
  readonly pieceId: string;
  readonly choices: Readonly<Record<string, unknown>>;
  readonly lengths: readonly string[];
  /** Of these lengths, the ones that are settled, in mm. */
  readonly pinned?: Readonly<Record<string, number>>;
}

/** Sheet, lengths in the order of the way, and thickness, in mm. */
export interface SizePoint {
  readonly sheet: SheetSize;
  readonly lengths: readonly number[];
  readonly thicknessMm: number;
}

const soughtAsLength = ({ input }: ParamField): boolean => input.kind === 'fixed length' && input.sought === true;

/**
 * The values of a choice that are tried, where any may need the least paper: the usual one first, of numbers then the least
 * and the largest, so that it is seen early whether the choice counts at all.
 */
function valuesOf(input: ParamField['input'], usual: unknown): readonly unknown[] {
  if (input.kind === 'choice') return input.options.slice(0, input.sought ? undefined : 1).map(({ value }) => value);
  if (input.kind !== 'angle' || input.sought === undefined) return [];
  const { sought } = input;
  return [...new Set<unknown>([usual, Math.min(...sought), Math.max(...sought), ...sought])];
}

/** All ways to set the choices of which any may need the least paper; the usual values come first. */
function choicesOf({ fields, params }: Piece): readonly Readonly<Record<string, unknown>>[] {
  const usual = params.parse({}) as Readonly<Record<string, unknown>>;
  return fields.reduce<readonly Readonly<Record<string, unknown>>[]>(
    (all, { key, input }) => {
      const values = valuesOf(input, usual[key]);
      return values.length ? all.flatMap((one) => values.map((value) => ({ ...one, [key]: value }))) : all;
    },
    [{}],
  );
}

/**
 * The ways in which a piece can be made to measure: by folding alone, and with its lengths measured.
 * @param given parameters that are settled, and not tried otherwise; null for a length that folding alone gives
 */
export function waysOf(piece: Piece, given: Readonly<Record<string, unknown>> = {}): readonly Way[] {
  const isGiven = ({ key }: ParamField): boolean => Object.hasOwn(given, key);
  const measured = piece.fields.filter(({ input }) => input.kind === 'length');
  const open = measured.filter((field) => !isGiven(field));
  const pinned = Object.fromEntries(
    measured.flatMap(({ key }): [string, number][] => {
      const mm = given[key];
      return typeof mm === 'number' ? [[key, mm]] : [];
    }),
  );
  const settled = Object.fromEntries(
    Object.entries(given).filter(([key]) => !measured.some((field) => field.key === key)),
  );
  // Fixed lengths first: how long a length may be is told given all that is settled before it.
  const fixed = piece.fields.filter((field) => soughtAsLength(field) && !isGiven(field)).map(({ key }) => key);
  const always = open.some(({ input }) => input.kind === 'length' && input.always);
  const fields = piece.fields.filter((field) => !isGiven(field));
  return choicesOf({ ...piece, fields }).flatMap((chosen): Way[] => {
    const keys = (which: (field: ParamField) => boolean): string[] => measured.filter(which).map(({ key }) => key);
    const isPinned = ({ key }: ParamField): boolean => Object.hasOwn(pinned, key);
    const way: Way = {
      pieceId: piece.id,
      choices: { ...chosen, ...settled },
      lengths: [...fixed, ...keys((field) => isPinned(field) || !isGiven(field))],
      ...(Object.keys(pinned).length > 0 && { pinned }),
    };
    return open.length && !always ? [{ ...way, lengths: [...fixed, ...keys(isPinned)] }, way] : [way];
  });
}

/** The parameters of a way with its lengths. */
export function paramsAt(
  { choices, lengths: keys }: Way,
  lengths: readonly number[],
): Readonly<Record<string, unknown>> {
  return { ...choices, ...Object.fromEntries(keys.map((key, k) => [key, lengths[k]])) };
}

/** The marks at which the next length of a way can lie, given the ones before it: the first, the last, and mm a step. */
export interface Marks {
  readonly from: number;
  readonly to: number;
  readonly stepMm: number;
}

export function marksOf(piece: Piece, way: Way, sheet: SheetSize, given: readonly number[], ruler: RulerId): Marks {
  const key = way.lengths[given.length];
  const input = piece.fields.find((field) => field.key === key)?.input;
  if (input?.kind === 'fixed length') return { from: input.min, to: input.max, stepMm: 1 };
  if (input?.kind !== 'length') throw new RangeError(`“${key}” is not a length of ${piece.name}.`);
  const pinned = way.pinned?.[key];
  const { stepMm } = RULERS[ruler];
  const before = { ...way, lengths: way.lengths.slice(0, given.length) };
  const [least, most] = input.range(sheet, paramsAt(before, given));
  // One mark, where it lies.
  if (pinned !== undefined) return { from: 1, to: pinned >= least && pinned <= most ? 1 : 0, stepMm: pinned };
  return { from: Math.ceil(least / stepMm - 1e-9), to: Math.floor(most / stepMm + 1e-9), stepMm };
}

const keys = new WeakMap<Way, string>();

/** What tells ways apart; asked for every point of a search. */
export function wayKey(way: Way): string {
  let key = keys.get(way);
  if (key === undefined) keys.set(way, (key = JSON.stringify([way.pieceId, way.choices, way.lengths])));
  return key;
}
