import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { Chart, type ChartOption } from '../ui/chart/chart';
import { Figures } from '../ui/figures/figures';
import type { LogRow } from './log-rows';

/** Shapes and colours by which sizes are told apart: never by colour alone. */
const MARKS = [
  ['circle', 'primary'],
  ['diamond', 'corner'],
  ['triangle', 'warn'],
  ['rect', 'ink'],
] as const;

/** How far sizes came out from what was predicted, one after the other in time, and against what they should be. */
@Component({
  selector: 'oc-deviation-chart',
  imports: [Chart],
  template: `<oc-chart [option]="overTime()" label="How far each measured size lies from its prediction, over time" />
    <oc-chart [option]="against()" label="Each measured size against what was predicted for it" />`,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 22rem), 1fr));
      gap: 1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DeviationChart {
  readonly rows = input.required<readonly LogRow[]>();
  private readonly figures = inject(Figures);

  private readonly series = computed(() => {
    const byName = new Map<string, { at: string; off: number; predicted: number; measured: number }[]>();
    for (const { entry, sizes } of this.rows())
      for (const { name, offMm, predictedMm, measuredMm } of sizes)
        byName.set(name, [
          ...(byName.get(name) ?? []),
          { at: entry.foldedAt, off: offMm, predicted: predictedMm, measured: measuredMm },
        ]);
    return [...byName].sort((p, q) => q[1].length - p[1].length).slice(0, MARKS.length);
  });

  protected readonly overTime = computed(() =>
    this.option({ type: 'time' }, { name: 'measured less predicted, mm' }, ({ at, off }) => [at, off]),
  );
  protected readonly against = computed(() =>
    this.option(
      { type: 'value', name: 'predicted, mm', nameLocation: 'middle', nameGap: 28, scale: true },
      { name: 'measured, mm', scale: true },
      ({ predicted, measured }) => [predicted, measured],
    ),
  );

  private option(
    xAxis: { readonly type: string; readonly [key: string]: unknown },
    yAxis: object,
    point: (one: { at: string; off: number; predicted: number; measured: number }) => readonly (string | number)[],
  ): ChartOption {
    const series = this.series();
    /** Figures on an axis as the workshop writes them; days are left to the chart. */
    const written = (type: string): object =>
      type === 'time' ? {} : { formatter: (mm: number) => this.figures.mark(String(mm)) };
    return (ink) => {
      const text = { color: ink('ink'), fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 14 };
      const axisLine = { onZero: false, lineStyle: { color: ink('line-strong') } };
      const lines = (type: string): object => ({
        axisLine,
        axisLabel: { ...text, hideOverlap: true, ...written(type) },
        splitLine: { lineStyle: { color: ink('line') } },
      });
      return {
        grid: { left: 52, right: 16, top: 56, bottom: 46 },
        legend: { top: 0, left: 0, textStyle: text },
        tooltip: { trigger: 'item', valueFormatter: (value: unknown) => this.figures.mark(String(value)) },
        xAxis: { ...xAxis, ...lines(xAxis.type), nameTextStyle: text },
        yAxis: { type: 'value', ...yAxis, ...lines('value'), nameTextStyle: { ...text, align: 'left' } },
        series: series.map(([name, points], k) => ({
          ...{ type: 'scatter', name, symbol: MARKS[k][0], symbolSize: 11 },
          itemStyle: { color: ink(MARKS[k][1]) },
          data: points.map(point),
        })),
      };
    };
  }
}
