import { inject, Pipe, type PipeTransform } from '@angular/core';
import { type Room, roomFacts, roomKindById } from '@odd-corner/core';
import { Figures } from './figures';

/**
 * Sizes of a room or a sheet in one line: `60 × 45 × 22 mm`. Apart from the other pipes, because it brings all kinds
 * of rooms with it.
 */
@Pipe({ name: 'sizes', pure: false })
export class SizesPipe implements PipeTransform {
  private readonly figures = inject(Figures);

  transform(size: Room | readonly number[]): string {
    return this.figures.sizes('kind' in size ? told(size) : size);
  }
}

/** What a room measures, in the order of its kind. */
const told = (room: Room): number[] => roomFacts(roomKindById(room.kind), room).map(({ mm }) => mm);
