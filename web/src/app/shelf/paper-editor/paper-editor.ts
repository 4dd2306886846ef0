import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  untracked,
  viewChild,
} from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { type AbstractControl, FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import {
  type Paper,
  type PaperDraft,
  paperDraft,
  paperSheet,
  price,
  type Settings,
  UNSAID,
} from '@odd-corner/contract';
import { caliperOf, caliperSpread, type FoodSafe, PAPER_KINDS, type SheetSize, STOCK_SHEETS } from '@odd-corner/core';
import { startWith } from 'rxjs';
import * as z from 'zod';
import { LearnedHands } from '../../data/learned-hands';
import { newId } from '../../data/new-id';
import { Papers } from '../../data/papers';
import { WorkshopSettings } from '../../data/workshop-settings';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { controlOf, mayBeSent } from '../../ui/forms/schema-form';
import { Sending } from '../../ui/forms/sending';
import { Select } from '../../ui/select/select';
import { UndoBar } from '../../ui/undo/undo-bar';

/** What a new paper is taken to be until something else is written. */
const USUAL = { gsm: 80, kind: 'printer', colourFront: '#b98d5b', colourBack: '#fbf8ef', foodSafe: 'unknown' } as const;
/** Sheets that come in packs are priced by the pack. */
const USUAL_PACK = 100;

const FOOD_SAFE_NAMES: Readonly<Record<FoodSafe, string>> = {
  unknown: 'not known',
  yes: 'yes, sold for it',
  no: 'no',
};

/** Which field holds a part of the draft. */
const FIELD_OF: Readonly<Record<string, string>> = {
  widthMm: 'size',
  heightMm: 'size',
  price: 'priceMinor',
  caliperMm: 'stackMm',
};

/** Along which side the grain runs. */
const RUNS = [
  { id: null, name: 'not known, or all the same' },
  { id: 'width', name: 'along the first side' },
  { id: 'height', name: 'along the second side' },
] as const;

const { name, count, gsm, stackSheets, marginsMm, lowMark, place } = paperDraft.shape;

/** How thick a stack may be that is measured, in mm. */
const stackMm = z
  .number()
  .min(0.01, 'A stack is at least 0.01 mm thick.')
  .max(500, 'Measure a stack of at most 500 mm.')
  .nullable();

/** Writes a paper down, or changes it. */
@Component({
  selector: 'oc-paper-editor',
  imports: [Field, MatButtonModule, MatFormFieldModule, MatInputModule, ReactiveFormsModule, Select],
  providers: [Sending],
  templateUrl: './paper-editor.html',
  styleUrl: './paper-editor.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PaperEditor {
  /** The paper to change, or null for a new one. */
  readonly paper = input.required<Paper | null>();
  readonly closed = output();
  private readonly papers = inject(Papers);
  private readonly settings = inject(WorkshopSettings);
  private readonly figures = inject(Figures);
  private readonly codecs = inject(Codecs);
  private readonly learned = inject(LearnedHands);
  private readonly undo = inject(UndoBar);
  protected readonly sending = inject(Sending);
  private readonly first = viewChild.required<Field<string>>('first');
  /** Of the paper that is being written down anew. */
  private id = newId();
  protected readonly kinds = PAPER_KINDS.map((id) => ({ id, name: id }));

  protected readonly foodSafe = (Object.keys(FOOD_SAFE_NAMES) as FoodSafe[]).map((id) => ({
    id,
    name: FOOD_SAFE_NAMES[id],
  }));

  protected readonly form = new FormGroup({
    name: controlOf(name, ''),
    size: controlOf<SheetSize>(paperSheet, null),
    count: controlOf(count, null),
    gsm: controlOf<number>(gsm, USUAL.gsm),
    kind: new FormControl<Paper['kind']>(USUAL.kind, { nonNullable: true }),
    stackMm: controlOf(stackMm, null),
    stackSheets: controlOf<number>(stackSheets.unwrap(), 1),
    runs: new FormControl<Paper['runs']>(null),
    marginsMm: controlOf<number>(marginsMm, 0),
    lowMark: controlOf(lowMark, null),
    place: controlOf<string>(place, ''),
    priceMinor: controlOf(price.shape.minor.nullable(), null),
    priceSheets: controlOf<number>(price.shape.sheets, USUAL_PACK),
    colourFront: new FormControl<string>(USUAL.colourFront, { nonNullable: true }),
    colourBack: new FormControl<string>(USUAL.colourBack, { nonNullable: true }),
    foodSafe: new FormControl<FoodSafe>(USUAL.foodSafe, { nonNullable: true }),
  });
  private readonly values = toSignal(this.form.valueChanges.pipe(startWith(null)));
  protected readonly estimate = computed(() => {
    this.values();
    const { gsm: weight, kind } = this.form.getRawValue();
    if (!weight || !(weight > 0)) return null;
    const paper = { gsm: weight, kind, caliperMm: null };
    return `${this.figures.fixed(caliperOf(paper), 2)} mm, give or take ${this.figures.fixed(caliperSpread(paper), 3)}`;
  });
  /** Of one sheet, from the stack that was measured. */
  protected readonly measured = computed(() => {
    this.values();
    const { stackMm: mm, stackSheets: n } = this.form.getRawValue();
    if (!mm || !n) return null;
    const paper = { gsm: 80, kind: 'printer', caliperMm: mm / n, stackSheets: n } as const;
    return `${this.figures.fixed(mm / n, 3)} mm a sheet, give or take ${this.figures.fixed(caliperSpread(paper), 3)}`;
  });
  /** How thick it is by what came out of it, where that is surer than what it is taken for is far. */
  protected readonly learnt = computed(() => {
    const paper = this.paper();
    const found = paper && this.learned.paper(paper.id);
    if (!found || Math.abs(found.caliperMm - caliperOf(paper)) < found.sdMm) return null;
    const { caliperMm, sdMm, pieces } = found;
    const [mm, sd] = [caliperMm, sdMm].map((one) => this.figures.fixed(one, 3));
    return {
      caliperMm,
      words: `By ${pieces === 1 ? 'the piece' : `${pieces} pieces`} that you measured, a sheet is ${mm} mm thick, give or take ${sd}.`,
    };
  });
  protected useLearnt(caliperMm: number): void {
    this.form.patchValue({ stackMm: Math.round(1000 * caliperMm) / 1000, stackSheets: 1 });
  }

  protected readonly runs = RUNS;

  /** What is in this price is in the currency that it was written in, else in the workshop's. */
  protected readonly currency = computed(() => this.paper()?.price?.currency ?? this.settings.current().currency);
  protected readonly size = computed(() => this.codecs.sheet());
  protected readonly whole = computed(() => this.codecs.number('Count whole sheets, 0 or more.'));
  protected readonly weight = computed(() => this.codecs.paperWeight());
  protected readonly length = computed(() => this.codecs.length());
  protected readonly thickness = computed(() => this.codecs.thickness());
  protected readonly money = computed(() => this.codecs.money(this.currency()));
  /** Common sheets; those of the paper family that this workshop prints on come first. */
  protected readonly stock = computed(() => {
    const { page } = this.settings.current();
    const inches = new Set(['Letter', 'Ledger']);
    const ours = ({ name: called }: { readonly name: string }): boolean => inches.has(called) === (page === 'Letter');
    return [...STOCK_SHEETS.filter(ours), ...STOCK_SHEETS.filter((sheet) => !ours(sheet))].map(
      ({ name: called }) => called,
    );
  });
  protected readonly unit = this.figures.shown;

  constructor() {
    const { stackMm: stack, stackSheets: sheets } = this.form.controls;
    // What one sheet of the stack measures is what is kept.
    stack.addValidators(({ value }: AbstractControl<number | null>) => {
      const read = paperDraft.shape.caliperMm.safeParse(value === null ? null : value / (sheets.value ?? 1));
      return read.success ? null : { schema: `Of one sheet: ${read.error.issues[0].message}` };
    });
    sheets.valueChanges.pipe(takeUntilDestroyed()).subscribe(() => stack.updateValueAndValidity({ emitEvent: false }));
    effect(() => {
      const [paper, { page }, first] = [this.paper(), this.settings.current(), this.first()];
      untracked(() => {
        this.id = newId();
        this.form.reset(formOf(paper, page));
        first.focus();
      });
    });
  }

  protected submit(): void {
    if (!mayBeSent(this.form) || this.sending.now()) return;
    const before = this.paper();
    const draft = this.draft();
    this.sending
      .send(before ? this.papers.change(before, draft) : this.papers.add({ ...draft, id: this.id }), {
        form: this.form,
        placeOf: ([first, ...rest]) => [FIELD_OF[String(first)] ?? first, ...rest],
      })
      .subscribe((kept) => {
        this.closed.emit();
        if (before) {
          const { id: _, version: __, reserved: ___, ...was } = before;
          this.undo.done(`“${kept.name}” is kept.`, () => this.papers.change(kept, was), 'As it was.');
        } else
          this.undo.done(`“${kept.name}” is on the shelf.`, () => this.papers.remove(kept.id), 'Off the shelf again.');
      });
  }

  private draft(): PaperDraft {
    const { size, priceMinor, priceSheets, stackMm: mm, stackSheets: n, ...rest } = this.form.getRawValue();
    const { offcut, offcutOf } = this.paper() ?? UNSAID;
    return paperDraft.parse({
      ...{ ...rest, offcut, offcutOf },
      caliperMm: mm === null ? null : mm / (n ?? 1),
      stackSheets: mm === null || n === 1 ? null : n,
      ...size,
      price: priceMinor === null ? null : { minor: priceMinor, sheets: priceSheets, currency: this.currency() },
    });
  }
}

/** What stands in the fields for a paper, or for a new one. */
function formOf(paper: Paper | null, page: Settings['page']) {
  const sheet = paper ?? STOCK_SHEETS.find(({ name: called }) => called === page);
  const { gsm: weight, kind, colourFront, colourBack, foodSafe } = paper ?? USUAL;
  return {
    ...{ gsm: weight, kind, colourFront, colourBack, foodSafe },
    name: paper?.name ?? '',
    size: sheet ? { widthMm: sheet.widthMm, heightMm: sheet.heightMm } : null,
    count: paper?.count ?? null,
    stackMm: paper?.caliperMm ? paper.caliperMm * (paper.stackSheets ?? 1) : null,
    stackSheets: paper?.stackSheets ?? 1,
    runs: paper?.runs ?? null,
    marginsMm: paper?.marginsMm ?? 0,
    lowMark: paper?.lowMark ?? null,
    place: paper?.place ?? '',
    priceMinor: paper?.price?.minor ?? null,
    priceSheets: paper?.price?.sheets ?? USUAL_PACK,
  };
}
