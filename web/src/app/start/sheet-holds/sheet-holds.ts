import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { makeOf } from '@odd-corner/contract';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import {
  atOneScale,
  caliperOf,
  COMMON_PAPER,
  type Drawing,
  entriesOf,
  explainSum,
  formById,
  type Held,
  roomFacts,
  roomKindById,
  type SheetSize,
} from '@odd-corner/core';
import { concatMap, from, map, scan } from 'rxjs';
import { writeFormQuery } from '../../forms/form-query';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import { LengthPipe } from '../../ui/figures/figure-pipes';
import { Figures } from '../../ui/figures/figures';
import { Why } from '../../ui/why/why';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { WorkshopSettings } from '../../data/workshop-settings';
import { JobStarter } from '../../job/job-starter';
import { SHEET_FIRST } from '../../job/sheet-first';

/** The other way round: what each form will hold that takes a sheet as it is. */
@Component({
  selector: 'oc-sheet-holds',
  imports: [DrawingView, LengthPipe, MatButtonModule, RouterLink, Why],
  templateUrl: './sheet-holds.html',
  styleUrl: './sheet-holds.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SheetHolds {
  readonly sheet = input.required<SheetSize>();
  /** Thickness of one layer of its paper. */
  readonly thicknessMm = input(caliperOf(COMMON_PAPER));
  /** The paper on the shelf that it is, if it is one. */
  readonly paperId = input<string | null>(null);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly figures = inject(Figures);
  private readonly settings = inject(WorkshopSettings);
  private readonly asked = computed(() => ({
    ...{ sheet: this.sheet(), thicknessMm: this.thicknessMm() },
    ruler: this.settings.current().ruler,
  }));
  protected readonly starter = inject(JobStarter);
  private readonly held = toSignal(
    toObservable(this.asked).pipe(
      this.troubles.asking(({ sheet, thicknessMm, ruler }) =>
        this.folding.holds(sheet, thicknessMm, ruler).pipe(map((held): readonly Held[] | null => held)),
      ),
    ),
    { initialValue: null },
  );
  /** Their pictures as they are drawn, in the same order. */
  private readonly drawn = toSignal(
    toObservable(this.held).pipe(
      this.troubles.asking((held) =>
        from(held ?? []).pipe(
          concatMap((one) => this.folding.heldPicture(one, this.thicknessMm())),
          scan((all: readonly Drawing[], one) => [...all, one], []),
        ),
      ),
    ),
    { initialValue: [] as readonly Drawing[] },
  );
  private readonly pictures = computed(() => atOneScale(this.drawn()));
  protected readonly known = computed(() =>
    this.held()?.map(({ formId, sheet, params, room, sums }, k) => ({
      picture: this.pictures().at(k) ?? null,
      form: formById(formId),
      facts: roomFacts(roomKindById(room.kind), room),
      why: sums.map((sum) => explainSum(sum, this.figures.shown())),
      query: writeFormQuery({ sheet, params }),
      begun: { formId, sheet, params },
    })),
  );

  /** A job that begins with the sheet: what it is for may be said later. */
  protected start({ formId, sheet, params }: Pick<Held, 'formId' | 'sheet' | 'params'>): void {
    const form = formById(formId);
    const { ease, ruler } = this.settings.current();
    const [{ key, pieceId, copies }] = entriesOf(form, params);
    const papers = { papers: [this.paperId()], thicknessMm: this.thicknessMm() };
    this.starter.start(`${form.name} from ${this.figures.sizes([sheet.widthMm, sheet.heightMm])}`, {
      asked: { text: '', purpose: null, options: { ...SHEET_FIRST, ease, ruler } },
      make: makeOf({ formId, params, entries: [{ key, pieceId, copies, params, sheet }] }, () => papers),
      ...{ chance: null, count: 1 },
    });
  }
}
