import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { Icon } from '../../ui/icon/icon';
import { Select } from '../../ui/select/select';
import { Timers, USUAL_WAITS } from './timers';

/** What is waited for, and what else can be. */
@Component({
  selector: 'oc-timer-list',
  imports: [Icon, MatButtonModule, Select],
  templateUrl: './timer-list.html',
  styleUrl: './timer-list.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TimerList {
  /** What is at hand: a timer is named after it. */
  readonly of = input.required<string>();
  /** The copy that waits meanwhile. */
  readonly copy = input.required<string | null>();
  /** Whether the step at hand has to dry. */
  readonly dries = input(false);

  protected readonly timers = inject(Timers);
  protected readonly waits = USUAL_WAITS.map(({ id, name, minutes }) => ({ id, name: `${name}, ${minutes} min` }));
  protected readonly chosen = signal<string>(USUAL_WAITS[0].id);
  protected readonly shown = computed(() => this.timers.all().map((one) => ({ ...one, left: clock(one.seconds) })));

  protected start(): void {
    const wait = USUAL_WAITS.find(({ id }) => id === this.chosen()) ?? USUAL_WAITS[0];
    this.timers.start(`${wait.name}: ${this.of()}`, wait.minutes, this.copy());
  }
}

/** Minutes and seconds, and hours where there are any. */
function clock(seconds: number): string {
  const [h, m, s] = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60];
  const two = (n: number): string => `${n}`.padStart(2, '0');
  return h ? `${h}:${two(m)}:${two(s)}` : `${m}:${two(s)}`;
}
