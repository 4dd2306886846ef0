import { formById, type SheetSize } from '@odd-corner/core';

/** What the address of a form's page or of its steps says. */
export interface FormQuery {
  readonly sheet: SheetSize;
  readonly params: Readonly<Record<string, unknown>>;
}

const USUAL_MM = 150;

/** The sheet that a form starts with when the address names none. */
export function usualSheet(formId: string): SheetSize {
  const { sheetShape } = formById(formId);
  const long =
    sheetShape === 'square' ? 1 : Math.min(Math.max(1.3, sheetShape.longPerShort[0]), sheetShape.longPerShort[1]);
  return { widthMm: Math.round(USUAL_MM * long), heightMm: USUAL_MM };
}

/** Reads `sheet=180x140&hemMm=20`; what cannot be read is left at its usual value. */
export function readFormQuery(formId: string, get: (name: string) => string | null): FormQuery {
  const [width, height] = (get('sheet') ?? '').split('x').map(Number);
  const usual = usualSheet(formId);
  const sheet = width > 0 && Number.isFinite(width) ? { widthMm: width, heightMm: height > 0 ? height : width } : usual;
  const params: Record<string, unknown> = {};
  for (const { key, input } of [...(formById(formId).makeFields ?? []), ...formById(formId).fields]) {
    const text = get(key);
    if (text === null || text === '') continue;
    if (input.kind === 'choice') {
      if (input.options.some(({ value }) => value === text)) params[key] = text;
    } else if (Number.isFinite(Number(text))) params[key] = Number(text);
  }
  return { sheet, params };
}

/** The same, written. */
export function writeFormQuery({ sheet, params }: FormQuery): Record<string, string | number> {
  const query: Record<string, string | number> = { sheet: `${sheet.widthMm}x${sheet.heightMm}` };
  for (const [key, value] of Object.entries(params))
    if (typeof value === 'string' || typeof value === 'number') query[key] = value;
  return query;
}
