import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting, type TestRequest } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { type Progress, USUAL_SETTINGS } from '@odd-corner/contract';
import { ProgressWriter } from './progress-writer';

const ID = '00000000-0000-4000-8000-000000000001';
const at = (step: number): Progress => ({ part: 'tray', step, seconds: 0 });

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

  const sent = (): TestRequest => http.expectOne(`/api/jobs/${ID}/progress`);
  const stepOf = (request: TestRequest): number => (request.request.body as Progress).step;
  const answer = (request: TestRequest): void => {
    const progress = request.request.body as Progress;
    request.flush({
      id: ID,
      version: 1,
      title: 'Job',
      purpose: { text: '', block: { lengthMm: 1, widthMm: 1, heightMm: 1 }, ease: 'easy' },
      choice: {
        formId: 'x',
        walls: 'folded',
        ruler: 'mm',
        thicknessMm: 0.1,
        tray: { sheetMm: 100, wallMm: null },
        lid: { sheetMm: 104, wallMm: null },
        paperId: null,
      },
      progress,
      state: 'folding',
      createdAt: '2026-11-01T10:00:00.000Z',
      updatedAt: '2026-11-01T10:00:00.000Z',
    });
  };

  it('sends one at a time, and of those that wait only the newest', () => {
    const steps: number[] = [];
    writer.written.subscribe((job) => steps.push(job.progress.step));
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

  it('says that a place is not kept, and tries again with the newest', () => {
    writer.write(ID, at(1));
    sent().error(new ProgressEvent('error'));
    expect(writer.unsaved()).toMatch(/does not answer/);
    writer.write(ID, at(2));
    http.expectNone(`/api/jobs/${ID}/progress`);
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
    const steps = http.match(`/api/jobs/${ID}/progress`).map(stepOf);
    expect(steps).toEqual([1, 2]);
  });
});
