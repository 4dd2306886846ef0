import { type CuttingOptions, cuttingOptions, USUAL_CUTTING } from '@odd-corner/contract';

/** Where what is typed stays when the page is read anew. */
const KEPT = 'odd-corner cutting list';

/** A cut that is being asked for. */
export interface Draft {
  readonly text: string;
  readonly title: string;
  readonly papers: readonly string[];
  readonly options: CuttingOptions;
}

/** What was typed before the page was read anew. */
export function draftKept(): Draft {
  const none: Draft = { text: '', title: '', papers: [], options: USUAL_CUTTING };
  try {
    const kept = JSON.parse(sessionStorage.getItem(KEPT) ?? 'null') as Partial<Draft> | null;
    const options = cuttingOptions.safeParse(kept?.options);
    return {
      text: typeof kept?.text === 'string' ? kept.text : none.text,
      title: typeof kept?.title === 'string' ? kept.title : none.title,
      papers: Array.isArray(kept?.papers) ? kept.papers.filter((id) => typeof id === 'string') : none.papers,
      options: options.success ? options.data : none.options,
    };
  } catch {
    return none;
  }
}

export const keepDraft = (draft: Draft): void => sessionStorage.setItem(KEPT, JSON.stringify(draft));

/** Once it is planned and kept, the next one begins empty. */
export const dropDraft = (): void => sessionStorage.removeItem(KEPT);
