import { inject, Injectable } from '@angular/core';
import type { Body, CuttingPlanKept, NewCuttingPlan } from '@odd-corner/contract';
import { type Observable, tap } from 'rxjs';
import { Api } from './api';
import { Collection } from './collection';

/** Cutting plans of several jobs or of a typed list, the last touched first. */
@Injectable({ providedIn: 'root' })
export class CuttingPlans extends Collection<CuttingPlanKept> {
  private readonly api: Api;

  constructor() {
    const api = inject(Api);
    super(
      'cuttingPlans',
      () => api.all('cuttingPlans'),
      (a, b) => b.updatedAt.localeCompare(a.updatedAt),
    );
    this.api = api;
  }

  get(id: string): Observable<CuttingPlanKept> {
    return this.kept(this.api.call('cuttingPlan', { id }));
  }

  add(plan: NewCuttingPlan): Observable<CuttingPlanKept> {
    return this.kept(this.api.call('addCuttingPlan', { body: plan }));
  }

  planAnew({ id, version }: CuttingPlanKept, next: Omit<Body<'planAnew'>, 'version'>): Observable<CuttingPlanKept> {
    return this.kept(this.api.call('planAnew', { id, body: { ...next, version } }));
  }

  /** Ticks sheets as cut, or takes that back. */
  tick({ id, version }: CuttingPlanKept, parentId: string, done: boolean): Observable<CuttingPlanKept> {
    return this.kept(this.api.call('tickCut', { id, body: { version, parentId, done } }));
  }

  remove(id: string): Observable<null> {
    return this.api.call('removeCuttingPlan', { id }).pipe(tap(() => this.drop(id)));
  }

  restore(id: string): Observable<CuttingPlanKept> {
    return this.kept(this.api.call('restoreCuttingPlan', { id }));
  }

  private kept(answer: Observable<CuttingPlanKept>): Observable<CuttingPlanKept> {
    return answer.pipe(tap((plan) => this.put(plan)));
  }
}
