import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type CreaseSheet, creaseSheet, creaseSheetSvg } from '@odd-corner/core';
import { finalize } from 'rxjs';
import type { FormAsked } from '../../workers/fold-piece';
import { Folding } from '../../workers/folding.service';
import { fileName, saveFile } from '../save-file';
import { UndoBar } from '../undo/undo-bar';

/** The open sheet with its creases as files, for plotters and cutting machines: at true size, a layer for each kind of line. */
@Component({
  selector: 'oc-crease-files',
  imports: [MatButtonModule],
  template: `<p class="muted">For a plotter or a cutting machine, seen from the white side, cuts apart from creases:</p>
    <div class="row">
      <button type="button" matButton="outlined" [disabled]="busy()" (click)="svg()">
        SVG<span class="visually-hidden"> of the creases of {{ name() }}</span>
      </button>
      <button type="button" matButton="outlined" [disabled]="busy()" (click)="dxf()">
        DXF<span class="visually-hidden"> of the creases of {{ name() }}</span>
      </button>
    </div>
    <p class="muted">The folded piece, every layer a plate of the paper’s thickness:</p>
    <div class="row">
      @for (state of states; track state) {
        <button type="button" matButton="outlined" [disabled]="busy()" (click)="stl(state)">
          STL, {{ state }}<span class="visually-hidden">, of {{ name() }}</span>
        </button>
      }
    </div>`,
  host: { class: 'no-print' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CreaseFiles {
  /** The piece as it is folded. */
  readonly asked = input.required<FormAsked>();
  /** What the file is called. */
  readonly name = input.required<string>();
  private readonly folding = inject(Folding);
  private readonly undo = inject(UndoBar);
  protected readonly busy = signal(false);
  protected readonly states = ['finished', 'open'] as const;

  protected svg(): void {
    this.save((sheet) => saveFile(`${this.file()}.svg`, creaseSheetSvg(sheet), 'image/svg+xml'));
  }

  protected dxf(): void {
    this.save((sheet) => {
      // It is rarely needed.
      void import('./crease-sheet-dxf').then(({ creaseSheetDxf }) =>
        saveFile(`${this.file()}.dxf`, creaseSheetDxf(sheet), 'image/vnd.dxf'),
      );
    });
  }

  protected stl(state: 'finished' | 'open'): void {
    this.busy.set(true);
    this.folding
      .solid(this.asked(), state)
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (made) =>
          made.ok
            ? saveFile(`${this.file()}-${state}.stl`, made.value, 'model/stl')
            : this.undo.failed(new Error(made.why)),
        error: (error: unknown) => this.undo.failed(error),
      });
  }

  private file(): string {
    const { widthMm, heightMm } = this.asked().sheet;
    const size = [widthMm, heightMm].map((mm) => Number(mm.toFixed(1))).join('x');
    return `${fileName(this.name())}-${size}`;
  }

  private save(how: (sheet: CreaseSheet) => void): void {
    this.busy.set(true);
    this.folding
      .tried(this.asked())
      .pipe(finalize(() => this.busy.set(false)))
      .subscribe({
        next: (tried) =>
          tried.ok ? how(creaseSheet(tried.value.creasePattern)) : this.undo.failed(new Error(tried.why)),
        error: (error: unknown) => this.undo.failed(error),
      });
  }
}
