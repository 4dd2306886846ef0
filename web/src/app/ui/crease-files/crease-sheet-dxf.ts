import { Colors, DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import { CREASE_LAYERS, type CreaseLayer, type CreaseSheet } from '@odd-corner/core';

/** Names of layers as other programs show them, and their colours there. */
const LAYERS: Readonly<Record<CreaseLayer, { readonly name: string; readonly colour: number }>> = {
  cut: { name: 'CUT', colour: Colors.White },
  valley: { name: 'VALLEY', colour: Colors.Cyan },
  mountain: { name: 'MOUNTAIN', colour: Colors.Magenta },
};

/** A sheet as a DXF drawing in millimetres, a layer for each kind of line. */
export function creaseSheetDxf({ lines }: CreaseSheet): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const layer of CREASE_LAYERS) dxf.addLayer(LAYERS[layer].name, LAYERS[layer].colour, 'Continuous');
  for (const { layer, from, to } of lines)
    dxf.addLine(point3d(from.x, from.y), point3d(to.x, to.y), { layerName: LAYERS[layer].name });
  return dxf.stringify();
}
