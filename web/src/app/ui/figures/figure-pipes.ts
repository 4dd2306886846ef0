import { inject, Pipe, type PipeTransform } from '@angular/core';
import type { Purpose, RulerId } from '@odd-corner/core';
import { Figures } from './figures';

/** A length as this workshop reads it: `152 mm`, `15.2 cm`, `6 in`. */
@Pipe({ name: 'length', pure: false })
export class LengthPipe implements PipeTransform {
  private readonly figures = inject(Figures);

  /** @param ruler with which the length is to be measured, if it is: its marks decide the unit then */
  transform(mm: number, ruler?: RulerId): string {
    return this.figures.length(mm, ruler);
  }
}

/** What something is for, as it would be typed: `4 tickets 105 × 74 mm`. */
@Pipe({ name: 'purpose', pure: false })
export class PurposePipe implements PipeTransform {
  private readonly figures = inject(Figures);

  transform(purpose: Purpose): string {
    return this.figures.purpose(purpose);
  }
}

/** A plain number with so many digits behind the maker's decimal mark, or a text with numbers in it. */
@Pipe({ name: 'figure', pure: false })
export class FigurePipe implements PipeTransform {
  private readonly figures = inject(Figures);

  transform(value: number | string, digits = 0): string {
    return typeof value === 'string' ? this.figures.mark(value) : this.figures.fixed(value, digits);
  }
}
