import type { ParamField } from './form';

/** A field with a few values to pick from, each with its label, the usual one first. */
export function choice(key: string, label: string, why: string, labels: Readonly<Record<string, string>>): ParamField {
  const options = Object.entries(labels).map(([value, text]) => ({ value, label: text }));
  return { key, label, why, input: { kind: 'choice', options } };
}

/** The same for a choice of which any value may need the least paper. */
export function sought(field: ParamField): ParamField {
  return field.input.kind === 'choice' ? { ...field, input: { ...field.input, sought: true } } : field;
}
