import { type NewThing, type Thing, thing as thingSchema, type ThingDraft } from '@odd-corner/contract';
import { type Added, addOnce, type Found } from '../db/add-once';
import type { Db } from '../db/open-database';
import { readJson } from '../db/read-json';
import { notFound, stale } from '../http/problem-error';

interface Row {
  readonly id: string;
  readonly name: string;
  readonly purpose: string;
  readonly version: number;
}

const COLUMNS = 'id, name, purpose, version';

const toThing = ({ purpose, ...rest }: Row): Thing => thingSchema.parse({ ...rest, purpose: readJson(purpose) });
const toRow = ({ purpose, ...rest }: Thing): Row => ({ ...rest, purpose: JSON.stringify(purpose) });

/** Things that the maker folds for. */
export function thingsRepository(db: Db) {
  const list = db.prepare<[], Row>(
    `SELECT ${COLUMNS} FROM things WHERE removed_at IS NULL ORDER BY name COLLATE NOCASE, id`,
  );
  const any = db.prepare<[string], Row & { removedAt: string | null }>(
    `SELECT ${COLUMNS}, removed_at AS removedAt FROM things WHERE id = ?`,
  );
  const one = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM things WHERE id = ? AND removed_at IS NULL`);
  const insert = db.prepare<[Row]>(`INSERT INTO things (id, name, purpose, version)
    VALUES (@id, @name, @purpose, @version)`);
  const update = db.prepare<[Row]>(`UPDATE things SET name = @name, purpose = @purpose,
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
    add({ id, ...draft }: NewThing): Added<Thing> {
      const find = (): Found<Thing> | undefined => {
        const found = any.get(id);
        if (!found) return undefined;
        const { removedAt, ...row } = found;
        return { row: toThing(row), removed: removedAt !== null };
      };
      return addOnce(db, draft, find, () => {
        insert.run(toRow({ ...draft, id, version: 1 }));
        return get(id);
      });
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
