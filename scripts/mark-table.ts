// Writes the ways to common fractions, so that the first one asked for needs no search.
import { writeFileSync } from 'node:fs';
import { COMMON_SHAPES, commonMarks, MarkSearch } from '../core/src/index';

const [, , folder] = process.argv;
if (!folder) throw new Error('Say where to write the table.');

function searched(shape: number): MarkSearch {
  const work = MarkSearch.over({ widthMm: shape, heightMm: 1 });
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}

const table = Object.assign({}, ...COMMON_SHAPES.map((shape, k) => commonMarks(k, searched(shape)))) as object;
writeFileSync(`${folder}/mark-table.json`, JSON.stringify(table));
