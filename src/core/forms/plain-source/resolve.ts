import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { look, notChosen } from '../kit/findingWriters';
import { bulbNeeds } from '../kit/lamps';
import { apparentVa, fromUnit } from '../kit/needs';
import { step } from '../kit/steps';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { type Plain } from './parameters';
import { sourceOf } from './layout';

/** A bought lamp's own cord [typ; from memory]. */
const OWN_CORD_M = 1.5;

/** What is worked out once and told in several places. */
function partsOf(plain: Plain, context: FormContext) {
  const { lamps, widthM, heightM, depthM, massKg } = sourceOf(plain, context);
  const unitNow = lamps.groups[0]?.unit ?? null;
  const isWindow = plain.source === 'window';
  const chosen = lamps.groups.length > 0;
  return { plain, context, lamps, widthM, heightM, depthM, massKg, unitNow, isWindow, chosen };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(plain: Plain, context: FormContext): ResolvedBuild {
  const parts = partsOf(plain, context);
  const { lamps, widthM, heightM, depthM, massKg, unitNow, isWindow } = parts;
  return completeBuild(
    {
      ...lamps,
      mouth: mouthOf(parts),
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
                  cordM: OWN_CORD_M,
                },
              ]
            : [],
      },
      pieces: [],
      needs: needsOf(parts),
      steps: stepsOf(parts),
      facts: factsOf(parts),
      findings: findingsOf(parts),
      apparent: { widthM, heightM },
      array: { spacingM: Infinity, emitterWidthM: widthM },
      frontM: isWindow ? 0 : depthM / 2,
      built: { widthM, heightM, depthM },
    },
    massKg,
    context,
  );
}

function mouthOf({ widthM, heightM, isWindow }: Parts): ResolvedBuild['mouth'] {
  return isWindow
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
    : null;
}

function needsOf({ plain, context }: Parts): ResolvedBuild['needs'] {
  return plain.source === 'bulb'
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
        plain.source === 'tube' ? 'lamps-in' : 'look-at',
      );
}

function stepsOf({ isWindow }: Parts): ResolvedBuild['steps'] {
  return [
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
  ];
}

function factsOf({ lamps, widthM, heightM, isWindow }: Parts): ResolvedBuild['facts'] {
  return [
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
  ];
}

function findingsOf({ isWindow, chosen }: Parts): ResolvedBuild['findings'] {
  return [
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
  ];
}
