import { type AbstractControl, FormControl, type FormGroup, type ValidatorFn } from '@angular/forms';
import type { Issue } from '@odd-corner/contract';
import type * as z from 'zod';

/** A validator that asks a schema of the contract, so that a field and the server say the same. */
export const obeys =
  (schema: z.ZodType): ValidatorFn =>
  ({ value }) => {
    const read = schema.safeParse(value);
    return read.success ? null : { schema: read.error.issues[0].message };
  };

/** A control for one part of a draft. @param value what stands there at first; null is nothing */
export function controlOf<T>(schema: z.ZodType<T>, value: T | null): FormControl<T | null> {
  return new FormControl<T | null>(value, { validators: obeys(schema) });
}

/** What is wrong with a control, in words: what cannot be read at all before what the schema or the server does not accept. */
export function faultOf({ errors }: AbstractControl): string | null {
  const why: unknown = errors?.['unread'] ?? errors?.['schema'] ?? errors?.['server'];
  return typeof why === 'string' ? why : null;
}

/** Shows what is wrong with every field of a form that is sent too early. @returns whether it may be sent */
export function mayBeSent(form: FormGroup): boolean {
  form.markAllAsTouched();
  return form.valid;
}

/** Where in a form a part of the draft stands, when it has another place there. */
export type PlaceOf = (path: readonly (string | number)[]) => readonly (string | number)[];

/**
 * Puts what the server refused beside its fields, until they are typed in again.
 * @returns what belongs to no field
 */
export function land(form: FormGroup, issues: readonly Issue[], placeOf: PlaceOf = (path) => path): readonly Issue[] {
  return issues.filter(({ path, message }) => {
    const place = placeOf(path).map(String);
    const control = form.get(place) ?? form.get(place.slice(0, 1));
    control?.setErrors({ ...control.errors, server: message });
    control?.markAsTouched();
    return !control;
  });
}
