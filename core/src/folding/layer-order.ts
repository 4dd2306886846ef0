/**
 * Which side of each other coinciding faces lie on. `side[i * n + j]` is +1 when face j lies on the white side of face
 * i, -1 when on its coloured side, 0 when the two do not overlap. It is a relation on pairs, kept relative to the paper
 * itself, so moving or turning paper does not change it.
 */
export interface LayerOrder {
  readonly faces: number;
  readonly side: Int8Array;
}

export function noOrder(faces: number): LayerOrder {
  return { faces, side: new Int8Array(faces * faces) };
}

/** +1 when j lies on i's white side, -1 on its coloured side, 0 when they do not overlap. */
export function sideOfFace(order: LayerOrder, i: number, j: number): number {
  return order.side[i * order.faces + j];
}
