import { ChangeDetectionStrategy, Component, computed, inject, input, type OnInit, output } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { type Trial, trialChange } from '@odd-corner/contract';
import { Trials } from '../../data/trials';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { controlOf, mayBeSent } from '../../ui/forms/schema-form';
import { Sending } from '../../ui/forms/sending';

const { truth, note, what } = trialChange.shape;

/** What came of a trial, written down later or set right. What was guessed and told stays as it was. */
@Component({
  selector: 'oc-trial-came',
  imports: [Field, MatButtonModule, ReactiveFormsModule],
  providers: [Sending],
  template: `<form novalidate aria-label="What came of it" [formGroup]="form" (ngSubmit)="keep()">
    <oc-field
      label="It came to"
      keyboard="decimal"
      [suffix]="trial().unit"
      [control]="form.controls.truth"
      [codec]="number()"
    />
    <oc-field label="Tried with" [control]="form.controls.what" />
    <oc-field label="Note" [lines]="2" [control]="form.controls.note" />
    <div class="acts">
      <button type="submit" matButton="filled" [disabled]="sending.now()">Keep it so</button>
      <button type="button" matButton (click)="closed.emit()">Cancel</button>
    </div>
  </form>`,
  styles: `
    form {
      display: grid;
      gap: 0.7rem;
    }
    .acts {
      display: flex;
      gap: 0.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TrialCame implements OnInit {
  readonly trial = input.required<Trial>();
  readonly closed = output();
  private readonly trials = inject(Trials);
  private readonly codecs = inject(Codecs);
  protected readonly sending = inject(Sending);
  protected readonly form = new FormGroup({
    truth: controlOf<number | null>(truth, null),
    what: controlOf<string>(what, ''),
    note: controlOf<string>(note, ''),
  });
  protected readonly number = computed(() => this.codecs.number('Write a number, for example 24.'));

  ngOnInit(): void {
    this.form.setValue({ truth: this.trial().truth, what: this.trial().what, note: this.trial().note });
  }

  protected keep(): void {
    if (!mayBeSent(this.form) || this.sending.now()) return;
    const trial = this.trial();
    const next = trialChange.parse({ ...trial, ...this.form.getRawValue() });
    this.sending.send(this.trials.change(trial.id, next), { form: this.form }).subscribe(() => this.closed.emit());
  }
}
