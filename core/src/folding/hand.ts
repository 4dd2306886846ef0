import type { Line, Point } from '../measure/point';
import type { Sheet } from '../paper/sheet';
import { blankPattern } from '../pattern/blank-pattern';
import { middle } from '../pattern/convex';
import { faceOutline } from '../pattern/crease-pattern';
import { type Split, splitAfter } from '../pattern/split-faces';
import { type Alignment, foldLine } from './alignment';
import { Asking } from './asking';
import { collapse, type CreaseAngle } from './collapse';
import * as compound from './compound-moves';
import type { FoldLayers } from './crease-flap';
import { bendStacks, type StackBend } from './bend-stacks';
import { cutAlong, drawn, trim } from './cut';
import { Echo } from './echo';
import { FoldRefused } from './fold-refused';
import type { FoundMark } from './found-marks';
import { Follower } from './follower';
import { type InexactHand, missing, type Missing } from './inexact';
import type { KnownLayers } from './known-layers';
import type { MeantFold } from './meant-fold';
import { noOrder } from './layer-order';
import { MadeMarks } from './made-marks';
import { moved } from './moved';
import { type Extent, nearestOnMark, pinchedAt, pinchMark } from './pinch';
import { creaseOnTable, faceAt, type Mark, middleOfTable, type Pose, spotAt } from './pose';
import { type Act, type AskedSpot, type RecordedMove, type Recording, StructureDiffers } from './recording';
import { refine } from './refine';
import { foldReverse } from './reverse-fold';
import { type Rework, rework } from './rework';
import { heldBy } from './roots';
import { setDown, type SetDown } from './set-down';
import { settle } from './settle';
import { foldSimply, type SimpleFold } from './simple-fold';
import { type PaperMesh, paperMesh, type PaperMeshOptions } from './soft/paper-mesh';
import { type Relaxed, relaxing, type RelaxOptions, type RelaxProgress, type SoftTargets } from './soft/relax';
import { refuseUnstuck, stick, type Stuck } from './stuck';
import { apply, IDENTITY, overUpright, type Transform, turnOnTable } from './transform';

/** How a hand folds. */
export interface HandOptions {
  /** Misses every fold line a little, the same way for the same seed; exact when left out. */
  readonly inexact?: InexactHand;
  /**
   * What an exact hand did in the same sequence. The inexact hand then follows it: creases that should meet still meet,
   * and nothing has to be layered anew, so that thousands of replays are quick.
   */
  readonly after?: Recording;
  /**
   * What an exact hand did on another sheet or with other lengths. An exact hand then takes over parts and layers from it,
   * as long as a certificate holds for them; where it does not, moves throw `StructureDiffers`.
   */
  readonly along?: Recording;
  /** Pinches that are on the sheet when it is taken up: how its marks are found is settled before it is folded. */
  readonly marks?: readonly Mark[];
}

/** A pinch is made by eye, between two fingers: taken to miss twice as much as a crease that is lined up and pressed. */
export const PINCH_MISSES = 2;

/** An earlier pose, on the pattern as it was after so many refinements. */
interface Earlier {
  readonly pose: Pose;
  readonly since: number;
}

interface OpenFold {
  readonly name: string;
  before: Earlier;
  /** How many moves had been made before it. */
  readonly move: number;
}

interface Performed {
  readonly split: Split | null;
  readonly pose: Pose;
  /** The pose before on the refined pattern, for folds that can be opened again. */
  readonly before?: Pose;
}

/** How a compound move names its fold line. */
type Aligned<T> = Omit<T, 'line' | 'name'> & { readonly line: Alignment };

/**
 * A hand at the table: it holds the paper's pose, makes moves, and remembers which folds can be opened again. A refused
 * move leaves everything as it was.
 */
export class Hand {
  private current: Pose;
  private folds: OpenFold[] = [];
  private watched: Earlier[] = [];
  /** How the pattern was refined, move by move: earlier poses catch up when they are asked for. */
  private readonly splits: Split[] = [];
  private stuck: Stuck[] = [];
  private readonly moves: RecordedMove[] = [];
  private readonly lined: string[] = [];
  private readonly foldsMeant: MeantFold[] = [];
  private readonly start: Pose;
  private readonly miss: Missing | null;
  private readonly marksMade: MadeMarks;
  private readonly echo: Echo | null;
  private readonly follower: Follower | null;
  private readonly asking: Asking;

  /** @param start the paper as the hand takes it up */
  constructor(start: Pose, { inexact, after, along }: HandOptions = {}) {
    this.asking = new Asking(after, along);
    this.miss = inexact ? missing(inexact) : null;
    this.marksMade = new MadeMarks(inexact?.marks);
    this.echo = after ? new Echo(after) : null;
    this.start = start;
    this.current = start;
    this.follower = along ? new Follower(along, this.start) : null;
  }

  get pose(): Pose {
    const followed = this.echo ?? this.follower;
    return followed ? { ...followed.pose, marks: this.current.marks } : this.current;
  }

  /** Whether it follows another hand, whose steps have been seen and recorded. */
  get follows(): boolean {
    return this.echo !== null || this.follower !== null;
  }

  /** All moves so far, to be followed. */
  get recording(): Recording {
    const { start, follower, asking } = this;
    if (follower && !(follower.done && asking.done))
      throw new StructureDiffers('The sequence is shorter than the one that was recorded.');
    return { start, moves: follower?.moves ?? this.moves, ...asking.written };
  }

  /** Names of all folds and pinches that were lined up, in order: those that an inexact hand can miss. */
  get aligned(): readonly string[] {
    return this.lined;
  }

  /** All simple folds as they were meant, in order; none of a hand that follows another. */
  get meant(): readonly MeantFold[] {
    return this.foldsMeant;
  }

  /** How every place to fold was found, in order. */
  get found(): readonly FoundMark[] {
    return this.marksMade.found;
  }

  /**
   * A mark made with a ruler.
   * @param at the sheet point that is marked, @param from the one that it is measured from, as the paper lies now
   * @returns where it lies on the table
   */
  measured(name: string, at: Point, from: Point): Point {
    return this.marksMade.measured(name, { at, from }, [this.at(at), this.at(from)], () => {
      const { face } = spotAt((this.echo?.followed ?? this.current).pattern, at);
      return { face, placed: this.echo?.face(face).placed ?? this.current.placed[face] };
    });
  }

  /** Where a sheet point lies on the table now; of a measured mark that was missed, where it was made. */
  at(p: Point): Point {
    const found = this.spotOf(p);
    const missed = this.marksMade.missedAt(p);
    const [q, spot] = missed ? [missed.made, missed.spot] : [p, found];
    if (this.echo) return this.echo.at(q, spot);
    return this.follower ? this.follower.at(q, spot) : apply(this.current.placed[spot.face], q);
  }

  /**
   * Decides something about the sequence by looking at the paper. A hand that misses decides as the exact one did: which
   * moves are made does not depend on luck.
   */
  decide<T extends string | number | boolean>(look: () => T): T {
    return this.asking.decide(look);
  }

  private spotOf(p: Point): AskedSpot {
    return this.asking.spotOf(p, (this.echo?.followed ?? this.current).pattern);
  }

  /** The table line of a crease or a mark. */
  crease(name: string): Line {
    return this.echo?.crease(name) ?? creaseOnTable(this.pose, name);
  }

  /** The table point of a mark that lies nearest to a sheet point: where a pinch meets the raw edge, say. */
  mark(name: string, near: Point): Point {
    const mark = this.current.marks?.find((m) => m.name === name);
    if (!mark) throw new FoldRefused('unknown-mark', `No mark is called “${name}”.`);
    return this.at(nearestOnMark(mark, near));
  }

  /** Folds towards the viewer. */
  valley(name: string, alignment: Alignment, layers: FoldLayers = 'all'): void {
    this.fold(name, alignment, 'over', layers);
  }

  /** Folds behind. */
  mountain(name: string, alignment: Alignment, layers: FoldLayers = 'all'): void {
    this.fold(name, alignment, 'behind', layers);
  }

  /** Folds towards the viewer, the moved paper slipping under the layer that a sheet point lies on: into its pocket. */
  tuck(name: string, alignment: Alignment, under: Point, layers: FoldLayers = 'all'): void {
    this.fold(name, alignment, 'over', layers, under);
  }

  /** Folds behind, the moved paper coming to lie over the layer that a sheet point lies on: over an edge and into a pocket. */
  tuckBehind(name: string, alignment: Alignment, over: Point, layers: FoldLayers = 'all'): void {
    this.fold(name, alignment, 'behind', layers, over);
  }

  /** Folds towards the viewer, in among other layers as told, see `SimpleFold.among`. */
  tuckAmong(name: string, alignment: Alignment, layers: FoldLayers, among: SimpleFold['among']): void {
    this.fold(name, alignment, 'over', layers, undefined, among);
  }

  /** Creases a part of a fold line on one layer and opens it again: a mark to go by. */
  pinch(name: string, alignment: Alignment, extent: Extent, towards: 'over' | 'behind' = 'over'): void {
    this.creaseParts(name, alignment, [extent], { towards });
  }

  /**
   * The same in several places along one line, which is lined up once.
   * @param how `pressed` along its whole length it misses as little as a fold does
   */
  creaseParts(
    name: string,
    alignment: Alignment,
    extents: readonly Extent[],
    { towards = 'over', pressed = false }: { readonly towards?: 'over' | 'behind'; readonly pressed?: boolean } = {},
  ): void {
    const line = this.lineOf(name, alignment, pressed ? 1 : PINCH_MISSES, true);
    const made = extents.map((extent) => {
      const { face } = this.spotOf(pinchedAt(extent));
      const { pattern, placed } = this.current;
      const pinched = (this.echo ?? this.follower)?.face(face) ?? {
        placed: placed[face],
        outline: faceOutline(pattern, face),
      };
      return pinchMark(pinched, this.start.pattern.size, line, extent, towards, name);
    });
    this.current = { ...this.current, marks: [...(this.current.marks ?? []), ...made] };
  }

  /** Pushes the point of a folded flap in between its two layers. `flap` is a sheet point on it, beyond the line. */
  insideReverse(name: string, alignment: Alignment, flap: Point): void {
    this.along(name, alignment, (line) => foldReverse(this.current, { line, flap, way: 'inside', name }));
  }

  /** Wraps the point of a folded flap round its two layers. */
  outsideReverse(name: string, alignment: Alignment, flap: Point): void {
    this.along(name, alignment, (line) => foldReverse(this.current, { line, flap, way: 'outside', name }));
  }

  /** Opens the folded edge that a sheet point lies on and presses it flat onto the line that its flap hinges on. */
  squash(name: string, ridge: Point, onto: Line): void {
    this.reworkBy(() => compound.squash(this.pose, { ridge, onto, name }));
  }

  /** Folds two sides of a triangle onto the third, the corner between them becoming an ear. */
  rabbitEar(name: string, ear: Omit<compound.RabbitEar, 'name'>): void {
    this.reworkBy(() => compound.rabbitEar(this.pose, { ...ear, name }));
  }

  /** Lifts the tip of a flap while its sides come in to the middle. */
  petal(name: string, lifted: Omit<compound.Petal, 'name'>): void {
    this.reworkBy(() => compound.petal(this.pose, { ...lifted, name }));
  }

  /** Pushes a closed point in between its own layers. */
  sink(name: string, { line, flap }: Aligned<compound.Sink>): void {
    this.along(name, line, (at) => compound.sink(this.current, { line: at, flap, name }));
  }

  /** A flat move told by which creases may work and where points land, see `rework`. */
  rework(told: Rework): void {
    this.reworkBy(() => told);
  }

  private reworkBy(tell: () => Rework): void {
    if (this.echo) {
      this.echo.next(null);
      return;
    }
    const told = tell();
    const { creases: stretches, stays, known, lands } = told;
    this.perform({ kind: 'stretches', stretches, stays, known, lands }, () => rework(this.current, told));
  }

  /** Snaps creases through to their other sign: all of them, or those named. */
  turnInsideOut(turned: compound.TurnInsideOut): void {
    const { creases, stays } = turned;
    const told = creases?.map(({ from, to }) => ({ from, to, name: 'turned' }));
    this.perform(
      told ? { kind: 'stretches', stretches: told, stays } : { kind: 'angles', told: 'inside out', stays },
      () => ({ split: null, pose: compound.turnInsideOut(this.current, turned) }),
    );
  }

  /** Cuts through the layers along a line and takes away what lies beyond it. */
  cut(alignment: Alignment, layers: FoldLayers = 'all'): void {
    const { folds } = this;
    this.along('cut', alignment, (line) => trim(this.current, line, layers));
    this.folds = folds;
  }

  /** Slits the paper from a raw edge along stretches in sheet coordinates. */
  slit(stretches: readonly { readonly from: Point; readonly to: Point }[]): void {
    const { folds } = this;
    const lines = stretches.map((stretch) => ({ ...stretch, name: 'cut' }));
    const { pattern, pinned } = this.follower?.pose ?? this.current;
    const stays = middle(faceOutline(pattern, pinned));
    this.perform({ kind: 'stretches', stretches: lines, stays }, () => drawn(this.current, lines));
    this.perform({ kind: 'slit' }, () => cutAlong(this.current, stretches));
    this.folds = folds;
  }

  /** Glues two touching layers together at a spot, given by its sheet points on both. */
  glue(point: Point, other: Point): void {
    this.stick('glue', point, other);
  }

  /** Tapes two sheet points together as they lie. */
  tape(point: Point, other: Point): void {
    this.stick('tape', point, other);
  }

  private stick(how: Stuck['how'], point: Point, other: Point): void {
    if (!this.echo) this.stuck.push(stick(this.pose, how, point, other));
  }

  /**
   * Opens the named fold and every fold made after it, leaving their creases.
   * @throws FoldRefused when there is no such fold to open
   */
  unfold(name: string): void {
    const k = this.folds.findIndex((fold) => fold.name === name);
    const folds = this.folds.slice(0, Math.max(0, k));
    this.perform({ kind: 'unfolded', before: this.folds[k]?.move ?? -1 }, () => {
      if (k < 0) throw new FoldRefused('nothing-to-unfold', `No fold called “${name}” is closed.`);
      return { split: null, pose: { ...this.caughtUp(this.folds[k].before), sense: this.current.sense } };
    });
    this.folds = folds;
  }

  /** Turns the paper on the table, counter-clockwise. */
  rotate(deg: number): void {
    this.move((pose) => turnOnTable(middleOfTable(pose), deg));
  }

  /** Turns the paper over like a page. */
  turnOver(): void {
    this.move((pose) => overUpright(middleOfTable(pose).x));
  }

  /** Sets what stands on the table level, see `SetDown`. */
  setDown(how: SetDown): void {
    this.move((pose) => setDown(pose, how));
  }

  /** Opens or closes creases made before to an angle, each in its own sense. `stays` is a sheet point that keeps still. */
  open3d(angles: Readonly<Record<string, number>>, stays: Point): void {
    this.perform({ kind: 'angles', told: JSON.stringify(angles), stays }, () => {
      const { pattern, sense } = this.current;
      const next = this.current.angles.map((angle, e) => {
        const wanted = angles[pattern.edges[e].name];
        return wanted === undefined ? angle : wanted * (sense[e] || 1);
      });
      const held = heldBy(this.current, faceAt(pattern, stays));
      const pose = settle({ pattern, angles: next, sense, ...held }, { from: this.current });
      return { split: null, pose };
    });
  }

  /**
   * Stands flat paper up: creases in sheet coordinates take their angles, and whole stacks bend along table lines.
   * @param stays sheet point that keeps still
   */
  stand(creases: readonly CreaseAngle[], bends: readonly StackBend[], stays: Point): void {
    if (this.echo) this.echo.next(null);
    else this.collapse([...creases, ...bendStacks(this.pose, bends)], stays);
  }

  /**
   * Lets the paper as it lies give way to forces and come to rest, see `relax`; the pose stays as it was. Yields
   * after every step; sent `true`, it stops.
   * @param targets what acts on the mesh that is made of the paper
   */
  *shape(
    mesh: PaperMeshOptions,
    targets: (paper: PaperMesh) => SoftTargets,
    options: RelaxOptions = {},
  ): Generator<RelaxProgress, { readonly paper: PaperMesh; readonly rested: Relaxed }, boolean> {
    const paper = paperMesh(this.pose, mesh);
    return { paper, rested: yield* relaxing(paper.mesh, targets(paper), options) };
  }

  /** Moves many creases at once, see `collapse`. */
  collapse(creases: readonly CreaseAngle[], stays: Point, known: readonly KnownLayers[] = []): void {
    this.perform({ kind: 'stretches', stretches: creases, stays, known }, () =>
      collapse(this.current, creases, stays, known),
    );
  }

  /**
   * Runs moves and returns the poses before, where it paused, and after, all on the final pattern; none when it follows
   * another hand, whose steps have been seen.
   */
  watch(moves: () => void): readonly Pose[] {
    this.watched = [this.now];
    moves();
    const seen = this.watched;
    this.watched = [];
    // What was seen before paper was cut off keeps its paper.
    return this.follows ? [] : [...seen.map((earlier) => this.caughtUp(earlier, 'keeps its paper')), this.current];
  }

  /** The pose of this moment, to be come back to: on the paper as it is creased by then. */
  remembered(): () => Pose {
    const { now } = this;
    return () => this.caughtUp(now);
  }

  /** Keeps the pose of this moment among those that `watch` returns. */
  pause(): void {
    this.watched.push(this.now);
  }

  private fold(
    name: string,
    alignment: Alignment,
    towards: 'over' | 'behind',
    layers: FoldLayers,
    under?: Point,
    among?: SimpleFold['among'],
  ): void {
    const { folds, current: lying } = this;
    const move = this.movesMade;
    const { before } = this.along(name, alignment, (line) =>
      foldSimply(this.current, { line, towards, layers, name, under, among }),
    );
    if (before) this.folds = [...folds, { name, move, before: { pose: before, since: this.splits.length } }];
    if (!this.follows)
      this.foldsMeant.push({
        ...{ name, alignment, towards, layers, under, among, move },
        ...{ before: lying, after: this.current },
      });
  }

  /** Makes a move along the line that the hand makes when it means an alignment. */
  private along(name: string, alignment: Alignment, compute: (line: Line) => Performed): Performed {
    const line = this.lineOf(name, alignment);
    return this.perform({ kind: 'along', line }, () => compute(line));
  }

  private lineOf(name: string, alignment: Alignment, factor = 1, pinched = factor !== 1): Line {
    this.lined.push(name);
    this.marksMade.lined(name, alignment.kind, pinched);
    const meant = foldLine(alignment);
    if (!this.miss) return meant;
    const { echo, current } = this;
    return echo ? this.miss(meant, echo.followed, factor, echo.followedStructure) : this.miss(meant, current, factor);
  }

  /** All that changes the paper goes through here. */
  private perform(act: Act, compute: () => Performed): Performed {
    if (this.echo) {
      this.echo.next(act.kind === 'along' ? act.line : null);
      return { split: null, pose: this.current };
    }
    if (this.follower) {
      const before = this.follower.pose;
      this.follower.next(act);
      refuseUnstuck(this.follower.pose, this.stuck);
      this.folds = [];
      return { split: null, pose: this.follower.pose, before };
    }
    const done = compute();
    refuseUnstuck(done.pose, this.stuck);
    if (done.split) this.splits.push(done.split);
    this.current = { ...done.pose, marks: this.current.marks };
    this.folds = [];
    this.moves.push({ act, split: done.split, pose: this.current });
    return done;
  }

  private get movesMade(): number {
    return this.follower?.moves.length ?? this.moves.length;
  }

  private get now(): Earlier {
    return { pose: this.current, since: this.splits.length };
  }

  /** An earlier pose on the pattern as it is creased now, so that it can be returned to or drawn. */
  private caughtUp({ pose, since }: Earlier, where: 'it may be cut' | 'keeps its paper' = 'it may be cut'): Pose {
    let all: Split | null = null;
    let faces = pose.pattern.faces.length;
    for (const split of this.splits.slice(since)) {
      if (where === 'keeps its paper' && new Set(split.faceFrom).size < faces) break;
      all = all ? splitAfter(all, split) : split;
      faces = split.pattern.faces.length;
    }
    return all ? refine(pose, all) : pose;
  }

  private move(motionOf: (pose: Pose) => Transform): void {
    const folds = this.folds;
    const motion = this.echo ? IDENTITY : motionOf(this.follower?.pose ?? this.current);
    this.perform({ kind: 'moved', motion }, () => {
      for (const fold of folds) fold.before = { ...fold.before, pose: moved(fold.before.pose, motion) };
      return { split: null, pose: moved(this.current, motion) };
    });
    this.folds = folds;
  }
}

/** A sheet lying white side up, uncreased. */
export function blankSheet(sheet: Sheet): Pose {
  const pattern = blankPattern(sheet);
  const none = pattern.edges.map(() => 0);
  return {
    ...{ pattern, angles: none, sense: none },
    ...{ pinned: 0, frame: IDENTITY, placed: [IDENTITY], residual: 0 },
    order: noOrder(1),
    marks: [],
  };
}

/** A sheet lying white side up, ready to fold. */
export function startSheet(sheet: Sheet, options: HandOptions = {}): Hand {
  return new Hand({ ...blankSheet(sheet), marks: options.marks ?? [] }, options);
}

/** Takes up paper as it lies: one piece, or several put together. */
export function takeUp(pose: Pose): Hand {
  return new Hand({ ...pose, marks: pose.marks ?? [] });
}
