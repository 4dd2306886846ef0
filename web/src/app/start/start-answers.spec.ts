import type { Paper } from '@odd-corner/contract';
import { defer, lastValueFrom, of, toArray } from 'rxjs';
import type { Folding } from '../workers/folding.service';
import { foldingTasks } from '../workers/folding-tasks';
import { answersTo } from './start-answers';

/** The real tasks, on this thread. */
const folding = {
  size: (asked) => defer(() => of(foldingTasks.size(asked))),
  scene: (asked) => defer(() => of(foldingTasks.scene(asked))),
} as Folding;

const paper = (name: string, side: number, count: number): Paper => ({
  id: `00000000-0000-4000-8000-${String(side).padStart(12, '0')}`,
  name,
  widthMm: side,
  heightMm: side,
  count,
  gsm: 80,
  kind: 'printer',
  caliperMm: 0.1,
  colourFront: '#888888',
  colourBack: '#ffffff',
  price: null,
  reserved: 0,
  version: 1,
});

const ASKED = { block: { lengthMm: 60, widthMm: 45, heightMm: 22 }, ease: 'easy', ruler: 'mm' } as const;

describe('answers to a purpose', () => {
  const all = () =>
    lastValueFrom(
      answersTo(
        ASKED,
        [
          paper('Large', 400, 5),
          paper('Just so', 190, 5),
          paper('One', 191, 1),
          paper('Small', 120, 9),
          paper('Gone', 300, 0),
        ],
        folding,
      ).pipe(toArray()),
    );

  it('sizes come before pictures, pictures before the shelf, and nothing once known is lost', async () => {
    const seen = await all();
    expect(seen[0].filter((a) => a.sizing)).toHaveLength(1);
    expect(seen[0].every((a) => a.scene === null && !a.shelf.length)).toBe(true);
    for (let k = 1; k < seen.length; k++)
      seen[k].forEach((answer, i) => {
        const before = seen[k - 1][i];
        expect(answer.shelf.length).toBeGreaterThanOrEqual(before.shelf.length);
        if (before.sizing) expect(answer.sizing).toBe(before.sizing);
        if (before.scene) expect(answer.scene).toBe(before.scene);
      });
    expect(seen[seen.length - 1].every((a) => a.done)).toBe(true);
  });

  it('papers that can give both come first, the least waste leading, and others say why not', async () => {
    const [folded] = (await all()).at(-1)!;
    expect(folded.shelf.map(({ paper: { name }, why }) => [name, why])).toEqual([
      ['Just so', null],
      ['Large', null],
      ['Gone', 'none left'],
      ['One', 'takes 2 sheets, 1 left'],
      ['Small', 'too small'],
    ]);
  });

  it('contents beyond any sheet are answered with the reason', async () => {
    const giant = { ...ASKED, block: { lengthMm: 5000, widthMm: 5000, heightMm: 5000 } };
    const [folded] = await lastValueFrom(answersTo(giant, [paper('Large', 400, 5)], folding));
    expect(folded).toMatchObject({ sizing: null, done: true });
    expect(folded.why).toMatch(/No sheet/);
  });
});
