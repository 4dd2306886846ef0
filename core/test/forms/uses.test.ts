import { distance3, FORMS, whereIs, type FormStep, type Pose } from '../../src/index';
import { made, sheetOf } from './made';

/** Places of the sheet's points, as they lie among each other: however the piece lies on the table. */
function shapeOf(pose: Pose, id: string): number[] {
  const { widthMm, heightMm } = sheetOf(id, 150);
  const short = Math.min(widthMm, heightMm);
  const points = [
    [0.11, 0.13],
    [0.47, 0.52],
    [0.88, 0.31],
    [0.29, 0.91],
  ].map(([x, y]) => whereIs(pose, { x: x * short, y: y * short }));
  return points.flatMap((p, k) => points.slice(k + 1).map((q) => distance3(p, q)));
}

const AT_REST = (step: FormStep): boolean => step.crease === 'none';

describe.each(FORMS.map((form) => [form.id, form] as const))('%s in use', (id, form) => {
  const { folding } = made(id, 150);
  const { steps, uses = [] } = folding;

  it('ends with what is done with it: in steps of their own, among the last ones, or once it is put together', () => {
    const put = form.assemble !== undefined;
    expect(uses.length > 0 || AT_REST(steps.at(-1)!) || put).toBe(true);
  });

  it('goes from state to state: each begins as the one before it ended', () => {
    const moving = uses.filter(({ poses }) => poses[0] !== poses.at(-1));
    for (const [k, { poses }] of moving.entries()) {
      if (k === 0) continue;
      const [ended, begins] = [moving[k - 1].poses.at(-1)!, poses[0]].map((pose) => shapeOf(pose, id));
      begins.forEach((mm, n) => expect(mm).toBeCloseTo(ended[n], 6));
    }
  });

  it('only shows states that folding came by', () => {
    const known = [...steps.flatMap(({ poses }) => poses), folding.finished].map((pose) => shapeOf(pose, id));
    for (const { poses } of uses)
      for (const pose of poses) {
        const own = shapeOf(pose, id);
        expect(known.some((shape) => shape.every((mm, n) => Math.abs(mm - own[n]) < 1e-6))).toBe(true);
      }
  });
});
