import { MediaMatcher } from '@angular/cdk/layout';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatSliderModule } from '@angular/material/slider';
import type { Drawing } from '@odd-corner/core';
import { DrawingView } from '../drawing-view/drawing-view';
import type { PaperColours } from '../drawing-view/paper-colours';

/** How long one way takes, in ms: slow enough to follow with paper in the hands. */
const FRAME_MS = 110;
/** It rests before it begins again. */
const REST_FRAMES = 9;

/** Pictures one after another: played, or drawn along with a finger. Still for those who prefer no motion. */
@Component({
  selector: 'oc-moving-picture',
  imports: [DrawingView, MatButtonModule, MatSliderModule],
  templateUrl: './moving-picture.html',
  styleUrl: './moving-picture.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MovingPicture {
  readonly frames = input.required<readonly Drawing[]>();
  readonly colours = input.required<PaperColours>();
  readonly label = input.required<string>();

  protected readonly at = signal(0);
  protected readonly playing = signal(!inject(MediaMatcher).matchMedia('(prefers-reduced-motion: reduce)').matches);
  protected readonly last = computed(() => this.frames().length - 1);
  protected readonly shown = computed(() => this.frames()[Math.min(this.at(), this.last())]);
  protected readonly spoken = (frame: number): string =>
    `${Math.round((100 * frame) / Math.max(1, this.last()))} % of the way`;

  constructor() {
    let each: ReturnType<typeof setInterval> | null = null;
    let rest = 0;
    const stop = (): void => {
      if (each !== null) clearInterval(each);
      each = null;
    };
    effect(() => {
      this.frames();
      untracked(() => this.at.set(0));
    });
    effect(() => {
      stop();
      if (!this.playing()) return;
      each = setInterval(() => {
        if (this.at() < this.last()) return this.at.update((k) => k + 1);
        rest += 1;
        if (rest < REST_FRAMES) return;
        rest = 0;
        this.at.set(0);
      }, FRAME_MS);
    });
    inject(DestroyRef).onDestroy(stop);
  }

  protected scrub(frame: number): void {
    this.playing.set(false);
    this.at.set(frame);
  }
}
