import type { Thing, ThingDraft } from '@odd-corner/contract';
import type { Db } from '../db/open-database';
import { notFound, stale } from '../http/problem-error';

interface Row {
  readonly id: string;
  readonly name: string;
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly version: number;
}

const COLUMNS = 'id, name, length_mm AS lengthMm, width_mm AS widthMm, height_mm AS heightMm, version';

const toThing = ({ id, name, version, ...block }: Row): Thing => ({ id, name, block, version });
const toRow = ({ block, ...rest }: Thing): Row => ({ ...rest, ...block });

/** Things that the maker folds for. */
export function thingsRepository(db: Db) {
  const list = db.prepare<[], Row>(
    `SELECT ${COLUMNS} FROM things WHERE removed_at IS NULL ORDER BY name COLLATE NOCASE, id`,
  );
  const one = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM things WHERE id = ? AND removed_at IS NULL`);
  const insert = db.prepare<[Row]>(`INSERT INTO things (id, name, length_mm, width_mm, height_mm, version)
    VALUES (@id, @name, @lengthMm, @widthMm, @heightMm, @version)`);
  const update = db.prepare<
    [Row]
  >(`UPDATE things SET name = @name, length_mm = @lengthMm, width_mm = @widthMm, height_mm = @heightMm,
    version = version + 1 WHERE id = @id AND version = @version AND removed_at IS NULL`);
  const remove = db.prepare<[string, string]>(
    'UPDATE things SET removed_at = ?, version = version + 1 WHERE id = ? AND removed_at IS NULL',
  );
  const restore = db.prepare<[string]>('UPDATE things SET removed_at = NULL, version = version + 1 WHERE id = ?');

  const get = (id: string): Thing => {
    const row = one.get(id);
    if (!row) throw notFound('thing');
    return toThing(row);
  };
  return {
    list: (): Thing[] => list.all().map(toThing),
    put: (thing: Thing): void => void insert.run(toRow(thing)),
    add(id: string, draft: ThingDraft): Thing {
      insert.run(toRow({ ...draft, id, version: 1 }));
      return get(id);
    },
    change(id: string, next: ThingDraft & { version: number }): Thing {
      if (!update.run(toRow({ ...next, id })).changes) throw stale(get(id));
      return get(id);
    },
    remove(id: string, at: string): void {
      if (!remove.run(at, id).changes) throw notFound('thing');
    },
    restore(id: string): Thing {
      restore.run(id);
      return get(id);
    },
  };
}

export type ThingsRepository = ReturnType<typeof thingsRepository>;
