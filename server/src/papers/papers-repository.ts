import type { Paper, PaperDraft } from '@odd-corner/contract';
import type { Db } from '../db/open-database';
import { notFound, stale } from '../http/problem-error';

const COLUMNS = `id, name, width_mm AS widthMm, height_mm AS heightMm, count, gsm, kind, caliper_mm AS caliperMm,
  colour_front AS colourFront, colour_back AS colourBack, version`;

/** Papers on the shelf. A removed one keeps its row: jobs and pieces still name it, and it can be put back. */
export function papersRepository(db: Db) {
  const list = db.prepare<[], Paper>(
    `SELECT ${COLUMNS} FROM papers WHERE removed_at IS NULL ORDER BY name COLLATE NOCASE, id`,
  );
  const one = db.prepare<[string], Paper>(`SELECT ${COLUMNS} FROM papers WHERE id = ? AND removed_at IS NULL`);
  const insert =
    db.prepare(`INSERT INTO papers (id, name, width_mm, height_mm, count, gsm, kind, caliper_mm, colour_front, colour_back, version)
    VALUES (@id, @name, @widthMm, @heightMm, @count, @gsm, @kind, @caliperMm, @colourFront, @colourBack, @version)`);
  const update =
    db.prepare(`UPDATE papers SET name = @name, width_mm = @widthMm, height_mm = @heightMm, count = @count, gsm = @gsm, kind = @kind,
    caliper_mm = @caliperMm, colour_front = @colourFront, colour_back = @colourBack, version = version + 1
    WHERE id = @id AND version = @version AND removed_at IS NULL`);
  const move = db.prepare<[number, string, number]>(
    'UPDATE papers SET count = count + ?, version = version + 1 WHERE id = ? AND count + ? >= 0',
  );
  const remove = db.prepare<[string, string]>(
    'UPDATE papers SET removed_at = ?, version = version + 1 WHERE id = ? AND removed_at IS NULL',
  );
  const restore = db.prepare<[string]>('UPDATE papers SET removed_at = NULL, version = version + 1 WHERE id = ?');

  const get = (id: string): Paper => {
    const row = one.get(id);
    if (!row) throw notFound('paper');
    return row;
  };
  return {
    list: (): Paper[] => list.all(),
    find: (id: string): Paper | undefined => one.get(id),
    get,
    put: (paper: Paper): void => void insert.run(paper),
    add(id: string, draft: PaperDraft): Paper {
      insert.run({ ...draft, id, version: 1 });
      return get(id);
    },
    change(id: string, next: PaperDraft & { version: number }): Paper {
      if (!update.run({ ...next, id }).changes) throw stale(get(id));
      return get(id);
    },
    /** Adds sheets, or takes them with a negative number; false when there are not so many. */
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
