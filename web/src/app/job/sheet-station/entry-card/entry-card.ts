import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import { type MakeEntry, type Paper, sheetSize } from '@odd-corner/contract';
import {
  caliperOf,
  type EntryJudged,
  explainFit,
  quantity,
  SHELF,
  type SheetSize,
  type SizeOptions,
} from '@odd-corner/core';
import { merge } from 'rxjs';
import { ParamFields } from '../../../forms/param-fields/param-fields';
import { Codecs } from '../../../ui/field/codecs';
import { Field } from '../../../ui/field/field';
import { Figures } from '../../../ui/figures/figures';
import { FigurePipe } from '../../../ui/figures/figure-pipes';
import { LengthFigure } from '../../../ui/figures/length-figure';
import { controlOf } from '../../../ui/forms/schema-form';
import { Select } from '../../../ui/select/select';
import { Why } from '../../../ui/why/why';

/** Thicknesses that differ by less were not measured apart, in mm. */
const ALIKE_MM = 0.0005;

/** More copies than these take the papers of the first ones in turn. */
const MOST_LAID = 24;

/** What the maker changed of an entry. */
export interface EntryEdit {
  readonly sheet?: SheetSize;
  readonly params?: Readonly<Record<string, unknown>>;
}

/** One kind of piece of a make: its sheet and paper, what it must do, and how all of it is changed by hand. */
@Component({
  selector: 'oc-entry-card',
  imports: [Field, FigurePipe, LengthFigure, MatButtonModule, MatExpansionModule, ParamFields, Select, Why],
  templateUrl: './entry-card.html',
  styleUrl: './entry-card.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EntryCard {
  readonly entry = input.required<MakeEntry>();
  readonly name = input.required<string>();
  /** How many are folded of it in all. */
  readonly copies = input(1);
  readonly judged = input<EntryJudged | null>(null);
  readonly options = input.required<SizeOptions>();
  readonly papers = input.required<readonly Paper[]>();
  readonly edited = output<EntryEdit>();
  /** Another paper was chosen; null is one from elsewhere. */
  readonly paperChosen = output<string | null>();
  /** Papers were laid out over the copies, in turn. */
  readonly papersLaid = output<readonly (string | null)[]>();
  /** It is to be sized for its paper as that is now. */
  readonly sizeAgain = output();
  private readonly codecs = inject(Codecs);
  private readonly figures = inject(Figures);

  protected readonly piece = computed(() => SHELF.piece(this.entry().pieceId));
  protected readonly square = computed(() => this.piece().sheetShape === 'square');
  protected readonly length = computed(() => this.codecs.length());
  protected readonly width = controlOf<number>(sheetSize.shape.widthMm, null);
  protected readonly height = controlOf<number>(sheetSize.shape.heightMm, null);
  protected readonly paper = computed(() => this.papers().find(({ id }) => id === this.entry().papers[0]) ?? null);
  protected readonly choices = computed(() => {
    const [gone] = this.entry().papers;
    return [
      { id: null, name: 'a paper that is not on the shelf' },
      ...(gone !== null && !this.paper() ? [{ id: gone, name: 'a paper that has left the shelf' }] : []),
      ...this.papers().map(({ id, name, widthMm, heightMm, count }) => ({
        id,
        name: `${name}, ${this.figures.sizes([widthMm, heightMm])}, ${count} left`,
      })),
    ];
  });
  /** The copies of which each can have a paper of its own. */
  protected readonly laid = computed(() => {
    const { papers } = this.entry();
    return Array.from({ length: Math.min(MOST_LAID, this.copies()) }, (_, copy) => papers[copy % papers.length]);
  });
  /** The paper's thickness as it is now, where that is not what it was sized for. */
  protected readonly thicknessNow = computed(() => {
    const paper = this.paper();
    const now = paper && caliperOf(paper);
    return now !== null && Math.abs(now - this.entry().thicknessMm) > ALIKE_MM ? now : null;
  });
  protected readonly needs = computed(() => {
    const shown = this.figures.shown();
    return (this.judged()?.sized?.fit.needs ?? []).map(({ name, have, need, unit }) => ({
      name,
      have: this.figures.mark(quantity(have, unit, shown)),
      need: this.figures.mark(quantity(need, unit, shown)),
      met: have >= need * (1 - 1e-9),
    }));
  });
  protected readonly verdict = computed(() => {
    const judged = this.judged();
    if (!judged?.sized) return null;
    const missed = this.needs().filter(({ met }) => !met);
    if (missed.length) return `Does not fit: ${missed.map(({ name }) => name).join(', ')} too small.`;
    const { chance } = judged.sized;
    const sure = chance === null ? 'if folded exactly' : `in ${this.figures.fixed(100 * chance)} of 100 tries`;
    return judged.does ? `Fits ${sure}.` : `Fits ${sure}: not sure enough.`;
  });
  protected readonly why = computed(() => {
    const sized = this.judged()?.sized;
    return sized ? explainFit(sized, this.options(), this.figures.shown()) : [];
  });

  constructor() {
    effect(() => {
      const { widthMm, heightMm } = this.entry().sheet;
      untracked(() => {
        if (this.width.value !== widthMm) this.width.setValue(widthMm, { emitEvent: true });
        if (this.height.value !== heightMm) this.height.setValue(heightMm, { emitEvent: true });
      });
    });
    merge(this.width.valueChanges, this.height.valueChanges)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.tellSheet());
  }

  /** Another paper for one copy; where all are of one paper, that one is said once. */
  protected lay(copy: number, id: string | null): void {
    const papers = this.laid().map((one, k) => (k === copy ? id : one));
    this.papersLaid.emit(new Set(papers).size === 1 ? [papers[0]] : papers);
  }

  protected set(key: string, value: unknown): void {
    this.edited.emit({ params: { ...this.entry().params, [key]: value } });
  }

  protected clear(key: string): void {
    const { [key]: _, ...rest } = this.entry().params;
    this.edited.emit({ params: rest });
  }

  private tellSheet(): void {
    const [widthMm, other] = [this.width.value, this.height.value];
    const heightMm = this.square() ? widthMm : other;
    const { sheet } = this.entry();
    if (widthMm === null || heightMm === null || this.width.invalid || this.height.invalid) return;
    if (widthMm !== sheet.widthMm || heightMm !== sheet.heightMm) this.edited.emit({ sheet: { widthMm, heightMm } });
  }
}
