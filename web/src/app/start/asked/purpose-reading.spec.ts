import { STOCK_SHEETS } from '@odd-corner/core';
import * as fc from 'fast-check';
import { readLine } from './purpose-reading';

describe('what the line says', () => {
  it('is nothing, a purpose, a sheet, or something that cannot be read', () => {
    expect(readLine('  ', 'mm').kind).toBe('empty');
    expect(readLine('60 x 45 x 22', 'mm').kind).toBe('purpose');
    expect(readLine('sheet 150', 'mm')).toMatchObject({ kind: 'sheet', sheet: { widthMm: 150, heightMm: 150 } });
    expect(readLine('60 x', 'mm').kind).toBe('wrong');
  });

  it('is a sheet of any two sides', () =>
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 900 }), fc.integer({ min: 20, max: 900 }), (widthMm, heightMm) =>
        expect(readLine(`Sheet: ${widthMm} × ${heightMm}`, 'mm')).toEqual({
          kind: 'sheet',
          sheet: { widthMm, heightMm },
          named: null,
        }),
      ),
    ));

  it('is a sheet however it is said, and no thing that begins like one', () => {
    for (const text of ['sheet of 150', 'sheet: 150', 'sheet150', 'Sheet of 150 x 150'])
      expect(readLine(text, 'mm')).toMatchObject({ kind: 'sheet', sheet: { widthMm: 150, heightMm: 150 } });
    expect(readLine('sheet of A4', 'mm')).toMatchObject({ kind: 'sheet', named: { name: 'A4' } });
    expect(readLine('sheet-metal screw ø4 x 20', 'mm').kind).toBe('purpose');
    expect(readLine('sheets 105 x 74', 'mm').kind).toBe('purpose');
  });

  it('tells which part of it is wrong', () => {
    expect(readLine('tray 60 x 45 x 22, 3 -4', 'mm')).toMatchObject({ kind: 'wrong' });
    const wrong = readLine('60 x 45 furlong', 'mm');
    expect(wrong).toMatchObject({ kind: 'wrong', at: { from: 8, to: 15 } });
  });

  it('is a sheet by the name that it is sold under, in whatever letters', () => {
    for (const { name, widthMm, heightMm } of STOCK_SHEETS)
      expect(readLine(`sheet ${name.toUpperCase()}`, 'in')).toMatchObject({ sheet: { widthMm, heightMm } });
  });

  it('is a paper of the shelf by its name, before any that is sold', () => {
    const paper = { id: 'p', name: 'A4', widthMm: 296, heightMm: 209 };
    expect(readLine('sheet a4', 'mm', [paper])).toEqual({
      kind: 'sheet',
      sheet: { widthMm: 296, heightMm: 209 },
      named: paper,
    });
    expect(readLine('sheet of dreams', 'mm', [paper]).kind).toBe('wrong');
  });
});
