import { inject, Pipe, type PipeTransform } from '@angular/core';
import { type BlockSize, formatSizes, type Room, roomFacts, roomKindById } from '@odd-corner/core';
import { WorkshopSettings } from '../../data/workshop-settings';

/** Sizes of a block, a room or a sheet in one line: `60 × 45 × 22 mm`. */
@Pipe({ name: 'sizes', pure: false })
export class SizesPipe implements PipeTransform {
  private readonly settings = inject(WorkshopSettings);

  transform(size: BlockSize | Room | readonly number[]): string {
    const list = 'kind' in size ? told(size) : 'heightMm' in size ? [size.lengthMm, size.widthMm, size.heightMm] : size;
    return formatSizes(list, this.settings.current().unit);
  }
}

/** What a room measures, in the order of its kind. */
const told = (room: Room): number[] => roomFacts(roomKindById(room.kind), room).map(({ mm }) => mm);
