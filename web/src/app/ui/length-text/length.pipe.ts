import { inject, Pipe, type PipeTransform } from '@angular/core';
import { lengthFigure } from '@odd-corner/core';
import { WorkshopSettings } from '../../data/workshop-settings';

/** A length as this workshop reads it: `152 mm`, `15.2 cm`, `6 in`. */
@Pipe({ name: 'length', pure: false })
export class LengthPipe implements PipeTransform {
  private readonly settings = inject(WorkshopSettings);

  transform(mm: number): string {
    const { unit } = this.settings.current();
    return `${lengthFigure(mm, unit)}\u00a0${unit}`;
  }
}
