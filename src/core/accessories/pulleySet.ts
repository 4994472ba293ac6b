import type { Body } from '../assembly/body';
import type { Measure } from '../assembly/distance';
import { facing } from '../assembly/poses';
import { rod } from '../assembly/solids';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { cordBody, made } from '../forms/kit/bodies';
import { fact } from '../forms/kit/build';
import { hardware } from '../forms/kit/needs';
import { count, defineParameters, length } from '../forms/kit/parameters';
import { box, circle, knob, measure, view, segment } from '../drawing/shapes';
import { step } from '../forms/kit/steps';
import type { AccessoryDefinition, Attachment } from './accessory';
import { backUnder, bearing } from './fit';

/** A pulley with its share of rope and its bond [typ; from memory]. */
const PULLEY_KG = 0.4;

const { schema, fields, defaults } = defineParameters({
  points: count('Hang points', 'Hoist', { start: 4, min: 1, max: 12 }),
  heightM: length('Height of the points', 'Hoist', { start: 4, min: 1, max: 15, step: 0.1 }),
  spareM: length('Spare rope', 'Hoist', { start: 2, min: 0, max: 20, step: 0.1 }),
  limitKg: count('Point rated for, kg', 'Hoist', { start: 25, min: 1, max: 1000 }),
});
type PulleySet = ReturnType<typeof defaults>;

/** What is worked out once and told in several places. */
function partsOf(pulleys: PulleySet, base: ResolvedBuild) {
  const { points, heightM, spareM, limitKg } = pulleys;
  const ropeM = points * (2 * heightM + spareM);
  const { widthM } = base.built;
  return { base, points, heightM, limitKg, ropeM, widthM };
}
type Parts = ReturnType<typeof partsOf>;

function attach(pulleys: PulleySet, base: ResolvedBuild): Attachment {
  const parts = partsOf(pulleys, base);
  const { points, limitKg, ropeM } = parts;

  return {
    pieces: [],
    needs: [
      ...hardware('pulley', points, 'one a point', 'hoist'),
      ...hardware('rope', ropeM, 'up, down and to spare', 'hoist'),
      ...hardware('safety-bond', points, 'closed before anybody goes underneath', 'hoist'),
      ...hardware(
        'eye-bolt',
        points,
        'a hang point each, with washers on both sides',
        'hang-points',
      ),
    ],
    steps: [
      step(
        'mount',
        'hang-points',
        'Bolt the hang points on',
        'Bolts with a plate; a screw pulls out of board',
        'drill, spanner',
        10 * points,
        'each holds twice the light’s weight for a minute',
        'Drilled before anything is wired: a bit that comes through later finds the wire.',
      ),
    ],
    facts: [fact('rope', 'Rope in all', ropeM, 'points · (2 · height + spare)')],
    findings: [],
    massKg: PULLEY_KG * points,
    support: {
      kind: 'hoist',
      id: 'hoist',
      // Pulleys, ropes and bonds hang from the points as well.
      ownKg: 0,
      points,
      limitKg,
      bonds: true,
      bondsField: null,
      ref: 'hoist',
      field: 'points',
    },
    view: viewOf(parts),
  };
}

function viewOf({ base, heightM, widthM }: Parts): Attachment['view'] {
  return view(
    'hoist',
    'Hoist, from the side',
    [
      segment([-widthM * 0.7, heightM], [widthM * 0.7, heightM], 'part'),
      box(0, heightM * 0.55, widthM, Math.max(0.05, base.built.depthM), 'part', 'board'),
      ...[-1, 1].flatMap((side) => [
        segment(
          [side * widthM * 0.42, heightM],
          [side * widthM * 0.42, heightM * 0.55],
          'cord',
          'hoist',
        ),
        circle(side * widthM * 0.42, heightM - 0.06, 0.06, 'part', 'hoist'),
      ]),
    ],
    [measure([widthM * 0.7, 0], [widthM * 0.7, heightM], -0.08 * heightM, 'Height')],
    [knob('heightM', 'Height of the points', [0, heightM], [0, 1])],
  );
}

/** Hang points near the corners, drawn in until there is something to bolt to; so much of each rope is shown. */
const AT = 0.42;
const TRIES = 20;
const EYE_M = 0.04;
const EYE_RADIUS_M = 0.005;
const SHOWN_M = 0.6;

function assemble(pulleys: PulleySet, base: ResolvedBuild, on: readonly Measure[]): Body[] {
  const { points } = pulleys;
  const { widthM, heightM } = base.built;
  const columns = Math.ceil(points / 2);
  return Array.from({ length: points }, (_, k) => k).flatMap((k): Body[] => {
    const column = Math.floor(k / 2);
    const x = columns === 1 ? 0 : AT * widthM * ((2 * column) / (columns - 1) - 1);
    const y = points === 1 ? 0 : (k % 2 ? -AT : AT) * heightM;
    const bears = bearing(on);
    const share = Array.from({ length: TRIES + 1 }, (_, at) => 1 - at / TRIES).find(
      (each) => backUnder(bears, [x * each, y * each], EYE_RADIUS_M) !== null,
    );
    if (share === undefined) return [];
    const [px, py] = [x * share, y * share];
    const back = backUnder(bears, [px, py], EYE_RADIUS_M)!;
    return [
      made(
        `eye-bolt-${k + 1}`,
        'Eye bolt',
        'metal',
        'hang-points',
        rod(EYE_RADIUS_M, EYE_M),
        facing([px, py, back - EYE_M]),
        { outside: true },
      ),
      cordBody(
        `rope-${k + 1}`,
        'Rope',
        'hoist',
        [
          [px, py, back - EYE_M],
          [px, py, back - EYE_M - SHOWN_M],
        ],
        { outside: true },
      ),
    ];
  });
}

/** Ropes over pulleys to rated points, with a bond at each. */
export const pulleySet: AccessoryDefinition<PulleySet> = {
  id: 'pulley-set',
  name: 'Pulley set',
  summary: 'Hoists a light to rated points, with a second fixing at each.',
  parameters: schema,
  fields,
  defaults,
  attach,
  assemble,
};
