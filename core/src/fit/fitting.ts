import { certificateOf } from '../folding/certificate';
import { FoldRefused } from '../folding/fold-refused';
import { type Folded, foldAnew, measure } from '../forms/folded';
import { seededNormal } from '../measure/seeded-random';
import type { Piece, SheetSize } from '../forms/form';
import { SHELF, type Shelf } from '../forms/shelf';
import type { Room, RoomAsked, WayToFit } from '../purpose/demand';
import { atOnce, type Prepared } from '../purpose/prepare';
import { DRAWS, type Offsets, offsetsOf } from './chance';
import { type Misses, missesOf } from './misses';
import { flattened, followed, sizeAt, type SizeModel, sizeModel } from './size-model';
import { marksOf, paramsAt, type SizePoint, type Way, wayKey, waysOf } from './ways';

/** A structure that a form was found to have: folded once, and followed wherever it holds. */
export interface Structure {
  readonly folded: Folded;
  readonly lengths: readonly number[];
  /** How sizes run near it; null when it holds at single points only. */
  readonly model: SizeModel | null;
  /** Its first room, and the sizes of it: filled in anew for each point that is predicted. */
  readonly room: Room;
  readonly filled: Record<string, number>;
  /** Proportions at which it was found to hold. */
  readonly shapes: (readonly number[])[];
  /** What misses of its folds do to its sizes, at proportions for which that was asked. */
  readonly missed: Missed[];
}

/** What misses do to sizes at some proportions, and the draws that follow. */
export interface Missed {
  readonly shape: readonly number[];
  readonly misses: Misses;
  readonly offsets: Offsets;
}

/** A form folded for an answer, and the structure that it was followed from. */
export interface Found {
  readonly structure: Structure;
  readonly folded: Folded;
}

/** Proportions kept for each structure; more would not tell more. */
const MOST_SHAPES = 16;
/** Pieces that are tried before a form is folded anew. */
const MOST_TRIED = 8;
/** The middle of the sheets that are asked for, in mm. */
const USUAL_MM = 170;
/** Proportions that differ by less are the same. */
const ALIKE = 1e-9;
/** Proportions of a structure for which misses are kept. */
const MOST_MISSED = 24;
/** A model that misses what was folded by more, as a share of the sheet, is not that of the structure there. */
const AGREES = 1e-7;

/**
 * What is learned by folding: the structures that forms were found to have, how their sizes run, what misses do to them,
 * what a pouch holds. Made once by the caller, and handed on; the same questions get the same answers from a new one.
 */
export class Fitting {
  private readonly structures = new Map<string, Structure[]>();
  private readonly luck: Float64Array[] = [];
  /** What a soft room holds for the cube of its scale, in mm³, by its kind. */
  private readonly perCube = new Map<string, number>();
  private readonly asked = new WeakMap<Prepared, Map<string, readonly WayToFit[]>>();

  /** @param shelf the forms and kinds of rooms that are looked up */
  constructor(readonly shelf: Shelf = SHELF) {}

  pieceOf({ pieceId }: Way): Piece {
    return this.shelf.piece(pieceId);
  }

  /** All ways in which a kind of room can answer a purpose; none when it does not answer. */
  demands(prepared: Prepared, kind: string): readonly WayToFit[] {
    let ways = this.asked.get(prepared);
    if (!ways) this.asked.set(prepared, (ways = new Map<string, readonly WayToFit[]>()));
    let found = ways.get(kind);
    if (!found) ways.set(kind, (found = this.shelf.roomKind(kind).demands(prepared) ?? []));
    return found;
  }

  /** A room as a purpose is held against it. */
  asking(room: Room, { widthMm, heightMm }: SheetSize, outer?: RoomAsked['outer']): RoomAsked {
    return { room, sheetAreaMm2: widthMm * heightMm, mostMl: this.mostMl, ...(outer && { outer }) };
  }

  /** How sure the volume of a room is: one standard deviation as a share, 0 for a rigid one. */
  volumeSpread({ kind }: Room): number {
    return this.shelf.roomKind(kind).soft?.spread ?? 0;
  }

  /** The structures that a way was found to make so far. */
  structuresOf(way: Way): readonly Structure[] {
    return this.structures.get(wayKey(way)) ?? [];
  }

  /** The same, at least one where any can be folded. */
  *knowing(way: Way): Generator<void, readonly Structure[], void> {
    if (!this.structuresOf(way).length) {
      const point = usualPoint(this.pieceOf(way), way);
      if (point) yield* this.folding(way, point);
    }
    return this.structuresOf(way);
  }

  /** The structure that was found to hold at the proportions nearest to a point, of those that hold round about too. */
  nearest(way: Way, { sheet, lengths }: Pick<SizePoint, 'sheet' | 'lengths'>): Structure | null {
    let near: Structure | null = null;
    let least = Infinity;
    for (const structure of this.structures.get(wayKey(way)) ?? [])
      for (const shape of structure.model ? structure.shapes : []) {
        const far = shapeApart(shape, sheet, lengths);
        if (far < least) [near, least] = [structure, far];
      }
    return near;
  }

  private byNearness(way: Way, point: Pick<SizePoint, 'sheet' | 'lengths'>): readonly Structure[] {
    const structures = this.structures.get(wayKey(way)) ?? [];
    if (structures.length < 2) return structures;
    const shape = shapeOf(point);
    const far = (structure: Structure): number => Math.min(...structure.shapes.map((other) => apart(shape, other)));
    return structures
      .map((structure) => ({ structure, far: far(structure) }))
      .sort((p, q) => p.far - q.far)
      .map(({ structure }) => structure);
  }

  /**
   * The form folded at a point: followed from a structure that is known and holds there, or folded anew and kept.
   * Yields so that the caller can stop.
   * @returns null when it cannot be folded so
   */
  *folding(way: Way, point: Pick<SizePoint, 'sheet' | 'lengths'>): Generator<void, Found | null, void> {
    const { sheet, lengths } = point;
    for (const structure of this.byNearness(way, point).slice(0, MOST_TRIED)) {
      const folded = followed(structure.folded, way, sheet, lengths);
      if (!folded) continue;
      return { structure: this.met(way, structure, folded, point), folded };
    }
    yield;
    const folded = foldedOrNull(this.pieceOf(way), way, sheet, lengths);
    if (!folded) return null;
    // Certificates are worked out when they are first asked for: here one by one.
    for (const move of folded.recording.moves) {
      yield;
      certificateOf(move);
    }
    return { structure: this.keep(way, folded, point), folded };
  }

  /** The same at once. */
  fold(way: Way, point: Pick<SizePoint, 'sheet' | 'lengths'>): Found | null {
    return atOnce(this.folding(way, point));
  }

  /** Notes that a structure holds at a point; where its sizes run otherwise there, a structure of its own is made of it. */
  private met(way: Way, structure: Structure, folded: Folded, point: Pick<SizePoint, 'sheet' | 'lengths'>): Structure {
    const { model } = structure;
    if (model) {
      const sizes = flattened(measure(folded, 0));
      const at = { ...point, thicknessMm: 0 };
      const off = model.names.some(
        (name, r) => Math.abs(sizeAt(model, r, at) - sizes[name]) > AGREES * point.sheet.widthMm,
      );
      if (off) return this.keep(way, folded, point);
    }
    const shape = shapeOf(point);
    if (structure.shapes.length < MOST_SHAPES && structure.shapes.every((other) => apart(shape, other) > 1e-4))
      structure.shapes.push(shape);
    return structure;
  }

  private keep(way: Way, folded: Folded, { sheet, lengths }: Pick<SizePoint, 'sheet' | 'lengths'>): Structure {
    const [room] = measure(folded, 0).rooms;
    const filled = { ...room.sizes };
    const structure: Structure = {
      folded,
      lengths,
      model: sizeModel(way, folded, lengths),
      ...{ filled, room: { ...room, sizes: filled } },
      shapes: [shapeOf({ sheet, lengths })],
      missed: [],
    };
    const key = wayKey(way);
    this.structures.set(key, [...(this.structures.get(key) ?? []), structure]);
    return structure;
  }

  /**
   * What misses of each fold do to the sizes of a folded form: a miss is in millimetres, and so is what comes of it, so it is
   * the same for all sheets of the same proportions, to the last digit.
   */
  *missesAt({ structure, folded }: Found, lengths: readonly number[]): Generator<void, Missed, void> {
    const shape = shapeOf({ sheet: folded.size, lengths });
    const { missed } = structure;
    const known = missed.find((other) => apart(shape, other.shape) <= ALIKE);
    if (known) return known;
    const misses = yield* missesOf(folded);
    const found = { shape, misses, offsets: offsetsOf(this, misses) };
    missed.push(found);
    if (missed.length > MOST_MISSED) missed.splice(1, 1);
    return found;
  }

  /** Common random numbers, standard normal: the draws of the k-th cause. */
  luckOf(k: number): Float64Array {
    let draws = this.luck[k];
    if (!draws) {
      const normal = seededNormal(7_654_321 + 7919 * k);
      draws = this.luck[k] = Float64Array.from({ length: DRAWS }, normal);
    }
    return draws;
  }

  /**
   * Presses a soft room open, once for its kind: all sizes of it are alike, so what it holds goes with the cube of its scale.
   * It takes the better part of a second. A paper's thickness changes its shape by less than a part in a thousand.
   */
  *learningVolume({ folded }: Structure): Generator<void, void, void> {
    const [room] = measure(folded, 0).rooms;
    const { soft } = this.shelf.roomKind(room.kind);
    if (!soft || this.perCube.has(room.kind)) return;
    const opening = soft.open(room);
    let step = opening.next();
    while (!step.done) {
      yield;
      step = opening.next(false);
    }
    this.perCube.set(room.kind, step.value.volumeMm3 / soft.scaleMm(room) ** 3);
  }

  /** What a soft room holds at most, in ml; null until it has been learned, and for rigid rooms. */
  readonly mostMl = (room: Room): number | null => {
    const perCube = this.perCube.get(room.kind);
    const soft = this.shelf.roomKind(room.kind).soft;
    return perCube === undefined || !soft ? null : (perCube * soft.scaleMm(room) ** 3) / 1000;
  };

  /**
   * Folds every form, and learns what misses do to it: to be done when nobody asks anything. What is asked most comes
   * first: the usual ways of all forms, then their misses, then all other ways.
   */
  *warming(): Generator<void, void, void> {
    const ways = this.shelf.forms.map((form) => waysOf(form));
    const usual = ways.flatMap((all) => all.slice(0, 2));
    for (const way of usual) yield* this.knowing(way);
    for (const way of [...usual, ...ways.flatMap((all) => all.slice(2))])
      for (const structure of yield* this.knowing(way)) {
        yield* this.missesAt({ structure, folded: structure.folded }, structure.lengths);
        yield* this.learningVolume(structure);
      }
  }
}

/** The form folded anew, or null where it cannot be. */
function foldedOrNull(piece: Piece, way: Way, sheet: SheetSize, lengths: readonly number[]): Folded | null {
  try {
    return foldAnew(piece, sheet, paramsAt(way, lengths));
  } catch (error) {
    if (error instanceof RangeError || error instanceof FoldRefused) return null;
    throw error;
  }
}

/** Proportions of a sheet and its lengths. */
function shapeOf({ sheet: { widthMm, heightMm }, lengths }: Pick<SizePoint, 'sheet' | 'lengths'>): readonly number[] {
  return [heightMm / widthMm, ...lengths.map((mm) => mm / widthMm)];
}

/** The same for a shape against a sheet and lengths, written out: a search asks for thousands. */
function shapeApart(shape: readonly number[], { widthMm, heightMm }: SheetSize, lengths: readonly number[]): number {
  let most = Math.abs(shape[0] - heightMm / widthMm);
  for (let k = 0; k < lengths.length; k++) most = Math.max(most, Math.abs(shape[k + 1] - lengths[k] / widthMm));
  return most;
}

function apart(a: readonly number[], b: readonly number[]): number {
  let most = 0;
  for (let k = 0; k < a.length; k++) most = Math.max(most, Math.abs(a[k] - b[k]));
  return most;
}

/**
 * A sheet of usual size, with lengths in the middle of their ranges; null when there is none. Lengths that are settled may
 * not suit that sheet, so they count as open.
 */
function usualPoint(piece: Piece, { pinned: _, ...way }: Way): Pick<SizePoint, 'sheet' | 'lengths'> | null {
  const { sheetShape, leastSheetMm } = piece;
  const heightMm = Math.max(USUAL_MM, leastSheetMm);
  const [least, most] = sheetShape === 'square' ? [1, 1] : sheetShape.longPerShort;
  const sheet = { widthMm: heightMm * (least + Math.min(0.15, (most - least) / 2)), heightMm };
  const lengths: number[] = [];
  while (lengths.length < way.lengths.length) {
    const { from, to, stepMm } = marksOf(piece, way, sheet, lengths, 'mm');
    if (to < from) return null;
    lengths.push(stepMm * Math.round(from + 0.4 * (to - from)));
  }
  return { sheet, lengths };
}
