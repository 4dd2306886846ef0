import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatExpansionModule } from '@angular/material/expansion';
import { ActivatedRoute, NavigationEnd, Router, RouterOutlet } from '@angular/router';
import { SHELF } from '@odd-corner/core';
import { filter, map, startWith } from 'rxjs';
import { EyeTries } from '../data/eye-tries';
import { Hands } from '../data/hands';
import { Papers } from '../data/papers';
import { Figures } from '../ui/figures/figures';
import { NotHere } from '../ui/not-here/not-here';
import { Select } from '../ui/select/select';
import { StateNote } from '../ui/state-note/state-note';
import { JobDetails } from './job-details/job-details';
import { JobInHand } from './job-in-hand';
import { STATIONS } from './stations';
import { Strip } from './strip/strip';

/** One job: its makes, the strip of stations, and the one that is open. */
@Component({
  selector: 'oc-job-page',
  imports: [JobDetails, MatExpansionModule, NotHere, RouterOutlet, Select, StateNote, Strip],
  providers: [JobInHand],
  templateUrl: './job-page.html',
  styleUrl: './job-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobPage {
  readonly id = input.required<string>();
  /** Which make of the job, by its id; the first when it is left out. From the address. */
  readonly make = input<string>();
  protected readonly inHand = inject(JobInHand);
  private readonly figures = inject(Figures);
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);

  /** The station that is open, as the address says. */
  protected readonly current = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      startWith(null),
      map(() => this.route.snapshot.firstChild?.url.at(0)?.path ?? ''),
    ),
    { initialValue: '' },
  );
  protected readonly strip = computed(() => {
    const [job, make] = [this.inHand.job(), this.inHand.make()];
    const ids = new Set(make.make.entries.flatMap(({ papers }) => papers));
    const papers = [...ids].flatMap((id) => this.inHand.paperOf(id)?.name ?? []);
    return STATIONS.map(({ id, name, summary }) => ({
      ...{ id, name },
      ...summary({ job, make, papers, figures: this.figures }),
    }));
  });
  protected readonly makes = computed(() =>
    this.inHand.job().makes.map(({ id, make: { formId }, asked }, k) => ({
      id,
      name: `${k + 1}. ${SHELF.has(formId) ? SHELF.form(formId).name : formId}${asked.text ? `, ${asked.text}` : ''}`,
    })),
  );

  constructor() {
    inject(Papers).refresh();
    inject(Hands).refresh();
    // Without them an eye is taken to be as it is usual.
    inject(EyeTries)
      .known()
      .subscribe({ error: () => undefined });
    effect(() => {
      const [id, make] = [this.id(), this.make() ?? null];
      untracked(() => this.inHand.open(id, make));
    });
  }

  protected choose(make: string): void {
    void this.router.navigate([], { queryParams: { make }, queryParamsHandling: 'merge' });
  }
}
