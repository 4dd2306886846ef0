import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  type Blame,
  type Confidence,
  type Purpose,
  roomKindById,
  type SizedForm,
  type SizeOptions,
} from '@odd-corner/core';
import { of } from 'rxjs';
import { FigurePipe, LengthPipe } from '../../ui/figures/figure-pipes';
import { Figures } from '../../ui/figures/figures';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { ChanceChart } from '../chance-chart/chance-chart';

const REPLAYS = 2000;
const SHOWN_BLAME = 4;

/** How often an answer fits when the hand misses: folded again and again while one looks on, and the folds to be careful with. */
@Component({
  selector: 'oc-how-sure',
  imports: [FigurePipe, ChanceChart, MatButtonModule, MatProgressBarModule, LengthPipe],
  templateUrl: './how-sure.html',
  styleUrl: './how-sure.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HowSure {
  readonly answer = input.required<SizedForm>();
  readonly purpose = input.required<Purpose>();
  readonly options = input.required<SizeOptions>();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly figures = inject(Figures);
  protected readonly running = signal(false);
  protected readonly most = REPLAYS;

  private readonly asked = computed(() =>
    this.running() ? { answer: this.answer(), purpose: this.purpose(), options: this.options() } : null,
  );
  protected readonly known = toSignal(
    toObservable(this.asked).pipe(this.troubles.asking((asked) => (asked ? this.folding.replays(asked) : of(null)))),
    { initialValue: null as Confidence | null },
  );
  protected readonly blamed = toSignal(
    toObservable(this.asked).pipe(this.troubles.asking((asked) => (asked ? this.folding.blamed(asked) : of([])))),
    { initialValue: [] as readonly Blame[] },
  );
  protected readonly shares = computed(() =>
    this.blamed()
      .slice(0, SHOWN_BLAME)
      .map(({ fold, share }) => ({ fold, percent: Math.round(100 * share) })),
  );
  protected readonly percent = computed(() => {
    const known = this.known();
    return known && { fits: (100 * known.fits) / known.replays, error: 100 * known.error };
  });
  protected readonly names = computed(() => roomKindById(this.answer().room.kind).names);

  protected count(n: number): string {
    return this.figures.count(n);
  }

  protected nameOf(name: string): string {
    return this.names()[name] ?? name;
  }
}
