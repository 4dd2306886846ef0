import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  linkedSignal,
  input,
  output,
  untracked,
} from '@angular/core';
import { FormControl, FormGroup, FormRecord, ReactiveFormsModule } from '@angular/forms';
import { MatExpansionModule } from '@angular/material/expansion';
import { type LogEntry, type Make, measured as measuredSizes, newLogEntry, type Predicted } from '@odd-corner/contract';
import { sizeNameOf } from '@odd-corner/core';
import { Hands } from '../../data/hands';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { controlOf, mayBeSent, obeys, type PlaceOf } from '../../ui/forms/schema-form';
import { Select } from '../../ui/select/select';

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

/** What is written down of something that was folded. */
export type Written = Pick<LogEntry, 'measured' | 'copies' | 'minutes' | 'note' | 'fits' | 'folderHandId'> & {
  readonly sheetsUsed: { paperId: string; sheets: number }[];
};

/** A paper whose sheets are counted. */
export interface PaperUsed {
  readonly id: string;
  readonly name: string;
  readonly hint: string;
  /** As many as it takes, until the maker says otherwise. */
  readonly sheets: number;
}

/** What stands in the fields at first. */
export type WrittenFirst = Partial<Omit<Written, 'sheetsUsed'>>;

/** A size that can be measured: its key, its name, what it should be. */
interface Measurable {
  readonly key: string;
  readonly name: string;
  readonly hint: string;
}

/** How many came out, the paper that went in, sizes as measured, how it fits, time, a note, and who folded. */
@Component({
  selector: 'oc-record-fields',
  imports: [Field, MatExpansionModule, ReactiveFormsModule, Select],
  templateUrl: './record-fields.html',
  styleUrl: './record-fields.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RecordFields {
  readonly make = input.required<Make>();
  /** What each size should be; null while that is not known. */
  readonly predicted = input.required<Predicted | null>();
  readonly used = input<readonly PaperUsed[]>([]);
  readonly first = input<WrittenFirst>({});
  readonly sent = output<Written>();
  private readonly hands = inject(Hands);
  private readonly codecs = inject(Codecs);
  private readonly figures = inject(Figures);

  readonly form = new FormGroup({
    measured: new FormRecord<FormControl<number | null>>({}),
    sheetsUsed: new FormRecord<FormControl<number | null>>({}),
    copies: controlOf<number>(copies, 1),
    minutes: controlOf<number | null>(minutes, null),
    note: controlOf(note, ''),
  });
  protected readonly fitsChoices = FITS;
  private readonly firstFits = computed((): Fits => this.first().fits ?? null);
  private readonly firstHand = computed(() => this.first().folderHandId ?? null);
  // What was chosen stays while only the folding goes on.
  protected readonly fits = linkedSignal<Fits>(() => this.firstFits());
  protected readonly handId = linkedSignal<string | null>(() => this.firstHand());
  protected readonly length = computed(() => this.codecs.length());
  protected readonly whole = computed(() => this.codecs.number('Count whole sheets, for example 2.'));
  protected readonly count = computed(() => this.codecs.number('Count from 1 to 500.'));
  protected readonly number = computed(() => this.codecs.number('Write minutes as a number, for example 25.'));
  protected readonly handChoices = this.hands.choices;
  /** Sizes worth measuring, by the entry that they are of; the one that was asked for first. */
  protected readonly groups = computed(() => {
    const { formId, params } = this.make();
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

  constructor() {
    this.hands.refresh();
    const { measured, sheetsUsed: papers, minutes: spent, copies: made, note: words } = this.form.controls;
    effect(() => {
      const sizes = this.groups().flatMap((group) => group.sizes);
      const known = this.first().measured ?? {};
      untracked(() => {
        for (const { key } of sizes)
          if (!measured.contains(key))
            measured.addControl(
              key,
              new FormControl<number | null>(known[key] ?? null, { validators: obeys(oneSize) }),
            );
      });
    });
    // Until something else is written, the cutting plan knows the sheets and the table the time.
    effect(() => {
      const all = this.used();
      untracked(() => {
        for (const paper of all) {
          if (!papers.contains(paper.id)) papers.addControl(paper.id, controlOf<number>(sheets, null));
          const field = papers.controls[paper.id];
          if (field.pristine) field.setValue(paper.sheets);
        }
      });
    });
    effect(() => {
      const first = this.first();
      untracked(() => {
        if (spent.pristine) spent.setValue(first.minutes ?? null);
        if (made.pristine) made.setValue(first.copies ?? 1);
        if (words.pristine) words.setValue(first.note ?? '');
      });
    });
  }

  /** Where a part of what is sent stands among the fields. */
  placeOf(written: Written): PlaceOf {
    return (path) =>
      path[0] === 'sheetsUsed' ? ['sheetsUsed', written.sheetsUsed[Number(path[1])]?.paperId ?? ''] : path;
  }

  protected controlOfSize(key: string): FormControl<number | null> | null {
    return this.form.controls.measured.controls[key] ?? null;
  }

  protected controlOfPaper(id: string): FormControl<number | null> | null {
    return this.form.controls.sheetsUsed.controls[id] ?? null;
  }

  protected submit(): void {
    if (!mayBeSent(this.form)) return;
    const { measured, sheetsUsed: counts, note: words, copies: made, ...rest } = this.form.getRawValue();
    const sizes = Object.entries(measured).filter((pair): pair is [string, number] => pair[1] !== null);
    this.sent.emit({
      ...{ ...rest, copies: made!, note: (words ?? '').trim(), fits: this.fits(), folderHandId: this.handId() },
      measured: Object.fromEntries(sizes),
      sheetsUsed: Object.entries(counts).map(([paperId, sheetsTaken]) => ({ paperId, sheets: sheetsTaken! })),
    });
  }
}
