import { ROOM_KINDS } from '../rooms/all-rooms';
import type { Holds, RoomKind } from '../rooms/room-kind';
import { FORMS } from './all-forms';
import type { Form, Piece } from './form';

/** Forms, their pieces and the kinds of rooms that these have, to be looked up by name. */
export class Shelf {
  private readonly formsById: ReadonlyMap<string, Form>;
  private readonly piecesById: ReadonlyMap<string, Piece>;
  private readonly kindsById: ReadonlyMap<string, RoomKind>;

  /** @throws RangeError when two pieces or two kinds are called the same */
  constructor(
    readonly forms: readonly Form[],
    kinds: readonly RoomKind[],
  ) {
    this.formsById = byId(forms);
    this.piecesById = byId(forms.flatMap((form): readonly Piece[] => [form, ...(form.pieces ?? [])]));
    this.kindsById = byId(kinds);
  }

  /** The same with a form and kinds of rooms that it needs. */
  with(form: Form, kinds: readonly RoomKind[] = []): Shelf {
    return new Shelf([...this.forms, form], [...this.kindsById.values(), ...kinds]);
  }

  has(id: string): boolean {
    return this.formsById.has(id);
  }

  hasKind(id: string): boolean {
    return this.kindsById.has(id);
  }

  /** @throws RangeError for a form that is not among them */
  form(id: string): Form {
    return known(this.formsById, id, 'form');
  }

  /** @throws RangeError for a piece that is not among them */
  piece(id: string): Piece {
    return known(this.piecesById, id, 'piece');
  }

  /** @throws RangeError for a kind of room that is not among them */
  roomKind(id: string): RoomKind {
    return known(this.kindsById, id, 'kind of room');
  }

  /** What kinds of things a form holds: all that its rooms do. */
  holdsOf(form: Form): readonly Holds[] {
    return [...new Set(form.rooms.flatMap((id) => this.roomKind(id).holds))];
  }
}

function byId<T extends { readonly id: string }>(all: readonly T[]): ReadonlyMap<string, T> {
  const map = new Map(all.map((one) => [one.id, one]));
  if (map.size < all.length) throw new RangeError('Two of them are called the same.');
  return map;
}

function known<T>(map: ReadonlyMap<string, T>, id: string, what: string): T {
  const found = map.get(id);
  if (!found) throw new RangeError(`No ${what} is called “${id}”.`);
  return found;
}

/** Everything on the shelf. */
export const SHELF = new Shelf(FORMS, ROOM_KINDS);

/** A form of the shelf by its id. @throws RangeError for a form that is not on it */
export const formById = (id: string): Form => SHELF.form(id);
