import type { TrayJob } from '@odd-corner/contract';
import { aJob } from '../testing/bench';
import { isStation, STATIONS, stripOf } from './stations';

const PLANNED: TrayJob = aJob({
  choice: {
    ...aJob().choice,
    tray: { sheetMm: 177, wallMm: null },
    lid: { sheetMm: 181, wallMm: null },
  },
});

const strip = (job: TrayJob, paper: string | null = null) =>
  stripOf(job, paper, { length: (mm) => `${mm} mm`, sizes: (sizes) => sizes.join(' × ') });
const lineOf = (job: TrayJob, id: (typeof STATIONS)[number], paper: string | null = null) =>
  strip(job, paper).find((part) => part.id === id);

describe('the strip of a job', () => {
  it('shows every station once, in the order of the work', () => {
    expect(strip(PLANNED).map(({ id }) => id)).toEqual([...STATIONS]);
    expect(STATIONS.every(isStation)).toBe(true);
    expect(isStation('glue')).toBe(false);
  });

  it('says what was decided', () => {
    expect(lineOf(PLANNED, 'purpose')?.line).toBe('60 × 45 × 22, easy');
    expect(lineOf(PLANNED, 'sheet', 'Kraft')?.line).toBe('177 mm and 181 mm, Kraft');
  });

  it('follows the folding', () => {
    expect(lineOf(PLANNED, 'fold')).toMatchObject({ state: 'open', line: 'not begun' });
    expect(lineOf({ ...PLANNED, state: 'folding', progress: { part: 'lid', step: 1, seconds: 9 } }, 'fold')?.line).toBe(
      'lid, 1 step done',
    );
    expect(lineOf({ ...PLANNED, state: 'folded' }, 'fold')?.state).toBe('done');
    expect(lineOf({ ...PLANNED, state: 'folded' }, 'record')?.line).toBe('in the logbook');
  });
});
