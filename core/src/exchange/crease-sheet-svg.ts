import { CREASE_LAYERS, type CreaseLayer, type CreaseSheet } from './crease-sheet';

/** To a thousandth of a millimetre: finer than any machine. */
const figure = (mm: number): string => `${Number(mm.toFixed(3))}`;

/** Dashes are for the eye; a machine goes by the layers. */
const LOOKS: Readonly<Record<CreaseLayer, string>> = {
  cut: 'stroke="#25221d"',
  valley: 'stroke="#0b7a83" stroke-dasharray="6 2"',
  mountain: 'stroke="#7a3e8e" stroke-dasharray="6 2 1 2"',
};

/** A sheet as an SVG document in millimetres, a group for each layer; nothing is in it but the lines. */
export function creaseSheetSvg({ widthMm, heightMm, lines }: CreaseSheet): string {
  const [width, height] = [figure(widthMm), figure(heightMm)];
  const groups = CREASE_LAYERS.map((layer) => {
    const paths = lines
      .filter((line) => line.layer === layer)
      // Down the page, where the sheet's own coordinates go up.
      .map(({ from, to }) => {
        const ends = [from.x, heightMm - from.y, to.x, heightMm - to.y].map(figure);
        return `<line x1="${ends[0]}" y1="${ends[1]}" x2="${ends[2]}" y2="${ends[3]}"/>`;
      });
    return `<g id="${layer}" ${LOOKS[layer]}>${paths.join('')}</g>`;
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}" fill="none" stroke-width="0.2">`,
    ...groups,
    '</svg>',
  ].join('\n');
}
