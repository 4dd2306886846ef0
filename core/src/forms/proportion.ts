/**
 * How much longer than wide a sheet may be, as a maker would say it: rounded inwards, so that what is said can be folded.
 * @example proportionWords([1.2072, 3]) // '1.21 to 3 times as long as wide'
 */
export function proportionWords([least, most]: readonly [number, number]): string {
  const [from, to] = [Math.ceil(100 * least - 1e-6) / 100, Math.floor(100 * most + 1e-6) / 100];
  return from <= 1 ? `square, or up to ${to} times as long as wide` : `${from} to ${to} times as long as wide`;
}
