import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type CatchStep = 'quarters' | 'back' | 'corners' | 'walls' | 'backUp' | 'lip' | 'use' | 'away';

export function catchWords(
  { reachMm, lipMm, lipDeg }: { readonly reachMm: number; readonly lipMm: number; readonly lipDeg: number },
  unit: ShownUnit = 'mm',
): Readonly<Record<CatchStep, StepWords>> {
  const mm = (length: number): string => formatLength(length, unit);
  return {
    quarters: {
      id: 'quarters',
      title: 'Two upright quarter creases',
      words:
        'The side that beads will lie on is up. Fold the left and the right edge to the middle, crease, and open each.',
      check: 'Two creases, a quarter of the sheet from its sides.',
      slip: { what: 'They are not parallel.', remedy: 'Fold the one that slants again, edge on edge.' },
      crease: 'sharp',
    },
    back: {
      id: 'back-crease',
      title: 'Crease the back',
      words: 'Fold the far edge to the middle of the sheet, crease, and open.',
      check: 'The three creases cross in two corners of the floor.',
      slip: { what: 'It slants.', remedy: 'Fold again with the side edges on themselves.' },
      crease: 'sharp',
    },
    corners: {
      id: 'corners-in',
      title: 'Near corners in',
      words: `Mark ${mm(reachMm)} from each near corner along both its edges. Fold each near corner in through its two marks.`,
      check: `Each fold crosses its quarter crease ${mm(lipMm)} above the near edge.`,
      slip: {
        what: 'It crosses lower.',
        remedy: 'The lip would jam on the walls: fold the corner a little further in.',
      },
      crease: 'sharp',
    },
    walls: {
      id: 'walls',
      title: 'Raise both sides',
      words: 'Raise the left and the right side along the quarter creases, through the folded corners too.',
      check: 'They rise from nothing at the near edge to full height.',
      slip: { what: 'A folded corner springs up.', remedy: 'Press its fold again; a dab of glue holds it.' },
      crease: 'sharp',
    },
    backUp: {
      id: 'back-up',
      title: 'Raise the back',
      words:
        'Raise the back. At each corner the square folds along its diagonal to an ear: lay both ears flat behind the back.',
      check: 'Three walls; the sides are smooth inside.',
      slip: { what: 'An ear lies inside.', remedy: 'Beads would bump on it: swing it behind the back.' },
      crease: 'sharp',
    },
    lip: {
      id: 'lip',
      title: 'Raise the lip',
      words: `Fold the near edge up along the line between both folded corners, ${mm(lipMm)} deep, and let it spring back to about ${Math.round(lipDeg)} degrees.`,
      check: 'It gives way to a finger from outside and stands up again.',
      slip: { what: 'It lies flat.', remedy: 'Beads would roll out again: bend it up once more.' },
      crease: 'soft',
    },
    use: {
      id: 'under-the-track',
      title: 'Set it under the exit',
      words:
        'Slide the lip under the corner that the beads leave by, the tray square to the track and no further in than the bead clears the walls. A soft cloth in it stops them from bouncing.',
      check: 'A bead let go at the top stays in the tray.',
      slip: { what: 'It bounces out.', remedy: 'Raise the lip, or lay a cloth in the tray.' },
      crease: 'none',
      caution: 'Small beads can be swallowed: keep them from children under three.',
    },
    away: {
      id: 'store-flat',
      title: 'Keep it',
      words:
        'Empty it, and lay the walls in: first the back with its ears, then both sides. It opens on the same creases.',
      check: 'Nothing rolls about in it.',
      slip: { what: 'A wall leans when it is set up again.', remedy: 'Press its crease once from inside with a nail.' },
      crease: 'none',
    },
  };
}
