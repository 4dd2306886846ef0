import { inject, Pipe, type PipeTransform } from '@angular/core';
import type { BlockSize, InsideSize } from '@odd-corner/core';
import { formatSizes } from '@odd-corner/core';
import { WorkshopSettings } from '../../data/workshop-settings';

/** Sizes of a block, a cavity or a sheet in one line: `60 × 45 × 22 mm`. */
@Pipe({ name: 'sizes', pure: false })
export class SizesPipe implements PipeTransform {
  private readonly settings = inject(WorkshopSettings);

  transform(size: BlockSize | InsideSize | readonly number[]): string {
    const list = Array.isArray(size) ? (size as readonly number[]) : sizesOf(size as BlockSize | InsideSize);
    return formatSizes(list, this.settings.current().unit);
  }
}

function sizesOf(size: BlockSize | InsideSize): number[] {
  return [size.lengthMm, size.widthMm, 'heightMm' in size ? size.heightMm : size.depthMm];
}
