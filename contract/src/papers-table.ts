import {
  CURRENCIES,
  moneyFigure,
  PAPER_KINDS,
  paperWeight,
  type PaperKind,
  parseMoney,
  parseNumber,
  parseSizes,
  STOCK_SHEETS,
} from '@odd-corner/core';
import type { Price } from './money';
import { type Paper, type PaperDraft, paperDraft, UNSAID } from './paper';

/** What a column of a table of papers may say. */
export const PAPER_COLUMNS = [
  { id: 'name', name: 'Name', words: ['name', 'paper', 'title'] },
  { id: 'size', name: 'Size', words: ['size', 'sheet size', 'format'] },
  { id: 'width', name: 'Width', words: ['width', 'width mm', 'w'] },
  { id: 'height', name: 'Height', words: ['height', 'height mm', 'h', 'length'] },
  { id: 'count', name: 'Sheets', words: ['sheets', 'count', 'quantity', 'qty', 'number'] },
  { id: 'gsm', name: 'Weight', words: ['weight', 'gsm', 'g/m2', 'g/m²'] },
  { id: 'kind', name: 'Kind', words: ['kind', 'type'] },
  { id: 'caliper', name: 'Thickness', words: ['thickness', 'thickness mm', 'caliper', 'caliper mm'] },
  { id: 'stackSheets', name: 'Measured together', words: ['measured together', 'stack'] },
  { id: 'front', name: 'Front', words: ['front', 'colour', 'color', 'front colour'] },
  { id: 'back', name: 'Back', words: ['back', 'back colour'] },
  { id: 'price', name: 'Price', words: ['price', 'pack price'] },
  { id: 'priceSheets', name: 'Price is for', words: ['price is for', 'price for', 'pack', 'sheets in a pack'] },
  { id: 'currency', name: 'Currency', words: ['currency'] },
  { id: 'foodSafe', name: 'May touch food', words: ['may touch food', 'food safe', 'food'] },
  { id: 'runs', name: 'Grain along', words: ['grain along', 'grain', 'pattern along'] },
  { id: 'margins', name: 'Margin', words: ['margin', 'margins', 'margin mm'] },
  { id: 'lowMark', name: 'Low mark', words: ['low mark', 'low', 'reorder at'] },
  { id: 'place', name: 'Place', words: ['place', 'location', 'where'] },
  { id: 'offcut', name: 'Offcut', words: ['offcut', 'scrap'] },
] as const;

export type PaperColumn = (typeof PAPER_COLUMNS)[number]['id'];

/** Which column of a table says what; columns that are left out say nothing. */
export type ColumnMap = Readonly<Partial<Record<PaperColumn, number>>>;

/** Columns by what stands above them. */
export function mapColumns(head: readonly string[]): ColumnMap {
  const known = new Map(PAPER_COLUMNS.flatMap(({ id, words }) => words.map((word) => [word as string, id] as const)));
  const map: Partial<Record<PaperColumn, number>> = {};
  head.forEach((text, k) => {
    const id = known.get(text.trim().toLowerCase());
    if (id && map[id] === undefined) map[id] = k;
  });
  return map;
}

/** One row as it would be taken in, or all that is wrong with it. */
export type RowTaken =
  | { readonly line: number; readonly paper: PaperDraft }
  | { readonly line: number; readonly wrong: readonly string[]; readonly name: string };

const SAYS_YES = new Set(['yes', 'y', 'true', '1']);
const SAYS_NO = new Set(['no', 'n', 'false', '0']);

function yesOrNo(text: string): boolean | null {
  if (SAYS_YES.has(text.toLowerCase())) return true;
  return SAYS_NO.has(text.toLowerCase()) ? false : null;
}

/**
 * Rows of a table as papers: what a cell does not say is as for any paper, what it says wrongly is told with its column.
 * @param first the number of the first row in the file
 */
export function papersFrom(
  rows: readonly (readonly string[])[],
  map: ColumnMap,
  { currency, first }: { readonly currency: Price['currency']; readonly first: number },
): readonly RowTaken[] {
  return rows.map((row, k): RowTaken => {
    const wrong: string[] = [];
    const cell = (id: PaperColumn): string => {
      const at = map[id];
      return at === undefined ? '' : (row[at] ?? '').trim();
    };
    const read = <T>(id: PaperColumn, parse: (text: string) => T | null, none: T, why: string): T => {
      const text = cell(id);
      if (!text) return none;
      const value = parse(text);
      if (value !== null) return value;
      wrong.push(`${PAPER_COLUMNS.find((one) => one.id === id)?.name}: “${text}” ${why}`);
      return none;
    };
    const number = (id: PaperColumn, none: number | null): number | null =>
      read(id, (text) => parseNumber(text.replace(/\s*mm$/i, '')), none, 'is no number.');
    const [widthMm, heightMm] = sizeIn(cell) ?? [NaN, NaN];
    if (Number.isNaN(widthMm)) wrong.push('Size: write two sides, for example 297 x 210, or a name such as A4.');
    const unit = read(
      'currency',
      (text) => CURRENCIES.find((one) => one === text.toUpperCase()) ?? null,
      currency,
      'is no currency such as EUR.',
    );
    const minor = read('price', (text) => parseMoney(text, unit), null as number | null, 'is no price.');
    const colour = (id: 'front' | 'back', none: string): string =>
      read(id, (text) => (/^#[0-9a-f]{6}$/i.test(text) ? text : null), none, 'is no colour such as #b98d5b.');
    const draft = {
      ...UNSAID,
      ...{ name: cell('name'), widthMm, heightMm, count: number('count', 0), caliperMm: number('caliper', null) },
      gsm: read('gsm', (text) => paperWeight(text, parseNumber), 80, 'is no weight such as 80 or 20 lb bond.'),
      kind: read<PaperKind>(
        'kind',
        (text) => PAPER_KINDS.find((kind) => kind === text.toLowerCase()) ?? null,
        'printer',
        `is none of ${PAPER_KINDS.join(', ')}.`,
      ),
      ...{ colourFront: colour('front', '#f4f4ef'), colourBack: colour('back', '#f4f4ef') },
      price: minor === null ? null : { minor, currency: unit, sheets: number('priceSheets', 1) },
      foodSafe: read<Paper['foodSafe']>(
        'foodSafe',
        (text) => {
          const said = yesOrNo(text);
          if (said !== null) return said ? 'yes' : 'no';
          return /^(unknown|not known|\?)$/i.test(text) ? 'unknown' : null;
        },
        'unknown',
        'is neither yes, no nor unknown.',
      ),
      runs: read<Paper['runs']>(
        'runs',
        (text) => (/^(width|height)$/i.test(text) ? (text.toLowerCase() as 'width' | 'height') : null),
        null,
        'is neither width nor height.',
      ),
      ...{ marginsMm: number('margins', 0), lowMark: number('lowMark', null), place: cell('place') },
      ...{ stackSheets: number('stackSheets', null), offcut: read('offcut', yesOrNo, false, 'is neither yes nor no.') },
    };
    const { success, data, error } = paperDraft.safeParse(draft);
    if (!success)
      for (const { path, message } of error.issues)
        if (!(wrong.length && /width|height/.test(String(path[0])))) wrong.push(message);
    const line = first + k;
    return data && !wrong.length ? { line, paper: data } : { line, wrong, name: cell('name') };
  });
}

function sizeIn(cell: (id: PaperColumn) => string): readonly [number, number] | null {
  const text = cell('size') || (cell('width') && cell('height') ? `${cell('width')} x ${cell('height')}` : '');
  const named = STOCK_SHEETS.find(({ name }) => name.toLowerCase() === text.toLowerCase());
  if (named) return [named.widthMm, named.heightMm];
  try {
    const sides = parseSizes(text);
    return sides.length === 2 ? [sides[0], sides[1]] : null;
  } catch {
    return null;
  }
}

/** Finer figures than these nobody measures. */
const DIGITS = 6;

/** Papers as rows of a table, a head first: what `papersFrom` reads back as the same. */
export function papersTable(papers: readonly PaperDraft[]): readonly (readonly string[])[] {
  const text = (value: number | null): string => (value === null ? '' : `${Number(value.toFixed(DIGITS))}`);
  return [
    PAPER_COLUMNS.filter(({ id }) => id !== 'size').map(({ name }) => name),
    ...papers.map((paper) => [
      ...[paper.name, text(paper.widthMm), text(paper.heightMm), text(paper.count), text(paper.gsm), paper.kind],
      ...[text(paper.caliperMm), text(paper.stackSheets), paper.colourFront, paper.colourBack],
      ...[
        paper.price ? moneyFigure(paper.price, 'point') : '',
        text(paper.price?.sheets ?? null),
        paper.price?.currency ?? '',
      ],
      ...[
        paper.foodSafe,
        paper.runs ?? '',
        text(paper.marginsMm),
        text(paper.lowMark),
        paper.place,
        paper.offcut ? 'yes' : 'no',
      ],
    ]),
  ];
}
