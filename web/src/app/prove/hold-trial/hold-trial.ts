import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { formById, SHELF, triedRange } from '@odd-corner/core';
import { JobInHand } from '../../job/job-in-hand';
import { Trials } from '../../data/trials';
import { Figures } from '../../ui/figures/figures';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { Segments } from '../../ui/segments/segments';
import { NoteTrial } from '../note-trial/note-trial';
import { TipTrial } from '../tip-trial/tip-trial';

/** Into these, long things are stood: they may turn it over. */
const STOOD_IN: readonly string[] = ['pens', 'loose pieces', 'liquid'];

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

/** Reckoned from how it stands, where the others are learned from trials. */
const TIP = { id: 'tip', label: 'Tipped over' } as const;

type HoldId = keyof typeof HOLDS;
const isHold = (id: string): id is HoldId => Object.hasOwn(HOLDS, id);

/** How a piece stacks, bears and stays closed: learned from trials of its form on its paper, and not known without one. */
@Component({
  selector: 'oc-hold-trial',
  imports: [FigurePipe, NoteTrial, Segments, TipTrial],
  template: `<div class="set">
    <oc-segments
      legend="How it is tried"
      name="hold"
      [choices]="choices()"
      [chosen]="chosen()"
      (choose)="chosen.set($event)"
    />
    @if (learned(); as so) {
      <p role="status">{{ so.words | figure }}</p>
      <h3>Write it down</h3>
      <oc-note-trial [trial]="so.trial" [told]="known()" />
    } @else {
      <oc-tip-trial />
    }
  </div>`,
  styleUrl: '../trial.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HoldTrial {
  private readonly inHand = inject(JobInHand);
  private readonly trials = inject(Trials);
  private readonly figures = inject(Figures);
  protected readonly choices = computed(() => [
    ...(this.stoodIn() ? [TIP] : []),
    ...Object.entries(HOLDS).map(([id, { label }]) => ({ id, label })),
  ]);
  protected readonly chosen = linkedSignal<string>(() => this.choices()[0].id);
  private readonly kind = computed((): HoldId | null => {
    const chosen = this.chosen();
    return isHold(chosen) ? chosen : null;
  });
  private readonly stoodIn = computed(() => {
    const { formId } = this.inHand.make().make;
    return SHELF.holdsOf(formById(formId)).some((held) => STOOD_IN.includes(held));
  });
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
  /** How it is tried that is learned from trials alone; null where it can be reckoned. */
  protected readonly learned = computed(() => {
    const kind = this.kind();
    if (!kind) return null;
    const { unit, question, what } = HOLDS[kind];
    return { words: this.wordsOf(unit), trial: { kind: 'hold' as const, unit, question, what, asked: { how: kind } } };
  });

  constructor() {
    this.trials.list.ask({});
  }

  private wordsOf(unit: string): string {
    const known = this.known();
    if (!known) return 'Not known: nobody has tried this form on this paper yet. Try one, and write it down.';
    const [least, likely, most] = [known.least, known.likely, known.most].map((one) =>
      this.figures.count(Math.round(one)),
    );
    return `About ${likely} ${unit}, from ${least} to ${most}, by ${known.trials === 1 ? 'one trial' : `${known.trials} trials`} of this form on this paper.`;
  }
}
