import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { caliperOf, COMMON_PAPER, FORMS, type Held, type SheetSize } from '@odd-corner/core';
import { map, switchMap } from 'rxjs';
import { cavityFacts } from '../../forms/cavity-facts';
import { writeFormQuery } from '../../forms/form-query';
import { LengthPipe } from '../../ui/length-text/length.pipe';
import { Folding } from '../../workers/folding.service';

/** The other way round: what each form will hold that takes a sheet as it is. */
@Component({
  selector: 'oc-sheet-holds',
  imports: [LengthPipe, RouterLink],
  templateUrl: './sheet-holds.html',
  styleUrl: './sheet-holds.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SheetHolds {
  readonly sheet = input.required<SheetSize>();
  private readonly folding = inject(Folding);
  private readonly held = toSignal(
    toObservable(this.sheet).pipe(
      switchMap((sheet) =>
        this.folding.holds(sheet, caliperOf(COMMON_PAPER)).pipe(map((held): readonly Held[] | null => held)),
      ),
    ),
    { initialValue: null },
  );
  protected readonly known = computed(() =>
    this.held()?.map(({ formId, sheet, cavity }) => ({
      form: FORMS[formId],
      facts: cavityFacts(cavity),
      query: writeFormQuery({ sheet, params: {} }),
    })),
  );
}
