/** Real roots of k3 t³ + k2 t² + k1 t + k0 into `roots`, each polished; by the trigonometric form. @returns how many */
export function realRoots(k3: number, k2: number, k1: number, k0: number, roots: Float64Array): number {
  const largest = Math.max(Math.abs(k3), Math.abs(k2), Math.abs(k1), Math.abs(k0));
  if (!(largest > 1e-12)) return 0;
  let n = 0;
  if (Math.abs(k3) < 1e-10 * largest) {
    if (Math.abs(k2) < 1e-10 * largest) {
      if (Math.abs(k1) > 1e-10 * largest) roots[n++] = -k0 / k1;
    } else {
      const inside = k1 * k1 - 4 * k2 * k0;
      if (inside >= 0) {
        const s = -(k1 + (k1 < 0 ? -1 : 1) * Math.sqrt(inside)) / 2;
        roots[n++] = s / k2;
        if (s !== 0) roots[n++] = k0 / s;
      }
    }
  } else {
    const [a, b, c] = [k2 / k3, k1 / k3, k0 / k3];
    const q = (a * a - 3 * b) / 9;
    const r = (2 * a * a * a - 9 * a * b + 27 * c) / 54;
    if (r * r < q * q * q) {
      const angle = Math.acos(Math.max(-1, Math.min(1, r / Math.sqrt(q * q * q))));
      const s = -2 * Math.sqrt(q);
      roots[n++] = s * Math.cos(angle / 3) - a / 3;
      roots[n++] = s * Math.cos((angle + 2 * Math.PI) / 3) - a / 3;
      roots[n++] = s * Math.cos((angle - 2 * Math.PI) / 3) - a / 3;
    } else {
      const s = -(r < 0 ? -1 : 1) * Math.cbrt(Math.abs(r) + Math.sqrt(Math.max(0, r * r - q * q * q)));
      roots[n++] = s + (s === 0 ? 0 : q / s) - a / 3;
    }
  }
  for (let k = 0; k < n; k++)
    for (let step = 0; step < 3; step++) {
      const t = roots[k];
      const slope = (3 * k3 * t + 2 * k2) * t + k1;
      if (slope === 0) break;
      roots[k] = t - (((k3 * t + k2) * t + k1) * t + k0) / slope;
    }
  return n;
}
