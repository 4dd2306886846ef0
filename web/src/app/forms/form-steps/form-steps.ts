import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatExpansionModule } from '@angular/material/expansion';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { ActivatedRoute, RouterLink } from '@angular/router';
import { caliperOf, COMMON_PAPER, formById, SHELF } from '@odd-corner/core';
import { of } from 'rxjs';
import { WorkshopSettings } from '../../data/workshop-settings';
import { compareStates } from '../../fold/looks-different/looks-different';
import { CautionNote } from '../../ui/caution/caution';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { PLAIN_PAPER } from '../../ui/drawing-view/paper-colours';
import { Icon } from '../../ui/icon/icon';
import { FigurePipe, LengthPipe } from '../../ui/figures/figure-pipes';
import { NotHere } from '../../ui/not-here/not-here';
import { picturesOf } from '../../ui/save-picture/pictures-of';
import { SavePicture } from '../../ui/save-picture/save-picture';
import { StepFactsLine } from '../../ui/step-facts/step-facts';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { readFormQuery, writeFormQuery } from '../form-query';

/** All steps of a form at one sheet, one under the other: to be folded from at the table. */
@Component({
  selector: 'oc-form-steps',
  imports: [
    CautionNote,
    FigurePipe,
    MatButtonModule,
    MatExpansionModule,
    DrawingView,
    Icon,
    LengthPipe,
    NotHere,
    RouterLink,
    SavePicture,
    StepFactsLine,
  ],
  templateUrl: './form-steps.html',
  styleUrl: './form-steps.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormSteps {
  readonly id = input.required<string>();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly settings = inject(WorkshopSettings);
  private readonly route = inject(ActivatedRoute);
  private readonly dialog = inject(MatDialog);
  private readonly page = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly paper = PLAIN_PAPER;
  protected readonly picturesOf = picturesOf;
  protected readonly form = computed(() => (SHELF.has(this.id()) ? formById(this.id()) : null));
  private readonly params = toSignal(this.route.queryParamMap, { requireSync: true });
  protected readonly asked = computed(() => {
    const form = this.form();
    return form && readFormQuery(form.id, (name) => this.params().get(name));
  });
  protected readonly query = computed(() => {
    const asked = this.asked();
    return asked && writeFormQuery(asked);
  });
  private readonly folded = computed(() => {
    const asked = this.asked();
    return (
      asked && {
        ...asked,
        formId: this.id(),
        thicknessMm: caliperOf(COMMON_PAPER),
        unit: this.settings.current().unit,
        looking: {},
      }
    );
  });
  protected readonly shown = toSignal(
    toObservable(this.folded).pipe(this.troubles.asking((asked) => (asked ? this.folding.formSteps(asked) : of(null)))),
    { initialValue: null },
  );

  /** What the paper may look like instead; where it goes on from there, that step comes into view. */
  protected compare(index: number): void {
    const asked = this.folded();
    if (!asked) return;
    compareStates(this.dialog, { asked, index, colours: this.paper }).subscribe((step) => {
      if (step !== undefined) this.page.nativeElement.querySelectorAll('ol > li')[step]?.scrollIntoView();
    });
  }
}
