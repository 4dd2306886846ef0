import type { Drawing } from '../drawing/drawing';
import type { PaperColours } from '../drawing/paper-colours';
import { roomyBox, type Shape, shapesOf, WIDTHS_FOR } from './drawing-shapes';

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/** A picture as an SVG document that needs nothing else: its colours and widths are in it. */
export function drawingSvg(
  drawing: Drawing,
  colours: PaperColours,
  { title, say }: { readonly title: string; readonly say?: (text: string) => string },
): string {
  const box = roomyBox(drawing);
  const unit = Math.max(box.width, box.height) / WIDTHS_FOR;
  const [width, height] = [box.width / unit, box.height / unit];
  const attribute = (name: string, value: string | number | undefined): string =>
    value === undefined ? '' : ` ${name}="${value}"`;
  const painted = (shape: Shape): string => {
    if (shape.kind === 'text')
      return `<text x="${shape.at.x}" y="${shape.at.y}" font-size="${shape.size}" fill="${shape.fill}" text-anchor="middle" font-family="sans-serif" font-weight="600">${escaped(shape.text)}</text>`;
    const { d, fill = 'none', stroke, width: px, dash, opacity } = shape;
    return `<path d="${d}" fill="${fill}"${attribute('stroke', stroke)}${attribute('stroke-width', px && px * unit)}${attribute('stroke-dasharray', dash?.map((n) => n * unit).join(' '))}${attribute('opacity', opacity)}/>`;
  };
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${box.x} ${box.y} ${box.width} ${box.height}" stroke-linecap="round" stroke-linejoin="round">`,
    `<title>${escaped(title)}</title>`,
    ...shapesOf(drawing, colours, say).map(painted),
    '</svg>',
  ].join('\n');
}
