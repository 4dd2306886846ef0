import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting, type TestRequest } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { type CopyProgress, USUAL_SETTINGS } from '@odd-corner/contract';
import { aJob, aMake } from '../testing/bench';
import { Outbox } from '../offline/outbox';
import { ProgressWriter } from './progress-writer';

const ID = aMake().id;
const URL = `/api/makes/${ID}/progress`;
/** So many steps of the tray, or those from one on. */
const at = (step: number, from = 0): CopyProgress => {
  const [{ done, ...rest }] = aMake({ done: [step], seconds: 0 }).progress;
  return { ...rest, done: done.slice(from) };
};

describe('writing the place', () => {
  let http: HttpTestingController;
  let writer: ProgressWriter;

  beforeEach(() => {
    jest.useFakeTimers();
    TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting(), ProgressWriter] });
    http = TestBed.inject(HttpTestingController);
    writer = TestBed.inject(ProgressWriter);
    http.expectOne('/api/settings').flush({ ...USUAL_SETTINGS, version: 1 });
  });
  afterEach(() => jest.useRealTimers());

  const sent = (): TestRequest => http.expectOne(URL);
  const copiesOf = (request: TestRequest): CopyProgress[] =>
    (request.request.body as { copies: CopyProgress[] }).copies;
  const stepOf = (request: TestRequest): number => copiesOf(request)[0].done.length;
  const answer = (request: TestRequest): void => {
    const job = aJob({ state: 'folding' });
    request.flush({ ...job, makes: [{ ...job.makes[0], progress: copiesOf(request) }] });
  };

  it('sends one at a time, and what waits together', () => {
    const steps: number[] = [];
    writer.written.subscribe((job) => steps.push(job.makes[0].progress[0].done.length));
    [1, 2, 3, 4].forEach((step) => writer.write(ID, at(step)));
    const first = sent();
    expect(stepOf(first)).toBe(1);
    answer(first);
    const second = sent();
    expect(stepOf(second)).toBe(4);
    answer(second);
    http.verify();
    expect(steps).toEqual([1, 4]);
  });

  it('keeps on this device what could not be sent, with what is done after it, and tells when it is sent', async () => {
    const told: number[] = [];
    writer.written.subscribe((job) => told.push(job.makes[0].progress[0].done.length));
    const outbox = TestBed.inject(Outbox);
    await jest.advanceTimersByTimeAsync(0);
    writer.write(ID, at(1));
    sent().error(new ProgressEvent('error'));
    await jest.advanceTimersByTimeAsync(0);
    expect(outbox.waiting()).toHaveLength(1);
    writer.write(ID, at(2, 1));
    await jest.advanceTimersByTimeAsync(0);
    expect(outbox.progressOf(ID).flatMap(({ done }) => done)).toEqual(at(2).done);
    await jest.advanceTimersByTimeAsync(2000);
    for (const _ of [1, 2]) {
      answer(sent());
      await jest.advanceTimersByTimeAsync(0);
    }
    expect(outbox.waiting()).toEqual([]);
    expect(told).toHaveLength(2);
    expect(writer.unsaved()).toBeNull();
  });

  it('says that a step was not taken, and tries again with what was done since', () => {
    const refused = { type: 'about:blank', title: 'No', status: 409, detail: 'Somebody was quicker.' };
    writer.write(ID, at(1));
    sent().flush(refused, { status: 409, statusText: 'x' });
    expect(writer.unsaved()).toBe('Somebody was quicker.');
    writer.write(ID, at(2, 1));
    http.expectNone(URL);
    jest.advanceTimersByTime(2500);
    const again = sent();
    expect(stepOf(again)).toBe(2);
    answer(again);
    expect(writer.unsaved()).toBeNull();
  });

  it('sends what waits when the page is left', () => {
    writer.write(ID, at(1));
    writer.write(ID, at(2));
    window.dispatchEvent(new Event('pagehide'));
    const steps = http.match(URL).map(stepOf);
    expect(steps).toEqual([1, 2]);
  });
});
