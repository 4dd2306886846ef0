import {
  type ListAsked,
  MOST_SHEETS,
  type NewPaper,
  type Paper,
  type PaperDraft,
  paper as paperSchema,
  type PaperThen,
  type Price,
} from '@odd-corner/contract';
import { caliperOf } from '@odd-corner/core';
import { type Added, addOnce } from '../db/add-once';
import { inOneGo } from '../db/in-one-go';
import { keptRows } from '../db/kept-rows';
import { saying } from '../db/list-rows';
import type { Db } from '../db/open-database';
import { stale } from '../http/problem-error';

const SELECT = `SELECT t.id, t.name, t.width_mm AS widthMm, t.height_mm AS heightMm, t.count, t.gsm, t.kind, t.caliper_mm AS caliperMm,
  t.colour_front AS colourFront, t.colour_back AS colourBack, t.food_safe AS foodSafe, t.version,
  t.price_minor AS priceMinor, t.price_currency AS priceCurrency, t.price_sheets AS priceSheets,
  (SELECT coalesce(sum(c.sheets), 0) FROM cut_sheets c WHERE c.paper_id = t.id AND c.done = 0) AS reserved FROM papers t`;

/** A row as it is stored: the price in three columns, all of them null or none. */
type Row = Omit<Paper, 'price'> & {
  readonly priceMinor: number | null;
  readonly priceCurrency: Price['currency'] | null;
  readonly priceSheets: number | null;
};

function toRaw({ priceMinor: minor, priceCurrency: currency, priceSheets: sheets, ...paper }: Row): unknown {
  return { ...paper, price: minor === null || !currency || sheets === null ? null : { minor, currency, sheets } };
}

/** As it is written: with the price's columns beside the rest. */
const rowOf = <T extends PaperDraft>({ price, ...paper }: T) => ({
  ...paper,
  priceMinor: price?.minor ?? null,
  priceCurrency: price?.currency ?? null,
  priceSheets: price?.sheets ?? null,
});

/** A paper as it is now, for what is told or made of it. */
export const paperNow = (paper: Paper): PaperThen => ({
  ...{ paperId: paper.id, name: paper.name, caliperMm: caliperOf(paper), gsm: paper.gsm },
  ...{ colourFront: paper.colourFront, colourBack: paper.colourBack },
});

/** Papers on the shelf. A removed one keeps its row: jobs and log entries still name it, and it can be put back. */
export function papersRepository(db: Db) {
  const rows = keptRows<Row, typeof paperSchema>(db, {
    what: 'paper',
    table: 'papers',
    select: SELECT,
    schema: paperSchema,
    toRaw,
    order: { columns: ['t.name COLLATE NOCASE', 't.id'], down: false, of: ({ name, id }) => [name, id] },
  });
  const insert =
    db.prepare(`INSERT INTO papers (id, name, width_mm, height_mm, count, gsm, kind, caliper_mm, colour_front, colour_back, food_safe, version,
      price_minor, price_currency, price_sheets)
    VALUES (@id, @name, @widthMm, @heightMm, @count, @gsm, @kind, @caliperMm, @colourFront, @colourBack, @foodSafe, @version,
      @priceMinor, @priceCurrency, @priceSheets)`);
  const update =
    db.prepare(`UPDATE papers SET name = @name, width_mm = @widthMm, height_mm = @heightMm, count = @count, gsm = @gsm, kind = @kind,
    caliper_mm = @caliperMm, colour_front = @colourFront, colour_back = @colourBack, food_safe = @foodSafe,
    price_minor = @priceMinor, price_currency = @priceCurrency, price_sheets = @priceSheets, version = version + 1
    WHERE id = @id AND version = @version AND removed_at IS NULL`);
  const move = db.prepare<[number, string, number]>(
    `UPDATE papers SET count = count + ?, version = version + 1 WHERE id = ? AND count + ? BETWEEN 0 AND ${MOST_SHEETS}`,
  );
  return {
    ...rows,
    list: (asked: ListAsked) => rows.list(asked, saying('small(t.name)', asked.search)),
    put: (paper: Omit<Paper, 'reserved'>): void => void insert.run(rowOf(paper)),
    add({ id, ...draft }: NewPaper): Added<Paper> {
      return addOnce(
        db,
        draft,
        () => rows.any(id),
        () => {
          insert.run(rowOf({ ...draft, id, version: 1 }));
          return rows.written(id);
        },
      );
    },
    change(id: string, next: PaperDraft & { version: number }): Paper {
      return inOneGo(db, () => {
        if (!update.run(rowOf({ ...next, id })).changes) throw stale(rows.get(id));
        return rows.written(id);
      });
    },
    /** Adds sheets, or takes them with a negative number; false when there are not so many, or would be more than are counted. */
    moveSheets: (id: string, sheets: number): boolean => sheets === 0 || move.run(sheets, id, sheets).changes > 0,
  };
}

export type PapersRepository = ReturnType<typeof papersRepository>;
