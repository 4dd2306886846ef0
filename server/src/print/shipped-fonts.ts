import { createRequire } from 'node:module';
import type { Fonts } from './print-asked';

/** The files of the type that is shipped, the same family as on the screen. */
export function shippedFonts(): Fonts {
  const { resolve } = createRequire(import.meta.url);
  const file = (weight: number): string =>
    resolve(`@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-normal.woff`);
  return { plain: file(400), bold: file(700) };
}
