import * as fc from 'fast-check';
import {
  draw,
  FROM_ABOVE,
  labelsCollide,
  placeLabels,
  point,
  squareSheet,
  startSheet,
  stepPictures,
} from '../../src/index';

const spot = fc.record({ x: fc.integer({ min: 0, max: 100 }), y: fc.integer({ min: -100, max: 0 }) });
const names = fc.array(fc.record({ at: spot, text: fc.string({ minLength: 1, maxLength: 14 }) }), { maxLength: 14 });
const arrows = fc.array(fc.record({ kind: fc.constant('fold' as const), from: spot, bend: spot, to: spot }), {
  maxLength: 3,
});

describe('names in a picture', () => {
  it('never lie on each other, on a point that is named, or on an arrow, however crowded', () =>
    fc.assert(
      fc.property(names, arrows, (named, moves) => {
        const bare = { patches: [], lines: [], arrows: moves, box: { x: 0, y: -100, width: 100, height: 100 } };
        const labels = placeLabels(bare, named);
        expect(labels.map(({ text }) => text)).toEqual(named.map(({ text }) => text));
        labels.forEach((label, i) => {
          for (const other of labels.slice(i + 1)) expect(labelsCollide(label, other)).toBe(false);
          const covers = (x: number, y: number): boolean =>
            Math.abs(x - label.at.x) < label.width / 2 && Math.abs(y - label.at.y) < label.height / 2;
          for (const { at } of named) expect(covers(at.x, at.y)).toBe(false);
          for (const { from, bend, to } of moves)
            for (const t of [0, 0.3, 0.5, 0.8, 1]) {
              const [a, b, c] = [(1 - t) ** 2, 2 * t * (1 - t), t * t];
              expect(covers(a * from.x + b * bend.x + c * to.x, a * from.y + b * bend.y + c * to.y)).toBe(false);
            }
        });
      }),
      { numRuns: 150 },
    ));

  it('lie within the picture', () => {
    const hand = startSheet(squareSheet(80));
    const named = [point(0, 0), point(80, 0), point(80, -80)].map((at, k) => ({ at, text: `a long name ${k}` }));
    const { labels, box } = draw(hand.pose, FROM_ABOVE, { named });
    for (const { at, width, height } of labels) {
      expect(at.x - width / 2).toBeGreaterThanOrEqual(box.x - 1e-9);
      expect(at.y - height / 2).toBeGreaterThanOrEqual(box.y - 1e-9);
      expect(at.x + width / 2).toBeLessThanOrEqual(box.x + box.width + 1e-9);
      expect(at.y + height / 2).toBeLessThanOrEqual(box.y + box.height + 1e-9);
    }
  });
});

describe('marks in a picture', () => {
  const step = (turn: boolean) => {
    const hand = startSheet(squareSheet(80));
    if (turn) hand.turnOver();
    const poses = hand.watch(() => {
      hand.pinch(
        'half',
        { kind: 'point-onto-point', point: hand.at(point(0, 0)), onto: hand.at(point(0, 80)) },
        { near: point(0, 40), lengthMm: 10 },
      );
    });
    return stepPictures({
      ...{ id: 'pinch', title: '', words: '', check: '', slip: { what: '', remedy: '' }, crease: 'soft' },
      ...{ poses, creases: ['half'], arrows: [{ kind: 'turn-over' }], landmarks: [], found: [], view: 'table' },
    });
  };

  it('are folds to make before, and creases after, valleys for whoever pinches', () => {
    for (const turn of [false, true]) {
      const { now, then } = step(turn);
      const length = ({ from, to }: { from: { x: number; y: number }; to: { x: number; y: number } }): number =>
        Math.hypot(to.x - from.x, to.y - from.y);
      const inside = (kind: string, { lines }: typeof now): number[] =>
        lines.filter((line) => line.kind === kind).map(length);
      expect(inside('valley', now).map(Math.round)).toEqual([5]);
      expect(inside('crease', then).map(Math.round)).toEqual([5]);
    }
  });

  it('turning over is shown above the paper', () => {
    const { arrows, patches } = step(false).now;
    const top = Math.min(...patches.flatMap(({ points }) => points.map((p) => p.y)));
    expect(arrows).toHaveLength(1);
    for (const end of [arrows[0].from, arrows[0].to, arrows[0].bend]) expect(end.y).toBeLessThan(top);
  });
});
