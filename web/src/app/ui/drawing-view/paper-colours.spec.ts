import { bodyKey } from '@odd-corner/core';
import { aPaper } from '../../testing/bench';
import { coloursIn, coloursOf, coloursOfMake, PLAIN_PAPER, type SideColours } from './paper-colours';

describe('colours of all pieces of a make', () => {
  const ring = [
    { key: 'base', copies: 2, colour: 0 },
    { key: 'base-2', copies: 2, colour: 1 },
    { key: 'lid', copies: 1 },
  ];
  const of = (entry: string, copy = 0) => ({ entry, copy });

  it('are those of the first where nothing else was chosen, but for further colours of the make', () => {
    const colours = coloursOfMake(ring, () => null);
    expect(colours).toMatchObject(PLAIN_PAPER);
    expect(coloursIn(colours, of('base', 1)).front).toBe(PLAIN_PAPER.front);
    expect(coloursIn(colours, of('lid')).front).toBe(PLAIN_PAPER.front);
    const second = coloursIn(colours, of('base-2'));
    expect(second.front).not.toBe(PLAIN_PAPER.front);
    expect(second.back).toBe(PLAIN_PAPER.back);
    expect(coloursIn(colours, of('base-2', 1))).toEqual(second);
  });

  it('are of the paper that was chosen for each, papers that take turns told apart', () => {
    const papers: Readonly<Record<string, SideColours>> = {
      [bodyKey(of('base', 0))]: { front: '#102030', back: '#ffffff' },
      [bodyKey(of('base', 1))]: { front: '#405060', back: '#eeeeee' },
      [bodyKey(of('base-2', 0))]: { front: '#102030', back: '#ffffff' },
    };
    const colours = coloursOfMake(ring, (entry, copy) => papers[bodyKey({ entry, copy })] ?? null);
    expect(coloursIn(colours, of('base', 0)).front).toBe('#102030');
    expect(coloursIn(colours, of('base', 1))).toEqual({ front: '#405060', back: '#eeeeee' });
    expect(coloursIn(colours, of('base-2', 0)).front).toBe('#102030');
    expect(coloursIn(colours, of('lid')).front).toBe('#102030');
    expect(coloursIn(colours, undefined).front).toBe('#102030');
  });

  it('of one paper need no list', () => {
    expect(coloursOfMake([ring[0]], () => null).pieces).toBeUndefined();
    const paper = aPaper({ colourFront: '#0000ff', colourBack: '#00ff00' });
    expect(coloursOf(paper)).toEqual({ front: '#0000ff', back: '#00ff00' });
  });

  it('has as many colours as a ring of eight', () => {
    const eight = Array.from({ length: 8 }, (_, k) => ({ key: `u-${k}`, copies: 1, colour: k }));
    const colours = coloursOfMake(eight, () => null);
    expect(new Set(eight.map(({ key }) => coloursIn(colours, of(key)).front)).size).toBe(8);
  });
});
