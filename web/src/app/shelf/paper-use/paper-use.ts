import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { PaperMonth } from '@odd-corner/contract';
import { minorDigits } from '@odd-corner/core';
import { Api, failureText } from '../../data/api';
import { Chart, type ChartOption } from '../../ui/chart/chart';
import { Figures } from '../../ui/figures/figures';
import { StateNote } from '../../ui/state-note/state-note';
import { PlainTable } from '../../ui/plain-table/plain-table';
import { ShelfNav } from '../shelf-nav/shelf-nav';

const MM2_PER_M2 = 1e6;

/** How paper comes and goes, month by month: used, lost in cutting, and what lies on the shelf. */
@Component({
  selector: 'oc-paper-use',
  imports: [Chart, PlainTable, ShelfNav, StateNote],
  templateUrl: './paper-use.html',
  styleUrl: './paper-use.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PaperUse {
  private readonly api = inject(Api);
  private readonly figures = inject(Figures);
  protected readonly months = signal<readonly PaperMonth[] | null>(null);
  protected readonly failed = signal<string | null>(null);
  protected readonly columns = [
    { key: 'month', name: 'Month' },
    { key: 'used', name: 'Used' },
    { key: 'waste', name: 'of it waste' },
    { key: 'value', name: 'On the shelf' },
    { key: 'sheets', name: 'Sheets' },
  ];

  protected readonly rows = computed(() =>
    [...(this.months() ?? [])].reverse().map(({ month, usedMm2, wasteMm2, value, sheets }) => ({
      month,
      used: `${this.figures.fixed(usedMm2 / MM2_PER_M2, 2)} m²`,
      waste: `${this.figures.fixed(wasteMm2 / MM2_PER_M2, 2)} m²`,
      value:
        value.map(({ currency, minor }) => this.figures.money({ currency, minor: Math.round(minor) })).join(', ') ||
        '–',
      sheets: this.figures.count(sheets),
    })),
  );
  private readonly currency = computed(() => (this.months() ?? []).flatMap(({ value }) => value)[0]?.currency ?? null);

  protected readonly used = computed((): ChartOption => {
    const months = this.months() ?? [];
    const area = (of: (month: PaperMonth) => number): number[] =>
      months.map((month) => Number((of(month) / MM2_PER_M2).toFixed(3)));
    return this.option(months, 'm²', [
      {
        name: 'wanted or kept',
        data: area(({ usedMm2, wasteMm2 }) => Math.max(0, usedMm2 - wasteMm2)),
        ink: 'primary',
      },
      { name: 'waste', data: area(({ wasteMm2 }) => wasteMm2), ink: 'corner' },
    ]);
  });
  protected readonly value = computed((): ChartOption => {
    const months = this.months() ?? [];
    const currency = this.currency();
    const whole = currency ? 10 ** minorDigits(currency) : 1;
    const minor = months.map(({ value }) => value.find((one) => one.currency === currency)?.minor ?? 0);
    return this.option(months, currency ?? '', [
      { name: 'on the shelf', data: minor.map((one) => Number((one / whole).toFixed(2))), ink: 'primary' },
    ]);
  });

  constructor() {
    this.read();
  }

  protected read(): void {
    this.failed.set(null);
    this.api.call('paperMonths').subscribe({
      next: (months) => this.months.set(months),
      error: (error: unknown) => this.failed.set(failureText(error)),
    });
  }

  private option(
    months: readonly PaperMonth[],
    unit: string,
    series: readonly { readonly name: string; readonly data: number[]; readonly ink: string }[],
  ): ChartOption {
    return (ink) => {
      const text = { color: ink('ink'), fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 14 };
      const written = (value: unknown): string => this.figures.mark(String(value));
      const axis = {
        axisLine: { lineStyle: { color: ink('line-strong') } },
        axisLabel: { ...text, hideOverlap: true, formatter: written },
        splitLine: { lineStyle: { color: ink('line') } },
      };
      return {
        grid: { left: 56, right: 16, top: 56, bottom: 34 },
        legend: { top: 0, left: 0, textStyle: text, show: series.length > 1 },
        tooltip: { trigger: 'axis', valueFormatter: (value: unknown) => `${written(value)} ${unit}` },
        xAxis: { type: 'category', data: months.map(({ month }) => month), ...axis },
        yAxis: { type: 'value', name: unit, nameTextStyle: { ...text, align: 'left' }, ...axis },
        series: series.map(({ name, data, ink: colour }) => ({
          ...{ type: 'bar', stack: 'one', name, data, barMaxWidth: 44 },
          itemStyle: { color: ink(colour) },
        })),
      };
    };
  }
}
