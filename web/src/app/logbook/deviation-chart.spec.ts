import { aPiece, insideOf, PageBench } from '../testing/bench';
import { DeviationChart } from './deviation-chart';
import { rowOf } from './log-rows';

/** The option of a chart, with every colour called as its token. */
interface Shown {
  readonly series: readonly {
    readonly name: string;
    readonly symbol: string;
    readonly data: readonly (readonly unknown[])[];
  }[];
}

describe('deviations as pictures', () => {
  it('stand each at its time and at what was predicted, sizes told apart by shape', async () => {
    const inside = insideOf(aPiece());
    const lengthMm = inside['tray/box.lengthMm'];
    const pieces = [1, 2].map((off) =>
      aPiece({
        id: `00000000-0000-4000-8000-00000000009${off}`,
        foldedAt: `2026-11-0${off}T10:00:00.000Z`,
        measured: { ...inside, 'tray/box.lengthMm': lengthMm + off },
      }),
    );
    const bench = new PageBench(DeviationChart, { rows: pieces.map(rowOf) });
    await bench.settle();
    const chart = bench.fixture.componentInstance as unknown as Record<
      'overTime' | 'against',
      () => (ink: (token: string) => string) => Shown
    >;
    const [time, against] = [chart.overTime()((token) => token), chart.against()((token) => token)];
    expect(time.series.map(({ name }) => name)).toEqual(['Inside, long', 'Inside, wide', 'Inside, deep']);
    expect(new Set(time.series.map(({ symbol }) => symbol)).size).toBe(3);
    const offs = time.series[0].data.map(([, off]) => off as number);
    expect(time.series[0].data.map(([at]) => at)).toEqual(pieces.map(({ foldedAt }) => foldedAt));
    offs.forEach((off, k) => expect(off).toBeCloseTo(k + 1, 9));
    against.series[0].data.forEach(([told, found], k) => {
      expect(told).toBeCloseTo(lengthMm, 9);
      expect(found).toBeCloseTo(lengthMm + k + 1, 9);
    });
  });
});
