import { FoldRefused, withMark } from '@odd-corner/core';
import { booklet } from './booklet';
import { creasePages } from './crease-pages';
import { labels } from './labels';
import { Pen } from './pen';
import type { Fonts, Printed, PrintAsked } from './print-asked';

const PAGES_OF = { booklet, creases: creasePages, label: labels } as const;

/** Folds a make and sets its pages; it is the whole work of the printing thread. */
export async function printMake(asked: PrintAsked, fonts: Fonts): Promise<Printed> {
  const say = (text: string): string => withMark(text, asked.decimal);
  const pen = new Pen(asked.title, fonts, say);
  try {
    PAGES_OF[asked.kind](pen, asked);
  } catch (error) {
    if (error instanceof RangeError || error instanceof FoldRefused) return { refused: error.message };
    throw error;
  }
  return { pdf: await pen.end() };
}
