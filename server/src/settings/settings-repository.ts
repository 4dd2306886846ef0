import { type Settings, type SettingsDraft, settingsDraft } from '@odd-corner/contract';
import type { Db } from '../db/open-database';
import { stale } from '../http/problem-error';

const COLUMNS = Object.keys(settingsDraft.shape);

/** One row: how the workshop likes to see and measure. */
export function settingsRepository(db: Db) {
  const one = db.prepare<[], Settings>(`SELECT ${COLUMNS.join(', ')}, version FROM settings`);
  const update = db.prepare(
    `UPDATE settings SET ${COLUMNS.map((name) => `${name} = @${name}`).join(', ')}, version = version + 1 WHERE version = @version`,
  );
  const get = (): Settings => one.get()!;
  return {
    get,
    put: (settings: SettingsDraft): void => void update.run({ ...settings, version: get().version }),
    change(next: Settings): Settings {
      if (!update.run(next).changes) throw stale(get());
      return get();
    },
  };
}

export type SettingsRepository = ReturnType<typeof settingsRepository>;
