import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { debounceTime } from 'rxjs';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { askedOf, found, makeOf } from '@odd-corner/contract';
import { formById, type SizedForm } from '@odd-corner/core';
import { PagedList } from '../../data/paged-list';
import { Papers } from '../../data/papers';
import { Recents } from '../../data/recents';
import { type Started, JobStarter } from '../../job/job-starter';
import { Figures } from '../../ui/figures/figures';
import { Asking } from '../asked/asking';
import { ThingsToPick } from '../asked/things-to-pick';
import { RankedAnswers } from '../ranked-answers/ranked-answers';

/** A question that stands so long was meant, in ms. */
const MEANT_MS = 4000;

/** All answers to what is asked at the start: a job begins with the very answer that is pressed, or takes it in. */
@Component({
  selector: 'oc-job-answers',
  imports: [RankedAnswers],
  template: `@if (asking.question(); as asked) {
    <oc-ranked-answers
      [purpose]="asked.purpose"
      [options]="asked.options"
      [units]="asked.units"
      [source]="asked.from"
      [weights]="asking.asked().weights"
      (weightsChange)="asking.put({ weights: $event })"
      [papers]="papers.rows()"
      [paper]="asking.paper()"
      [busy]="starter.starting()"
      [kits]="kits()"
      (take)="start($event)"
      (add)="starter.addTo($event.to, started($event.answer))"
    />
  }`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JobAnswers {
  protected readonly asking = inject(Asking);
  private readonly things = inject(ThingsToPick);
  protected readonly papers = inject(Papers);
  private readonly begun = (['folding', 'planned'] as const).map((state) => {
    const list = new PagedList('jobs', { topic: 'jobs' });
    list.ask({ state, archived: 'no' });
    return list;
  });
  protected readonly starter = inject(JobStarter);
  private readonly figures = inject(Figures);
  private readonly recents = inject(Recents);
  /** Jobs that are not folded yet may take something in: the last touched ones. */
  protected readonly kits = computed(() =>
    this.begun
      .flatMap((list) => list.rows())
      .sort((a, b) => b.updatedAt.localeCompare(a.updatedAt))
      .map(({ id, title }) => ({ id, title })),
  );

  constructor() {
    // A question that stands for a while was meant.
    toObservable(computed(() => ({ purpose: this.asking.purpose(), text: this.asking.asked().text.trim() })))
      .pipe(debounceTime(MEANT_MS), takeUntilDestroyed())
      .subscribe(({ purpose, text }) => {
        if (purpose && text) this.recents.add({ purpose, text });
      });
  }

  protected start(answer: SizedForm): void {
    const said = this.figures.purpose(this.asking.question()!.whole);
    const title = this.things.picked()?.name ?? `${formById(answer.formId).name} for ${said}`;
    this.starter.start(title, this.started(answer));
  }

  protected started(answer: SizedForm): Started {
    // The question that was answered, whatever is being typed meanwhile.
    const { text, whole, options, units } = this.asking.question()!;
    const papers = { papers: [this.asking.paper()?.id ?? null], thicknessMm: options.thicknessMm };
    return {
      asked: {
        ...{ text, purpose: whole },
        options: askedOf(options, units),
      },
      make: makeOf(found(answer), () => papers),
      chance: answer.chance,
      count: units,
    };
  }
}
