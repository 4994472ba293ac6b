import type { FormContext } from '../forms/form';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { piecesMassKg } from '../forms/kit/mass';
import { fact } from '../forms/kit/build';
import { plateThings } from '../forms/kit/things';
import { hardware } from '../forms/kit/needs';
import { choice, defineParameters, length, part } from '../forms/kit/parameters';
import { clothPiece } from '../forms/kit/pieces';
import { knob, measure, view, segment } from '../drawing/shapes';
import { step } from '../forms/kit/steps';
import { rectangularSkirt, type Plate } from '../light/controls';
import { frontPlaneM, type AccessoryDefinition, type Attachment } from './accessory';

/** Clips along a skirt. */
const CLIPS_APART_M = 0.3;

const { schema, fields, defaults } = defineParameters({
  depthM: length('Depth', 'Skirt', { start: 0.2, min: 0.02, max: 3 }),
  sides: choice('Hangs on', 'Skirt', [
    ['all', 'all sides'],
    ['top', 'the top: a flag'],
    ['left', 'the left'],
    ['right', 'the right'],
  ]),
  clothPartId: part('Cloth', 'Skirt', 'cloth'),
});
type Skirt = ReturnType<typeof defaults>;
const HEM_M = 0.03;

/** What is worked out once and told in several places. */
function partsOf(cloth: Skirt, base: ResolvedBuild) {
  const { depthM, sides, clothPartId } = cloth;
  const { widthM, heightM } = base.apparent;
  const round = 2 * (widthM + heightM);
  const long = sides === 'all' ? round : sides === 'top' ? widthM : heightM;
  const reachM = sides === 'top' ? heightM : widthM;
  const pieces = [
    clothPiece('skirt', 'Skirt', clothPartId, long + 2 * HEM_M, depthM + 2 * HEM_M, {
      markOut: ['Hem all edges; eyelets or clips every 30 cm.'],
    }),
  ];
  return { base, depthM, sides, widthM, heightM, long, reachM, pieces };
}
type Parts = ReturnType<typeof partsOf>;

function attach(cloth: Skirt, base: ResolvedBuild, context: FormContext): Attachment {
  const parts = partsOf(cloth, base);
  const { long, pieces } = parts;
  return {
    pieces,
    needs: hardware('clip', Math.ceil(long / CLIPS_APART_M) + 1, 'along the skirt'),
    steps: stepsOf(parts),
    facts: factsOf(parts),
    findings: [],
    massKg: piecesMassKg(pieces, context),
    massAtM: frontPlaneM(base) + cloth.depthM / 2,
    controls: controlsOf(parts),
    things: plateThings(controlsOf(parts), 'side', {
      name: parts.sides === 'all' ? 'skirt' : 'flag of cloth',
      burns: 'cloth',
      ref: 'skirt',
      field: 'depthM',
    }),
    view: viewOf(parts),
  };
}

function viewOf({ depthM, heightM }: Parts): Attachment['view'] {
  return view(
    'skirt',
    'Skirt, from the side',
    [
      segment([0, -heightM / 2], [0, heightM / 2], 'part'),
      segment([0, heightM / 2], [depthM, heightM / 2], 'hidden', 'skirt'),
      segment([0, -heightM / 2], [depthM, -heightM / 2], 'hidden', 'skirt'),
    ],
    [measure([0, -heightM / 2], [depthM, -heightM / 2], -0.1 * heightM, 'Depth')],
    [knob('depthM', 'Skirt depth', [depthM, heightM / 2], [1, 0])],
  );
}

function controlsOf({ base, depthM, sides, widthM, heightM }: Parts): Plate[] {
  return rectangularSkirt(
    'skirt',
    widthM,
    heightM,
    frontPlaneM(base),
    depthM,
    sides === 'all' ? undefined : [sides],
  );
}

function stepsOf({ long }: Parts): Attachment['steps'] {
  return [
    step(
      'finish',
      'hem',
      'Hem the skirt',
      'A raw edge frays into the light',
      'needle or tape',
      15 + long * 5,
      'hems straight, corners doubled',
    ),
    step(
      'dress',
      'hang',
      'Hang the skirt',
      'Unplugged and cool; the warm checks come after it',
      'clips',
      5,
      'cloth hangs clear of every lamp',
      'Cloth may not touch a lamp: it scorches.',
    ),
  ];
}

function factsOf({ depthM, sides, long, reachM }: Parts): Attachment['facts'] {
  return [
    fact('skirt-length', 'Cloth along the edge', long, sides === 'all' ? 'all round' : 'one side'),
    fact(
      'skirt-cut',
      'No light beyond',
      Math.atan2(reachM, depthM),
      'atan(width / depth), to the axis',
      'angle',
    ),
  ];
}

/** Black cloth round the front, or along one side as a flag. */
export const skirt: AccessoryDefinition<Skirt> = {
  id: 'skirt',
  name: 'Skirt or flag',
  summary: 'Black cloth that keeps light off walls and lens.',
  parameters: schema,
  fields,
  optical: true,
  defaults,
  attach,
};
