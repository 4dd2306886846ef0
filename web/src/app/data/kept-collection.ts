import { inject } from '@angular/core';
import type { Topic } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Conflicts, type Fact } from '../ui/conflicts/conflicts';
import type { Whole } from './api';
import { byName, Collection } from './collection';

interface Kept {
  readonly id: string;
  readonly name: string;
  readonly version: number;
}

/** The ways to the server for rows of one kind. */
export interface KeptRoutes<Row, Draft> {
  all(): Observable<Whole<Row>>;
  add(body: Draft & { id: string }): Observable<Row>;
  change(id: string, body: Draft & { version: number }): Observable<Row>;
  remove(id: string): Observable<null>;
  restore(id: string): Observable<Row>;
}

/** Named rows that are added, changed by version, removed and put back. */
export abstract class KeptCollection<Row extends Kept & Draft, Draft extends object> extends Collection<Row> {
  private readonly conflicts = inject(Conflicts);

  constructor(
    topic: Topic,
    private readonly routes: KeptRoutes<Row, Draft>,
  ) {
    super(topic, () => routes.all(), byName);
  }

  /** What can be said of a row, to tell two versions apart. */
  protected abstract facts(row: Draft): Fact[];

  add(draft: Draft & { id: string }): Observable<Row> {
    return this.routes.add(draft).pipe(tap((row) => this.put(row)));
  }

  change(row: Row, next: Draft): Observable<Row> {
    const facts = (one: Draft): Fact[] => this.facts(one);
    return this.conflicts
      .write<Row>({
        ...{ title: row.name, seen: row, mine: facts(next), facts },
        put: ({ version }) => this.routes.change(row.id, { ...next, version }),
      })
      .pipe(tap((kept) => this.put(kept)));
  }

  remove(id: string): Observable<null> {
    return this.routes.remove(id).pipe(tap(() => this.drop(id)));
  }

  restore(id: string): Observable<Row> {
    return this.routes.restore(id).pipe(tap((row) => this.put(row)));
  }
}
