import type { Mark, Pose } from '../folding/pose';
import type { Point3 } from '../measure/vector3';
import { apply, compose, IDENTITY } from '../folding/transform';
import type { Point } from '../measure/point';
import { area, clipSegment, clipWhere, intersect, subtract } from '../pattern/convex';
import { faceOutline } from '../pattern/crease-pattern';
import type { ArrowKind, Drawing, DrawnArrow, DrawnLine, LineKind, Patch } from './drawing';
import { type Named, placeLabels } from './labels';
import { layered, type Part, type Surface, surfacesOf } from './surfaces';
import { project, type View } from './view';

export interface DrawOptions {
  /** Signs of edges that this step folds, in its target pose: drawn as valley or mountain where they are still open. */
  readonly folding?: { readonly part: number; readonly signs: readonly number[] };
  /** All marks to show; those that the pose does not have yet are drawn as folds to make. The pose's own when left out. */
  readonly marks?: readonly Mark[];
  readonly arrows?: readonly DrawnArrow[];
  /** Points to be named. */
  readonly named?: readonly Named[];
  /** Whether edges below other layers are hinted. */
  readonly hidden?: boolean;
  /** Points that the picture must have room for. */
  readonly roomFor?: readonly Point[];
}

const depthAt = ({ depth: [c, u, v] }: Surface, p: Point): number => c + u * p.x + v * p.y;

/**
 * A picture of a pose, or of a scene of several parts, as a viewer sees it: exact visible pieces of every surface. Where surfaces lie on each other the
 * layer order decides; elsewhere depth does, and surfaces that pass through each other in view are cut where depths are
 * equal.
 */
export function draw(scene: Pose | readonly Part[], view: View, options: DrawOptions = {}): Drawing {
  const parts: readonly Part[] = 'pattern' in scene ? [{ kind: 'paper', pose: scene }] : scene;
  const surfaces = surfacesOf(parts, view);
  const size = Math.max(1e-9, ...surfaces.flatMap((s) => s.outline.flatMap((p) => [Math.abs(p.x), Math.abs(p.y)])));
  const smallest = 1e-8 * size * size;
  const slack = 1e-6 * size;
  const patches: Patch[] = [];
  for (const under of surfaces) {
    let pieces: (readonly Point[])[] = [under.outline];
    for (const over of surfaces) {
      if (over === under) continue;
      const order = layered(parts, over, under);
      if (order < 0) continue;
      let region = intersect(over.outline, under.outline);
      if (order === 0 && region.length) region = clipWhere(region, (p) => depthAt(over, p) - depthAt(under, p) - slack);
      if (area(region) <= smallest) continue;
      pieces = pieces.flatMap((piece) => subtract(piece, region, smallest));
    }
    for (const points of pieces)
      patches.push({ points, side: under.side, part: under.part, face: under.face, light: under.light });
  }
  const lines = linesOf(parts, view, surfaces, size, options);
  const points = [
    ...patches.flatMap((p) => p.points),
    ...(options.arrows ?? []).flatMap((a) => [a.from, a.bend, a.to]),
    ...(options.roomFor ?? []),
  ];
  const xs = points.map((p) => p.x);
  const ys = points.map((p) => p.y);
  const x = Math.min(...xs);
  const y = Math.min(...ys);
  const bare = {
    patches,
    lines,
    arrows: options.arrows ?? [],
    box: { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y },
  };
  return withLabels(bare, options.named ?? []);
}

/** Adds the labels, and makes room for them. */
function withLabels(bare: Omit<Drawing, 'labels'>, named: readonly Named[]): Drawing {
  const labels = placeLabels(bare, named);
  const { box } = bare;
  const x = Math.min(box.x, ...labels.map(({ at, width }) => at.x - width / 2));
  const y = Math.min(box.y, ...labels.map(({ at, height }) => at.y - height / 2));
  const right = Math.max(box.x + box.width, ...labels.map(({ at, width }) => at.x + width / 2));
  const bottom = Math.max(box.y + box.height, ...labels.map(({ at, height }) => at.y + height / 2));
  return { ...bare, labels, box: { x, y, width: right - x, height: bottom - y } };
}

function linesOf(
  parts: readonly Part[],
  view: View,
  surfaces: readonly Surface[],
  size: number,
  options: DrawOptions,
): DrawnLine[] {
  const lines: DrawnLine[] = [];
  const add = (kind: LineKind, a: Point, b: Point, stretches: readonly (readonly [number, number])[]): void => {
    for (const [s, t] of stretches) {
      if ((t - s) * Math.hypot(b.x - a.x, b.y - a.y) < 1e-5 * size) continue;
      lines.push({
        kind,
        from: { x: a.x + s * (b.x - a.x), y: a.y + s * (b.y - a.y) },
        to: { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) },
      });
    }
  };
  const bySource = new Map(surfaces.map((s) => [`${s.part}/${s.face}`, s]));
  parts.forEach((part, index) => {
    if (part.kind === 'thing') {
      part.sides.forEach((corners, face) => {
        const on = bySource.get(`${index}/${face}`);
        if (!on) return;
        corners.forEach((p, i) => {
          const [a, b] = [project(view, p), project(view, corners[(i + 1) % corners.length])];
          add('thing', a, b, seen(parts, surfaces, on, a, b, size));
        });
      });
      return;
    }
    // A bent sheet has no edges of its own but its outline, which its light and dark show.
    if (part.kind === 'shell') return;
    const { pose, motion = IDENTITY, spread } = part;
    pose.pattern.edges.forEach((edge, e) => {
      for (const face of [edge.left, edge.right]) {
        const on = face < 0 ? undefined : bySource.get(`${index}/${face}`);
        if (!on) continue;
        const m = compose(motion, pose.placed[face]);
        const shift = spread?.[face] ?? { x: 0, y: 0 };
        const [a, b] = [edge.from, edge.to].map((v) => {
          const q = project(view, apply(m, pose.pattern.vertices[v]));
          return { x: q.x + shift.x, y: q.y + shift.y };
        });
        const visible = seen(parts, surfaces, on, a, b, size);
        const kind = kindOf(pose, e, on, options.folding?.part === index ? options.folding.signs[e] : 0);
        add(kind, a, b, visible);
        if (options.hidden && kind !== 'crease') add('hidden', a, b, gaps(visible));
      }
    });
    for (const mark of options.marks ?? pose.marks ?? [])
      pose.pattern.faces.forEach((_, face) => {
        const on = bySource.get(`${index}/${face}`);
        const within = on && clipSegment(mark.from, mark.to, faceOutline(pose.pattern, face), 0);
        if (!on || !within) return;
        const m = compose(motion, pose.placed[face]);
        const shift = spread?.[face] ?? { x: 0, y: 0 };
        const [a, b] = within.map((t) => {
          const p = { x: mark.from.x + t * (mark.to.x - mark.from.x), y: mark.from.y + t * (mark.to.y - mark.from.y) };
          const q = project(view, apply(m, p));
          return { x: q.x + shift.x, y: q.y + shift.y };
        });
        const made = options.marks?.length && !pose.marks?.some(({ name }) => name === mark.name);
        const kind = !made ? 'crease' : mark.sense * on.facing > 0 ? 'valley' : 'mountain';
        add(kind, a, b, seen(parts, surfaces, on, a, b, size));
      });
  });
  return withoutRepeats(lines, size);
}

function kindOf(pose: Pose, edge: number, on: Surface, foldingSign: number): LineKind {
  const { left, right } = pose.pattern.edges[edge];
  if (left < 0 || right < 0) return 'raw';
  if (foldingSign && Math.abs(pose.angles[edge]) < 1e-9) return foldingSign * on.facing > 0 ? 'valley' : 'mountain';
  return Math.abs(pose.angles[edge]) < 1e-9 ? 'crease' : 'folded';
}

/** The stretches of a segment on a surface that no other surface hides. */
function seen(
  parts: readonly Part[],
  surfaces: readonly Surface[],
  on: Surface,
  a: Point,
  b: Point,
  size: number,
): (readonly [number, number])[] {
  let open: (readonly [number, number])[] = [[0, 1]];
  const slack = 1e-6 * size;
  for (const over of surfaces) {
    if (over === on) continue;
    const order = layered(parts, over, on);
    if (order < 0) continue;
    const within = clipSegment(a, b, over.outline, -slack);
    if (!within) continue;
    let [s, t] = within;
    if (order === 0) {
      const at = (k: number): number => {
        const p = { x: a.x + k * (b.x - a.x), y: a.y + k * (b.y - a.y) };
        return depthAt(over, p) - depthAt(on, p) - slack;
      };
      const [vs, vt] = [at(s), at(t)];
      if (vs <= 0 && vt <= 0) continue;
      const zero = s + (vs / (vs - vt)) * (t - s);
      if (vs < 0) s = zero;
      else if (vt < 0) t = zero;
    }
    open = open.flatMap(([p, q]) =>
      [[p, Math.min(q, s)] as const, [Math.max(p, t), q] as const].filter(([x, y]) => y > x),
    );
    if (!open.length) break;
  }
  return open;
}

function gaps(open: readonly (readonly [number, number])[]): (readonly [number, number])[] {
  const ends = [0, ...[...open].sort((a, b) => a[0] - b[0]).flat(), 1];
  const between: [number, number][] = [];
  for (let k = 0; k < ends.length; k += 2) if (ends[k + 1] > ends[k]) between.push([ends[k], ends[k + 1]]);
  return between;
}

/** Drops lines that run exactly where an equal or more telling one runs. */
function withoutRepeats(lines: readonly DrawnLine[], size: number): DrawnLine[] {
  const rank: Readonly<Record<LineKind, number>> = {
    valley: 0,
    mountain: 0,
    raw: 1,
    folded: 2,
    thing: 2,
    crease: 3,
    hidden: 4,
  };
  const cell = 1e-4 * size;
  const key = (p: Point): string => `${Math.round(p.x / cell)},${Math.round(p.y / cell)}`;
  const best = new Map<string, DrawnLine>();
  for (const line of lines) {
    const [p, q] = [key(line.from), key(line.to)].sort();
    const known = best.get(`${p} ${q}`);
    if (!known || rank[line.kind] < rank[known.kind]) best.set(`${p} ${q}`, line);
  }
  return [...best.values()].sort((a, b) => rank[b.kind] - rank[a.kind]);
}

/** An arrow between two places in space, bent to the left by a share of its length. */
export function arrowBetween(view: View, kind: ArrowKind, from: Point3, to: Point3, bendShare: number): DrawnArrow {
  const a = project(view, from);
  const b = project(view, to);
  const bend = { x: (a.x + b.x) / 2 + (b.y - a.y) * bendShare, y: (a.y + b.y) / 2 - (b.x - a.x) * bendShare };
  return { kind, from: a, bend, to: b };
}
