// Writes what the application ships that others made, with the licences they made it under, for the page that shows it.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const TEXT = /^(?:licen[cs]e|copying)(?:\.(?:md|txt))?$/i;

/** Every package that is installed for use, not for building: by name, each once. */
export function shipped(root = '.') {
  const { packages } = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));
  const found = new Map();
  for (const [path, { dev, link, optional, version }] of Object.entries(packages)) {
    const dir = join(root, path);
    if (!path.startsWith('node_modules/') || dev || link || optional || !existsSync(dir)) continue;
    const { name, license } = JSON.parse(readFileSync(join(dir, 'package.json'), 'utf8'));
    const file = readdirSync(dir).find((one) => TEXT.test(one));
    const text = file ? readFileSync(join(dir, file), 'utf8').trim() : '';
    found.set(`${name} ${version}`, { name, version, licence: license ?? 'see its text', text });
  }
  return [...found.values()].sort((a, b) => a.name.localeCompare(b.name));
}

export function writeLicences(dir) {
  writeFileSync(join(dir, 'licences.json'), JSON.stringify(shipped()));
}
