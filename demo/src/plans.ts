import type { AskedOptions, Batch } from '@odd-corner/contract';

/** One make of a demo job, as a maker would ask for it. */
export interface MakePlan {
  readonly formId: string;
  /** As it would be typed. */
  readonly holds: string;
  /** Number in the list of papers, from 1. */
  readonly paper: number;
  readonly options?: Partial<AskedOptions>;
  /** Parameters of the piece that were chosen; null for a length that folding alone gives. */
  readonly given?: Readonly<Record<string, unknown>>;
  readonly count?: number;
  /** Steps that are done of each copy, in order of entries and copies; of the rest none, or all. */
  readonly done?: readonly number[] | 'all';
  /** Seconds spent at the table. */
  readonly seconds?: number;
  /** Whether a cutting plan was accepted, and whether it is cut. */
  readonly cut?: 'kept' | 'cut';
  /** How its copies are folded, where not one by one. */
  readonly batch?: Batch;
}

/** Something folded: how far each size of its first room came out from the prediction, in mm, in their order. */
export interface FoldedPlan {
  readonly off: readonly number[];
  readonly minutes: number;
  readonly note: string;
  readonly daysAgo: number;
  readonly fits?: 'well' | 'tight' | 'loose' | 'no';
  readonly copies?: number;
  /** Number in the list of hands, from 1; the usual one when left out. */
  readonly hand?: number;
}

/** A demo job. */
export interface JobPlan {
  readonly title: string;
  readonly makes: readonly [MakePlan, ...MakePlan[]];
  readonly daysAgo: number;
  readonly hand?: number;
  readonly folded?: readonly FoldedPlan[];
  readonly archived?: true;
}

const TRAY = 'square-tray-and-eared-lid';
const LID = { lid: 'eared' } as const;
const ALONE = { wallMm: null } as const;

/** What lies on the tables of the repair café, and what was folded there. */
export const PLANS: readonly JobPlan[] = [
  {
    title: 'Watch parts, bench by the window',
    makes: [{ formId: TRAY, holds: '60 x 45 x 22', paper: 6, options: LID, done: [7], seconds: 410, cut: 'cut' }],
    daysAgo: 0,
  },
  {
    title: 'Spare buttons for the sorter',
    makes: [
      {
        ...{ formId: TRAY, holds: '55 x 55 x 25', paper: 10, options: { ...LID, ease: 'loose' } },
        ...{ given: ALONE, done: 'all', seconds: 1510 },
      },
    ],
    daysAgo: 9,
    folded: [
      { off: [-0.4, -0.9, -0.3], minutes: 27, note: 'First one. Ends a little tight.', daysAgo: 36, fits: 'tight' },
      { off: [-0.2, -0.6, 0.1], minutes: 22, note: 'Second for the greeter’s desk.', daysAgo: 9, fits: 'well' },
    ],
  },
  {
    title: 'Fuses, one box per lamp kind',
    makes: [{ formId: TRAY, holds: '42 x 38 x 20', paper: 8, options: LID, given: ALONE, done: 'all', seconds: 1260 }],
    daysAgo: 8,
    folded: [
      { off: [0.3, -0.5, -0.2], minutes: 21, note: '', daysAgo: 8, fits: 'well' },
      {
        ...{ off: [-0.7, -1.1, 0.4], minutes: 19, daysAgo: 8, hand: 1, fits: 'tight' },
        note: 'Folded while talking; one gusset went the wrong way first.',
      },
    ],
  },
  {
    title: 'Washers for the children’s boats',
    makes: [{ formId: TRAY, holds: '40 x 40 x 15', paper: 5, options: { ...LID, ease: 'snug' }, cut: 'kept' }],
    daysAgo: 3,
  },
  {
    title: 'Clock weights, to go home in',
    makes: [
      {
        ...{ formId: TRAY, holds: '88 x 60 x 30', paper: 10, options: { ...LID, ease: 'loose' } },
        ...{ done: [16, 4], seconds: 1105 },
      },
    ],
    daysAgo: 2,
  },
  {
    title: 'Radio knobs, a set in each other',
    makes: [
      {
        ...{ formId: TRAY, holds: '52 x 52 x 20', paper: 7, options: { lid: 'plain', nested: 2 } },
        ...{ given: ALONE, done: 'all', seconds: 1930 },
      },
    ],
    daysAgo: 22,
    folded: [{ off: [-0.3, -0.7, -0.1], minutes: 33, note: 'Kraft holds its crease well.', daysAgo: 22, fits: 'well' }],
  },
  {
    title: 'Repair tickets, one for each customer',
    makes: [
      {
        ...{ formId: 'square-card-envelope', holds: '1 ticket 105 x 74', paper: 3, count: 4 },
        ...{ options: { turning: 'any' }, done: 'all', seconds: 900 },
      },
    ],
    daysAgo: 14,
    folded: [
      { off: [0.2, -0.3], minutes: 16, note: 'Four in one go.', daysAgo: 14, fits: 'well', copies: 4, hand: 1 },
      { off: [-0.1, 0.1], minutes: 4, note: '', daysAgo: 6, fits: 'well', hand: 2 },
    ],
  },
  {
    title: 'Ticket and hex key, to go home with a bicycle',
    makes: [
      {
        ...{ formId: 'tuck-flap-envelope', holds: '1 ticket 105 x 74, one hex key 90 x 28 x 5', paper: 5 },
        options: { turning: 'any' },
      },
    ],
    daysAgo: 4,
  },
  {
    title: 'Bookmarks for the manuals',
    makes: [
      {
        ...{ formId: 'page-corner-bookmark', holds: 'pages 4 mm', paper: 3, count: 6 },
        ...{ done: [20, 20, 3, 3, 1], seconds: 260 },
        batch: {
          ...{ way: 'stages', gate: null, openTo: null },
          seats: [0, 1, 2].map((copy) => ({ entryKey: 'piece', copy, name: 'Window seat' })),
        },
      },
    ],
    daysAgo: 1,
    hand: 1,
    folded: [{ off: [-0.4, 0.2], minutes: 8, note: 'Two by the children’s corner.', daysAgo: 30, copies: 2 }],
  },
  {
    title: 'Tide table, wrapped for the post',
    makes: [
      {
        ...{ formId: 'card-template-wrap', holds: 'tide table 205 x 100 x 2', paper: 10 },
        ...{ options: { turning: 'any' }, done: [2], seconds: 95 },
      },
    ],
    daysAgo: 1,
  },
  {
    title: 'A spoonful of varnish chips',
    makes: [{ formId: 'flat-folding-cup', holds: '60 ml', paper: 2, done: 'all', seconds: 240 }],
    daysAgo: 17,
    folded: [{ off: [0.6, -0.4, -0.8], minutes: 5, note: 'Stands better on cork.', daysAgo: 17, fits: 'well' }],
  },
  {
    title: 'Bag for the mended lamp’s bulb',
    makes: [{ formId: 'gusseted-bag', holds: 'bulb ø60 x 108', paper: 6 }],
    daysAgo: 5,
  },
  {
    title: 'Loose buttons by the sewing machine',
    makes: [{ formId: 'four-pointed-dish', holds: '60 loose buttons ø15 x 3', paper: 7, done: 'all', seconds: 1500 }],
    daysAgo: 11,
    folded: [
      {
        ...{ off: [-1.2, -1.4, 0.5], minutes: 26, daysAgo: 11, fits: 'loose' },
        note: 'The pleats want a bone folder. Fits sixty with room to spare, and stands on a flat floor.',
      },
    ],
  },
  {
    title: 'Key rings, for the raffle',
    makes: [{ formId: 'banded-gift-box', holds: '65 x 40 x 16', paper: 8, done: 'all', seconds: 2100 }],
    daysAgo: 40,
    folded: [{ off: [-0.5, -0.6, 0.2], minutes: 36, note: 'A present.', daysAgo: 40, fits: 'well', hand: 2 }],
    archived: true,
  },
  {
    title: 'Folded note to the harbour office',
    makes: [{ formId: 'thirds-twist-letterfold', holds: '1 note 60 x 60', paper: 2, options: { turning: 'any' } }],
    daysAgo: 45,
    archived: true,
  },
  {
    title: 'Regatta table, children’s corner',
    makes: [
      {
        ...{ formId: 'square-canoe', holds: 'load 32 g, centre at 6 mm', paper: 3, count: 3 },
        ...{ done: [50, 6], seconds: 640 },
      },
      { formId: TRAY, holds: '8 washers ø20 x 2', paper: 5, options: { turning: 'any' } },
      { formId: 'page-corner-bookmark', holds: 'pages 2 mm', paper: 12, count: 3 },
    ],
    daysAgo: 0,
    hand: 2,
  },
];
