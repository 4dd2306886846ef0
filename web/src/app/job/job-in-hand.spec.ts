import { TestBed } from '@angular/core/testing';
import { type Job, type JobDraft, makeDraftOf } from '@odd-corner/contract';
import { Changes } from '../data/changes';
import { aJob, aMake, atStation, type PageBench } from '../testing/bench';
import { JobDetails } from './job-details/job-details';
import { JobInHand } from './job-in-hand';

describe('changing a job', () => {
  const begun = aJob({ state: 'folding', makes: [aMake({ done: [5] })] });
  const [make] = begun.makes;
  const URL = `/api/jobs/${begun.id}`;
  const PROGRESS = `/api/makes/${make.id}/progress`;
  const larger = aMake({ holds: '90 x 45 x 22' });

  /** The job in hand, its details on the screen. */
  const open = async (job = begun): Promise<{ b: PageBench<JobDetails>; hand: JobInHand }> => {
    sessionStorage.clear();
    const b = await atStation(JobDetails, job);
    return { b, hand: TestBed.inject(JobInHand) };
  };
  const answerChange = (b: PageBench<JobDetails>, seen: Job): Job => {
    const sent = b.sent('PUT', URL);
    const draft = sent.request.body as JobDraft;
    const makes = draft.makes.map(({ chance: _, ...rest }, k) => ({ ...seen.makes[k], ...rest }));
    const next: Job = { ...seen, ...draft, makes, version: seen.version + 1 };
    sent.flush(next);
    return next;
  };

  it('that changes sheets begins folding anew; going back brings both back, and stands in the history itself', async () => {
    const { b, hand } = await open();
    hand.changeMake({ asked: larger.asked, make: larger.make }, 'Purpose changed.');
    const next = answerChange(b, begun);
    b.sent('DELETE', PROGRESS).flush({ ...next, makes: [{ ...next.makes[0], progress: [] }] });
    await b.settle();
    expect(hand.make().make).toEqual(larger.make);
    expect(document.body.textContent).toContain('Folding starts again.');
    expect(b.text).toContain('Purpose changed.');

    b.button('Undo this and what came after').click();
    const back = answerChange(b, hand.job());
    expect(back.makes[0].make).toEqual(make.make);
    const sent = b.sent('POST', PROGRESS);
    expect(sent.request.body).toEqual({ copies: make.progress });
    sent.flush({ ...back, makes: [{ ...back.makes[0], progress: make.progress }] });
    await b.settle();
    expect(hand.make().progress).toEqual(make.progress);
    expect(b.text).toContain('Went back to before: Purpose changed.');
  });

  describe('by somebody else', () => {
    const told = async (b: PageBench<JobDetails>, now: Job): Promise<void> => {
      TestBed.inject(Changes).everything();
      await b.settle(100);
      b.answer('GET', URL, now);
      await b.settle();
    };

    it('who only folds on: the steps follow, and what the job is stays the very same', async () => {
      const { b, hand } = await open();
      const before = hand.make();
      const progress = aMake({ done: [9] }).progress;
      await told(b, { ...begun, makes: [{ ...make, progress }] });
      expect(hand.make().progress).toEqual(progress);
      for (const part of ['asked', 'make', 'marks', 'told'] as const) expect(hand.make()[part]).toBe(before[part]);
    });

    it('who changes what it is: that follows, but not where something is being written that is not kept', async () => {
      const { b, hand } = await open();
      const theirs = { ...begun, title: 'Theirs', version: begun.version + 1 };
      hand.drafting.set(true);
      await told(b, theirs);
      expect(hand.job().title).toBe(begun.title);
      hand.drafting.set(false);
      await told(b, theirs);
      expect(hand.job()).toEqual(theirs);
      // What was read before this page's own change is older than that.
      await told(b, { ...begun, updatedAt: '2020-01-01T00:00:00.000Z' });
      expect(hand.job().title).toBe('Theirs');
    });
  });

  it('is remembered through a reload of the page', async () => {
    const { b, hand } = await open();
    hand.change({ ...draft(begun), title: 'Clock parts' }, 'Name changed.');
    answerChange(b, begun);
    await b.settle();
    const again = await atStation(JobDetails, { ...begun, title: 'Clock parts', version: 8 });
    expect(again.text).toContain('Name changed.');
  });

  it('of its name alone leaves folding as it is', async () => {
    const { b } = await open();
    await b.write('Name of the job', 'Clock parts');
    await b.submit();
    const sent = b.sent('PUT', URL);
    expect(sent.request.body).toMatchObject({ title: 'Clock parts', version: begun.version });
    sent.flush({ ...begun, title: 'Clock parts', version: 8 });
    await b.settle();
    b.http.expectNone((request) => request.method === 'DELETE');
    expect(document.body.textContent).not.toContain('Folding starts again.');
  });

  it('lets who folds be chosen, and a kit give one of its makes up', async () => {
    const kit = aJob({ makes: [make, aMake({ formId: 'square-canoe', holds: 'load 20 g' }, 31)] });
    const hand = { id: '00000000-0000-4000-8000-000000000071', name: 'Bench lead', missMm: 0.2, version: 1 };
    const b = await atStation(JobDetails, kit, { hands: [hand] });
    expect(TestBed.inject(JobInHand).handMm()).toBe(0.3);
    await b.choose('Folded by', 'Bench lead');
    b.sent('PUT', URL).flush({ ...kit, folderHandId: hand.id, version: 8 });
    await b.settle();
    expect(TestBed.inject(JobInHand).handMm()).toBe(0.2);
    b.button('Take this make out of the job').click();
    expect((b.sent('PUT', URL).request.body as JobDraft).makes.map(({ id }) => id)).toEqual([kit.makes[1].id]);
  });

  it.each([
    ['Keep it as it is', null, 'Watch and clock parts', 8],
    ['Keep yours', 8, 'Clock parts', 9],
  ])('when someone else was quicker asks which is kept: “%s”', async (press, version, title, kept) => {
    const { b, hand } = await open();
    const theirs = { ...begun, title: 'Watch and clock parts', version: 8 };
    hand.change({ ...draft(begun), title: 'Clock parts' }, 'Name changed.');
    b.sent('PUT', URL).flush(
      { type: 'about:blank', title: 'Conflict', status: 409, current: theirs },
      { status: 409, statusText: 'Conflict' },
    );
    await b.settle(80);
    expect(b.dialog()).toMatch(/Name of the job\s*Clock parts\s*Watch and clock parts/);
    expect(b.dialog()).not.toContain('What it is for');
    await b.press(press);
    if (version !== null) {
      const again = b.sent('PUT', URL);
      expect(again.request.body).toMatchObject({ version, title });
      again.flush({ ...begun, title, version: version + 1 });
    }
    await b.settle();
    expect([hand.job().title, hand.job().version]).toEqual([title, kept]);
  });

  it('copies all of it with nothing folded, archives it, and removes it', async () => {
    const { b } = await open();
    b.button('Copy this job').click();
    const copy = b.sent('POST', '/api/jobs').request.body as JobDraft;
    expect(copy.title).toBe('Watch parts, once more');
    expect(copy.makes[0]).toEqual({ ...makeDraftOf(make), id: copy.makes[0].id });
    expect(copy.makes[0].id).not.toBe(make.id);
    b.button('Archive this job').click();
    b.sent('POST', `${URL}/archive`).flush({ ...begun, archivedAt: begun.updatedAt, version: 8 });
    await b.settle();
    b.button('Bring it back').click();
    b.sent('POST', `${URL}/unarchive`).flush({ ...begun, version: 9 });
    await b.settle();
    b.button('Remove this job').click();
    b.sent('DELETE', URL).flush(null);
    await b.settle();
    expect(document.body.textContent).toContain('“Watch parts” is removed.');
  });
});

const draft = ({ title, folderHandId, makes }: Job): JobDraft => ({
  ...{ title, folderHandId },
  makes: makes.map(makeDraftOf),
});
