import { foldingLine, WorkerGone } from './folding-line';

/** A worker that says that it is there, in the words of the library between it and the page, until it has gone without a word. */
class QuietWorker extends EventTarget {
  ended = false;
  gone = false;

  postMessage({ id, path }: { readonly id: string; readonly path: readonly string[] }): void {
    if (this.gone || path[0] !== 'watched') return;
    queueMicrotask(() => this.dispatchEvent(new MessageEvent('message', { data: { id, type: 'RAW', value: null } })));
  }

  terminate(): void {
    this.ended = true;
  }
}

describe('a worker where the page has no locks, as over plain http in a network', () => {
  beforeEach(() => jest.useFakeTimers({ doNotFake: ['nextTick', 'queueMicrotask'] }));
  afterEach(() => jest.useRealTimers());
  const answers = async (): Promise<void> => {
    for (let k = 0; k < 20; k++) await Promise.resolve();
  };
  const pass = async (seconds: number): Promise<void> => {
    for (let k = 0; k < seconds; k += 10) {
      jest.advanceTimersByTime(10_000);
      await answers();
    }
  };

  it('is kept as long as it answers, and found to be gone when it does not: what waits is refused, and another begins', async () => {
    expect('locks' in navigator).toBe(false);
    const workers: QuietWorker[] = [];
    const line = foldingLine(() => {
      workers.push(new QuietWorker());
      return workers[workers.length - 1] as unknown as Worker;
    });
    const ask = (): Promise<unknown> => line.card('square-tray');
    const waiting = ask();
    let refused: unknown = null;
    waiting.catch((why: unknown) => (refused = why));
    await pass(300);
    expect([refused, workers[0].ended]).toEqual([null, false]);
    workers[0].gone = true;
    await pass(120);
    expect(refused).toBeInstanceOf(WorkerGone);
    expect(workers[0].ended).toBe(true);
    void ask().catch(() => undefined);
    expect(workers).toHaveLength(2);
  });
});
