import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  input,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Icon } from '../../ui/icon/icon';
import type { Station, StationLine } from '../stations';

/** One station on the strip. */
export type StripPart = Pick<Station, 'id' | 'name'> & StationLine;

/** A job's stations as a strip folded like an accordion: the current one open, the others narrow. */
@Component({
  selector: 'oc-strip',
  imports: [RouterLink, Icon],
  templateUrl: './strip.html',
  styleUrl: './strip.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Strip {
  readonly jobId = input.required<string>();
  readonly parts = input.required<readonly StripPart[]>();
  readonly current = input.required<string>();
  private readonly list = viewChild.required<ElementRef<HTMLElement>>('list');

  constructor() {
    // On a narrow screen the strip is wider than the view: the open station stays in sight.
    afterRenderEffect(() => {
      this.current();
      const list = this.list().nativeElement;
      const here = list.querySelector<HTMLElement>('.here');
      if (here) list.scrollLeft = here.offsetLeft - (list.clientWidth - here.offsetWidth) / 2;
    });
  }
}
