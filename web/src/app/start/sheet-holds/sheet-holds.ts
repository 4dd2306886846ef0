import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import {
  caliperOf,
  COMMON_PAPER,
  explainSum,
  formById,
  type Held,
  roomFacts,
  roomKindById,
  type SheetSize,
} from '@odd-corner/core';
import { map } from 'rxjs';
import { writeFormQuery } from '../../forms/form-query';
import { LengthPipe } from '../../ui/figures/figure-pipes';
import { Figures } from '../../ui/figures/figures';
import { Why } from '../../ui/why/why';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';

/** The other way round: what each form will hold that takes a sheet as it is. */
@Component({
  selector: 'oc-sheet-holds',
  imports: [LengthPipe, RouterLink, Why],
  templateUrl: './sheet-holds.html',
  styleUrl: './sheet-holds.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SheetHolds {
  readonly sheet = input.required<SheetSize>();
  /** Thickness of one layer of its paper. */
  readonly thicknessMm = input(caliperOf(COMMON_PAPER));
  private readonly asked = computed(() => ({ sheet: this.sheet(), thicknessMm: this.thicknessMm() }));
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly figures = inject(Figures);
  private readonly held = toSignal(
    toObservable(this.asked).pipe(
      this.troubles.asking(({ sheet, thicknessMm }) =>
        this.folding.holds(sheet, thicknessMm).pipe(map((held): readonly Held[] | null => held)),
      ),
    ),
    { initialValue: null },
  );
  protected readonly known = computed(() =>
    this.held()?.map(({ formId, sheet, room, sums }) => ({
      form: formById(formId),
      facts: roomFacts(roomKindById(room.kind), room),
      why: sums.map((sum) => explainSum(sum, this.figures.shown())),
      query: writeFormQuery({ sheet, params: {} }),
    })),
  );
}
