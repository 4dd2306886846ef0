import type Physics from '@dimforge/rapier3d-deterministic-compat';
import { seededRandom } from '../../measure/seeded-random';
import { COMFORTABLE, estimatePoured, type Filled, type PouredRange } from './estimate-poured';
import { likeBallMm, type PouredThing, sidesOf } from './poured-thing';
import type { Vessel } from './vessel';

/** The engine of bodies in motion, once it has begun: whoever asks hands it over, so that core holds none. */
export type BodyEngine = typeof Physics;

/** What is poured, and how. */
export interface PourAsked {
  readonly thing: PouredThing;
  /** Shaken from side to side after each handful. */
  readonly shaken: boolean;
  /** How many there are to pour; as many as go in when left out. */
  readonly count?: number;
  readonly seed: number;
}

/** Where bodies are: for each its middle in mm and how it is turned, seven numbers. */
export type BodiesShown = Float32Array;

/** How far a pour has come. */
export interface PourProgress {
  /** Of all that may be poured, from 0 to 1. */
  readonly share: number;
  readonly bodies: BodiesShown;
}

/** What a pour came to. */
export interface Poured {
  readonly inside: number;
  readonly spilled: number;
  /** How many lie wholly under each mark, as if what stands over it were struck off; heaped is all that stays. */
  readonly comfortable: number;
  readonly level: number;
  readonly heaped: number;
  /** False where there were fewer than go in, or more than are dropped here. */
  readonly full: boolean;
  readonly bodies: BodiesShown;
}

/** Between things, and between a thing and paper: dry and plain. Stated, since how much goes in follows from it. */
export const FRICTION = { things: 0.45, paper: 0.4 } as const;
/** More bodies than these are not dropped one by one: flat ones take longest. */
export const MOST_POURED = { ball: 240, block: 180, disc: 110, seed: 180 } as const;

/** One step of time and gravity, where a body is one long: things of any size fall alike then. */
const [STEP, GRAVITY] = [1 / 60, 10] as const;
/** Handfuls that fill a vessel, steps in which each comes to rest once it has fallen, and all of them at last. */
const [HANDFULS, SETTLE, REST] = [14, 25, 150] as const;
/** A handful hangs over the rim one above the other, a little closer than they are long, so that they come one after another. */
const [ABOVE, APART] = [0.8, 0.55] as const;
/** A picture is told every so many steps. */
const SHOWN_EVERY = 4;
const [SHAKES, SHAKE_STEPS] = [0.6, 50] as const;
/** A body that stands over a mark by less than this share of itself still counts as under it. */
const OVER = 0.15;
/** Spilled by so much of what lies in it, it is full. */
const SPILT = { least: 3, share: 0.06 } as const;

interface Dropped {
  readonly body: Physics.RigidBody;
  out: boolean;
}

/**
 * Drops things into an open piece handful by handful, until they run over or there are no more, and says how many lay under each
 * mark on the way. The same asked twice gives the same, in any program. Yields pictures; sent `true`, it stops.
 * @param engine begun beforehand
 */
export function* pouring(
  engine: BodyEngine,
  vessel: Vessel,
  asked: PourAsked,
): Generator<PourProgress, Poured | null, boolean> {
  const { thing, shaken, seed } = asked;
  const unit = likeBallMm(thing);
  const world = new engine.World({ x: 0, y: 0, z: -GRAVITY });
  try {
    world.timestep = STEP;
    const vertices = new Float32Array(vessel.triangles.flat().flatMap(({ x, y, z }) => [x / unit, y / unit, z / unit]));
    const indices = Uint32Array.from({ length: vertices.length / 3 }, (_, k) => k);
    world.createCollider(engine.ColliderDesc.trimesh(vertices, indices).setFriction(FRICTION.paper));
    const estimate = estimatePoured(vessel, thing, shaken);
    const most = Math.min(asked.count ?? Infinity, 2 * MOST_POURED[thing.shape], Math.ceil(1.8 * estimate.likely) + 8);
    const handful = Math.max(1, Math.ceil(estimate.likely / HANDFULS));
    const random = seededRandom(seed);
    const dropped: Dropped[] = [];
    const [low, rim] = [vessel.floorMm / unit, vessel.rimMm / unit];
    const height = rim - low;
    const reach = sidesOf(thing).map((mm) => mm / unit);
    /** Poured in the middle of the mouth, where a hand would. */
    const spread = middleOf(vessel, unit, reach[0]);
    let steps = 0;
    /** As long as the last of a handful falls from rest, however many there are. */
    const fall = Math.ceil(Math.sqrt((2 * reach[0] * (ABOVE + APART * handful)) / GRAVITY) / STEP) + SETTLE;
    const total = Math.ceil(most / handful) * (shaken ? 1.5 * fall + SHAKE_STEPS : fall) + REST;
    const shown = (): PourProgress => ({ share: Math.min(1, steps / total), bodies: shownOf(dropped, unit) });
    function* run(count: number): Generator<PourProgress, boolean, boolean> {
      for (let k = 0; k < count; k++) {
        world.step();
        for (const one of dropped)
          if (!one.out && one.body.translation().z < low - 2 * reach[0]) {
            one.out = true;
            one.body.setEnabled(false);
          }
        if (++steps % SHOWN_EVERY === 0 && (yield shown())) return false;
      }
      return true;
    }
    let full = false;
    while (dropped.length < most && !full) {
      const top = dropped.reduce((z, { out, body }) => (out ? z : Math.max(z, body.translation().z)), low);
      for (let k = 0; k < handful && dropped.length < most; k++) {
        const at = spread[Math.floor(random() * spread.length)];
        const up = Math.max(rim, top) + reach[0] * (ABOVE + APART * k);
        dropped.push({ body: drop(engine, world, thing, unit, { ...at, z: up }, random), out: false });
      }
      if (!(yield* run(fall))) return null;
      if (shaken) {
        for (let k = 0; k < SHAKE_STEPS; k++) {
          const side = GRAVITY * SHAKES * (Math.floor(k / 5) % 2 ? 1 : -1);
          world.gravity = { x: side, y: k % 20 < 10 ? side / 2 : -side / 2, z: -GRAVITY };
          for (const { body } of dropped) body.wakeUp();
          if (!(yield* run(1))) return null;
        }
        world.gravity = { x: 0, y: 0, z: -GRAVITY };
        if (!(yield* run(fall / 2))) return null;
      }
      const tops = topsOf(dropped, thing, unit);
      if (!tops.length) break;
      full = dropped.length - tops.length >= Math.max(SPILT.least, SPILT.share * tops.length);
    }
    if (!(yield* run(REST))) return null;
    const tops = topsOf(dropped, thing, unit);
    const under = (mark: number): number => tops.filter((top) => top <= mark + OVER).length;
    const inside = tops.length;
    return {
      inside,
      spilled: dropped.length - inside,
      comfortable: under(low + COMFORTABLE * height),
      level: under(rim),
      heaped: inside,
      full,
      bodies: shownOf(dropped, unit),
    };
  } finally {
    world.free();
  }
}

/** Cells of the mouth that are far enough from its edge, in bodies; its middle where none is. */
function middleOf(
  { mouth, cellMm }: Vessel,
  unit: number,
  long: number,
): readonly { readonly x: number; readonly y: number }[] {
  const cells = new Set(mouth.map(({ x, y }) => `${Math.round(x / cellMm)} ${Math.round(y / cellMm)}`));
  const clear = Math.max(1, Math.round((0.55 * long * unit) / cellMm));
  const inside = mouth.filter(({ x, y }) =>
    [
      [clear, 0],
      [-clear, 0],
      [0, clear],
      [0, -clear],
    ].every(([i, j]) => cells.has(`${Math.round(x / cellMm) + i} ${Math.round(y / cellMm) + j}`)),
  );
  const middle = mouth.reduce((sum, p) => ({ x: sum.x + p.x / mouth.length, y: sum.y + p.y / mouth.length }), {
    x: 0,
    y: 0,
  });
  return (inside.length ? inside : [middle]).map(({ x, y }) => ({ x: x / unit, y: y / unit }));
}

function drop(
  engine: BodyEngine,
  world: Physics.World,
  thing: PouredThing,
  unit: number,
  at: { readonly x: number; readonly y: number; readonly z: number },
  random: () => number,
): Physics.RigidBody {
  const turn = [0, 1, 2, 3].map(() => random() - 0.5);
  const size = Math.hypot(...turn) || 1;
  const [x, y, z, w] = turn.map((part) => part / size);
  const body = world.createRigidBody(
    engine.RigidBodyDesc.dynamic().setTranslation(at.x, at.y, at.z).setRotation({ x, y, z, w }).setCcdEnabled(true),
  );
  world.createCollider(shapeOf(engine, thing, unit).setFriction(FRICTION.things).setRestitution(0.1), body);
  return body;
}

/** A body's own axes: a disc's thickness and a seed's length run along its second. */
function shapeOf(engine: BodyEngine, thing: PouredThing, unit: number): Physics.ColliderDesc {
  const [a, b, c] = sidesOf(thing).map((mm) => mm / unit / 2);
  if (thing.shape === 'ball') return engine.ColliderDesc.ball(a);
  if (thing.shape === 'disc') return engine.ColliderDesc.cylinder(c, a);
  if (thing.shape === 'seed') return engine.ColliderDesc.capsule(a - b, b);
  return engine.ColliderDesc.cuboid(a, b, c);
}

/** How high each body reaches that is still inside, in bodies. */
function topsOf(dropped: readonly Dropped[], thing: PouredThing, unit: number): readonly number[] {
  const [a, b, c] = sidesOf(thing).map((mm) => mm / unit / 2);
  return dropped.flatMap(({ body, out }) => {
    if (out) return [];
    const { z } = body.translation();
    const q = body.rotation();
    // The third row of its turn: how far each of its own axes points up.
    const up = [2 * (q.x * q.z - q.w * q.y), 2 * (q.y * q.z + q.w * q.x), 1 - 2 * (q.x ** 2 + q.y ** 2)].map(Math.abs);
    if (thing.shape === 'ball') return [z + a];
    if (thing.shape === 'disc') return [z + c * up[1] + a * Math.sqrt(Math.max(0, 1 - up[1] ** 2))];
    if (thing.shape === 'seed') return [z + b + (a - b) * up[1]];
    return [z + a * up[0] + b * up[1] + c * up[2]];
  });
}

function shownOf(dropped: readonly Dropped[], unit: number): BodiesShown {
  const there = dropped.filter(({ out }) => !out);
  const shown = new Float32Array(7 * there.length);
  there.forEach(({ body }, k) => {
    const [p, q] = [body.translation(), body.rotation()];
    shown.set([p.x * unit, p.y * unit, p.z * unit, q.x, q.y, q.z, q.w], 7 * k);
  });
  return shown;
}

/** Whether so many are dropped one by one; else there is the estimate alone. */
export const isDropped = (thing: PouredThing, likely: number): boolean => likely <= MOST_POURED[thing.shape];

/** What several pours say together: each mark from least to most, and its middle. */
export function pouredTogether(all: readonly Poured[]): Filled {
  const range = (read: (one: Poured) => number): PouredRange => {
    const sorted = all.map(read).sort((a, b) => a - b);
    return { least: sorted[0], likely: sorted[Math.floor(sorted.length / 2)], most: sorted[sorted.length - 1] };
  };
  return {
    comfortable: range((one) => one.comfortable),
    level: range((one) => one.level),
    heaped: range((one) => one.heaped),
  };
}
