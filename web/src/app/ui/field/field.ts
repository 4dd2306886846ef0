import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { type FormControl, FormGroupDirective, type ValidatorFn } from '@angular/forms';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import type { ErrorStateMatcher } from '@angular/material/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInput, MatInputModule } from '@angular/material/input';
import { FigurePipe } from '../figures/figure-pipes';
import { faultOf } from '../forms/schema-form';
import { type Codec, words } from './codec';

/**
 * A field to type in, with its name, what is to be said of it, and what is wrong with it once it is left or sent. It joins
 * text to a control whose value need not be text: the codec reads what is typed and writes what is given.
 */
@Component({
  selector: 'oc-field',
  imports: [FigurePipe, MatAutocompleteModule, MatFormFieldModule, MatInputModule],
  templateUrl: './field.html',
  styles: `
    :host {
      display: block;
    }
    mat-form-field {
      width: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Field<T> {
  readonly label = input.required<string>();
  readonly control = input.required<FormControl<T | null>>();
  /** How its text is read; the text itself when left out. */
  readonly codec = input<Codec<T>>(words as Codec<unknown> as Codec<T>);
  readonly hint = input('');
  /** What stands behind the text: a unit. */
  readonly suffix = input('');
  readonly placeholder = input('');
  /** Texts that may be picked instead of typed. */
  readonly offers = input<readonly string[]>([]);
  /** How many lines of text there is room for. */
  readonly lines = input(1);
  /** The keyboard that a phone shows. */
  readonly keyboard = input<'text' | 'numeric' | 'decimal'>('text');

  private readonly form = inject(FormGroupDirective, { optional: true });
  private readonly box = viewChild(MatInput);
  private readonly element = viewChild<MatInput, ElementRef<HTMLInputElement>>(MatInput, { read: ElementRef });
  protected readonly text = signal('');
  protected readonly fault = signal<string | null>(null);
  /** What the text says; null while the text is not the maker's own, so that it may be written anew. */
  private readonly own = signal<{ readonly why: string | null } | null>(null);
  /** Whether the control changes because of what is being typed here. */
  private typing = false;
  private readonly unread: ValidatorFn = () => {
    const why = this.own()?.why;
    return why ? { unread: why } : null;
  };
  /** The library asks its own form directives; this field stands between them and the control. */
  protected readonly matcher: ErrorStateMatcher = {
    isErrorState: () => {
      const control = this.control();
      return control.invalid && (control.touched || !!this.form?.submitted);
    },
  };
  /** The offers that what is typed may mean; all of them while nothing is typed, or one of them stands there. */
  protected readonly fitting = computed(() => {
    const typed = this.text().trim().toLowerCase();
    const offers = this.offers();
    return offers.some((offer) => offer.toLowerCase() === typed)
      ? offers
      : offers.filter((offer) => offer.toLowerCase().includes(typed));
  });

  constructor() {
    effect((ended) => {
      const control = this.control();
      untracked(() => {
        control.addValidators(this.unread);
        // Whoever sets the value, perhaps in an effect, does not depend on what this field reads.
        const given = control.valueChanges.subscribe((value) => untracked(() => this.take(value)));
        const told = control.events.subscribe(() => untracked(() => this.tell()));
        const sent = this.form?.ngSubmit.subscribe(() => this.tell());
        ended(() => {
          [given, told, sent].forEach((one) => one?.unsubscribe());
          control.removeValidators(this.unread);
          this.own.set(null);
          control.updateValueAndValidity({ emitEvent: false });
        });
      });
    });
    // What nobody has typed is written as the workshop reads it, also when that changes.
    effect(() => {
      const [control, codec] = [this.control(), this.codec()];
      this.box();
      untracked(() => {
        if (!this.own()) this.text.set(control.value === null ? '' : codec.write(control.value));
        this.tell();
      });
    });
  }

  focus(): void {
    this.element()?.nativeElement.focus();
  }

  protected type(text: string): void {
    const read = this.codec().read(text);
    this.text.set(text);
    this.own.set({ why: 'why' in read ? read.why : null });
    this.typing = true;
    this.control().setValue('value' in read ? read.value : null);
    this.control().markAsDirty();
    this.typing = false;
  }

  private take(value: T | null): void {
    if (this.typing) return;
    this.text.set(value === null ? '' : this.codec().write(value));
    if (!this.own()) return;
    this.own.set(null);
    this.control().updateValueAndValidity({ emitEvent: false });
    this.tell();
  }

  private tell(): void {
    this.fault.set(faultOf(this.control()));
    this.box()?.updateErrorState();
  }
}
