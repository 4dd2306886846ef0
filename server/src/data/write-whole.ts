import { closeSync, fsyncSync, openSync, renameSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';

/** Flushes a file, or the names in a folder, to the disk. */
export function flush(path: string): void {
  const handle = openSync(path, 'r');
  try {
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
}

/** Gives a file its name only when all of it is on the disk, so that a file with that name is whole. */
export function nameWhole(temporary: string, name: string): void {
  flush(temporary);
  renameSync(temporary, name);
  flush(dirname(name));
}

/** Writes a text file that is either whole or not there. @param mode who may read and write it */
export function writeWhole(name: string, text: string, mode?: number): void {
  const temporary = `${name}.tmp`;
  writeFileSync(temporary, text, { mode });
  nameWhole(temporary, name);
}
