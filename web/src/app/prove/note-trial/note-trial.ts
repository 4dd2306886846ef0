import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { type NewTrial, newTrial, type TrialKind } from '@odd-corner/contract';
import { newId } from '../../data/new-id';
import { Trials } from '../../data/trials';
import { JobInHand } from '../../job/job-in-hand';
import { keptHere } from '../../data/device';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { controlOf, mayBeSent } from '../../ui/forms/schema-form';
import { Sending } from '../../ui/forms/sending';
import { UndoBar } from '../../ui/undo/undo-bar';

/** What a trial comes to, as a simulation tells it. */
export interface TrialTold {
  readonly least: number;
  readonly likely: number;
  readonly most: number;
}

/** What is tried: with what, as it was asked, and what comes out is counted in. */
export interface TrialAsked {
  readonly kind: TrialKind;
  readonly what: string;
  readonly asked: NewTrial['asked'];
  readonly unit: NewTrial['unit'];
  /** What is to be guessed, in words. */
  readonly question: string;
}

const { guess, truth, note, role, what } = newTrial.shape;

/** Guess first, see what the simulation tells, try it, and write down what came. */
@Component({
  selector: 'oc-note-trial',
  imports: [Field, MatButtonModule, ReactiveFormsModule],
  providers: [Sending],
  templateUrl: './note-trial.html',
  styles: `
    :host {
      display: grid;
      gap: 0.9rem;
    }
    form {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 12rem), 1fr));
      gap: 0.8rem;
      align-items: start;
    }
    .wide {
      grid-column: 1 / -1;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.6rem;
      align-items: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NoteTrial {
  readonly trial = input.required<TrialAsked>();
  /** Null as long as nothing is told. */
  readonly told = input.required<TrialTold | null>();
  private readonly inHand = inject(JobInHand);
  private readonly trials = inject(Trials);
  private readonly undo = inject(UndoBar);
  private readonly codecs = inject(Codecs);
  private readonly figures = inject(Figures);
  protected readonly sending = inject(Sending);
  private readonly lastRole = keptHere('trial-role', (kept) => (typeof kept === 'string' ? kept : ''));
  protected readonly form = new FormGroup({
    what: controlOf<string>(what, ''),
    guess: controlOf<number | null>(guess, null),
    truth: controlOf<number | null>(truth, null),
    role: controlOf<string>(role, ''),
    note: controlOf<string>(note, ''),
  });
  protected readonly number = computed(() => this.codecs.number('Write a number, for example 24.'));
  /** Whether it is still to be guessed: what is guessed once it was told is none. */
  protected readonly guessing = signal(true);
  /** A figure with no more digits than anybody reads. */
  protected figure(value: number): string {
    return this.figures.mark(`${Number(value.toFixed(1))}`);
  }

  /** What was guessed before it was told, as it is shown. */
  protected guessed(): string | null {
    const { value, valid } = this.form.controls.guess;
    return value === null || !valid ? null : this.figures.mark(`${value}`);
  }
  /** Of what is being written down: one trial writes one row. */
  private id = newId();

  constructor() {
    this.form.controls.role.setValue(this.lastRole());
    effect(() => {
      const { what: words } = this.trial();
      untracked(() => {
        if (this.form.controls.what.pristine) this.form.controls.what.setValue(words);
      });
    });
    effect(() => {
      const known = this.told() !== null;
      untracked(() => this.guessing.set(!known));
    });
  }

  /** Another is tried: what was written stays only where it is about whoever writes. */
  private begin(): void {
    this.id = newId();
    const { guess: guessed, truth: came, note: said } = this.form.controls;
    guessed.reset();
    came.reset();
    said.reset('');
    this.form.controls.what.markAsPristine();
    this.form.controls.what.setValue(this.trial().what);
  }

  protected send(): void {
    if (!mayBeSent(this.form) || this.sending.now()) return;
    const { id: makeId, make } = this.inHand.make();
    const { id: jobId, title, folderHandId } = this.inHand.job();
    const { kind, asked, unit } = this.trial();
    const told = this.told();
    const draft = newTrial.parse({
      ...this.form.getRawValue(),
      ...{ id: this.id, kind, title, make, jobId, makeId, entryId: null, folderHandId, asked, unit },
      paperId: make.entries[0].papers[0],
      foretold: told && { least: told.least, likely: told.likely, most: told.most },
    });
    this.lastRole.set(draft.role);
    this.sending.send(this.trials.add(draft), { form: this.form }).subscribe((kept) => {
      this.undo.done('In the logbook, among the trials.', () => this.trials.remove(kept.id), 'Taken out again.');
      this.begin();
    });
  }
}
