import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  Injector,
  type TemplateRef,
  viewChild,
} from '@angular/core';
import type { MatBottomSheet } from '@angular/material/bottom-sheet';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { Papers } from '../data/papers';
import { Things } from '../data/things';
import { narrowScreen } from '../ui/narrow-screen';
import { AskLine } from './ask-line/ask-line';
import { Folding } from '../workers/folding.service';
import { Asking } from './asked/asking';
import { CONFIDENCES } from './asked/start-address';
import { ThingsToPick } from './asked/things-to-pick';
import { JobAnswers } from './job-answers/job-answers';
import { SheetHolds } from './sheet-holds/sheet-holds';
import { StartIdeas } from './start-ideas/start-ideas';
import { StartOptions } from './start-options/start-options';
import { ThingChips } from './thing-chips/thing-chips';

/** One line to type in, and answers beneath. No job has to exist. */
@Component({
  selector: 'oc-start-page',
  imports: [
    AskLine,
    MatButtonModule,
    MatExpansionModule,
    NgTemplateOutlet,
    JobAnswers,
    SheetHolds,
    StartIdeas,
    StartOptions,
    ThingChips,
  ],
  providers: [Asking, ThingsToPick],
  templateUrl: './start-page.html',
  styleUrl: './start-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StartPage {
  protected readonly asking = inject(Asking);
  protected readonly papers = inject(Papers);
  private readonly injector = inject(Injector);
  private sheet: MatBottomSheet | null = null;
  private readonly options = viewChild.required<TemplateRef<unknown>>('options');
  /** On a narrow screen answers come first: options stand in one line, and open from below. */
  protected readonly narrow = narrowScreen();
  /** Whether answers stand beneath. */
  protected readonly answered = computed(() => this.asking.purpose() !== null || this.asking.sheet() !== null);
  /** The options that hold, in one line. */
  protected readonly said = computed(() => {
    const { confidence, fingers, units, lid, nested } = this.asking.asked();
    return [
      ...(this.asking.sheet()
        ? []
        : [
            `${this.asking.ease()} fit`,
            CONFIDENCES.find(({ id }) => id === confidence)!.label.toLowerCase(),
            this.asking.turns() ? 'any side up' : 'as it stands',
            ...(fingers ? ['room for fingers'] : []),
            units > 1 ? `${units} pieces` : '1 piece',
            ...(lid === 'none' ? [] : ['with a lid']),
            ...(nested > 1 ? [`${nested} in each other`] : []),
          ]),
      this.asking.paper()?.name ?? 'office paper',
    ].join(' · ');
  });

  constructor() {
    this.papers.refresh();
    inject(Things).refresh();
    inject(Folding).learnAhead();
  }

  protected async openOptions(): Promise<void> {
    // Wide screens never need it.
    const { MatBottomSheet } = await import('@angular/material/bottom-sheet');
    this.sheet = this.injector.get(MatBottomSheet);
    this.sheet.open(this.options(), { ariaLabel: 'Options', restoreFocus: true });
  }

  protected closeOptions(): void {
    this.sheet?.dismiss();
  }
}
