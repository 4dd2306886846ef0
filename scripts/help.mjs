// Writes docs/making.md as the page of help that the application shows.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { marked } from 'marked';

export const helpOf = (markdown) => marked.parse(markdown, { async: false });

export function writeHelp(dir) {
  writeFileSync(join(dir, 'help.html'), helpOf(readFileSync('docs/making.md', 'utf8')));
}
