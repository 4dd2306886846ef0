import type { Hand } from '../../folding/hand';
import { flatExtent } from '../../folding/layers-at';
import { type Pose, whereIs } from '../../folding/pose';
import { mostLayers } from '../../folding/stack-depth';
import type { ShownUnit } from '../../measure/format-length';
import { distance, lineThrough, type Point, sideOf } from '../../measure/point';
import type { Sheet } from '../../paper/sheet';
import type { Folding, Form } from '../form';
import { choice, sought } from '../choice';
import { POCKET } from '../../rooms/pocket';
import { recordSteps } from '../record-steps';
import { tipWords, unsealed, WRAP_USE, wrapWords } from './words';
import { cardWrapParams, type CardWrapParams, sizeOf, longRange, shortRange, wrapOf } from './layout';

function fold(hand: Hand, sheet: Sheet, params: CardWrapParams, unit?: ShownUnit): Folding {
  const wrap = wrapOf(sheet, params);
  const { corners, centre } = wrap;
  const { widthMm, heightMm } = sizeOf(sheet);
  const { steps, uses, step, use } = recordSteps(hand);
  const diagonal = params.layout === 'diagonal';
  // Where each flap is taken hold of: a corner of the sheet, or the middle of an edge.
  const grips: readonly Point[] = diagonal
    ? [
        { x: widthMm, y: 0 },
        { x: 0, y: heightMm },
        { x: widthMm, y: heightMm },
        { x: 0, y: 0 },
      ]
    : [
        { x: centre.x, y: 0 },
        { x: centre.x, y: heightMm },
        { x: widthMm, y: centre.y },
        { x: 0, y: centre.y },
      ];
  const edges = [
    [corners[0], corners[1]],
    [corners[3], corners[2]],
    [corners[1], corners[2]],
    [corners[0], corners[3]],
  ] as const;
  const words = wrapWords(params.layout, wrap.overlap, unit);
  let open: Pose | undefined;
  let opened = hand.remembered();
  (['first', 'second', 'third', 'fourth'] as const).forEach((name, k) => {
    const [a, b] = edges[k];
    step(
      words[name],
      {
        creases: [`${name} flap`],
        arrows: [{ kind: 'fold', grip: grips[k] }],
        landmarks: k === 0 ? [{ point: centre, name: 'card' }] : [],
        lying: k === 0 ? corners : undefined,
      },
      () =>
        hand.valley(`${name} flap`, {
          kind: 'through-points',
          a: hand.at(a),
          b: hand.at(b),
          moving: hand.at(grips[k]),
        }),
    );
    if (k === 2) {
      open = hand.pose;
      opened = hand.remembered();
    }
  });
  const inward = (k: number): number => {
    const line = lineThrough(hand.at(edges[k][0]), hand.at(edges[k][1]));
    return Math.abs(sideOf(line, hand.at(grips[k])));
  };
  const tips: number[] = [];
  // A flap longer than the card is wide shows its tip beyond the far edge: it is folded under there.
  [0, 1, 2, 3].forEach((k) => {
    const across = k < 2 ? wrap.short : wrap.long;
    if (!diagonal || !hand.decide(() => inward(k) > across + 1e-9 * widthMm)) return;
    tips.push(k);
    const far = edges[k < 2 ? 1 - k : 5 - k];
    step(tipWords(k, false), { creases: [`tip ${k + 1}`], arrows: [{ kind: 'fold-behind', grip: grips[k] }] }, () =>
      hand.mountain(
        `tip ${k + 1}`,
        { kind: 'through-points', a: hand.at(far[0]), b: hand.at(far[1]), moving: hand.at(grips[k]) },
        { flap: grips[k] },
      ),
    );
  });
  const closed = hand.remembered();
  // Tips that are folded under stay so while it is opened, which no earlier state shows.
  use(WRAP_USE.opened, { arrows: [{ kind: 'unfold', grip: grips[3] }] }, tips.length ? undefined : [closed, opened]);
  use(WRAP_USE.kept, { arrows: [{ kind: 'fold', grip: grips[3] }] }, tips.length ? undefined : [opened, closed]);
  // The seam is closed last, whatever comes last: that is known when all is folded.
  const last = tips.at(-1);
  const said =
    last === undefined
      ? steps
      : steps.map((one) => {
          if (one.id === words.fourth.id) return { ...one, ...unsealed(words.fourth) };
          return one.id === tipWords(last, true).id ? { ...one, ...tipWords(last, true) } : one;
        });
  return { steps: said, uses, finished: hand.pose, open };
}

/** A wrap for a flat card from whatever sheet there is, the card itself being the ruler. */
export const cardWrap: Form<CardWrapParams> = {
  id: 'card-template-wrap',
  name: 'Card wrap',
  family: 'envelopes and wraps',
  use: 'Any flat rectangular thing in any sheet that covers it: the thing itself shows where to fold.',
  sheetShape: {
    longPerShort: [1, 1.3],
    lies: 'across',
    why: 'on longer sheets the tips pass the far edge and have to be trimmed; cut the sheet shorter.',
  },
  leastSheetMm: 90,
  params: cardWrapParams,
  fields: [
    sought(
      choice(
        'layout',
        'Card on the sheet',
        'Cornerwise needs the least paper for squarish cards; square-on suits long ones.',
        { diagonal: 'Cornerwise', 'square-on': 'Square-on' },
      ),
    ),
    {
      key: 'longMm',
      label: 'Card’s long side',
      why: 'With its thickness and 2 mm of ease, so that it comes out again.',
      input: {
        kind: 'length',
        folded: 'The largest card that this sheet wraps',
        always: true,
        range: longRange,
      },
    },
    {
      key: 'shortMm',
      label: 'Card’s short side',
      why: 'Neighbouring flaps overlap by what the sheet has to spare here.',
      input: {
        kind: 'length',
        folded: 'The largest card that this sheet wraps',
        always: true,
        range: shortRange,
      },
    },
  ],
  rooms: ['pocket'],
  closure: () => ({ kind: 'glued', words: 'tape, a sticker or a seal over the last seam' }),
  adhesive: () => 'needed',
  fixedLengths: true,
  cuts: () => 'none',
  skill: 1,
  minutes: 4,
  papers: '60 to 120 g/m², also printed sheets and old maps.',
  ceiling: { mm: 600, why: 'the wrap slides off what it is folded round' },
  cautions: [],
  fold,
  sizes({ finished }, sheet, params, thicknessMm) {
    const { corners } = wrapOf(sheet, params);
    const { widthMm, heightMm } = sizeOf(sheet);
    const placed = corners.map((p) => whereIs(finished, p));
    const most = mostLayers(finished);
    const [width, height] = [distance(placed[0], placed[1]), distance(placed[1], placed[2])];
    const { widthMm: outerWidth, heightMm: outerHeight } = flatExtent(finished);
    const turned = params.layout === 'diagonal';
    // One raw edge lies on two neighbouring flaps, as two parallel lines: what lies between them is the overlap. It is read
    // off beside the two creases that part the flaps, for a tip may be folded under.
    const seam = (edge: (along: number) => Point, long: number, [foot, high]: readonly [number, number]): number => {
      const beside = (share: number): Point => whereIs(finished, edge((foot - high) * (1 - share)));
      const [a, b] = [beside(0.1), beside(0.2)];
      const other = foot + high + 0.1 * (long - foot - high);
      return Math.abs(sideOf(lineThrough(a, b), whereIs(finished, edge(other))));
    };
    const lowest = corners.reduce((least, p) => (p.y < least.y ? p : least));
    const leftmost = corners.reduce((least, p) => (p.x < least.x ? p : least));
    const seams = (): readonly number[] => [
      seam((x) => ({ x, y: 0 }), widthMm, [lowest.x, lowest.y]),
      seam((y) => ({ x: 0, y }), heightMm, [leftmost.y, leftmost.x]),
    ];
    const ends = [
      { x: widthMm / 2, y: 0 },
      { x: widthMm / 2, y: heightMm },
    ].map((p) => whereIs(finished, p));
    return {
      rooms: [POCKET.of({ widthMm: width, heightMm: height }, placed)],
      outer: {
        lengthMm: turned ? width : outerWidth,
        widthMm: turned ? height : outerHeight,
        heightMm: most * thicknessMm,
      },
      lengths: turned
        ? [{ name: 'flaps over each other, at the tightest seam', mm: Math.min(...seams()) }]
        : [{ name: 'long flaps over each other', mm: Math.abs(ends[0].y - ends[1].y) }],
      layers: [{ name: 'thickest', count: most }],
    };
  },
};
