import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormControl } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatExpansionModule } from '@angular/material/expansion';
import { RouterLink } from '@angular/router';
import { toFold, type Trial, type TrialKind } from '@odd-corner/contract';
import { draftsDiffer, guessesOf } from '@odd-corner/core';
import { debounceTime } from 'rxjs';
import { Session } from '../../data/session';
import { Trials } from '../../data/trials';
import { BrokenRows } from '../../ui/broken-rows/broken-rows';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { Photographs } from '../../ui/photographs/photographs';
import { PlainTable, type PlainRow } from '../../ui/plain-table/plain-table';
import { Select } from '../../ui/select/select';
import { StateNote } from '../../ui/state-note/state-note';
import { UndoBar } from '../../ui/undo/undo-bar';
import { formName } from '../log-rows';
import { GuessChart } from './guess-chart';
import { TrialCame } from './trial-came';

const KIND_NAMES: Readonly<Record<TrialKind, string>> = {
  pour: 'Poured',
  float: 'Floated',
  roll: 'Rolled',
  hold: 'Held',
  soak: 'Soaked',
};

const TYPING_MS = 250;
/** Side by side more are not read. */
const MOST_COMPARED = 4;

/** What was tried, what was guessed and told, what came; whose guesses get better; drafts side by side. */
@Component({
  selector: 'oc-trials-page',
  imports: [
    BrokenRows,
    DatePipe,
    Field,
    GuessChart,
    MatButtonModule,
    MatCheckboxModule,
    MatExpansionModule,
    Photographs,
    PlainTable,
    RouterLink,
    Select,
    StateNote,
    TrialCame,
  ],
  templateUrl: './trials-page.html',
  styleUrl: './trials-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TrialsPage {
  protected readonly trials = inject(Trials);
  private readonly undo = inject(UndoBar);
  protected readonly session = inject(Session);
  protected readonly figures = inject(Figures);
  protected readonly list = this.trials.list;
  protected readonly kinds = [
    { id: '', name: 'any trial' },
    ...Object.entries(KIND_NAMES).map(([id, name]) => ({ id, name })),
  ];
  protected readonly kind = signal<TrialKind | ''>('');
  protected readonly words = new FormControl<string | null>(null);
  private readonly said = toSignal(this.words.valueChanges.pipe(debounceTime(TYPING_MS)), { initialValue: null });
  protected readonly narrowed = computed(() => this.kind() !== '' || !!this.said()?.trim());
  protected readonly picked = signal<ReadonlySet<string>>(new Set());
  protected readonly changing = signal<string | null>(null);
  protected readonly rows = computed(() =>
    this.list.rows().map((trial) => ({
      trial,
      kind: KIND_NAMES[trial.kind],
      form: formName(trial.make.formId),
      guess: this.figure(trial.guess, trial),
      told: trial.foretold
        ? trial.foretold.least === trial.foretold.most
          ? this.figure(trial.foretold.likely, trial)
          : `${this.figure(trial.foretold.likely, trial)}, ${this.count(trial.foretold.least)} to ${this.count(trial.foretold.most)}`
        : '–',
      truth: this.figure(trial.truth, trial),
    })),
  );
  /** The earliest first, as guesses get better. */
  protected readonly guesses = computed(() =>
    guessesOf(
      [...this.list.rows()]
        .reverse()
        .map(({ role, guess, foretold, truth }) => ({ role, guess, truth, told: foretold?.likely ?? null })),
    ),
  );
  protected readonly mayPick = computed(() => this.picked().size < MOST_COMPARED);
  /** Drafts side by side: what is not alike in them, and what each did. */
  protected readonly compared = computed(() => {
    const drafts = this.rows().filter(({ trial }) => this.picked().has(trial.id));
    if (drafts.length < 2) return null;
    const columns = [
      { key: 'what', name: '' },
      ...drafts.map(({ trial }, k) => ({ key: `d${k}`, name: `${k + 1}. ${trial.what}` })),
    ];
    const row = (what: string, values: readonly string[]): PlainRow => ({
      what,
      ...Object.fromEntries(values.map((value, k) => [`d${k}`, value])),
    });
    const differs = draftsDiffer(drafts.map(({ trial }) => toFold(trial.make))).map(({ name, values, isLength }) =>
      row(
        name,
        values.map((value) =>
          value === null ? '–' : isLength && typeof value === 'number' ? this.figures.length(value) : String(value),
        ),
      ),
    );
    return {
      columns,
      rows: [
        ...differs,
        row(
          'Tried',
          drafts.map(({ kind }) => kind),
        ),
        row(
          'Guessed',
          drafts.map(({ guess }) => guess),
        ),
        row(
          'Told',
          drafts.map(({ told }) => told),
        ),
        row(
          'Came',
          drafts.map(({ truth }) => truth),
        ),
        row(
          'Note',
          drafts.map(({ trial }) => trial.note || '–'),
        ),
      ],
    };
  });

  constructor() {
    effect(() => {
      const [kind, search] = [this.kind(), this.said()?.trim()];
      this.list.ask({ ...(kind && { kind }), ...(search && { search }) });
    });
  }

  private count(value: number): string {
    return this.figures.mark(`${Number(value.toFixed(1))}`);
  }

  private figure(value: number | null, { unit }: Trial): string {
    return value === null ? '–' : `${this.count(value)} ${unit}`;
  }

  protected pick(id: string, on: boolean): void {
    this.picked.update((ids) => new Set(on ? [...ids, id] : [...ids].filter((one) => one !== id)));
  }

  protected remove({ id, what }: Trial): void {
    this.trials.remove(id).subscribe({
      next: () => this.undo.done(`“${what}” is taken out.`, () => this.trials.restore(id)),
      error: (error: unknown) => this.undo.failed(error),
    });
  }
}
