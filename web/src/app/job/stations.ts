import type { TrayJob } from '@odd-corner/contract';
import type { Figures } from '../ui/figures/figures';

export const STATIONS = ['purpose', 'form', 'sheet', 'cut', 'marks', 'fold', 'record'] as const;

export type StationId = (typeof STATIONS)[number];

export const STATION_NAMES: Readonly<Record<StationId, string>> = {
  purpose: 'Purpose',
  form: 'Form',
  sheet: 'Sheet',
  cut: 'Cut',
  marks: 'Marks',
  fold: 'Fold',
  record: 'Record',
};

export const isStation = (text: string): text is StationId => (STATIONS as readonly string[]).includes(text);

/** One station on the strip: what was decided there, or what it still needs. */
export interface StripPart {
  readonly id: StationId;
  readonly name: string;
  readonly state: 'done' | 'open' | 'soon';
  readonly line: string;
}

/** What the strip says of a job, lengths as the workshop writes them. */
export function stripOf(
  job: TrayJob,
  paperName: string | null,
  figures: Pick<Figures, 'length' | 'sizes'>,
): StripPart[] {
  const { purpose, choice, progress, state } = job;
  const side = (mm: number): string => figures.length(mm, choice.ruler);
  const { lengthMm, widthMm, heightMm } = purpose.block;
  const lines: Readonly<Record<StationId, readonly [StripPart['state'], string]>> = {
    purpose: ['done', `${figures.sizes([lengthMm, widthMm, heightMm])}, ${purpose.ease}`],
    form: ['done', `Square tray, walls ${choice.walls}`],
    sheet: ['done', `${side(choice.tray.sheetMm)} and ${side(choice.lid.sheetMm)}${paperName ? `, ${paperName}` : ''}`],
    cut: ['soon', 'soon'],
    marks: ['soon', 'soon'],
    fold:
      state === 'folded'
        ? ['done', 'folded']
        : [
            'open',
            state === 'planned'
              ? 'not begun'
              : `${progress.part}, ${progress.step} ${progress.step === 1 ? 'step' : 'steps'} done`,
          ],
    record: state === 'folded' ? ['done', 'in the logbook'] : ['open', 'after folding'],
  };
  return STATIONS.map((id) => ({ id, name: STATION_NAMES[id], state: lines[id][0], line: lines[id][1] }));
}
