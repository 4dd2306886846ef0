import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { toFold } from '@odd-corner/contract';
import { COMMON_PAPER, type HullShape, type LoadAt, triedRange } from '@odd-corner/core';
import { asyncScheduler, map, throttleTime } from 'rxjs';
import * as z from 'zod';
import { JobInHand } from '../../job/job-in-hand';
import { Trials } from '../../data/trials';
import { Chart, type ChartOption } from '../../ui/chart/chart';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { controlOf } from '../../ui/forms/schema-form';
import { Segments } from '../../ui/segments/segments';
import { Troubles } from '../../ui/troubles/troubles';
import { Trying } from '../../workers/trials.service';
import { NoteTrial, type TrialAsked } from '../note-trial/note-trial';

/** One load: how heavy, how high its middle stands over the floor, and where on the plan. */
interface Load {
  readonly id: number;
  readonly grams: number;
  readonly highMm: number;
  readonly x: number;
  readonly y: number;
}

const grams = z
  .number('Write a weight in grams, for example 12.')
  .min(0.1, 'At least 0.1 g.')
  .max(5000, 'At most 5,000 g.');
const high = z.number('Write a height, for example 5 mm.').min(0, 'Not below the floor.').max(500, 'At most 500 mm.');

/** A press of an arrow moves a load by this share of the boat. */
const ARROW = 1 / 24;
/** So often it is reckoned while a load is dragged, in ms. */
const DRAGGED_MS = 60;
const MOST_LOADS = 8;

/** How a boat lies with loads placed anywhere, how much it still takes, and when it tips. */
@Component({
  selector: 'oc-float-trial',
  imports: [Chart, Field, FigurePipe, MatButtonModule, NoteTrial, ReactiveFormsModule, Segments],
  templateUrl: './float-trial.html',
  styleUrl: '../trial.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FloatTrial {
  private readonly inHand = inject(JobInHand);
  private readonly trying = inject(Trying);
  private readonly troubles = inject(Troubles);
  private readonly codecs = inject(Codecs);
  private readonly trials = inject(Trials);
  protected readonly figures = inject(Figures);
  private readonly plan = viewChild<ElementRef<SVGSVGElement>>('plan');
  private n = 1;
  protected readonly loads = signal<readonly Load[]>([{ id: 0, grams: this.askedGrams(), highMm: 5, x: 0, y: 0 }]);
  protected readonly picked = signal(0);
  protected readonly one = computed(() => this.loads().find(({ id }) => id === this.picked()) ?? this.loads()[0]);
  protected readonly gramsOf = controlOf(grams, this.askedGrams());
  protected readonly highOf = controlOf(high, 5);
  protected readonly number = computed(() => this.codecs.number('Write a weight in grams, for example 12.'));
  protected readonly length = computed(() => this.codecs.length());
  protected readonly mayAdd = computed(() => this.loads().length < MOST_LOADS);
  protected readonly tabs = computed(() => this.loads().map(({ id }, k) => ({ id: `${id}`, label: `Load ${k + 1}` })));

  /** What the boat weighs: all its paper. */
  private readonly paperG = computed(() => {
    const { entries } = this.inHand.make().make;
    return entries.reduce((sum, { sheet, copies, papers }) => {
      const { gsm } = this.inHand.paperOf(papers[0]) ?? COMMON_PAPER;
      return sum + copies * sheet.widthMm * sheet.heightMm * gsm * 1e-6;
    }, 0);
  });
  private readonly asked = computed(() => {
    const [floor, one] = [this.hull()?.floor.heightMm ?? 0, this.one()];
    const at = ({ x, y, highMm }: Load): LoadAt['at'] => ({ x, y, z: floor + highMm });
    return {
      make: toFold(this.inHand.make().make),
      paperG: this.paperG(),
      loads: this.loads().map((load): LoadAt => ({ grams: load.grams, at: at(load) })),
      more: at(one),
    };
  });
  protected readonly hull = signal<HullShape | null>(null);
  private readonly state = toSignal(
    toObservable(this.asked).pipe(
      throttleTime(DRAGGED_MS, asyncScheduler, { leading: true, trailing: true }),
      this.troubles.asking((asked) =>
        this.trying.afloat(asked).pipe(
          map((found) => {
            if (found.ok && !this.hull()) this.hull.set(found.value.hull);
            return found;
          }),
        ),
      ),
    ),
    { initialValue: null },
  );
  protected readonly found = computed(() => {
    const state = this.state();
    return state?.ok ? state.value : null;
  });
  protected readonly why = computed(() => {
    const state = this.state();
    return state && !state.ok ? state.why : null;
  });
  /** The outline of the rim from above, how far it reaches, and where loads can lie. */
  protected readonly outline = computed(() => {
    const hull = this.hull();
    if (!hull) return null;
    const all = hull.panels.flat();
    const [x, y] = [Math.max(...all.map((p) => Math.abs(p.x))), Math.max(...all.map((p) => Math.abs(p.y)))];
    const edge = 0.12 * x;
    return {
      panels: hull.panels.map((panel) => panel.map((p) => `${p.x},${-p.y}`).join(' ')),
      box: `${-x - edge} ${-y - edge} ${2 * (x + edge)} ${2 * (y + edge)}`,
      ...{ x, y, size: 0.09 * x },
    };
  });
  protected readonly facts = computed(() => {
    const found = this.found();
    if (!found) return [];
    const { afloat, moreG, lost } = found;
    if (afloat.sinks)
      return [
        { name: 'It sinks', value: `it carries ${this.figures.mass(afloat.mostG)} at most, its own paper among it` },
      ];
    const lean = (deg: number, low: string, other: string): string =>
      Math.abs(deg) < 0.05 ? 'level' : `${this.figures.fixed(Math.abs(deg), 1)}°, ${deg > 0 ? low : other} lower`;
    return [
      { name: 'Draught', value: this.figures.length(afloat.draughtMm) },
      { name: 'Freeboard', value: this.figures.length(afloat.freeboardMm) },
      { name: 'Trim', value: lean(afloat.trimDeg, 'the right end', 'the left end') },
      { name: 'Heel', value: lean(afloat.heelDeg, 'the upper side', 'the lower side') },
      {
        name: 'Metacentre over the weights',
        value: `${this.figures.length(afloat.metacentreMm)}${afloat.metacentreMm <= 0 ? ': it tips' : ''}`,
      },
      { name: 'More, until water comes in', value: `${this.figures.mass(moreG)} at load ${this.place() + 1}` },
      ...(lost
        ? [
            {
              name: 'Heeled from outside',
              value: `it comes back up to ${this.figures.fixed(lost.deg, 0)}°; then ${lost.by === 'water' ? 'water comes over the side' : 'it turns over'}`,
            },
          ]
        : []),
    ];
  });
  private readonly place = computed(() => this.loads().findIndex(({ id }) => id === this.one().id));
  protected readonly arms = computed((): ChartOption | null => {
    const arms = this.found()?.arms ?? [];
    if (arms.length < 3) return null;
    return (ink) => {
      const text = { color: ink('ink'), fontFamily: 'Atkinson Hyperlegible Next Variable', fontSize: 14 };
      const axisLabel = { ...text, formatter: (value: number) => this.figures.mark(`${value}`) };
      const axis = { axisLabel, nameTextStyle: text, splitLine: { lineStyle: { color: ink('line') } } };
      return {
        grid: { left: 52, right: 16, top: 30, bottom: 46 },
        xAxis: { type: 'value', name: 'heel, degrees', nameLocation: 'middle', nameGap: 28, ...axis },
        yAxis: { type: 'value', name: 'rights itself by, mm', ...axis, nameTextStyle: { ...text, align: 'left' } },
        series: [
          {
            ...{ type: 'line', symbol: 'none', lineStyle: { color: ink('primary'), width: 3 } },
            data: arms.map(({ deg, armMm }) => [deg, Number(armMm.toFixed(3))]),
          },
        ],
      };
    };
  });
  /** How long this paper holds water off, by trials of it; null where nobody has tried. */
  protected readonly soak = computed(() => {
    const [paperId] = this.inHand.make().make.entries[0].papers;
    const tried = this.trials.list
      .rows()
      .flatMap((one) => (one.kind === 'soak' && one.paperId === paperId && one.truth ? [one.truth] : []));
    return triedRange(tried);
  });
  protected readonly soakWords = computed(() => {
    const soak = this.soak();
    if (!soak) return 'How long the paper holds: not known. Float a scrap of it, and write the minutes down.';
    const from = soak.trials === 1 ? 'one trial' : `${soak.trials} trials`;
    const [least, likely, most] = [soak.least, soak.likely, soak.most].map((one) =>
      this.figures.count(Math.round(one)),
    );
    return `This paper gives way after about ${likely} minutes, from ${least} to ${most}, by ${from}.`;
  });
  protected readonly told = computed(() => {
    const found = this.found();
    if (!found || found.afloat.sinks) return null;
    const now = this.loads().reduce((sum, one) => sum + one.grams, 0);
    const most = Math.round(10 * (now + found.moreG)) / 10;
    return this.trialKind() === 'float' ? { least: most, likely: most, most } : this.soak();
  });
  protected readonly trialKind = signal<'float' | 'soak'>('float');
  protected readonly kinds = [
    { id: 'float', label: 'Carried' },
    { id: 'soak', label: 'Soaked' },
  ];
  /** Guessing comes first: what it carries is told once it is asked for. */
  protected readonly asking = signal(false);
  protected readonly trial = computed((): TrialAsked => {
    const loads = this.loads();
    const asked = {
      loads: loads.map(({ grams: g, x, y, highMm }) => [g, x, y, highMm].map((v) => v.toFixed(1)).join(' ')).join('; '),
    };
    if (this.trialKind() === 'soak')
      return {
        ...{ kind: 'soak', unit: 'minutes', question: 'How many minutes until the paper gives way?' },
        ...{ what: 'A basin of water', asked },
      };
    return {
      ...{ kind: 'float', unit: 'g', question: 'How much does it carry until water comes in?' },
      what: `Weights, ${loads.length === 1 ? 'in one place' : `in ${loads.length} places`}`,
      asked,
    };
  });

  constructor() {
    this.trials.list.ask({});
    this.gramsOf.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
      if (this.gramsOf.valid && value !== null) this.put({ grams: value });
    });
    this.highOf.valueChanges.pipe(takeUntilDestroyed()).subscribe((value) => {
      if (this.highOf.valid && value !== null) this.put({ highMm: value });
    });
  }

  private askedGrams(): number {
    const purpose = this.inHand.purpose();
    return purpose?.kind === 'load' ? purpose.grams : 10;
  }

  private put(part: Partial<Load>): void {
    const { id } = this.one();
    this.loads.update((loads) => loads.map((one) => (one.id === id ? { ...one, ...part } : one)));
  }

  protected pick(id: number): void {
    this.picked.set(id);
    const { grams: heavy, highMm } = this.one();
    this.gramsOf.setValue(heavy, { emitEvent: false });
    this.highOf.setValue(highMm, { emitEvent: false });
  }

  protected add(): void {
    const id = this.n++;
    this.loads.update((loads) => [...loads, { ...this.one(), id, x: 0, y: 0 }]);
    this.pick(id);
  }

  protected drop(): void {
    const { id } = this.one();
    this.loads.update((loads) => loads.filter((one) => one.id !== id));
    this.pick(this.loads()[0].id);
  }

  private move(x: number, y: number): void {
    const to = this.outline();
    if (!to) return;
    this.put({ x: Math.max(-to.x, Math.min(to.x, x)), y: Math.max(-to.y, Math.min(to.y, y)) });
  }

  protected key(event: KeyboardEvent, id: number): void {
    const to = this.outline();
    const by: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, 1],
      ArrowDown: [0, -1],
    };
    if (!to || !Object.hasOwn(by, event.key)) return;
    event.preventDefault();
    this.pick(id);
    const [dx, dy] = by[event.key];
    this.move(this.one().x + dx * ARROW * to.x, this.one().y + dy * ARROW * to.x);
  }

  protected grab(event: PointerEvent, id: number): void {
    this.pick(id);
    (event.target as Element).setPointerCapture(event.pointerId);
  }

  protected drag(event: PointerEvent): void {
    const [svg, to] = [this.plan()?.nativeElement, this.outline()];
    if (!svg || !to || !(event.target as Element).hasPointerCapture(event.pointerId)) return;
    const box = svg.getBoundingClientRect();
    const [left, top, width, height] = to.box.split(' ').map(Number);
    // The picture keeps its proportions in its frame.
    const scale = Math.max(width / box.width, height / box.height);
    const x = left + width / 2 + (event.clientX - box.left - box.width / 2) * scale;
    const y = top + height / 2 + (event.clientY - box.top - box.height / 2) * scale;
    this.move(x, -y);
  }
}
