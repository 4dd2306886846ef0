import type { Patch } from './drawing';
import { coloursIn, type PaperColours } from './paper-colours';

type Triple = readonly [number, number, number];

/** What paper darkens to where less light falls, and what is not paper. */
const DARK = '#3a2f22';
const THING = '#a9b4b0';

/** How much of its own colour a patch keeps without any light. */
const LEAST_OWN = 0.46;

/**
 * The colour of a patch as it is printed or saved, as on the screen: that of its side, mixed with the dark in the Oklab space
 * (B. Ottosson, 2020), as CSS Color 4 defines it.
 */
export function shadeOf({ side, light, of }: Pick<Patch, 'side' | 'light' | 'of'>, colours: PaperColours): string {
  const { front, back } = coloursIn(colours, of);
  const base = side === 'thing' ? THING : side === 'white' ? back : front;
  return mixed(base, DARK, Math.round(100 * (LEAST_OWN + (1 - LEAST_OWN) * light)) / 100);
}

/** A share of one colour, the rest of another. */
function mixed(one: string, other: string, share: number): string {
  const [a, b] = [toOklab(one), toOklab(other)];
  return toHex(a.map((v, k) => share * v + (1 - share) * b[k]) as unknown as Triple);
}

const linear = (v: number): number => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
const encoded = (v: number): number => (v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055);

const times = (rows: readonly Triple[], [x, y, z]: Triple): Triple =>
  rows.map(([a, b, c]) => a * x + b * y + c * z) as unknown as Triple;

const TO_LMS: readonly Triple[] = [
  [0.4122214708, 0.5363325363, 0.0514459929],
  [0.2119034982, 0.6806995451, 0.1073969566],
  [0.0883024619, 0.2817188376, 0.6299787005],
];
const TO_LAB: readonly Triple[] = [
  [0.2104542553, 0.793617785, -0.0040720468],
  [1.9779984951, -2.428592205, 0.4505937099],
  [0.0259040371, 0.7827717662, -0.808675766],
];
const FROM_LAB: readonly Triple[] = [
  [1, 0.3963377774, 0.2158037573],
  [1, -0.1055613458, -0.0638541728],
  [1, -0.0894841775, -1.291485548],
];
const FROM_LMS: readonly Triple[] = [
  [4.0767416621, -3.3077115913, 0.2309699292],
  [-1.2684380046, 2.6097574011, -0.3413193965],
  [-0.0041960863, -0.7034186147, 1.707614701],
];

function toOklab(hex: string): Triple {
  const rgb = [1, 3, 5].map((k) => linear(parseInt(hex.slice(k, k + 2), 16) / 255)) as unknown as Triple;
  return times(TO_LAB, times(TO_LMS, rgb).map(Math.cbrt) as unknown as Triple);
}

function toHex(lab: Triple): string {
  const rgb = times(FROM_LMS, times(FROM_LAB, lab).map((v) => v ** 3) as unknown as Triple);
  const byte = (v: number): string =>
    Math.round(255 * Math.min(1, Math.max(0, encoded(v))))
      .toString(16)
      .padStart(2, '0');
  return `#${rgb.map(byte).join('')}`;
}
