import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { look, notChosen } from '../kit/findingWriters';
import { bulbNeeds } from '../kit/lamps';
import { apparentVa, fromUnit } from '../kit/needs';
import { meterIt, step } from '../kit/steps';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { type Plain } from './parameters';
import { sourceOf } from './layout';

export function resolve(plain: Plain, context: FormContext): ResolvedBuild {
  const { lamps, widthM, heightM, depthM, massKg } = sourceOf(plain, context);
  const unitNow = lamps.groups[0]?.unit ?? null;
  const isWindow = plain.source === 'window';
  const chosen = lamps.groups.length > 0;
  return completeBuild(
    {
      ...lamps,
      // An opening as large as a window is summed from patches, not taken for a point.
      mouth: isWindow
        ? {
            shape: 'rectangle',
            widthM,
            heightM,
            heightOverBackM: 0,
            layers: [],
            cavity: null,
            room: null,
            directShare: 1,
          }
        : null,
      lampsAt: { drawing: 'seat-0', field: isWindow ? 'windowCdM2' : 'source' },
      wiring: {
        // It comes with its own cord and plug.
        cord: { partId: null },
        plug: { partId: null },
        dimmer: { partId: null },
        loads:
          unitNow && !isWindow
            ? [
                {
                  ref: 'seat-0',
                  apparentVa: apparentVa(unitNow.wattsW.value, unitNow.powerFactor.value),
                  cordM: 1.5,
                },
              ]
            : [],
      },
      pieces: [],
      needs:
        plain.source === 'bulb'
          ? bulbNeeds(plain.groups.slice(0, 1), [{ group: 0 }], context)
          : fromUnit(
              {
                panel: plain.panelId,
                'work-light': plain.workLightId,
                tube: plain.tubeId,
                window: null,
              }[plain.source],
              1,
              'piece',
              'as it is',
            ),
      steps: [
        step(
          'check parts',
          'look-at',
          'Look at it where it stands',
          'A plain source is used as found',
          'eyes',
          5,
          'it lights, its cord is whole, nothing hot near cloth',
          isWindow
            ? 'Never climb out to cover a window: work from inside.'
            : 'A lamp that has fallen once may have live metal: do not use it.',
        ),
        step(
          'rig',
          'place',
          'Place it',
          'Height and distance make its shadow',
          'stand, tape',
          10,
          'the cord is taped down',
        ),
        step(
          'meter',
          'match',
          'Match it or switch it off',
          'Two whites in one picture show',
          'gel, dimmer',
          10,
          'its colour is known beside the key',
        ),
        meterIt(),
      ],
      facts: [
        fact('width', 'Width', widthM, 'of the source'),
        fact('height', 'Height', heightM, 'of the source'),
        fact(
          'flux',
          'Lumens',
          lamps.emitters.reduce((sum, { luminousFluxLm }) => sum + luminousFluxLm, 0),
          isWindow ? 'π · L · A' : 'of the lamp at its level',
          'luminousFlux',
        ),
        fact('area', 'Face', widthM * heightM, 'width × height', 'area'),
      ],
      findings: [
        ...notChosen('plain', [['lamp', chosen, 'source', 'seat-0', 'Choose what stands there.']]),
        ...(isWindow
          ? [
              look(
                'light',
                'plain.daylight',
                'A window changes by the minute',
                'Clouds move it by two stops and dusk by five: meter it just before the take, and again after.',
                { field: 'windowCdM2', drawing: 'seat-0' },
              ),
            ]
          : []),
      ],
      apparent: { widthM, heightM },
      array: { spacingM: Infinity, emitterWidthM: widthM },
      frontM: isWindow ? 0 : depthM / 2,
      folded: { widthM, heightM, depthM },
    },
    massKg,
    context,
  );
}
