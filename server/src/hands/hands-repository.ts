import {
  type FolderHand,
  type FolderHandDraft,
  folderHand as handSchema,
  type ListAsked,
  type NewFolderHand,
} from '@odd-corner/contract';
import { type Added, addOnce } from '../db/add-once';
import { inOneGo } from '../db/in-one-go';
import { keptRows } from '../db/kept-rows';
import { saying } from '../db/list-rows';
import type { Db } from '../db/open-database';
import { stale } from '../http/problem-error';

/** Whose hands fold in this workshop. */
export function handsRepository(db: Db) {
  const rows = keptRows<FolderHand, typeof handSchema>(db, {
    what: 'hand',
    table: 'hands',
    select: 'SELECT t.id, t.name, t.miss_mm AS missMm, t.version FROM hands t',
    schema: handSchema,
    toRaw: (row) => row,
    order: { columns: ['t.name COLLATE NOCASE', 't.id'], down: false, of: ({ name, id }) => [name, id] },
  });
  const insert = db.prepare<[FolderHand]>(
    'INSERT INTO hands (id, name, miss_mm, version) VALUES (@id, @name, @missMm, @version)',
  );
  const update = db.prepare<[FolderHand]>(`UPDATE hands SET name = @name, miss_mm = @missMm,
    version = version + 1 WHERE id = @id AND version = @version AND removed_at IS NULL`);
  return {
    ...rows,
    list: (asked: ListAsked) => rows.list(asked, saying('small(t.name)', asked.search)),
    put: (hand: FolderHand): void => void insert.run(hand),
    add({ id, ...draft }: NewFolderHand): Added<FolderHand> {
      return addOnce(
        db,
        draft,
        () => rows.any(id),
        () => {
          insert.run({ ...draft, id, version: 1 });
          return rows.written(id);
        },
      );
    },
    change(id: string, next: FolderHandDraft & { version: number }): FolderHand {
      return inOneGo(db, () => {
        if (!update.run({ ...next, id }).changes) throw stale(rows.get(id));
        return rows.written(id);
      });
    },
  };
}

export type HandsRepository = ReturnType<typeof handsRepository>;
