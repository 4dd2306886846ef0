/** A stretch of work on a piece, and how long it is left alone afterwards: glue that dries, a book that presses. In minutes. */
export interface RunPart {
  readonly minutes: number;
  readonly waits: number;
}

/** A piece to be folded in a run: its parts follow each other. */
export interface RunPiece {
  readonly id: string;
  readonly parts: readonly RunPart[];
}

/** A time to fold in: from and to, in minutes of any clock. */
export interface Sitting {
  readonly from: number;
  readonly to: number;
}

/** A part where it is worked on: one that no sitting has room for is gone on with in the next. */
export interface RunSlot {
  readonly id: string;
  readonly part: number;
  readonly from: number;
  readonly to: number;
  readonly sitting: number;
}

export interface RunSchedule {
  readonly slots: readonly RunSlot[];
  /** When each piece is done, its last wait too; those that are not done in these sittings are missing. */
  readonly ends: ReadonlyMap<string, number>;
  /** When all of it is done; null where the sittings do not suffice. */
  readonly end: number | null;
  /** No order of work is done sooner: by the work there is, and by the piece that takes longest. Null where that is never. */
  readonly bound: number | null;
}

/** Shares of a minute that are lost in adding up. */
const NEAR = 1e-9;

interface Going {
  readonly piece: RunPiece;
  /** What is left from each part on, waits among it. */
  readonly tails: readonly number[];
  part: number;
  /** Of the part that it is at. */
  left: number;
  ready: number;
}

function goingOf(piece: RunPiece): Going {
  const tails: number[] = [];
  for (let k = piece.parts.length - 1, tail = 0; k >= 0; k--) {
    tail += piece.parts[k].minutes + piece.parts[k].waits;
    tails.unshift(tail);
  }
  return { piece, tails, part: 0, left: piece.parts[0]?.minutes ?? 0, ready: -Infinity };
}

/** When so much work is done at the soonest, in these sittings; null where they do not suffice. */
function capacityEnd(sittings: readonly Sitting[], minutes: number): number | null {
  let left = minutes;
  for (const { from, to } of sittings) {
    if (to - from >= left - NEAR) return from + left;
    left -= to - from;
  }
  return null;
}

/**
 * One pair of hands folds many pieces: of the parts that can be gone on with, always the one with the longest way to its end
 * (Graham's list scheduling by critical paths), so that what dries dries while others are folded.
 * @param pieces those that matter more first: of equals the first is folded first
 * @param sittings in order, none over another
 */
export function scheduleRun(pieces: readonly RunPiece[], sittings: readonly Sitting[]): RunSchedule {
  const going = pieces.filter(({ parts }) => parts.length).map(goingOf);
  const slots: RunSlot[] = [];
  const ends = new Map<string, number>();
  sittings.forEach(({ from, to }, sitting) => {
    let now = from;
    while (now < to - NEAR) {
      const open = going.filter(({ part, piece }) => part < piece.parts.length);
      if (!open.length) return;
      const room = to - now;
      const able = open.filter(
        // A part is not begun that is not done in this sitting, unless no sitting is long enough for it.
        ({ ready, left, piece, part }) =>
          ready <= now + NEAR && (left <= room + NEAR || piece.parts[part].minutes > to - from + NEAR),
      );
      if (!able.length) {
        const next = Math.min(...open.filter(({ left }) => left <= room + NEAR).map(({ ready }) => ready));
        if (!(next > now && next < to)) return;
        now = next;
        continue;
      }
      let best = able[0];
      for (const one of able) if (one.tails[one.part] > best.tails[best.part] + NEAR) best = one;
      const minutes = Math.min(best.left, room);
      slots.push({ id: best.piece.id, part: best.part, from: now, to: now + minutes, sitting });
      now += minutes;
      best.left -= minutes;
      if (best.left > NEAR) continue;
      const { waits } = best.piece.parts[best.part];
      best.ready = now + waits;
      best.part++;
      if (best.part < best.piece.parts.length) best.left = best.piece.parts[best.part].minutes;
      else ends.set(best.piece.id, best.ready);
    }
  });
  const work = going.reduce((sum, { piece }) => sum + piece.parts.reduce((all, { minutes }) => all + minutes, 0), 0);
  const longest = going.reduce((most, { tails }) => Math.max(most, tails[0]), 0);
  const capacity = capacityEnd(sittings, work);
  return {
    slots,
    ends,
    end: ends.size === going.length ? Math.max(-Infinity, ...ends.values()) : null,
    bound: capacity === null || !sittings.length ? null : Math.max(capacity, sittings[0].from + longest),
  };
}

/** Pieces that are not done until a moment: what to drop, so that the rest is. */
export const notDoneBy = (pieces: readonly RunPiece[], { ends }: RunSchedule, until: number): readonly RunPiece[] =>
  pieces.filter(({ id, parts }) => parts.length && !((ends.get(id) ?? Infinity) <= until + NEAR));
