import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { triedRange } from '@odd-corner/core';
import { JobInHand } from '../../job/job-in-hand';
import { Trials } from '../../data/trials';
import { Figures } from '../../ui/figures/figures';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { Segments } from '../../ui/segments/segments';
import { NoteTrial, type TrialAsked } from '../note-trial/note-trial';

/** What can be tried of how a piece holds, what it is counted in, and what is said to be tried with. */
const HOLDS = {
  stack: {
    label: 'Stacked',
    unit: 'pieces',
    question: 'How many stand on the lowest one?',
    what: 'Pieces like it, filled',
  },
  load: { label: 'Loaded', unit: 'g', question: 'How much does it bear?', what: 'Weights in the middle' },
  open: {
    label: 'Left closed',
    unit: 'minutes',
    question: 'After how long does it spring open?',
    what: 'Left on the table',
  },
} as const;

type HoldId = keyof typeof HOLDS;

/** How a piece stacks, bears and stays closed: learned from trials of its form on its paper, and not known without one. */
@Component({
  selector: 'oc-hold-trial',
  imports: [FigurePipe, NoteTrial, Segments],
  template: `<div class="set">
    <oc-segments
      legend="How it is tried"
      name="hold"
      [choices]="choices"
      [chosen]="kind()"
      (choose)="kind.set($any($event))"
    />
    <p role="status">{{ words() | figure }}</p>
    <h3>Write it down</h3>
    <oc-note-trial [trial]="trial()" [told]="known()" />
  </div>`,
  styleUrl: '../trial.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoldTrial {
  private readonly inHand = inject(JobInHand);
  private readonly trials = inject(Trials);
  private readonly figures = inject(Figures);
  protected readonly choices = Object.entries(HOLDS).map(([id, { label }]) => ({ id, label }));
  protected readonly kind = signal<HoldId>('stack');
  /** What trials of this form on this paper came to; null where nobody has tried. */
  protected readonly known = computed(() => {
    const { formId, entries } = this.inHand.make().make;
    const [paperId] = entries[0].papers;
    return triedRange(
      this.trials.list
        .rows()
        .flatMap((one) =>
          one.kind === 'hold' &&
          one.make.formId === formId &&
          one.paperId === paperId &&
          one.asked['how'] === this.kind() &&
          one.truth
            ? [one.truth]
            : [],
        ),
    );
  });
  protected readonly words = computed(() => {
    const known = this.known();
    const { unit } = HOLDS[this.kind()];
    if (!known) return 'Not known: nobody has tried this form on this paper yet. Try one, and write it down.';
    const [least, likely, most] = [known.least, known.likely, known.most].map((one) =>
      this.figures.count(Math.round(one)),
    );
    return `About ${likely} ${unit}, from ${least} to ${most}, by ${known.trials === 1 ? 'one trial' : `${known.trials} trials`} of this form on this paper.`;
  });
  protected readonly trial = computed((): TrialAsked => {
    const { unit, question, what } = HOLDS[this.kind()];
    return { kind: 'hold', unit, question, what, asked: { how: this.kind() } };
  });

  constructor() {
    this.trials.list.ask({});
  }
}
