import fc from 'fast-check';
import { type AssemblyStep, distance3, point, putTogether, sideOfFace, whereIs } from '../../src/index';
import { expectPaper } from '../paper-laws';
import { closedBy, closingTube, stripRef, tubeAt, tubeMotion, wallToWall } from './tube-ring';

const SIX = [0, 1, 2, 3, 4, 5];

describe('six tubes glued to themselves and to each other, a strip put into each before it is closed', () => {
  const side = fc.sample(fc.double({ min: 120, max: 300, noNaN: true }), 1)[0];
  const ring: AssemblyStep = {
    id: 'ring',
    title: 'Ring',
    words: 'Glue wall to wall.',
    puts: SIX.map((k) => ({ step: `tube ${k}`, motion: tubeMotion(side, k) })),
    joints: SIX.flatMap((k) => [...closedBy(side, k), ...wallToWall(side, k, (k + 1) % 6)]),
  };
  const ends = putTogether([...SIX.map((k) => closingTube(side, k)), ring]);
  const { pose } = ends[6].after;

  it('closes: all is paper, nothing lies in anything else', () => {
    expectPaper(pose, 6 * side * side + 6 * (side / 2) * (side / 4));
  });

  it('has the strip between the base and the flaps of the tab, all of them in the pocket', () => {
    const together = ends[6].after;
    for (const k of SIX) {
      const strip = together.faceOf({ body: stripRef(k), at: point(side / 4, side / 8) });
      const side1 = (x: number, y: number): number =>
        sideOfFace(pose.order, together.faceOf(tubeAt(side, k, x, y)), strip);
      expect([side1(0.5, 0.15), side1(0.1, 0.2), side1(0.5, 0.9), side1(0.1, 0.8)]).toEqual([1, 1, 1, 1]);
    }
  });

  it('has all ridges in one line, and is as wide from corner to corner as half the sheet', () => {
    const at = (k: number, x: number, y: number) => whereIs(pose, ends[6].after.sheetPoint(tubeAt(side, k, x, y)));
    for (const k of SIX) expect(distance3(at(k, 0.5, 0.5), at(0, 0.5, 0.5))).toBeLessThan(1e-9 * side);
    expect(distance3(at(0, 0.5, 0.25), at(3, 0.5, 0.25))).toBeCloseTo(side / 2, 9);
  });

  it('is refused where a joint misses: a tube that is turned a little too far', () => {
    const astray = { ...ring, puts: ring.puts.map((put, k) => (k ? put : { ...put, motion: tubeMotion(side, 0.01) })) };
    expect(() => putTogether([...SIX.map((k) => closingTube(side, k)), astray])).toThrow('mm apart');
  });
});
