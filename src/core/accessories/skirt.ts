import type { FormContext } from '../forms/form';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { piecesMassKg } from '../forms/kit/mass';
import { fact } from '../forms/kit/build';
import { stop } from '../forms/kit/findingWriters';
import { hardware } from '../forms/kit/needs';
import { choice, defineParameters, length, part } from '../forms/kit/parameters';
import { clothPiece } from '../forms/kit/pieces';
import { knob, line, measure, view } from '../drawing/shapes';
import { step } from '../forms/kit/steps';
import { rectangularSkirt } from '../light/controls';
import { frontPlaneM, type AccessoryDefinition, type Attachment } from './accessory';

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
    needs: hardware('clip', Math.ceil(long / 0.3) + 1, 'along the skirt'),
    steps: stepsOf(parts),
    facts: factsOf(parts),
    findings: findingsOf(parts),
    massKg: piecesMassKg(pieces, context),
    controls: controlsOf(parts),
    view: viewOf(parts),
  };
}

function viewOf({ depthM, heightM }: Parts): Attachment['view'] {
  return view(
    'skirt',
    'Skirt, from the side',
    [
      line(
        [
          [0, -heightM / 2],
          [0, heightM / 2],
        ],
        'part',
      ),
      line(
        [
          [0, heightM / 2],
          [depthM, heightM / 2],
        ],
        'hidden',
        'skirt',
      ),
      line(
        [
          [0, -heightM / 2],
          [depthM, -heightM / 2],
        ],
        'hidden',
        'skirt',
      ),
    ],
    [measure([0, -heightM / 2], [depthM, -heightM / 2], -0.1 * heightM, 'Depth')],
    [knob('depthM', 'Skirt depth', [depthM, heightM / 2], [1, 0])],
  );
}

function controlsOf({ base, depthM, sides, widthM, heightM }: Parts): Attachment['controls'] {
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
      'dress',
      'hang',
      'Hem and hang the skirt',
      'It keeps light off the walls',
      'needle or tape, clips',
      20 + long * 5,
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

function findingsOf({ base }: Parts): Attachment['findings'] {
  return base.groups.some(({ unit }) => unit.filament)
    ? [
        stop(
          'heat',
          'skirt.hot',
          'Cloth round hot lamps',
          'Keep cloth at least as far from a filament lamp as its maker says, 15 cm for household bulbs; a skirt on the rim is nearer.',
          { field: 'depthM', drawing: 'skirt' },
        ),
      ]
    : [];
}

/** Black cloth round the front, or along one side as a flag. */
export const skirt: AccessoryDefinition<Skirt> = {
  id: 'skirt',
  name: 'Skirt or flag',
  summary: 'Black cloth that keeps light off walls and lens.',
  parameters: schema,
  fields,
  defaults,
  attach,
};
