import { type IDBPDatabase, openDB } from 'idb';

/** Something that could not be sent yet: what is asked of the server, in words too. */
export interface Waiting {
  /** Counts upwards: what was written first is sent first. */
  readonly n: number;
  readonly route: string;
  readonly id: string | null;
  readonly body: unknown;
  readonly words: string;
  /** Why the server did not take it, or null as long as it has not been asked. */
  readonly refused: string | null;
}

/** Where it waits. */
export interface OutboxStore {
  all(): Promise<readonly Waiting[]>;
  add(waiting: Omit<Waiting, 'n'>): Promise<void>;
  put(waiting: Waiting): Promise<void>;
  remove(n: number): Promise<void>;
}

const NAME = 'odd-corner';
const STORE = 'outbox';

/** In the browser, through reloads; in this page alone where the browser keeps nothing. */
export async function openOutboxStore(): Promise<OutboxStore> {
  try {
    return inBrowser(
      await openDB(NAME, 1, {
        upgrade: (db) => void db.createObjectStore(STORE, { keyPath: 'n', autoIncrement: true }),
      }),
    );
  } catch {
    return inPage();
  }
}

const inBrowser = (db: IDBPDatabase): OutboxStore => ({
  all: () => db.getAll(STORE) as Promise<Waiting[]>,
  add: async (waiting) => void (await db.add(STORE, waiting)),
  put: async (waiting) => void (await db.put(STORE, waiting)),
  remove: (n) => db.delete(STORE, n),
});

export function inPage(): OutboxStore {
  const kept = new Map<number, Waiting>();
  let n = 0;
  return {
    all: () => Promise.resolve([...kept.values()].sort((a, b) => a.n - b.n)),
    add: (waiting) => {
      n += 1;
      kept.set(n, { ...waiting, n });
      return Promise.resolve();
    },
    put: (waiting) => {
      kept.set(waiting.n, waiting);
      return Promise.resolve();
    },
    remove: (gone) => {
      kept.delete(gone);
      return Promise.resolve();
    },
  };
}
