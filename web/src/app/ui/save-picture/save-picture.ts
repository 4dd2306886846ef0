import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatMenuModule } from '@angular/material/menu';
import { type Drawing, drawingSvg, withMark } from '@odd-corner/core';
import type { PaperColours } from '../drawing-view/paper-colours';
import { Figures } from '../figures/figures';
import { fileName, saveFile } from '../save-file';
import { UndoBar } from '../undo/undo-bar';

/** A picture that can be kept. */
export interface Savable {
  /** What it shows, in words. */
  readonly name: string;
  readonly drawing: Drawing;
}

/** The longer side of a picture as pixels: enough for half a page of print. */
const PIXELS = 1800;

/** Keeps pictures as files: lines that stay sharp, or pixels. */
@Component({
  selector: 'oc-save-picture',
  imports: [MatButtonModule, MatMenuModule],
  template: `<button type="button" matButton="outlined" [matMenuTriggerFor]="menu">
      Save a picture<span class="visually-hidden">: {{ of() }}</span>
    </button>
    <mat-menu #menu="matMenu">
      @for (one of pictures(); track one.name) {
        <button mat-menu-item (click)="svg(one)">{{ one.name }}, SVG</button>
        <button mat-menu-item (click)="png(one)">{{ one.name }}, PNG</button>
      }
    </mat-menu>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SavePicture {
  readonly pictures = input.required<readonly Savable[]>();
  readonly colours = input.required<PaperColours>();
  /** What the files are called after. */
  readonly of = input.required<string>();
  private readonly figures = inject(Figures);
  private readonly undo = inject(UndoBar);

  protected svg(one: Savable): void {
    saveFile(`${this.file(one)}.svg`, this.text(one), 'image/svg+xml');
  }

  protected png(one: Savable): void {
    const image = new Image();
    const url = URL.createObjectURL(new Blob([this.text(one)], { type: 'image/svg+xml' }));
    image.onload = () => {
      const scale = PIXELS / Math.max(image.width, image.height);
      const canvas = document.createElement('canvas');
      canvas.width = Math.round(scale * image.width);
      canvas.height = Math.round(scale * image.height);
      canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
      URL.revokeObjectURL(url);
      canvas.toBlob((blob) => {
        if (blob) saveFile(`${this.file(one)}.png`, blob, 'image/png');
        else this.undo.failed(new Error('The browser could not make a picture of it.'));
      }, 'image/png');
    };
    image.onerror = () => {
      URL.revokeObjectURL(url);
      this.undo.failed(new Error('The browser could not make a picture of it.'));
    };
    image.src = url;
  }

  private text({ name, drawing }: Savable): string {
    const { decimal } = this.figures.shown();
    return drawingSvg(drawing, this.colours(), {
      title: `${this.of()}: ${name}`,
      say: (text) => withMark(text, decimal),
    });
  }

  private file({ name }: Savable): string {
    return fileName(`${this.of()} ${name}`);
  }
}
