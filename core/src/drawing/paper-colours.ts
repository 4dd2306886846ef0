import { type BodyRef, bodyKey } from '../assembly/joint';
import type { SizedForm } from '../fit/size-options';
import type { Entry } from '../forms/form';
import { entriesOf } from '../forms/made-make';
import { formById } from '../forms/shelf';

/** The two sides of one paper. */
export interface SideColours {
  readonly front: string;
  readonly back: string;
}

/** Colours of the paper at hand. */
export interface PaperColours extends SideColours {
  /** Where pieces are of different papers: those of each, by `bodyKey`. */
  readonly pieces?: ReadonlyMap<string, SideColours>;
}

export const PLAIN_PAPER: SideColours = { front: '#c79a63', back: '#fbf8ef' };

/** Colours of further papers that nobody has chosen yet, so that a layout of several is seen. */
const FURTHER = ['#6f93a3', '#a8b27a', '#c4746a', '#e0c46c', '#8a7aa0', '#7d8a86', '#d59a9a', '#9c6f4f'];

/** The colours in which a paper is drawn; those of plain paper when none is chosen. */
export const coloursOf = (
  paper: { readonly colourFront: string; readonly colourBack: string } | null | undefined,
): SideColours => (paper ? { front: paper.colourFront, back: paper.colourBack } : PLAIN_PAPER);

/** The colours of one piece of a scene. */
export const coloursIn = (colours: PaperColours, of: BodyRef | undefined): SideColours =>
  (of && colours.pieces?.get(bodyKey(of))) ?? colours;

/**
 * The colours of all pieces of a make: of the paper that was chosen for each; those of the first for what has none, but for
 * further colours of the make.
 */
export function coloursOfMake(
  entries: readonly Pick<Entry, 'key' | 'copies' | 'colour'>[],
  chosen: (entryKey: string, copy: number) => SideColours | null,
): PaperColours {
  const first = chosen(entries[0].key, 0) ?? PLAIN_PAPER;
  const further = (colour: number): SideColours => ({ ...first, front: FURTHER[(colour - 1) % FURTHER.length] });
  const pieces = new Map<string, SideColours>();
  for (const { key, copies, colour = 0 } of entries)
    for (let copy = 0; copy < copies; copy++) {
      const own = chosen(key, copy) ?? (colour ? further(colour) : first);
      if (own.front !== first.front || own.back !== first.back) pieces.set(bodyKey({ entry: key, copy }), own);
    }
  return pieces.size ? { ...first, pieces } : first;
}

/** The colours of an answer of which only the paper of the first entry is chosen. */
export function coloursOfAnswer({ formId, make }: SizedForm, paper: SideColours): PaperColours {
  const [first, ...others] = entriesOf(formById(formId), make);
  return coloursOfMake([first, ...others], (key) => (key === first.key ? paper : null));
}
