import type { Health } from '@odd-corner/contract';
import type { Asker } from '../access/keeper';
import type { Db } from '../db/open-database';
import { pulseOf } from '../db/pulse';
import { faultOf } from './faults';

const UNTOLD = 'The workshop does not read or write its file.';

/** Why a file fails, with what can be done about it. */
function wordsOf(found: unknown, file: string | null): string {
  const fault = file === null ? null : faultOf(found, file);
  if (fault) return `${fault.what} ${fault.todo}`;
  return found instanceof Error ? found.message : UNTOLD;
}

/** How a workshop's file is, by using it. The reason names files: strangers learn only that there is one. */
export function healthOf(db: Db, { file, demo }: { readonly file: string | null; readonly demo: boolean }) {
  const pulse = pulseOf(db);
  return ({ role }: Pick<Asker, 'role'>): Health => {
    const found = pulse();
    if (found === null) return { state: 'ok', demo, why: null };
    return { state: 'degraded', demo, why: role === null ? UNTOLD : wordsOf(found, file) };
  };
}
