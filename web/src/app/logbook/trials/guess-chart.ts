import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { GuessesOf } from '@odd-corner/core';
import { Chart, type ChartOption } from '../../ui/chart/chart';
import { Figures } from '../../ui/figures/figures';

/** Shapes and colours by which roles are told apart: never by colour alone. */
const MARKS = [
  ['circle', 'primary'],
  ['diamond', 'corner'],
  ['triangle', 'warn'],
  ['rect', 'ink'],
] as const;

/** How far guesses were off, trial after trial, role by role, and what was told beside them; the same in words. */
@Component({
  selector: 'oc-guess-chart',
  imports: [Chart],
  template: `<oc-chart
      [option]="option()"
      label="How far each guess was from what came, in percent, one trial after the other"
    />
    <ul>
      @for (line of lines(); track line) {
        <li>{{ line }}</li>
      }
    </ul>`,
  styles: `
    ul {
      margin: 0.4rem 0 0;
      padding: 0;
      list-style: none;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GuessChart {
  readonly guesses = input.required<readonly GuessesOf[]>();
  private readonly figures = inject(Figures);

  /** What is said of each role. */
  protected readonly lines = computed(() =>
    this.guesses().map(({ role, offs, better }) => {
      const who = role || 'Nobody named';
      const count = offs.filter(({ guessOff }) => guessOff !== null).length;
      const guessed = count === 1 ? 'one guess' : `${count} guesses`;
      if (!better) return `${who}: ${guessed}; from four on it is told whether they get better.`;
      const [before, now] = [better.before, better.now].map((share) => this.figures.count(Math.round(100 * share)));
      const how = better.now < better.before ? 'They get better' : 'They do not get better yet';
      return `${who}: ${guessed}, off by ${before} % at first and by ${now} % now. ${how}.`;
    }),
  );

  protected readonly option = computed((): ChartOption => {
    const guesses = this.guesses().slice(0, MARKS.length - 1);
    const percent = (share: number): number => Math.round(100 * share);
    const series = guesses.map(({ role, offs }, k) => ({
      ...{ name: role || 'nobody named', mark: MARKS[k] },
      data: offs.flatMap(({ nth, guessOff }) => (guessOff === null ? [] : [[nth + 1, percent(guessOff)]])),
    }));
    const told = this.guesses().flatMap(({ offs }) =>
      offs.flatMap(({ nth, toldOff }) => (toldOff === null ? [] : [[nth + 1, percent(toldOff)]])),
    );
    const all = [...series, { name: 'what was told', mark: MARKS[MARKS.length - 1], data: told }];
    return (ink) => {
      const text = { color: ink('ink'), fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 14 };
      const axis = {
        axisLabel: text,
        nameTextStyle: text,
        axisLine: { onZero: true, lineStyle: { color: ink('line-strong') } },
        splitLine: { lineStyle: { color: ink('line') } },
      };
      return {
        grid: { left: 52, right: 16, top: 56, bottom: 46 },
        legend: { top: 0, left: 0, textStyle: text },
        tooltip: { trigger: 'item' },
        xAxis: { type: 'value', name: 'trial', nameLocation: 'middle', nameGap: 28, minInterval: 1, ...axis },
        yAxis: { type: 'value', name: 'off by, %', ...axis, nameTextStyle: { ...text, align: 'left' } },
        series: all.map(({ name, mark: [symbol, colour], data }) => ({
          ...{ type: 'scatter', name, symbol, symbolSize: 11, data },
          itemStyle: { color: ink(colour) },
        })),
      };
    };
  });
}
