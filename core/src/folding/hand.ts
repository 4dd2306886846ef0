import type { Line, Point } from '../measure/point';
import type { Sheet } from '../paper/sheet';
import { blankPattern } from '../pattern/blank-pattern';
import type { Split } from '../pattern/split-faces';
import { type Alignment, foldLine } from './alignment';
import { collapse, type CreaseAngle } from './collapse';
import { FoldRefused } from './fold-refused';
import { type InexactHand, missing, type Missing } from './inexact';
import { noOrder } from './layer-order';
import { creaseOnTable, middleOfTable, type Pose, whereIs } from './pose';
import { refine } from './refine';
import { settle } from './settle';
import { stackDepth } from './stack-depth';
import { type Folded, foldSimply } from './simple-fold';
import { foldReverse } from './reverse-fold';
import type { FoldLayers } from './crease-flap';
import { compose, IDENTITY, overUpright, type Transform, turnOnTable } from './transform';

/** How a hand folds. */
export interface HandOptions {
  /** Misses every fold line a little, the same way for the same seed; exact when left out. */
  readonly inexact?: InexactHand;
}

interface OpenFold {
  readonly name: string;
  before: Pose;
}

/**
 * A hand at the table: it holds the paper's pose, makes moves, and remembers which folds can be opened again. A refused
 * move leaves everything as it was.
 */
export class Hand {
  private current: Pose;
  private folds: OpenFold[] = [];
  private watched: Pose[] = [];

  private readonly miss: Missing | null;

  constructor(sheet: Sheet, { inexact }: HandOptions = {}) {
    this.miss = inexact ? missing(inexact) : null;
    const pattern = blankPattern(sheet);
    const none = pattern.edges.map(() => 0);
    this.current = {
      pattern,
      angles: none,
      sense: none,
      pinned: 0,
      frame: IDENTITY,
      placed: [IDENTITY],
      residual: 0,
      order: noOrder(1),
    };
  }

  get pose(): Pose {
    return this.current;
  }

  /** Where a sheet point lies on the table now. */
  at(p: Point): Point {
    return whereIs(this.current, p);
  }

  /** The table line of a crease. */
  crease(name: string): Line {
    return creaseOnTable(this.current, name);
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

  /** Pushes the point of a folded flap in between its two layers. `flap` is a sheet point on it, beyond the line. */
  insideReverse(name: string, alignment: Alignment, flap: Point): void {
    this.take(foldReverse(this.current, { line: this.lineOf(alignment), flap, way: 'inside', name }));
    this.folds = [];
  }

  /** Wraps the point of a folded flap round its two layers. */
  outsideReverse(name: string, alignment: Alignment, flap: Point): void {
    this.take(foldReverse(this.current, { line: this.lineOf(alignment), flap, way: 'outside', name }));
    this.folds = [];
  }

  /**
   * Opens the named fold and every fold made after it, leaving their creases.
   * @throws FoldRefused when there is no such fold to open
   */
  unfold(name: string): void {
    const k = this.folds.findIndex((fold) => fold.name === name);
    if (k < 0) throw new FoldRefused('nothing-to-unfold', `No fold called “${name}” is closed.`);
    const { before } = this.folds[k];
    this.current = { ...before, sense: this.current.sense };
    this.folds.length = k;
  }

  /** Turns the paper on the table, counter-clockwise. */
  rotate(deg: number): void {
    this.move(turnOnTable(middleOfTable(this.current), deg));
  }

  /** Turns the paper over like a page. */
  turnOver(): void {
    this.move(overUpright(middleOfTable(this.current).x));
  }

  /** Opens or closes creases made before to an angle, each in its own sense. `stays` is a sheet point that keeps still. */
  open3d(angles: Readonly<Record<string, number>>, stays: Point): void {
    const { pattern, sense } = this.current;
    const next = this.current.angles.map((angle, e) => {
      const wanted = angles[pattern.edges[e].name];
      return wanted === undefined ? angle : wanted * (sense[e] || 1);
    });
    const held = collapse(this.current, [], stays).pose;
    this.current = settle(pattern, next, sense, held.pinned, held.frame, this.current.order);
    this.folds = [];
  }

  /** Moves many creases at once, see `collapse`. */
  collapse(creases: readonly CreaseAngle[], stays: Point): void {
    const { splits, pose } = collapse(this.current, creases, stays);
    for (const split of splits) this.follow(split);
    this.current = pose;
    this.folds = [];
  }

  /** Runs moves and returns the poses before, after each move that changed the paper, all on the final pattern. */
  watch(moves: () => void): readonly Pose[] {
    this.watched = [this.current];
    moves();
    const seen = this.watched;
    this.watched = [];
    return [...seen, this.current];
  }

  /** Keeps the pose of this moment among those that `watch` returns. */
  pause(): void {
    this.watched.push(this.current);
  }

  private fold(
    name: string,
    alignment: Alignment,
    towards: 'over' | 'behind',
    layers: FoldLayers,
    under?: Point,
  ): void {
    const { before } = this.take(
      foldSimply(this.current, { line: this.lineOf(alignment), towards, layers, name, under }),
    );
    this.folds.push({ name, before });
  }

  /** The line that the hand makes when it means an alignment. */
  private lineOf(alignment: Alignment): Line {
    const meant = foldLine(alignment);
    return this.miss ? this.miss(meant, this.current, mostLayers(this.current)) : meant;
  }

  private take(folded: Folded): Folded {
    this.follow(folded.split);
    this.current = folded.pose;
    return folded;
  }

  /** Earlier poses follow the pattern as it is creased, so that they can be returned to and drawn. */
  private follow(split: Split): void {
    for (const fold of this.folds) fold.before = refine(fold.before, split);
    this.watched = this.watched.map((pose) => refine(pose, split));
  }

  private move(motion: Transform): void {
    const moved = (pose: Pose): Pose => ({
      ...pose,
      frame: compose(motion, pose.frame),
      placed: pose.placed.map((m) => compose(motion, m)),
    });
    this.current = moved(this.current);
    for (const fold of this.folds) fold.before = moved(fold.before);
  }
}

/** A sheet lying white side up, ready to fold. */
export function startSheet(sheet: Sheet, options: HandOptions = {}): Hand {
  return new Hand(sheet, options);
}

/** Layers at the thickest spot of flat paper. */
function mostLayers(pose: Pose): number {
  return 1 + Math.max(...pose.pattern.faces.map((_, f) => stackDepth(pose, f, 1) + stackDepth(pose, f, -1)));
}
