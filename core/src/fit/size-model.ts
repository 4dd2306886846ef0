import { startSheet } from '../folding/hand';
import { FORMS } from '../forms/all-forms';
import type { Cavity, Folding, Form, FormSizes, SheetSize } from '../forms/form';
import { sheetFor } from '../forms/make';
import type { Sheet } from '../paper/sheet';

/** One way to make a form: choices as they are, and the lengths that are measured rather than found by folding. */
export interface Way {
  readonly formId: string;
  readonly choices: Readonly<Record<string, unknown>>;
  readonly lengths: readonly string[];
}

/**
 * How all sizes of a form depend on its sheet, its measured lengths and the paper's thickness. Fold lines are set off from
 * edges and creases by these lengths, and folding is made of reflections in lines of fixed directions: so sizes are affine
 * in them, and a few foldings tell them for all sheets.
 */
export interface SizeModel {
  readonly way: Way;
  readonly kind: Cavity['kind'];
  /** Parts of the cavity that are not lengths, such as how thickness counts. */
  readonly fixed: Readonly<Record<string, unknown>>;
  readonly names: readonly string[];
  /** For each name: per mm of width, of height, of each length, of thickness, and a constant. */
  readonly rows: readonly Float64Array[];
  readonly layers: FormSizes['layers'];
  readonly steps: number;
  /** Where it was made: a sheet and lengths in the middle of their ranges. */
  readonly made: SizePoint;
}

const SCALE_MM = 170;
/** Small enough that lengths in the middle of their range stay within it. */
const MORE_MM = 6;
const THICK_MM = 0.2;

/** The ways in which a form can be made to measure: by folding alone, and with its lengths measured. */
export function waysOf(formId: string): readonly Way[] {
  const { fields } = FORMS[formId];
  const choices = Object.fromEntries(
    fields.flatMap(({ key, input }) => (input.kind === 'choice' ? [[key, input.options[0].value]] : [])),
  );
  const lengths = fields.flatMap(({ key, input }) => (input.kind === 'length' ? [key] : []));
  const folded: Way = { formId, choices, lengths: [] };
  if (!lengths.length) return [folded];
  const measured: Way = { formId, choices, lengths };
  // A wrap is made to its card: without one there is nothing to fold around.
  if (formId === 'card-template-wrap')
    return ['diagonal', 'square-on'].map((layout) => ({ ...measured, choices: { ...choices, layout } }));
  return [folded, measured];
}

/** What a piece measures, flattened: lengths of the cavity, then of the outside. */
export function flattened({ cavity, outer }: FormSizes): Readonly<Record<string, number>> {
  const row: Record<string, number> = {};
  for (const [key, value] of Object.entries(cavity)) if (typeof value === 'number') row[key] = value;
  for (const [key, value] of Object.entries(outer)) row[`outer ${key}`] = value;
  return row;
}

interface Folded {
  readonly form: Form;
  readonly sheet: Sheet;
  readonly params: unknown;
  readonly folding: Folding;
}

function foldedAt({ formId, choices }: Way, size: SheetSize, lengths: Readonly<Record<string, number>>): Folded {
  const form = FORMS[formId];
  const sheet = sheetFor(form, size);
  const params = form.params.parse({ ...choices, ...lengths });
  return { form, sheet, params, folding: form.fold(startSheet(sheet), sheet, params) };
}

const measuredAt = ({ form, sheet, params, folding }: Folded, thicknessMm: number): FormSizes =>
  form.sizes(folding, sheet, params, thicknessMm);

/** Sides of the sheet by width and height as the form's fields name them: the longer side first. */
const sheetOf = (form: Form, longer: number, shorter: number): SheetSize =>
  form.sheetShape === 'square' ? { widthMm: longer, heightMm: longer } : { widthMm: longer, heightMm: shorter };

/** A proportion well inside those that a form takes. */
function middleRatio({ sheetShape }: Form): number {
  if (sheetShape === 'square') return 1;
  const [least, most] = sheetShape.longPerShort;
  return least + Math.min(0.15, (most - least) / 2);
}

/**
 * Folds a few pieces and reads off how all sizes follow from sheet, lengths and thickness.
 * @param read which sizes, by name
 */
export function sizeModel(
  way: Way,
  read: (sizes: FormSizes) => Readonly<Record<string, number>> = flattened,
): SizeModel {
  const form = FORMS[way.formId];
  const square = form.sheetShape === 'square';
  const long = SCALE_MM * middleRatio(form);
  const base = sheetOf(form, long, SCALE_MM);
  const at: Record<string, number> = {};
  for (const key of way.lengths) at[key] = middleOf(form, key, base, at, way.choices);
  const first = foldedAt(way, base, at);
  const sizes = measuredAt(first, 0);
  const origin = read(sizes);
  const names = Object.keys(origin);
  const slope = (other: FormSizes, by: number): number[] => {
    const row = read(other);
    return names.map((name) => (row[name] - origin[name]) / by);
  };
  const columns: number[][] = [];
  columns.push(
    slope(measuredAt(foldedAt(way, sheetOf(form, long + MORE_MM, SCALE_MM + (square ? MORE_MM : 0)), at), 0), MORE_MM),
  );
  columns.push(
    square
      ? names.map(() => 0)
      : slope(measuredAt(foldedAt(way, sheetOf(form, long, SCALE_MM + MORE_MM / 2), at), 0), MORE_MM / 2),
  );
  for (const key of way.lengths) {
    const by = 0.04 * at[key];
    columns.push(slope(measuredAt(foldedAt(way, base, { ...at, [key]: at[key] - by }), 0), -by));
  }
  columns.push(slope(measuredAt(first, THICK_MM), THICK_MM));
  const point = [base.widthMm, square ? 0 : base.heightMm, ...way.lengths.map((key) => at[key]), 0];
  const rows = names.map((name, r) => {
    const row = Float64Array.from([...columns.map((column) => column[r]), 0]);
    row[columns.length] = origin[name] - point.reduce((sum, x, c) => sum + x * columns[c][r], 0);
    return row;
  });
  const { cavity } = sizes;
  const fixed = Object.fromEntries(Object.entries(cavity).filter(([, value]) => typeof value !== 'number'));
  return {
    way,
    kind: cavity.kind,
    fixed,
    names,
    rows,
    layers: sizes.layers,
    steps: first.folding.steps.length,
    made: { sheet: base, lengths: way.lengths.map((key) => at[key]), thicknessMm: 0 },
  };
}

/** A length well inside its range, given the ones before it. */
function middleOf(
  form: Form,
  key: string,
  sheet: SheetSize,
  given: Readonly<Record<string, number>>,
  choices: Readonly<Record<string, unknown>>,
): number {
  const input = form.fields.find((field) => field.key === key)?.input;
  if (input?.kind !== 'length') throw new RangeError(`“${key}” is not a length of ${form.name}.`);
  const [least, most] = input.range(sheet, { ...choices, ...given });
  return least + 0.4 * (most - least);
}

/** Sheet, lengths in the order of the way, and thickness, in mm. */
export interface SizePoint {
  readonly sheet: SheetSize;
  readonly lengths: readonly number[];
  readonly thicknessMm: number;
}

/** One size at a point. */
function sizeAt({ way, rows }: SizeModel, r: number, { sheet, lengths, thicknessMm }: SizePoint): number {
  const row = rows[r];
  const k = way.lengths.length;
  let value = row[k + 3] + row[0] * sheet.widthMm + row[1] * sheet.heightMm + row[k + 2] * thicknessMm;
  for (let i = 0; i < k; i++) value += row[2 + i] * lengths[i];
  return value;
}

/** The room that a form has at a point; `off` adds what a hand misses, in the order of the model's names. */
export function cavityAt(model: SizeModel, point: SizePoint, off?: ArrayLike<number>): Cavity {
  const cavity: Record<string, unknown> = { ...model.fixed };
  model.names.forEach((name, r) => {
    if (!name.startsWith('outer ')) cavity[name] = sizeAt(model, r, point) + (off ? off[r] : 0);
  });
  return cavity as unknown as Cavity;
}

/** Length, width and height of the outside at a point. */
export function outerAt(model: SizeModel, point: SizePoint): FormSizes['outer'] {
  const outer: Record<string, number> = {};
  model.names.forEach((name, r) => {
    if (name.startsWith('outer ')) outer[name.slice(6)] = sizeAt(model, r, point);
  });
  return outer as unknown as FormSizes['outer'];
}

const models = new Map<string, SizeModel>();

/** Takes over a model that was worked out before. */
export function keepModel(model: SizeModel): void {
  models.set(JSON.stringify(model.way), model);
}

/** The model of a way, worked out once. */
export function modelOf(way: Way): SizeModel {
  const key = JSON.stringify(way);
  let model = models.get(key);
  if (!model) models.set(key, (model = sizeModel(way)));
  return model;
}
