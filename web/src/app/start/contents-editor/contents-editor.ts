import { ChangeDetectionStrategy, Component, effect, inject, input, output, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Select } from '../../ui/select/select';
import { boxOf, lengthFigure, type Purpose, type ShownUnit, type Thing } from '@odd-corner/core';
import { WorkshopSettings } from '../../data/workshop-settings';

/** A row of the editor: as it is typed. */
interface Row {
  readonly count: string;
  readonly name: string;
  readonly shape: Thing['shape'];
  readonly sizes: readonly [string, string, string];
}

const EMPTY: Row = { count: '1', name: '', shape: 'block', sizes: ['', '', ''] };

/** Which sizes a shape has, in the order in which they are written. */
const SIZES: Readonly<Record<Thing['shape'], readonly string[]>> = {
  block: ['Length', 'Width', 'Height'],
  flat: ['Width', 'Height', 'Thickness'],
  cylinder: ['Diameter', 'Height'],
  ball: ['Diameter'],
};

/** Contents put together from parts, for those who would rather not write them in one line. */
@Component({
  selector: 'oc-contents-editor',
  imports: [MatButtonModule, Select],
  templateUrl: './contents-editor.html',
  styleUrl: './contents-editor.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ContentsEditor {
  /** What the line says now; the parts follow it until one of them is changed. */
  readonly purpose = input.required<Purpose | null>();
  /** The line that the parts make. */
  readonly written = output<string>();
  private readonly unit = inject(WorkshopSettings).current;
  protected readonly sizesOf = SIZES;
  protected readonly shapes: readonly { readonly id: Thing['shape']; readonly name: string }[] = [
    { id: 'block', name: 'Block' },
    { id: 'flat', name: 'Flat thing' },
    { id: 'cylinder', name: 'Round, with a height' },
    { id: 'ball', name: 'Ball' },
  ];
  protected readonly rows = signal<readonly Row[]>([EMPTY]);
  private own = '';

  constructor() {
    effect(() => {
      const purpose = this.purpose();
      untracked(() => {
        const rows = purpose && rowsOf(purpose, this.unit().unit);
        if (rows && lineOf(rows, this.unit().unit) !== this.own) this.rows.set(rows);
      });
    });
  }

  protected change(k: number, part: Partial<Row>): void {
    this.set(this.rows().map((row, i) => (i === k ? { ...row, ...part } : row)));
  }

  protected setSize(k: number, which: number, text: string): void {
    const sizes = this.rows()[k].sizes.map((old, i) => (i === which ? text : old)) as [string, string, string];
    this.change(k, { sizes });
  }

  protected setShape(k: number, shape: Thing['shape']): void {
    this.change(k, { shape });
  }

  protected add(): void {
    this.rows.update((rows) => [...rows, EMPTY]);
  }

  protected remove(k: number): void {
    const rows = this.rows().filter((_, i) => i !== k);
    this.set(rows.length ? rows : [EMPTY]);
  }

  private set(rows: readonly Row[]): void {
    this.rows.set(rows);
    this.own = lineOf(rows, this.unit().unit);
    this.written.emit(this.own);
  }
}

/** The line that rows make; unfinished rows are left out. */
function lineOf(rows: readonly Row[], unit: ShownUnit): string {
  return rows
    .filter(({ shape, sizes }) => SIZES[shape].every((_, k) => sizes[k].trim()))
    .map(({ count, name, shape, sizes }) => {
      const written = SIZES[shape].map((_, k) => sizes[k].trim()).join(' x ');
      const round = shape === 'cylinder' || shape === 'ball' ? 'ø' : '';
      // A name that ends in a figure would be read as a size.
      const called = name
        .replace(/[\d,;]/g, ' ')
        .replace(/\s+/g, ' ')
        .trim();
      return `${count.trim() || '1'} ${called || 'thing'} ${round}${written} ${unit}`;
    })
    .join(', ');
}

function rowsOf(purpose: Purpose, unit: ShownUnit): readonly Row[] | null {
  const pieces = purpose.kind === 'hold' ? purpose.pieces : purpose.kind === 'loose' ? [purpose.piece] : null;
  return (
    pieces?.map(({ name, count, thing }) => {
      const box = boxOf(thing);
      const sides = thing.shape === 'cylinder' ? [box[0], box[2]] : thing.shape === 'ball' ? [box[0]] : box;
      const [a, b = '', c = ''] = sides.map((mm) => lengthFigure(mm, unit));
      return { count: `${count}`, name: name === 'thing' ? '' : name, shape: thing.shape, sizes: [a, b, c] };
    }) ?? null
  );
}
