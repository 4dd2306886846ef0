import * as z from 'zod';
import type { Hand } from '../../folding/hand';
import type { Pose } from '../../folding/pose';
import type { ShownUnit } from '../../measure/format-length';
import { crossing, lineThrough, point, type Point } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import type { Folding, Form } from '../form';
import type { BoxSizes } from './box-sizes';
import { choice } from '../choice';
import { recordSteps } from '../record-steps';
import { boxFrame } from './box-frame';
import { flapOver, raisedEnd } from './end-creases';
import { measureTray } from './measure-tray';
import { trayWords } from './words';

/**
 * Wall height as a share of the sheet's side. Below the lower bound the end flaps grip too little wall; at the upper
 * bound (a sixth of the diagonal) a corner gusset would reach the opposite corner.
 */
export const WALL_SHARE = { min: 0.08, max: Math.SQRT2 / 6 } as const;

export const squareTrayParams = z.object({
  /** `eared-lid`: the end flaps go over the rim to the outside and stand up as ears. */
  part: z.enum(['tray', 'eared-lid']).default('tray'),
  /** Wall height in mm when it is measured; null when the folded edge is simply brought to the middle crease. */
  wallMm: z.number().positive().nullable().default(null),
});

export type SquareTrayParams = z.infer<typeof squareTrayParams>;

function fold(hand: Hand, sheet: Sheet, { part, wallMm }: SquareTrayParams, unit?: ShownUnit): Folding {
  const frame = boxFrame(sheet, wallMm);
  const { side, h, b, m, on } = frame;
  if (!(h >= WALL_SHARE.min * side * (1 - 1e-9) && h < WALL_SHARE.max * side))
    throw new RangeError(
      `Walls of ${h.toFixed(1)} mm do not suit a sheet of ${side.toFixed(1)} mm: between ${(WALL_SHARE.min * side).toFixed(1)} and ${(WALL_SHARE.max * side).toFixed(1)} mm.`,
    );
  const words = trayWords(part, wallMm, unit);
  const { steps, step } = recordSteps(hand);
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
    else
      hand.valley(`${name} wall`, {
        kind: 'through-points',
        a: hand.at(on(name === 'left' ? -b : b, -1)),
        b: hand.at(on(name === 'left' ? -b : b, 1)),
        moving,
      });
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
        arrows: [{ kind: part === 'tray' ? 'tuck' : 'fold-behind', grip: tip }],
      },
      () => hand.collapse(flapOver(frame, name, part === 'tray' ? 'inside' : 'outside'), centre),
    );
  }
  return { steps, finished: hand.pose };
}

/** Measures a finished tray or lid. */
export function measureFinished(
  finished: Pose,
  sheet: Sheet,
  { wallMm }: SquareTrayParams,
  thicknessMm: number,
): BoxSizes {
  return measureTray(finished, boxFrame(sheet, wallMm), thicknessMm);
}

/** A square open tray locked by its own end flaps, and the same with its end flaps outside as ears: a lid. */
export const squareTray: Form<SquareTrayParams> = {
  id: 'square-tray-and-eared-lid',
  name: 'Square tray with a lid',
  family: 'open boxes and lids',
  use: 'Small parts that belong together, closed with a lid from a slightly larger sheet.',
  sheetShape: 'square',
  leastSheetMm: 60,
  params: squareTrayParams,
  fields: [
    choice('part', 'Part', 'The lid is folded like the tray, its end flaps outside as ears to lift it by.', {
      tray: 'Tray',
      'eared-lid': 'Lid with ears',
    }),
    {
      key: 'wallMm',
      label: 'Walls',
      why: 'Measured walls fit what goes in; the folded edge to the middle crease needs no ruler.',
      input: {
        kind: 'length',
        folded: 'Half the base, as folding alone gives',
        range: ({ widthMm }) => [Math.ceil(WALL_SHARE.min * widthMm), Math.ceil(WALL_SHARE.max * widthMm) - 1],
      },
    },
  ],
  holds: ['boxes and blocks', 'loose pieces', 'flat things'],
  closes: 'a lid of its own',
  adhesive: 'optional',
  cuts: 'none',
  skill: 2,
  minutes: 12,
  papers: '70 to 120 g/m²: the ends have six layers, so stiffer paper does not lie down.',
  cautions: ['Keep small parts away from small children.'],
  fold,
  floor(sheet, { wallMm }) {
    const { b, on } = boxFrame(sheet, wallMm);
    return [on(-b, -b), on(b, -b), on(b, b), on(-b, b)];
  },
  sizes({ finished }, sheet, params, thicknessMm) {
    const { nominal, cavity, outer, layers } = measureFinished(finished, sheet, params, thicknessMm);
    return {
      cavity: { kind: 'box', ...cavity },
      outer,
      lengths: [
        { name: 'base between creases', mm: nominal.baseMm },
        { name: 'walls between creases', mm: nominal.wallMm },
      ],
      layers: [
        { name: 'thickest', count: Math.max(layers.floor, layers.sides, layers.ends) },
        { name: 'floor', count: layers.floor },
        { name: 'sides', count: layers.sides },
        { name: 'ends', count: layers.ends },
      ],
    };
  },
};
