import { cross, dot, lengthOf, minus, plus, type Point3, scaledBy, unitOf } from '../../measure/vector3';

/** What a bead is made of, as it rolls on paper. Assumed, from handbooks' ranges: paper differs more than beads do. */
export interface BeadMaterial {
  readonly name: string;
  /** Rolling resistance as an arm, as a share of its radius. */
  readonly rolls: number;
  /** How much of its speed it keeps when it bounces off paper, and sliding friction. */
  readonly bounces: number;
  readonly slides: number;
}

export const BEAD_MATERIALS = {
  wood: { name: 'Wood', rolls: 0.01, bounces: 0.3, slides: 0.4 },
  glass: { name: 'Glass', rolls: 0.006, bounces: 0.4, slides: 0.3 },
  plastic: { name: 'Plastic', rolls: 0.01, bounces: 0.35, slides: 0.35 },
  steel: { name: 'Steel', rolls: 0.005, bounces: 0.35, slides: 0.3 },
  felt: { name: 'Felt', rolls: 0.025, bounces: 0.1, slides: 0.6 },
} as const satisfies Record<string, BeadMaterial>;

export type BeadMaterialId = keyof typeof BEAD_MATERIALS;

/** In mm/s². */
const GRAVITY = 9810;
/** A moment of time, in s: a bead moves by less than a tenth of the smallest in it. */
export const MOMENT_S = 1 / 1200;
/** Bodies that meet slower than this do not bounce, in mm/s. */
const SOFT_MM_S = 25;
/** Bodies may sink into each other by so much, in mm: pushed out further they would never touch. */
const SLOP_MM = 0.004;
const PUSHED = 0.4;
const ROUNDS = 5;
/** Faces are looked for anew when a bead has moved by so many of its radii. */
const NEAR_RADII = 0.6;
/** Two faces that lie as one give one contact. */
const ALIKE = 0.985;

/** A bead as it moves: solid, of one kilogram; how heavy it is changes nothing. */
interface Bead {
  at: Point3;
  /** Faces near it, and where it was when they were looked for. */
  near: readonly Face[];
  seenAt: Point3;
  speed: Point3;
  /** How fast it turns, in radians a second about each axis. */
  spin: Point3;
}

/** A flat face that beads run on, from both sides. */
interface Face {
  readonly corners: readonly Point3[];
  readonly normal: Point3;
  readonly low: Point3;
  readonly high: Point3;
}

interface Contact {
  readonly bead: Bead;
  readonly other: Bead | null;
  /** From what is touched to the bead. */
  readonly normal: Point3;
  readonly deep: number;
  /** Speed at which it has to leave. */
  readonly leaves: number;
  pushed: number;
  rubbed: Point3;
}

const ZERO: Point3 = { x: 0, y: 0, z: 0 };

const faceOf = (corners: readonly Point3[]): Face | null => {
  let normal = ZERO;
  corners.forEach((p, k) => (normal = plus(normal, cross(p, corners[(k + 1) % corners.length]))));
  if (lengthOf(normal) < 1e-9) return null;
  const span = (pick: (...all: number[]) => number): Point3 => ({
    x: pick(...corners.map((p) => p.x)),
    y: pick(...corners.map((p) => p.y)),
    z: pick(...corners.map((p) => p.z)),
  });
  return { corners, normal: unitOf(normal), low: span(Math.min), high: span(Math.max) };
};

/** The point of a convex face that is nearest to another. */
function nearestOn({ corners, normal }: Face, p: Point3): Point3 {
  const foot = minus(p, scaledBy(normal, dot(normal, minus(p, corners[0]))));
  let inside = true;
  let best = corners[0];
  let least = Infinity;
  for (let k = 0; k < corners.length; k++) {
    const [a, b] = [corners[k], corners[(k + 1) % corners.length]];
    const side = minus(b, a);
    if (dot(cross(side, minus(foot, a)), normal) >= 0) continue;
    inside = false;
    const t = Math.max(0, Math.min(1, dot(minus(p, a), side) / dot(side, side)));
    const on = plus(a, scaledBy(side, t));
    const away = minus(p, on);
    const far = dot(away, away);
    if (far < least) [least, best] = [far, on];
  }
  return inside ? foot : best;
}

/** Beads on flat faces under gravity: they roll without sliding as far as friction holds, bounce, and meet each other. */
export class Rolling {
  private readonly faces: readonly Face[];
  readonly beads: Bead[] = [];
  private readonly gravity: Point3;

  /**
   * @param faces convex, each by its corners, in mm
   * @param down which way things fall, for a track that stands on something that leans
   */
  constructor(
    faces: readonly (readonly Point3[])[],
    readonly radiusMm: number,
    private readonly material: BeadMaterial,
    down: Point3 = { x: 0, y: 0, z: -1 },
  ) {
    this.faces = faces.flatMap((corners) => faceOf(corners) ?? []);
    this.gravity = scaledBy(unitOf(down), GRAVITY);
  }

  add(at: Point3): void {
    this.beads.push({ at, speed: ZERO, spin: ZERO, near: this.near(at), seenAt: at });
  }

  /** How far a point is from the nearest face, in mm. */
  clearanceMm(p: Point3): number {
    return Math.min(...this.faces.map((face) => lengthOf(minus(p, nearestOn(face, p)))));
  }

  /** One moment further. */
  step(): void {
    const contacts = this.beads.flatMap((bead, k) => this.contactsOf(bead, k));
    for (const bead of this.beads) bead.speed = plus(bead.speed, scaledBy(this.gravity, MOMENT_S));
    for (let round = 0; round < ROUNDS; round++) for (const contact of contacts) this.meet(contact);
    for (const contact of contacts) this.resist(contact);
    for (const { bead, other, normal, deep } of contacts) {
      const out = PUSHED * Math.max(0, deep - SLOP_MM);
      bead.at = plus(bead.at, scaledBy(normal, other ? out / 2 : out));
      if (other) other.at = minus(other.at, scaledBy(normal, out / 2));
    }
    for (const bead of this.beads) bead.at = plus(bead.at, scaledBy(bead.speed, MOMENT_S));
  }

  /** Faces that a bead may touch before it has moved much. */
  private near({ x, y, z }: Point3): readonly Face[] {
    const r = (1 + NEAR_RADII) * this.radiusMm;
    return this.faces.filter(
      ({ low, high }) =>
        x > low.x - r && x < high.x + r && y > low.y - r && y < high.y + r && z > low.z - r && z < high.z + r,
    );
  }

  private contactsOf(bead: Bead, k: number): Contact[] {
    const { radiusMm: r, material } = this;
    const found: Contact[] = [];
    const touch = (normal: Point3, deep: number, other: Bead | null): void => {
      const towards = dot(other ? minus(bead.speed, other.speed) : bead.speed, normal);
      const leaves = towards < -SOFT_MM_S ? -material.bounces * towards : 0;
      found.push({ bead, other, normal, deep, leaves, pushed: 0, rubbed: ZERO });
    };
    if (lengthOf(minus(bead.at, bead.seenAt)) > NEAR_RADII * r)
      [bead.near, bead.seenAt] = [this.near(bead.at), bead.at];
    for (const face of bead.near) {
      const { x, y, z } = bead.at;
      const { low, high } = face;
      if (x < low.x - r || x > high.x + r || y < low.y - r || y > high.y + r || z < low.z - r || z > high.z + r)
        continue;
      const away = minus(bead.at, nearestOn(face, bead.at));
      const far = lengthOf(away);
      if (far >= r || far < 1e-9) continue;
      const normal = scaledBy(away, 1 / far);
      const like = found.findIndex((one) => dot(one.normal, normal) > ALIKE);
      if (like < 0) touch(normal, r - far, null);
      else if (found[like].deep < r - far) {
        found.splice(like, 1);
        touch(normal, r - far, null);
      }
    }
    for (const other of this.beads.slice(k + 1)) {
      const away = minus(bead.at, other.at);
      const far = lengthOf(away);
      if (far < 2 * r && far > 1e-9) touch(scaledBy(away, 1 / far), 2 * r - far, other);
    }
    return found;
  }

  /** Pushes apart what meets, and rubs as far as friction holds; what was pushed so far in this moment is added up. */
  private meet(contact: Contact): void {
    const { bead, other, normal, leaves } = contact;
    const r = this.radiusMm;
    const [mass, turn] = other ? [2, 2] : [1, 1];
    const speed = (): Point3 => {
      const own = minus(bead.speed, scaledBy(cross(bead.spin, normal), r));
      return other ? minus(own, plus(other.speed, scaledBy(cross(other.spin, normal), r))) : own;
    };
    const push = Math.max(0, contact.pushed + (leaves - dot(speed(), normal)) / mass);
    this.strike(contact, scaledBy(normal, push - contact.pushed));
    contact.pushed = push;
    const now = speed();
    const along = minus(now, scaledBy(normal, dot(now, normal)));
    // A solid ball: a rub at its surface moves and turns it, seven halves of what a push through its middle does.
    const wanted = minus(contact.rubbed, scaledBy(along, 1 / (mass + 2.5 * turn)));
    const most = this.material.slides * contact.pushed;
    const size = lengthOf(wanted);
    const rubbed = size > most ? scaledBy(wanted, most / (size || 1)) : wanted;
    this.strike(contact, minus(rubbed, contact.rubbed));
    contact.rubbed = rubbed;
  }

  private strike({ bead, other, normal }: Contact, impulse: Point3): void {
    // Its arm is the radius towards what it touches; a solid ball's moment of inertia is 2/5 r².
    const turn = scaledBy(cross(normal, impulse), -2.5 / this.radiusMm);
    bead.speed = plus(bead.speed, impulse);
    bead.spin = plus(bead.spin, turn);
    if (!other) return;
    other.speed = minus(other.speed, impulse);
    other.spin = plus(other.spin, turn);
  }

  /** Paper gives way under a bead and holds its turning back, about whatever axis: never more than it turns. */
  private resist({ bead, pushed }: Contact): void {
    const { spin } = bead;
    const size = lengthOf(spin);
    if (!size) return;
    const most = (2.5 * this.material.rolls * pushed) / this.radiusMm;
    bead.spin = scaledBy(spin, Math.max(0, 1 - most / size));
  }
}
