import * as fc from 'fast-check';
import {
  carriedG,
  alone,
  BOX,
  CORNER,
  demandsOn,
  EASES,
  HULL,
  POCKET,
  POUCH,
  roomKind,
  type Room,
  type RoomKind,
  roomKindById,
  easeMm,
  type EaseId,
  FINGER_MM,
  type Fit,
  type FitOptions,
  fitOf,
  heapShare,
  hullOf,
  LOADED_SHARE,
  parsePurpose,
  POCKET_EASE_MM,
  prepare,
  type Purpose,
  volumeOf,
} from '../../src/index';

const usual: FitOptions = { ease: 'easy', turning: 'upright', fingerRoom: false, gsm: 80 };
const SHEET_MM2 = 200 * 200;

/** Kinds that no form of the shelf has yet, each made up in one object: a slot for a strap, a track for a ball. */
const SLOT = roomKind('slot', ['widthMm', 'gapMm'], {
  names: { widthMm: 'Slot, wide', gapMm: 'Slot, high' },
  holds: [],
  demands({ purpose, options }) {
    const { demand } = demandsOn<'widthMm' | 'gapMm'>();
    if (purpose.kind !== 'strap') return null;
    return alone(
      demand('slot, wide', ({ widthMm }) => widthMm, purpose.widthMm + EASES[options.ease].mm),
      demand('slot, high', ({ gapMm }) => gapMm, purpose.thickMm),
    );
  },
});
const TRACK = roomKind('track', ['widthMm', 'depthMm'], {
  names: { widthMm: 'Track, wide', depthMm: 'Track, deep' },
  holds: [],
  demands({ purpose, options }) {
    const { demand } = demandsOn<'widthMm' | 'depthMm'>();
    if (purpose.kind !== 'bead') return null;
    return alone(
      demand('track, wide', ({ widthMm }) => widthMm, purpose.diameterMm + EASES[options.ease].mm),
      // A wall up to the ball's middle keeps it on the track.
      demand('track, deep', ({ depthMm }) => depthMm, purpose.diameterMm / 2),
    );
  },
});

const kindOf = ({ kind }: Room): RoomKind => [SLOT, TRACK].find(({ id }) => id === kind) ?? roomKindById(kind);

function fit(purpose: Purpose | string, room: Room, options = usual): Fit | null {
  const prepared = prepare(typeof purpose === 'string' ? parsePurpose(purpose) : purpose, options);
  const ways = kindOf(room).demands(prepared);
  return ways?.length ? fitOf(ways, { room, sheetAreaMm2: SHEET_MM2, mostMl: () => 100 }) : null;
}
const spare = (purpose: Purpose | string, room: Room, options = usual): number =>
  fit(purpose, room, options)!.leastShare;

const side = fc.double({ min: 10, max: 150, noNaN: true });
const ease = fc.constantFrom<EaseId>('snug', 'easy', 'loose');
const block = fc.tuple(side, side, side);
const text = ([a, b, c]: readonly number[]): string => `${a} x ${b} x ${c}`;
const box = (a: number, b: number, c: number) => BOX.of({ lengthMm: a, widthMm: b, depthMm: c });
const pocket = (widthMm: number, heightMm: number) => POCKET.of({ widthMm, heightMm });
const hull = (size: number) =>
  HULL.of({
    floorLengthMm: size,
    floorWidthMm: size / 2,
    sideMm: size / 4,
    tipMm: size / 3,
    rimLengthMm: 1.2 * size,
    rimWidthMm: 0.6 * size,
    overallMm: 1.5 * size,
    sideThickMm: 0,
    deckMm: 0,
  });

describe('what fits in a box', () => {
  it('a block fits exactly when each side with its ease does, the two of its footprint either way round', () =>
    fc.assert(
      fc.property(block, block, ease, (thing, [p, q, r], kind) => {
        const [a, b, c] = thing.map((mm) => mm + easeMm(mm, kind));
        const byHand = r >= c && ((p >= a && q >= b) || (p >= b && q >= a));
        const least = spare(text(thing), box(p, q, r), { ...usual, ease: kind });
        if (Math.abs(least) > 1e-9) expect(least > 0).toBe(byHand);
        expect(spare(text(thing), box(q, p, r), { ...usual, ease: kind })).toBeCloseTo(least, 12);
      }),
    ));

  it('laid on any side it fits when it does one way up at least', () =>
    fc.assert(
      fc.property(block, block, (thing, room) => {
        const [a, b, c] = thing;
        const ways = [
          [a, b, c],
          [a, c, b],
          [b, c, a],
        ].map((way) => spare(text(way), box(room[0], room[1], room[2])));
        const turned = spare(text(thing), box(room[0], room[1], room[2]), { ...usual, turning: 'any' });
        expect(turned).toBeCloseTo(Math.max(...ways), 9);
      }),
    ));

  it('the sums of its needs are told by their parts', () =>
    fc.assert(
      fc.property(block, ease, (thing, kind) => {
        for (const { need, terms } of fit(text(thing), box(90, 80, 70), { ...usual, ease: kind })!.needs)
          expect(terms!.reduce((sum, { value }) => sum + value, 0)).toBeCloseTo(need, 9);
      }),
    ));

  it('more room is never worse, and a larger thing never better', () =>
    fc.assert(
      fc.property(block, block, fc.double({ min: 0, max: 30, noNaN: true }), (thing, [p, q, r], more) => {
        const least = spare(text(thing), box(p, q, r));
        expect(spare(text(thing), box(p + more, q, r))).toBeGreaterThanOrEqual(least - 1e-12);
        expect(spare(text(thing), box(p, q, r + more))).toBeGreaterThanOrEqual(least - 1e-12);
        expect(spare(text(thing.map((mm) => mm + more)), box(p, q, r))).toBeLessThanOrEqual(least + 1e-12);
      }),
    ));
});

describe('what is poured', () => {
  it('fills a box level: so many more pieces, so much more depth', () =>
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 900 }), fc.integer({ min: 2, max: 12 }), (count, mm) => {
        const purpose = parsePurpose(`${count} loose dice ${mm} x ${mm} x ${mm}`);
        const depth = fit(purpose, box(60, 50, 40))!.needs.find(({ name }) => name.startsWith('depth'))!;
        const thing = { shape: 'block', lengthMm: mm, widthMm: mm, heightMm: mm } as const;
        const level = (count * volumeOf(thing)) / heapShare(thing) / (60 * 50);
        expect(depth.need).toBeCloseTo(Math.max(level, mm + easeMm(mm, 'easy')), 9);
      }),
    ));

  it('is no heap of anything but pieces: a heap holds air too', () => {
    for (const one of ['marble ø16', 'washer ø10 x 1', 'dice 16 x 16 x 16', 'nail 60 x 3 x 3']) {
      const purpose = parsePurpose(one);
      if (purpose.kind !== 'hold') throw new Error('A thing.');
      expect(heapShare(purpose.pieces[0].thing)).toBeGreaterThan(0.4);
      expect(heapShare(purpose.pieces[0].thing)).toBeLessThan(0.75);
    }
  });
});

describe('what lies flat', () => {
  it('takes its thickness off a pocket both ways, and leaves the ease of its kind', () =>
    fc.assert(
      fc.property(fc.integer({ min: 40, max: 150 }), fc.integer({ min: 40, max: 150 }), ease, (a, b, kind) => {
        const need = (name: string): number =>
          fit(`card ${a} x ${b}`, pocket(a + 20, b + 20), { ...usual, ease: kind })!.needs.find(
            (one) => one.name === name,
          )!.need;
        expect(need('pocket, wide') + need('pocket, high')).toBeCloseTo(a + b + 2 * (0.3 + POCKET_EASE_MM[kind]), 9);
      }),
    ));

  it('needs room for fingers across, not along, when it must come out again', () => {
    const needs = (fingerRoom: boolean): number[] =>
      fit('card 100 x 60', pocket(120, 80), { ...usual, fingerRoom })!.needs.map(({ need }) => need);
    const [without, fingers] = [needs(false), needs(true)];
    expect(fingers[0] - without[0]).toBeCloseTo(FINGER_MM, 12);
    expect(fingers.slice(1)).toEqual(without.slice(1));
  });

  it('no pocket holds what is thicker than a flat thing', () =>
    fc.assert(
      fc.property(fc.double({ min: 10.1, max: 60, noNaN: true }), (mm) =>
        expect(fit(`${mm} x ${mm + 20} x ${mm + 5}`, pocket(500, 500))).toBeNull(),
      ),
    ));
});

describe('what floats, runs, and marks', () => {
  it('a boat carries what the water pushed aside weighs, less its own paper', () =>
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 300 }), fc.integer({ min: 60, max: 200 }), (size, gsm) => {
        const boat = hull(size);
        const { sizes } = boat;
        const carried = fit('load 5 g', boat, { ...usual, gsm })!.needs[0];
        expect(carried.have).toBeCloseTo(
          carriedG(hullOf(boat), LOADED_SHARE * sizes.sideMm) - gsm * SHEET_MM2 * 1e-6,
          9,
        );
        // A hull of four slanting sides holds more than its floor straight up, and less than its rim straight down.
        const height = LOADED_SHARE * sizes.sideMm;
        const water = carriedG(hullOf(boat), height) / 0.001;
        expect(water).toBeGreaterThan(0.5 * sizes.floorLengthMm * sizes.floorWidthMm * height);
        expect(water).toBeLessThan(sizes.overallMm * sizes.rimWidthMm * height);
      }),
    ));

  it('a higher load is less steady', () => {
    const steady = (mm: number): number => fit(`load 20 g, centre at ${mm} mm`, hull(150))!.needs[2].have;
    expect(steady(5)).toBeGreaterThan(steady(20));
    expect(steady(20)).toBeGreaterThan(steady(60));
  });

  it('a thicker bundle of pages needs a deeper corner by half of what it is thicker', () => {
    const corner = CORNER.of({ legMm: 90, depthMm: 40 });
    const grip = (mm: number): number => fit(`pages ${mm} mm`, corner)!.needs[0].need;
    expect(grip(5) - grip(1)).toBeCloseTo(2, 9);
  });

  it('each kind of purpose is answered by its own kinds of room, and by no others', () => {
    const rooms: Readonly<Record<string, Room>> = {
      box: box(90, 80, 70),
      pocket: pocket(120, 90),
      hull: hull(150),
      pouch: POUCH.of({ mouthMm: 90, bottomMm: 60, depthMm: 80 }),
      slot: SLOT.of({ widthMm: 40, gapMm: 4 }),
      track: TRACK.of({ widthMm: 20, depthMm: 12 }),
    };
    const answered = (purpose: string): string[] =>
      Object.keys(rooms).filter((kind) => fit(purpose, rooms[kind]) !== null);
    expect(answered('40 x 30 x 20')).toEqual(['box', 'hull']);
    expect(answered('card 60 x 40')).toEqual(['box', 'pocket', 'pouch']);
    expect(answered('50 ml')).toEqual(['pouch']);
    expect(answered('60 beads ø5')).toEqual(['box', 'pouch']);
    expect(answered('load 20 g')).toEqual(['hull']);
    expect(answered('strap 25 x 2')).toEqual(['slot']);
    expect(answered('bead 8')).toEqual(['track']);
    expect(answered('pages 3 mm')).toEqual([]);
  });

  it('straps and balls are held against rooms of their own kind, to the tenth of a millimetre', () => {
    const least = (purpose: string, room: Room): number => fit(purpose, room)!.leastShare;
    expect(least('strap 25 x 2', SLOT.of({ widthMm: 26.5, gapMm: 3 }))).toBeGreaterThanOrEqual(0);
    expect(least('strap 25 x 2', SLOT.of({ widthMm: 26.4, gapMm: 3 }))).toBeLessThan(0);
    expect(least('bead 8', TRACK.of({ widthMm: 12, depthMm: 4 }))).toBeGreaterThanOrEqual(0);
    expect(least('bead 8', TRACK.of({ widthMm: 12, depthMm: 3.9 }))).toBeLessThan(0);
  });

  it('a room is read from data by its kind, and refused when a size is missing', () => {
    expect(BOX.schema.parse(JSON.parse(JSON.stringify(box(9, 8, 7))))).toEqual(box(9, 8, 7));
    expect(() => BOX.schema.parse({ kind: 'box', sizes: { lengthMm: 9, widthMm: 8 } })).toThrow('depthMm');
    expect(() => BOX.schema.parse(pocket(9, 8))).toThrow();
    expect(() => roomKindById('constructor')).toThrow('No kind of room');
  });
});
