import type { ResolvedBuild } from '../build/resolvedBuild';
import { fact } from '../forms/kit/build';
import { look, ok, stop } from '../forms/kit/findingWriters';
import { hardware } from '../forms/kit/needs';
import { count, defineParameters, length } from '../forms/kit/parameters';
import { box, circle, knob, line, measure, view } from '../drawing/shapes';
import { step } from '../forms/kit/steps';
import type { AccessoryDefinition, Attachment } from './accessory';

const { schema, fields, defaults } = defineParameters({
  points: count('Hang points', 'Hoist', { start: 4, min: 1, max: 12 }),
  heightM: length('Height of the points', 'Hoist', { start: 4, min: 1, max: 15, step: 0.1 }),
  spareM: length('Spare rope', 'Hoist', { start: 2, min: 0, max: 20, step: 0.1 }),
  limitKg: count('Point rated for, kg', 'Hoist', { start: 25, min: 1, max: 1000 }),
});
type PulleySet = ReturnType<typeof defaults>;

/** Two legs of a bridle share one point at rest: a point may take a third more than its part. */
const UNEVEN = 1.33;

/** What is worked out once and told in several places. */
function partsOf(pulleys: PulleySet, base: ResolvedBuild) {
  const { points, heightM, spareM, limitKg } = pulleys;
  const each = (base.massKg / points) * UNEVEN;
  const ropeM = points * (2 * heightM + spareM);
  const { widthM } = base.folded;
  const where = { field: 'points', drawing: 'hoist' };
  const source = 'Even load and a third for uneven ropes; common practice';
  return { base, points, heightM, limitKg, each, ropeM, widthM, where, source };
}
type Parts = ReturnType<typeof partsOf>;

function attach(pulleys: PulleySet, base: ResolvedBuild): Attachment {
  const parts = partsOf(pulleys, base);
  const { points, each, ropeM } = parts;
  return {
    pieces: [],
    needs: [
      ...hardware('pulley', points, 'one a point'),
      ...hardware('rope', ropeM, 'up, down and to spare'),
      ...hardware('safety-bond', points, 'tied before anybody goes underneath'),
    ],
    steps: stepsOf(parts),
    facts: [
      fact('hang-load', 'Load on a point', each, 'mass / points · 1.33', 'mass'),
      fact('rope', 'Rope in all', ropeM, 'points · (2 · height + spare)'),
    ],
    findings: findingsOf(parts),
    massKg: 0.4 * points,
    view: viewOf(parts),
  };
}

function viewOf({ base, heightM, widthM }: Parts): Attachment['view'] {
  return view(
    'hoist',
    'Hoist, from the side',
    [
      line(
        [
          [-widthM * 0.7, heightM],
          [widthM * 0.7, heightM],
        ],
        'part',
      ),
      box(0, heightM * 0.55, widthM, Math.max(0.05, base.folded.depthM), 'part', 'board'),
      ...[-1, 1].flatMap((side) => [
        line(
          [
            [side * widthM * 0.42, heightM],
            [side * widthM * 0.42, heightM * 0.55],
          ],
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

function stepsOf({ points }: Parts): Attachment['steps'] {
  return [
    step(
      'rig',
      'hoist',
      'Hoist it',
      'Evenly, a hand a rope',
      'ropes, gloves, helpers',
      20 + 5 * points,
      'every rope made off twice, every bond closed',
      'Rated points and a competent rigger only. Two people or more; nobody underneath until the bonds are closed.',
    ),
  ];
}

function findingsOf({ limitKg, each, where, source }: Parts): Attachment['findings'] {
  return [
    each > limitKg
      ? stop(
          'hanging',
          'hoist.load',
          'More load than the points bear',
          `${each.toFixed(1)} kg on a point rated for ${limitKg} kg: it comes down on whoever is below. Use more points or a lighter frame.`,
          where,
          source,
          `${limitKg} kg a point`,
        )
      : ok(
          'hanging',
          'hoist.load',
          'The points bear it',
          `${each.toFixed(1)} kg on each. Who rated the points, and when?`,
          where,
          source,
          `${limitKg} kg a point`,
        ),
    look(
      'hanging',
      'hoist.people',
      'A load over people',
      'Safety bonds of at least five times the load, nobody below while it moves, a competent rigger’s word before it stays up.',
      where,
    ),
  ];
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
