/** A pouch of two sheets of one outline, joined at the sides and the bottom, in mm. */
export interface PouchOutline {
  readonly mouthMm: number;
  readonly bottomMm: number;
  readonly depthMm: number;
}

export function pouchShare(_outline: PouchOutline): number {
  return 0;
}
