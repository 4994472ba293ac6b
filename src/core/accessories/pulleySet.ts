import type { ResolvedBuild } from '../build/resolvedBuild';
import { fact } from '../forms/kit/build';
import { hardware } from '../forms/kit/needs';
import { count, defineParameters, length } from '../forms/kit/parameters';
import { box, circle, knob, measure, view, segment } from '../drawing/shapes';
import { step } from '../forms/kit/steps';
import type { AccessoryDefinition, Attachment } from './accessory';

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

/** Ropes over pulleys to rated points, with a bond at each. */
export const pulleySet: AccessoryDefinition<PulleySet> = {
  id: 'pulley-set',
  name: 'Pulley set',
  summary: 'Hoists a light to rated points, with a second fixing at each.',
  parameters: schema,
  fields,
  defaults,
  attach,
};
