import type { ResolvedBuild } from '../build/resolvedBuild';
import { fact } from '../forms/kit/build';
import { hardware } from '../forms/kit/needs';
import { choice, count, defineParameters, length } from '../forms/kit/parameters';
import { box, circle, knob, measure, view } from '../drawing/shapes';
import { step } from '../forms/kit/steps';
import type { AccessoryDefinition, Attachment } from './accessory';

/** A spigot plate with its bolts [typ; from memory]. */
const PLATE_KG = 0.3;

const KINDS = {
  spigot: { name: '16 mm (5/8 in) spigot', limitKg: 12, hardware: 'spigot' },
  thread: { name: '3/8-16 or 1/4-20 thread plate', limitKg: 4, hardware: 'thread-plate' },
  pipe: { name: 'pipe clamp', limitKg: 15, hardware: 'pipe-clamp' },
  shoe: { name: 'cold shoe', limitKg: 0.8, hardware: 'cold-shoe' },
  hook: { name: 'J-hook', limitKg: 8, hardware: 'j-hook' },
} as const;
type Kind = keyof typeof KINDS;

const { schema, fields, defaults } = defineParameters({
  kind: choice(
    'Kind',
    'Mount',
    Object.entries(KINDS).map(([id, { name }]) => [id as Kind, name] as const),
  ),
  points: count('Points', 'Mount', { start: 1, min: 1, max: 8 }),
  plateM: length('Plate', 'Mount', { start: 0.1, min: 0.03, max: 0.6 }),
  overhead: choice('Hangs', 'Mount', [
    ['no', 'on a stand'],
    ['yes', 'over people'],
  ]),
});
type Mount = ReturnType<typeof defaults>;

/** What is worked out once and told in several places. */
function partsOf(mount: Mount, base: ResolvedBuild) {
  const { kind, points, plateM, overhead } = mount;
  const { name, limitKg, hardware: id } = KINDS[kind];
  return { base, points, plateM, overhead, name, limitKg, id };
}
type Parts = ReturnType<typeof partsOf>;

function attach(mount: Mount, base: ResolvedBuild): Attachment {
  const parts = partsOf(mount, base);
  const { points, name, limitKg, overhead } = parts;
  const ownKg = PLATE_KG * points;
  return {
    pieces: [],
    needs: needsOf(parts),
    steps: stepsOf(parts),
    facts: [fact('bolts', 'Bolts', 4 * points, 'four a plate', 'count')],
    findings: [],
    massKg: ownKg,
    support: {
      kind: 'fixing',
      id: 'mount',
      ownKg,
      name,
      points,
      limitKg,
      overPeople: overhead === 'yes',
      ref: 'mount',
      field: 'points',
    },
    view: viewOf(parts),
  };
}

function viewOf({ base, plateM }: Parts): Attachment['view'] {
  return view(
    'mount',
    'Mount, from behind',
    [
      box(
        0,
        0,
        Math.max(base.folded.widthM, plateM),
        Math.max(base.folded.heightM, plateM),
        'hidden',
      ),
      box(0, 0, plateM, plateM, 'part', 'mount'),
      circle(0, 0, 0.008, 'drill', 'mount'),
    ],
    [measure([-plateM / 2, -plateM / 2], [plateM / 2, -plateM / 2], -0.1 * plateM, 'Plate')],
    [knob('plateM', 'Plate', [plateM / 2, 0], [1, 0], 2)],
  );
}

function needsOf({ points, overhead, id }: Parts): Attachment['needs'] {
  return [
    ...hardware(id, points, 'to hold the light'),
    ...hardware('bolt', 4 * points, 'through a backing plate'),
    ...(overhead === 'yes'
      ? hardware('safety-bond', Math.max(1, points), 'second fixing, five times the load')
      : []),
  ];
}

function stepsOf({ points }: Parts): Attachment['steps'] {
  return [
    step(
      'mount',
      'bolt-on',
      'Drill for the mount and bolt it on',
      'Screws pull out of board; bolts with a plate do not',
      'drill, spanner',
      15 * points,
      'holds twice the light’s weight for a minute',
      'Drilled before anything is wired: a bit that comes through later finds the wire.',
    ),
  ];
}

/** What the light is held by; loads are what a home-made fixing of that kind bears [common practice]. */
export const mount: AccessoryDefinition<Mount> = {
  id: 'mount',
  name: 'Mount',
  summary: 'Spigot, thread, clamp, shoe or hook, and whether it bears the load.',
  parameters: schema,
  fields,
  defaults,
  attach,
};
