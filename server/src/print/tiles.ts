/** One page of a sheet that is printed over several: what of the sheet lies in its room, in mm from the sheet's upper left corner. */
export interface Tile {
  readonly row: number;
  readonly column: number;
  readonly x: number;
  readonly y: number;
}

export interface Tiling {
  readonly upright: boolean;
  /** The room of a page, the same for all. */
  readonly width: number;
  readonly height: number;
  readonly rows: number;
  readonly columns: number;
  readonly tiles: readonly Tile[];
}

/** By how much neighbouring pages show the same. */
export const OVERLAP_MM = 10;
/** What printers leave free, and room for the bar beneath. */
export const EDGE_MM = 8;
export const FOOT_MM = 12;

/**
 * Lays a sheet over as few pages as can be, upright or across. Rounding does not ask for another page.
 * @param page upright, in mm
 */
export function tilingOf(
  { widthMm, heightMm }: { readonly widthMm: number; readonly heightMm: number },
  page: { readonly widthMm: number; readonly heightMm: number },
): Tiling {
  const laid = (upright: boolean): Tiling => {
    const [w, h] = upright ? [page.widthMm, page.heightMm] : [page.heightMm, page.widthMm];
    const [width, height] = [w - 2 * EDGE_MM, h - EDGE_MM - FOOT_MM];
    const many = (side: number, room: number): number =>
      Math.max(1, Math.ceil((side - OVERLAP_MM) / (room - OVERLAP_MM) - 1e-9));
    const [columns, rows] = [many(widthMm, width), many(heightMm, height)];
    const tiles = Array.from({ length: rows * columns }, (_, k): Tile => {
      const [row, column] = [Math.floor(k / columns), k % columns];
      return { row, column, x: column * (width - OVERLAP_MM), y: row * (height - OVERLAP_MM) };
    });
    return { upright, width, height, rows, columns, tiles };
  };
  const [upright, across] = [laid(true), laid(false)];
  return across.tiles.length < upright.tiles.length ? across : upright;
}

/** A page by its row and column: A1 is the upper left one. */
export const tileName = ({ row, column }: Pick<Tile, 'row' | 'column'>): string =>
  `${String.fromCharCode(65 + (row % 26))}${column + 1}`;
