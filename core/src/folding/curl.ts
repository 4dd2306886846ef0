/** A piece of a roll: how far it lies from where the rolling begins, and how much the paper bends there, in degrees. */
export interface CurlBend {
  readonly atMm: number;
  readonly bendDeg: number;
}

/** Each flat piece of a drawn roll turns by no more than this. */
const PIECE_DEG = 45;
/** Each turn lies so much further out than the one within it, as a share of the rod: enough to keep them apart. */
const GROWS = 0.15;

/**
 * Where paper bends that is rolled from its end towards a line round a rod: flat pieces as long as the arcs they stand for, the
 * innermost turn as wide as the rod. Lengths are kept, so that the roll is a state that paper can be in.
 * @param lengthMm from the line where the roll ends to the paper's end, which lies innermost
 */
export function curled(lengthMm: number, rodMm: number): readonly CurlBend[] {
  const [radius, grows] = [rodMm / 2, (GROWS * rodMm) / (2 * Math.PI)];
  // An arc that begins with the outermost turn: length = radius × angle + grows × angle² / 2.
  const whole = (Math.sqrt(radius * radius + 2 * grows * lengthMm) - radius) / grows;
  const pieces = Math.max(2, Math.ceil((whole * 180) / Math.PI / PIECE_DEG));
  const bendDeg = (whole * 180) / Math.PI / pieces;
  const rolled = (angle: number): number => radius * angle + (grows * angle * angle) / 2;
  return Array.from({ length: pieces }, (_, k) => ({
    atMm: lengthMm - rolled(whole * (1 - k / pieces)),
    bendDeg: k ? bendDeg : bendDeg / 2,
  }));
}

/** How many turns such a roll has. */
export const turnsOf = (bends: readonly CurlBend[]): number =>
  bends.reduce((sum, { bendDeg }) => sum + bendDeg, 0) / 360;
