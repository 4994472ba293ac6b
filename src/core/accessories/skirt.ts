import type { Body } from '../assembly/body';
import type { Measure } from '../assembly/distance';
import { facing } from '../assembly/poses';
import { hoop } from '../assembly/solids';
import type { FormContext } from '../forms/form';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { piecesMassKg } from '../forms/kit/mass';
import { CLOTH_M, IN_PLACE, made, sheetBetween } from '../forms/kit/bodies';
import { fact } from '../forms/kit/build';
import { plateThings } from '../forms/kit/things';
import { hardware } from '../forms/kit/needs';
import { choice, defineParameters, length, part } from '../forms/kit/parameters';
import { clothPiece } from '../forms/kit/pieces';
import { knob, measure, view, segment } from '../drawing/shapes';
import { step } from '../forms/kit/steps';
import type { Parcel } from '../build/resolvedBuild';
import type { Thing } from '../build/things';
import type { XY } from '../drawing/shapes';
import { BLACK_CLOTH, rectangularSkirt, type Plate, type RoundWall } from '../light/controls';
import { frontPlaneM, type AccessoryDefinition, type Attachment } from './accessory';
import { hangers, seatPlane } from './fit';
import { frontSize } from '../build/front';

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
  const { widthM, heightM, round = false } = frontSize(base);
  const about = round ? Math.PI * widthM : 2 * (widthM + heightM);
  const long = sides === 'all' ? about : sides === 'top' ? widthM : heightM;
  const reachM = sides === 'top' ? heightM : widthM;
  const pieces = [
    clothPiece('skirt', 'Skirt', clothPartId, long + 2 * HEM_M, depthM + 2 * HEM_M, {
      markOut: ['Hem all edges; eyelets or clips every 30 cm.'],
    }),
  ];
  return { base, depthM, sides, widthM, heightM, round, long, reachM, pieces };
}
type Parts = ReturnType<typeof partsOf>;

function attach(cloth: Skirt, base: ResolvedBuild, context: FormContext): Attachment {
  const parts = partsOf(cloth, base);
  const { long, pieces } = parts;
  return {
    pieces,
    needs: [
      ...hardware('clip', Math.ceil(long / CLIPS_APART_M) + 1, 'along the skirt', 'hang'),
      ...hardware('hinge-tape', 2 * long, 'hems, where they are not sewn', 'hem'),
    ],
    parcel: clothParcel(piecesMassKg(pieces, context)),
    steps: stepsOf(parts),
    facts: factsOf(parts),
    findings: [],
    massKg: piecesMassKg(pieces, context),
    massAtM: frontPlaneM(base) + cloth.depthM / 2,
    controls: controlsOf(parts),
    things: thingsOf(parts),
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

/** Round a round front it is one wall of cloth; a flag hangs straight all the same. */
function controlsOf(parts: Parts): (Plate | RoundWall)[] {
  const { base, depthM, sides, widthM, heightM, round } = parts;
  const fromM = frontPlaneM(base);
  if (round && sides === 'all') {
    const radius = widthM / 2;
    return [
      {
        kind: 'round',
        name: 'skirt',
        fromM,
        toM: fromM + depthM,
        fromRadiusM: radius,
        toRadiusM: radius,
        reflectance: BLACK_CLOTH,
      },
    ];
  }
  return rectangularSkirt(
    'skirt',
    widthM,
    heightM,
    fromM,
    depthM,
    sides === 'all' ? undefined : [sides],
  );
}

function thingsOf(parts: Parts): Thing[] {
  const told = {
    name: parts.sides === 'all' ? 'skirt' : 'flag of cloth',
    burns: 'cloth',
    ref: 'skirt',
    field: 'depthM',
  } as const;
  return controlsOf(parts)
    .flatMap((control): Thing[] =>
      control.kind === 'round'
        ? [{ ...told, id: 'side-1', limitC: null, place: { ...control, kind: 'cone' } }]
        : plateThings([control], 'side', told),
    )
    .map((thing, k) => ({ ...thing, id: `side-${k + 1}` }));
}

/** Cloth folds to a litre for each 150 g [typ]. */
const SACK_KG_PER_M3 = 150;
function clothParcel(massKg: number): Parcel {
  const side = Math.cbrt(massKg / SACK_KG_PER_M3);
  return { name: 'skirt', massKg, widthM: side, heightM: side, depthM: side };
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
      { works: 'cloth' },
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
    fact(
      'skirt-length',
      'Cloth along the edge',
      long,
      sides === 'all' ? 'all round the front' : 'one side',
    ),
    fact(
      'skirt-cut',
      'No light beyond',
      Math.atan2(reachM, depthM),
      'atan(width / depth), to the axis',
      'angle',
    ),
  ];
}

/** Clips run back along the inside of the cloth. */
const INSIDE_M = 0.0005;

function assemble(cloth: Skirt, base: ResolvedBuild, on: readonly Measure[]): Body[] {
  const parts = partsOf(cloth, base);
  const { widthM: w, heightM: h, sides, depthM } = parts;
  const [x, y] = [w / 2 - INSIDE_M, h / 2 - INSIDE_M];
  const middles: Record<Skirt['sides'], XY[]> = {
    all: [
      [-x, 0],
      [x, 0],
      [0, y],
      [0, -y],
    ],
    top: [[0, y]],
    left: [[-x, 0]],
    right: [[x, 0]],
  };
  const controls = controlsOf(parts);
  const edge = controls.flatMap((control): XY[] =>
    control.kind === 'plate'
      ? [0, 0.25, 0.5, 0.75, 1].map((share) => {
          const [a, b] = [control.points[0]!, control.points[1]!];
          return [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share];
        })
      : Array.from({ length: 16 }, (_, k) => {
          const angle = (Math.PI * k) / 8;
          return [control.fromRadiusM * Math.cos(angle), control.fromRadiusM * Math.sin(angle)];
        }),
  );
  const front = frontPlaneM(base);
  // Under both faces of the cloth.
  const outer = edge.map(([ex, ey]): XY => [
    ex + Math.sign(ex) * CLOTH_M,
    ey + Math.sign(ey) * CLOTH_M,
  ]);
  const z = seatPlane(on, [...edge, ...outer], front);
  const told = { piece: 'skirt', away: [0, 0, 4] as const, outside: true as const };
  return [
    ...controls.map((control, k) =>
      control.kind === 'round'
        ? made(
            'skirt-1',
            'Skirt',
            'cloth',
            'hang',
            hoop(control.fromRadiusM, control.fromRadiusM + CLOTH_M, 0, depthM),
            facing([0, 0, z]),
            told,
          )
        : made(
            `skirt-${k + 1}`,
            'Skirt',
            'cloth',
            'hang',
            sheetBetween(
              control.points.map(([x, y, at]) => [x, y, at + z - front] as const),
              CLOTH_M,
              [
                control.points[0]![0] * 3 + control.points[1]![0] * 3,
                control.points[0]![1] * 3 + control.points[1]![1] * 3,
                z,
              ],
            ),
            IN_PLACE,
            told,
          ),
    ),
    ...hangers(on, middles[sides], z, 'hang'),
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
  assemble,
};
