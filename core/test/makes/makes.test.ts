import * as fc from 'fast-check';
import {
  boundsOf,
  assemblyScene,
  BOX,
  byItself,
  type EaseId,
  entriesOf,
  entriesSized,
  Fitting,
  foldMake,
  FORMS,
  formById,
  meeting,
  NO_WISHES,
  othersFor,
  isSized,
  isSoft,
  leastPlay,
  make,
  type MadeMake,
  paperOf,
  parsePurpose,
  playOf,
  PLAY_MM,
  proveState,
  RULERS,
  SHELF,
  sideOfFace,
  type SizedForm,
  sizeFor,
  type SizeOptions,
} from '../../src/index';
import { runs, someOf } from '../runs';
import { expectPaper, paperOf as paperIn } from '../paper-laws';
import { sheetOf } from '../forms/made';
import { fitting, USUAL } from '../fit/usual-options';
import { COVERS, madeUpFolder } from './folder-and-strap';

const TRAY = 'square-tray-and-eared-lid';

const options: fc.Arbitrary<SizeOptions> = fc.record({
  ease: fc.constantFrom<EaseId>('snug', 'easy', 'loose'),
  ruler: fc.constantFrom('mm', 'half-mm', 'eighth-inch'),
  thicknessMm: fc.double({ min: 0.05, max: 0.25, noNaN: true }),
  turning: fc.constant('upright'),
  fingerRoom: fc.constant(false),
  gsm: fc.constant(80),
  confidence: fc.constant(null),
  handMm: fc.constant(0.3),
});
const block = fc.tuple(
  fc.integer({ min: 15, max: 120 }),
  fc.integer({ min: 15, max: 120 }),
  fc.integer({ min: 5, max: 50 }),
);

function sized(text: string, given: SizeOptions, shelf = fitting, id = TRAY): SizedForm {
  const one = sizeFor(shelf, id, parsePurpose(text), given);
  if (!isSized(one)) throw new Error('It has sheets.');
  return one;
}

/** The make of an answer, with the sheet of one entry smaller by so much. */
function folded(answer: SizedForm, thicknessMm: number, less: Readonly<Record<string, number>> = {}): MadeMake {
  const entries = Object.fromEntries(
    entriesSized(answer).map(({ key, sheet, params }) => {
      const mm = less[key] ?? 0;
      return [key, { sheet: { widthMm: sheet.widthMm - mm, heightMm: sheet.heightMm - mm }, thicknessMm, params }];
    }),
  );
  return foldMake({ formId: answer.formId, params: answer.make, entries });
}

const areaOf = ({ sheet: { widthMm, heightMm } }: { sheet: { widthMm: number; heightMm: number } }): number =>
  widthMm * heightMm;

describe('a lid over its base, sized from one purpose', () => {
  const cover = fc.constantFrom('plain' as const, 'eared' as const);

  it('slides over with its play; from a sheet one mark smaller it does not', () =>
    fc.assert(
      fc.property(block, options, cover, ([a, b, c], given, lid) => {
        const answer = sized(`${a} x ${b} x ${c}`, { ...given, wishes: { lid, nested: 1 } });
        expect(answer.others.map(({ key }) => key)).toEqual(['lid']);
        const { entries, assembly } = folded(answer, given.thicknessMm);
        const [tray, top] = [entries.get('tray')!, entries.get('lid')!];
        expect(leastPlay(playOf(top.sizes, tray.sizes))).toBeGreaterThanOrEqual(PLAY_MM[given.ease] - 1e-9);
        expect(assembly.joints).toMatchObject([{ kind: 'over' }]);
        const { stepMm } = RULERS[given.ruler];
        const smaller = answer.others[0].sheet.widthMm - stepMm;
        if (smaller < 60) return;
        for (const { misses } of answer.others[0].tried) if (misses) expect(misses.have).toBeLessThan(misses.need);
        if (answer.others[0].lengths.length) return;
        const params = answer.others[0].params;
        const less = make('square-tray-lid', { sheet: { widthMm: smaller, heightMm: smaller }, params, paper: given });
        expect(leastPlay(playOf(less.sizes, tray.sizes))).toBeLessThan(PLAY_MM[given.ease]);
      }),
      { numRuns: runs(6, 60) },
    ));

  it('is as large as its fact sheet has it: eight layers and the play more between creases, on either side of the jump', () =>
    fc.assert(
      fc.property(fc.integer({ min: 90, max: 260 }), fc.double({ min: 0.05, max: 0.2, noNaN: true }), (mm, t) => {
        // Walls under and over half the base: from there on gussets reach past each other.
        for (const [share, layers] of [
          [0.12, 8],
          [0.21, 14],
        ]) {
          const sheet = (of: number) => ({ sheet: { widthMm: of, heightMm: of }, thicknessMm: t });
          const wallMm = share * mm;
          const over = (lidMm: number): number => {
            const { entries } = foldMake({
              formId: TRAY,
              params: { lid: 'eared', wallMm },
              entries: { tray: sheet(mm), lid: sheet(lidMm) },
            });
            return leastPlay(playOf(entries.get('lid')!.sizes, entries.get('tray')!.sizes));
          };
          // A sheet larger by √2 for each mm between creases, the walls being as high as before.
          const needed = mm + Math.SQRT2 * layers * t;
          expect(over(needed + 0.01)).toBeCloseTo(0.01 / Math.SQRT2, 6);
          expect(() => over(needed - 0.01)).toThrow('too small');
        }
      }),
      { numRuns: runs(5, 60) },
    ));

  it('counts the paper of both, and is left out where nothing else closes', () => {
    const answer = sized('60 x 45 x 22', { ...USUAL, wishes: { lid: 'eared', nested: 1 } });
    expect(paperOf(answer)).toBe(areaOf(answer) + areaOf(answer.others[0]));
    const purpose = parsePurpose('60 x 45 x 22');
    const wished = { ...USUAL, wishes: { lid: 'plain', nested: 1 } } as const;
    expect(sizeFor(fitting, 'four-pointed-dish', purpose, wished)).toBeNull();
    expect(isSized(sizeFor(fitting, 'closing-cube', purpose, wished))).toBe(true);
  });

  it('is surer of the tray alone than of tray and lid', () => {
    const given = { ...USUAL, confidence: 0.9 };
    const alone = sized('60 x 45 x 22', given);
    const both = sized('60 x 45 x 22', { ...given, wishes: { lid: 'eared', nested: 1 } });
    expect(both.chance!).toBeLessThan(alone.chance!);
    expect(both.chance!).toBeGreaterThan(0.8);
  });
});

describe('trays in each other', () => {
  it('each stands in the next with its play and does not stand out of it; one mark less does not do', () =>
    fc.assert(
      fc.property(block, options, fc.integer({ min: 2, max: 4 }), ([a, b, c], given, nested) => {
        const answer = sized(`${a} x ${b} x ${c}`, { ...given, wishes: { lid: 'none', nested } });
        const made = folded(answer, given.thicknessMm);
        const all = [...made.entries.values()];
        expect(all).toHaveLength(nested);
        all.slice(1).forEach((outer, k) => {
          const inner = all[k];
          expect(leastPlay(playOf(outer.sizes, inner.sizes))).toBeGreaterThanOrEqual(PLAY_MM[given.ease] - 1e-9);
          const { depthMm } = BOX.schema.parse(outer.sizes.rooms[0]).sizes;
          expect(depthMm).toBeGreaterThanOrEqual(inner.sizes.outer.heightMm - 1e-9);
          for (const { misses } of answer.others[k].tried) if (misses) expect(misses.have).toBeLessThan(misses.need);
        });
        expect(made.assembly.joints.every(({ kind }) => kind === 'stands-in')).toBe(true);
      }),
      { numRuns: runs(4, 60) },
    ));

  it('are shown with each within the one around it, above its floor', () => {
    const answer = sized('60 x 45 x 22', { ...USUAL, wishes: { lid: 'none', nested: 3 } });
    const { piece, lifted } = assemblyScene(folded(answer, USUAL.thicknessMm).assembly);
    const rooms = [piece, ...lifted.map(({ skin }) => skin)].map((skin) =>
      boundsOf(skin.map(({ corners }) => corners)),
    );
    expect(rooms).toHaveLength(3);
    for (const [outer, inner] of [rooms.slice(0, 2), rooms.slice(1, 3)]) {
      expect(inner.low.z).toBeGreaterThan(outer.low.z);
      expect(inner.high.z).toBeLessThanOrEqual(outer.high.z + 1e-9);
      for (const axis of ['x', 'y'] as const) {
        expect(inner.low[axis]).toBeGreaterThan(outer.low[axis]);
        expect(inner.high[axis]).toBeLessThan(outer.high[axis]);
      }
    }
  });

  it('a tray for the middle that is a mark too small for the inner one is refused', () => {
    const answer = sized('60 x 45 x 22', { ...USUAL, wishes: { lid: 'none', nested: 2 } });
    expect(() => folded(answer, USUAL.thicknessMm, { 'tray-2': 3 })).toThrow('too small');
  });
});

describe('the make of every form', () => {
  it.each(someOf(FORMS, 10).map(({ id }) => id))(
    '%s: put together it is a valid folded state, with every lid and set',
    (id) => {
      const form = formById(id);
      for (const wishes of [NO_WISHES, { lid: 'plain', nested: 1 }, { lid: 'eared', nested: 2 }] as const) {
        const make = meeting(form, wishes);
        if (!make) continue;
        const sheet = sheetOf(id, 170);
        const others = othersFor(fitting, id, sheet, make, USUAL);
        if ('demands' in others) throw new Error('They have sheets.');
        const thicknessMm = USUAL.thicknessMm;
        const [{ key }] = entriesOf(form, make);
        const entries = Object.fromEntries(
          others.map((one) => [one.key, { sheet: one.sheet, params: one.params, thicknessMm }]),
        );
        const made = foldMake({ formId: id, params: make, entries: { ...entries, [key]: { sheet, thicknessMm } } });
        const proved = proveState(made.assembly.states.closed, made.assembly.joints);
        // All copies of all entries, less what was cut off when they were folded.
        const area = [...made.entries.values()].reduce(
          (sum, { entry, folding }) => sum + entry.copies * paperIn(folding.finished),
          0,
        );
        const whole = [{ sheet, copies: entriesOf(form, make)[0].copies }, ...others].reduce(
          (sum, one) => sum + one.copies * areaOf(one),
          0,
        );
        if (form.cuts(form.params.parse(make)) === 'none') expect(area / whole).toBeCloseTo(1, 9);
        expectPaper(proved.pose, area);
      }
    },
  );
});

describe('a soft piece', () => {
  it('is an assembly of one body: closed flat as it was folded, open in the shape that it has in use', () => {
    const cup = make('flat-folding-cup', {
      sheet: { widthMm: 170, heightMm: 170 },
      params: {},
      paper: { thicknessMm: 0.1 },
    });
    const work = formById('flat-folding-cup').opened!(cup.sizes);
    let step = work.next(false);
    while (!step.done) step = work.next(false);
    const { states, joints } = byItself({ entry: 'piece', copy: 0 }, cup.folding.finished, { open: step.value });
    expect(isSoft(states.open![0].shape)).toBe(true);
    expectPaper(proveState(states.closed, joints).pose, 170 * 170);
    // What is soft is drawn and measured, and proves nothing about layers.
    const scene = assemblyScene({ states, joints, steps: [] });
    expect(scene.open.patches.length).toBeGreaterThan(0);
    expect(scene.open.patches.length).not.toBe(scene.closed.patches.length);
  });
});

describe('a made-up form of two pieces with a made-up kind of room, one file', () => {
  const own = new Fitting(SHELF.with(madeUpFolder, [COVERS]));

  it('is sized, folded, put together and proved like any other', () => {
    const answer = sized('card 140 x 90', USUAL, own, 'made-up-folder');
    expect(COVERS.schema.parse(answer.room).sizes.widthMm).toBeGreaterThanOrEqual(90);
    expect(answer.others[0].sheet.widthMm).toBeGreaterThanOrEqual(answer.outer.lengthMm - 1e-9);
    const entries = Object.fromEntries(
      entriesSized(answer).map(({ key, sheet }) => [key, { sheet, thicknessMm: 0.1 }]),
    );
    const { assembly } = foldMake({ formId: 'made-up-folder', params: {}, entries }, 'mm', own.shelf);
    const proved = proveState(assembly.states.closed, assembly.joints);
    const strap = proved.faceOf({ body: { entry: 'strap', copy: 0 }, at: { x: 10, y: 2 } });
    const covers = proved.pose.pattern.faces.flatMap((_, f) => (f === strap ? [] : [f]));
    // Both covers have their white side to it.
    expect(covers.map((f) => sideOfFace(proved.pose.order, f, strap))).toEqual([1, 1]);
  });

  it('is unknown to the shelf', () => expect(() => SHELF.form('made-up-folder')).toThrow('No form is called'));
});
