import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, untracked } from '@angular/core';
import { FormGroup, ReactiveFormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { type FolderHand, folderHandDraft } from '@odd-corner/contract';
import { HANDS } from '@odd-corner/core';
import { Hands } from '../../data/hands';
import { newId } from '../../data/new-id';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { controlOf, mayBeSent } from '../../ui/forms/schema-form';
import { Sending } from '../../ui/forms/sending';

const { name, missMm } = folderHandDraft.shape;

/** Writes down whose hands fold and how far they miss a mark, or changes it. */
@Component({
  selector: 'oc-hand-editor',
  imports: [Field, MatButtonModule, ReactiveFormsModule],
  providers: [Sending],
  template: `<form
    class="card"
    novalidate
    aria-label="A hand that folds"
    [formGroup]="form"
    (ngSubmit)="submit()"
    (keydown.escape)="closed.emit()"
  >
    <oc-field label="Name or role" placeholder="Ines, or helpers" [control]="form.controls.name" />
    <oc-field label="Misses a mark by" [hint]="hint()" [control]="form.controls.missMm" [codec]="length()" />
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
      align-items: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandEditor {
  /** The hand to change, or null for a new one. */
  readonly hand = input<FolderHand | null>(null);
  readonly closed = output();
  private readonly hands = inject(Hands);
  private readonly codecs = inject(Codecs);
  private readonly figures = inject(Figures);
  protected readonly sending = inject(Sending);
  /** Of the hand that is being written down anew. */
  private readonly id = newId();
  protected readonly length = computed(() => this.codecs.length());
  protected readonly hint = computed(() => {
    const usual = Object.entries(HANDS).map(([id, { missMm }]) => `${this.figures.exact([missMm])} ${id}`);
    return `How far an edge usually lies from its mark: ${usual.join(', ')}.`;
  });
  protected readonly form = new FormGroup({
    name: controlOf(name, ''),
    missMm: controlOf<number>(missMm, null),
  });

  constructor() {
    effect(() => {
      const hand = this.hand();
      untracked(() => this.form.reset({ name: hand?.name ?? '', missMm: hand?.missMm ?? null }));
    });
  }

  protected submit(): void {
    if (!mayBeSent(this.form) || this.sending.now()) return;
    const [hand, draft] = [this.hand(), folderHandDraft.parse(this.form.getRawValue())];
    this.sending
      .send(hand ? this.hands.change(hand, draft) : this.hands.add({ ...draft, id: this.id }), { form: this.form })
      .subscribe(() => this.closed.emit());
  }
}
