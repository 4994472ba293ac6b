import { toDegrees } from '@/core/angle';
import { Colors, DxfWriter, Units, point2d, point3d } from '@tarikjabiri/dxf';
import type { Piece } from '@/core/build/pieces';
import { FILE_LAYERS, onLayer, spreadOut, type FileLayer } from './flat';

const COLOURS: Record<FileLayer, number> = {
  cut: Colors.Red,
  score: Colors.Blue,
  drill: Colors.Green,
  mark: Colors.White,
};
/** All flat pieces of a light, millimetres, one layer for each tool. */
export function piecesDxf(pieces: readonly Piece[]): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const layer of FILE_LAYERS) dxf.addLayer(layer, COLOURS[layer], 'Continuous');
  dxf.addLayer('words', Colors.White, 'Continuous');
  for (const { piece, xM, yM } of spreadOut(pieces).placed) {
    const [x, y] = [(value: number) => (value + xM) * 1000, (value: number) => (value + yM) * 1000];
    for (const layer of FILE_LAYERS)
      for (const shape of onLayer(piece.shapes, layer)) {
        const options = { layerName: layer };
        if (shape.kind === 'circle')
          dxf.addCircle(point3d(x(shape.x), y(shape.y), 0), shape.r * 1000, options);
        else if (shape.kind === 'arc')
          dxf.addArc(
            point3d(x(shape.x), y(shape.y), 0),
            shape.r * 1000,
            toDegrees(shape.from),
            toDegrees(shape.to),
            options,
          );
        else if (shape.kind === 'polyline')
          dxf.addLWPolyline(
            shape.points.map(([px, py], k) => ({
              point: point2d(x(px), y(py)),
              ...(shape.bulges?.[k] ? { bulge: shape.bulges[k] } : {}),
            })),
            { ...options, flags: shape.closed ? 1 : 0 },
          );
      }
    dxf.addText(
      point3d(x(piece.widthM / 2), y(piece.heightM / 2), 0),
      8,
      `${piece.count} x ${piece.name}`,
      {
        layerName: 'words',
      },
    );
  }
  return dxf.stringify();
}
