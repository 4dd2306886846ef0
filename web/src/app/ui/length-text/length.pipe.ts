import { inject, Pipe, type PipeTransform } from '@angular/core';
import { lengthFigure, type RulerId, unitOnRuler } from '@odd-corner/core';
import { WorkshopSettings } from '../../data/workshop-settings';

/** A length as this workshop reads it: `152 mm`, `15.2 cm`, `6 in`. */
@Pipe({ name: 'length', pure: false })
export class LengthPipe implements PipeTransform {
  private readonly settings = inject(WorkshopSettings);

  /** @param ruler with which the length is to be measured, if it is: its marks decide the unit then */
  transform(mm: number, ruler?: RulerId): string {
    const preferred = this.settings.current().unit;
    const unit = ruler ? unitOnRuler(ruler, preferred) : preferred;
    return `${lengthFigure(mm, unit)}\u00a0${unit}`;
  }
}
