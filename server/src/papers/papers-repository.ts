import { MOST_SHEETS, type NewPaper, type Paper, type PaperDraft, type Price } from '@odd-corner/contract';
import { type Added, addOnce, type Found } from '../db/add-once';
import type { Db } from '../db/open-database';
import { notFound, stale } from '../http/problem-error';

const COLUMNS = `id, name, width_mm AS widthMm, height_mm AS heightMm, count, gsm, kind, caliper_mm AS caliperMm,
  colour_front AS colourFront, colour_back AS colourBack, version,
  price_minor AS priceMinor, price_currency AS priceCurrency, price_sheets AS priceSheets`;

/** A row as it lies in the table: the price in three columns, all of them null or none. */
type Row = Omit<Paper, 'price'> & {
  readonly priceMinor: number | null;
  readonly priceCurrency: Price['currency'] | null;
  readonly priceSheets: number | null;
};

function paperOf({ priceMinor: minor, priceCurrency: currency, priceSheets: sheets, ...paper }: Row): Paper {
  return { ...paper, price: minor === null || !currency || sheets === null ? null : { minor, currency, sheets } };
}

/** As it is written: with the price's columns beside the rest. */
const rowOf = <T extends PaperDraft>({ price, ...paper }: T) => ({
  ...paper,
  priceMinor: price?.minor ?? null,
  priceCurrency: price?.currency ?? null,
  priceSheets: price?.sheets ?? null,
});

/** Papers on the shelf. A removed one keeps its row: jobs and pieces still name it, and it can be put back. */
export function papersRepository(db: Db) {
  const list = db.prepare<[], Row>(
    `SELECT ${COLUMNS} FROM papers WHERE removed_at IS NULL ORDER BY name COLLATE NOCASE, id`,
  );
  const any = db.prepare<[string], Row & { removedAt: string | null }>(
    `SELECT ${COLUMNS}, removed_at AS removedAt FROM papers WHERE id = ?`,
  );
  const one = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM papers WHERE id = ? AND removed_at IS NULL`);
  const insert =
    db.prepare(`INSERT INTO papers (id, name, width_mm, height_mm, count, gsm, kind, caliper_mm, colour_front, colour_back, version,
      price_minor, price_currency, price_sheets)
    VALUES (@id, @name, @widthMm, @heightMm, @count, @gsm, @kind, @caliperMm, @colourFront, @colourBack, @version,
      @priceMinor, @priceCurrency, @priceSheets)`);
  const update =
    db.prepare(`UPDATE papers SET name = @name, width_mm = @widthMm, height_mm = @heightMm, count = @count, gsm = @gsm, kind = @kind,
    caliper_mm = @caliperMm, colour_front = @colourFront, colour_back = @colourBack,
    price_minor = @priceMinor, price_currency = @priceCurrency, price_sheets = @priceSheets, version = version + 1
    WHERE id = @id AND version = @version AND removed_at IS NULL`);
  const move = db.prepare<[number, string, number]>(
    `UPDATE papers SET count = count + ?, version = version + 1 WHERE id = ? AND count + ? BETWEEN 0 AND ${MOST_SHEETS}`,
  );
  const remove = db.prepare<[string, string]>(
    'UPDATE papers SET removed_at = ?, version = version + 1 WHERE id = ? AND removed_at IS NULL',
  );
  const restore = db.prepare<[string]>('UPDATE papers SET removed_at = NULL, version = version + 1 WHERE id = ?');

  const get = (id: string): Paper => {
    const row = one.get(id);
    if (!row) throw notFound('paper');
    return paperOf(row);
  };
  return {
    list: (): Paper[] => list.all().map(paperOf),
    find(id: string): Paper | undefined {
      const row = one.get(id);
      return row && paperOf(row);
    },
    get,
    put: (paper: Paper): void => void insert.run(rowOf(paper)),
    add({ id, ...draft }: NewPaper): Added<Paper> {
      const find = (): Found<Paper> | undefined => {
        const found = any.get(id);
        if (!found) return undefined;
        const { removedAt, ...row } = found;
        return { row: paperOf(row), removed: removedAt !== null };
      };
      return addOnce(db, draft, find, () => {
        insert.run(rowOf({ ...draft, id, version: 1 }));
        return get(id);
      });
    },
    change(id: string, next: PaperDraft & { version: number }): Paper {
      if (!update.run(rowOf({ ...next, id })).changes) throw stale(get(id));
      return get(id);
    },
    /** Adds sheets, or takes them with a negative number; false when there are not so many, or would be more than are counted. */
    moveSheets: (id: string, sheets: number): boolean => move.run(sheets, id, sheets).changes > 0,
    remove(id: string, at: string): void {
      if (!remove.run(at, id).changes) throw notFound('paper');
    },
    restore(id: string): Paper {
      restore.run(id);
      return get(id);
    },
  };
}

export type PapersRepository = ReturnType<typeof papersRepository>;
