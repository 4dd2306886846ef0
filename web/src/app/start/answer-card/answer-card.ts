import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatRadioModule } from '@angular/material/radio';
import { MatExpansionModule } from '@angular/material/expansion';
import { type Paper, sizeOptionsOf, type TraySized, wallOf } from '@odd-corner/contract';
import { caliperOf, COMMON_PAPER, explainFit, RULERS, squareTray, type WhyLine } from '@odd-corner/core';
import { decidedBy } from '../../job/decided-by';
import { WorkshopSettings } from '../../data/workshop-settings';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { LengthFigure } from '../../ui/figures/length-figure';
import { FigurePipe, LengthPipe } from '../../ui/figures/figure-pipes';
import { SizesPipe } from '../../ui/figures/sizes-pipe';
import { Figures } from '../../ui/figures/figures';
import { Why } from '../../ui/why/why';
import type { FormAnswer } from '../start-answers';

/** What the maker settled on. */
export interface Chosen {
  readonly sizing: TraySized;
  readonly paper: Paper | null;
}

const SHOWN_AT_FIRST = 4;

/** One way to make it: picture, sheets, what decided them, papers that can give them, and the way to begin. */
@Component({
  selector: 'oc-answer-card',
  imports: [
    FigurePipe,
    MatButtonModule,
    MatRadioModule,
    MatExpansionModule,
    DrawingView,
    LengthFigure,
    LengthPipe,
    SizesPipe,
    Why,
  ],
  templateUrl: './answer-card.html',
  styleUrl: './answer-card.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AnswerCard {
  readonly answer = input.required<FormAnswer>();
  readonly busy = input(false);
  readonly begin = output<Chosen>();
  private readonly settings = inject(WorkshopSettings);
  private readonly figures = inject(Figures);

  protected readonly form = squareTray;
  protected readonly commonMm = caliperOf(COMMON_PAPER);
  /** The paper picked, as long as it can still give the sheets. */
  protected readonly picked = linkedSignal<FormAnswer, string | null>({
    source: this.answer,
    computation: (answer, before) =>
      answer.shelf.some((s) => s.plan && s.paper.id === before?.value) || !answer.done ? (before?.value ?? null) : null,
  });
  protected readonly all = signal(false);

  protected readonly chosen = computed((): Chosen | null => {
    const { sizing, shelf } = this.answer();
    const onShelf = shelf.find((s) => s.paper.id === this.picked());
    return onShelf ? { sizing: onShelf.sizing, paper: onShelf.paper } : sizing && { sizing, paper: null };
  });
  /** The paper picked is being worked out again: what would be begun is not what was picked. */
  protected readonly waiting = computed(() => this.picked() !== null && this.chosen()?.paper === null);
  protected readonly colours = computed(() => coloursOf(this.chosen()?.paper));
  protected readonly title = computed(() =>
    this.answer().walls === 'folded' ? 'Folded to the middle' : 'Walls measured',
  );
  protected readonly way = computed(() =>
    this.answer().walls === 'folded'
      ? 'No ruler needed: every fold meets an edge or a crease.'
      : `One measure with the ruler, and the walls are no higher than needed.`,
  );
  protected readonly decided = computed(() => {
    const sizing = this.chosen()?.sizing;
    return sizing ? decidedBy(sizing.tray) : '';
  });
  protected readonly ruler = computed(() => RULERS[this.settings.current().ruler].name);
  protected readonly whyTray = computed(() => this.explain('tray'));
  protected readonly whyLid = computed(() => this.explain('lid'));
  protected readonly wallOf = wallOf;

  private explain(part: 'tray' | 'lid'): readonly WhyLine[] {
    const sizing = this.chosen()?.sizing;
    return sizing ? explainFit(sizing[part], sizeOptionsOf(sizing.asked), this.figures.shown()) : [];
  }
  protected readonly can = computed(() => this.answer().shelf.filter((s) => s.plan));
  protected readonly cannot = computed(() => this.answer().shelf.filter((s) => !s.plan));
  protected readonly shown = computed(() => (this.all() ? this.can() : this.can().slice(0, SHOWN_AT_FIRST)));

  protected start(): void {
    const chosen = this.chosen();
    if (chosen && !this.waiting()) this.begin.emit(chosen);
  }
}
