import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { formById, type SizedForm, USUAL_WEIGHTS } from '@odd-corner/core';
import { Papers } from '../../data/papers';
import { RankedAnswers } from '../../start/ranked-answers/ranked-answers';
import { JobInHand } from '../job-in-hand';

/** All forms that do what the job is for, the one that was taken first: another can be taken without losing the rest. */
@Component({
  selector: 'oc-form-station',
  imports: [MatButtonModule, RankedAnswers, RouterLink],
  template: `<div class="page">
    @if (inHand.purpose(); as purpose) {
      <oc-ranked-answers
        act="Take this form"
        [purpose]="purpose"
        [options]="inHand.options()"
        [units]="inHand.make().asked.options.units"
        [(weights)]="weights"
        [papers]="papers.rows()"
        [paper]="inHand.paperOf(inHand.make().make.entries[0].papers[0])"
        [taken]="inHand.make().make.formId"
        [busy]="inHand.saving()"
        (take)="take($event)"
      />
    } @else {
      <h2>{{ name() }}</h2>
      <p>This job began with a sheet at hand. Say what it is for, and all forms that do it stand here.</p>
      <p>
        <a matButton="filled" [routerLink]="['/jobs', inHand.job().id, 'purpose']" queryParamsHandling="preserve"
          >Say what it is for</a
        >
      </p>
    }
  </div>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormStation {
  protected readonly inHand = inject(JobInHand);
  protected readonly papers = inject(Papers);
  private readonly router = inject(Router);
  protected readonly weights = signal(USUAL_WEIGHTS);

  protected name(): string {
    return formById(this.inHand.make().make.formId).name;
  }

  protected take(answer: SizedForm): void {
    const { name } = formById(answer.formId);
    this.inHand.changeMake({ make: this.inHand.makeFrom(answer), chance: answer.chance }, `${name} is taken.`);
    void this.router.navigate(['/jobs', this.inHand.job().id, 'sheet'], { queryParamsHandling: 'preserve' });
  }
}
