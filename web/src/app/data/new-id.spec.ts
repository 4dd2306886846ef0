import { id } from '@odd-corner/contract';
import { newId } from './new-id';

describe('an id for something new', () => {
  it('is what the contract takes for one, and never the same twice', () => {
    const ids = Array.from({ length: 2000 }, newId);
    for (const one of ids) expect(id.parse(one)).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-/);
    expect(new Set(ids).size).toBe(2000);
  });

  it('needs no secure context', () => {
    const given = crypto.randomUUID.bind(crypto);
    Object.assign(crypto, { randomUUID: undefined });
    expect(() => newId()).not.toThrow();
    Object.assign(crypto, { randomUUID: given });
  });
});
