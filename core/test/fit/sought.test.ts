import { atOnce, foldAnew, measure, type ParamField, paramsAt, SHELF, waysOf } from '../../src/index';
import { fitting } from './usual-options';

/** Values of a choice that is not searched, as far apart as they go. */
function valuesOf({ input }: ParamField): readonly unknown[] {
  if (input.kind === 'length' || ('sought' in input && input.sought)) return [];
  return input.kind === 'choice' ? input.options.map(({ value }) => value) : [input.min, input.max];
}

/**
 * Choices of their own, that no search may make for the sake of paper: how a bag is closed, how far a boat is pulled and spread, how
 * steep a track runs, how a lip springs.
 */
const CHOSEN = [
  ...['gusseted-bag pleats', 'gusseted-bag pleatMm', 'gusseted-bag top'],
  ...['hat-boat pullDeg', 'hat-boat spread'],
  ...['bead-track mark', 'bead-track-straight body', 'bead-catch-tray lipDeg'],
];

describe('what a search leaves as it is', () => {
  it.each(SHELF.forms.map((form) => [form.id, form] as const))('of %s does not change its room', (id, form) => {
    const [way] = waysOf(form);
    const [{ folded, lengths }] = atOnce(fitting.knowing(way));
    const base = paramsAt(way, lengths);
    for (const field of form.fields) {
      const rooms = valuesOf(field).map((value) => {
        const piece = foldAnew(form, folded.size, { ...base, [field.key]: value });
        return measure(piece, 0.1).rooms[0].sizes;
      });
      const same = rooms.every((room) =>
        Object.entries(room).every(([key, mm]) => Math.abs(mm - rooms[0][key]) < 1e-6),
      );
      expect({ field: field.key, same }).toEqual({ field: field.key, same: !CHOSEN.includes(`${id} ${field.key}`) });
    }
  });
});
