import type { Body, Solid } from '../../assembly/body';
import { facing } from '../../assembly/poses';
import { rod, slab } from '../../assembly/solids';
import type { FormContext } from '../form';
import { CLOTH_M, foldedDisc, forwards, lampBody, layerBody, made } from '../kit/bodies';
import { bulbsOf } from '../kit/lamps';
import { layerParts } from '../kit/lookup';
import { bulbsFrontM, NECK } from './layout';
import { type ClampLamp } from './parameters';
import { CLAMP_M } from './resolve';

const SHADE_M = 0.001;
/** The lamp's own holder in the shade's neck, and the jaw of the clamp behind it [typ]. */
const HOLDER_M = 0.07;
const JAW_M = 0.03;

/** Shade, holder and clamp as they are bought; the bulb; layers over the rim. */
export function assembleLamp(lamp: ClampLamp, context: FormContext): Body[] {
  const R = lamp.reflectorM / 2;
  const neck = R * NECK;
  const layers = layerParts(lamp, context);
  return [
    made('shade', 'Shade', 'metal', null, shadeSolid(neck, R, lamp.depthM), facing([0, 0, 0]), {
      away: forwards(1),
    }),
    made(
      'holder',
      'Holder',
      'part',
      null,
      rod(neck + SHADE_M, HOLDER_M),
      facing([0, 0, -HOLDER_M]),
    ),
    made(
      'clamp',
      'Clamp',
      'metal',
      'clamp',
      slab(JAW_M, 2 * JAW_M, CLAMP_M - HOLDER_M),
      facing([0, 0, -CLAMP_M]),
      { away: forwards(-1) },
    ),
    bulbBody(lamp, context),
    ...layers.map((_, k) => {
      const tab = k === 0 ? Math.max(lamp.tabM, lamp.standoffM) : 0;
      return layerBody(
        `layer-${k + 1}`,
        `Layer ${k + 1}`,
        foldedDisc(R + SHADE_M * 2, tab),
        lamp.depthM + lamp.standoffM + k * CLOTH_M,
        3 + k,
        { outside: true },
      );
    }),
  ];
}

/** The biggest of its bulbs: several hang in one adapter, whose shape nobody knows. */
function bulbBody(lamp: ClampLamp, context: FormContext): Body {
  const biggest = bulbsOf(lamp.groups, context).reduce((most, bulb) =>
    (bulb?.globeDiameterM ?? 0) > (most?.globeDiameterM ?? 0) ? bulb : most,
  );
  return lampBody(biggest, 0, [0, 0, 0], 'lamps-in', bulbsFrontM(lamp, context));
}

/** From its neck to its mouth, as thick across as it is measured there. */
const shadeSolid = (neckM: number, mouthM: number, depthM: number): Solid => ({
  kind: 'turned',
  profile: [
    [neckM, 0],
    [neckM + SHADE_M, 0],
    [mouthM + SHADE_M, depthM],
    [mouthM, depthM],
  ],
});
