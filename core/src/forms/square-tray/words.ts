import { formatLength, type ShownUnit } from '../../measure/format-length';
import type { StepWords } from '../form';

type StepKey =
  | 'half'
  | 'halfAgain'
  | 'turn'
  | 'corners'
  | 'middle'
  | 'leftWall'
  | 'rightWall'
  | 'openWalls'
  | 'nearEnd'
  | 'farEnd'
  | 'walls'
  | 'farLift'
  | 'farFlap'
  | 'halfRound'
  | 'nearLift'
  | 'nearFlap';

/** Which of the two it is to be, and with which ends. */
export type TrayPart = 'tray' | 'plain lid' | 'eared lid';

/** What the maker reads, step by step. */
export function trayWords(
  part: TrayPart,
  wallMm: number | null,
  unit: ShownUnit = 'mm',
): Readonly<Record<StepKey, StepWords>> {
  const box = part === 'tray' ? 'tray' : 'lid';
  const height = wallMm === null ? '' : formatLength(wallMm, unit);
  /** The near end is worked on after the half turn, when it lies at the far side. */
  const called = { far: 'far end', near: 'other end' } as const;
  const flap = (end: 'far' | 'near'): StepWords =>
    part !== 'eared lid'
      ? {
          id: `${end}-flap`,
          title: `Lock the ${called[end]}`,
          words: `Bring the long flap of the ${called[end]} over the rim and down inside, over the two gussets. Crease the rim sharply with the part standing on the table, then press the flap into the floor edge.`,
          check: 'Its point touches the middle of the floor and the rim is level.',
          slip: {
            what: 'The point stops short of the middle.',
            remedy:
              'The rim was folded too low. Open the flap and crease it again exactly along the tops of the side walls.',
          },
          crease: 'sharp',
        }
      : {
          id: `${end}-flap`,
          title: end === 'far' ? 'Turn the far flap outside' : 'Turn the other flap outside',
          words: `Hold the ${box} over the edge of the table. Fold the flap of the ${called[end]} over the rim to the outside and down against the wall: its point reaches past the floor, and is an ear. Glue the gussets, the flap and its narrow sides, with the ${box} slid over the tray while it sets.`,
          check: 'The flap lies flat on the wall; its point stands out past the floor, in the middle of the wall.',
          slip: {
            what: 'The flap went inside by habit.',
            remedy: 'Pull it out and turn it over the rim the other way; nothing is lost.',
          },
          crease: 'sharp',
          caution: 'Use a glue stick or thin paste, and open a window while it sets.',
          waits: 'glue',
        };
  const lift = (end: 'far' | 'near'): StepWords => ({
    id: `${end}-lift`,
    title: `Raise the ${called[end]}`,
    words: `Lift the ${called[end]} to stand. At both corners push the diagonal half-fold crease inwards, so that a small gusset lies flat against the inside of the end wall.`,
    check:
      wallMm === null
        ? 'The two gussets meet in the middle of the end wall.'
        : 'Both gussets lie flat against the end wall, equally long.',
    slip: {
      what: 'A gusset bulges outwards.',
      remedy: 'Its crease was made the other way. Pinch it between two fingers first, then push it in.',
    },
    crease: 'sharp',
  });
  const wall = (side: 'left' | 'right'): StepWords => ({
    id: `${side}-wall`,
    title: `Fold in the ${side} side`,
    words:
      wallMm === null
        ? `Bring the ${side} folded edge to the middle crease and crease the whole length.`
        : `Measure ${height} from the ${side} folded edge at both ends, fold the edge over there, and crease the whole length.`,
    check:
      wallMm === null
        ? 'The folded edge lies on the middle crease from end to end.'
        : `The strip is ${height} wide at both ends.`,
    slip: {
      what: 'The strip is wider at one end.',
      remedy: 'Open it, line up both ends first, then crease from the middle outwards.',
    },
    crease: 'sharp',
  });
  return {
    half: {
      id: 'half-across',
      title: 'Half the sheet',
      words: 'White side up. Fold the edge nearest you to the far edge, crease, and open again.',
      check: 'The crease runs from side to side, halfway up.',
      slip: { what: 'The corners do not meet.', remedy: 'Hold both corners together before you press the fold.' },
      crease: 'sharp',
    },
    halfAgain: {
      id: 'half-up',
      title: 'Half it the other way',
      words: 'Fold the left edge to the right edge, crease, and open again.',
      check: 'The two creases cross in the middle of the sheet.',
      slip: {
        what: 'The crossing is off the middle.',
        remedy: 'The sheet is not square. Check both diagonals before you go on.',
      },
      crease: 'sharp',
    },
    turn: {
      id: 'turn',
      title: 'Turn to a corner',
      words: 'Turn the sheet so that a corner points at you.',
      check: 'The two creases make an X in front of you.',
      slip: {
        what: 'The sheet slid off square.',
        remedy: 'Line up the corner that points at you with the table edge.',
      },
      crease: 'none',
    },
    corners: {
      id: 'corners',
      title: 'Two corners to the middle',
      words: 'Fold the left corner and the right corner to the crossing in the middle.',
      check: 'Both points touch at the crossing.',
      slip: {
        what: 'The points overlap, or leave a gap.',
        remedy: `Fold them again. Otherwise the ${box} comes out as an oblong.`,
      },
      crease: 'sharp',
    },
    middle: {
      id: 'middle',
      title: 'Middle crease',
      words:
        'Fold the strip in half, the left folded edge onto the right one. Crease and open. The two corners stay folded in.',
      check: 'A new crease runs from the near point to the far point.',
      slip: {
        what: 'You folded point to point instead.',
        remedy: 'That crease does no harm. Open it and make the long one too.',
      },
      crease: 'sharp',
    },
    leftWall: wall('left'),
    rightWall: wall('right'),
    openWalls: {
      id: 'open-sides',
      title: 'Open the two sides',
      words: 'Open the two folds you have just made. The corners stay folded to the middle.',
      check: 'Each long crease crosses the slanting raw edges in two places: four crossings in all.',
      slip: {
        what: 'The corners came open as well.',
        remedy: 'Fold the two corners back to the middle, or the crossings vanish.',
      },
      crease: 'none',
    },
    nearEnd: {
      id: 'near-end',
      title: 'Crease the near end',
      words:
        'Fold the near point straight up, so that the fold passes through the two nearer crossings. Crease and open.',
      check: 'The crease goes through both crossings and is square to the long edges.',
      slip: {
        what: 'The fold is not square.',
        remedy: 'Its ends on the two long edges must be equally far from the point. Do it again.',
      },
      crease: 'sharp',
    },
    farEnd: {
      id: 'far-end',
      title: 'Crease the far end',
      words: 'Fold the far point down in the same way, through the two farther crossings. Crease and open.',
      check: 'Four creases frame a square in the middle.',
      slip: {
        what: 'The frame is not square.',
        remedy: 'Measure both ways; make the end crease again where it differs.',
      },
      crease: 'sharp',
    },
    walls: {
      id: 'raise-sides',
      title: 'Raise the two sides',
      words: 'Stand both long sides upright along their creases.',
      check: 'Two walls of the same height, with a flat floor between.',
      slip: { what: 'The floor lifts.', remedy: 'Press the two floor edges down with a fingernail.' },
      crease: 'sharp',
    },
    farLift: lift('far'),
    farFlap: flap('far'),
    halfRound: {
      id: 'half-round',
      title: 'Turn it half round',
      words: `Turn the ${box} half round on the table, so that the end still lying flat is the far one.`,
      check: 'The finished end is nearest you.',
      slip: {
        what: 'A wall falls flat.',
        remedy: 'Stand it up again; its crease holds after the second end is raised.',
      },
      crease: 'none',
    },
    nearLift: lift('near'),
    nearFlap: flap('near'),
  };
}

/** Steps of its use. */
export const TRAY_USE = {
  fill: {
    id: 'use',
    title: 'Fill and carry it',
    words:
      'Lay in what it holds. Lift it by two opposite walls, or with a hand beneath; never by one rim alone. Empty trays stand in each other only where they were sized for it.',
    check: 'The floor stays flat when you lift it.',
    slip: { what: 'A wall leans out.', remedy: 'Press its end flap home again: it holds the wall.' },
    crease: 'none',
  },
  cover: {
    id: 'use',
    title: 'Put it on and take it off',
    words:
      'Set it over its tray from above, and press it down level. To open it hold the tray and lift the lid by two opposite sides.',
    check: 'It goes down by its own weight, or with a light push.',
    slip: {
      what: 'It takes the tray along.',
      remedy: 'Hold the tray by its walls, and lift one side of the lid a little first.',
    },
    crease: 'none',
  },
} satisfies Readonly<Record<string, StepWords>>;
