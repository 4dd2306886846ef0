import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { caliperOf, COMMON_PAPER, FORMS, squareTray, WALL_SHARE } from '@odd-corner/core';
import { debounceTime, forkJoin, switchMap } from 'rxjs';
import { DrawingView, PLAIN_PAPER } from '../ui/drawing-view/drawing-view';
import { LengthFigure } from '../ui/length-text/length-figure';
import { LengthPipe } from '../ui/length-text/length.pipe';
import { SizesPipe } from '../ui/length-text/sizes.pipe';
import { NotHere } from '../ui/not-here/not-here';
import { PaperModel } from '../ui/paper-model/paper-model';
import { WorkshopSettings } from '../data/workshop-settings';
import { Folding } from '../workers/folding.service';
import { TryForm } from './try-form/try-form';

const LARGEST_MM = 600;
const STACK_PAUSE_MS = 350;
/** How much larger than the tray's a lid's sheet may be chosen: from the other way round, an insert, to a loose fit. */
const LID_MORE_MM = { min: -10, usual: 4, max: 12 } as const;

/** One form: its sheet and walls to be dragged, sizes, crease pattern and the folded piece following. */
@Component({
  selector: 'oc-form-page',
  imports: [DrawingView, LengthFigure, LengthPipe, NotHere, PaperModel, RouterLink, SizesPipe, TryForm],
  templateUrl: './form-page.html',
  styleUrl: './form-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FormPage {
  readonly id = input.required<string>();
  private readonly folding = inject(Folding);
  private readonly settings = inject(WorkshopSettings);
  protected readonly form = squareTray;
  protected readonly isForm = computed(() => this.id() in FORMS);
  protected readonly paper = PLAIN_PAPER;
  protected readonly range = { min: squareTray.leastSheetMm, max: LARGEST_MM };

  protected readonly sheetMm = signal(150);
  /** Wall height as a share of its range, or null for the height that folding gives. */
  protected readonly wallShare = signal<number | null>(null);
  /** What the lid's sheet has more than the tray's. */
  protected readonly lidMore = signal<number>(LID_MORE_MM.usual);
  protected readonly lidMm = computed(() => Math.max(this.range.min, this.sheetMm() + this.lidMore()));
  protected readonly lidRange = LID_MORE_MM;
  protected readonly lowestMm = computed(() => Math.ceil(WALL_SHARE.min * Math.max(this.sheetMm(), this.lidMm())));
  protected readonly tallestMm = computed(() => Math.ceil(WALL_SHARE.max * Math.min(this.sheetMm(), this.lidMm())) - 1);
  protected readonly wallMm = computed(() => {
    const share = this.wallShare();
    return share === null ? null : Math.round(this.lowestMm() + share * (this.tallestMm() - this.lowestMm()));
  });

  /** A lid with ears to lift it by, or a plain one: the tray again, from a larger sheet. */
  protected readonly lidPart = signal<'tray' | 'eared-lid'>('eared-lid');
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
        const asked = {
          formId: squareTray.id,
          part: 'tray',
          sheetMm,
          wallMm,
          thicknessMm: caliperOf(COMMON_PAPER),
        } as const;
        const lid = { ...asked, part: lidPart, sheetMm: lidMm };
        return forkJoin({
          tray: this.folding.part(asked),
          scene: this.folding.scene({ tray: asked, lid, block: null }),
          pair: this.folding.pair({ tray: asked, lid, ...this.settings.current() }),
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

  protected setWall(mm: number): void {
    this.wallShare.set((mm - this.lowestMm()) / Math.max(1, this.tallestMm() - this.lowestMm()));
  }
}
