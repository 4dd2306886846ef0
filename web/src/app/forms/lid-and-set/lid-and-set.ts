import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { caliperOf, COMMON_PAPER, squareTray, WALL_SHARE } from '@odd-corner/core';
import { debounceTime, forkJoin, switchMap } from 'rxjs';
import { WorkshopSettings } from '../../data/workshop-settings';
import { PLAIN_PAPER } from '../../ui/drawing-view/paper-colours';
import { LengthPipe } from '../../ui/length-text/length.pipe';
import { Options } from '../../ui/options/options';
import { PaperModel } from '../../ui/paper-model/paper-model';
import { Slider } from '../../ui/slider/slider';
import { Folding } from '../../workers/folding.service';

const STACK_PAUSE_MS = 350;
/** How much larger than the tray's a lid's sheet may be chosen: from the other way round, an insert, to a loose fit. */
const LID_MORE_MM = { min: -10, usual: 4, max: 12 } as const;

/** Walls as near to those of the tray as a sheet gives. */
const wallsFrom = (sheetMm: number, wallMm: number): number =>
  Math.min(Math.max(wallMm, Math.ceil(WALL_SHARE.min * sheetMm)), Math.ceil(WALL_SHARE.max * sheetMm) - 1);

/** What belongs to a tray: its lid, from a sheet to be chosen, an insert, and a set of trays, one in the other. */
@Component({
  selector: 'oc-lid-and-set',
  imports: [LengthPipe, Options, PaperModel, Slider],
  templateUrl: './lid-and-set.html',
  styleUrl: './lid-and-set.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LidAndSet {
  readonly sheetMm = input.required<number>();
  /** Height of the tray's walls, or null for the height that folding gives. */
  readonly wallMm = input.required<number | null>();
  private readonly folding = inject(Folding);
  private readonly settings = inject(WorkshopSettings);
  protected readonly paper = PLAIN_PAPER;

  /** What the lid's sheet has more than the tray's. */
  protected readonly lidMore = signal<number>(LID_MORE_MM.usual);
  protected readonly lidMm = computed(() => Math.max(squareTray.leastSheetMm, this.sheetMm() + this.lidMore()));
  protected readonly lidRange = LID_MORE_MM;
  /** A lid with ears to lift it by, or a plain one: the tray again, from a larger sheet. */
  protected readonly lidPart = signal<'tray' | 'eared-lid'>('eared-lid');
  protected readonly lids = [
    { value: 'eared-lid', label: 'With ears to lift it by' },
    { value: 'tray', label: 'Plain: the tray again, a little larger' },
  ] as const;
  /** What the picture shows. */
  protected readonly pictured = signal<'lid' | 'set'>('lid');

  protected readonly shown = toSignal(
    toObservable(
      computed(() => ({
        sheetMm: this.sheetMm(),
        wallMm: this.wallMm(),
        lidPart: this.lidPart(),
        lidMm: this.lidMm(),
      })),
    ).pipe(
      switchMap(({ sheetMm, wallMm, lidPart, lidMm }) => {
        const tray = {
          formId: squareTray.id,
          part: 'tray',
          sheetMm,
          wallMm: wallMm === null ? null : wallsFrom(sheetMm, wallMm),
          thicknessMm: caliperOf(COMMON_PAPER),
        } as const;
        const lid = {
          ...tray,
          part: lidPart,
          sheetMm: lidMm,
          wallMm: wallMm === null ? null : wallsFrom(lidMm, wallMm),
        };
        return forkJoin({
          scene: this.folding.scene({ tray, lid, block: null }),
          pair: this.folding.pair({ tray, lid, ...this.settings.current() }),
        });
      }),
    ),
    { initialValue: null },
  );

  /** How many trays stand in one another. */
  protected readonly count = signal(3);
  protected readonly stack = toSignal(
    toObservable(
      computed(() => ({
        innermostMm: this.sheetMm(),
        count: this.count(),
        ease: this.settings.current().ease,
        ruler: this.settings.current().ruler,
        thicknessMm: caliperOf(COMMON_PAPER),
      })),
    ).pipe(
      // A set folds many trays: it waits until the dragging stops.
      debounceTime(STACK_PAUSE_MS),
      switchMap((asked) => this.folding.stack(asked)),
    ),
    { initialValue: null },
  );
  protected readonly scene = computed(() => (this.pictured() === 'set' ? this.stack()?.scene : this.shown()?.scene));
  protected readonly ruler = computed(() => this.settings.current().ruler);

  protected chooseLid(part: string): void {
    this.lidPart.set(part === 'tray' ? 'tray' : 'eared-lid');
  }
}
