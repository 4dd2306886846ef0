import { paperMesh, point, relaxing, squareSheet, startSheet } from '@odd-corner/core';
import { inSlices } from './in-slices';

/** Paper pressed out of shape: enough work for some slices. */
function work() {
  const hand = startSheet(squareSheet(100));
  hand.valley('half', { kind: 'point-onto-point', point: point(0, 50), onto: point(100, 50) });
  hand.open3d({ half: 60 }, point(90, 50));
  const { mesh } = paperMesh(hand.pose, { cellMm: 6 });
  return relaxing(
    mesh,
    { weight: { x: 0, y: 0, z: -1e-5 }, pins: [{ vertex: 0 }, { vertex: 1 }, { vertex: 2 }] },
    { bend: 1 },
  );
}

describe('work in slices', () => {
  it('tells how far it is and stops when it is no longer wanted', async () => {
    const told: number[] = [];
    const result = await inSlices(
      work(),
      ({ steps }) => told.push(steps),
      () => told.length === 2,
    );
    expect(result.cancelled).toBe(true);
    expect(told).toHaveLength(2);
    expect(result.steps).toBeGreaterThanOrEqual(told[1]);
  });

  it('gives what the work gives in one go', async () => {
    function* count(to: number): Generator<number, string, boolean> {
      for (let k = 0; k < to; k++) if (yield k) return 'stopped';
      return `counted to ${to}`;
    }
    expect(
      await inSlices(
        count(1000),
        () => undefined,
        () => false,
      ),
    ).toBe('counted to 1000');
  });
});
