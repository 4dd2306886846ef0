import { BOX } from './box';
import { CORNER } from './corner';
import { HOLDER } from './holder';
import { HULL } from './hull';
import { POCKET } from './pocket';
import { POUCH } from './pouch';
import { TRIANGLE } from './triangle';
import { EIGHT_SIDED } from './eight-sided';
import { TUNNEL } from './tunnel';
import { TWIN_HULL } from './twin-hull';
import { HAT } from './hat';
import { GUTTER } from './gutter';
import { CATCH } from './catch';
import { TUBES } from './tubes';
import { PANEL } from './panel';
import { OCTAGON } from './octagon';
import { HEART } from './heart';
import type { RoomKind } from './room-kind';

/** All kinds of room that a form of the shelf has. */
export const ROOM_KINDS: readonly RoomKind[] = [
  BOX,
  POCKET,
  CORNER,
  HULL,
  POUCH,
  HOLDER,
  TRIANGLE,
  EIGHT_SIDED,
  TUNNEL,
  TWIN_HULL,
  HAT,
  GUTTER,
  CATCH,
  TUBES,
  PANEL,
  OCTAGON,
  HEART,
];

const byId = new Map(ROOM_KINDS.map((kind) => [kind.id, kind]));

/** @throws RangeError for a kind that is not among them */
export function roomKindById(id: string): RoomKind {
  const kind = byId.get(id);
  if (!kind) throw new RangeError(`No kind of room is called “${id}”.`);
  return kind;
}
