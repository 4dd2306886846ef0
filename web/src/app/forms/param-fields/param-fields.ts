import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { ParamField, Piece, SheetSize } from '@odd-corner/core';
import { FigurePipe } from '../../ui/figures/figure-pipes';
import { Options } from '../../ui/options/options';
import { Slider } from '../../ui/slider/slider';

/** One parameter as it was set. */
export interface ParamSet {
  readonly key: string;
  readonly value: unknown;
}

/** What may be chosen of a piece: each of its fields as its kind asks for it. */
@Component({
  selector: 'oc-param-fields',
  imports: [FigurePipe, MatButtonModule, Options, Slider],
  template: `@for (field of fields(); track field.key) {
    @if (field.input.kind === 'choice') {
      <oc-options
        [legend]="field.label"
        [name]="prefix() + field.key"
        [options]="field.input.options"
        [chosen]="chosen(field)"
        (choose)="changed.emit({ key: field.key, value: $event })"
      >
        <p class="hint">{{ field.why | figure }}</p>
      </oc-options>
    } @else {
      @let range = rangeOf(field);
      <oc-slider
        [name]="prefix() + field.key"
        [label]="field.label"
        [mm]="isLength(field) ? given(field.key) : null"
        [figure]="isLength(field) ? null : given(field.key)"
        [unit]="field.input.kind === 'angle' ? '°' : ''"
        [min]="range[0]"
        [max]="range[1]"
        [at]="given(field.key) ?? range[0]"
        (moved)="changed.emit({ key: field.key, value: $event })"
      >
        @if (given(field.key) === null && field.input.kind === 'length') {
          {{ field.input.folded }}. Drag to measure it instead.
        }
        {{ field.why | figure }}
        @if (isSet(field.key)) {
          <button type="button" matButton (click)="cleared.emit(field.key)">Back to the usual</button>
        }
      </oc-slider>
    }
  }`,
  styles: `
    :host {
      display: grid;
      gap: 0.9rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ParamFields {
  readonly piece = input.required<Pick<Piece, 'params'>>();
  readonly fields = input.required<readonly ParamField[]>();
  readonly sheet = input.required<SheetSize>();
  /** What is set; the rest is as usual. */
  readonly params = input.required<Readonly<Record<string, unknown>>>();
  /** What the ids of these fields begin with, so that several pieces have room on one page. */
  readonly prefix = input('t-');
  readonly changed = output<ParamSet>();
  readonly cleared = output<string>();
  /** What holds when the maker sets nothing. */
  private readonly usual = computed(() => this.piece().params.parse({}) as Readonly<Record<string, unknown>>);

  protected rangeOf({ input: { kind, ...range } }: ParamField): readonly [number, number] {
    if (kind === 'length' && 'range' in range) {
      const [least, most] = range.range(this.sheet(), this.params());
      return [Math.ceil(least), Math.floor(most)];
    }
    return 'min' in range ? [range.min, range.max] : [0, 1];
  }

  protected given(key: string): number | null {
    const value = this.params()[key] ?? this.usual()[key];
    return typeof value === 'number' ? value : null;
  }

  protected isSet(key: string): boolean {
    const value = this.params()[key];
    return value !== undefined && value !== null && value !== this.usual()[key];
  }

  protected isLength({ input: { kind } }: ParamField): boolean {
    return kind === 'length' || kind === 'fixed length';
  }

  protected chosen({ key, input: of }: ParamField): string {
    const value = this.params()[key] ?? this.usual()[key];
    if (typeof value === 'string') return value;
    return of.kind === 'choice' ? of.options[0].value : '';
  }
}
