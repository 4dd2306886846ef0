import {
  entriesOf,
  foldMarked,
  formById,
  type FormStep,
  MarkSearch,
  atOnce,
  stepPictures,
  type SheetSize,
} from '@odd-corner/core';
import type { Box, Pen } from './pen';
import { PAGES, type PrintAsked } from './print-asked';
import { sidesOf } from './sides-of';

const MARGIN = 12;
const HEAD = 14;
const GAP = 5;
const MUTED = '#675f52';

/** Columns and rows of steps on a page. */
const GRIDS = { 4: [2, 2], 6: [2, 3], 9: [3, 3] } as const;

/** Sizes of type in mm: titles, and words from the largest that fits downwards. */
const TITLE = 3.9;
const WORDS = [3.4, 3.1, 2.8, 2.5, 2.3, 2.1, 1.9] as const;
/** The least share of a step's room that its pictures keep. */
const PICTURES = 0.42;

/** All steps of a make, several on a page, with their pictures and words. */
export function booklet(pen: Pen, asked: PrintAsked): void {
  const { make, marks, unit, papers } = asked;
  const searches = new Map<string, MarkSearch>();
  const search = (size: SheetSize): MarkSearch => {
    const key = `${size.widthMm / size.heightMm}`;
    const known = searches.get(key) ?? atOnce(MarkSearch.over(size));
    searches.set(key, known);
    return known;
  };
  const form = formById(make.formId);
  const names = new Map(entriesOf(form, make.params).map(({ key, name }) => [key, name]));
  for (const { key, pieceId, params, sheet, thicknessMm, copies } of make.entries) {
    const { folding } = foldMarked({ formId: pieceId, sheet, params, thicknessMm }, marks?.[key] ?? null, search, unit);
    const name = names.get(key) ?? form.name;
    const from = `${name} from ${sidesOf(sheet, unit)}${copies > 1 ? `, ${copies} times` : ''}`;
    const colours = papers[key][0];
    const steps = [...folding.steps, ...(folding.uses ?? [])];
    const { perPage } = asked;
    const cells = cellsOf(asked);
    const many = Math.ceil(steps.length / perPage);
    steps.forEach((step, k) => {
      if (k % perPage === 0) head(pen, asked, from, `${Math.floor(k / perPage) + 1} of ${many}`);
      stepIn(pen, cells[k % perPage], step, k < folding.steps.length ? `${k + 1}. ` : '', colours);
    });
  }
}

function cellsOf({ page, perPage }: PrintAsked): readonly Box[] {
  const { widthMm, heightMm } = PAGES[page];
  const [columns, rows] = GRIDS[perPage];
  const width = (widthMm - 2 * MARGIN - (columns - 1) * GAP) / columns;
  const height = (heightMm - 2 * MARGIN - HEAD - (rows - 1) * GAP) / rows;
  return Array.from({ length: perPage }, (_, k) => ({
    ...{ width, height },
    x: MARGIN + (k % columns) * (width + GAP),
    y: MARGIN + HEAD + Math.floor(k / columns) * (height + GAP),
  }));
}

function head(pen: Pen, { title, purpose, page }: PrintAsked, from: string, no: string): void {
  const { widthMm, heightMm } = PAGES[page];
  pen.page(widthMm, heightMm);
  const width = widthMm - 2 * MARGIN;
  pen.text(title, { x: MARGIN, y: MARGIN, width: width - 30 }, { size: 5, bold: true });
  pen.text(no, { x: widthMm - MARGIN - 30, y: MARGIN + 0.8, width: 30 }, { size: 3.4, colour: MUTED, align: 'right' });
  pen.text(`${from} · for ${purpose}`, { x: MARGIN, y: MARGIN + 6.4, width }, { size: 3.2, colour: MUTED });
  pen.line(MARGIN, MARGIN + HEAD - 3, widthMm - MARGIN, MARGIN + HEAD - 3, { colour: '#ddd3c2' });
}

/** One step: its title, before and after beside each other, then what to do and what to see. */
function stepIn(pen: Pen, box: Box, step: FormStep, no: string, colours: { front: string; back: string }): void {
  const { x, width } = box;
  const title = { size: TITLE, bold: true };
  pen.text(no + step.title, box, title);
  const top = box.y + pen.heightOf(no + step.title, width, title) + 1;
  const said = [
    step.words,
    ...(step.finds ?? []),
    `Right when: ${step.check}`,
    ...(step.caution ? [step.caution] : []),
  ];
  const high = (size: number): number => said.reduce((sum, one) => sum + pen.heightOf(one, width, { size }) + 0.8, 0);
  const room = box.y + box.height - top;
  const size = WORDS.find((one) => high(one) <= (1 - PICTURES) * room) ?? WORDS[WORDS.length - 1];
  const pictured = room - high(size) - 1;
  const { now, between, then } = stepPictures(step);
  const half = (width - 3) / 2;
  pen.picture(now, colours, { x, y: top, width: half, height: pictured });
  pen.picture(between ?? then, colours, { x: x + half + 3, y: top, width: half, height: pictured });
  let y = top + pictured + 1;
  for (const one of said) {
    pen.text(one, { x, y, width }, { size, colour: one.startsWith('Right when') ? '#2f6b55' : undefined });
    y += pen.heightOf(one, width, { size }) + 0.8;
  }
}
