import { measure } from '../forms/folded';
import type { Form, SheetSize } from '../forms/form';
import type { RulerId } from '../measure/ruler';
import type { Room } from '../purpose/demand';
import type { Purpose } from '../purpose/purpose';
import type { Fitting } from './fitting';
import { preparing, type Prepared } from '../purpose/prepare';
import { sizingForm } from './size-for';
import { isSized, type SizedForm, type SizeOptions, type Unmet } from './size-options';
import { modelSums, type SizeSum } from './size-sums';
import { marksOf, paramsAt, waysOf } from './ways';

/** What is known about one form: first for a hand that misses nothing, then with the confidence that was asked for. */
export interface FormAnswered {
  readonly stage: 'sized' | 'sure';
  readonly answer: SizedForm | Unmet;
}

/** Passes work on, and says at each of its pauses that nothing new is known. */
function* paused<T>(work: Generator<void, T, void>): Generator<null, T, void> {
  let step = work.next();
  while (!step.done) {
    yield null;
    step = work.next();
  }
  return step.value;
}

/** Forms with fewer lengths to be sought are known sooner: with them the first answer comes at once. */
function soonestFirst(forms: readonly Form[]): readonly Form[] {
  const sought = (form: Form): number => Math.max(...waysOf(form).map(({ lengths }) => lengths.length));
  return forms
    .map((form) => ({ form, lengths: sought(form) }))
    .sort((p, q) => p.lengths - q.lengths)
    .map(({ form }) => form);
}

/**
 * All forms that answer a purpose, one after another: first their smallest sheets for a hand that misses nothing, then, when
 * a confidence is asked for, the sheets that a real hand needs. Between answers it yields null, often, so that the caller
 * can stop.
 */
export function* answering(
  fitting: Fitting,
  purpose: Purpose,
  options: SizeOptions,
): Generator<FormAnswered | null, void, void> {
  const prepared: Prepared = yield* paused(preparing(purpose, options));
  const fit: Form[] = [];
  for (const form of soonestFirst(fitting.shelf.forms)) {
    const answer = yield* paused(sizingForm(fitting, form, prepared, { ...options, confidence: null }));
    if (!answer) continue;
    if (isSized(answer)) fit.push(form);
    yield { stage: 'sized', answer };
  }
  if (options.confidence === null) return;
  for (const form of fit) {
    const answer = yield* paused(sizingForm(fitting, form, prepared, options));
    if (answer) yield { stage: 'sure', answer };
  }
}

/** All answers at once. */
export function answer(fitting: Fitting, purpose: Purpose, options: SizeOptions): readonly (SizedForm | Unmet)[] {
  const known = new Map<string, SizedForm | Unmet>();
  for (const answered of answering(fitting, purpose, options))
    if (answered) known.set(answered.answer.formId, answered.answer);
  return [...known.values()];
}

/** What one form from a given sheet will hold. */
export interface Held {
  readonly formId: string;
  readonly sheet: SheetSize;
  /** Parameters that it was folded with. */
  readonly params: Readonly<Record<string, unknown>>;
  readonly room: Room;
  readonly outer: { readonly lengthMm: number; readonly widthMm: number; readonly heightMm: number };
  /** What room and outside come from. */
  readonly sums: readonly SizeSum[];
}

/** What each form will hold that takes a sheet as it is, folded without measuring; forms that do not take it are left out. */
export function* holding(
  fitting: Fitting,
  sheet: SheetSize,
  { thicknessMm, ruler }: { readonly thicknessMm: number; readonly ruler: RulerId },
): Generator<Held | null, void, void> {
  const longer = Math.max(sheet.widthMm, sheet.heightMm);
  const size = { widthMm: longer, heightMm: Math.min(sheet.widthMm, sheet.heightMm) };
  for (const form of fitting.shelf.forms) {
    yield null;
    const [way] = waysOf(form);
    const usual = form.params.parse({}) as Readonly<Record<string, unknown>>;
    const lengths: number[] = [];
    while (lengths.length < way.lengths.length) {
      const given = usual[way.lengths[lengths.length]];
      const { from, to, stepMm } = marksOf(form, way, size, lengths, ruler);
      if (to < from) break;
      // A wrap is made to its card: of those that it takes, one in the middle.
      lengths.push(typeof given === 'number' ? given : Math.round((from + to) / 2) * stepMm);
    }
    if (lengths.length < way.lengths.length) continue;
    const found = yield* paused(fitting.folding(way, { sheet: size, lengths }));
    if (!found) continue;
    const sizes = measure(found.folded, thicknessMm);
    const { model } = found.structure;
    const sums = modelSums(fitting, way, model, { sheet: size, lengths, thicknessMm }, sizes);
    yield {
      formId: form.id,
      sheet: size,
      params: paramsAt(way, lengths),
      room: sizes.rooms[0],
      outer: sizes.outer,
      sums,
    };
  }
}

/** The same at once. */
export function holds(
  fitting: Fitting,
  sheet: SheetSize,
  paper: { readonly thicknessMm: number; readonly ruler: RulerId },
): readonly Held[] {
  return [...holding(fitting, sheet, paper)].filter((held) => held !== null);
}
