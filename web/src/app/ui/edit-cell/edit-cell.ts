import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  afterNextRender,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import type * as z from 'zod';
import { type Codec, words } from '../field/codec';

/**
 * A value in a table that is edited where it stands: pressed it becomes a field, Enter keeps what is written, Escape leaves it as
 * it was. What cannot be read or kept is told beneath, and stays as it was typed.
 */
@Component({
  selector: 'oc-edit-cell',
  imports: [MatButtonModule, MatFormFieldModule, MatInputModule],
  templateUrl: './edit-cell.html',
  styleUrl: './edit-cell.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EditCell<T> {
  /** What it is, and of what, for who does not see the table. */
  readonly label = input.required<string>();
  readonly value = input.required<T | null>();
  /** The value as it stands in the table. */
  readonly shown = input.required<string>();
  readonly schema = input.required<z.ZodType<T | null>>();
  readonly codec = input<Codec<T>>(words as Codec<unknown> as Codec<T>);
  /** What an empty text says. */
  readonly empty = input<T | null>(null);
  readonly kept = output<T | null>();

  private readonly injector = inject(Injector);
  private readonly box = viewChild<ElementRef<HTMLInputElement>>('box');
  private readonly opener = viewChild<unknown, ElementRef<HTMLElement>>('opener', { read: ElementRef });
  protected readonly text = signal<string | null>(null);
  /** The value as it stood when it was opened, or was last told to have changed. */
  private readonly seen = signal<T | null>(null);
  private readonly meanwhile = signal<string | null>(null);
  protected readonly editing = computed(() => this.text() !== null);
  protected readonly read = computed((): { readonly value: T | null } | { readonly why: string } => {
    const text = this.text() ?? '';
    if (!text.trim()) return this.checked(this.empty());
    const read = this.codec().read(text);
    return 'why' in read ? read : this.checked(read.value);
  });
  protected readonly wrong = computed(() => {
    const read = this.read();
    return this.editing() && 'why' in read ? read.why : this.meanwhile();
  });

  protected open(): void {
    const value = this.value();
    this.seen.set(value);
    this.text.set(value === null ? '' : this.codec().write(value));
    afterNextRender(() => this.box()?.nativeElement.select(), { injector: this.injector });
  }

  protected keep(): void {
    const read = this.read();
    if (!this.editing() || 'why' in read || this.changed()) return;
    if (read.value !== this.value()) this.kept.emit(read.value);
    this.close();
  }

  protected close(): void {
    this.end();
    afterNextRender(() => this.opener()?.nativeElement.focus(), { injector: this.injector });
  }

  /** Leaving a field keeps it, as a table does; what is wrong stays open. */
  protected left(): void {
    const read = this.read();
    if (!this.editing() || 'why' in read || this.changed()) return;
    if (read.value !== this.value()) this.kept.emit(read.value);
    this.end();
  }

  /** Whether somebody else has changed it while it was open: that is told once, then what is written here is kept. */
  private changed(): boolean {
    if (this.value() === this.seen()) return false;
    this.seen.set(this.value());
    this.meanwhile.set(
      `Somebody has made it ${this.shown() || 'empty'} meanwhile. Press Enter to keep yours, Escape to leave it.`,
    );
    return true;
  }

  private end(): void {
    this.text.set(null);
    this.meanwhile.set(null);
  }

  private checked(value: T | null): { readonly value: T | null } | { readonly why: string } {
    const { success, data, error } = this.schema().safeParse(value);
    return success ? { value: data } : { why: error.issues[0].message };
  }
}
