import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  type ElementRef,
  inject,
  signal,
  viewChild,
  afterNextRender,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { MatSliderModule } from '@angular/material/slider';
import { RouterLink } from '@angular/router';
import type { EyeTry } from '@odd-corner/contract';
import { fractionOf, missOf } from '@odd-corner/core';
import { EyeTries } from '../../data/eye-tries';
import { Hands } from '../../data/hands';
import { failureText } from '../../data/api';
import { newId } from '../../data/new-id';
import { Chart, type ChartOption } from '../../ui/chart/chart';
import { Figures } from '../../ui/figures/figures';
import { PlainTable } from '../../ui/plain-table/plain-table';
import { Select } from '../../ui/select/select';
import { StateNote } from '../../ui/state-note/state-note';
import { MeasureScreen } from '../../ui/true-size/measure-screen';
import { TrueSize } from '../../ui/true-size/true-size';
import { UndoBar } from '../../ui/undo/undo-bar';

/** Places that are asked for: those that makers need most. */
const PLACES = [1 / 3, 2 / 3, 1 / 4, 3 / 4, 1 / 5, 2 / 5, 3 / 5, 4 / 5, 1 / 6, 5 / 6, 3 / 7, 4 / 7, 1 / 2];

/** How long the sheet is at most, and the narrowest that is any use, in mm. */
const [LONGEST_MM, SHORTEST_MM] = [180, 60];

/** The slider's steps over the whole length. */
const STEPS = 2000;

/** So many tries one after the other are judged together in the chart. */
const TOGETHER = 8;

/** The last try, with what is shown of it. */
interface Shown {
  readonly row: EyeTry;
  readonly offMm: number;
}

/** Dividing by eye: a place is asked for, set, and shown; what is kept sets how sure “by eye” is for a hand. */
@Component({
  selector: 'oc-drill-page',
  imports: [
    Chart,
    MatButtonModule,
    MatExpansionModule,
    MatSliderModule,
    PlainTable,
    RouterLink,
    Select,
    MeasureScreen,
    StateNote,
  ],
  templateUrl: './drill-page.html',
  styleUrl: './drill-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DrillPage {
  private readonly eyes = inject(EyeTries);
  private readonly figures = inject(Figures);
  private readonly undo = inject(UndoBar);
  protected readonly hands = inject(Hands);
  protected readonly trueSize = inject(TrueSize);
  private readonly room = viewChild.required<ElementRef<HTMLElement>>('room');
  private readonly roomPx = signal(600);

  protected readonly steps = STEPS;
  protected readonly failed = signal<string | null>(null);
  protected readonly known = computed(() => this.eyes.rows() !== null);
  protected readonly handId = signal<string | null>(null);
  protected readonly choices = computed(() => this.hands.choices().map(({ id, name }) => ({ id: id ?? '', name })));

  /** The place that is asked for. */
  protected readonly share = signal(anyOf(PLACES));
  protected readonly set = signal(anyPlace());
  protected readonly shown = signal<Shown | null>(null);
  protected readonly saving = signal(false);

  protected readonly sideMm = computed(() =>
    Math.max(SHORTEST_MM, Math.min(LONGEST_MM, Math.floor(this.roomPx() / this.trueSize.pxPerMm()))),
  );
  protected readonly sidePx = computed(() => Math.min(this.roomPx(), this.sideMm() * this.trueSize.pxPerMm()));
  protected readonly asked = computed(() => this.fraction(this.share()));

  private readonly tries = computed(() => (this.eyes.rows() ?? []).filter(({ handId }) => handId === this.handId()));
  protected readonly learned = computed(() => {
    const { eye, tries } = this.eyes.of(this.handId());
    const share = this.figures.fixed(100 * eye, 1);
    return tries
      ? `This eye misses by about ${share} % of the shorter part, from ${tries} ${tries === 1 ? 'try' : 'tries'}.`
      : `Until there are tries, an eye is taken to miss by ${share} % of the shorter part.`;
  });
  /** How a try came out, in words. */
  protected readonly outcome = computed(() => {
    const shown = this.shown();
    if (!shown) return '';
    const { offMm } = shown;
    const mm = this.figures.fixed(Math.abs(offMm), 1);
    return Math.abs(offMm) < 0.05 ? 'Spot on.' : `${mm} mm too far ${offMm > 0 ? 'right' : 'left'}.`;
  });
  protected readonly columns = [
    { key: 'when', name: 'When' },
    { key: 'place', name: 'Place' },
    { key: 'off', name: 'Missed by' },
    { key: 'share', name: 'of the shorter part' },
  ];
  protected readonly rows = computed(() =>
    [...this.tries()].reverse().map((one) => ({
      when: new Date(one.at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }),
      place: this.fraction(one.share),
      off: `${this.figures.fixed((one.set - one.share) * one.sideMm, 1)} mm`,
      share: `${this.figures.fixed(100 * missOf(one), 1)} %`,
    })),
  );
  protected readonly overTime = computed((): ChartOption => {
    const misses = this.tries().map((one) => 100 * Math.abs(missOf(one)));
    const spread = misses.map((_, k) => {
      const last = misses.slice(Math.max(0, k + 1 - TOGETHER), k + 1);
      return Math.sqrt(last.reduce((sum, miss) => sum + miss * miss, 0) / last.length);
    });
    const rounded = (values: readonly number[]): [number, number][] =>
      values.map((value, k) => [k + 1, Number(value.toFixed(2))]);
    return (ink) => {
      const text = { color: ink('ink'), fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 14 };
      const axis = {
        axisLine: { lineStyle: { color: ink('line-strong') } },
        axisLabel: { ...text, hideOverlap: true },
        splitLine: { lineStyle: { color: ink('line') } },
        nameTextStyle: text,
      };
      return {
        grid: { left: 48, right: 16, top: 56, bottom: 46 },
        legend: { top: 0, left: 0, textStyle: text },
        tooltip: { trigger: 'item' },
        xAxis: { type: 'value', name: 'tries', nameLocation: 'middle', nameGap: 28, minInterval: 1, min: 0, ...axis },
        yAxis: { type: 'value', name: '%', min: 0, ...axis },
        series: [
          {
            ...{ name: 'each try', type: 'scatter', symbolSize: 8, data: rounded(misses) },
            itemStyle: { color: ink('corner') },
          },
          {
            ...{ name: `over the last ${TOGETHER}`, type: 'line', showSymbol: false, data: rounded(spread) },
            ...{ itemStyle: { color: ink('primary') }, lineStyle: { color: ink('primary'), width: 3 } },
          },
        ],
      };
    };
  });

  constructor() {
    this.hands.refresh();
    this.read();
    const leave = inject(DestroyRef);
    afterNextRender(() => {
      const sizes = new ResizeObserver(([{ contentRect }]) => this.roomPx.set(contentRect.width));
      sizes.observe(this.room().nativeElement);
      leave.onDestroy(() => sizes.disconnect());
    });
  }

  protected read(): void {
    this.failed.set(null);
    this.eyes.known().subscribe({ error: (error: unknown) => this.failed.set(failureText(error)) });
  }

  protected choose(id: string): void {
    this.handId.set(id || null);
    this.shown.set(null);
  }

  protected move(step: number): void {
    if (!this.shown()) this.set.set(step / STEPS);
  }

  /** Keeps where it was set, and shows where it should be. */
  protected there(): void {
    if (this.saving() || this.shown()) return;
    this.saving.set(true);
    const sideMm = this.sideMm();
    this.eyes.add({ id: newId(), handId: this.handId(), share: this.share(), set: this.set(), sideMm }).subscribe({
      next: (row) => {
        this.saving.set(false);
        this.shown.set({ row, offMm: (row.set - row.share) * row.sideMm });
      },
      error: (error: unknown) => {
        this.saving.set(false);
        this.undo.failed(error);
      },
    });
  }

  protected next(): void {
    this.shown.set(null);
    const before = this.share();
    this.share.set(anyOf(PLACES.filter((place) => place !== before)));
    this.set.set(anyPlace());
  }

  /** A slip of the finger is taken back. */
  protected takeBack(): void {
    const shown = this.shown();
    if (!shown) return;
    const { row } = shown;
    this.eyes.remove(row.id).subscribe({
      next: () => {
        this.next();
        const { at: _, ...draft } = row;
        this.undo.done('That try is taken back.', () => this.eyes.add({ ...draft, id: newId() }));
      },
      error: (error: unknown) => this.undo.failed(error),
    });
  }

  private fraction(share: number): string {
    const fraction = fractionOf(share, 1e-6);
    return fraction ? `${fraction.part}/${fraction.of}` : `${this.figures.fixed(100 * share, 1)} %`;
  }
}

/** Which place is asked for next, and where the mark stands to begin with: luck that decides nothing that is told. */
function anyOf<T>(all: readonly T[]): T {
  return all[Math.floor(Math.random() * all.length)];
}

const anyPlace = (): number => Math.round(STEPS * (0.05 + 0.9 * Math.random())) / STEPS;
