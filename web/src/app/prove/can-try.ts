import { type Form, SHELF } from '@odd-corner/core';

/** What can be tried of a form: by what its rooms hold. */
export const TRIALS = [
  { id: 'pour', name: 'Pour' },
  { id: 'float', name: 'Float' },
  { id: 'roll', name: 'Roll' },
  { id: 'hold', name: 'Hold' },
] as const;

export type TrialId = (typeof TRIALS)[number]['id'];

/** Whether a form can be tried so. */
const able: Readonly<Record<TrialId, (form: Form) => boolean>> = {
  pour: (form) => SHELF.holdsOf(form).some((held) => held === 'loose pieces' || held === 'liquid'),
  float: (form) => SHELF.holdsOf(form).includes('a floating load'),
  roll: (form) => form.runs !== undefined,
  // Whatever it is, it can be stacked, pressed or knocked, and what came of it written down.
  hold: () => true,
};

/** All trials of a form, in their order. */
export function trialsOf(formId: string): readonly (typeof TRIALS)[number][] {
  if (!SHELF.has(formId)) return [];
  const form = SHELF.form(formId);
  return TRIALS.filter(({ id }) => able[id](form));
}
