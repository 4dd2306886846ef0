import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { entriesOf, formById, type SheetSize } from '@odd-corner/core';
import { debounceTime } from 'rxjs';
import { WorkshopSettings } from '../../data/workshop-settings';
import { coloursOfMake } from '../../ui/drawing-view/paper-colours';
import { FigurePipe, LengthPipe } from '../../ui/figures/figure-pipes';
import { PaperModel } from '../../ui/paper-model/paper-model';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { ParamFields } from '../param-fields/param-fields';
import { usualOptions } from '../usual-options';

/** Several pieces are sized and folded: they wait until the dragging stops. */
const PAUSE_MS = 350;

/** What belongs to a piece beside itself: a lid, others in which it stands; their sheets, and how all goes together. */
@Component({
  selector: 'oc-whole-make',
  imports: [FigurePipe, LengthPipe, PaperModel, ParamFields],
  templateUrl: './whole-make.html',
  styleUrl: './whole-make.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WholeMake {
  readonly formId = input.required<string>();
  readonly sheet = input.required<SheetSize>();
  readonly params = input.required<Readonly<Record<string, unknown>>>();
  /** A parameter of the make was chosen. */
  readonly chose = output<{ readonly key: string; readonly value: unknown }>();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly settings = inject(WorkshopSettings);

  protected readonly form = computed(() => formById(this.formId()));
  private readonly made = computed(() => this.form().params.parse(this.params()) as Readonly<Record<string, unknown>>);
  protected readonly colours = computed(() => coloursOfMake(entriesOf(this.form(), this.made()), () => null));
  protected readonly ruler = computed(() => this.settings.current().ruler);
  private readonly options = computed(() => usualOptions(this.settings.current()));
  protected readonly whole = toSignal(
    toObservable(
      computed(() => ({
        formId: this.formId(),
        sheet: this.sheet(),
        params: this.made(),
        options: this.options(),
      })),
    ).pipe(
      debounceTime(PAUSE_MS),
      this.troubles.asking((asked) => this.folding.whole(asked)),
    ),
    { initialValue: null },
  );
}
