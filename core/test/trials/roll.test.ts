import * as fc from 'fast-check';
import {
  BEAD_MATERIALS,
  foldAnew,
  type Folded,
  foldMissed,
  MOMENT_S,
  type RollAsked,
  type RollEnd,
  Rolling,
  rollingDown,
  SHELF,
  standingTrack,
} from '../../src/index';
import { EVEN, gain, GRAVITY, incline } from './incline';

describe('a bead on flat faces', () => {
  it('rolls down an incline without sliding as five sevenths of what falls', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 25, noNaN: true }),
        fc.double({ min: 2, max: 12, noNaN: true }),
        (deg, radius) => {
          const told = (5 / 7) * GRAVITY * Math.sin((deg * Math.PI) / 180);
          expect(Math.abs(gain(deg, radius) / told - 1)).toBeLessThan(0.005);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('is held back by paper that gives way, and stays where that is more than the slope', () => {
    const sine = Math.sin((3 * Math.PI) / 180);
    const told = (5 / 7) * GRAVITY * (sine - 0.02 * Math.cos((3 * Math.PI) / 180));
    expect(gain(3, 5, { ...EVEN, rolls: 0.02 }) / told).toBeCloseTo(1, 1);
    expect(gain(3, 5, { ...EVEN, rolls: 0.06 })).toBeLessThan(5);
  });

  it('slides where friction does not hold it, as a block with that friction does', () => {
    const [c, s] = [Math.cos(Math.PI / 4), Math.sin(Math.PI / 4)];
    expect(gain(45, 5, { ...EVEN, slides: 0.1 }) / (GRAVITY * (s - 0.1 * c))).toBeCloseTo(1, 2);
  });

  it('hands its speed on to another that it meets, and none is gained', () => {
    const { on, faces } = incline(0);
    const rolling = new Rolling(faces, 5, { ...EVEN, bounces: 1 });
    for (const u of [0, 60]) rolling.add(on(u, 0, 5));
    rolling.beads[0].speed = { x: 300, y: 0, z: 0 };
    for (let k = 0; k < 0.35 / MOMENT_S; k++) rolling.step();
    const [one, other] = rolling.beads.map(({ speed }) => speed.x);
    expect(other).toBeGreaterThan(0.5 * one);
    expect(other).toBeGreaterThan(50);
    expect(one + other).toBeLessThanOrEqual(301);
  });
});

describe('a bead down a track', () => {
  const track = (id: string, mm: number): Folded => foldAnew(SHELF.piece(id), { widthMm: mm, heightMm: mm }, {});
  const straight = track('bead-track-straight', 170);
  const tapered = track('bead-track', 170);
  const roll = (
    { piece, sheet, params, folding }: Folded,
    asked: RollAsked,
    lift?: number,
    missed?: Folded['folding'],
  ) => {
    const run = piece.runs!(sheet, params);
    const shape = standingTrack(folding.finished, run, lift ?? run.liftDeg, missed?.finished.pattern.vertices);
    const rolling = rollingDown(shape, asked);
    let next = rolling.next();
    while (!next.done) next = rolling.next(false);
    return next.value!;
  };
  const [wood, felt, steel] = [BEAD_MATERIALS.wood, BEAD_MATERIALS.felt, BEAD_MATERIALS.steel];

  it.each([
    ['a straight', straight],
    ['a tapered', tapered],
  ])('gets through %s one when it is of wood, and is slowed by felt', (_, folded) => {
    const [through] = roll(folded, { diameterMm: 8, material: wood });
    expect(through).toMatchObject({ how: 'through', segment: 7 });
    expect(through.seconds).toBeGreaterThan(2);
    const [slow] = roll(folded, { diameterMm: 8, material: felt });
    expect(slow.how === 'stalls' || slow.seconds > 1.5 * through.seconds).toBe(true);
  });

  it('stalls no more when the high end is raised', () => {
    expect(roll(straight, { diameterMm: 8, material: felt })[0].how).toBe('stalls');
    expect(roll(straight, { diameterMm: 8, material: felt, moreDeg: 3 })[0].how).toBe('through');
  });

  it('jumps out of corner walls that were not lifted, and stays in those that were', () => {
    expect(roll(tapered, { diameterMm: 5, material: steel }, 0)[0].how).toBe('jumps');
    expect(roll(tapered, { diameterMm: 5, material: steel })[0].how).toBe('through');
  });

  it('follows others, each told by itself, and a hand that misses a little does not stop it', () => {
    const all = roll(straight, { diameterMm: 6, material: wood, beads: 2, everyS: 1 });
    expect(all.map(({ how }: RollEnd) => how)).toEqual(['through', 'through']);
    const missed = foldMissed(straight, { sigmaMm: 0.3, seed: 5 });
    expect(roll(straight, { diameterMm: 8, material: wood }, undefined, missed)[0].how).toBe('through');
  });

  it('can be stopped on the way', () => {
    const run = straight.piece.runs!(straight.sheet, straight.params);
    const rolling = rollingDown(standingTrack(straight.folding.finished, run, 0), { diameterMm: 8, material: wood });
    expect(rolling.next().done).toBe(false);
    expect(rolling.next(true)).toEqual({ done: true, value: null });
  });
});
