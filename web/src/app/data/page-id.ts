import { newId } from './new-id';

/** What this page calls itself, so that its own changes are not told to it again. */
export const PAGE_ID = newId();
