/**
 * Numbers from 0 up to 1 that follow from a seed, the same on every machine (mulberry32: a 32-bit counter, scrambled).
 */
export function seededRandom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Normally distributed numbers with mean 0 and standard deviation 1 (polar form of Box and Muller). */
export function seededNormal(seed: number): () => number {
  const random = seededRandom(seed);
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const kept = spare;
      spare = null;
      return kept;
    }
    for (;;) {
      const [u, v] = [2 * random() - 1, 2 * random() - 1];
      const s = u * u + v * v;
      if (s === 0 || s >= 1) continue;
      const scale = Math.sqrt((-2 * Math.log(s)) / s);
      spare = v * scale;
      return u * scale;
    }
  };
}
