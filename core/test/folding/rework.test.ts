import * as fc from 'fast-check';
import {
  distance3,
  distance,
  FoldRefused,
  type Hand,
  isBorder,
  lineThrough,
  point,
  type Point,
  reflect,
  sideOf,
  squareSheet,
  startSheet,
  whereIs,
} from '../../src/index';
import { expectPaper } from '../paper-laws';

const S = 100;
const CENTRE = point(S / 2, S / 2);
const CORNERS = [point(0, 0), point(S, 0), point(S, S), point(0, S)];

/** Spots on the table that the sheet's outermost vertices occupy, each once. */
function spots(hand: Hand): Point[] {
  const { pattern } = hand.pose;
  const found: Point[] = [];
  for (const v of pattern.vertices) {
    const p = whereIs(hand.pose, v);
    if (!found.some((q) => distance(p, q) < 1e-6)) found.push(p);
  }
  return found;
}

const folded = (hand: Hand): number => hand.pose.angles.filter((a) => Math.abs(a) === 180).length;

/** The sheet in quarters: its bottom half folded behind, then the right half over the left. */
function quarters(): Hand {
  const hand = startSheet(squareSheet(S));
  hand.mountain('half', { kind: 'point-onto-point', point: point(S / 2, 0), onto: point(S / 2, S) });
  hand.valley('quarter', { kind: 'point-onto-point', point: point(S, 70), onto: point(0, 70) });
  return hand;
}

/** A preliminary base: the four corners together, the sheet's middle at the closed point. */
function preliminary(): Hand {
  const hand = startSheet(squareSheet(S));
  const fold = (name: string, ends: readonly Point[], angleDeg: number) =>
    ends.map((to) => ({ from: CENTRE, to, name, angleDeg }));
  hand.collapse(
    [
      ...fold('half', [point(0, 50), point(S, 50), point(50, 0), point(50, S)], 180),
      ...fold('diagonal', [CORNERS[0], CORNERS[2]], -180),
    ],
    point(30, 10),
  );
  return hand;
}

describe('a move told by what works and where it lands', () => {
  it('opens a fold again when its crease may work', () =>
    fc.assert(
      fc.property(fc.integer({ min: 5, max: 95 }), fc.integer({ min: 5, max: 95 }), (x, y) => {
        const hand = startSheet(squareSheet(S));
        hand.valley('corner', { kind: 'point-onto-point', point: point(0, 0), onto: point(x, y) });
        const { from, to } = ends(hand, 'corner');
        hand.rework({
          creases: [{ from, to, name: 'corner' }],
          lands: [{ point: point(0, 0), at: point(0, 0) }],
          stays: point(S - 1e-3, S - 1e-3),
        });
        expect(folded(hand)).toBe(0);
        expectPaper(hand.pose, S * S);
      }),
      { numRuns: 30 },
    ));

  it('refuses where the paper cannot get', () => {
    const hand = quarters();
    const before = hand.pose;
    const pull = (at: Point) => () =>
      hand.rework({
        creases: [{ from: point(S / 2, 0), to: point(S / 2, S), name: 'quarter' }],
        lands: [{ point: point(S, S), at }],
        stays: point(10, 90),
      });
    expect(pull(point(3, 3))).toThrow(FoldRefused);
    expect(hand.pose).toBe(before);
    pull(point(S, S))();
    expectPaper(hand.pose, S * S);
  });
});

function ends(hand: Hand, name: string): { from: Point; to: Point } {
  const { edges, vertices } = hand.pose.pattern;
  const on = edges.filter((e) => e.name === name).flatMap((e) => [vertices[e.from], vertices[e.to]]);
  let best = { from: on[0], to: on[1] };
  for (const p of on) for (const q of on) if (distance(p, q) > distance(best.from, best.to)) best = { from: p, to: q };
  return best;
}

describe('squash fold', () => {
  it('brings the folded edge onto the hinge and opens the flap beyond it', () => {
    const hand = quarters();
    const hinge = lineThrough(hand.at(point(S / 2, S)), hand.at(CENTRE));
    const ridge = point(S - 5, S / 2);
    const expected = reflect(lineThrough(hand.at(CENTRE), point(0, S)), hand.at(ridge));
    hand.squash('squash', ridge, hinge);
    expectPaper(hand.pose, S * S);
    expect(distance3(whereIs(hand.pose, ridge), { ...expected, z: 0 })).toBeLessThan(1e-7);
    expect(Math.abs(sideOf(hinge, hand.at(ridge)))).toBeLessThan(1e-7);
    // The flap now reaches as far beyond the hinge as before it.
    const xs = spots(hand).map((p) => p.x);
    expect(Math.max(...xs) - S / 2).toBeCloseTo(S / 2, 9);
  });

  it('needs a folded edge that meets the hinge', () => {
    const hand = quarters();
    expect(() => hand.squash('no', point(30, 20), hand.crease('quarter'))).toThrow(FoldRefused);
    expect(() => hand.squash('no', point(S - 5, S / 2), hand.crease('half'))).toThrow(FoldRefused);
  });
});

describe('rabbit ear', () => {
  const corner = fc.integer({ min: 10, max: 90 });
  it('lays both raw edges of any triangle on its third side, and keeps the paper whole', () =>
    fc.assert(
      fc.property(corner, fc.constantFrom(0 as const, 1 as const), (x, towards) => {
        // The upper edge folded down to slanting edges gives triangles of all shapes: here a sheet cut to one.
        const hand = startSheet({ outline: [point(0, -40), point(S, -40), point(S, 0), point(x, 60), point(0, 0)] });
        const corners = [point(0, 0), point(S, 0), point(x, 60)] as const;
        hand.rabbitEar('ear', { flap: point(x, 59), corners, towards, stays: point(50, -20) });
        const length = distance(corners[towards], corners[2]);
        const at = towards === 0 ? point(length, 0) : point(S - length, 0);
        expect(distance(hand.at(corners[2]), at)).toBeLessThan(1e-7);
        const share = fc.sample(fc.double({ min: 0, max: 1, noNaN: true }), 3);
        for (const t of share) {
          const end = corners[towards];
          const p = point(corners[2].x + t * (end.x - corners[2].x), corners[2].y + t * (end.y - corners[2].y));
          expect(Math.abs(hand.at(p).y)).toBeLessThan(1e-7);
        }
        expectPaper(hand.pose, 40 * S + 30 * S);
      }),
      { numRuns: 40 },
    ));
});

describe('petal fold', () => {
  it('lifts the point of a preliminary base to twice the height of its hinge', () => {
    const hand = preliminary();
    expectPaper(hand.pose, S * S);
    const closed = hand.at(CENTRE);
    const open = hand.at(point(0, 0));
    const away = distance(closed, open);
    expect(away).toBeCloseTo((S * Math.SQRT2) / 2, 9);
    // Axis from the open point to the closed one; sides at 22.5° to it.
    const tip = CORNERS[topCorner(hand)];
    const axis = Math.atan2(closed.y - open.y, closed.x - open.x);
    const ray = (deg: number): Point => {
      const a = axis + (deg * Math.PI) / 180;
      return point(open.x + Math.cos(a), open.y + Math.sin(a));
    };
    const sides = [lineThrough(open, ray(22.5)), lineThrough(open, ray(-22.5))] as const;
    // The sides meet the closed edges where these are as long as the raw ones: half a side from the closed point.
    const reach = S / 2 / Math.cos(Math.PI / 8);
    const foot = point(
      open.x + reach * Math.cos(Math.PI / 8) * Math.cos(axis),
      open.y + reach * Math.cos(Math.PI / 8) * Math.sin(axis),
    );
    const square = { at: foot, along: { x: -Math.sin(axis), y: Math.cos(axis) } };
    const hinge = sideOf(square, open) > 0 ? square : { at: foot, along: { x: Math.sin(axis), y: -Math.cos(axis) } };
    hand.petal('petal', { tip, hinge, sides });
    expectPaper(hand.pose, S * S);
    expect(distance(hand.at(tip), reflect(hinge, open))).toBeLessThan(1e-7);
  });
});

/** Of the sheet's corners, the one that lies on top. */
function topCorner(hand: Hand): number {
  const over = CORNERS.map((c, k) => {
    const face = hand.pose.pattern.faces.findIndex(({ vertices }) =>
      vertices.some((v) => distance(hand.pose.pattern.vertices[v], c) < 1e-6),
    );
    const n = hand.pose.order.faces;
    const below = hand.pose.pattern.faces.filter(
      (_, g) => hand.pose.order.side[face * n + g] * Math.sign(hand.pose.placed[face][8]) < 0,
    ).length;
    return { k, below };
  });
  return over.reduce((best, next) => (next.below > best.below ? next : best)).k;
}

describe('sink', () => {
  it('pushes the closed point of a preliminary base in, every layer creased the same way', () =>
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 60 }), (percent) => {
        const hand = preliminary();
        const [closed, open] = [hand.at(CENTRE), hand.at(point(0, 0))];
        const t = percent / 200;
        const at = point(closed.x + t * (open.x - closed.x), closed.y + t * (open.y - closed.y));
        const axis = lineThrough(open, closed);
        hand.sink('sink', { line: { kind: 'perpendicular', to: axis, through: at, moving: closed }, flap: CENTRE });
        expectPaper(hand.pose, S * S);
        expect(distance(hand.at(CENTRE), point(2 * at.x - closed.x, 2 * at.y - closed.y))).toBeLessThan(1e-7);
        const { edges } = hand.pose.pattern;
        const ring = edges.flatMap((edge, e) => (edge.name === 'sink' && !isBorder(edge) ? [hand.pose.angles[e]] : []));
        expect(ring.length).toBeGreaterThanOrEqual(4);
        expect(new Set(ring).size).toBe(1);
      }),
      { numRuns: 20 },
    ));

  it('needs an inside', () => {
    const hand = startSheet(squareSheet(S));
    const line = { kind: 'through-points' as const, a: point(20, 0), b: point(0, 20), moving: point(0, 0) };
    expect(() => hand.sink('sink', { line, flap: point(1, 1) })).toThrow(FoldRefused);
  });
});

describe('turning inside out', () => {
  it('there and back is the same state', () => {
    const hand = preliminary();
    const before = hand.pose;
    hand.turnInsideOut({ stays: point(S / 2, 10) });
    expectPaper(hand.pose, S * S);
    expect(hand.pose.angles).toEqual(before.angles.map((a) => -a || 0));
    hand.turnInsideOut({ stays: point(S / 2, 10) });
    expect(hand.pose.angles).toEqual(before.angles);
  });

  it('needs something folded', () => {
    expect(() => startSheet(squareSheet(S)).turnInsideOut({ stays: CENTRE })).toThrow(FoldRefused);
  });
});

describe('cut, glue and tape', () => {
  it('cuts all layers along a line and keeps the rest', () =>
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 48 }), (mm) => {
        const hand = quarters();
        hand.cut({ kind: 'parallel', to: lineThrough(point(0, S), point(0, 0)), distanceMm: mm, moving: point(0, 70) });
        expectPaper(hand.pose, S * S - 2 * mm * S);
        hand.unfold('quarter');
        expectPaper(hand.pose, S * S - 2 * mm * S);
      }),
      { numRuns: 10 },
    ));

  it('a slit lets one half fold without the other', () => {
    const hand = startSheet(squareSheet(S));
    hand.valley('across', { kind: 'point-onto-point', point: point(50, 0), onto: point(50, S) });
    hand.unfold('across');
    const fold = (): void =>
      hand.valley(
        'half',
        { kind: 'through-points', a: point(0, S / 2), b: point(S, S / 2), moving: CORNERS[0] },
        { flap: point(1, 1) },
      );
    hand.slit([{ from: point(50, 0), to: CENTRE }]);
    fold();
    expectPaper(hand.pose, S * S);
    expect(distance(hand.at(CORNERS[0]), CORNERS[3])).toBeLessThan(1e-9);
    expect(distance(hand.at(CORNERS[1]), CORNERS[1])).toBeLessThan(1e-9);
  });

  it('glue and tape hold: what would pull them apart is refused', () => {
    for (const how of ['glue', 'tape'] as const) {
      const hand = quarters();
      hand[how](point(S - 10, 80), point(10, 80));
      const before = hand.pose;
      expect(() => hand.unfold('quarter')).toThrow(`The ${how} at`);
      expect(hand.pose).toBe(before);
      hand.turnOver();
      hand.valley('corner', {
        kind: 'point-onto-point',
        point: hand.at(point(0, 0)),
        onto: point(hand.at(point(0, 0)).x - 8, hand.at(point(0, 0)).y - 8),
      });
      expectPaper(hand.pose, S * S);
    }
    expect(() => quarters().glue(point(10, 80), point(20, 80))).toThrow(FoldRefused);
  });
});

describe('pinches', () => {
  it('leave a mark and nothing else', () => {
    const hand = startSheet(squareSheet(S));
    hand.pinch(
      'half',
      { kind: 'point-onto-point', point: point(0, 0), onto: point(0, S) },
      { near: point(0, 50), lengthMm: 12 },
    );
    expect(hand.pose.pattern.faces).toHaveLength(1);
    expect(hand.pose.marks).toEqual([{ name: 'half', from: point(6, 50), to: point(0, 50), sense: 1 }]);
    expect(hand.mark('half', point(0, 60))).toEqual({ x: 0, y: 50, z: 0 });
    // Found again when the paper lies elsewhere.
    hand.turnOver();
    hand.rotate(90);
    const line = hand.crease('half');
    expect(Math.abs(sideOf(line, hand.at(point(0, 50))))).toBeLessThan(1e-9);
    expect(Math.abs(sideOf(line, hand.at(point(S, 50))))).toBeLessThan(1e-6);
  });

  it('may run from one point to another, and behind', () => {
    const hand = startSheet(squareSheet(S));
    const half = { kind: 'point-onto-point' as const, point: point(0, 0), onto: point(0, S) };
    hand.pinch('part', half, { from: point(30, 10), to: point(70, 90) }, 'behind');
    const [{ from, to, sense }] = hand.pose.marks!;
    expect([Math.min(from.x, to.x), Math.max(from.x, to.x), sense]).toEqual([30, 70, -1]);
    expect(() => hand.pinch('off', half, { from: point(1, 1), to: point(1, 2) })).toThrow(FoldRefused);
  });
});

describe('layers between', () => {
  it('folds an inner layer and leaves its neighbours', () => {
    // Two doors over the middle, the right one over the left: the left one lies between the right one and the back.
    const hand = startSheet(squareSheet(S));
    hand.valley('left', { kind: 'point-onto-point', point: point(0, 5), onto: point(70, 5) });
    hand.valley('right', { kind: 'point-onto-point', point: point(S, 5), onto: point(50, 5) });
    const corner = hand.at(point(0, S));
    hand.valley(
      'inner corner',
      { kind: 'point-onto-point', point: corner, onto: point(corner.x - 8, corner.y - 8) },
      { between: [point(60, 50), point(S - 1, 50)] },
    );
    expectPaper(hand.pose, S * S);
    expect(distance(hand.at(point(0, S)), point(corner.x - 8, corner.y - 8))).toBeLessThan(1e-9);
    expect(folded(hand)).toBeGreaterThan(2);
  });
});
