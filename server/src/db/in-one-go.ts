import type { Db } from './open-database';

/** Reads and then writes with nobody in between: all of it or nothing. */
export const inOneGo = <T>(db: Db, work: () => T): T => db.transaction(work).immediate();
