import type { FormContext } from '../forms/form';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { piecesMassKg } from '../forms/kit/mass';
import { fact } from '../forms/kit/build';
import { notChosen } from '../forms/kit/findingWriters';
import { hardware } from '../forms/kit/needs';
import { choice, count, defineParameters, length, part } from '../forms/kit/parameters';
import { stickPiece } from '../forms/kit/pieces';
import { box, knob, measure, view } from '../drawing/shapes';
import { step } from '../forms/kit/steps';
import type { AccessoryDefinition, Attachment } from './accessory';

/** A batten shorter than this stiffens nothing. */
const LEAST_M = 0.05;
/** Battens stand over this share of the width; screws so far apart [common practice]. */
const SPREAD = 0.7;
const SCREWS_APART_M = 0.15;

const { schema, fields, defaults } = defineParameters({
  stickPartId: part('Batten', 'Stiffener', 'stick'),
  bars: count('Bars', 'Stiffener', { start: 1, min: 1, max: 12 }),
  direction: choice('Run', 'Stiffener', [
    ['up', 'upright'],
    ['level', 'level'],
  ]),
  inM: length('Short of the edge', 'Stiffener', { start: 0.03, min: 0, max: 1 }),
});
type Stiffener = ReturnType<typeof defaults>;

/** What is worked out once and told in several places. */
function partsOf(given: Stiffener, base: ResolvedBuild) {
  const { stickPartId, bars, direction, inM } = given;
  const { widthM, heightM } = base.folded;
  const long = Math.max(LEAST_M, (direction === 'up' ? heightM : widthM) - 2 * inM);
  const pieces = [stickPiece('stiffener', 'Stiffener', stickPartId, long, bars)];
  const spread = (direction === 'up' ? widthM : heightM) * SPREAD;
  const at = (k: number) => (bars === 1 ? 0 : (k / (bars - 1) - 0.5) * spread);
  return { stickPartId, bars, direction, widthM, heightM, long, pieces, at };
}
type Parts = ReturnType<typeof partsOf>;

function attach(given: Stiffener, base: ResolvedBuild, context: FormContext): Attachment {
  const parts = partsOf(given, base);
  const { stickPartId, bars, long, pieces } = parts;
  return {
    pieces,
    needs: hardware('screw', bars * Math.ceil(long / SCREWS_APART_M + 1), 'every 15 cm'),
    steps: stepsOf(parts),
    facts: [fact('stiffener', 'Stiffener length', long, 'size less both ends')],
    findings: notChosen('stiffener', [
      ['batten', stickPartId, 'stickPartId', 'stiffener', 'Choose the batten it is cut from.'],
    ]),
    massKg: piecesMassKg(pieces, context),
    view: viewOf(parts),
  };
}

function viewOf({ bars, direction, widthM, heightM, long, at }: Parts): Attachment['view'] {
  return view(
    'stiffener',
    'Stiffeners, from behind',
    [
      box(0, 0, widthM, heightM, 'hidden', 'board'),
      ...Array.from({ length: bars }, (_, k) =>
        direction === 'up'
          ? box(at(k), 0, 0.025, long, 'part', 'stiffener')
          : box(0, at(k), long, 0.025, 'part', 'stiffener'),
      ),
    ],
    [measure([-widthM / 2, -heightM / 2], [widthM / 2, -heightM / 2], -0.06 * widthM, 'Width')],
    [
      direction === 'up'
        ? knob('inM', 'Short of the edge', [0, long / 2], [0, 1], -1)
        : knob('inM', 'Short of the edge', [long / 2, 0], [1, 0], -1),
    ],
  );
}

function stepsOf({ bars }: Parts): Attachment['steps'] {
  return [
    step(
      'mount',
      'screw-on',
      'Screw the stiffeners on',
      'A flat board stays flat',
      'screwdriver, glue',
      8 * bars,
      'screws shorter than both together',
      'A screw that comes through the front can reach a wire.',
    ),
  ];
}

/** Battens across the back, so that a board does not sag or warp. */
export const stiffener: AccessoryDefinition<Stiffener> = {
  id: 'stiffener',
  name: 'Stiffener',
  summary: 'Battens across the back of a board.',
  parameters: schema,
  fields,
  defaults,
  attach,
};
