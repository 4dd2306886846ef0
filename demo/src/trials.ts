import { type Job, toFold, type Trial, type Workshop } from '@odd-corner/contract';
import {
  estimatePoured,
  floatHull,
  foldMake,
  hullShapeOf,
  mostMoreG,
  pieceScene,
  POURED_THINGS,
  type PouredRange,
  type Vessel,
  vesselOf,
} from '@odd-corner/core';
import { demoId } from './demo-id';

/** What was poured in the café: which job, with what, guessed by whom, and what came of it as a share of what was told. */
const POURED = [
  {
    job: 3,
    thing: 'Wooden beads',
    role: 'Sorter',
    guess: 1.7,
    came: 1.05,
    daysAgo: 61,
    note: 'A handful more than it looks.',
  },
  { job: 2, thing: 'Washers', role: 'Sorter', guess: 0.6, came: 0.96, daysAgo: 54, note: '' },
  {
    job: 3,
    thing: 'Tablets',
    role: 'Greeter',
    guess: 1.3,
    came: 1.02,
    daysAgo: 47,
    note: 'Test tablets for the lamp.',
  },
  { job: 4, thing: 'Washers', role: 'Sorter', guess: 0.85, came: 0.94, daysAgo: 33, note: '' },
  { job: 2, thing: 'Screws', role: 'Greeter', guess: 0.5, came: 0.9, daysAgo: 26, note: 'They lie across each other.' },
  { job: 3, thing: 'Washers', role: 'Sorter', guess: 0.92, came: 0.98, daysAgo: 12, note: '' },
] as const;

const range = ({ least, likely, most }: PouredRange): Trial['foretold'] => ({ least, likely, most });

/** Trials of the café’s jobs; what was told of each is worked out when they are loaded. */
export function demoTrials(
  jobs: readonly Pick<Job, 'id' | 'title' | 'makes' | 'folderHandId'>[],
  papers: Workshop['papers'],
  ago: (days: number, minutes?: number) => string,
): Trial[] {
  let n = 0;
  const trial = (
    job: (typeof jobs)[number],
    part: Pick<
      Trial,
      'kind' | 'what' | 'asked' | 'unit' | 'guess' | 'foretold' | 'truth' | 'role' | 'note' | 'triedAt'
    >,
  ): Trial => {
    const [{ id: makeId, make }] = job.makes;
    return {
      ...{ id: demoId('trial', ++n), title: job.title, make, jobId: job.id, makeId, entryId: null, version: 1 },
      ...{ paperId: make.entries[0].papers[0], folderHandId: job.folderHandId, ...part },
    };
  };
  const known = new Map<string, Vessel | null>();
  const vesselIn = ({ id, makes: [{ make }] }: (typeof jobs)[number]): Vessel | null => {
    if (!known.has(id)) {
      const [{ folding, sizes }] = foldMake(toFold(make)).entries.values();
      known.set(id, vesselOf(pieceScene(folding.open ?? folding.finished, sizes).piece.map(({ corners }) => corners)));
    }
    return known.get(id)!;
  };
  const poured = POURED.flatMap(({ job: nth, thing: name, role, guess, came, daysAgo, note }): Trial[] => {
    const job = jobs[nth - 1];
    const thing = POURED_THINGS.find((one) => one.name === name)!;
    const vessel = vesselIn(job);
    if (!vessel) return [];
    const told = estimatePoured(vessel, thing);
    return [
      trial(job, {
        ...{ kind: 'pour', unit: 'pieces', what: `${name} of ${thing.mm.join(' x ')} mm`, role, note },
        asked: { shape: thing.shape, mm: thing.mm.join(' '), shaken: false },
        ...{ guess: Math.round(guess * told.likely), foretold: range(told), truth: Math.round(came * told.likely) },
        triedAt: ago(daysAgo, 20),
      }),
    ];
  });
  const regatta = jobs.find(({ title }) => title.startsWith('Regatta'))!;
  const { make } = regatta.makes[0];
  const [{ sizes }] = foldMake(toFold(make)).entries.values();
  const hull = hullShapeOf(sizes.rooms[0])!;
  const gsm = papers.find(({ id }) => id === make.entries[0].papers[0])?.gsm ?? 80;
  const { widthMm, heightMm } = make.entries[0].sheet;
  const paperG = widthMm * heightMm * gsm * 1e-6;
  const place = { x: 0, y: 0, z: hull.floor.heightMm + 3 };
  const most = Math.round(10 * mostMoreG(hull, [], paperG, place)) / 10;
  const soaked = (minutes: number, daysAgo: number): Trial =>
    trial(regatta, {
      ...{
        kind: 'soak',
        unit: 'minutes',
        what: 'The basin by the window',
        asked: {},
        role: '',
        guess: null,
        foretold: null,
      },
      ...{ truth: minutes, note: 'Rubbed with a candle end on the outside.', triedAt: ago(daysAgo, 40) },
    });
  if (floatHull(hull, [{ grams: most / 2, at: place }], paperG).sinks) return poured;
  return [
    ...poured,
    trial(regatta, {
      ...{ kind: 'float', unit: 'g', what: 'Brass washers, in the middle', asked: {}, role: 'Greeter', guess: 25 },
      ...{ foretold: { least: most, likely: most, most }, truth: Math.round(0.93 * most), triedAt: ago(5, 30) },
      note: 'It leaned before it filled.',
    }),
    soaked(14, 5),
    soaked(19, 4),
  ];
}
