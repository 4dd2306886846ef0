import type { StepWords } from '../form';
import type { UnitKind } from './frame';

type UnitStep = 'turn' | 'diagonals' | 'blintz' | 'kite' | 'bottom' | 'wall' | 'half' | 'pleat' | 'raise';

export function unitWords(kind: UnitKind): Readonly<Record<UnitStep, StepWords>> {
  return {
    turn: {
      id: 'turn',
      title: 'A corner away from you',
      words:
        'White side up, turn the sheet so that one corner points away from you. Do each step on all eight sheets before the next.',
      check: 'All sheets lie alike.',
      slip: { what: 'The coloured side is up.', remedy: 'Turn it over: walls and lid would be white.' },
      crease: 'none',
    },
    diagonals: {
      id: 'diagonals',
      title: 'Both diagonals',
      words: 'Fold corner to opposite corner, both ways, and open each.',
      check: 'Two creases cross in the middle: the corner of the box.',
      slip: { what: 'A crease misses a corner.', remedy: 'Crease it again, from the middle outwards.' },
      crease: 'sharp',
    },
    blintz: {
      id: 'side-corners',
      title: 'Left and right corner in',
      words: 'Fold the right corner to the crossing, and the left corner too.',
      check: 'Both tips touch the crossing and do not pass it.',
      slip: { what: 'A tip passes it.', remedy: 'The corners of the box would stay open: fold it back a little.' },
      crease: 'sharp',
    },
    kite: {
      id: 'kite',
      title: 'Upper right edge to the middle',
      words:
        'Lay the upper right edge on the upright middle crease, through both layers; hold the folded corner flat while you do.',
      check: 'The crease begins in the far tip and ends a little below the middle of the right edge.',
      slip: { what: 'You folded the left edge.', remedy: 'All units have it on the right: fold it the other way.' },
      crease: 'sharp',
    },
    bottom: {
      id: 'bottom',
      title: 'Near tip up',
      words: 'Fold the near tip up to the end of the edge that you have just laid on the middle.',
      check: 'Its slanted edge lies along the slanted edge of the flap above it: it looks like an envelope.',
      slip: {
        what: 'The near fold is not level.',
        remedy: 'The tip must hit the point, and both edges touch all along.',
      },
      crease: 'sharp',
    },
    wall: {
      id: 'wall-crease',
      title: 'Crease the wall',
      words:
        'Hold the bottom flap down. Fold the near strip up along the level crease through the crossing, all layers, crease hard, and open.',
      check: 'The strip, the wall, is as high everywhere.',
      slip: {
        what: 'The bottom flap stayed outside.',
        remedy: 'There is no pocket then: fold again with it held down.',
      },
      crease: 'sharp',
    },
    half: {
      id: 'half',
      title: 'Crease the corner',
      words: 'Fold the unit in half along the upright crease, all layers, and open.',
      check: 'Piled up, the outlines of all units coincide.',
      slip: { what: 'The halves do not meet.', remedy: 'Fold on the crease that is there.' },
      crease: 'sharp',
    },
    pleat: {
      id: 'pleat',
      title: kind === 'base' ? 'Mark the pleat of the base' : 'Mark the pleat of the lid',
      words:
        kind === 'base'
          ? 'Fold the left part over along the upright crease, and back so that the raw edge of the left corner lies in line with the fold beyond it. Pinch this second fold above the crossing only, and open.'
          : 'Turn over and fold the upright crease above the crossing the other way, then lay this fold on the raw edge of the left corner. Pinch this second fold above the crossing only, and open.',
      check: 'The pinch runs from the crossing, half way between the upright crease and that raw edge.',
      slip: {
        what: 'It does not begin in the crossing.',
        remedy: 'Eight corners would not add up to a ring: pinch it again.',
      },
      crease: 'pinch',
    },
    raise: {
      id: 'raise',
      title: 'Raise the wall, lay the pleat',
      words:
        kind === 'base'
          ? 'Raise the wall along its crease. The corner bends by itself, and the pleat closes: the upright crease a valley, the pinched one a ridge.'
          : 'Raise the wall along its crease. The corner bends by itself, and the pleat closes: the upright crease a ridge, the pinched one a valley.',
      check:
        kind === 'base'
          ? 'Seen from inside, the left corner’s flap lies on top.'
          : 'Seen from inside, the kite-shaped flap lies on top.',
      slip: {
        what: 'It looks like a unit of the other half.',
        remedy: 'The pleat lies the other way: open it and lay it anew.',
      },
      crease: 'soft',
    },
  };
}
