// Cuts Material Symbols down to the icons listed in src/app/ui/icons.json; ligature names keep working.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import * as fontkit from 'fontkit';
import subsetFont from 'subset-font';

const require = createRequire(import.meta.url);
const font = readFileSync(require.resolve('material-symbols/material-symbols-rounded.woff2'));
const icons = JSON.parse(readFileSync(new URL('src/app/ui/icons.json', import.meta.url), 'utf8'));
const shapes = fontkit.create(font);
let text = '';
for (const name of icons) {
  const { glyphs } = shapes.layout(name);
  const privateUse =
    glyphs.length === 1 ? shapes.stringsForGlyph(glyphs[0].id).find((s) => s.codePointAt(0) >= 0xe000) : undefined;
  if (!privateUse) throw new Error(`No Material Symbol named '${name}'`);
  text += name + privateUse;
}
const subset = await subsetFont(font, [...new Set(text)].join(''), {
  targetFormat: 'woff2',
  noLayoutClosure: true,
  variationAxes: { wght: 400, GRAD: 0, opsz: 24 }, // FILL stays variable
});
mkdirSync(new URL('public/', import.meta.url), { recursive: true });
writeFileSync(new URL('public/icons.woff2', import.meta.url), subset);
console.log(`${icons.length} icons: ${font.length} -> ${subset.length} bytes`);
