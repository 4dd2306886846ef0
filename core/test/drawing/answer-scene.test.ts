import {
  answerDrawing,
  type Room,
  isSized,
  make,
  parsePurpose,
  sheetFor,
  sizeFor,
  type SizeOptions,
  formById,
} from '../../src/index';
import { fitting, USUAL } from '../fit/usual-options';

const options: SizeOptions = { ...USUAL, turning: 'any' };

/** An answer folded and drawn, once with its contents and once without. */
function drawn(formId: string, text: string) {
  const answer = sizeFor(fitting, formId, parsePurpose(text), options);
  if (!isSized(answer)) throw new Error('It has a sheet.');
  const { sheet, params, fit } = answer;
  const { folding, sizes } = make(formId, { sheet, params, paper: { thicknessMm: 0.1 } });
  const form = formById(formId);
  const floor = form.floor?.(sheetFor(form, sheet), form.params.parse(params));
  const scene = (room: Room, with_: boolean) =>
    answerDrawing(folding.finished, room, floor, with_ ? fit.arrangement : null);
  return { full: scene(sizes.rooms[0], true), empty: scene(sizes.rooms[0], false), fit };
}

describe('an answer with its contents', () => {
  it('shows every thing of a set in a pocket by its outline', () => {
    const { full, empty, fit } = drawn('tuck-flap-envelope', '4 tickets 105 x 74, one hex key 120 x 35 x 8');
    expect(fit.arrangement!.placements).toHaveLength(5);
    expect(full.lines.length - empty.lines.length).toBe(4 * 5);
    const { x, y, width, height } = empty.box;
    for (const { from, to } of full.lines)
      for (const p of [from, to]) {
        expect(p.x).toBeGreaterThanOrEqual(x - 1e-6);
        expect(p.x).toBeLessThanOrEqual(x + width + 1e-6);
        expect(p.y).toBeGreaterThanOrEqual(y - 1e-6);
        expect(p.y).toBeLessThanOrEqual(y + height + 1e-6);
      }
  });

  it('shows things standing in a box, within its outline', () => {
    const { full, empty } = drawn('square-tray-and-eared-lid', '4 dice 16 x 16 x 16');
    const things = full.patches.filter(({ side }) => side === 'thing');
    expect(things.length).toBeGreaterThanOrEqual(4);
    expect(full.box.width).toBeCloseTo(empty.box.width, 6);
  });
});
