import { ChangeDetectionStrategy, Component, computed, effect, inject } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatAutocompleteModule, type MatAutocompleteSelectedEvent } from '@angular/material/autocomplete';
import type { ErrorStateMatcher } from '@angular/material/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { ShownUnit } from '@odd-corner/core';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { Figures } from '../../ui/figures/figures';
import { Asking } from '../asked/asking';
import { type ThingToPick, ThingsToPick } from '../asked/things-to-pick';

const EXAMPLES: Readonly<Record<ShownUnit, string>> = {
  mm: '60 x 45 x 22',
  cm: '6 x 4.5 x 2.2 cm',
  in: '2 3/8 x 1 3/4 x 7/8 in',
};

/** So many letters name a thing; fewer begin too many. */
const LETTERS = 2;

/** The line that says what goes in, and the things whose names are being typed. */
@Component({
  selector: 'oc-ask-line',
  imports: [FigurePipe, MatAutocompleteModule, MatFormFieldModule, MatInputModule, ReactiveFormsModule],
  templateUrl: './ask-line.html',
  styleUrl: './ask-line.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AskLine {
  private readonly asking = inject(Asking);
  private readonly things = inject(ThingsToPick);
  private readonly figures = inject(Figures);
  /** What is wrong, as long as it is no name that is being typed. */
  protected readonly fault = computed(() => (this.named().length ? null : this.asking.fault()));
  /** The line with the part that cannot be read apart; null where all of it is meant. */
  protected readonly marked = computed(() => {
    const at = this.fault()?.at;
    const { text } = this.asking.asked();
    if (!at || at.to > text.length || at.to <= at.from || text.slice(at.from, at.to).trim() === text.trim())
      return null;
    return { before: text.slice(0, at.from), wrong: text.slice(at.from, at.to), after: text.slice(at.to) };
  });
  /** What was read, in other words: a misreading is seen at once. */
  protected readonly said = computed(() => {
    const purpose = this.asking.purpose();
    return purpose && this.figures.said(purpose, this.asking.terms());
  });
  protected readonly unit = computed(() => this.figures.unit());
  protected readonly example = computed(() => this.figures.mark(EXAMPLES[this.figures.unit()]));
  protected readonly answered = computed(() => this.asking.purpose() !== null || this.asking.sheet() !== null);
  protected readonly line = new FormControl('', { nonNullable: true });
  protected readonly matcher: ErrorStateMatcher = { isErrorState: () => this.fault() !== null };
  /** Things whose names hold what is typed. */
  protected readonly named = computed(() => {
    const typed = this.asking.asked().text.trim().toLowerCase();
    return /[a-z]/.test(typed) && typed.length >= LETTERS
      ? this.things.all().filter(({ name }) => name.toLowerCase().includes(typed))
      : [];
  });

  constructor() {
    this.line.valueChanges.pipe(takeUntilDestroyed()).subscribe((text) => this.asking.put({ text }));
    effect(() => {
      const { text } = this.asking.asked();
      if (this.line.value !== text) this.line.setValue(text, { emitEvent: false });
    });
  }

  protected pick({ option }: MatAutocompleteSelectedEvent): void {
    this.things.pick(option.value as ThingToPick);
  }

  /** What stands in the line for a thing that was picked from the list. */
  protected readonly written = (thing: ThingToPick | string | null): string =>
    typeof thing === 'string' ? thing : (thing?.text ?? '');
}
