import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type BasketStep =
  | 'middles'
  | 'quarters'
  | 'lines'
  | 'diagonals'
  | 'strips'
  | 'firstCorner'
  | 'corners'
  | 'firstWall'
  | 'walls'
  | 'roll'
  | 'fill';

interface BasketMarks {
  /** Where the base lines lie from the edge, where they are measured. */
  readonly lineMm: number | null;
  readonly baseMm: number;
  readonly rodMm: number;
  readonly mirror: 'clockwise' | 'counter';
  readonly gusset: 'own' | 'next';
}

export function basketWords(
  { lineMm, baseMm, rodMm, mirror, gusset }: BasketMarks,
  unit: ShownUnit = 'mm',
): Readonly<Record<BasketStep, StepWords>> {
  const mm = (length: number): string => formatLength(length, unit);
  const [first, second] = mirror === 'clockwise' ? ['left', 'right'] : ['right', 'left'];
  return {
    middles: {
      id: 'middles',
      title: 'Pinch the middle of each edge',
      words:
        'White side up, bring edge to edge both ways, and pinch the fold only where it meets the sheet’s edges. Open.',
      check: 'Four short marks, one in the middle of each edge.',
      slip: { what: 'You creased all of it.', remedy: 'It does no harm, but shows on the floor.' },
      crease: 'pinch',
    },
    quarters: {
      id: 'quarters',
      title: 'Pinch the quarters',
      words: 'Bring each edge to the middle marks beside it and pinch the fold at both ends. Open.',
      check: 'Three marks on every edge.',
      slip: { what: 'A mark is missing.', remedy: 'Pinch it now: the next folds go by it.' },
      crease: 'pinch',
    },
    lines: {
      id: 'base-lines',
      title: 'Lines of the base',
      words:
        lineMm === null
          ? 'Bring each edge to the farthest quarter marks, crease the whole way, and open: four times, turning the sheet.'
          : `Mark ${mm(lineMm)} from each edge at both its ends. Fold along the marks the whole way, and open: four times, turning the sheet.`,
      check: `In the middle lies a square of ${mm(baseMm)}.`,
      slip: { what: 'There is no such square.', remedy: 'The edge went to the near mark: take the far one.' },
      crease: 'sharp',
    },
    diagonals: {
      id: 'diagonals',
      title: 'Slant the corners',
      words:
        'Fold each corner along its diagonal, but press only from the sheet’s corner to the corner of the square. Open.',
      check: 'The square itself has no diagonal.',
      slip: { what: 'The crease runs across the square.', remedy: 'It does no harm, but shows on the floor.' },
      crease: 'sharp',
    },
    strips: {
      id: 'strips',
      title: 'Edges to the square',
      words: 'Fold each edge to the near line of the square, crease the whole way, and open.',
      check: 'Each edge lay along the nearest line of the square.',
      slip: { what: 'It lay on the far line.', remedy: 'The walls would be too low: fold it to the near one.' },
      crease: 'sharp',
    },
    firstCorner: {
      id: 'first-corner',
      title: 'Two sides in',
      words: `Fold the near side and the ${first} side in together. The corner between them is pinched and stands up: lay it down along the ${first} side, its tip on the edge.`,
      check: 'A small pointed ear lies outside the folded edges.',
      slip: { what: 'It lies the other way.', remedy: `Lift it and lay it over to the ${first}.` },
      crease: 'sharp',
    },
    corners: {
      id: 'pinwheel',
      title: 'A pinwheel',
      words: `Fold the ${second} side in, pull the corner out and lay its ear down; then the far side. At the last corner pull the ear out from beneath and lay it like the others.`,
      check: 'Turned a quarter it looks the same, and the four raw edges frame the square.',
      slip: {
        what: 'Two ears touch.',
        remedy: 'One lies the wrong way: lift its side, pull out the tip, lay it over.',
      },
      crease: 'sharp',
    },
    firstWall: {
      id: 'first-wall',
      title: 'Raise a wall',
      words: 'Fold the near side up along the line of the square, all layers, from one end to the other.',
      check: 'The wall stands upright.',
      slip: { what: 'It bends beside the line.', remedy: 'Press the line through all layers with a nail.' },
      crease: 'sharp',
    },
    walls: {
      id: 'walls',
      title: 'All walls, corners inside',
      words: `Raise the next wall. The small square between both folds along its diagonal and goes inside as a triangle, flat against ${
        gusset === 'own' ? 'the wall that was there first' : 'the wall that comes next'
      }; the ear above it stands up. Go round in the same direction, and pinch the four upright edges.`,
      check: 'Four walls, and an ear above each corner.',
      slip: { what: 'A triangle went outside.', remedy: 'Its diagonal must be a ridge seen from inside: push it in.' },
      crease: 'sharp',
    },
    roll: {
      id: 'roll',
      title: 'Roll the ears',
      words: `Roll each ear outwards over the rim, tightly, round a rod of ${mm(rodMm)}, from its tip down to the rim. A dot of glue between the triangle inside and its wall keeps the corner shut: the basket springs open without.`,
      check: 'Four rolls on the rim, each holding its corner together.',
      slip: { what: 'A roll opens.', remedy: 'Roll it tighter, and put a band round the walls for an hour.' },
      crease: 'soft',
      caution: 'Glue with the window open.',
      waits: 'glue',
    },
    fill: {
      id: 'fill',
      title: 'Fill and carry it',
      words:
        'Set light things on its floor. Lift it with a hand beneath: never by its ears, for they hold the corners.',
      check: 'The corners stay shut.',
      slip: {
        what: 'A corner opens.',
        remedy: 'Push its triangle back to the wall, glue it, and hold it for ten minutes.',
      },
      crease: 'none',
    },
  };
}
