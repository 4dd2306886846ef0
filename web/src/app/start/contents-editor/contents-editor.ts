import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormArray, FormControl, FormGroup } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { anyItem, lengthSaying } from '@odd-corner/contract';
import { boxOf, type Item, type Posture, type Purpose, type Thing } from '@odd-corner/core';
import { Codecs } from '../../ui/field/codecs';
import { Field } from '../../ui/field/field';
import { Figures } from '../../ui/figures/figures';
import { controlOf } from '../../ui/forms/schema-form';
import { Select } from '../../ui/select/select';

/** Which sizes a shape has, in the order in which they are written. */
const SIZES = {
  block: ['Length', 'Width', 'Height'],
  flat: ['Width', 'Height', 'Thickness'],
  cylinder: ['Diameter', 'Height'],
  ball: ['Diameter'],
} as const satisfies Readonly<Record<Thing['shape'], readonly string[]>>;

const SHAPES: readonly { readonly id: Thing['shape']; readonly name: string }[] = [
  { id: 'block', name: 'Block' },
  { id: 'flat', name: 'Flat thing' },
  { id: 'cylinder', name: 'Round, with a height' },
  { id: 'ball', name: 'Ball' },
];

const MOST_SIZES = 3;
const sizeMm = lengthSaying('Write a size, for example 60.');

/** The fields of one part. */
const rowOf = (item: Item | null) => {
  const sizes = item ? sizesOf(item.thing) : [];
  return new FormGroup({
    count: controlOf<number>(anyItem.shape.count, item?.count ?? 1),
    name: new FormControl(item && item.name !== 'thing' ? item.name : ''),
    shape: new FormControl<Thing['shape']>(item?.thing.shape ?? 'block', { nonNullable: true }),
    posture: new FormControl<Posture | null>(item?.posture ?? null),
    sizes: new FormArray(Array.from({ length: MOST_SIZES }, (_, k) => controlOf(sizeMm, sizes[k] ?? null))),
  });
};
type Row = ReturnType<typeof rowOf>;

/** Contents put together from parts, for those who would rather not write them in one line. */
@Component({
  selector: 'oc-contents-editor',
  imports: [Field, MatButtonModule, Select],
  templateUrl: './contents-editor.html',
  styleUrl: './contents-editor.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ContentsEditor {
  /** What the line says now; the parts follow it until one of them is changed. */
  readonly purpose = input.required<Purpose | null>();
  /** The line that the parts make. */
  readonly written = output<string>();
  private readonly figures = inject(Figures);
  private readonly codecs = inject(Codecs);
  protected readonly sizesOf = SIZES;
  protected readonly shapes = SHAPES;
  protected readonly length = computed(() => this.codecs.length());
  protected readonly whole = computed(() => this.codecs.number('Count whole things.'));
  private readonly form = new FormArray<Row>([]);
  protected readonly rows = signal<readonly Row[]>([]);
  private own = '';

  constructor() {
    this.take([null]);
    effect(() => {
      const purpose = this.purpose();
      untracked(() => {
        const items = purpose && itemsOf(purpose);
        if (items && this.lineOf(items) !== this.own) this.take(items);
      });
    });
    this.form.valueChanges.pipe(takeUntilDestroyed()).subscribe(() => this.write());
  }

  protected add(): void {
    this.form.push(rowOf(null), { emitEvent: false });
    this.rows.set([...this.form.controls]);
  }

  protected remove(k: number): void {
    this.form.removeAt(k, { emitEvent: false });
    if (!this.form.length) this.form.push(rowOf(null), { emitEvent: false });
    this.rows.set([...this.form.controls]);
    this.write();
  }

  /** Rows for these items; an empty one for null. */
  private take(items: readonly (Item | null)[]): void {
    this.form.clear({ emitEvent: false });
    for (const item of items) this.form.push(rowOf(item), { emitEvent: false });
    this.rows.set([...this.form.controls]);
  }

  /** Writes the line; parts that are not finished are left out. */
  private write(): void {
    this.own = this.lineOf(this.form.controls.flatMap((row) => itemOf(row) ?? []));
    this.written.emit(this.own);
  }

  private lineOf(items: readonly Item[]): string {
    return items.length ? this.figures.purpose({ kind: 'hold', pieces: items }) : '';
  }
}

const itemsOf = (purpose: Purpose): readonly Item[] | null =>
  purpose.kind === 'hold' ? purpose.pieces : purpose.kind === 'loose' ? [purpose.piece] : null;

/** Sizes of a thing in the order in which its fields stand. */
function sizesOf(thing: Thing): readonly number[] {
  const box = boxOf(thing);
  return thing.shape === 'cylinder' ? [box[0], box[2]] : thing.shape === 'ball' ? [box[0]] : box;
}

/** The item that a row says; null while it is not finished. */
function itemOf(row: Row): Item | null {
  const { count, name, shape, sizes, posture } = row.getRawValue();
  // A figure by itself would be read as a size, and what stands between things would part the name.
  const called = (name ?? '')
    .replace(/[,;&+\n]/g, ' ')
    .replace(/(^|\s)[\d.]+(?=\s|$)/g, ' ')
    .replace(/\s+and\s+/gi, '-and-')
    .replace(/\s+/g, ' ')
    .trim();
  const controls = row.controls.sizes.controls.slice(0, SIZES[shape].length);
  if (row.controls.count.invalid || controls.some(({ invalid }) => invalid)) return null;
  const [a, b, c] = sizes.map((mm) => mm ?? 0);
  const things: Readonly<Record<Thing['shape'], Thing>> = {
    block: { shape: 'block', lengthMm: a, widthMm: b, heightMm: c },
    flat: { shape: 'flat', widthMm: a, heightMm: b, thickMm: c },
    cylinder: { shape: 'cylinder', diameterMm: a, lengthMm: b },
    ball: { shape: 'ball', diameterMm: a },
  };
  return { name: called || 'thing', count: count ?? 1, thing: things[shape], ...(posture && { posture }) };
}
