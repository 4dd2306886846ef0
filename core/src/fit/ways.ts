import { FORMS } from '../forms/all-forms';
import type { Form, ParamField, SheetSize } from '../forms/form';
import { type RulerId, RULERS } from '../measure/ruler';

/** One way to make a form: choices as they are, and the lengths that are sought rather than found by folding. */
export interface Way {
  readonly formId: string;
  readonly choices: Readonly<Record<string, unknown>>;
  readonly lengths: readonly string[];
}

/** Sheet, lengths in the order of the way, and thickness, in mm. */
export interface SizePoint {
  readonly sheet: SheetSize;
  readonly lengths: readonly number[];
  readonly thicknessMm: number;
}

const soughtAsLength = ({ input }: ParamField): boolean => input.kind === 'count' && input.sought === 'as a length';

/**
 * The values of a choice that are tried, where any may need the least paper: the usual one first, of numbers then the least
 * and the largest, so that it is seen early whether the choice counts at all.
 */
function valuesOf(input: ParamField['input'], usual: unknown): readonly unknown[] {
  if (input.kind === 'choice') return input.options.slice(0, input.sought ? undefined : 1).map(({ value }) => value);
  if (input.kind !== 'count' || input.sought === undefined || input.sought === 'as a length') return [];
  const { sought } = input;
  return [...new Set<unknown>([usual, Math.min(...sought), Math.max(...sought), ...sought])];
}

/** All ways to set the choices of which any may need the least paper; the usual values come first. */
function choicesOf({ fields, params }: Form): readonly Readonly<Record<string, unknown>>[] {
  const usual = params.parse({}) as Readonly<Record<string, unknown>>;
  return fields.reduce<readonly Readonly<Record<string, unknown>>[]>(
    (all, { key, input }) => {
      const values = valuesOf(input, usual[key]);
      return values.length ? all.flatMap((one) => values.map((value) => ({ ...one, [key]: value }))) : all;
    },
    [{}],
  );
}

/** The ways in which a form can be made to measure: by folding alone, and with its lengths measured. */
export function waysOf(formId: string): readonly Way[] {
  const form = FORMS[formId];
  const counts = form.fields.filter(soughtAsLength).map(({ key }) => key);
  const measured = form.fields.filter(({ input }) => input.kind === 'length');
  // Counts first: how long a length may be is told given all that is settled before it.
  const lengths = [...counts, ...measured.map(({ key }) => key)];
  const always = measured.some(({ input }) => input.kind === 'length' && input.always);
  return choicesOf(form).flatMap((choices): Way[] => {
    const way: Way = { formId, choices, lengths };
    return measured.length && !always ? [{ ...way, lengths: counts }, way] : [way];
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

export function marksOf(way: Way, sheet: SheetSize, given: readonly number[], ruler: RulerId): Marks {
  const key = way.lengths[given.length];
  const input = FORMS[way.formId].fields.find((field) => field.key === key)?.input;
  if (input?.kind === 'count') return { from: input.min, to: input.max, stepMm: 1 };
  if (input?.kind !== 'length') throw new RangeError(`“${key}” is not a length of ${way.formId}.`);
  const { stepMm } = RULERS[ruler];
  const before = { ...way, lengths: way.lengths.slice(0, given.length) };
  const [least, most] = input.range(sheet, paramsAt(before, given));
  return { from: Math.ceil(least / stepMm - 1e-9), to: Math.floor(most / stepMm + 1e-9), stepMm };
}

const keys = new WeakMap<Way, string>();

/** What tells ways apart; asked for every point of a search. */
export function wayKey(way: Way): string {
  let key = keys.get(way);
  if (key === undefined) keys.set(way, (key = JSON.stringify([way.formId, way.choices, way.lengths])));
  return key;
}
