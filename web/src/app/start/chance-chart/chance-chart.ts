import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Purpose, SizedForm, SizeOptions } from '@odd-corner/core';
import { scan } from 'rxjs';
import { Figures } from '../../ui/figures/figures';
import { Chart, type ChartOption } from '../../ui/chart/chart';
import { Troubles } from '../../ui/troubles/troubles';
import type { SheetChance } from '../../workers/answer-tasks';
import { Folding } from '../../workers/folding.service';

/** How often an answer fits from sheets a little smaller and larger than its own: a chart, and the same as a table. */
@Component({
  selector: 'oc-chance-chart',
  imports: [Chart],
  template: `@if (rows().length > 2) {
      <oc-chart [option]="option()" [label]="said()" />
      <table class="visually-hidden">
        <caption>
          How often it fits, by the sheet
        </caption>
        <thead>
          <tr>
            <th scope="col">Sheet</th>
            <th scope="col">Fits, of 100 tries</th>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.marks) {
            <tr>
              <th scope="row">{{ row.sheet }}{{ row.marks === 0 ? ', the answer' : '' }}</th>
              <td>{{ row.said }}</td>
            </tr>
          }
        </tbody>
      </table>
    } @else {
      <p class="muted" role="status">Folding the sheets beside it…</p>
    }`,
  styles: `
    :host {
      display: block;
      width: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChanceChart {
  readonly answer = input.required<SizedForm>();
  readonly purpose = input.required<Purpose>();
  readonly options = input.required<SizeOptions>();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly figures = inject(Figures);

  private readonly known = toSignal(
    toObservable(computed(() => ({ answer: this.answer(), purpose: this.purpose(), options: this.options() }))).pipe(
      this.troubles.asking((asked) =>
        this.folding.chances(asked).pipe(scan((all: readonly SheetChance[], one) => [...all, one], [])),
      ),
    ),
    { initialValue: [] as readonly SheetChance[] },
  );
  protected readonly rows = computed(() => {
    const { ruler } = this.options();
    return [...this.known()]
      .sort((p, q) => p.marks - q.marks)
      .map(({ marks, sheet, chance }) => ({
        marks,
        sheet: this.figures.length(sheet.widthMm, ruler),
        percent: Math.round(1000 * chance) / 10,
        said: this.figures.mark(`${Math.round(1000 * chance) / 10}`),
      }));
  });
  protected readonly said = computed(() => {
    const rows = this.rows();
    const [least, most] = [rows[0], rows[rows.length - 1]];
    return `How often it fits: ${least.said} of 100 tries from ${least.sheet}, ${most.said} from ${most.sheet}`;
  });
  protected readonly option = computed((): ChartOption => {
    const rows = this.rows();
    const { confidence } = this.options();
    return (ink) => {
      const text = { color: ink('ink'), fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 14 };
      return {
        grid: { left: 44, right: 16, top: 28, bottom: 48 },
        tooltip: { trigger: 'axis', valueFormatter: (value: unknown) => this.figures.mark(`${String(value)} of 100`) },
        xAxis: {
          type: 'category',
          data: rows.map(({ sheet }) => sheet),
          name: 'sheet',
          nameLocation: 'middle',
          nameGap: 30,
          nameTextStyle: text,
          axisLabel: { ...text, hideOverlap: true },
          axisLine: { lineStyle: { color: ink('line-strong') } },
        },
        yAxis: {
          type: 'value',
          min: 0,
          max: 100,
          name: 'fits, of 100',
          nameTextStyle: { ...text, align: 'left' },
          axisLabel: text,
          splitLine: { lineStyle: { color: ink('line') } },
        },
        series: [
          {
            type: 'line',
            name: 'fits',
            showAllSymbol: true,
            data: rows.map(({ percent, marks }) => ({
              value: percent,
              // The answer is told apart by its shape and size too.
              symbol: marks === 0 ? 'diamond' : 'circle',
              symbolSize: marks === 0 ? 20 : 9,
              itemStyle: {
                color: ink(marks === 0 ? 'corner' : 'primary'),
                borderColor: ink('ink'),
                borderWidth: marks === 0 ? 1.5 : 0,
              },
            })),
            lineStyle: { color: ink('primary'), width: 2.5 },
            ...(confidence !== null && {
              markLine: {
                silent: true,
                symbol: 'none',
                lineStyle: { color: ink('warn'), type: 'dashed', width: 1.5 },
                label: { ...text, formatter: 'asked for', position: 'insideStartTop' },
                data: [{ yAxis: 100 * confidence }],
              },
            }),
          },
        ],
      };
    };
  });
}
