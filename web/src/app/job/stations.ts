import type { Type } from '@angular/core';
import type { Job, JobMake } from '@odd-corner/contract';
import { SHELF } from '@odd-corner/core';
import { trialsOf } from '../prove/can-try';
import type { Figures } from '../ui/figures/figures';

/** What the strip reads of a job. */
export interface StripOf {
  readonly job: Pick<Job, 'state'>;
  readonly make: JobMake;
  /** What the papers of the make are called, each once. */
  readonly papers: readonly string[];
  readonly figures: Pick<Figures, 'length' | 'purpose'>;
}

/** What was decided at a station, or what it still needs. */
export interface StationLine {
  readonly state: 'done' | 'open';
  readonly line: string;
}

/** A station of a job: its part of the address, what it is called, what the strip says of it, and its screen. */
export interface Station {
  readonly id: string;
  readonly name: string;
  readonly summary: (of: StripOf) => StationLine;
  readonly load: () => Promise<Type<unknown>>;
}

const done = (line: string): StationLine => ({ state: 'done', line });
const open = (line: string): StationLine => ({ state: 'open', line });

/** How many copies are folded of all entries. */
export const copiesOf = ({ make, count }: Pick<JobMake, 'make' | 'count'>): number =>
  count * make.entries.reduce((sum, { copies }) => sum + copies, 0);

/** All stations, in the order in which a maker comes to them. */
export const STATIONS: readonly Station[] = [
  {
    id: 'purpose',
    name: 'Purpose',
    summary: ({ make: { asked }, figures }) => {
      const { text, purpose, options } = asked;
      return done(`${text || (purpose ? figures.purpose(purpose) : 'a sheet at hand')}, ${options.ease}`);
    },
    load: () => import('./purpose-station/purpose-station').then((m) => m.PurposeStation),
  },
  {
    id: 'form',
    name: 'Form',
    summary: ({ make: { make, count } }) => {
      const name = SHELF.has(make.formId) ? SHELF.form(make.formId).name : make.formId;
      return done(count > 1 ? `${name}, ${count} of them` : name);
    },
    load: () => import('./form-station/form-station').then((m) => m.FormStation),
  },
  {
    id: 'sheet',
    name: 'Sheet',
    summary: ({ make: { make, asked }, papers, figures }) => {
      const side = (mm: number): string => figures.length(mm, asked.options.ruler);
      const sheets = make.entries.map(({ sheet: { widthMm, heightMm } }) =>
        widthMm === heightMm ? side(widthMm) : `${side(widthMm)} × ${side(heightMm)}`,
      );
      return done([sheets.join(' and '), ...papers].join(', '));
    },
    load: () => import('./sheet-station/sheet-station').then((m) => m.SheetStation),
  },
  {
    id: 'cut',
    name: 'Cut',
    summary: ({ make: { cut } }) => (cut ? done(cut.done ? 'cut' : 'sheets reserved') : open('not planned yet')),
    load: () => import('./cut-station/cut-station').then((m) => m.CutStation),
  },
  {
    id: 'marks',
    name: 'Marks',
    summary: () => open('every mark, in order'),
    load: () => import('./marks-station/marks-station').then((m) => m.MarksStation),
  },
  {
    id: 'fold',
    name: 'Fold',
    summary: ({ job, make }) => {
      if (job.state === 'folded') return done('folded');
      const begun = make.progress.filter((copy) => copy.done.length);
      if (!begun.length) return open('not begun');
      if (copiesOf(make) > 1) return open(`${begun.length} of ${copiesOf(make)} begun`);
      const steps = begun[0].done.length;
      return open(`${steps} ${steps === 1 ? 'step' : 'steps'} done`);
    },
    load: () => import('../fold/fold-station/fold-station').then((m) => m.FoldStation),
  },
  {
    id: 'prove',
    name: 'Prove',
    summary: ({ make: { make } }) =>
      open(
        trialsOf(make.formId)
          .map(({ name }) => name.toLowerCase())
          .join(', '),
      ),
    load: () => import('../prove/prove-station/prove-station').then((m) => m.ProveStation),
  },
  {
    id: 'record',
    name: 'Record',
    summary: ({ job }) => (job.state === 'folded' ? done('in the logbook') : open('after folding')),
    load: () => import('../record/record-station/record-station').then((m) => m.RecordStation),
  },
];

/** Where a press on a job leads: back to the table, to the logbook's numbers, or to its sheet. */
export const nextStation = ({ state }: Pick<Job, 'state'>): string =>
  state === 'folding' ? 'fold' : state === 'folded' ? 'record' : 'sheet';
