import { type Line, lineThrough, type Point, reflect } from '../../src/index';

/** A share of the sheet so small that lines and points nearer than this are one. */
const ONE = 1e-7;

/** So much of a line must come to lie on another, as the search has it. */
const LEAST = 0.04;

interface Segment {
  readonly line: Line;
  readonly from: Point;
  readonly to: Point;
}

const off = ({ at, along }: Line, p: Point): number => along.x * (p.y - at.y) - along.y * (p.x - at.x);
const along = ({ at, along: d }: Line, p: Point): number => d.x * (p.x - at.x) + d.y * (p.y - at.y);
const near = (p: Point, q: Point): boolean => Math.hypot(p.x - q.x, p.y - q.y) < ONE;

/** Where a line runs over a sheet as wide as 1 and as high as `h`: found by stepping from edge to edge, not by formulas of the search. */
function over(line: Line, h: number): Segment | null {
  const corners: Point[] = [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
    { x: 1, y: h },
    { x: 0, y: h },
  ];
  const met: Point[] = [];
  corners.forEach((p, k) => {
    const q = corners[(k + 1) % 4];
    const [a, b] = [off(line, p), off(line, q)];
    if (Math.abs(a) < ONE) met.push(p);
    else if (a * b < 0 && Math.abs(b) > ONE)
      met.push({ x: p.x + (a / (a - b)) * (q.x - p.x), y: p.y + (a / (a - b)) * (q.y - p.y) });
  });
  const ends = met.filter((p, k) => met.findIndex((q) => near(p, q)) === k);
  if (ends.length < 2) return null;
  const [from, to] = ends;
  return { line: lineThrough(from, to), from, to };
}

/**
 * Every line that a sheet can be folded along once by what lies on it, found the slow way: candidates are reflected, and it is looked
 * whether what should meet meets. Folds that bring two points onto two lines are found by walking along the first line.
 * @param creases lines on the sheet beside its edges
 */
export function everyFold(creases: readonly Segment[], h: number): Segment[] {
  const edges = [
    [0, 0, 1, 0],
    [1, 0, 1, h],
    [1, h, 0, h],
    [0, h, 0, 0],
  ].map(([a, b, c, d]): Segment => {
    const [from, to] = [
      { x: a, y: b },
      { x: c, y: d },
    ];
    return { line: lineThrough(from, to), from, to };
  });
  const lines = [...edges, ...creases];
  const points: Point[] = [];
  lines.forEach((one, j) =>
    lines.slice(0, j).forEach((other) => {
      const [a, b] = [off(other.line, one.from), off(other.line, one.to)];
      if (Math.abs(a - b) < ONE) return;
      const t = a / (a - b);
      const p = { x: one.from.x + t * (one.to.x - one.from.x), y: one.from.y + t * (one.to.y - one.from.y) };
      const on = t > -ONE && t < 1 + ONE && p.x > -ONE && p.y > -ONE && p.x < 1 + ONE && p.y < h + ONE;
      if (on && !points.some((q) => near(p, q))) points.push(p);
    }),
  );
  const found: Segment[] = [];
  const tell = (line: Line): void => {
    const whole = over(line, h);
    if (!whole || Math.hypot(whole.to.x - whole.from.x, whole.to.y - whole.from.y) < LEAST) return;
    if (edges.some((edge) => sameLine(edge, whole)) || found.some((one) => sameLine(one, whole))) return;
    found.push(whole);
  };
  const bisector = (p: Point, q: Point): Line => {
    const d = Math.hypot(q.x - p.x, q.y - p.y);
    return {
      at: { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 },
      along: { x: -(q.y - p.y) / d, y: (q.x - p.x) / d },
    };
  };
  const onto = (p: Point, { line, from, to }: Segment, slack = 0): boolean => {
    const [t, a, b] = [along(line, p), along(line, from), along(line, to)];
    return Math.abs(off(line, p)) < ONE && t > Math.min(a, b) + slack - ONE && t < Math.max(a, b) - slack + ONE;
  };
  const square = ({ along: d }: Line, at: Point): Line => ({ at, along: { x: -d.y, y: d.x } });
  points.forEach((p, j) =>
    points.slice(0, j).forEach((q) => {
      tell(bisector(p, q));
      tell(lineThrough(p, q));
    }),
  );
  for (const l of lines) {
    for (const m of lines)
      if (l !== m)
        for (const s of [1, -1]) {
          const n = { x: -(l.line.along.y + s * m.line.along.y), y: l.line.along.x + s * m.line.along.x };
          const length = Math.hypot(n.x, n.y);
          if (length < 1e-6) continue;
          // Points on the bisector are as far from one line as from the other.
          const c = (-off(l.line, { x: 0, y: 0 }) - s * off(m.line, { x: 0, y: 0 })) / (length * length);
          const at = { x: n.x * c, y: n.y * c };
          const fold = { at, along: { x: n.y / length, y: -n.x / length } };
          const [a, b] = [reflect(fold, l.from), reflect(fold, l.to)];
          if (Math.abs(off(m.line, a)) > ONE || Math.abs(off(m.line, b)) > ONE) continue;
          const span = (p: Point, q: Point): [number, number] => {
            const [t, u] = [along(m.line, p), along(m.line, q)];
            return [Math.min(t, u), Math.max(t, u)];
          };
          const [[p0, p1], [q0, q1]] = [span(a, b), span(m.from, m.to)];
          if (Math.min(p1, q1) - Math.max(p0, q0) > LEAST) tell(fold);
        }
    for (const p of points) {
      const foot = { x: p.x + off(l.line, p) * l.line.along.y, y: p.y - off(l.line, p) * l.line.along.x };
      if (onto(foot, l, LEAST)) tell(square(l.line, p));
      for (const m of lines) {
        if (Math.abs(off(l.line, p)) < ONE) continue;
        const sine = m.line.along.x * l.line.along.y - m.line.along.y * l.line.along.x;
        if (Math.abs(sine) < 1e-7) continue;
        const t = off(l.line, p) / sine;
        const lands = { x: p.x + t * m.line.along.x, y: p.y + t * m.line.along.y };
        const fold = bisector(p, lands);
        const middle = { x: (p.x + lands.x) / 2, y: (p.y + lands.y) / 2 };
        const on = {
          x: middle.x + off(m.line, middle) * m.line.along.y,
          y: middle.y - off(m.line, middle) * m.line.along.x,
        };
        if (onto(lands, l) && onto(on, m, LEAST)) tell(fold);
      }
      for (const q of points) {
        const d = Math.hypot(p.x - q.x, p.y - q.y);
        const e = off(l.line, q);
        if (d < ONE || d * d - e * e < 1e-9) continue;
        for (const s of [1, -1]) {
          const t = along(l.line, q) + s * Math.sqrt(d * d - e * e);
          const lands = { x: l.line.at.x + t * l.line.along.x, y: l.line.at.y + t * l.line.along.y };
          if (Math.hypot(lands.x - p.x, lands.y - p.y) > 1e-6 && onto(lands, l)) tell(bisector(p, lands));
        }
      }
      if (Math.abs(off(l.line, p)) < ONE) continue;
      for (const q of points)
        for (const m of lines) {
          if (near(p, q) || Math.abs(off(m.line, q)) < ONE) continue;
          const miss = (t: number): number => {
            const lands = { x: l.from.x + t * (l.to.x - l.from.x), y: l.from.y + t * (l.to.y - l.from.y) };
            return off(m.line, reflect(bisector(p, lands), q));
          };
          const steps = 40;
          for (let k = 0; k < steps; k++) {
            let [a, b] = [k / steps, (k + 1) / steps];
            const [fa, fb] = [miss(a), miss(b)];
            if (fa * fb > 0) continue;
            for (let step = 0; step < 60; step++) {
              const c = (a + b) / 2;
              if (fa * miss(c) <= 0) b = c;
              else a = c;
            }
            const t = (a + b) / 2;
            const lands = { x: l.from.x + t * (l.to.x - l.from.x), y: l.from.y + t * (l.to.y - l.from.y) };
            const fold = bisector(p, lands);
            if (onto(reflect(fold, q), m) && Math.abs(off(fold, q)) > 1e-6) tell(fold);
          }
        }
    }
  }
  return found;
}

export const sameLine = (a: Segment, b: Segment): boolean =>
  Math.abs(off(a.line, b.from)) < 10 * ONE && Math.abs(off(a.line, b.to)) < 10 * ONE;

/** Where a line meets the near edge, or null. */
export function onNearEdge({ from, to }: Segment): number | null {
  if (Math.abs(to.y - from.y) < ONE) return null;
  const t = from.y / (from.y - to.y);
  const x = from.x + t * (to.x - from.x);
  return t > -ONE && t < 1 + ONE && x > ONE && x < 1 - ONE ? x : null;
}
