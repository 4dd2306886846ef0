import type { Drawing } from './drawing';

/** Drawings in boxes of one size, each in the middle of its own: shown equally large, they are at one scale. */
export function atOneScale<T extends Drawing | null>(drawings: readonly T[]): readonly T[] {
  const boxes = drawings.flatMap((drawing) => (drawing ? [drawing.box] : []));
  const width = Math.max(0, ...boxes.map((box) => box.width));
  const height = Math.max(0, ...boxes.map((box) => box.height));
  return drawings.map((drawing) => {
    if (!drawing) return drawing;
    const { box } = drawing;
    const [x, y] = [box.x - (width - box.width) / 2, box.y - (height - box.height) / 2];
    return { ...drawing, box: { x, y, width, height } };
  });
}
