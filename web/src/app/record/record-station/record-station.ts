import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, untracked } from '@angular/core';
import { takeUntilDestroyed, toObservable, toSignal } from '@angular/core/rxjs-interop';
import { type AbstractControl, FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { Router } from '@angular/router';
import { type InsideSize, insideSize, measuredOf, newLogEntry, type TrayJob, type Paper } from '@odd-corner/contract';
import { cutSquares } from '@odd-corner/core';
import { partOf, sceneOfChoice } from '../../data/choice-of';
import { Logbook } from '../../data/logbook';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { newId } from '../../data/new-id';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { controlOf, mayBeSent, obeys } from '../../ui/forms/schema-form';
import { Sending } from '../../ui/forms/sending';
import { PaperModel } from '../../ui/paper-model/paper-model';
import { UndoBar } from '../../ui/undo/undo-bar';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';

const DIMENSIONS = [
  { key: 'lengthMm', name: 'Between the sides' },
  { key: 'widthMm', name: 'Between the ends' },
  { key: 'depthMm', name: 'Depth' },
] as const satisfies readonly { key: keyof InsideSize; name: string }[];

const SHORTEST_SECONDS = 30;
const { minutes, note, sheetsUsed } = newLogEntry.shape;
const { sheets } = sheetsUsed.element.shape;

/** What came out: paper used, the inside as measured, time and a note. */
@Component({
  selector: 'oc-record-station',
  imports: [Field, MatButtonModule, PaperModel, ReactiveFormsModule],
  providers: [Sending],
  templateUrl: './record-station.html',
  styleUrl: './record-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordStation {
  readonly job = input.required<TrayJob>();
  readonly paper = input.required<Paper | null>();
  readonly recorded = output();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly logbook = inject(Logbook);
  private readonly undo = inject(UndoBar);
  private readonly router = inject(Router);
  /** Of what is being written down: one visit writes one thing. */
  private readonly id = newId();
  private readonly codecs = inject(Codecs);
  private readonly figures = inject(Figures);
  protected readonly sending = inject(Sending);
  protected readonly dimensions = DIMENSIONS;

  protected readonly form = new FormGroup({
    measured: new FormGroup({
      lengthMm: this.inside('lengthMm'),
      widthMm: this.inside('widthMm'),
      depthMm: this.inside('depthMm'),
    }),
    sheetsUsed: controlOf<number>(sheets, null),
    minutes: controlOf<number | null>(minutes, null),
    note: controlOf(note, ''),
  });
  protected readonly length = computed(() => this.codecs.length());
  protected readonly whole = computed(() => this.codecs.number('Count whole sheets, for example 2.'));
  protected readonly number = computed(() => this.codecs.number('Write minutes as a number, for example 25.'));
  protected readonly sheetsHint = computed(() => {
    const paper = this.paper();
    return paper ? `of ${paper.name}, ${paper.count} on the shelf` : 'not from the shelf, so no count changes';
  });

  protected readonly colours = computed(() => coloursOf(this.paper()));
  protected readonly predicted = toSignal(
    toObservable(computed(() => partOf(this.job().choice, 'tray'))).pipe(
      this.troubles.asking((part) => this.folding.sizes(part)),
    ),
    { initialValue: null },
  );
  protected readonly scene = toSignal(
    toObservable(this.job).pipe(
      this.troubles.asking((job) => this.folding.scene(sceneOfChoice(job.choice, job.purpose.block))),
    ),
    { initialValue: null },
  );

  constructor() {
    const { measured, sheetsUsed: sheets, minutes: spent } = this.form.controls;
    // Until something else is written, the cutting plan knows the sheets and the table the time.
    effect(() => {
      const [job, paper] = [this.job(), this.paper()];
      untracked(() => {
        if (sheets.pristine) sheets.setValue(sheetsOf(job, paper));
        if (spent.pristine) spent.setValue(minutesOf(job));
      });
    });
    // One size that is written asks for the others.
    measured.valueChanges.pipe(takeUntilDestroyed()).subscribe(() => {
      for (const one of Object.values(measured.controls)) one.updateValueAndValidity({ onlySelf: true });
      measured.updateValueAndValidity({ emitEvent: false });
    });
  }

  protected hintOf(key: keyof InsideSize): string {
    const predicted = this.predicted();
    return predicted ? `predicted ${this.figures.length(predicted.rooms[0].sizes[key])}` : '';
  }

  protected submit(): void {
    if (!mayBeSent(this.form) || this.sending.now()) return;
    const { measured, note: words, sheetsUsed: count, minutes: spent } = this.form.getRawValue();
    const { id: jobId, kept } = this.job();
    const paperId = this.paper()?.id ?? null;
    const draft = newLogEntry.parse({
      ...{ id: this.id, jobId, makeId: kept.makes[0].id, copies: 1, folderHandId: kept.folderHandId, fits: null },
      ...{ minutes: spent, note: words?.trim(), sheetsUsed: [{ paperId, sheets: count }] },
      measured: measuredOf(insideSize.nullable().parse(measured.lengthMm === null ? null : measured)),
    });
    this.sending.send(this.logbook.record(draft), { form: this.form }).subscribe((entry) => {
      const used = entry.sheetsUsed
        .filter((one) => one.paperName && one.sheets)
        .map((one) => ` ${one.sheets} of ${one.paperName} taken off the shelf.`)
        .join('');
      this.undo.done(
        `In the logbook.${used}`,
        () => this.logbook.remove(entry.id),
        'Taken out again, and the sheets are back on the shelf.',
      );
      this.recorded.emit();
      void this.router.navigate(['/logbook']);
    });
  }

  /** One of three sizes: all are measured, or none is. */
  private inside(key: keyof InsideSize): FormControl<number | null> {
    const given = obeys(insideSize.shape[key]);
    const none = (control: AbstractControl): boolean =>
      Object.values((control.parent?.value ?? {}) as Partial<InsideSize>).every((mm) => mm === null);
    return new FormControl<number | null>(null, (control) =>
      control.value === null && none(control) ? null : given(control),
    );
  }
}

/** How many sheets the cutting plan takes; both squares from sheets of their own where it has none. */
function sheetsOf({ choice: { tray, lid } }: TrayJob, paper: Paper | null): number {
  if (!paper) return 0;
  return cutSquares({ ...paper, count: 2 }, [tray.sheetMm, lid.sheetMm])?.sheetsUsed ?? 2;
}

/** The time at the table, once it is worth telling. */
function minutesOf({ progress: { seconds } }: TrayJob): number | null {
  return seconds >= SHORTEST_SECONDS ? Math.round(seconds / 60) : null;
}
