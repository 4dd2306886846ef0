import {
  area,
  creasePicture,
  draw,
  FROM_ABOVE,
  fromDirection,
  intersect,
  foldMake,
  make,
  assemblyScene,
  skinOf,
  stepPictures,
} from '../../src/index';

const TRAY = 'square-tray-and-eared-lid';
const paper = { thicknessMm: 0.1 };
const made = (part: 'tray' | 'eared-lid', sheetMm = 160) =>
  make(part === 'tray' ? TRAY : 'square-tray-lid', {
    sheet: { widthMm: sheetMm, heightMm: sheetMm },
    params: {},
    paper,
  });

/** Area of a piece of skin in space. */
function areaOf(corners: readonly { x: number; y: number; z: number }[]): number {
  const [x, y, z] = [0, 0, 0].map((_, axis) => {
    const at = (k: number): number[] => [
      corners[k % corners.length].x,
      corners[k % corners.length].y,
      corners[k % corners.length].z,
    ];
    return corners.reduce((sum, _c, k) => {
      const [p, q] = [at(k), at(k + 1)];
      return sum + p[(axis + 1) % 3] * q[(axis + 2) % 3] - p[(axis + 2) % 3] * q[(axis + 1) % 3];
    }, 0);
  });
  return Math.hypot(x, y, z) / 2;
}

describe('pictures', () => {
  it('visible patches never cover each other', () => {
    for (const step of made('tray').folding.steps) {
      const { now, then } = stepPictures(step);
      for (const { patches } of [now, then])
        patches.forEach((p, i) =>
          patches
            .slice(i + 1)
            .forEach((q) => expect(Math.abs(area(intersect(ccw(p.points), ccw(q.points))))).toBeLessThan(0.01)),
        );
    }
  });

  it('a white sheet shows white from above and colour from below', () => {
    const [first] = made('tray').folding.steps;
    expect(new Set(stepPictures(first).now.patches.map((p) => p.side))).toEqual(new Set(['white']));
    expect(new Set(stepPictures(first, { fromBelow: true }).now.patches.map((p) => p.side))).toEqual(
      new Set(['colour']),
    );
  });

  it('the tray is coloured outside and inside, the lid shows white only on its ears and ends', () => {
    const outside = skinOf(made('tray').folding.finished);
    const white = outside.filter((p) => p.side === 'white').reduce((sum, p) => sum + areaOf(p.corners), 0);
    const all = outside.reduce((sum, p) => sum + areaOf(p.corners), 0);
    expect(white / all).toBeLessThan(1e-6);
    expect(skinOf(made('eared-lid').folding.finished).some((p) => p.side === 'white')).toBe(true);
  });

  it('the skin of a tray is its outside and its inside: 2 (A² + 4 A h)', () => {
    const { folding, sizes } = made('tray');
    const [baseMm, wallMm] = sizes.lengths.map(({ mm }) => mm);
    const all = skinOf(folding.finished).reduce((sum, p) => sum + areaOf(p.corners), 0);
    expect(all / (2 * (baseMm ** 2 + 4 * baseMm * wallMm))).toBeCloseTo(1, 6);
  });

  it('a lid stands over its tray, middle on middle', () => {
    const sheet = (mm: number) => ({ sheet: { widthMm: mm, heightMm: mm }, thicknessMm: 0.1 });
    const { assembly } = foldMake({
      formId: TRAY,
      params: { lid: 'eared' },
      entries: { tray: sheet(160), lid: sheet(165) },
    });
    const { piece, lifted } = assemblyScene(assembly);
    expect(lifted).toHaveLength(1);
    const skin = lifted[0].skin.flatMap((p) => p.corners);
    const below = piece.flatMap((p) => p.corners);
    const middle = (ps: typeof skin, axis: 'x' | 'y'): number =>
      (Math.min(...ps.map((p) => p[axis])) + Math.max(...ps.map((p) => p[axis]))) / 2;
    expect(middle(skin, 'x')).toBeCloseTo(middle(below, 'x'), 6);
    expect(middle(skin, 'y')).toBeCloseTo(middle(below, 'y'), 6);
  });

  it('seen from anywhere, a picture has room for all its lines', () => {
    const { finished } = made('tray').folding;
    for (const view of [FROM_ABOVE, fromDirection(20, 35), fromDirection(200, -20)]) {
      const { box, lines } = draw([{ kind: 'paper', pose: finished }], view);
      for (const p of lines.flatMap((l) => [l.from, l.to])) {
        expect(p.x).toBeGreaterThanOrEqual(box.x - 1e-6);
        expect(p.y).toBeLessThanOrEqual(box.y + box.height + 1e-6);
      }
    }
  });

  it('the crease picture marks the creases of a step and no others', () => {
    const { finished } = made('tray').folding;
    const marked = creasePicture(finished, ['left wall']).lines.filter(
      (l) => l.kind === 'valley' || l.kind === 'mountain',
    );
    const expected = finished.pattern.edges.filter((e) => e.name === 'left wall').length;
    expect(expected).toBeGreaterThan(0);
    expect(marked).toHaveLength(expected);
  });
});

function ccw(points: readonly { x: number; y: number }[]): { x: number; y: number }[] {
  return area(points) < 0 ? [...points].reverse() : [...points];
}
