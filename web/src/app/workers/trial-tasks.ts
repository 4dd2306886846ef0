import {
  apply,
  assemblyScene,
  BEAD_MATERIALS,
  type BeadMaterialId,
  type BodyEngine,
  type BodiesShown,
  boundsOf,
  entriesOf,
  estimateFilled,
  type Filled,
  floatHull,
  type Floating,
  foldAnew,
  foldMake,
  foldMissed,
  formById,
  heeling,
  type HullShape,
  hullShapeOf,
  isDropped,
  isSoft,
  type LoadAt,
  type Make,
  mostMoreG,
  openedScene,
  placedOutline,
  type PaperScene,
  pieceScene,
  type Point3,
  type Poured,
  type PouredThing,
  pouredTogether,
  pouring,
  type Righting,
  type RollEnd,
  rollingDown,
  roomUpTo,
  SHELF,
  type Sinks,
  standingTrack,
  type TrackShape,
  type Vessel,
  vesselOf,
} from '@odd-corner/core';
import { type Attempt, attempt } from './attempt';
import { inSlices, pause } from './in-slices';
import { atOnceStopping, openedOf } from './opened-make';
import { tipTask } from './tip-task';
import { POURS, TRACKS } from './trial-counts';

/** What is poured into a make, and how. */
export interface PourTask {
  readonly make: Make;
  readonly thing: PouredThing;
  readonly shaken: boolean;
}

/** What is known of a pour so far: its estimate at once, then where things lie, and at last what all pours came to. */
export interface PourTold {
  readonly estimate: Filled;
  /** The room up to the rim, in ml. */
  readonly roomMl: number;
  readonly scene: PaperScene;
  /** Of all pours, from 0 to 1. */
  readonly share: number;
  readonly bodies: BodiesShown;
  /** Null as long as it is not known, and where there are too many to be dropped one by one. */
  readonly filled: Filled | null;
  readonly pours: number;
  readonly dropped: boolean;
}

/** A boat with its loads. */
export interface FloatTask {
  readonly make: Make;
  /** What the boat weighs itself. */
  readonly paperG: number;
  readonly loads: readonly LoadAt[];
  /** Where more would be put. */
  readonly more: Point3;
}

export interface FloatTold {
  readonly hull: HullShape;
  readonly afloat: Omit<Floating, 'under'> | Sinks;
  /** How much more it carries there until the water comes over its side, in g. */
  readonly moreG: number;
  readonly arms: readonly Righting[];
  readonly lost: { readonly deg: number; readonly by: 'water' | 'tipping' } | null;
}

/** A bead down a track. */
export interface RollTask {
  readonly make: Make;
  readonly diameterMm: number;
  readonly material: BeadMaterialId;
  readonly moreDeg: number;
  /** How far the tips are lifted, in degrees; as the form has it when null. */
  readonly liftDeg: number | null;
  readonly beads: number;
  readonly everyS: number;
}

export interface RollTold {
  readonly scene: PaperScene;
  readonly share: number;
  readonly beads: BodiesShown;
  readonly ends: readonly RollEnd[] | null;
  readonly segments: number;
  readonly liftDeg: number;
}

/** One bead down tracks of another slope, other strips or other lift: what would help. */
export interface RollTry {
  readonly what: string;
  readonly end: RollEnd;
}

/** How often it works out when a hand folds it. */
export interface RollChance {
  readonly tracks: number;
  readonly through: number;
}

/** Their number goes into a message as often as this. */
const TOLD_EVERY = 4;

const NO_BODIES = new Float32Array();

/** A make as it stands open for filling. */
function openScene(asked: Make): PaperScene {
  const made = foldMake(asked);
  const [{ sizes, folding }] = made.entries.values();
  const opened = openedOf(asked, made);
  if (opened) return openedScene(opened);
  if (made.assembly.states.closed.length > 1) return assemblyScene(made.assembly);
  return pieceScene(folding.open ?? folding.finished, sizes);
}

const vesselIn = ({ piece }: PaperScene): Vessel | null => vesselOf(piece.map(({ corners }) => corners));

const asBodies = (points: readonly Point3[]): BodiesShown =>
  Float32Array.from(points.flatMap(({ x, y, z }) => [x, y, z, 0, 0, 0, 1]));

/** The piece that a make is tried with, folded. */
function firstFolded(make: Make) {
  const form = formById(make.formId);
  const [entry] = entriesOf(form, make.params);
  const { sheet, params } = make.entries[entry.key];
  return foldAnew(SHELF.piece(entry.pieceId), sheet, { ...entry.params, ...params });
}

/** The standing track of a make, folded as it should be. */
function trackOf(make: Make) {
  const folded = firstFolded(make);
  const run = folded.piece.runs?.(folded.sheet, folded.params);
  if (!run) throw new RangeError('No bead rolls down this.');
  return { folded, run };
}

function rolled(task: RollTask, shape = standing(task)): RollEnd {
  const { diameterMm, material, moreDeg } = task;
  return atOnceStopping(rollingDown(shape, { diameterMm, material: BEAD_MATERIALS[material], moreDeg }))![0];
}

function standing({ make, liftDeg }: Pick<RollTask, 'make' | 'liftDeg'>): TrackShape {
  const { folded, run } = trackOf(make);
  return withTray(make, standingTrack(folded.folding.finished, run, liftDeg ?? run.liftDeg));
}

/** A track with its catch tray where the make has one. */
function withTray(make: Make, track: TrackShape): TrackShape {
  const { entries, assembly } = foldMake(make);
  const [own] = entries.keys();
  const trays = assembly.states.closed.filter(({ ref }) => ref.entry !== own);
  const faces = trays.flatMap(({ shape, motion }) =>
    isSoft(shape) ? [] : shape.pattern.faces.map((_, f) => placedOutline(shape, f).map((p) => apply(motion, p))),
  );
  return faces.length ? { ...track, faces: [...track.faces, ...faces], tray: boundsOf(faces) } : track;
}

/**
 * What can be tried of a make before it is folded from good paper.
 * @param load brings the engine of bodies in motion, which is large, when something is first poured
 */
export function trialTasks(load: () => Promise<BodyEngine>) {
  return {
    /**
     * Pours things into a make several times. @param tell called with what is known so far
     * @param wanted asked now and then; false stops the work
     */
    async pour(
      { make, thing, shaken }: PourTask,
      tell: (told: PourTold) => void,
      wanted: () => Promise<boolean>,
    ): Promise<Attempt<PourTold> | null> {
      const opened = attempt(() => openScene(make));
      if (!opened.ok) return opened;
      const scene = opened.value;
      const vessel = vesselIn(scene);
      if (!vessel) return { ok: false, why: 'It holds nothing that is poured: it is not shut in all round.' };
      const estimate = estimateFilled(vessel, thing, shaken);
      const dropped = isDropped(thing, estimate.level.likely);
      const told = (more: Partial<PourTold>): PourTold => ({
        ...{ estimate, scene, dropped, roomMl: roomUpTo(vessel) / 1000, share: 0, bodies: NO_BODIES },
        ...{ filled: null, pours: 0, ...more },
      });
      tell(told({}));
      if (!dropped) return { ok: true, value: told({ share: 1 }) };
      const engine = await load();
      const all: Poured[] = [];
      let stopped = false;
      for (let seed = 1; seed <= POURS; seed++) {
        const poured = await inSlices(
          pouring(engine, vessel, { thing, shaken, seed }),
          ({ share, bodies }) => {
            tell(told({ share: (seed - 1 + share) / POURS, bodies, pours: all.length }));
            void wanted().then((still) => (stopped = !still));
          },
          () => stopped,
        );
        if (!poured) return null;
        all.push(poured);
      }
      const last = all[all.length - 1];
      return {
        ok: true,
        value: told({ share: 1, bodies: last.bodies, filled: pouredTogether(all), pours: all.length }),
      };
    },

    /** How a boat lies with its loads, and what it still takes. */
    afloat({ make, paperG, loads, more }: FloatTask): Attempt<FloatTold> {
      return attempt(() => {
        const [{ sizes }] = foldMake(make).entries.values();
        const hull = hullShapeOf(sizes.rooms[0]);
        if (!hull) throw new RangeError('That does not float.');
        const lies = floatHull(hull, loads, paperG);
        const heel = lies.sinks ? null : heeling(hull, loads, paperG);
        const afloat = lies.sinks ? lies : told(lies);
        return {
          ...{ hull, afloat, moreG: mostMoreG(hull, loads, paperG, more) },
          ...{ arms: heel?.arms ?? [], lost: heel?.lost ?? null },
        };
      });
    },

    /** What comes of long things that stand in a make, all on one side. */
    tip: tipTask(),

    /** Lets beads roll down the track of a make. */
    async roll(
      task: RollTask,
      tell: (told: RollTold) => void,
      wanted: () => Promise<boolean>,
    ): Promise<Attempt<RollTold> | null> {
      const track = attempt(() => trackOf(task.make));
      if (!track.ok) return track;
      const { folded, run } = track.value;
      const { diameterMm, material, moreDeg, beads, everyS } = task;
      const liftDeg = task.liftDeg ?? run.liftDeg;
      const shape = withTray(task.make, standingTrack(folded.folding.finished, run, liftDeg));
      const scene: PaperScene = {
        ...pieceScene(folded.folding.finished, folded.piece.sizes(folded.folding, folded.sheet, folded.params, 0.1)),
        // As it stands with its tips lifted, seen from both sides.
        piece: shape.faces.flatMap((corners) => [
          { corners, side: 'colour' as const },
          { corners: [...corners].reverse(), side: 'white' as const },
        ]),
        contents: [],
      };
      const told = (more: Partial<RollTold>): RollTold => ({
        ...{ scene, liftDeg, segments: shape.path.length - 1, share: 0, beads: NO_BODIES, ends: null, ...more },
      });
      let stopped = false;
      const asked = { diameterMm, material: BEAD_MATERIALS[material], moreDeg, beads, everyS };
      let last: readonly Point3[] = [];
      const ends = await inSlices(
        rollingDown(shape, asked),
        ({ share, beads: at }) => {
          last = at;
          tell(told({ share, beads: asBodies(at) }));
          void wanted().then((still) => (stopped = !still));
        },
        () => stopped,
      );
      return ends && { ok: true, value: told({ share: 1, ends, beads: asBodies(last) }) };
    },

    /** What would change how a bead gets down: another slope, other strips, other tips. */
    async rollTries(task: RollTask, tell: (one: RollTry) => void, wanted: () => Promise<boolean>): Promise<void> {
      const { folded, run } = trackOf(task.make);
      const lift = task.liftDeg ?? run.liftDeg;
      const tries: readonly (readonly [string, () => RollEnd])[] = [
        ...[-1, 1, 2, 4].map(
          (deg) =>
            [
              deg < 0
                ? 'The high end one degree lower'
                : `The high end ${deg === 1 ? 'one degree' : `${deg} degrees`} higher`,
              () => rolled({ ...task, moreDeg: task.moreDeg + deg }),
            ] as const,
        ),
        ...[lift - 10, lift + 10]
          .filter((deg) => deg >= 0 && deg <= 45)
          .map(
            (deg) => [`Tips lifted by ${deg}° instead of ${lift}°`, () => rolled({ ...task, liftDeg: deg })] as const,
          ),
        // Whatever else the form lets one choose, from the same sheet.
        ...folded.piece.fields.flatMap(({ key, label, input }) =>
          input.kind !== 'choice'
            ? []
            : input.options
                .filter(({ value }) => value !== (folded.params as Readonly<Record<string, unknown>>)[key])
                .map(
                  (option) =>
                    [
                      `${label}: ${option.label.toLowerCase()}, from the same sheet`,
                      () => rolled({ ...task, make: withParam(task.make, key, option.value) }),
                    ] as const,
                ),
        ),
      ];
      for (const [what, end] of tries) {
        const found = attempt(end);
        if (found.ok) tell({ what, end: found.value });
        if (!(await wanted())) return;
        await pause();
      }
    },

    /** How often a bead gets down a track that a hand has folded which misses by so much. */
    async rollChance(
      task: RollTask,
      handMm: number,
      tell: (chance: RollChance) => void,
      wanted: () => Promise<boolean>,
    ): Promise<void> {
      const { folded, run } = trackOf(task.make);
      const { finished } = folded.folding;
      let through = 0;
      for (let n = 1; n <= TRACKS; n++) {
        const missed = foldMissed(folded, { sigmaMm: handMm, seed: n }).finished.pattern.vertices;
        const shape = standingTrack(finished, run, task.liftDeg ?? run.liftDeg, missed);
        if (rolled(task, shape).how === 'through') through++;
        if (n % TOLD_EVERY === 0) {
          tell({ tracks: n, through });
          if (!(await wanted())) return;
          await pause();
        }
      }
    },
  };
}

export type TrialTasks = ReturnType<typeof trialTasks>;

/** How a boat lies, as it can be sent: a cut through it answers questions, and those are not sent. */
function told({ under: _, ...rest }: Floating): Omit<Floating, 'under'> {
  return rest;
}

/** The same make with another parameter, of the whole and of the piece that is tried. */
function withParam(make: Make, key: string, value: unknown): Make {
  const [entry] = entriesOf(formById(make.formId), make.params);
  const own = make.entries[entry.key];
  return {
    ...make,
    params: { ...(make.params as object), [key]: value },
    entries: { ...make.entries, [entry.key]: { ...own, params: { ...own.params, [key]: value } } },
  };
}
