import {
  creasePicture,
  draw,
  type Drawing,
  isFlat,
  type Looking,
  shownFaces,
  type ShownFace,
  turnedOver,
  viewOf,
} from '@odd-corner/core';
import { type Attempt, attempt } from './attempt';
import { type FormAsked, madeForm } from './fold-piece';

/** What shows where: the faces of a folded piece, how it looks, and the open sheet from both sides. */
export interface FacesShown {
  readonly faces: readonly ShownFace[];
  readonly piece: Drawing;
  readonly sheet: { readonly white: Drawing; readonly coloured: Drawing };
}

export const faceTasks = {
  /** Every face of a piece that shows, and where it lies on the sheet; finished, or open where that is another state. */
  facesShown(asked: FormAsked, state: 'finished' | 'open', looking: Looking): Attempt<FacesShown> {
    return attempt(() => {
      const { finished, open = finished } = madeForm(asked).folding;
      const pose = state === 'open' ? open : finished;
      const view = viewOf({ view: isFlat(pose) ? 'table' : 'space' }, looking);
      const white = creasePicture(finished);
      return { faces: shownFaces(pose), piece: draw(pose, view), sheet: { white, coloured: turnedOver(white) } };
    });
  },
};
