import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { MatExpansionModule } from '@angular/material/expansion';
import { type Drawing, roomyBox } from '@odd-corner/core';
import { DrawingView } from '../../ui/drawing-view/drawing-view';
import type { PaperColours } from '../../ui/drawing-view/paper-colours';
import { Segments } from '../../ui/segments/segments';
import { MeasureScreen } from '../../ui/true-size/measure-screen';
import { TrueSize } from '../../ui/true-size/true-size';

/** The pictures of a step that paper can be laid on. */
export interface LayOnAsked {
  readonly title: string;
  readonly colours: PaperColours;
  readonly before: Drawing;
  readonly after: Drawing;
}

/** The paper as large as it is, so that it can be laid on the screen. */
@Component({
  selector: 'oc-lay-on',
  imports: [DrawingView, MatButtonModule, MatDialogModule, MatExpansionModule, MeasureScreen, Segments],
  templateUrl: './lay-on.html',
  styleUrl: './lay-on.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LayOn {
  protected readonly at = inject<LayOnAsked>(MAT_DIALOG_DATA);
  protected readonly trueSize = inject(TrueSize);
  protected readonly moments = [
    { id: 'before', label: 'Before' },
    { id: 'after', label: 'Afterwards' },
  ];
  protected readonly moment = signal('after');
  protected readonly drawing = computed(() => (this.moment() === 'before' ? this.at.before : this.at.after));
  /** In CSS pixels. */
  protected readonly size = computed(() => {
    const { width, height } = roomyBox(this.drawing());
    const px = this.trueSize.pxPerMm();
    return { width: width * px, height: height * px };
  });
}
