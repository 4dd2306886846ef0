import type { Backup } from '@odd-corner/contract';

/** What can be done with the workshop's file while it is open. */
export interface DataHouse {
  list(): Backup[];
  /** Copies it now. */
  add(): Promise<Backup>;
  /**
   * Puts a copy in its place, of which a copy is made first, and opens that.
   * @returns what was done, in words
   */
  restore(name: string): Promise<{ words: string }>;
}
