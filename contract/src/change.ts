import * as z from 'zod';
import type { RouteName } from './routes';

/** What can change in a workshop, as pages read it. */
export const TOPICS = [
  'papers',
  'things',
  'hands',
  'eyeTries',
  'jobs',
  'log',
  'trials',
  'photographs',
  'cuttingPlans',
  'recent',
  'settings',
] as const;

/** Something was changed: what, of which row where it is one, and by which page. */
export const change = z.object({
  topics: z.array(z.enum(TOPICS)),
  id: z.string().nullable(),
  /** As that page calls itself in the header `x-odd-corner-page`; null where it does not. */
  by: z.string().max(64).nullable(),
  /** Counts changes since the server began, so that a page that was away knows whether it missed any. */
  n: z.int().min(0),
});

/** The header by which a page says that a change is its own. */
export const PAGE_HEADER = 'x-odd-corner-page';

export type Topic = (typeof TOPICS)[number];
export type Change = z.infer<typeof change>;

const STOCK = ['jobs', 'papers'] as const satisfies readonly Topic[];
const CUTTING = ['cuttingPlans', 'jobs', 'papers'] as const satisfies readonly Topic[];
const FOLDED = ['log', 'jobs', 'papers'] as const satisfies readonly Topic[];

/** What each route changes; those that are not named change nothing that pages show. */
export const CHANGES: Readonly<Partial<Record<RouteName, readonly Topic[]>>> = {
  ...{ addPaper: ['papers'], addPapers: ['papers'], changePaper: ['papers'], removePaper: ['papers'] },
  ...{ restorePaper: ['papers'] },
  ...{ addCuttingPlan: CUTTING, planAnew: CUTTING, tickCut: CUTTING, removeCuttingPlan: CUTTING },
  ...{ restoreCuttingPlan: CUTTING },
  ...{ addThing: ['things'], changeThing: ['things'], removeThing: ['things'], restoreThing: ['things'] },
  ...{ addHand: ['hands'], changeHand: ['hands'], removeHand: ['hands'], restoreHand: ['hands'] },
  ...{ addEyeTry: ['eyeTries'], removeEyeTry: ['eyeTries'] },
  ...{ addJob: ['jobs'], changeJob: STOCK, removeJob: STOCK, restoreJob: ['jobs'] },
  ...{ archiveJob: STOCK, unarchiveJob: ['jobs'], addProgress: ['jobs'], clearProgress: ['jobs'] },
  ...{ changeBatch: ['jobs'], takeSeats: ['jobs'] },
  ...{ acceptCut: STOCK, dropCut: STOCK, doneCut: STOCK, undoneCut: STOCK },
  ...{ addLogEntry: FOLDED, changeLogEntry: FOLDED, removeLogEntry: FOLDED, restoreLogEntry: FOLDED },
  ...{ addTrial: ['trials'], changeTrial: ['trials'], removeTrial: ['trials'], restoreTrial: ['trials'] },
  ...{ addPhotograph: ['photographs'], sayPhotograph: ['photographs'], removePhotograph: ['photographs'] },
  ...{ addRecent: ['recent'], changeSettings: ['settings'], purge: TOPICS },
  ...{ restoreBackup: TOPICS, acceptIncoming: TOPICS },
};
