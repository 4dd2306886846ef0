import {
  type Job,
  type JobMake,
  keptPlan,
  type LogEntry,
  makeDraftOf,
  type Paper,
  planMake,
  sheetsFrom,
  toFold,
} from '@odd-corner/contract';
import { FORMS, foldMake, foretell, sheetMarks } from '@odd-corner/core';
import { someOf } from '../../core/test/runs';
import { bench, type Bench, jobFor, KRAFT, post } from './workshop';

/** What each form is asked for, as a maker would type it, and what for the second time. */
const ASKED: Readonly<Record<string, readonly [string, string]>> = {
  'square-tray-and-eared-lid': ['60 x 45 x 22', '66 x 45 x 22'],
  'square-card-envelope': ['card 90 x 60', 'card 105 x 74'],
  'tuck-flap-envelope': ['ticket 105 x 74', 'ticket 120 x 80'],
  'page-corner-bookmark': ['pages 4 mm', 'pages 6 mm'],
  'card-template-wrap': ['map 120 x 80 x 2', 'map 140 x 90 x 2'],
  'flat-folding-cup': ['90 ml', '160 ml'],
  'thirds-twist-letterfold': ['note 50 x 50', 'note 64 x 64'],
  'gusseted-bag': ['60 x 60 x 110', '80 x 70 x 130'],
  'four-pointed-dish': ['50 x 50 x 20', '60 x 50 x 20'],
  'banded-gift-box': ['65 x 40 x 16', '70 x 50 x 16'],
  'closing-cube': ['40 x 40 x 40', '50 x 45 x 40'],
  'square-canoe': ['load 20 g', 'load 60 g'],
  'oblong-canoe': ['load 20 g', 'load 60 g'],
  'pod-boat': ['load 20 g', 'load 60 g'],
  'table-sailboat': ['place card 85 x 55', 'place card 105 x 74'],
  'triangular-purse': ['30 x 20 x 12', '44 x 26 x 16'],
  'twist-pouch': ['card 85 x 54', 'card 105 x 74'],
  'strap-buckle': ['strap 25 x 2', 'strap 38 x 3'],
  'curled-ear-basket': ['40 x 40 x 20', '55 x 50 x 24'],
  'decked-barge': ['load 20 g', 'load 60 g'],
  'hat-boat': ['load 5 g', 'load 20 g'],
  'bead-track': ['bead 8', 'bead 10'],
  'bead-track-straight': ['bead 8', 'bead 10'],
  'bead-catch-tray': ['bead 8 exit 9', 'bead 14 exit 30'],
  'six-tube-tidy': ['6 pens ø8 x 140', '12 pens ø9 x 150'],
  'octagon-box': ['40 x 40 x 16', '56 x 50 x 20'],
  'heart-box': ['30 x 20 x 10', '44 x 26 x 12'],
};

/** A large paper, so that everything comes out of it. */
const CHART = { ...KRAFT, name: 'Sea chart', widthMm: 900, heightMm: 700, count: 40 };

const put = async (b: Bench, path: string, body: object, method = 'PUT'): Promise<Job> => {
  const answer = await b.send(method, path, body);
  expect(answer.status).toBe(200);
  return answer.body;
};

describe('the whole way, from what is typed to the logbook', () => {
  it('is known for every form of the shelf', () => {
    expect(Object.keys(ASKED).sort()).toEqual(FORMS.map(({ id }) => id).sort());
  });

  it.each(someOf(FORMS, 9).map(({ id, name }) => [name, id]))('%s', async (_, formId) => {
    const b = bench();
    const paper = await post<Paper>(b, '/api/papers', CHART);
    const [first, second] = ASKED[formId];
    const count = 3;

    // Purpose, form and sheet: the job keeps the very answer, and tells what folding it measures.
    const draft = jobFor({ formId, holds: first, paperId: paper.id, count });
    let job = await post<Job>(b, '/api/jobs', draft);
    const makeId = job.makes[0].id;
    const make = (): JobMake => job.makes[0];
    expect(make().make).toEqual(draft.makes[0].make);
    expect(make().told!.sizes).toEqual(foretell(toFold(make().make), 0.3));

    // Something larger is asked: sheets follow, the rest stays.
    const larger = jobFor({ formId, holds: second, paperId: paper.id, count }).makes[0];
    const { asked, make: found } = larger;
    const body = { title: job.title, folderHandId: null, version: job.version };
    job = await put(b, `/api/jobs/${job.id}`, { ...body, makes: [{ ...makeDraftOf(make()), asked, make: found }] });
    expect(make().id).toBe(makeId);
    const area = ({ entries }: JobMake['make']): number =>
      entries.reduce((sum, { sheet }) => sum + sheet.widthMm * sheet.heightMm, 0);
    expect(area(make().make)).toBeGreaterThan(area(draft.makes[0].make));

    // Cut: as many sheets come out as are folded; kept, then off the shelf.
    const plan = planMake(make().make, count, [{ ...paper, free: paper.count }]);
    const kept = keptPlan(plan)!;
    const pieces = kept.parents.reduce((sum, parent) => sum + parent.sheets * parent.pieces.length, 0);
    expect(pieces).toBe(count * make().make.entries.reduce((sum, { copies }) => sum + copies, 0));
    job = await put(b, `/api/makes/${makeId}/cut`, { version: job.version, plan: kept });
    job = await put(b, `/api/makes/${makeId}/cut/done`, { version: job.version }, 'POST');
    const taken = sheetsFrom(plan, paper.id);
    const shelf = (): number => b.workshop.papers.get(paper.id).count;
    expect(shelf()).toBe(paper.count - taken);

    // Marks and fold: every entry, every copy, step by step, from two devices.
    const { entries } = foldMake(toFold(make().make));
    for (const [key, { folding, sheet, entry }] of entries) {
      expect(sheetMarks(folding, sheet).flatMap(({ marks }) => marks).length).toBeGreaterThan(0);
      const ids = folding.steps.map(({ id }) => id);
      for (let copy = 0; copy < count * entry.copies; copy++)
        for (const done of [ids.slice(0, 5), ids])
          job = await put(
            b,
            `/api/makes/${makeId}/progress`,
            { copies: [{ entryKey: key, copy, done, seconds: 60 * (copy + 1) }] },
            'POST',
          );
    }
    expect(job.state).toBe('folding');
    expect(make().progress).toHaveLength(
      count * [...entries.values()].reduce((sum, { entry }) => sum + entry.copies, 0),
    );

    // Record: what was told is what the logbook compares with; sheets that were cut are not taken twice.
    const keys = Object.keys(make().told!.sizes);
    const measured = Object.fromEntries(keys.slice(0, 2).map((key) => [key, Math.max(1, make().told!.sizes[key].mm)]));
    const entry = await post<LogEntry>(b, '/api/log', {
      ...{ jobId: job.id, makeId, measured, copies: count, folderHandId: null, fits: 'well', minutes: 12, note: '' },
      sheetsUsed: [{ paperId: paper.id, sheets: taken }],
    });
    expect(entry.predicted).toEqual(make().told!.sizes);
    expect(entry.make).toEqual(make().make);
    expect(shelf()).toBe(paper.count - taken);
    const { body: after } = await b.send('GET', `/api/jobs/${job.id}`);
    expect((after as Job).state).toBe('folded');
  });
});
