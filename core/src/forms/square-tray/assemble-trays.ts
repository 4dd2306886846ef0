import type { Assembly, Body } from '../../assembly/assembly';
import type { BodyRef, Joint } from '../../assembly/joint';
import type { Pose } from '../../folding/pose';
import { apply, IDENTITY, type Transform } from '../../folding/transform';
import type { Point3 } from '../../measure/vector3';
import type { FormSizes, MadeEntry } from '../form';
import { playOf } from '../play';

/** How far each inner tray is lifted out of the one around it, as a share of its height. */
const LIFTED = 0.62;

/** Middle of the floor: where the sheet's own middle came to lie. */
function floorCentre({ pattern, placed, pinned }: Pose): Point3 {
  const xs = pattern.vertices.map((p) => p.x);
  const ys = pattern.vertices.map((p) => p.y);
  const middle = { x: (Math.min(...xs) + Math.max(...xs)) / 2, y: (Math.min(...ys) + Math.max(...ys)) / 2 };
  return apply(placed[pinned], middle);
}

const wallMm = ({ lengths }: FormSizes): number => lengths.find(({ name }) => name.startsWith('walls'))?.mm ?? 0;
const baseMm = ({ lengths }: FormSizes): number => lengths.find(({ name }) => name.startsWith('base'))?.mm ?? 0;
/** From the crease plane of the floor up to where things stand. */
const floorMm = (sizes: FormSizes): number => wallMm(sizes) - sizes.rooms[0].sizes['depthMm'];

/**
 * Trays that stand in each other, outermost first, and a lid over all of them. Open, each is lifted out of the one around it,
 * and the lid clears the far side of what it covers.
 */
export function assembleTrays(made: ReadonlyMap<string, MadeEntry>): Assembly {
  const all = [...made.values()];
  const cover = all.find(({ entry }) => entry.key === 'lid');
  const [outermost, ...inner] = all.filter((one) => one !== cover).reverse();
  const pose = outermost.folding.finished;
  const centre = floorCentre(pose);
  const ref = ({ entry }: MadeEntry): BodyRef => ({ entry: entry.key, copy: 0 });
  const closed: Body[] = [{ ref: ref(outermost), shape: pose, motion: IDENTITY }];
  const open: Body[] = [...closed];
  const joints: Joint[] = [];
  const put = (one: MadeEntry, motionAt: (liftMm: number) => Transform, liftMm: number): void => {
    const body = { ref: ref(one), shape: one.folding.finished };
    closed.push({ ...body, motion: motionAt(0) });
    open.push({ ...body, motion: motionAt(liftMm) });
  };
  let [standsMm, liftMm] = [0, 0];
  inner.forEach((one, k) => {
    const around = k ? inner[k - 1] : outermost;
    standsMm += floorMm(around.sizes);
    liftMm += LIFTED * wallMm(one.sizes);
    const own = floorCentre(one.folding.finished);
    const restMm = standsMm;
    put(one, (up) => [...[1, 0, 0, 0, 1, 0, 0, 0, 1], ...[centre.x - own.x, centre.y - own.y, restMm + up]], liftMm);
    joints.push({ kind: 'stands-in', inner: ref(one), outer: ref(around), play: playOf(around.sizes, one.sizes) });
  });
  if (cover) {
    const own = floorCentre(cover.folding.finished);
    // The lid's floor lies on the rim, or hangs from its own rim on the table, whichever is higher.
    const restMm = Math.max(wallMm(cover.sizes), wallMm(outermost.sizes) + floorMm(outermost.sizes));
    put(
      cover,
      (up) => [...[1, 0, 0, 0, -1, 0, 0, 0, -1], ...[centre.x - own.x, centre.y + own.y, restMm + up]],
      liftMm + 1.05 * wallMm(outermost.sizes) + 0.95 * baseMm(outermost.sizes),
    );
    const play = playOf(cover.sizes, outermost.sizes);
    joints.push({ kind: 'over', lid: ref(cover), base: ref(outermost), play });
  }
  return {
    states: { closed, ...(closed.length > 1 && { open }) },
    joints,
    steps: [],
  };
}
