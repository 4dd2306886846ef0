/**
 * Fold angle at an edge a-b between triangles with the corners l (left) and r (right), in radians, positive when the side
 * that sees both triangles counter-clockwise closes up, and its gradient by the twelve coordinates.
 *
 * Formulas of the discrete-shell literature: with n = e × (l − a) and m = (r − a) × e the areas' normals, the gradients by
 * l and r are |e| n / n² and |e| m / m², and those by a and b balance them so that nothing moves or turns as a whole.
 *
 * @param x coordinates of all corners, three each
 * @param gradient filled with the derivatives by a, b, l, r
 */
export function foldAngle(x: Float64Array, a: number, b: number, l: number, r: number, gradient: Float64Array): number {
  const ax = x[3 * a];
  const ay = x[3 * a + 1];
  const az = x[3 * a + 2];
  const ex = x[3 * b] - ax;
  const ey = x[3 * b + 1] - ay;
  const ez = x[3 * b + 2] - az;
  const lx = x[3 * l] - ax;
  const ly = x[3 * l + 1] - ay;
  const lz = x[3 * l + 2] - az;
  const rx = x[3 * r] - ax;
  const ry = x[3 * r + 1] - ay;
  const rz = x[3 * r + 2] - az;
  const nx = ey * lz - ez * ly;
  const ny = ez * lx - ex * lz;
  const nz = ex * ly - ey * lx;
  const mx = ry * ez - rz * ey;
  const my = rz * ex - rx * ez;
  const mz = rx * ey - ry * ex;
  const e2 = ex * ex + ey * ey + ez * ez;
  const e = Math.sqrt(e2);
  const n2 = nx * nx + ny * ny + nz * nz;
  const m2 = mx * mx + my * my + mz * mz;
  // Sine times |n||m|: (n × m) · e / |e|.
  const sine = ((ny * mz - nz * my) * ex + (nz * mx - nx * mz) * ey + (nx * my - ny * mx) * ez) / e;
  const cosine = nx * mx + ny * my + nz * mz;
  const gl = e / n2;
  const gr = e / m2;
  const tl = (lx * ex + ly * ey + lz * ez) / e2;
  const tr = (rx * ex + ry * ey + rz * ez) / e2;
  const al = -(1 - tl) * gl;
  const ar = -(1 - tr) * gr;
  const bl = -tl * gl;
  const br = -tr * gr;
  gradient[0] = al * nx + ar * mx;
  gradient[1] = al * ny + ar * my;
  gradient[2] = al * nz + ar * mz;
  gradient[3] = bl * nx + br * mx;
  gradient[4] = bl * ny + br * my;
  gradient[5] = bl * nz + br * mz;
  gradient[6] = gl * nx;
  gradient[7] = gl * ny;
  gradient[8] = gl * nz;
  gradient[9] = gr * mx;
  gradient[10] = gr * my;
  gradient[11] = gr * mz;
  // A wing that rises on the counter-clockwise side turns its normal towards the other wing.
  return -Math.atan2(sine, cosine);
}
