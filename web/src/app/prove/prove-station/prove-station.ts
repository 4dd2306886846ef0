import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { JobInHand } from '../../job/job-in-hand';
import { Segments } from '../../ui/segments/segments';
import { Trying } from '../../workers/trials.service';
import { type TrialId, trialsOf } from '../can-try';
import { FloatTrial } from '../float-trial/float-trial';
import { HoldTrial } from '../hold-trial/hold-trial';
import { PourTrial } from '../pour-trial/pour-trial';
import { RollTrial } from '../roll-trial/roll-trial';

/** Trials of a make before the good paper: each that its form can be tried by. */
@Component({
  selector: 'oc-prove-station',
  imports: [FloatTrial, HoldTrial, PourTrial, RollTrial, Segments],
  providers: [Trying],
  template: `<div class="page">
    <h2>Prove it</h2>
    <p class="muted">Guess, see what is told, try it with the real thing, and write down what came.</p>
    @if (trials().length > 1) {
      <oc-segments
        legend="What to try"
        name="trial"
        [choices]="choices()"
        [chosen]="now()"
        (choose)="now.set($any($event))"
      />
    }
    @for (make of [inHand.make().id]; track make) {
      @switch (now()) {
        @case ('pour') {
          <oc-pour-trial />
        }
        @case ('float') {
          <oc-float-trial />
        }
        @case ('roll') {
          <oc-roll-trial />
        }
        @default {
          <oc-hold-trial />
        }
      }
    }
  </div>`,
  styles: `
    .page {
      display: grid;
      gap: 1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProveStation {
  protected readonly inHand = inject(JobInHand);
  protected readonly trials = computed(() => trialsOf(this.inHand.make().make.formId));
  protected readonly choices = computed(() => this.trials().map(({ id, name }) => ({ id, label: name })));
  protected readonly now = linkedSignal<TrialId>(() => this.trials()[0]?.id ?? 'hold');
}
