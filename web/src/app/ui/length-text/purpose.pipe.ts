import { inject, Pipe, type PipeTransform } from '@angular/core';
import { type Purpose, writePurpose } from '@odd-corner/core';
import { WorkshopSettings } from '../../data/workshop-settings';

/** What something is for, as it would be typed: `4 tickets 105 × 74 mm`. */
@Pipe({ name: 'purpose', pure: false })
export class PurposePipe implements PipeTransform {
  private readonly settings = inject(WorkshopSettings);

  transform(purpose: Purpose): string {
    return writePurpose(purpose, this.settings.current().unit);
  }
}
