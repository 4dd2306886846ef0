import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { MatSliderModule } from '@angular/material/slider';
import type { PaperScene } from '@odd-corner/core';
import { DrawingView } from '../drawing-view/drawing-view';
import { type PaperColours } from '../drawing-view/paper-colours';
import type { BodiesIn, PaperStage } from './paper-stage';

const TURN_PER_KEY = Math.PI / 16;

/** A folded piece with contents and lid, to be turned by dragging or keys; a still picture where there is no WebGL. */
@Component({
  selector: 'oc-paper-model',
  imports: [MatSliderModule, DrawingView],
  templateUrl: './paper-model.html',
  styleUrl: './paper-model.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PaperModel {
  readonly scene = input.required<PaperScene>();
  /** What is shown, in words. */
  readonly label = input.required<string>();
  readonly colours = input.required<PaperColours>();
  /** Loose things in it. */
  readonly bodies = input<BodiesIn | null>(null);
  /** What the slider lifts. */
  readonly lifts = input('Lid');
  private readonly host = viewChild<ElementRef<HTMLElement>>('stage');
  private readonly stage = signal<PaperStage | null>(null);
  /** `still` once WebGL turned out to be missing. */
  protected readonly kind = signal<'waiting' | 'turning' | 'still'>('waiting');
  /** How far the lid is lifted, 0 to 1. */
  protected readonly lift = signal(1);
  protected readonly still = computed(() => (this.lift() > 0.5 ? this.scene().open : this.scene().closed));

  constructor() {
    let gone = false;
    inject(DestroyRef).onDestroy(() => {
      gone = true;
      this.stage()?.dispose();
    });
    effect(() => {
      const host = this.host()?.nativeElement;
      if (!host || this.stage() || this.kind() === 'still') return;
      void import('./paper-stage').then(({ PaperStage }) => {
        if (gone || this.stage()) return;
        try {
          this.stage.set(new PaperStage(host));
          this.kind.set('turning');
        } catch {
          this.kind.set('still');
        }
      });
    });
    effect(() => this.stage()?.show(this.scene(), this.colours()));
    effect(() => this.stage()?.showBodies(this.bodies()));
    effect(() => this.stage()?.liftLid(this.lift()));
  }

  protected key(event: KeyboardEvent): void {
    const turns: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-TURN_PER_KEY, 0],
      ArrowRight: [TURN_PER_KEY, 0],
      ArrowUp: [0, -TURN_PER_KEY],
      ArrowDown: [0, TURN_PER_KEY],
    };
    const turn = turns[event.key];
    if (turn) this.stage()?.turn(turn[0], turn[1]);
    else if (event.key === '+' || event.key === '=') this.stage()?.zoom(0.88);
    else if (event.key === '-') this.stage()?.zoom(1 / 0.88);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
}
