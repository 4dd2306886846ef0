import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Icon } from '../../ui/icon/icon';
import type { StationId, StripPart } from '../stations';

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
  readonly current = input.required<StationId>();
}
