import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  untracked,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatExpansionModule } from '@angular/material/expansion';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { Job, Paper, Place, TrayJob } from '@odd-corner/contract';
import { unitOnRuler } from '@odd-corner/core';
import { map } from 'rxjs';
import { failureText } from '../../data/api';
import { partOf } from '../../data/choice-of';
import { WorkshopSettings } from '../../data/workshop-settings';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { Icon } from '../../ui/icon/icon';
import { Legend } from '../../ui/legend/legend';
import { FigurePipe, LengthPipe } from '../../ui/figures/figure-pipes';
import { SizesPipe } from '../../ui/figures/sizes-pipe';
import { StepFactsLine } from '../../ui/step-facts/step-facts';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import type { ShownStep } from '../../workers/folding-tasks';
import { ProgressWriter } from '../progress-writer';
import { tableAction, type TableAction } from '../table-keys';
import { refused } from '../../workers/refused';

type Part = Place['part'];

interface Folded {
  readonly steps: readonly ShownStep[] | null;
  readonly why: string | null;
}

const NOT_FOLDED: Folded = { steps: null, why: null };

const SWIPE_PX = 60;

/** Folding at the table: the picture large, words beside it, one step at a time. */
@Component({
  selector: 'oc-fold-station',
  imports: [
    FigurePipe,
    MatButtonModule,
    MatExpansionModule,
    DrawingView,
    Icon,
    LengthPipe,
    RouterLink,
    SizesPipe,
    StepFactsLine,
  ],
  providers: [ProgressWriter],
  templateUrl: './fold-station.html',
  styleUrl: './fold-station.scss',
  host: { '(window:keydown)': 'key($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FoldStation {
  readonly job = input.required<TrayJob>();
  readonly paper = input.required<Paper | null>();
  readonly moved = output<Job>();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  protected readonly settings = inject(WorkshopSettings);
  private readonly writer = inject(ProgressWriter);
  private readonly dialog = inject(MatDialog);

  private readonly jobId = computed(() => this.job().id);
  protected readonly unsaved = this.writer.unsaved;
  /** Where the hand is; the server follows. */
  protected readonly place = linkedSignal<string, Omit<Place, 'seconds'>>({
    source: this.jobId,
    computation: () => untracked(() => ({ part: this.job().progress.part, step: this.job().progress.step })),
  });
  protected readonly part = computed(() => this.place().part);
  /** Time spent on each part so far. */
  private seconds: Record<Part, number> = { tray: 0, lid: 0 };
  private since = Date.now();

  protected readonly quarterTurns = signal(0);
  protected readonly fromBelow = signal(false);
  protected readonly showing = signal<'picture' | 'creases'>('picture');
  protected readonly measures = signal(false);
  protected readonly canSpeak = typeof speechSynthesis !== 'undefined';

  private readonly asked = computed(() => ({
    ...partOf(this.job().choice, this.part()),
    unit: unitOnRuler(this.job().choice.ruler, this.settings.current().unit),
    looking: { fromBelow: this.fromBelow(), quarterTurns: this.quarterTurns() },
  }));
  private readonly folded = toSignal(
    toObservable(computed(() => JSON.stringify(this.asked()))).pipe(
      this.troubles.asking(() =>
        this.folding.steps(this.asked()).pipe(
          map((steps): Folded => ({ steps, why: null })),
          refused((error): Folded => ({ steps: null, why: failureText(error) })),
        ),
      ),
    ),
    { initialValue: NOT_FOLDED },
  );
  protected readonly steps = computed(() => this.folded().steps);
  protected readonly failed = computed(() => this.folded().why);
  protected readonly sizes = toSignal(
    toObservable(computed(() => partOf(this.job().choice, this.part()))).pipe(
      this.troubles.asking((part) => this.folding.sizes(part)),
    ),
    { initialValue: null },
  );

  protected readonly count = computed(() => this.steps()?.length ?? 0);
  protected readonly done = computed(() => this.count() > 0 && this.place().step >= this.count());
  protected readonly index = computed(() => Math.min(this.place().step, Math.max(0, this.count() - 1)));
  protected readonly step = computed(() => this.steps()?.[this.index()] ?? null);
  protected readonly colours = computed(() => coloursOf(this.paper()));
  private swipeFrom: number | null = null;

  constructor() {
    const gone = inject(DestroyRef);
    this.writer.written.pipe(takeUntilDestroyed()).subscribe((job) => this.moved.emit(job));
    effect(() => {
      this.jobId();
      untracked(() => {
        this.seconds = { ...this.job().spent };
        this.since = Date.now();
      });
    });
    const seen = (): void => {
      if (document.hidden) this.keepTime();
      else this.since = Date.now();
    };
    document.addEventListener('visibilitychange', seen);
    gone.onDestroy(() => document.removeEventListener('visibilitychange', seen));
    keepAwake(gone);
  }

  protected go(step: number): void {
    const place = { part: this.part(), step: Math.max(0, Math.min(this.count(), step)) };
    if (place.step === this.place().step) return;
    this.moveTo(place);
  }

  protected begin(part: Part): void {
    this.moveTo({ part, step: 0 });
  }

  /** Opens the other part where its hand left off: a finished tray stays finished. */
  protected swap(part: Part): void {
    if (part === this.part()) return;
    this.moveTo({ part, step: part === 'tray' ? Number.MAX_SAFE_INTEGER : 0 });
  }

  protected act(action: TableAction): void {
    switch (action) {
      case 'next':
        return this.go(this.place().step + 1);
      case 'back':
        if (this.place().step === 0 && this.part() === 'lid') return this.swap('tray');
        return this.go(this.place().step - 1);
      case 'turn':
        return this.quarterTurns.update((turns) => (turns + 1) % 4);
      case 'side':
        return this.fromBelow.update((below) => !below);
      case 'creases':
        return this.showing.update((now) => (now === 'picture' ? 'creases' : 'picture'));
      case 'measures':
        return this.measures.update((now) => !now);
      case 'aloud':
        return this.readAloud();
      case 'help':
        this.dialog.open(Legend, { width: '50rem', maxWidth: '94vw' });
        return;
    }
  }

  protected key(event: KeyboardEvent): void {
    const action = tableAction(event);
    if (!action) return;
    event.preventDefault();
    this.act(action);
  }

  protected press(event: PointerEvent): void {
    this.swipeFrom = event.clientX;
  }

  protected release(event: PointerEvent): void {
    const from = this.swipeFrom;
    this.swipeFrom = null;
    if (from === null || Math.abs(event.clientX - from) < SWIPE_PX) return;
    this.act(event.clientX < from ? 'next' : 'back');
  }

  private moveTo(place: Omit<Place, 'seconds'>): void {
    const step = place.step === Number.MAX_SAFE_INTEGER ? this.count() : place.step;
    this.keepTime();
    // Of a part that is only opened now, nothing is done; steps that are done stay done when the hand goes back.
    const known = place.part === this.part() ? (this.steps() ?? []) : [];
    const done = known.slice(0, step).map(({ id }) => id);
    this.place.set({ part: place.part, step });
    this.writer.write(this.job().kept.makes[0].id, {
      ...{ entryKey: place.part, copy: 0, done },
      seconds: Math.round(this.seconds[place.part]),
    });
  }

  /** Adds the stretch since the last step, or since the page came into view, to the time spent. */
  private keepTime(): void {
    const now = Date.now();
    this.seconds[this.part()] += (now - this.since) / 1000;
    this.since = now;
  }

  private readAloud(): void {
    if (!this.canSpeak) return;
    const step = this.step();
    speechSynthesis.cancel();
    if (step && !this.done())
      speechSynthesis.speak(new SpeechSynthesisUtterance(`${step.title}. ${step.words} ${step.check}`));
  }
}

/** Keeps the screen from going dark while the page is in view, where the browser can. */
function keepAwake(gone: DestroyRef): void {
  if (!('wakeLock' in navigator)) return;
  let lock: WakeLockSentinel | null = null;
  const ask = (): void => {
    if (!document.hidden)
      navigator.wakeLock.request('screen').then(
        (got) => (lock = got),
        () => undefined,
      );
  };
  ask();
  document.addEventListener('visibilitychange', ask);
  gone.onDestroy(() => {
    document.removeEventListener('visibilitychange', ask);
    void lock?.release();
  });
}
