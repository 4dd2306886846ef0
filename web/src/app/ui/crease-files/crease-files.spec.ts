import { type CreaseSheet, squareTray } from '@odd-corner/core';
import DxfParser from 'dxf-parser';
import { PageBench } from '../../testing/bench';
import { textOf } from '../../testing/files';
import { CreaseFiles } from './crease-files';
import { creaseSheetDxf } from './crease-sheet-dxf';

interface Line {
  readonly type: string;
  readonly layer: string;
  readonly vertices: readonly { readonly x: number; readonly y: number }[];
}

const parsed = (text: string) =>
  new DxfParser().parseSync(text) as unknown as {
    readonly header: Readonly<Record<string, unknown>>;
    readonly entities: readonly Line[];
    readonly tables: { readonly layer: { readonly layers: Readonly<Record<string, unknown>> } };
  };

describe('a sheet with its creases as files', () => {
  const saved = async (button: string): Promise<{ name: string; text: string }> => {
    const blobs: Blob[] = [];
    Object.assign(URL, {
      createObjectURL: (blob: Blob) => (blobs.push(blob), 'blob:'),
      revokeObjectURL: () => undefined,
    });
    const click = jest.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(() => undefined);
    const asked = { formId: squareTray.id, sheet: { widthMm: 150, heightMm: 150 }, params: {}, thicknessMm: 0.1 };
    const bench = new PageBench(CreaseFiles, { asked, name: 'Watch parts, base' });
    await bench.settle();
    bench.button(button).click();
    for (let k = 0; k < 60 && !blobs.length; k++) await bench.settle(60);
    const [link] = click.mock.contexts as HTMLAnchorElement[];
    click.mockRestore();
    return { name: link.download, text: await textOf(blobs[0]) };
  };

  it('are DXF in millimetres that another program reads: layers apart, cut round the sheet', async () => {
    const { name, text } = await saved('DXF');
    expect(name).toBe('watch-parts-base-150x150.dxf');
    const { header, entities, tables } = parsed(text);
    expect(header['$INSUNITS']).toBe(4);
    expect(Object.keys(tables.layer.layers)).toEqual(expect.arrayContaining(['CUT', 'VALLEY', 'MOUNTAIN']));
    const cut = entities.filter(({ layer }) => layer === 'CUT');
    expect(cut).toHaveLength(4);
    const corners = new Set(
      cut.flatMap(({ vertices }) => vertices.map(({ x, y }) => `${Math.round(x)} ${Math.round(y)}`)),
    );
    expect([...corners].sort()).toEqual(['0 0', '0 150', '150 0', '150 150']);
    for (const layer of ['VALLEY', 'MOUNTAIN']) expect(entities.some((one) => one.layer === layer)).toBe(true);
  });

  it('hold the very lines that were given', () => {
    const lines: CreaseSheet['lines'] = Array.from({ length: 30 }, (_, k) => ({
      layer: (['cut', 'valley', 'mountain'] as const)[k % 3],
      from: { x: Math.sqrt(k + 1) * 7.123456789, y: k / 3 },
      to: { x: 200 - k * 1.23456789, y: Math.PI * k },
    }));
    const { entities } = parsed(creaseSheetDxf({ widthMm: 200, heightMm: 100, lines }));
    expect(entities).toHaveLength(lines.length);
    entities.forEach(({ type, layer, vertices: [from, to] }, k) => {
      expect([type, layer]).toEqual(['LINE', lines[k].layer.toUpperCase()]);
      for (const [end, was] of [
        [from, lines[k].from],
        [to, lines[k].to],
      ]) {
        expect(end.x).toBeCloseTo(was.x, 9);
        expect(end.y).toBeCloseTo(was.y, 9);
      }
    });
  });

  it('are SVG too, in which another reader finds the same lines, at its size in millimetres', async () => {
    const { name, text } = await saved('SVG');
    expect(name).toBe('watch-parts-base-150x150.svg');
    const svg = new DOMParser().parseFromString(text, 'image/svg+xml').documentElement;
    expect([svg.getAttribute('width'), svg.getAttribute('viewBox')]).toEqual(['150mm', '0 0 150 150']);
    const { entities } = parsed((await saved('DXF')).text);
    const lines = ['cut', 'valley', 'mountain'].flatMap((layer) =>
      [...svg.querySelectorAll(`#${layer} line`)].map((line) => {
        const at = (key: string): number => Number(line.getAttribute(key));
        return { layer, vertices: [at('x1'), 150 - at('y1'), at('x2'), 150 - at('y2')] };
      }),
    );
    expect(lines).toHaveLength(entities.length);
    lines.forEach(({ layer, vertices }, k) => {
      expect(layer.toUpperCase()).toBe(entities[k].layer);
      entities[k].vertices.flatMap(({ x, y }) => [x, y]).forEach((mm, n) => expect(vertices[n]).toBeCloseTo(mm, 2));
    });
  });
});
