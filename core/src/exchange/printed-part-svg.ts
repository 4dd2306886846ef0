import type { PrintedPart } from '../forms/form';

const MARGIN_MM = 5;

const figure = (mm: number): string => `${Math.round(mm * 100) / 100}`;

/**
 * A part to be printed at its true size, as an SVG document in millimetres: its outline to cut along, discs, and a bar of 50 mm
 * to check the printer by.
 */
export function printedPartSvg({ name, outline, discs }: PrintedPart): string {
  const xs = [...outline.map((p) => p.x), ...discs.flatMap(({ x, radiusMm }) => [x - radiusMm, x + radiusMm]), 50];
  const ys = [...outline.map((p) => p.y), ...discs.flatMap(({ y, radiusMm }) => [y - radiusMm, y + radiusMm])];
  const [x0, y0] = [Math.min(...xs, 0) - MARGIN_MM, Math.min(...ys) - MARGIN_MM];
  const bar = Math.max(...ys) + 2 * MARGIN_MM;
  const [width, height] = [Math.max(...xs) + MARGIN_MM - x0, bar + MARGIN_MM - y0];
  const points = outline.map((p) => `${figure(p.x)},${figure(p.y)}`).join(' ');
  const circles = discs.map(
    ({ x, y, radiusMm }) => `<circle cx="${figure(x)}" cy="${figure(y)}" r="${figure(radiusMm)}"/>`,
  );
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${figure(width)}mm" height="${figure(height)}mm" viewBox="${figure(x0)} ${figure(y0)} ${figure(width)} ${figure(height)}">`,
    `<title>${name}</title>`,
    '<g fill="none" stroke="#25221d" stroke-width="0.2">',
    `<polygon points="${points}"/>`,
    ...circles,
    `<path d="M0 ${figure(bar - 1.5)}V${figure(bar)}H50V${figure(bar - 1.5)}"/>`,
    '</g>',
    `<text x="1" y="${figure(bar - 1)}" font-size="3" font-family="sans-serif">50 mm</text>`,
    '</svg>',
  ].join('');
}
