import type { Shape, View } from '../../drawing/drawing';
import type { FormContext, FormDrawing } from '../form';
import { layerParts } from '../kit/lookup';
import { bulbsOf } from '../kit/lamps';
import { circle, knob, measure, polygon, view, segment } from '../../drawing/shapes';
import { holders } from '../kit/board';
import type { Board } from '../../build/board';
import { type ClampLamp } from './parameters';

/** What is worked out once for all views. */
function partsOf(lamp: ClampLamp, context: FormContext) {
  const R = lamp.reflectorM / 2;
  const globe = (bulbsOf(lamp.groups, context)[0]?.globeDiameterM ?? 0.06) / 2;
  const layers = layerParts(lamp, context);
  const z = lamp.depthM + lamp.standoffM;
  const shade: Shape = polygon(
    [
      [0, -R * 0.25],
      [lamp.depthM, -R],
      [lamp.depthM, R],
      [0, R * 0.25],
    ],
    'cut',
    'shade',
  );
  return { lamp, context, R, globe, layers, z, shade };
}
type Parts = ReturnType<typeof partsOf>;

export function draw(lamp: ClampLamp, context: FormContext): FormDrawing {
  const parts = partsOf(lamp, context);
  return { views: [frontOf(parts), sectionOf(parts)], board: boardOf(parts) };
}

function frontOf({ R, globe }: Parts): View {
  return view(
    'front',
    'Front, layer lifted off',
    [circle(0, 0, R, 'cut', 'shade'), circle(0, 0, globe, 'glass', 'seat-0')],
    [measure([-R, -R], [R, -R], -R * 0.18, 'Reflector Ø')],
    [
      knob(
        'reflectorM',
        'Reflector diameter',
        [R * Math.SQRT1_2, -R * Math.SQRT1_2],
        [Math.SQRT1_2, -Math.SQRT1_2],
        2,
      ),
    ],
  );
}

function sectionOf({ lamp, R, globe, layers, z, shade }: Parts): View {
  return view(
    'section',
    'Section from the side, light to the right',
    [
      shade,
      circle(lamp.depthM * 0.45, 0, globe, 'glass', 'seat-0'),
      ...layers.map((_, k) => segment([z + 0.004 * k, -R], [z + 0.004 * k, R], 'glass', 'layer')),
    ],
    [measure([0, -R], [lamp.depthM, -R], -R * 0.2, 'Depth')],
    [knob('depthM', 'Reflector depth', [lamp.depthM, R * 0.6], [1, 0])],
  );
}

const boardOf = ({ R, globe }: Parts): Board => ({
  outline: [circle(0, 0, R, 'hidden', 'shade')],
  lamps: holders([[0, 0]]),
  lampM: globe,
  rows: [],
});
