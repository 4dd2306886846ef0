import { FORMS, make, stepPictures } from '../../src/index';
import { usualSheet } from '../forms/made';

describe('the pictures of one step', () => {
  it.each(FORMS.map((form) => [form.name, form] as const))(
    'of %s stand in one box, so that the sheet does not grow between before and after',
    (_, form) => {
      const sheet = { widthMm: 170 * usualSheet(form), heightMm: 170 };
      const { folding } = make(form.id, { sheet, params: {}, paper: { thicknessMm: 0.1 } });
      for (const step of folding.steps) {
        const { now, between, then } = stepPictures(step);
        for (const one of [between, then]) if (one) expect(one.box).toEqual(now.box);
        const { x, y, width, height } = now.box;
        const points = [now, then].flatMap(({ patches }) => patches.flatMap((patch) => patch.points));
        expect(Math.min(...points.map((p) => p.x))).toBeGreaterThanOrEqual(x - 1e-6);
        expect(Math.max(...points.map((p) => p.x))).toBeLessThanOrEqual(x + width + 1e-6);
        expect(Math.min(...points.map((p) => p.y))).toBeGreaterThanOrEqual(y - 1e-6);
        expect(Math.max(...points.map((p) => p.y))).toBeLessThanOrEqual(y + height + 1e-6);
      }
    },
  );
});
