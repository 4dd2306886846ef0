import * as fc from 'fast-check';
import { creasePicture } from '../../src/drawing/crease-picture';
import { CREASE_LAYERS, creaseSheet, distance, FORMS, make } from '../../src/index';
import { isBorder } from '../../src/pattern/crease-pattern';
import { someOf } from '../runs';

const lengthOf = (lines: readonly { readonly from: P; readonly to: P }[]): number =>
  lines.reduce((sum, { from, to }) => sum + distance(from, to), 0);
interface P {
  readonly x: number;
  readonly y: number;
}

interface L {
  readonly from: P;
  readonly to: P;
}

/** A line in the pieces into which ends of others that lie on it part it. */
function parted({ from, to }: L, ends: readonly P[]): L[] {
  const long = distance(from, to);
  const at = ends
    .filter((p) => Math.abs(distance(from, p) + distance(p, to) - long) < 1e-9 * long)
    .map((p) => distance(from, p) / long);
  const cuts = [0, ...at.filter((t) => t > 1e-6 && t < 1 - 1e-6).sort((a, b) => a - b), 1];
  const on = (t: number): P => ({ x: from.x + t * (to.x - from.x), y: from.y + t * (to.y - from.y) });
  return cuts.slice(1).map((t, k) => ({ from: on(cuts[k]), to: on(t) }));
}

/** What lines cover, each place once: those that lie on others are parted where these end. */
function once(all: readonly L[]): L[] {
  const ends = all.flatMap(({ from, to }) => [from, to]);
  const lines = all.flatMap((line) => parted(line, ends));
  const key = ({ from, to }: L): string =>
    [from, to]
      .map(({ x, y }) => `${x.toFixed(6)} ${y.toFixed(6)}`)
      .sort()
      .join(' ');
  return [...new Map(lines.map((line) => [key(line), line])).values()];
}

/** A form as it is folded from its usual sheet. */
function folded(formId: string) {
  const form = FORMS.find(({ id }) => id === formId)!;
  const longPerShort = form.sheetShape === 'square' ? 1 : form.sheetShape.longPerShort[0];
  const sheet = { widthMm: 187.5, heightMm: 187.5 * longPerShort };
  return make(formId, { sheet, params: {}, paper: { thicknessMm: 0.1 } }).folding.finished;
}

describe('a sheet with its creases, for machines', () => {
  it.each(
    someOf(
      FORMS.map(({ id }) => id),
      8,
    ),
  )('has every crease of %s once, in the layer of its kind, and cuts its edge', (id) => {
    const pose = folded(id);
    const picture = creasePicture(pose);
    const sheet = creaseSheet(picture);
    const { pattern, angles, sense } = pose;
    for (const layer of CREASE_LAYERS) {
      // A slit has two edges in one place, and is cut once.
      const edges = once(
        pattern.edges.flatMap((edge, e) => {
          const way = Math.sign(angles[e]) || sense[e];
          const own = isBorder(edge) ? 'cut' : way > 0 ? 'valley' : way < 0 ? 'mountain' : null;
          return own === layer ? [{ from: pattern.vertices[edge.from], to: pattern.vertices[edge.to] }] : [];
        }),
      );
      const pinches = (pose.marks ?? []).filter(({ sense: way }) => (way > 0 ? 'valley' : 'mountain') === layer);
      const lines = sheet.lines.filter((line) => line.layer === layer);
      // Pinches may lie on creases: then they are no line of their own.
      expect(lengthOf(lines)).toBeLessThanOrEqual(lengthOf(edges) + lengthOf(pinches) + 1e-6);
      expect(lengthOf(lines)).toBeGreaterThanOrEqual(lengthOf(edges) - 1e-6);
      expect(lines.length).toBeLessThanOrEqual(edges.length + pinches.length);
    }
    for (const { from, to } of sheet.lines)
      for (const { x, y } of [from, to]) {
        expect(Math.min(x, y, sheet.widthMm - x, sheet.heightMm - y)).toBeGreaterThan(-1e-6);
      }
  });

  it('whose lines were split anywhere, in any order and direction, has them whole again', () => {
    const angle = fc.double({ min: 0, max: Math.PI, noNaN: true });
    // All through one point, so that no two lie on one line.
    const spokes = fc.uniqueArray(fc.integer({ min: 0, max: 59 }), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(
        spokes,
        angle,
        fc.array(fc.double({ min: 0.05, max: 0.95, noNaN: true }), { maxLength: 6 }),
        fc.infiniteStream(fc.nat()),
        (ks, turn, cuts, more) => {
          const whole = ks.map((k) => {
            const at = turn + (k * Math.PI) / 60;
            const end = (r: number): P => ({ x: 100 + r * Math.cos(at), y: 100 + r * Math.sin(at) });
            return { kind: k % 2 ? ('valley' as const) : ('mountain' as const), from: end(10 + k), to: end(90) };
          });
          const parts = whole.flatMap(({ kind, from, to }) => {
            const at = (s: number): P => ({ x: from.x + s * (to.x - from.x), y: from.y + s * (to.y - from.y) });
            const places = [0, ...[...cuts].sort((a, b) => a - b), 1];
            return places.slice(1).map((s, i) => {
              const piece = { kind, from: at(places[i]), to: at(s) };
              return more.next().value % 2 ? piece : { kind, from: piece.to, to: piece.from };
            });
          });
          const shuffled = parts
            .map((part) => ({ part, key: Number(more.next().value) }))
            .sort((a, b) => a.key - b.key);
          const box = { x: 0, y: 0, width: 200, height: 200 };
          const { lines } = creaseSheet({ lines: shuffled.map(({ part }) => part), box });
          expect(lines).toHaveLength(whole.length);
          expect(lengthOf(lines)).toBeCloseTo(lengthOf(whole), 6);
        },
      ),
    );
  });
});
