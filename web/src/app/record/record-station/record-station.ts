import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, FormRecord, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { Router } from '@angular/router';
import {
  type Job,
  type JobMake,
  type LogEntry,
  measured as measuredSizes,
  newLogEntry,
  type Paper,
  type Predicted,
  toFold,
} from '@odd-corner/contract';
import { cutSquares, HANDS, sizeNameOf } from '@odd-corner/core';
import { map, of } from 'rxjs';
import { Hands } from '../../data/hands';
import { Logbook } from '../../data/logbook';
import { newId } from '../../data/new-id';
import { Papers } from '../../data/papers';
import { WorkshopSettings } from '../../data/workshop-settings';
import { coloursOf } from '../../ui/drawing-view/paper-colours';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { controlOf, mayBeSent, obeys } from '../../ui/forms/schema-form';
import { Sending } from '../../ui/forms/sending';
import { PaperModel } from '../../ui/paper-model/paper-model';
import { Select } from '../../ui/select/select';
import { Troubles } from '../../ui/troubles/troubles';
import { UndoBar } from '../../ui/undo/undo-bar';
import { Folding } from '../../workers/folding.service';

const SHORTEST_SECONDS = 30;
const { minutes, note, sheetsUsed, copies } = newLogEntry.shape;
const { sheets } = sheetsUsed.element.shape;
const oneSize = measuredSizes.valueType.nullable();

type Fits = LogEntry['fits'];

const FITS: readonly { readonly id: Fits; readonly name: string }[] = [
  { id: null, name: 'not tried yet' },
  { id: 'well', name: 'well' },
  { id: 'tight', name: 'tightly' },
  { id: 'loose', name: 'loosely' },
  { id: 'no', name: 'not at all' },
];

/** A size that can be measured: its key, its name, what it should be. */
interface Measurable {
  readonly key: string;
  readonly name: string;
  readonly hint: string;
}

/** What came out: how many, the paper that went in, sizes as measured, how it fits, time and a note. */
@Component({
  selector: 'oc-record-station',
  imports: [Field, MatButtonModule, MatExpansionModule, PaperModel, ReactiveFormsModule, Select],
  providers: [Sending],
  templateUrl: './record-station.html',
  styleUrl: './record-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordStation {
  readonly job = input.required<Job>();
  readonly make = input.required<JobMake>();
  readonly recorded = output();
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);
  private readonly logbook = inject(Logbook);
  private readonly papers = inject(Papers);
  private readonly hands = inject(Hands);
  private readonly settings = inject(WorkshopSettings);
  private readonly undo = inject(UndoBar);
  private readonly router = inject(Router);
  /** Of what is being written down: one visit writes one thing. */
  private readonly id = newId();
  private readonly codecs = inject(Codecs);
  private readonly figures = inject(Figures);
  protected readonly sending = inject(Sending);

  protected readonly form = new FormGroup({
    measured: new FormRecord<FormControl<number | null>>({}),
    sheetsUsed: new FormRecord<FormControl<number | null>>({}),
    copies: controlOf<number>(copies, 1),
    minutes: controlOf<number | null>(minutes, null),
    note: controlOf(note, ''),
  });
  protected readonly fitsChoices = FITS;
  protected readonly fits = signal<Fits>(null);
  protected readonly handId = signal<string | null>(null);
  protected readonly length = computed(() => this.codecs.length());
  protected readonly whole = computed(() => this.codecs.number('Count whole sheets, for example 2.'));
  protected readonly count = computed(() => this.codecs.number('Count from 1 to 500.'));
  protected readonly number = computed(() => this.codecs.number('Write minutes as a number, for example 25.'));
  protected readonly handChoices = computed(() => [
    { id: null, name: `the workshop’s usual hand, ${this.settings.current().hand}` },
    ...this.hands.rows().map(({ id, name }) => ({ id, name })),
  ]);

  /** The papers of the shelf that went into it, each once. */
  protected readonly used = computed(() => {
    const ids = new Set(this.make().make.entries.flatMap(({ papers }) => papers));
    return this.papers.rows().filter(({ id }) => ids.has(id));
  });
  protected readonly colours = computed(() => coloursOf(this.used().at(0)));

  /** What was told of it; worked out now where that was not kept. */
  private readonly predicted = toSignal(
    toObservable(this.make).pipe(
      this.troubles.asking(({ told, make }) =>
        told
          ? of<Predicted>(told.sizes)
          : this.folding
              .foretold(toFold(make), HANDS[this.settings.current().hand].missMm)
              .pipe(map((answer): Predicted => (answer.ok ? answer.value : {}))),
      ),
    ),
    { initialValue: null },
  );
  /** Sizes worth measuring, by the entry that they are of; the one that was asked for first. */
  protected readonly groups = computed(() => {
    const { formId, params } = this.make().make;
    const groups = new Map<string, Measurable[]>();
    for (const [key, { mm, sdMm }] of Object.entries(this.predicted() ?? {})) {
      const name = sizeNameOf(formId, params, key);
      if (!name?.inside) continue;
      const spread = sdMm === null ? '' : `, give or take ${this.figures.length(sdMm)}`;
      const hint = `predicted ${this.figures.length(mm)}${spread}`;
      groups.set(name.entry, [...(groups.get(name.entry) ?? []), { key, name: name.size, hint }]);
    }
    return [...groups].map(([entry, sizes]) => ({ entry, sizes }));
  });
  protected readonly scene = toSignal(
    toObservable(this.make).pipe(
      this.troubles.asking(({ make, asked }) => this.folding.scene({ make: toFold(make), purpose: asked.purpose })),
    ),
    { initialValue: null },
  );

  constructor() {
    this.hands.refresh();
    const { measured, sheetsUsed: papers, minutes: spent } = this.form.controls;
    effect(() => {
      const sizes = this.groups().flatMap((group) => group.sizes);
      untracked(() => {
        for (const { key } of sizes)
          if (!measured.contains(key))
            measured.addControl(key, new FormControl<number | null>(null, { validators: obeys(oneSize) }));
      });
    });
    // Until something else is written, the cutting plan knows the sheets and the table the time.
    effect(() => {
      const [make, all] = [this.make(), this.used()];
      untracked(() => {
        for (const paper of all) {
          if (!papers.contains(paper.id)) papers.addControl(paper.id, controlOf<number>(sheets, null));
          const field = papers.controls[paper.id];
          if (field.pristine) field.setValue(sheetsOf(make, paper));
        }
        if (spent.pristine) spent.setValue(minutesOf(make));
      });
    });
    effect(() => {
      const { folderHandId } = this.job();
      untracked(() => this.handId.set(folderHandId));
    });
  }

  protected controlOfSize(key: string): FormControl<number | null> | null {
    return this.form.controls.measured.controls[key] ?? null;
  }

  protected controlOfPaper(id: string): FormControl<number | null> | null {
    return this.form.controls.sheetsUsed.controls[id] ?? null;
  }

  protected sheetsHint({ count }: Paper): string {
    return `${this.figures.count(count)} on the shelf`;
  }

  protected submit(): void {
    if (!mayBeSent(this.form) || this.sending.now()) return;
    const { measured, sheetsUsed: counts, note: words, ...rest } = this.form.getRawValue();
    const papers = Object.entries(counts).map(([paperId, count]) => ({ paperId, sheets: count }));
    const draft = newLogEntry.parse({
      ...rest,
      ...{ id: this.id, jobId: this.job().id, makeId: this.make().id, note: words?.trim() },
      ...{ folderHandId: this.handId(), fits: this.fits(), sheetsUsed: papers },
      measured: Object.fromEntries(Object.entries(measured).filter(([, mm]) => mm !== null)),
    });
    const fieldOf = (path: readonly (string | number)[]): readonly (string | number)[] =>
      path[0] === 'sheetsUsed' ? ['sheetsUsed', papers[Number(path[1])]?.paperId ?? ''] : path;
    this.sending.send(this.logbook.record(draft), { form: this.form, placeOf: fieldOf }).subscribe((entry) => {
      const taken = entry.sheetsUsed
        .filter((one) => one.paperName && one.sheets)
        .map((one) => ` ${one.sheets} of ${one.paperName} taken off the shelf.`)
        .join('');
      this.undo.done(
        `In the logbook.${taken}`,
        () => this.logbook.remove(entry.id),
        'Taken out again, and the sheets are back on the shelf.',
      );
      this.recorded.emit();
      void this.router.navigate(['/logbook']);
    });
  }
}

/** How many sheets of a paper one make takes: as the cutting plan says, or one for each of its pieces. */
function sheetsOf({ make: { entries } }: JobMake, paper: Paper): number {
  const own = entries.flatMap(({ papers, copies: n, sheet }) =>
    Array.from({ length: n }, (_, k) => papers[k % papers.length])
      .filter((id) => id === paper.id)
      .map(() => sheet),
  );
  const square = own.every(({ widthMm, heightMm }) => widthMm === heightMm);
  const plan = square
    ? cutSquares(
        { ...paper, count: own.length },
        own.map(({ widthMm }) => widthMm),
      )
    : null;
  return plan?.sheetsUsed ?? own.length;
}

/** The time at the table, once it is worth telling. */
function minutesOf({ progress }: JobMake): number | null {
  const seconds = progress.reduce((sum, one) => sum + one.seconds, 0);
  return seconds >= SHORTEST_SECONDS ? Math.round(seconds / 60) : null;
}
