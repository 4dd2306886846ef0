import {
  type ListAsked,
  MOST_SHEETS,
  type NewPaper,
  type Paper,
  type PaperDraft,
  type PaperMove,
  paper as paperSchema,
  type PaperThen,
  type Price,
  TOO_MANY_SHEETS,
} from '@odd-corner/contract';
import { caliperOf } from '@odd-corner/core';
import { randomUUID } from 'node:crypto';
import { type Added, addOnce } from '../db/add-once';
import { inOneGo } from '../db/in-one-go';
import { keptRows } from '../db/kept-rows';
import { saying } from '../db/list-rows';
import type { Db } from '../db/open-database';
import { notFound, ProblemError, stale } from '../http/problem-error';
import { paperMoves } from './paper-moves';

const SELECT = `SELECT t.id, t.name, t.width_mm AS widthMm, t.height_mm AS heightMm, t.count, t.gsm, t.kind, t.caliper_mm AS caliperMm,
  t.colour_front AS colourFront, t.colour_back AS colourBack, t.food_safe AS foodSafe, t.version,
  t.price_minor AS priceMinor, t.price_currency AS priceCurrency, t.price_sheets AS priceSheets,
  t.stack_sheets AS stackSheets, t.runs, t.margins_mm AS marginsMm, t.low_mark AS lowMark, t.place, t.offcut, t.offcut_of AS offcutOf,
  (SELECT coalesce(sum(c.sheets - c.covered), 0) FROM cut_sheets c WHERE c.paper_id = t.id AND c.done = 0)
    + (SELECT coalesce(sum(p.sheets), 0) FROM plan_parents p JOIN cutting_plans k ON k.id = p.plan_id
      WHERE p.paper_id = t.id AND p.done = 0 AND k.removed_at IS NULL) AS reserved FROM papers t`;

/** A row as it is stored: the price in three columns, all of them null or none. */
type Row = Omit<Paper, 'price' | 'offcut'> & {
  readonly offcut: 0 | 1;
  readonly priceMinor: number | null;
  readonly priceCurrency: Price['currency'] | null;
  readonly priceSheets: number | null;
};

function toRaw({ priceMinor: minor, priceCurrency: currency, priceSheets: sheets, offcut, ...paper }: Row): unknown {
  return {
    ...paper,
    offcut: offcut === 1,
    price: minor === null || !currency || sheets === null ? null : { minor, currency, sheets },
  };
}

/** As it is written: with the price's columns beside the rest. */
const rowOf = <T extends PaperDraft>({ price, offcut, ...paper }: T) => ({
  ...paper,
  offcut: offcut ? 1 : 0,
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
      price_minor, price_currency, price_sheets, stack_sheets, runs, margins_mm, low_mark, place, offcut, offcut_of)
    VALUES (@id, @name, @widthMm, @heightMm, @count, @gsm, @kind, @caliperMm, @colourFront, @colourBack, @foodSafe, @version,
      @priceMinor, @priceCurrency, @priceSheets, @stackSheets, @runs, @marginsMm, @lowMark, @place, @offcut, @offcutOf)`);
  const update =
    db.prepare(`UPDATE papers SET name = @name, width_mm = @widthMm, height_mm = @heightMm, count = @count, gsm = @gsm, kind = @kind,
    caliper_mm = @caliperMm, colour_front = @colourFront, colour_back = @colourBack, food_safe = @foodSafe,
    price_minor = @priceMinor, price_currency = @priceCurrency, price_sheets = @priceSheets, stack_sheets = @stackSheets,
    runs = @runs, margins_mm = @marginsMm, low_mark = @lowMark, place = @place, offcut = @offcut, offcut_of = @offcutOf,
    version = version + 1
    WHERE id = @id AND version = @version AND removed_at IS NULL`);
  const move = db.prepare<[number, string, number]>(
    `UPDATE papers SET count = count + ?, version = version + 1 WHERE id = ? AND count + ? BETWEEN 0 AND ${MOST_SHEETS}`,
  );
  const refuseStrayOffcut = ({ offcutOf }: PaperDraft): void => {
    if (offcutOf !== null && !rows.any(offcutOf)) throw notFound('paper that it was cut from');
  };
  const alike = db.prepare<{ of: string; widthMm: number; heightMm: number }, { id: string }>(
    `SELECT id FROM papers WHERE offcut_of = @of AND offcut = 1 AND removed_at IS NULL
      AND abs(width_mm - @widthMm) < 0.05 AND abs(height_mm - @heightMm) < 0.05 ORDER BY id LIMIT 1`,
  );
  const moves = paperMoves(db);
  const insertNew = ({ id, ...draft }: NewPaper, at: string): Paper => {
    refuseStrayOffcut(draft);
    insert.run(rowOf({ ...draft, id, version: 1 }));
    const paper = rows.written(id);
    moves.note(paper, draft.count, 'begun', at);
    return paper;
  };
  const add = (paper: NewPaper, at: string): Added<Paper> => {
    const { id, ...draft } = paper;
    return addOnce(
      db,
      draft,
      () => rows.any(id),
      () => insertNew(paper, at),
    );
  };
  const moveSheets = (id: string, sheets: number, { why, at, wasteMm2 = 0 }: Moving): boolean => {
    if (sheets === 0) return true;
    if (!move.run(sheets, id, sheets).changes) return false;
    const moved = rows.any(id);
    if (moved) moves.note(moved.row, sheets, why, at, wasteMm2);
    return true;
  };
  return {
    ...rows,
    moves,
    list: (asked: ListAsked) => rows.list(asked, saying("small(t.name || ' ' || t.place)", asked.search)),
    put: (paper: Omit<Paper, 'reserved'>): void => void insert.run(rowOf(paper)),
    add,
    /** All of them or none; sent twice, they are there once. */
    addMany: (all: readonly NewPaper[], at: string): Paper[] =>
      inOneGo(db, () => all.map((paper) => add(paper, at).row)),
    change(id: string, next: PaperDraft & { version: number }, at: string): Paper {
      return inOneGo(db, () => {
        const before = rows.get(id);
        refuseStrayOffcut(next);
        if (!update.run(rowOf({ ...next, id })).changes) throw stale(before);
        const after = rows.written(id);
        moves.note(after, after.count - before.count, 'counted', at);
        return after;
      });
    },
    /** Adds sheets, or takes them with a negative number; false when there are not so many, or would be more than are counted. */
    moveSheets,
    /**
     * Puts what was left of a paper on the shelf: to others of that size, or as a paper of its own.
     * @returns the id of that paper
     */
    addOffcut(
      of: Paper,
      size: { readonly widthMm: number; readonly heightMm: number },
      sheets: number,
      at: string,
    ): string {
      const root = of.offcutOf ?? of.id;
      const [widthMm, heightMm] = [size.widthMm, size.heightMm].map((mm) => Math.floor(mm * 10) / 10);
      const known = alike.get({ of: root, widthMm, heightMm });
      if (known) {
        if (!moveSheets(known.id, sheets, { why: 'offcut', at })) throw new ProblemError(422, TOO_MANY_SHEETS);
        return known.id;
      }
      const id = randomUUID();
      const { reserved: _, id: __, version: ___, ...draft } = of;
      const name = `${(rows.any(root)?.row ?? of).name.slice(0, 60)}, offcut`;
      insert.run(
        rowOf({
          ...draft,
          ...{ id, name, widthMm, heightMm, count: sheets, version: 1, offcut: true, offcutOf: root },
          ...{ marginsMm: 0, lowMark: null, price: null },
        }),
      );
      moves.note(rows.written(id), sheets, 'offcut', at);
      return id;
    },
    /** Takes offcuts away again; one of which none are left goes too. False when they are not there any more. */
    takeOffcut(id: string, sheets: number, at: string): boolean {
      if (!moveSheets(id, -sheets, { why: 'offcut', at })) return false;
      if (rows.find(id)?.count === 0) rows.remove(id, at);
      return true;
    },
  };
}

/** Why sheets move, when, and what is lost of them in cutting. */
export interface Moving {
  readonly why: PaperMove['why'];
  readonly at: string;
  readonly wasteMm2?: number;
}

export type PapersRepository = ReturnType<typeof papersRepository>;
