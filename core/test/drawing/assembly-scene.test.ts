import { assemblyScene, entriesOf, foldMake, formById } from '../../src/index';

describe('a make put together, as it is shown', () => {
  const params = { colours: 'three by turns', insert: 'none', base: 'none' };
  const sheet = { widthMm: 180, heightMm: 180 };
  const entries = entriesOf(formById('six-tube-tidy'), params);
  const made = foldMake({
    ...{ formId: 'six-tube-tidy', params },
    entries: Object.fromEntries(entries.map(({ key }) => [key, { sheet, thicknessMm: 0.1 }])),
  });
  const scene = assemblyScene(made.assembly);

  it('says of every visible piece of paper whose it is, each unit being in view', () => {
    const units = entries.flatMap(({ key, copies }) => Array.from({ length: copies }, (_, copy) => `${key}/${copy}`));
    expect(units).toHaveLength(6);
    const seen = new Set(scene.closed.patches.map(({ of }) => `${of?.entry}/${of?.copy}`));
    expect([...seen].sort()).toEqual([...units].sort());
    const turned = new Set(scene.piece.map(({ of }) => `${of?.entry}/${of?.copy}`));
    expect([...turned].sort()).toEqual([...units].sort());
  });

  it('has the colours of a layout in the order of its ring', () => {
    // Two units of each colour: neighbours differ, opposite ones are alike.
    expect(entries.map(({ colour, copies }) => [colour, copies])).toEqual([
      [0, 2],
      [1, 2],
      [2, 2],
    ]);
    const middles = new Map<string, { x: number; y: number; n: number }>();
    for (const { of, corners } of scene.piece)
      for (const { x, y } of corners) {
        const key = `${of?.entry}/${of?.copy}`;
        const sum = middles.get(key) ?? { x: 0, y: 0, n: 0 };
        middles.set(key, { x: sum.x + x, y: sum.y + y, n: sum.n + 1 });
      }
    const all = [...middles].map(([key, { x, y, n }]) => ({ entry: key.split('/')[0], x: x / n, y: y / n }));
    const [cx, cy] = [all.reduce((s, { x }) => s + x, 0) / 6, all.reduce((s, { y }) => s + y, 0) / 6];
    const round = all
      .sort((p, q) => Math.atan2(p.y - cy, p.x - cx) - Math.atan2(q.y - cy, q.x - cx))
      .map(({ entry }) => entry);
    round.forEach((entry, k) => {
      expect(entry).toBe(round[(k + 3) % 6]);
      expect(entry).not.toBe(round[(k + 1) % 6]);
    });
  });
});
