import type { Hand } from '../../folding/hand';
import type { ShownUnit } from '../../measure/format-length';
import { crossing, lineThrough, point, type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import { atHand } from '../at-hand';
import type { Folding } from '../form';
import { type Limits, refuseUnsuited } from '../limits';
import { recordSteps } from '../record-steps';
import { boxFrame } from './box-frame';
import { flapOver, raisedEnd } from './end-creases';
import { TRAY_USE, type TrayPart, trayWords } from './words';

/**
 * Wall height as a share of the sheet's side. Below the lower bound the end flaps grip too little wall; at a sixth of the
 * diagonal a corner gusset would reach the opposite corner: the upper bound lies a hair below.
 */
const WALL_SHARE = { min: 0.08, max: (1 - 1e-7) * (Math.SQRT2 / 6) } as const;

/** Walls that suit a sheet. */
export const wallLimits = (side: number): Limits => [WALL_SHARE.min * side, WALL_SHARE.max * side];

/**
 * Folds a tray or a lid.
 * @param wallMm wall height, or null when the folded edge is simply brought to the middle crease
 * @throws RangeError for walls that do not suit the sheet
 */
export function foldTray(hand: Hand, sheet: Sheet, part: TrayPart, wallMm: number | null, unit?: ShownUnit): Folding {
  const frame = boxFrame(sheet, wallMm);
  const { side, h, b, m, on } = frame;
  refuseUnsuited('Walls', h, wallLimits(side), side);
  const words = trayWords(part, wallMm, unit);
  const { steps, uses, step, use } = recordSteps(hand);
  const { measured } = atHand(hand);
  const corner = {
    nearLeft: point(0, 0),
    nearRight: point(side, 0),
    farRight: point(side, side),
    farLeft: point(0, side),
  };
  const centre = point(side / 2, side / 2);

  step(
    words.half,
    { creases: ['half across'], arrows: [{ kind: 'fold-and-unfold', grip: point(side / 2, 0) }] },
    () => {
      const edge = lineThrough(corner.nearLeft, corner.nearRight);
      hand.valley('half across', {
        kind: 'line-onto-line',
        line: edge,
        onto: lineThrough(corner.farLeft, corner.farRight),
        moving: corner.nearLeft,
      });
      hand.pause();
      hand.unfold('half across');
    },
  );
  step(
    words.halfAgain,
    { creases: ['half up'], arrows: [{ kind: 'fold-and-unfold', grip: point(0, side / 2) }] },
    () => {
      const edge = lineThrough(corner.nearLeft, corner.farLeft);
      hand.valley('half up', {
        kind: 'line-onto-line',
        line: edge,
        onto: lineThrough(corner.nearRight, corner.farRight),
        moving: corner.nearLeft,
      });
      hand.pause();
      hand.unfold('half up');
    },
  );
  step(words.turn, { arrows: [{ kind: 'rotate', grip: corner.nearRight }] }, () => hand.rotate(-45));
  step(
    words.corners,
    {
      creases: ['left edge', 'right edge'],
      arrows: [corner.nearLeft, corner.farRight].map((grip) => ({ kind: 'fold', grip })),
    },
    () => {
      hand.valley('left edge', { kind: 'point-onto-point', point: hand.at(corner.nearLeft), onto: hand.at(centre) });
      hand.valley('right edge', { kind: 'point-onto-point', point: hand.at(corner.farRight), onto: hand.at(centre) });
    },
  );
  step(words.middle, { creases: ['middle'], arrows: [{ kind: 'fold-and-unfold', grip: on(-m, 0) }] }, () => {
    hand.valley('middle', {
      kind: 'line-onto-line',
      line: hand.crease('left edge'),
      onto: hand.crease('right edge'),
      moving: hand.at(on(-m, 0)),
    });
    hand.pause();
    hand.unfold('middle');
  });

  const wall = (name: 'left' | 'right'): void => {
    const edge = hand.crease(`${name} edge`);
    const moving = hand.at(on(name === 'left' ? -m : m, 0));
    if (wallMm === null)
      hand.valley(`${name} wall`, { kind: 'line-onto-line', line: edge, onto: hand.crease('middle'), moving });
    else {
      // As far in from the folded edge near either end.
      const s = name === 'left' ? -1 : 1;
      const marked = ([-0.4, 0.4] as const).map((y) => ({ at: on(s * b, y * m), from: on(s * m, y * m) }));
      hand.valley(`${name} wall`, measured(`${name} wall`, [marked[0], marked[1]], on(s * m, 0)));
    }
  };
  step(words.leftWall, { creases: ['left wall'], arrows: [{ kind: 'fold', grip: on(-m, 0) }] }, () => wall('left'));
  step(words.rightWall, { creases: ['right wall'], arrows: [{ kind: 'fold', grip: on(m, 0) }] }, () => wall('right'));
  step(
    words.openWalls,
    { creases: ['left wall', 'right wall'], arrows: [on(-m, 0), on(m, 0)].map((grip) => ({ kind: 'unfold', grip })) },
    () => hand.unfold('left wall'),
  );

  /** Where the raw edges of a folded-in corner cross the wall crease beside it, on the near or far side. */
  const mark = (wallName: 'left' | 'right', tip: Point, foot: Point): Point =>
    crossing(hand.crease(`${wallName} wall`), lineThrough(hand.at(tip), hand.at(foot))) ?? centre;
  const end = (name: 'near' | 'far'): void => {
    const tip = name === 'near' ? corner.nearRight : corner.farLeft;
    const foot = {
      left: name === 'near' ? point(side / 2, 0) : point(0, side / 2),
      right: name === 'near' ? point(side, side / 2) : point(side / 2, side),
    };
    const a = mark('left', corner.nearLeft, foot.left);
    const c = mark('right', corner.farRight, foot.right);
    hand.valley(`${name} end`, { kind: 'through-points', a, b: c, moving: hand.at(tip) });
    hand.pause();
    hand.unfold(`${name} end`);
  };
  step(words.nearEnd, { creases: ['near end'], arrows: [{ kind: 'fold-and-unfold', grip: corner.nearRight }] }, () =>
    end('near'),
  );
  step(words.farEnd, { creases: ['far end'], arrows: [{ kind: 'fold-and-unfold', grip: corner.farLeft }] }, () =>
    end('far'),
  );

  step(
    words.walls,
    {
      view: 'space',
      creases: ['left wall', 'right wall'],
      arrows: [on(-m, 0), on(m, 0)].map((grip) => ({ kind: 'lift', grip })),
    },
    () => hand.open3d({ 'left wall': 90, 'right wall': 90 }, centre),
  );
  for (const name of ['far', 'near'] as const) {
    if (name === 'near')
      step(words.halfRound, { view: 'space', arrows: [{ kind: 'rotate', grip: corner.nearRight }] }, () =>
        hand.rotate(180),
      );
    const tip = name === 'near' ? corner.nearRight : corner.farLeft;
    const y = name === 'near' ? -1 : 1;
    step(
      words[`${name}Lift`],
      {
        view: 'space',
        creases: [`${name} end`, `${name} gusset`],
        arrows: [
          { kind: 'lift', grip: tip },
          ...[m, -m].map((x) => ({ kind: 'push-in' as const, grip: on(x, y * m) })),
        ],
      },
      () => hand.collapse(raisedEnd(frame, name), centre),
    );
    step(
      words[`${name}Flap`],
      {
        view: 'space',
        creases: [`${name} rim`, `${name} flap foot`],
        arrows: [{ kind: part === 'eared lid' ? 'fold-behind' : 'tuck', grip: tip }],
      },
      () => hand.collapse(flapOver(frame, name, part === 'eared lid' ? 'outside' : 'inside'), centre),
    );
  }
  use(part === 'tray' ? TRAY_USE.fill : TRAY_USE.cover, {
    view: 'space',
    arrows: [on(-m, 0), on(m, 0)].map((grip) => ({ kind: 'lift', grip })),
  });
  return { steps, uses, finished: hand.pose };
}
