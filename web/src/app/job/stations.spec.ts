import type { Job } from '@odd-corner/contract';
import { isStation, STATIONS, stripOf } from './stations';

const PLANNED: Job = {
  id: '00000000-0000-4000-8000-000000000001',
  version: 1,
  title: 'Watch parts',
  purpose: { text: '60 x 45 x 22', block: { lengthMm: 60, widthMm: 45, heightMm: 22 }, ease: 'easy' },
  choice: {
    formId: 'square-tray-and-eared-lid',
    walls: 'folded',
    ruler: 'mm',
    thicknessMm: 0.1,
    tray: { sheetMm: 177, wallMm: null },
    lid: { sheetMm: 181, wallMm: null },
    paperId: null,
  },
  progress: { part: 'tray', step: 0, seconds: 0 },
  state: 'planned',
  createdAt: '2026-11-01T10:00:00.000Z',
  updatedAt: '2026-11-01T10:00:00.000Z',
};

const strip = (job: Job, paper: string | null = null) =>
  stripOf(job, paper, { length: (mm) => `${mm} mm`, sizes: (sizes) => sizes.join(' × ') });
const lineOf = (job: Job, id: (typeof STATIONS)[number], paper: string | null = null) =>
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
