import { existsSync, readFileSync } from 'node:fs';
import { writeWhole } from '../data/write-whole';
import { newSecret } from './keeper';

/** Only who runs the server may read it. */
const OWN = 0o600;

/** The secret that signs a workshop's cookies: kept beside its file, so that a new start signs nobody out. */
export function secretBeside(file: string): string {
  const path = `${file}.secret`;
  const kept = existsSync(path) ? readFileSync(path, 'utf8').trim() : '';
  if (kept) return kept;
  const secret = newSecret();
  writeWhole(path, `${secret}\n`, OWN);
  return secret;
}
