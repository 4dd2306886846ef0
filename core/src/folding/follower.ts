import { distance, type Line, type Point, sideOf } from '../measure/point';
import { faceOutline, toleranceOf, type CreasePattern } from '../pattern/crease-pattern';
import { certificateOf, holds } from './certificate';
import { planOf } from './echo-plan';
import { type FollowPlan, followPlanOf, meetStretches, meetTurns, sidesOf } from './follow-plan';
import { placeFolded, placePieces } from './follow-place';
import { faceHolds, type Pose } from './pose';
import { type Act, type AskedSpot, type RecordedMove, type Recording, rootOf, StructureDiffers } from './recording';
import { apply, compose, inverse, IDENTITY, type Transform } from './transform';
import { refuseOtherState } from './verify-state';

/** Landings and named points are met to this share of the sheet. */
const MET = 1e-6;
/** Angles are worked out from the same numbers in another order: nearer than this they are the same. */
const SAME_ANGLE_DEG = 1e-9;

/**
 * The same folding on another sheet or with other lengths, move by move: parts, angles and layers are taken over from a
 * recording, places are worked out anew. After each move a certificate is asked whether the recorded layers still are those
 * of the paper as it lies here; where they are not, or a move would be another one, it throws.
 */
export class Follower {
  private readonly made: RecordedMove[] = [];
  private current: Pose;
  /** How the paper had been moved bodily before each move, and is now. */
  private readonly motions: Transform[] = [];
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
        : faceHolds(pattern, face, p, toleranceOf(pattern));
    if (!met) throw new StructureDiffers(`(${p.x}, ${p.y}) does not lie where it was recorded.`);
  }

  /**
   * Makes the next recorded move as it is told here.
   * @throws StructureDiffers when that is another move, or the recorded layers do not hold
   */
  next(act: Act): void {
    const recorded = this.recording.moves[this.made.length];
    if (!recorded || recorded.act.kind !== act.kind) throw new StructureDiffers('Another move was recorded here.');
    const root = rootOf(recorded);
    if (
      act.kind === 'stretches' &&
      (root.act.kind !== 'stretches' || root.act.stretches.length !== act.stretches.length)
    )
      throw new StructureDiffers('Other creases were told here.');
    const before = this.current;
    const structureBefore = this.followedStructure;
    this.motions.push(this.motion);
    const follow = followPlanOf(root, structureBefore);
    const pattern = root.split ? this.refined(root, act, follow, structureBefore) : before.pattern;
    const { pinned, angles: recordedAngles } = root.pose;
    const angles = this.anglesAfter(act, root, follow, structureBefore);
    const asRecorded = angles === recordedAngles;
    this.otherAngles ||= !asRecorded;
    if (act.kind === 'moved') this.motion = compose(act.motion, this.motion);
    if (act.kind === 'unfolded') {
      if (root.act.kind !== 'unfolded' || root.act.before !== act.before)
        throw new StructureDiffers('Another fold was opened here.');
    }
    if (act.kind === 'angles' && (root.act.kind !== 'angles' || root.act.told !== act.told))
      throw new StructureDiffers('Other angles were told here.');
    const placed = this.placed(act, root, structureBefore, pattern, angles);
    const pose: Pose = {
      pattern,
      angles,
      sense: asRecorded ? root.pose.sense : angles.map((a, e) => Math.sign(a) || root.pose.sense[e]),
      pinned,
      frame: placed[pinned],
      placed,
      residual: 0,
      // An order of its own: what is counted on it is counted on this sheet.
      order: { ...root.pose.order },
    };
    if (act.kind === 'stretches') this.meetTold(act, follow, pose);
    if (act.kind === 'angles') this.meet(act.stays, { face: pinned, vertex: -1 }, pattern);
    // Paper moved bodily, slit, or opened to how it lay before, lies as was certified then.
    if (act.kind !== 'moved' && act.kind !== 'unfolded' && act.kind !== 'slit') {
      if (this.otherAngles) refuseOtherState(pose);
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

  /** Angles as this move tells them, as it was recorded to change them, or as they were; the recorded ones where all agree. */
  private anglesAfter(
    act: Act,
    root: RecordedMove,
    { stretchOf }: FollowPlan,
    structureBefore: Pose,
  ): readonly number[] {
    const recorded = root.pose.angles;
    const own = this.current.angles;
    if (act.kind === 'unfolded') return recorded;
    if (act.kind !== 'stretches' && own === structureBefore.angles) return recorded;
    let same = true;
    const angles = recorded.map((angle, e) => {
      const told = act.kind === 'stretches' && stretchOf[e] >= 0 ? act.stretches[stretchOf[e]].angleDeg : undefined;
      const from = root.split ? root.split.edgeFrom[e] : e;
      const kept = from >= 0 && angle === structureBefore.angles[from] ? own[from] : angle;
      const now = typeof told === 'number' ? told : kept;
      if (Math.abs(now - angle) > SAME_ANGLE_DEG) same = false;
      return now;
    });
    return same ? recorded : angles;
  }

  private placed(
    act: Act,
    root: RecordedMove,
    structureBefore: Pose,
    pattern: CreasePattern,
    angles: readonly number[],
  ): readonly Transform[] {
    const before = this.current;
    switch (act.kind) {
      case 'moved':
        return before.placed.map((m) => compose(act.motion, m));
      case 'along':
        return placeFolded(root, structureBefore, before, act.line);
      case 'unfolded':
        return this.placedBefore(act.before);
      case 'slit':
        return root.split!.faceFrom.map((f) => before.placed[f]);
      default:
        return placePieces(root, structureBefore, before, pattern, angles);
    }
  }

  /** Where the faces of today lay before an earlier move, moved along with the paper since. */
  private placedBefore(move: number): readonly Transform[] {
    const earlier = move === 0 ? this.start : this.made[move - 1].pose;
    const since = compose(this.motion, inverse(this.motions[move]));
    return this.current.placed.map((_, f) => {
      let face = f;
      for (let k = this.made.length - 1; k >= move; k--) face = this.made[k].split?.faceFrom[face] ?? face;
      return compose(since, earlier.placed[face]);
    });
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
    } else {
      const told = act.kind === 'stretches' ? act.stretches : [];
      for (const { vertex, at } of follow.made) vertices[vertex] = at(told, vertices);
    }
    for (let v = old.vertices.length; v < split.pattern.vertices.length; v++)
      if (!vertices[v]) throw new StructureDiffers('A crossing of creases is not known how to be found.');
    const pattern: CreasePattern = { ...split.pattern, vertices, size: old.size };
    if (!meetTurns(follow, vertices, old.size)) throw new StructureDiffers('Creases cross in another order here.');
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
        const off = along.x * (m[3] * x + m[4] * y + m[10] - at.y) - along.y * (m[0] * x + m[1] * y + m[9] - at.x);
        const side = off > tolerance ? 1 : off < -tolerance ? -1 : 0;
        if (side !== sides[k++]) throw new StructureDiffers('The fold line runs past other paper here.');
      }
  }

  /** What a move names must be where it was: ends of creases, creases on their lines, points on their faces. */
  private meetTold(
    { stretches, stays, known, lands }: Extract<Act, { kind: 'stretches' }>,
    follow: FollowPlan,
    { pattern, placed, pinned }: Pose,
  ): void {
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
}
