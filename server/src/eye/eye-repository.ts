import { type EyeTry, eyeTry, MOST_EYE_TRIES, type NewEyeTry } from '@odd-corner/contract';
import { type Added, addOnce } from '../db/add-once';
import type { Db } from '../db/open-database';
import { ProblemError } from '../http/problem-error';

const COLUMNS = 'id, hand_id AS handId, share, set_at AS "set", side_mm AS sideMm, at';

/** Tries to find places by eye: the latest of each hand. */
export function eyeRepository(db: Db) {
  const all = db.prepare<[], EyeTry>(`SELECT ${COLUMNS} FROM eye_tries ORDER BY at, id`);
  const one = db.prepare<[string], EyeTry>(`SELECT ${COLUMNS} FROM eye_tries WHERE id = ?`);
  const insert = db.prepare<[EyeTry]>(
    'INSERT INTO eye_tries (id, hand_id, share, set_at, side_mm, at) VALUES (@id, @handId, @share, @set, @sideMm, @at)',
  );
  const remove = db.prepare<[string]>('DELETE FROM eye_tries WHERE id = ?');
  const hand = db.prepare<[string], { readonly id: string }>('SELECT id FROM hands WHERE id = ?');
  const prune = db.prepare<[{ readonly handId: string | null; readonly most: number }]>(`DELETE FROM eye_tries
    WHERE hand_id IS @handId AND id NOT IN
      (SELECT id FROM eye_tries WHERE hand_id IS @handId ORDER BY at DESC, id DESC LIMIT @most)`);
  return {
    all: (): EyeTry[] => all.all().map((row) => eyeTry.parse(row)),
    put: (row: EyeTry): void => void insert.run(row),
    add(draft: NewEyeTry, at: string): Added<EyeTry> {
      if (draft.handId !== null && !hand.get(draft.handId))
        throw new ProblemError(422, 'That hand is not here any more.');
      return addOnce(
        db,
        draft,
        () => {
          const row = one.get(draft.id);
          return row && { row: eyeTry.parse(row), removed: false };
        },
        () => {
          insert.run({ ...draft, at });
          prune.run({ handId: draft.handId, most: MOST_EYE_TRIES });
          return eyeTry.parse(one.get(draft.id));
        },
      );
    },
    /** Takes a try back: a slip of the finger. */
    remove(id: string): void {
      if (!remove.run(id).changes) throw new ProblemError(404, 'That try is not here.');
    },
  };
}

export type EyeRepository = ReturnType<typeof eyeRepository>;
