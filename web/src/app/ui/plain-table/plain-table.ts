import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MatTableModule } from '@angular/material/table';

/** What stands in a cell: a text, or one with a smaller line beneath it, or one that says what is wrong. */
export type Cell = string | { readonly text: string; readonly small?: string; readonly wrong?: boolean };

export interface PlainColumn {
  readonly key: string;
  readonly name: string;
}

/** A row by the keys of its columns. */
export type PlainRow = Readonly<Record<string, Cell>>;

/** A table that is only read: texts under the names of their columns, scrolled sideways where it is wider than the page. */
@Component({
  selector: 'oc-plain-table',
  imports: [MatTableModule],
  template: `<table mat-table [dataSource]="cells()">
    @for (column of columns(); track column.key) {
      <ng-container [matColumnDef]="column.key">
        <th mat-header-cell *matHeaderCellDef>{{ column.name }}</th>
        <td mat-cell *matCellDef="let row" [class.wrong]="row[column.key].wrong">
          {{ row[column.key].text }}
          @if (row[column.key].small; as small) {
            <small class="muted">{{ small }}</small>
          }
        </td>
      </ng-container>
    }
    <tr mat-header-row *matHeaderRowDef="keys()"></tr>
    <tr mat-row *matRowDef="let row; columns: keys()"></tr>
  </table>`,
  styles: `
    :host {
      display: block;
      overflow-x: auto;
    }
    th,
    td {
      padding: 0.5rem 0.8rem 0.5rem 0;
    }
    small {
      display: block;
    }
    .wrong {
      color: var(--error);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlainTable {
  readonly columns = input.required<readonly PlainColumn[]>();
  readonly rows = input.required<readonly PlainRow[]>();
  protected readonly keys = computed(() => this.columns().map(({ key }) => key));
  protected readonly cells = computed(() =>
    this.rows().map((row) =>
      Object.fromEntries(
        Object.entries(row).map(([key, cell]) => [key, typeof cell === 'string' ? { text: cell } : cell]),
      ),
    ),
  );
}
