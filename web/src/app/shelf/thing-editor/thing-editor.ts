import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, untracked } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { type Thing, thingDraft } from '@odd-corner/contract';
import type { Purpose } from '@odd-corner/core';
import { newId } from '../../data/new-id';
import { Things } from '../../data/things';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { controlOf, mayBeSent } from '../../ui/forms/schema-form';
import { Sending } from '../../ui/forms/sending';

const { name, purpose } = thingDraft.shape;

/** Writes down a thing, or a set of them, to be picked again; or changes one. */
@Component({
  selector: 'oc-thing-editor',
  imports: [Field, MatButtonModule, ReactiveFormsModule],
  providers: [Sending],
  template: `<form
    class="card"
    novalidate
    aria-label="A thing to fold for"
    [formGroup]="form"
    (ngSubmit)="submit()"
    (keydown.escape)="closed.emit()"
  >
    <oc-field label="Name" [control]="form.controls.name" />
    <oc-field
      label="What it is, and how large"
      placeholder="60 x 45 x 22, or 4 tickets 105 x 74"
      [control]="form.controls.purpose"
      [codec]="holds()"
    />
    <div class="row">
      <button type="submit" matButton="filled" [disabled]="sending.now()">Keep it</button>
      <button type="button" matButton="outlined" (click)="closed.emit()">Cancel</button>
    </div>
  </form>`,
  styles: `
    form {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(100%, 220px), 1fr));
      gap: 0.8rem 1rem;
      align-items: center;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ThingEditor {
  /** The thing to change, or null for a new one. */
  readonly thing = input<Thing | null>(null);
  /** What a new one is at first. */
  readonly purpose = input<Purpose | null>(null);
  readonly closed = output();
  private readonly things = inject(Things);
  private readonly codecs = inject(Codecs);
  protected readonly sending = inject(Sending);
  /** Of the thing that is being written down anew. */
  private readonly id = newId();
  protected readonly holds = computed(() => this.codecs.purpose());
  protected readonly form = new FormGroup({
    name: controlOf(name, ''),
    purpose: controlOf<Purpose>(purpose, null),
  });

  constructor() {
    effect(() => {
      const thing = this.thing();
      untracked(() => this.form.reset({ name: thing?.name ?? '', purpose: thing?.purpose ?? this.purpose() }));
    });
    effect(() => {
      const given = this.purpose();
      const field = this.form.controls.purpose;
      untracked(() => {
        if (given && field.pristine) field.setValue(given);
      });
    });
  }

  protected submit(): void {
    if (!mayBeSent(this.form) || this.sending.now()) return;
    const [thing, draft] = [this.thing(), thingDraft.parse(this.form.getRawValue())];
    this.sending
      .send(thing ? this.things.change(thing, draft) : this.things.add({ ...draft, id: this.id }), { form: this.form })
      .subscribe(() => this.closed.emit());
  }
}
