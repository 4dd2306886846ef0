import { placedOutline, type Pose } from '../folding/pose';
import type { FormStep } from '../forms/form';
import { draw } from './draw';
import type { Drawing } from './drawing';
import { LAYER_STEP, type Looking, viewOf } from './step-pictures';
import { spreadLayers } from './spread-layers';
import { project } from './view';

/** Paper as it lies, from both sides. */
export interface StatePictures {
  readonly top: Drawing;
  readonly bottom: Drawing;
}

/**
 * Draws one state of the paper from where the maker looks, and from the other side.
 * @param beside poses that are shown along with it: all come at one scale
 */
export function statePictures(
  pose: Pose,
  view: FormStep['view'],
  looking: Looking = {},
  beside: readonly Pose[] = [],
): StatePictures {
  const side = (fromBelow: boolean): Drawing => {
    const seen = viewOf({ view }, { ...looking, fromBelow });
    const spread = view === 'table' && !fromBelow ? spreadLayers(pose, LAYER_STEP * pose.pattern.size) : undefined;
    const roomFor = [pose, ...beside].flatMap((one) =>
      one.pattern.faces.flatMap((_, f) => placedOutline(one, f).map((p) => project(seen, p))),
    );
    return draw([{ kind: 'paper', pose, spread }], seen, { hidden: view === 'table', roomFor });
  };
  const fromBelow = looking.fromBelow ?? false;
  return { top: side(fromBelow), bottom: side(!fromBelow) };
}
