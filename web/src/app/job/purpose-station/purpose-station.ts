import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Select } from '../../ui/select/select';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Job, Paper } from '@odd-corner/contract';
import { type EaseId, EASES, parseBlock, ParseLengthError } from '@odd-corner/core';
import { debounceTime, map, type Observable, of } from 'rxjs';
import { failureText } from '../../data/api';
import { WorkshopSettings } from '../../data/workshop-settings';
import { LengthPipe } from '../../ui/length-text/length.pipe';
import { Troubles } from '../../ui/troubles/troubles';
import { Folding } from '../../workers/folding.service';
import { type Deciding, decidingOf, type Outcome, workOut } from '../job-change';
import { refused } from '../../workers/refused';

/** What a change leads to, or why it cannot be made. */
interface Worked {
  readonly outcome: Outcome | null;
  readonly why: string | null;
}

/** What goes in, to be changed: it says what will change later before anything is kept. */
@Component({
  selector: 'oc-purpose-station',
  imports: [MatButtonModule, Select, LengthPipe],
  templateUrl: './purpose-station.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PurposeStation {
  readonly job = input.required<Job>();
  readonly paper = input.required<Paper | null>();
  readonly saving = input(false);
  readonly keep = output<Outcome>();
  readonly remove = output();
  private readonly settings = inject(WorkshopSettings);
  private readonly folding = inject(Folding);
  private readonly troubles = inject(Troubles);

  protected readonly eases = (Object.keys(EASES) as EaseId[]).map((id) => ({ id, name: id }));
  protected readonly title = linkedSignal(() => this.job().title);
  protected readonly text = linkedSignal(() => this.job().purpose.text);
  protected readonly ease = linkedSignal(() => this.job().purpose.ease);

  protected readonly reading = computed((): { readonly deciding: Deciding } | { readonly why: string } => {
    try {
      const same = this.text() === this.job().purpose.text;
      const block = same ? this.job().purpose.block : parseBlock(this.text(), this.settings.current().unit);
      return {
        deciding: {
          ...decidingOf(this.job(), this.paper()),
          title: this.title().trim(),
          text: this.text().trim(),
          block,
          ease: this.ease(),
        },
      };
    } catch (error) {
      if (error instanceof ParseLengthError) return { why: error.message };
      throw error;
    }
  });
  protected readonly fault = computed(() => {
    const reading = this.reading();
    return 'why' in reading ? reading.why : null;
  });
  protected readonly titleFault = computed(() =>
    this.title().trim() ? (this.title().trim().length > 80 ? 'Use at most 80 characters.' : null) : 'Give it a name.',
  );
  protected readonly changed = computed(() => {
    const { title, purpose } = this.job();
    return this.title().trim() !== title || this.text().trim() !== purpose.text || this.ease() !== purpose.ease;
  });
  protected readonly outcome = toSignal(
    toObservable(this.reading).pipe(
      debounceTime(150),
      this.troubles.asking((reading): Observable<Worked> =>
        'deciding' in reading
          ? workOut(this.job(), reading.deciding, this.folding).pipe(
              map((outcome) => ({ outcome, why: null })),
              refused((error) => ({ outcome: null, why: failureText(error) })),
            )
          : of({ outcome: null, why: null }),
      ),
    ),
    { initialValue: { outcome: null, why: null } },
  );
}
