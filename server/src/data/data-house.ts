import type { Accepting, Backup, Incoming } from '@odd-corner/contract';

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
  /** All of it as one file, read in one moment while others go on writing. */
  takeOut(): ReadableStream<Uint8Array>;
  /** Takes a workshop's file in and says what it would bring. @throws ProblemError 400 with what is wrong in it, 413 */
  bringIn(sent: ReadableStream<Uint8Array>): Promise<Incoming>;
  /** @throws ProblemError 404 when another file was sent since, or none waits */
  accept(accepting: Accepting): Promise<{ words: string }>;
  drop(): void;
}
