import * as z from 'zod';
import { FORMS } from '../forms/all-forms';
import { keepMisses, missesOf } from './misses';
import { keepPouch, learnPouch } from './pouch-volume';
import { keepModel, modelOf, type SizeModel, waysOf } from './size-model';

/** Misses are told to a thousandth: far finer than any hand is known. */
const PLACES = 1000;

const row = z.array(z.number());
const knownSizes = z.object({
  pouchPerCube: z.number(),
  ways: z.array(
    z.object({
      model: z.object({
        way: z.object({
          formId: z.string(),
          choices: z.record(z.string(), z.unknown()),
          lengths: z.array(z.string()),
        }),
        kind: z.enum(['box', 'pocket', 'corner', 'hull', 'pouch']),
        fixed: z.record(z.string(), z.unknown()),
        names: z.array(z.string()),
        rows: z.array(row),
        layers: z.array(z.object({ name: z.string(), count: z.number() })),
        steps: z.number(),
        made: z.object({
          sheet: z.object({ widthMm: z.number(), heightMm: z.number() }),
          lengths: row,
          thicknessMm: z.number(),
        }),
      }),
      misses: z.array(row),
    }),
  ),
});

/** What fitting learns by folding every form a few times, to be kept in a file: it is the same for every maker. */
export type KnownSizes = z.infer<typeof knownSizes>;

/** Folds forms in all their ways and writes down what came of it. All of them take many seconds. */
export function learnSizes(formIds: readonly string[] = Object.keys(FORMS)): KnownSizes {
  return {
    pouchPerCube: learnPouch(),
    ways: formIds
      .flatMap((id) => waysOf(id))
      .map((way) => {
        const model = modelOf(way);
        return {
          model: { ...model, way: { ...way, lengths: [...way.lengths] }, ...plain(model) },
          misses: missesOf(model).rows.map((misses) => [...misses].map((mm) => Math.round(mm * PLACES) / PLACES)),
        };
      }),
  };
}

const plain = ({ names, rows, layers, made }: SizeModel) => ({
  names: [...names],
  rows: rows.map((one) => [...one]),
  layers: [...layers],
  made: { ...made, lengths: [...made.lengths] },
});

/**
 * Takes over what was learned before, so that nothing has to be folded for a first answer.
 * @throws ZodError when it is not what `learnSizes` writes
 */
export function takeSizes(kept: unknown): void {
  const { pouchPerCube, ways } = knownSizes.parse(kept);
  keepPouch(pouchPerCube);
  for (const { model, misses } of ways) {
    keepModel({ ...model, rows: model.rows.map((one) => Float64Array.from(one)) });
    keepMisses(model.way, { rows: misses.map((one) => Float64Array.from(one)) });
  }
}
