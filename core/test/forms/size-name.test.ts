import { entriesOf, foretell, FORMS, formById, sizeNameOf } from '../../src/index';
import { sheetOf } from './made';

describe('what a size is called', () => {
  it.each(FORMS.map(({ id }) => id))(
    '%s: every size that it foretells has a name, or is known to only decide',
    (id) => {
      const sizes = foretell({ formId: id, params: {}, entries: entriesAt(id) }, 0.3);
      const names = Object.keys(sizes).map((size) => sizeNameOf(id, {}, size));
      const told = names.filter((name) => name !== null);
      expect(told.some(({ inside }) => inside)).toBe(true);
      expect(told.filter(({ inside }) => !inside)).toHaveLength(3 * entriesOf(formById(id), {}).length);
      expect(new Set(told.map(({ entry, size }) => `${entry} ${size}`)).size).toBe(told.length);
    },
  );

  it('tells a lid from its tray, and the second room of a kind from the first', () => {
    const lidded = { lid: 'eared' };
    const tray = 'square-tray-and-eared-lid';
    expect(sizeNameOf(tray, lidded, 'lid/box.depthMm')).toEqual({
      entry: 'Lid with ears',
      size: 'Inside, deep',
      inside: true,
    });
    expect(sizeNameOf(tray, lidded, 'tray/box-2.depthMm')?.size).toBe('Inside, deep, room 2');
    expect(sizeNameOf(tray, lidded, 'lid/outer.heightMm')?.inside).toBe(false);
  });

  it.each(['lid/box.depthMm', 'tray/barrel.depthMm', 'tray/box.constructor', 'tray/outer.toString', 'tray', '', '/.'])(
    'is nothing for “%s”, which a tray without a lid does not have',
    (key) => expect(sizeNameOf('square-tray-and-eared-lid', {}, key)).toBeNull(),
  );

  it('is nothing for a form that is not here', () =>
    expect(sizeNameOf('constructor', {}, 'tray/box.depthMm')).toBeNull());
});

/** The entries of a form at its usual parameters, a lid from the next larger sheet. */
const entriesAt = (id: string) =>
  Object.fromEntries(
    entriesOf(formById(id), {}).map(({ key }) => [
      key,
      { sheet: sheetOf(id, key.startsWith('lid') ? 250 : 240), thicknessMm: 0.1 },
    ]),
  );
