import * as fc from 'fast-check';
import { type Clause, searchClauses } from '../../src/index';

const VARIABLES = 9;
const literal = fc.integer({ min: 0, max: 2 * VARIABLES - 1 });
const clauses = fc.array(fc.array(literal, { minLength: 1, maxLength: 4 }), { maxLength: 40 });

const keeps = (bits: number, clause: Clause): boolean =>
  clause.some((l) => ((bits >> (l >> 1)) & 1) === (l & 1 ? 0 : 1));

/** All sign choices, tried one by one. */
function tried(list: readonly Clause[]): number[] {
  return Array.from({ length: 1 << VARIABLES }, (_, bits) => bits).filter((bits) =>
    list.every((clause) => keeps(bits, clause)),
  );
}

/** All that the search finds, in its order. */
function collect(list: readonly Clause[], prefer?: Int8Array): number[] {
  const all: number[] = [];
  for (const values of searchClauses(VARIABLES, list, { prefer }))
    all.push(values.reduce((bits, value, v) => (value > 0 ? bits | (1 << v) : bits), 0));
  return all;
}

describe('choosing signs that keep all clauses', () => {
  it('finds exactly the choices that trying all would find, each once', () =>
    fc.assert(
      fc.property(clauses, (list) => {
        expect(collect(list).sort((a, b) => a - b)).toEqual(tried(list));
      }),
      { numRuns: 400 },
    ));

  it('finds the wished-for choice first when it keeps all clauses', () =>
    fc.assert(
      fc.property(clauses, fc.integer({ min: 0, max: (1 << VARIABLES) - 1 }), (list, wish) => {
        const kept = list.filter((clause) => keeps(wish, clause));
        const prefer = Int8Array.from({ length: VARIABLES }, (_, v) => ((wish >> v) & 1 ? 1 : -1));
        expect(collect(kept, prefer)[0]).toBe(wish);
      }),
    ));

  it('names a given clause when none can be kept', () => {
    const broken: number[] = [];
    expect([...searchClauses(2, [[0], [1, 2], [3]], { onConflict: (c) => broken.push(c) })]).toEqual([]);
    expect(broken.length).toBeGreaterThan(0);
    expect(broken.every((c) => c < 3)).toBe(true);
  });

  it('is not slowed by parts that have nothing to do with each other', () => {
    // Forty copies of a part with a dead end in it: found one by one, not as 2⁴⁰ combinations.
    const list: Clause[] = Array.from({ length: 40 }, (_, k) => {
      const [a, b, c] = [6 * k, 6 * k + 2, 6 * k + 4];
      return [
        [a, b, c],
        [a, b ^ 1],
        [a, c ^ 1],
        [a ^ 1, b, c],
        [a ^ 1, b ^ 1, c ^ 1],
      ];
    }).flat();
    const prefer = new Int8Array(120).fill(-1);
    expect(searchClauses(120, list, { prefer }).next().done).toBe(false);
  });
});
