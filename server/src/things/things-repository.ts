import { type ListAsked, type NewThing, type Thing, thing as thingSchema, type ThingDraft } from '@odd-corner/contract';
import { type Added, addOnce } from '../db/add-once';
import { inOneGo } from '../db/in-one-go';
import { keptRows } from '../db/kept-rows';
import { saying } from '../db/list-rows';
import type { Db } from '../db/open-database';
import { readJson } from '../db/read-json';
import { stale } from '../http/problem-error';

interface Row {
  readonly id: string;
  readonly name: string;
  readonly purpose: string;
  readonly version: number;
}

const toRow = ({ purpose, ...rest }: Thing): Row => ({ ...rest, purpose: JSON.stringify(purpose) });

/** Things that the maker folds for. */
export function thingsRepository(db: Db) {
  const rows = keptRows<Row, typeof thingSchema>(db, {
    what: 'thing',
    table: 'things',
    select: 'SELECT t.id, t.name, t.purpose, t.version FROM things t',
    schema: thingSchema,
    toRaw: ({ purpose, ...rest }) => ({ ...rest, purpose: readJson(purpose) }),
    order: { columns: ['t.name COLLATE NOCASE', 't.id'], down: false, of: ({ name, id }) => [name, id] },
  });
  const insert = db.prepare<[Row]>(`INSERT INTO things (id, name, purpose, version)
    VALUES (@id, @name, @purpose, @version)`);
  const update = db.prepare<[Row]>(`UPDATE things SET name = @name, purpose = @purpose,
    version = version + 1 WHERE id = @id AND version = @version AND removed_at IS NULL`);
  return {
    ...rows,
    list: (asked: ListAsked) => rows.list(asked, saying('small(t.name)', asked.search)),
    put: (thing: Thing): void => void insert.run(toRow(thing)),
    add({ id, ...draft }: NewThing): Added<Thing> {
      return addOnce(
        db,
        draft,
        () => rows.any(id),
        () => {
          insert.run(toRow({ ...draft, id, version: 1 }));
          return rows.written(id);
        },
      );
    },
    change(id: string, next: ThingDraft & { version: number }): Thing {
      return inOneGo(db, () => {
        if (!update.run(toRow({ ...next, id })).changes) throw stale(rows.get(id));
        return rows.written(id);
      });
    },
  };
}

export type ThingsRepository = ReturnType<typeof thingsRepository>;
