// Compresses the web application's files once, as well as can be: the server sends them as they are.
import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

const TEXT = new Set(['.js', '.css', '.html', '.svg', '.json', '.txt', '.wasm']);
const LEAST_BYTES = 1000;

export function compressSite(dir) {
  for (const name of readdirSync(dir, { recursive: true })) {
    const file = join(dir, name);
    if (!TEXT.has(extname(file)) || statSync(file).size < LEAST_BYTES) continue;
    const bytes = readFileSync(file);
    const hint = { [constants.BROTLI_PARAM_MODE]: constants.BROTLI_MODE_TEXT };
    writeFileSync(`${file}.br`, brotliCompressSync(bytes, { params: hint }));
    writeFileSync(`${file}.gz`, gzipSync(bytes, { level: constants.Z_BEST_COMPRESSION }));
  }
}
