import fc from 'fast-check';
import {
  type AssemblyStep,
  FoldRefused,
  IDENTITY,
  type Joint,
  type KnownLayers,
  place,
  putTogether,
  sideOfFace,
  Together,
} from '../../src/index';
import { expectPaper } from '../paper-laws';
import {
  FLOOR,
  type FloorPart,
  octagonUnit,
  onSheet,
  pointCreases,
  part,
  pointJoints,
  putUnit,
  ringJoints,
  unitMotion,
  unitRef,
  WRAPPED,
} from './octagon-ring';

const EIGHT = [0, 1, 2, 3, 4, 5, 6, 7];

/** One unit is put to another until the last one's flaps go under the first; then all points are wrapped at once. */
function steps(side: number): readonly AssemblyStep[] {
  const unit = octagonUnit(side);
  const put = EIGHT.map((j): AssemblyStep => ({
    id: `unit ${j}`,
    title: `Unit ${j + 1}`,
    words: 'Slide the tab into the slot.',
    puts: [...(j ? [{ step: `unit ${j - 1}`, motion: IDENTITY }] : []), putUnit(side, unit, j)],
    joints: EIGHT.slice(0, j).flatMap((i) => [
      ...(j - i === 1 ? ringJoints(side, i, j) : j - i <= 3 ? pointJoints(side, j, i) : []),
      ...(i + 8 - j === 1 ? ringJoints(side, j, i) : i + 8 - j <= 3 ? pointJoints(side, i, j) : []),
    ]),
  }));
  const wrap: AssemblyStep = {
    id: 'wrap',
    title: 'Wrap the points',
    words: 'Wrap each point round the fold that it crosses, behind both layers.',
    puts: [{ step: 'unit 7', motion: IDENTITY }],
    joints: [],
    work: (hand, at) => {
      const before = (j: number): number => (j + 7) % 8;
      const known = EIGHT.map((j): KnownLayers => ({
        point: at(unitRef(before(j)), onSheet(side, ...FLOOR.pleat.at)),
        other: at(unitRef(j), onSheet(side, ...WRAPPED.pleatPoint.at)),
        lies: 'over',
      }));
      hand.collapse(
        EIGHT.flatMap((j) => pointCreases(side, j, at)),
        at(unitRef(0), onSheet(side, ...FLOOR.right.at)),
        known,
      );
    },
  };
  return [...put, wrap];
}

/** Pairs of floor parts that lie on each other in another order than was worked out by hand, and how many were compared. */
function againstDepths(ring: Together, side: number, parts: Readonly<Record<string, FloorPart>>) {
  const { pose } = ring;
  const wrong: string[] = [];
  let compared = 0;
  const all = EIGHT.flatMap((j) =>
    Object.entries(parts).map(([name, { at, depth }]) => ({
      ...{ j, name, depth },
      face: ring.faceOf({ body: unitRef(j), at: onSheet(side, ...at) }),
    })),
  );
  for (const a of all)
    for (const b of all) {
      const ahead = ((b.j - a.j + 12) % 8) - 4;
      const side = sideOfFace(pose.order, a.face, b.face);
      if (side === 0 || Math.abs(ahead) > 3) continue;
      compared++;
      // Seen from inside, where the viewer is: what has the larger depth lies under the other.
      const over = side * Math.sign(pose.placed[a.face][8]);
      if (over !== Math.sign(a.depth - (b.depth + 3 * ahead))) wrong.push(`${a.name} ${a.j}, ${b.name} ${b.j}`);
    }
  return { wrong, compared };
}

describe('a ring of eight slotted units', () => {
  const side = fc.sample(fc.double({ min: 75, max: 300, noNaN: true }), 1)[0];
  const ends = putTogether(steps(side));
  const closed = ends[7].after;
  const locked = ends[8].after;

  it('closes to 1e-9: every unit, from its own floor, lies where a turn of an eighth has it', () => {
    const { pattern, angles, pinned, frame, others } = locked.pose;
    expect(place(pattern, angles, pinned, frame, others).residual).toBeLessThan(1e-9);
    expect(others).toHaveLength(7);
    expectPaper(locked.pose, 8 * side * side);
  });

  it('lies as was worked out by hand: the last flaps under the first, every point over three units', () => {
    const { wrong, compared } = againstDepths(closed, side, FLOOR);
    expect(wrong).toEqual([]);
    expect(compared).toBeGreaterThan(300);
  });

  it('wraps its points behind both layers of the neighbour’s fold', () => {
    const { wrong, compared } = againstDepths(locked, side, { ...FLOOR, ...WRAPPED });
    expect(wrong).toEqual([]);
    expect(compared).toBeGreaterThan(400);
  });

  it('is refused when a tab goes through a face, and when a unit lies wholly on the one before', () => {
    const unit = octagonUnit(side);
    const [first, second] = [putUnit(side, unit, 0), putUnit(side, unit, 1)];
    const turnedShort = { ...second, motion: unitMotion(side, 0.9) };
    expect(() => Together.of([first, turnedShort])).toThrow(FoldRefused);
    // The wall asks for the tab under the bottom flap, and so for the floor under the pleat.
    const onTop: Joint = {
      kind: 'under',
      layer: part(side, 0, 'pleat'),
      of: { ...part(side, 1, 'left'), side: 'coloured' },
    };
    const [slot] = ringJoints(side, 0, 1);
    expect(() => Together.of([first, second], [slot, onTop])).toThrow('pass through each other');
    expect(() => Together.of([first, second], [slot])).not.toThrow();
  });

  it('is put together in its order alone', () => {
    const [first, , third] = steps(side);
    expect(() => putTogether([first, third])).toThrow('comes after “unit 1”');
  });
});
