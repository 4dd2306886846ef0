/** Why a move cannot be made. */
export type RefusalReason =
  | 'trapped'
  | 'tears'
  | 'no-paper'
  | 'ambiguous'
  | 'does-not-close'
  | 'no-layer-order'
  | 'crosses'
  | 'nothing-to-unfold'
  | 'unknown-mark'
  | 'stuck';

/** A move that paper cannot make: what was asked, what is in the way. */
export class FoldRefused extends Error {
  override readonly name = 'FoldRefused';
  constructor(
    readonly reason: RefusalReason,
    message: string,
    /** Faces in the way, where faces are. */
    readonly faces: readonly number[] = [],
  ) {
    super(message);
  }
}
