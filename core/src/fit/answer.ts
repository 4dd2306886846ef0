import { FORMS } from '../forms/all-forms';
import type { Cavity, SheetSize } from '../forms/form';
import { sheetFor } from '../forms/make';
import type { Purpose } from './contents';
import { isSized, type SizedForm, sizeFor, type SizeOptions, type Unmet } from './size-for';
import { cavityAt, modelOf, outerAt, waysOf } from './size-model';
import { roomSums, type SizeSum } from './size-sums';

/** What is known about one form: first for a hand that misses nothing, then with the confidence that was asked for. */
export interface FormAnswered {
  readonly stage: 'sized' | 'sure';
  readonly answer: SizedForm | Unmet;
}

/**
 * All forms that answer a purpose, one after another: first their smallest sheets for a hand that misses nothing, quickest
 * first, then, when a confidence is asked for, the sheets that a real hand needs.
 */
export function* answering(purpose: Purpose, options: SizeOptions): Generator<FormAnswered, void, void> {
  const fit: string[] = [];
  for (const formId of Object.keys(FORMS)) {
    const answer = sizeFor(formId, purpose, { ...options, confidence: null });
    if (!answer) continue;
    if (isSized(answer)) fit.push(formId);
    yield { stage: 'sized', answer };
  }
  if (options.confidence === null) return;
  for (const formId of fit) {
    const answer = sizeFor(formId, purpose, options);
    if (answer) yield { stage: 'sure', answer };
  }
}

/** All answers at once. */
export function answer(purpose: Purpose, options: SizeOptions): readonly (SizedForm | Unmet)[] {
  const known = new Map<string, SizedForm | Unmet>();
  for (const { answer: one } of answering(purpose, options)) known.set(one.formId, one);
  return [...known.values()];
}

/** What one form from a given sheet will hold. */
export interface Held {
  readonly formId: string;
  readonly sheet: SheetSize;
  readonly cavity: Cavity;
  readonly outer: { readonly lengthMm: number; readonly widthMm: number; readonly heightMm: number };
  /** What room and outside come from. */
  readonly sums: readonly SizeSum[];
}

/** What each form will hold that takes a sheet as it is, folded without measuring; forms that do not take it are left out. */
export function holds(sheet: SheetSize, { thicknessMm }: { readonly thicknessMm: number }): readonly Held[] {
  const longer = Math.max(sheet.widthMm, sheet.heightMm);
  const size = { widthMm: longer, heightMm: Math.min(sheet.widthMm, sheet.heightMm) };
  return Object.values(FORMS).flatMap((form): Held[] => {
    const [way] = waysOf(form.id);
    try {
      sheetFor(form, size);
    } catch (error) {
      if (error instanceof RangeError) return [];
      throw error;
    }
    // A wrap is made to its card: of those that it takes, the one in the middle.
    const lengths: number[] = [];
    for (const key of way.lengths) {
      const { input } = form.fields.find((field) => field.key === key)!;
      if (input.kind !== 'length') return [];
      const given = Object.fromEntries(lengths.map((mm, k) => [way.lengths[k], mm]));
      const [least, most] = input.range(size, { ...way.choices, ...given });
      if (most < least) return [];
      lengths.push(most);
    }
    const model = modelOf(way);
    const point = { sheet: size, lengths, thicknessMm };
    return [
      {
        formId: form.id,
        sheet: size,
        cavity: cavityAt(model, point),
        outer: outerAt(model, point),
        sums: roomSums(way, point),
      },
    ];
  });
}
