import { distance, type Line, type Point, sideOf } from '../measure/point';
import { contains } from '../pattern/convex';
import { faceOutline, toleranceOf, type CreasePattern } from '../pattern/crease-pattern';
import { certificateOf, holds } from './certificate';
import { planOf } from './echo-plan';
import { type FollowPlan, followPlanOf, meetStretches, sidesOf } from './follow-plan';
import { CLOSURE, place } from './place';
import { type Pose, whereIs } from './pose';
import { type Act, type AskedSpot, type RecordedMove, type Recording, rootOf, StructureDiffers } from './recording';
import { apply, compose, inverse, IDENTITY, type Transform } from './transform';
import { refuseOtherLie } from './verify-lie';

/** Landings and named points are met to this share of the sheet. */
const MET = 1e-6;

/**
 * The same folding on another sheet or with other lengths, move by move: parts, angles and layers are taken over from a
 * recording, places are worked out anew. After each move a certificate is asked whether the recorded layers still are those
 * of the paper as it lies here; where they are not, or a move would be another one, it throws.
 */
export class Follower {
  private readonly made: RecordedMove[] = [];
  private current: Pose;
  /** Where the face that stays lay before each move, and how the paper has been moved bodily since the start. */
  private readonly frames: { readonly frame: Transform; readonly motion: Transform }[] = [];
  private motion: Transform = IDENTITY;
  /** Once an angle is another than recorded, layers are proved by the rules themselves. */
  private otherAngles = false;

  /**
   * @param recording what an exact hand did
   * @param start the sheet as it lies here before the first move
   */
  constructor(
    private readonly recording: Recording,
    private readonly start: Pose,
  ) {
    if (start.pattern.faces[0].vertices.length !== recording.start.pattern.faces[0].vertices.length)
      throw new StructureDiffers('The sheet has another number of corners.');
    this.current = start;
  }

  get pose(): Pose {
    return this.current;
  }

  /** The pose of the recording that the present one has its structure from. */
  get followedStructure(): Pose {
    const { length } = this.made;
    return length ? rootOf(this.recording.moves[length - 1]).pose : this.recording.start;
  }

  /** What was done here, to be followed in turn by a hand that misses. */
  get moves(): readonly RecordedMove[] {
    return this.made;
  }

  /** Whether every recorded move has been made. */
  get done(): boolean {
    return this.made.length === this.recording.moves.length;
  }

  /** Where a sheet point lies on the table; it must be the vertex, or lie on the face, that it was. */
  at(p: Point, spot: AskedSpot): Point {
    this.meet(p, spot);
    return apply(this.current.placed[spot.face], p);
  }

  /** Where a face lies, and its corners on the sheet. */
  face(face: number): { readonly placed: Transform; readonly outline: readonly Point[] } {
    const { pattern, placed } = this.current;
    return { placed: placed[face], outline: faceOutline(pattern, face) };
  }

  private meet(p: Point, { face, vertex }: AskedSpot, pattern: CreasePattern = this.current.pattern): void {
    const met =
      vertex >= 0
        ? distance(pattern.vertices[vertex], p) <= MET * pattern.size
        : contains(faceOutline(pattern, face), p, toleranceOf(pattern));
    if (!met) throw new StructureDiffers(`(${p.x}, ${p.y}) does not lie where it was recorded.`);
  }

  /**
   * Makes the next recorded move as it is told here.
   * @throws StructureDiffers when that is another move, or the recorded layers do not hold
   */
  next(act: Act): void {
    const recorded = this.recording.moves[this.made.length];
    if (!recorded || recorded.act.kind !== act.kind || act.kind === 'anew')
      throw new StructureDiffers('Another move was recorded here.');
    const root = rootOf(recorded);
    const before = this.current;
    const structureBefore = this.followedStructure;
    this.frames.push({ frame: before.placed[before.pinned], motion: this.motion });
    const follow = followPlanOf(root, structureBefore);
    const { faceFrom } = planOf(root, structureBefore);
    const pattern = root.split ? this.refined(root, act, follow, structureBefore) : before.pattern;
    const { pinned, angles: recordedAngles } = root.pose;
    const angles =
      act.kind === 'unfolded'
        ? recordedAngles
        : recordedAngles.map((angle, e) => {
            const told = act.kind === 'stretches' ? follow.stretchOf[e] : -1;
            const wanted = told >= 0 && act.kind === 'stretches' ? act.stretches[told].angleDeg : undefined;
            if (typeof wanted === 'number') return wanted;
            const from = root.split ? root.split.edgeFrom[e] : e;
            return from < 0 || angle !== structureBefore.angles[from] ? angle : before.angles[from];
          });
    this.otherAngles ||= angles.some((angle, e) => Math.abs(angle - recordedAngles[e]) > 1e-12);
    let frame = before.placed[faceFrom(pinned)];
    if (act.kind === 'moved') {
      frame = compose(act.motion, frame);
      this.motion = compose(act.motion, this.motion);
    }
    if (act.kind === 'unfolded') {
      if (root.act.kind !== 'unfolded' || root.act.before !== act.before)
        throw new StructureDiffers('Another fold was opened here.');
      const earlier = this.frames[act.before];
      frame = compose(compose(this.motion, inverse(earlier.motion)), earlier.frame);
    }
    if (act.kind === 'angles' && (root.act.kind !== 'angles' || root.act.told !== act.told))
      throw new StructureDiffers('Other angles were told here.');
    const placed =
      act.kind === 'moved' ? before.placed.map((m) => compose(act.motion, m)) : this.closed(pattern, angles, pinned, frame);
    const pose: Pose = {
      pattern,
      angles,
      sense: angles.map((a, e) => Math.sign(a) || root.pose.sense[e]),
      pinned,
      frame,
      placed,
      residual: 0,
      // An order of its own: what is counted on it is counted on this sheet.
      order: { ...root.pose.order },
    };
    if (act.kind === 'stretches') this.meetTold(act, root, follow, pose);
    if (act.kind === 'angles') this.meet(act.stays, { face: pinned, vertex: -1 }, pattern);
    if (act.kind !== 'moved') {
      if (this.otherAngles) refuseOtherLie(pose);
      else if (!holds(certificateOf(root), pattern, placed))
        throw new StructureDiffers('The layers lie in another order here.');
    }
    this.made.push({
      act,
      split: root.split && { ...root.split, pattern },
      pose,
      root,
    });
    this.current = pose;
  }

  private closed(pattern: CreasePattern, angles: readonly number[], pinned: number, frame: Transform): readonly Transform[] {
    const { faces, residual } = place(pattern, angles, pinned, frame);
    if (residual > CLOSURE) throw new StructureDiffers('The paper does not meet here.');
    return faces;
  }

  /** The pattern with the creases that a move adds, at their places on this sheet. */
  private refined(root: RecordedMove, act: Act, follow: FollowPlan, structureBefore: Pose): CreasePattern {
    const { pattern: old, placed } = this.current;
    const split = root.split!;
    const vertices = [...old.vertices];
    if (act.kind === 'along') {
      this.sameSides(act.line, root, structureBefore);
      for (const { vertex, edge, face } of planOf(root, structureBefore).onEdges) {
        const { from, to } = old.edges[edge];
        const [p, q] = [old.vertices[from], old.vertices[to]];
        const [s, u] = [sideOf(act.line, apply(placed[face], p)), sideOf(act.line, apply(placed[face], q))];
        const t = s / (s - u);
        vertices[vertex] = { x: p.x + t * (q.x - p.x), y: p.y + t * (q.y - p.y) };
      }
    } else if (act.kind === 'stretches') {
      for (const { vertex, at } of follow.made) vertices[vertex] = at(act.stretches, vertices);
    }
    for (let v = old.vertices.length; v < split.pattern.vertices.length; v++)
      if (!vertices[v]) throw new StructureDiffers('A crossing of creases is not known how to be found.');
    const pattern: CreasePattern = { ...split.pattern, vertices, size: old.size };
    if (!follow.turns.every((turn) => turn(vertices, old.size)))
      throw new StructureDiffers('Creases cross in another order here.');
    return pattern;
  }

  /** All paper must lie on the sides of a fold line on which it lay when it was recorded. */
  private sameSides(line: Line, root: RecordedMove, structureBefore: Pose): void {
    const sides = sidesOf(root, structureBefore);
    const { pattern, placed } = this.current;
    const tolerance = MET * pattern.size;
    const { at, along } = line;
    let k = 0;
    for (let f = 0; f < pattern.faces.length; f++)
      for (const v of pattern.faces[f].vertices) {
        const { x, y } = pattern.vertices[v];
        const m = placed[f];
        const off =
          along.x * (m[3] * x + m[4] * y + m[10] - at.y) - along.y * (m[0] * x + m[1] * y + m[9] - at.x);
        const side = off > tolerance ? 1 : off < -tolerance ? -1 : 0;
        if (side !== sides[k++]) throw new StructureDiffers('The fold line runs past other paper here.');
      }
  }

  /** What a move names must be where it was: ends of creases, creases on their lines, points on their faces. */
  private meetTold(
    { stretches, stays, known, lands }: Extract<Act, { kind: 'stretches' }>,
    root: RecordedMove,
    follow: FollowPlan,
    { pattern, placed, pinned }: Pose,
  ): void {
    if (root.act.kind !== 'stretches' || root.act.stretches.length !== stretches.length)
      throw new StructureDiffers('Other creases were told here.');
    if (!meetStretches(follow, stretches, pattern)) throw new StructureDiffers('Creases end somewhere else here.');
    this.meet(stays, { face: pinned, vertex: -1 }, pattern);
    known?.forEach(({ point, other }, k) => {
      this.meet(point, { face: follow.known[k][0], vertex: -1 }, pattern);
      this.meet(other, { face: follow.known[k][1], vertex: -1 }, pattern);
    });
    lands?.forEach(({ point, at }, k) => {
      const landed = apply(placed[follow.lands[k]], point);
      if (Math.hypot(landed.x - at.x, landed.y - at.y) > MET * pattern.size)
        throw new StructureDiffers('A point lands somewhere else here.');
    });
  }

  /** Whether two spots that are stuck together still are as far apart as they were when they were stuck. */
  apart(p: Point, q: Point): number {
    const [a, b] = [whereIs(this.current, p), whereIs(this.current, q)];
    return Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);
  }
}
