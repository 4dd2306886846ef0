import type { Form } from '../forms/form';

/** What is wished of a make as a whole, beside what goes in. */
export interface Wishes {
  readonly lid: 'none' | 'plain' | 'eared';
  /** How many stand in each other, the innermost taking the contents. */
  readonly nested: number;
}

export const NO_WISHES: Wishes = { lid: 'none', nested: 1 };

/**
 * The parameters of a make with which a form meets the options asked for. A form without a lid of its own still meets a lid when
 * something else keeps it closed.
 * @returns null when it cannot
 */
export function meeting(form: Form, { lid, nested }: Wishes): Readonly<Record<string, unknown>> | null {
  const fieldOf = (key: string) => form.makeFields?.find((field) => field.key === key);
  const has = (key: string): boolean => fieldOf(key) !== undefined;
  if (nested > 1 && !has('nested')) return null;
  if (lid !== 'none' && !has('lid') && form.closure(form.params.parse({})).kind === 'open') return null;
  const input = fieldOf('lid')?.input;
  // A lid of another kind than its own is still a lid.
  const own = input?.kind === 'choice' && input.options.some(({ value }) => value === lid) ? lid : 'plain';
  return { ...(has('lid') && { lid: own }), ...(has('nested') && { nested }) };
}

/** The other way round: what parameters of a make fulfil. */
export function wishesOf(form: Form, params: Readonly<Record<string, unknown>>): Wishes {
  const own = (key: string): unknown => (form.makeFields?.some((field) => field.key === key) ? params[key] : undefined);
  const [lid, nested] = [own('lid'), own('nested')];
  return {
    lid: lid === 'plain' || lid === 'eared' ? lid : NO_WISHES.lid,
    nested: typeof nested === 'number' ? nested : NO_WISHES.nested,
  };
}
