import type { FormSizes } from './form';

/** What the sizes of the outside are called where they are told. */
export const OUTER_NAMES: Readonly<Record<keyof FormSizes['outer'], string>> = {
  lengthMm: 'Outside, long',
  widthMm: 'Outside, wide',
  heightMm: 'Outside, high',
};
