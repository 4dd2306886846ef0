import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { TrayJob } from '@odd-corner/contract';
import { LengthPipe } from '../../ui/figures/figure-pipes';
import { STATION_NAMES, type StationId } from '../stations';

/** A station that is not built yet: it says so, and what to do meanwhile. */
@Component({
  selector: 'oc-soon-station',
  imports: [MatButtonModule, RouterLink, LengthPipe],
  template: `<div class="page">
    <h2>{{ names[station()] }} is coming soon</h2>
    @if (station() === 'cut') {
      <p class="lead">
        Cut a square of {{ job().choice.tray.sheetMm | length: job().choice.ruler }} for the tray and one of
        {{ job().choice.lid.sheetMm | length: job().choice.ruler }} for the lid. The Sheet station sketches how they lie
        on the paper you chose. Keep fingers behind the edge of the ruler when you use a knife.
      </p>
      <p><a matButton="outlined" [routerLink]="['/jobs', job().id, 'sheet']">To the sketch</a></p>
    } @else {
      <p class="lead">
        @if (job().choice.tray.wallMm; as wall) {
          The one measure is the wall: {{ wall | length: job().choice.ruler }} from the folded edge. The steps say when
          to set the ruler.
        } @else {
          This way needs no marks: every fold brings an edge or a corner onto something you can see.
        }
      </p>
      <p><a matButton="filled" [routerLink]="['/jobs', job().id, 'fold']">Go on to folding</a></p>
    }
  </div>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SoonStation {
  readonly station = input.required<StationId>();
  readonly job = input.required<TrayJob>();
  protected readonly names = STATION_NAMES;
}
