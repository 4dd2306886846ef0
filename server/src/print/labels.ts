import { assemblyScene, coloursOfMake, entriesOf, foldMake, formById } from '@odd-corner/core';
import { toFold } from '@odd-corner/contract';
import type { Pen } from './pen';
import { PAGES, type PrintAsked } from './print-asked';
import { sidesOf } from './sides-of';

const WIDTH = 90;
const HEIGHT = 50;
const LINE = '#ddd3c2';

/** A page of labels for what was made, to be cut apart: what it is called, what it is for, and what it was folded from. */
export function labels(pen: Pen, { title, purpose, make, page, papers, unit }: PrintAsked): void {
  const { widthMm, heightMm } = PAGES[page];
  const form = formById(make.formId);
  const { assembly } = foldMake(toFold(make));
  const { closed } = assemblyScene(assembly);
  const colours = coloursOfMake(
    entriesOf(form, make.params),
    (key, copy) => papers[key]?.[copy % papers[key].length] ?? null,
  );
  const from = make.entries
    .map(({ key, sheet }) => {
      const paper = papers[key]?.[0]?.name;
      return `${sidesOf(sheet, unit)}${paper ? ` of ${paper}` : ''}`;
    })
    .join(', ');
  const [columns, rows] = [Math.floor((widthMm - 10) / WIDTH), Math.floor((heightMm - 10) / HEIGHT)];
  const [x0, y0] = [(widthMm - columns * WIDTH) / 2, (heightMm - rows * HEIGHT) / 2];
  pen.page(widthMm, heightMm);
  for (let k = 0; k < columns * rows; k++) {
    const [x, y] = [x0 + (k % columns) * WIDTH, y0 + Math.floor(k / columns) * HEIGHT];
    const text = { x: x + 5, width: 50 };
    const heading = { size: 4.4, bold: true };
    pen.text(title, { ...text, y: y + 5 }, heading);
    const below = y + 6.5 + pen.heightOf(title, 50, heading);
    const said = `${form.name}, for ${purpose}`;
    pen.text(said, { ...text, y: below }, { size: 3 });
    pen.text(
      `From ${from}.`,
      { ...text, y: below + 1 + pen.heightOf(said, 50, { size: 3 }) },
      { size: 2.6, colour: '#675f52' },
    );
    pen.picture(closed, colours, { x: x + 57, y: y + 5, width: 28, height: HEIGHT - 10 });
  }
  for (let c = 0; c <= columns; c++) pen.line(x0 + c * WIDTH, y0, x0 + c * WIDTH, y0 + rows * HEIGHT, { colour: LINE });
  for (let r = 0; r <= rows; r++)
    pen.line(x0, y0 + r * HEIGHT, x0 + columns * WIDTH, y0 + r * HEIGHT, { colour: LINE });
}
