import * as fc from 'fast-check';
import { cropped, type Drawing, FORMS, make, type Point, stepPictures } from '../../src/index';
import { runs } from '../runs';

const size = { min: -200, max: 200, noNaN: true } as const;
const point = fc.record({ x: fc.double(size), y: fc.double(size) });
const box = fc.record({
  x: fc.double({ min: -150, max: 150, noNaN: true }),
  y: fc.double({ min: -150, max: 150, noNaN: true }),
  width: fc.double({ min: 1, max: 200, noNaN: true }),
  height: fc.double({ min: 1, max: 200, noNaN: true }),
});
const WHOLE = { x: -200, y: -200, width: 400, height: 400 };

const drawingOf = (part: Partial<Drawing>): Drawing => ({
  ...{ patches: [], lines: [], arrows: [], labels: [], box: WHOLE },
  ...part,
});
const within = ({ x, y }: Point, b: Drawing['box'], slack = 1e-6): boolean =>
  x >= b.x - slack && y >= b.y - slack && x <= b.x + b.width + slack && y <= b.y + b.height + slack;
const area = (points: readonly Point[]): number =>
  Math.abs(
    points.reduce((sum, p, k) => {
      const q = points[(k + 1) % points.length];
      return sum + p.x * q.y - q.x * p.y;
    }, 0) / 2,
  );

describe('a part of a drawing', () => {
  it('has of a line just what lies inside: of many points along it, those that are inside', () => {
    fc.assert(
      fc.property(point, point, box, (from, to, b) => {
        const [line] = cropped(drawingOf({ lines: [{ kind: 'raw', from, to }] }), b).lines;
        const length = Math.hypot(to.x - from.x, to.y - from.y);
        const inside = Array.from({ length: 401 }, (_, k) => k / 400).filter((t) =>
          within({ x: from.x + t * (to.x - from.x), y: from.y + t * (to.y - from.y) }, b, 0),
        );
        const kept = line ? Math.hypot(line.to.x - line.from.x, line.to.y - line.from.y) : 0;
        // Sampled every 400th: what is kept differs by a step at either end at most.
        expect(Math.abs(kept - (length * Math.max(0, inside.length - 1)) / 400)).toBeLessThanOrEqual(
          length / 200 + 1e-6,
        );
        if (line) expect([within(line.from, b), within(line.to, b)]).toEqual([true, true]);
      }),
      { numRuns: runs(100, 5000) },
    );
  });

  it('tiles: the patches of four quarters have the area of the whole', () => {
    fc.assert(
      fc.property(point, point, point, point, (p, q, r, at) => {
        const whole = drawingOf({ patches: [{ points: [p, q, r], side: 'white', part: 0, light: 1 }] });
        const x = [-200, at.x, 200];
        const y = [-200, at.y, 200];
        const quarters = [0, 1].flatMap((i) =>
          [0, 1].map((j) => ({ x: x[i], y: y[j], width: x[i + 1] - x[i], height: y[j + 1] - y[j] })),
        );
        const parts = quarters.flatMap((quarter) => cropped(whole, quarter).patches);
        expect(parts.reduce((sum, { points }) => sum + area(points), 0)).toBeCloseTo(area([p, q, r]), 3);
      }),
      { numRuns: runs(60, 2000) },
    );
  });
});

describe('the detail of a step', () => {
  const details = FORMS.flatMap((form) => {
    const ratio = form.sheetShape === 'square' ? 1 : form.sheetShape.longPerShort[0] + 0.05;
    const wrapped = form.fields.some(({ input }) => input.kind === 'length' && input.always);
    const params = wrapped ? { layout: 'diagonal', longMm: 110, shortMm: 90 } : {};
    const sheet = { widthMm: 180 * ratio, heightMm: 180 };
    const { folding } = make(form.id, { sheet, params, paper: { thicknessMm: 0.1 } });
    return folding.steps.map((step) => ({ step, pictures: stepPictures(step) }));
  }).flatMap(({ step, pictures }) => (pictures.detail ? [{ step, pictures, detail: pictures.detail }] : []));

  it('is at least twice as large, and has the work in it: every fold to be made, whole', () => {
    expect(details.length).toBeGreaterThan(3);
    for (const { pictures, detail } of details) {
      expect(detail.times).toBeGreaterThanOrEqual(2 - 1e-9);
      expect(detail.times).toBeLessThanOrEqual(8 + 1e-9);
      const folds = ({ lines }: Drawing) => lines.filter(({ kind }) => kind === 'valley' || kind === 'mountain');
      expect(folds(pictures.now).length).toBeGreaterThan(0);
      expect(folds(detail.now)).toHaveLength(folds(pictures.now).length);
    }
  });

  it('shows the same place before and after', () => {
    for (const { detail } of details) expect(detail.then.box).toEqual(detail.now.box);
  });
});
