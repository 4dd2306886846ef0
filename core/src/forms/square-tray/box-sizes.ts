/** Inside and outside sizes in mm, with the paper's thickness, measured on the finished pose. */
export interface BoxSizes {
  /** Between crease lines, paper without thickness. */
  readonly nominal: { readonly baseMm: number; readonly wallMm: number };
  readonly cavity: { readonly lengthMm: number; readonly widthMm: number; readonly depthMm: number };
  readonly outer: { readonly lengthMm: number; readonly widthMm: number; readonly heightMm: number };
  /** Layers in all at the thickest spot of each part. */
  readonly layers: { readonly floor: number; readonly sides: number; readonly ends: number };
}
