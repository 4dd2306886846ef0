import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { JobMake, PrintQuery } from '@odd-corner/contract';
import { entriesOf, formById } from '@odd-corner/core';
import { PRINT_PAPERS, Printing } from './printing';
import { Select } from '../select/select';

/** What of a make goes on paper: its steps as a booklet, its open sheets at true size, and labels for what was made. */
@Component({
  selector: 'oc-print-make',
  imports: [MatButtonModule, Select],
  templateUrl: './print-make.html',
  styleUrl: './print-make.scss',
  host: { class: 'no-print' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PrintMake {
  readonly make = input.required<JobMake>();
  /** What the job is called. */
  readonly title = input.required<string>();
  protected readonly printing = inject(Printing);

  protected readonly papers = PRINT_PAPERS;
  protected readonly perPages = ([4, 6, 9] as const).map((id) => ({ id, name: `${id} steps a page` }));
  protected readonly perPage = signal<PrintQuery['perPage']>(6);
  protected readonly sheets = computed(() => {
    const { make } = this.make();
    const names = new Map(entriesOf(formById(make.formId), make.params).map(({ key, name }) => [key, name]));
    return make.entries.map(({ key }) => ({ key, name: names.get(key) ?? key }));
  });

  protected booklet(): void {
    this.print('booklet', 'steps', { perPage: this.perPage() });
  }

  protected creases({ key, name }: { readonly key: string; readonly name: string }): void {
    this.print('creasePages', `${name} creases`, { entry: key });
  }

  protected labels(): void {
    this.print('labels', 'labels');
  }

  private print(what: 'booklet' | 'creasePages' | 'labels', words: string, asked: Partial<PrintQuery> = {}): void {
    this.printing.print(what, this.make().id, `${this.title()} ${words}`, asked);
  }
}
