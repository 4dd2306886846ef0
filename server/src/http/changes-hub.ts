import { type Change, CHANGES, type RouteName } from '@odd-corner/contract';

type Told = (change: Change) => void;

/** Tells pages that are open what others have changed. */
export class ChangesHub {
  private readonly listeners = new Set<Told>();
  private n = 0;

  /** So many changes there were since the server began. */
  get count(): number {
    return this.n;
  }

  get listening(): number {
    return this.listeners.size;
  }

  /** Says that a route has done what it does. */
  done(route: RouteName, id: string | null, by: string | null): void {
    const topics = CHANGES[route];
    if (!topics) return;
    const change = { topics: [...topics], id, by, n: ++this.n };
    for (const told of this.listeners) told(change);
  }

  /** @returns ends it */
  listen(told: Told): () => void {
    this.listeners.add(told);
    return () => this.listeners.delete(told);
  }
}
