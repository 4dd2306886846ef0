import {
  creasePicture,
  creaseSheet,
  type CreaseLayer,
  entriesOf,
  formById,
  make as foldOne,
  type SheetSide,
  shownFaces,
} from '@odd-corner/core';
import type { Pen } from './pen';
import { PAGES, type PrintAsked } from './print-asked';
import { EDGE_MM, OVERLAP_MM, tileName, tilingOf } from './tiles';

/** As seen from the other side. */
const OTHER: Readonly<Record<CreaseLayer, CreaseLayer>> = { cut: 'cut', valley: 'mountain', mountain: 'valley' };

/** What shows on the face that was picked. */
const SHOWN = '#b0430f';

const BAR_MM = 100;
const MUTED = '#675f52';
/** Marks by which pages are laid on each other stand so far apart. */
const CROSSES_MM = 50;

const LOOKS: Readonly<Record<CreaseLayer, { readonly colour: string; readonly dash: readonly number[] }>> = {
  cut: { colour: '#25221d', dash: [] },
  valley: { colour: '#0b7a83', dash: [4, 2] },
  mountain: { colour: '#7a3e8e', dash: [4, 1.2] },
};

/** The open sheet of an entry at its true size, white side up, over as many pages as it takes. */
export function creasePages(pen: Pen, asked: PrintAsked): void {
  const { make, page, entryKey, title } = asked;
  const entry = make.entries.find(({ key }) => key === entryKey) ?? make.entries[0];
  const { pieceId, params, thicknessMm, key } = entry;
  const { folding } = foldOne(pieceId, { sheet: entry.sheet, params, paper: { thicknessMm } });
  const sheet = creaseSheet(creasePicture(folding.finished));
  const tiling = tilingOf(sheet, PAGES[page]);
  const { upright, width, height, rows, columns, tiles } = tiling;
  const [pageW, pageH] = upright
    ? [PAGES[page].widthMm, PAGES[page].heightMm]
    : [PAGES[page].heightMm, PAGES[page].widthMm];
  const name = entriesOf(formById(make.formId), make.params).find((one) => one.key === key)?.name ?? key;
  const face = asked.shows === undefined ? undefined : shownFaces(folding.finished).at(asked.shows);
  if (asked.shows !== undefined && !face) throw new RangeError(`The ${name} has no face number ${asked.shows + 1}.`);
  // What shows on the coloured side is drawn on that side: the sheet is turned over like a page.
  const sides = face
    ? (['white', 'coloured'] as const).filter((side) => face.parts.some((part) => part.side === side))
    : (['white'] as const);
  for (const { side, tile } of sides.flatMap((one) => tiles.map((tile) => ({ side: one, tile })))) {
    const over = (x: number): number => (side === 'white' ? x : sheet.widthMm - x);
    pen.page(pageW, pageH);
    const place = (x: number, y: number): readonly [number, number] => [EDGE_MM + x - tile.x, EDGE_MM + y - tile.y];
    pen.within({ x: EDGE_MM, y: EDGE_MM, width, height }, () => {
      for (const { layer, from, to } of sheet.lines) {
        const [x0, y0] = place(over(from.x), sheet.heightMm - from.y);
        const [x1, y1] = place(over(to.x), sheet.heightMm - to.y);
        pen.line(x0, y0, x1, y1, {
          width: layer === 'cut' ? 0.3 : 0.25,
          ...LOOKS[side === 'white' ? layer : OTHER[layer]],
        });
      }
      for (const { outline } of face?.parts.filter((part) => part.side === side) ?? [])
        outline.forEach((from, k) => {
          const to = outline[(k + 1) % outline.length];
          const [x0, y0] = place(over(from.x), sheet.heightMm - from.y);
          const [x1, y1] = place(over(to.x), sheet.heightMm - to.y);
          pen.line(x0, y0, x1, y1, { width: 0.6, colour: SHOWN });
        });
      for (const { entryKey: of, side: on, xMm, yMm, turnDeg, widthMm, words } of asked.art ?? [])
        if (of === key && on === side) {
          const size = widthMm / pen.widthOf(words, 1);
          const [x, y] = place(over(xMm), sheet.heightMm - yMm);
          pen.turned(words, { x, y }, turnDeg, { size });
        }
      // Where two pages share paper both have the same crosses, in the middle of what they share.
      for (let c = 1; c < columns; c++) seam(c * (width - OVERLAP_MM) + OVERLAP_MM / 2, sheet.heightMm, 'upright');
      for (let r = 1; r < rows; r++) seam(r * (height - OVERLAP_MM) + OVERLAP_MM / 2, sheet.widthMm, 'level');
    });
    foot(side, tileName(tile), tile.row < rows - 1, tile.column < columns - 1);

    function seam(at: number, length: number, way: 'upright' | 'level'): void {
      for (let s = CROSSES_MM / 2; s < length; s += CROSSES_MM) {
        const [x, y] = way === 'upright' ? place(at, s) : place(s, at);
        pen.line(x - 3, y, x + 3, y, { width: 0.15, colour: MUTED });
        pen.line(x, y - 3, x, y + 3, { width: 0.15, colour: MUTED });
      }
    }
  }

  /** The bar by which the printer is checked, and which page this is. */
  function foot(side: SheetSide, own: string, below: boolean, beside: boolean): void {
    const y = pageH - 5;
    pen.line(EDGE_MM, y, EDGE_MM + BAR_MM, y, { width: 0.3 });
    for (const x of [EDGE_MM, EDGE_MM + BAR_MM]) pen.line(x, y - 2, x, y + 2, { width: 0.3 });
    pen.text(
      'This bar is 100 mm: print at 100 %, not fitted to the page.',
      { x: EDGE_MM, y: y - 5, width: BAR_MM },
      { size: 2.4 },
    );
    const more = [...(beside ? ['right'] : []), ...(below ? ['below'] : [])].join(' and ');
    const many = rows * columns > 1 ? ` · page ${own} of ${rows} × ${columns}${more ? `, goes on ${more}` : ''}` : '';
    pen.text(
      `${title}, ${name}: ${side} side up${many}`,
      { x: EDGE_MM + BAR_MM + 4, y: y - 5, width: pageW - 2 * EDGE_MM - BAR_MM - 4 },
      { size: 2.4, align: 'right', colour: MUTED },
    );
  }
}
