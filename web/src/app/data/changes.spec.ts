import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { TOPICS } from '@odd-corner/contract';
import { aPaper, listed } from '../testing/bench';
import { Changes } from './changes';
import { PAGE_ID } from './page-id';
import { Papers } from './papers';

/** A stream of events that a test sends. */
class Stream extends EventTarget {
  static readonly all: Stream[] = [];
  closed = false;
  onerror: (() => void) | null = null;

  constructor(readonly url: string) {
    super();
    Stream.all.push(this);
  }

  send(event: string, data: object): void {
    this.dispatchEvent(new MessageEvent(event, { data: JSON.stringify(data) }));
  }

  close(): void {
    this.closed = true;
  }
}

describe('what others change', () => {
  beforeEach(() => {
    Stream.all.length = 0;
    Object.assign(globalThis, { EventSource: Stream });
    jest.useFakeTimers();
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  });
  afterEach(() => {
    jest.useRealTimers();
    Reflect.deleteProperty(globalThis, 'EventSource');
  });
  const listen = () => {
    const changes = TestBed.inject(Changes);
    const told: string[] = [];
    for (const topic of TOPICS) changes.of(topic).subscribe((id) => told.push(`${topic} ${id}`));
    changes.begin();
    return { changes, told };
  };
  const last = (): Stream => Stream.all[Stream.all.length - 1];

  it('is told by what it is, with its row where it is of the first kind; what this page did is not', () => {
    const { told } = listen();
    last().send('begun', { n: 4 });
    last().send('change', { topics: ['log', 'papers'], id: 'x', by: 'another page', n: 5 });
    last().send('change', { topics: ['papers'], id: 'y', by: PAGE_ID, n: 6 });
    last().send('change', { topics: ['settings'], id: null, by: null, n: 7 });
    last().send('change', { topics: ['the moon'], id: null, by: null, n: 8 });
    expect(told).toEqual(['papers null', 'log x', 'settings null']);
  });

  it('that was missed while the connection was lost is read anew, all of it; where nothing was missed, nothing', () => {
    const { told } = listen();
    last().send('begun', { n: 4 });
    last().onerror?.();
    expect(last().closed).toBe(true);
    jest.advanceTimersByTime(1000);
    expect(Stream.all).toHaveLength(2);
    last().send('begun', { n: 4 });
    expect(told).toEqual([]);
    last().onerror?.();
    jest.advanceTimersByTime(1000);
    // Another beginning of the server counts from none.
    last().send('begun', { n: 0 });
    expect(told).toEqual(TOPICS.map((topic) => `${topic} null`));
  });

  it('is asked for less and less often while the server is away, and not while nobody looks', () => {
    listen();
    const times: number[] = [];
    for (let second = 0; second < 120; second++) {
      const before = Stream.all.length;
      jest.advanceTimersByTime(1000);
      if (Stream.all.length > before) times.push(second);
      if (!last().closed) last().onerror?.();
    }
    const waits = times.slice(1).map((at, k) => at - times[k]);
    expect(Math.max(...waits)).toBeLessThanOrEqual(17);
    expect(waits.at(-1)).toBeGreaterThan(10);
    Object.defineProperty(document, 'hidden', { value: true, configurable: true });
    document.dispatchEvent(new Event('visibilitychange'));
    const before = Stream.all.length;
    jest.advanceTimersByTime(60_000);
    expect(Stream.all).toHaveLength(before);
    Object.defineProperty(document, 'hidden', { value: false, configurable: true });
    document.dispatchEvent(new Event('visibilitychange'));
    expect(Stream.all).toHaveLength(before + 1);
  });

  it('is read once where it comes together, and only what somebody has looked at', () => {
    const papers = TestBed.inject(Papers);
    const http = TestBed.inject(HttpTestingController);
    listen();
    const change = (n: number): void => last().send('change', { topics: ['papers'], id: null, by: null, n });
    change(1);
    jest.advanceTimersByTime(100);
    http.expectNone('/api/papers');
    papers.refresh();
    http.expectOne(({ url }) => url === '/api/papers').flush(listed([]));
    for (const n of [2, 3, 4]) change(n);
    jest.advanceTimersByTime(100);
    http.expectOne(({ url }) => url === '/api/papers').flush(listed([aPaper()]));
    expect(papers.rows()).toHaveLength(1);
    // Where it cannot be read anew just then, what is known stays in view.
    change(5);
    jest.advanceTimersByTime(100);
    http.expectOne(({ url }) => url === '/api/papers').error(new ProgressEvent('error'));
    expect(papers.state().kind).toBe('ready');
    papers.refresh();
    http.expectOne(({ url }) => url === '/api/papers').error(new ProgressEvent('error'));
    expect(papers.state().kind).toBe('failed');
  });
});
