import { entriesOf } from './made-make';
import { SHELF, type Shelf } from './shelf';
import { OUTER_NAMES } from './sizes-told';

/** What a size of a make is called, and of which of its entries it is. */
export interface SizeName {
  readonly entry: string;
  readonly size: string;
  /** Of a room: worth measuring. The outside follows from it. */
  readonly inside: boolean;
}

/**
 * The name of a size by its key, as in `lid/box.depthMm`.
 * @returns null for one that only decides and is not told, and for what this form does not have
 */
export function sizeNameOf(formId: string, params: unknown, key: string, shelf: Shelf = SHELF): SizeName | null {
  const [, entryKey, room, size] = /^([^/]+)\/([^.]+)\.(.+)$/.exec(key) ?? [];
  if (size === undefined || !shelf.has(formId)) return null;
  const entry = entriesOf(shelf.form(formId), params).find((one) => one.key === entryKey);
  if (!entry) return null;
  if (room === 'outer') {
    const outer: Readonly<Record<string, string>> = OUTER_NAMES;
    return Object.hasOwn(outer, size) ? { entry: entry.name, size: outer[size], inside: false } : null;
  }
  const [kind, n] = numbered(room);
  if (!shelf.hasKind(kind)) return null;
  const names: Readonly<Record<string, string | undefined>> = shelf.roomKind(kind).names;
  const name = Object.hasOwn(names, size) ? names[size] : undefined;
  return name === undefined ? null : { entry: entry.name, size: n > 1 ? `${name}, room ${n}` : name, inside: true };
}

/** A kind of room, and which of its kind: the second box is `box-2`. */
function numbered(room: string): readonly [string, number] {
  const [, kind, n] = /^(.*?)(?:-(\d+))?$/.exec(room)!;
  return [kind, n ? Number(n) : 1];
}
