const BYTES = 16;
const HEX = 16;

/**
 * A random id (RFC 9562, version 4), made where something new is begun, so that it may be sent twice and is counted once.
 * Made from random bytes: the browser's own function is missing where the page is on a plain address of the house.
 */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(BYTES));
  bytes[6] = (bytes[6] & 0x0f) | 0x40;
  bytes[8] = (bytes[8] & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(HEX).padStart(2, '0')).join('');
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
}
