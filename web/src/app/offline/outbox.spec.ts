import { TestBed } from '@angular/core/testing';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting, type TestRequest } from '@angular/common/http/testing';
import { aJob, aMake } from '../testing/bench';
import { Outbox, OUTBOX_STORE } from './outbox';
import { inPage, type OutboxStore } from './outbox-store';

const ID = aMake().id;
const URL = `/api/makes/${ID}/progress`;
const step = (n: number) => ({
  id: ID,
  body: { copies: [{ entryKey: 'tray', copy: 0, done: [`s${n}`], seconds: n }] },
});

describe('what waits for the server', () => {
  let store: OutboxStore;
  const opened = (): { outbox: Outbox; http: HttpTestingController } => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      providers: [
        provideHttpClient(),
        provideHttpClientTesting(),
        { provide: OUTBOX_STORE, useValue: () => Promise.resolve(store) },
      ],
    });
    return { outbox: TestBed.inject(Outbox), http: TestBed.inject(HttpTestingController) };
  };
  /** Lets everything that is under way come to rest. */
  const settle = async (): Promise<void> => {
    for (let k = 0; k < 30; k++) await Promise.resolve();
    await jest.advanceTimersByTimeAsync(0);
  };
  const doneOf = ({ request }: TestRequest): unknown =>
    (request.body as { copies: { done: string[] }[] }).copies[0].done;
  const gone = (request: TestRequest): void => request.error(new ProgressEvent('error'));

  beforeEach(() => {
    jest.useFakeTimers();
    store = inPage();
  });
  afterEach(() => jest.useRealTimers());

  it('goes out one after another in the order in which it was written, once the server answers', async () => {
    const { outbox, http } = opened();
    const sent: unknown[] = [];
    outbox.sent.subscribe(({ route }) => sent.push(route));
    await settle();
    for (const n of [1, 2, 3]) await outbox.keep('addProgress', step(n), `step ${n}`);
    expect(outbox.waiting().map(({ words }) => words)).toEqual(['step 1', 'step 2', 'step 3']);
    expect(outbox.progressOf(ID).flatMap(({ done }) => done)).toEqual(['s1', 's2', 's3']);
    await jest.advanceTimersByTimeAsync(2000);
    // Gone still: nothing later is tried before it.
    gone(http.expectOne(URL));
    await settle();
    http.expectNone(URL);
    expect(outbox.waiting()).toHaveLength(3);
    await jest.advanceTimersByTimeAsync(20_000);
    for (const n of [1, 2, 3]) {
      const request = http.expectOne(URL);
      expect(doneOf(request)).toEqual([`s${n}`]);
      request.flush(aJob());
      await settle();
    }
    expect(outbox.waiting()).toEqual([]);
    expect(sent).toHaveLength(3);
  });

  it('is there again when the page is read anew', async () => {
    const before = opened();
    await settle();
    await before.outbox.keep('addProgress', step(1), 'one');
    const { outbox, http } = opened();
    await settle();
    expect(outbox.waiting().map(({ words }) => words)).toEqual(['one']);
    http.expectOne(URL).flush(aJob());
    await settle();
    expect(outbox.waiting()).toEqual([]);
  });

  it('that the server refuses stays, says why, and keeps nothing else waiting', async () => {
    const { outbox, http } = opened();
    await settle();
    await outbox.keep('addProgress', step(1), 'one');
    await outbox.keep('addProgress', step(2), 'two');
    await jest.advanceTimersByTimeAsync(2000);
    http
      .expectOne(URL)
      .flush(
        { type: 'about:blank', title: 'Gone', status: 404, detail: 'No such make.' },
        { status: 404, statusText: 'x' },
      );
    await settle();
    http.expectOne(URL).flush(aJob());
    await settle();
    expect(outbox.waiting()).toEqual([]);
    const [refused] = outbox.refused();
    expect(refused).toMatchObject({ words: 'one', refused: 'No such make.' });
    void outbox.tryAgain(refused);
    await settle();
    http.expectOne(URL).flush(aJob());
    await settle();
    expect(outbox.refused()).toEqual([]);
  });

  it('can be given up once it was refused', async () => {
    await store.add({ route: 'addProgress', ...step(1), words: 'one', refused: 'No such make.' });
    const { outbox, http } = opened();
    await settle();
    http.expectNone(URL);
    await outbox.drop(outbox.refused()[0]);
    expect(outbox.refused()).toEqual([]);
    expect(await store.all()).toEqual([]);
  });
});
