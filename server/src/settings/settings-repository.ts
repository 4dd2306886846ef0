import { type Settings, type SettingsDraft, settingsDraft, USUAL_SETTINGS } from '@odd-corner/contract';
import { inOneGo } from '../db/in-one-go';
import type { Db } from '../db/open-database';
import { stale } from '../http/problem-error';

const NAMES = Object.keys(settingsDraft.shape) as (keyof SettingsDraft)[];

/** A setting that does not exist any more is as usual. */
function readSettings(row: Readonly<Record<string, unknown>>): Settings {
  const read = NAMES.map((name) => {
    const { success, data } = settingsDraft.shape[name].safeParse(row[name]);
    return [name, success ? data : USUAL_SETTINGS[name]] as const;
  });
  return { ...(Object.fromEntries(read) as SettingsDraft), version: row['version'] as number };
}

/** One row: how the workshop likes to see and measure. */
export function settingsRepository(db: Db) {
  const one = db.prepare<[], Record<string, unknown>>(`SELECT ${NAMES.join(', ')}, version FROM settings`);
  const update = db.prepare(
    `UPDATE settings SET ${NAMES.map((name) => `${name} = @${name}`).join(', ')}, version = version + 1 WHERE version = @version`,
  );
  const get = (): Settings => readSettings(one.get()!);
  return {
    get,
    put: (settings: SettingsDraft): void => void update.run({ ...settings, version: get().version }),
    change(next: Settings): Settings {
      return inOneGo(db, () => {
        if (!update.run(next).changes) throw stale(get());
        return get();
      });
    },
  };
}

export type SettingsRepository = ReturnType<typeof settingsRepository>;
