import type { Body } from '../assembly/body';
import { boxAround, type Measure } from '../assembly/distance';
import { facing } from '../assembly/poses';
import { cutPiece, rod } from '../assembly/solids';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { forwards, made } from '../forms/kit/bodies';
import { fact } from '../forms/kit/build';
import { look } from '../forms/kit/findingWriters';
import { bolts, hardware } from '../forms/kit/needs';
import { choice, count, defineParameters, later, length, part } from '../forms/kit/parameters';
import { box, circle, knob, labelled, measure, view, type XY } from '../drawing/shapes';
import type { FormContext } from '../forms/form';
import { piecesMassKg } from '../forms/kit/mass';
import { rectanglePiece } from '../forms/kit/pieces';
import { BOARD_M } from '../forms/kit/typical';
import { THREADS } from '../materials/fasteners';
import { exactMm } from '../quantity';
import { step } from '../forms/kit/steps';
import { boardThicknessM, type AccessoryDefinition, type Attachment } from './accessory';
import { backPlane, bearing, liesFlat } from './fit';

/** Bolts of the mount, where they sit on the plate, and the mount's own flange [typ]. */
const BOLT = 'M6';
const HOLES_AT = 0.35;
const FLANGE_M = 0.004;
const SPIGOT_RADIUS_M = 0.008;
/** A mount stands so far out of the back. */
const STANDS_OUT_M = 0.05;
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
  platePartId: later(part('Backing plate from', 'Mount', 'sheet', false, { takes: 'stiff' })),
  overhead: choice('Hangs', 'Mount', [
    ['no', 'on a stand'],
    ['yes', 'over people'],
  ]),
});
type Mount = ReturnType<typeof defaults>;

/** What is worked out once and told in several places. */
function partsOf(mount: Mount, base: ResolvedBuild, context: FormContext) {
  const { kind, points, plateM, overhead, platePartId } = mount;
  const { name, limitKg, hardware: id } = KINDS[kind];
  const holes = [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ].map(([x, y]): XY => [plateM * (0.5 + HOLES_AT * x!), plateM * (0.5 + HOLES_AT * y!)]);
  const { clearanceM } = THREADS[BOLT];
  const plate = rectanglePiece(
    'backing-plate',
    'Backing plate',
    platePartId,
    plateM,
    plateM,
    context,
    {
      count: points,
      shapes: holes.map(([x, y]) =>
        labelled(
          circle(x, y, clearanceM / 2, 'drill'),
          `mount bolt ${BOLT}, ${exactMm(clearanceM)}`,
        ),
      ),
      markOut: [
        'Lay it on the back and drill through it: the light’s board takes the same four holes.',
      ],
    },
  );
  const clampedM = boardThicknessM(base) + (plate.thicknessM || BOARD_M) + FLANGE_M;
  return { base, points, plateM, overhead, name, limitKg, id, plate, holes, clampedM };
}
type Parts = ReturnType<typeof partsOf>;

function attach(mount: Mount, base: ResolvedBuild, context: FormContext): Attachment {
  const parts = partsOf(mount, base, context);
  const { points, name, limitKg, overhead, plate } = parts;
  const ownKg = PLATE_KG * points + piecesMassKg([plate], context);
  return {
    pieces: [plate],
    folds: (folded) => ({ ...folded, depthM: folded.depthM + STANDS_OUT_M }),
    needs: needsOf(parts),
    steps: stepsOf(parts),
    facts: [fact('bolts', 'Bolts', 4 * points, 'four a plate', 'count')],
    findings: findingsOf(parts),
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

/** Plates that hang over the light's edge hold on nothing there. */
function findingsOf({ base, points, plateM }: Parts): Attachment['findings'] {
  const { widthM, heightM } = base.built;
  if (plateM <= heightM && 1.1 * plateM * points <= widthM) return [];
  return [
    look(
      'geometry',
      'mount.plate',
      'The plate is wider than the light',
      `${points > 1 ? `${points} plates` : 'A plate'} of ${exactMm(plateM)} on a back of ${exactMm(widthM)} × ${exactMm(heightM)}: a smaller plate, so that every bolt has something to hold on to.`,
      { field: 'plateM', drawing: 'mount' },
      'Geometry',
    ),
  ];
}

function viewOf({ base, plateM, holes }: Parts): Attachment['view'] {
  return view(
    'mount',
    'Mount, from behind',
    [
      box(
        0,
        0,
        Math.max(base.built.widthM, plateM),
        Math.max(base.built.heightM, plateM),
        'hidden',
      ),
      box(0, 0, plateM, plateM, 'part', 'mount'),
      circle(0, 0, SPIGOT_RADIUS_M, 'part', 'mount'),
      ...holes.map(([x, y]) =>
        circle(x - plateM / 2, y - plateM / 2, THREADS[BOLT].clearanceM / 2, 'drill', 'mount'),
      ),
    ],
    [measure([-plateM / 2, -plateM / 2], [plateM / 2, -plateM / 2], -0.1 * plateM, 'Plate')],
    [knob('plateM', 'Plate', [plateM / 2, 0], [1, 0], 2)],
  );
}

function needsOf({ points, overhead, id, clampedM }: Parts): Attachment['needs'] {
  return [
    ...hardware(id, points, 'to hold the light', 'bolt-on'),
    ...bolts(BOLT, 4 * points, clampedM, 'through board and backing plate', 'bolt-on'),
    ...(overhead === 'yes'
      ? hardware(
          'safety-bond',
          Math.max(1, points),
          'second fixing, five times the load',
          'bolt-on',
        )
      : []),
  ];
}

function stepsOf({ points, plate }: Parts): Attachment['steps'] {
  return [
    step(
      'mount',
      'bolt-on',
      'Drill for the mount and bolt it on',
      'Screws pull out of board; bolts with a plate do not',
      'drill, spanner',
      15 * points,
      'holds twice the light’s weight for a minute',
      {
        hazards: [
          'Drilled before anything is wired: a bit that comes through later finds the wire.',
        ],
        pieces: [plate.id],
      },
    ),
  ];
}

/** Points stand apart by a share of the width; each as near the middle of the height as all of its plate lies on something. */
const SPREAD = 0.7;
const TRIES = 24;
/** Places a side at which a plate is laid on what lies there. */
const FINE = 13;

function assemble(
  mount: Mount,
  base: ResolvedBuild,
  on: readonly Measure[],
  context: FormContext,
): Body[] {
  const { points, plateM, plate } = partsOf(mount, base, context);
  const bears = bearing(on);
  const { low, high } = boxAround(
    bears.filter(({ body }) => !body.outside).flatMap(({ box }) => [box.low, box.high]),
  );
  const [widthM, lowM] = [high[0] - low[0], low[1]];
  const size = [plateM, plateM] as const;
  const apart = Math.max(plateM * 1.1, (SPREAD * widthM) / points);
  return Array.from({ length: points }, (_, k) => k).flatMap((k) => {
    const x = (low[0] + high[0]) / 2 + (k - (points - 1) / 2) * apart;
    const downwards = Array.from({ length: TRIES }, (_, at) => (at * lowM) / TRIES);
    const y =
      downwards.find((each) => liesFlat(bears, [x, each], size)) ??
      downwards.find((each) => backPlane(bears, [x, each], size) !== null);
    const back = y === undefined ? null : backPlane(bears, [x, y], size, FINE);
    if (y === undefined || back === null) return [];
    const plateBackM = back - (plate.thicknessM || BOARD_M);
    return [
      made(
        `backing-plate-${k + 1}`,
        'Backing plate',
        'board',
        'bolt-on',
        cutPiece(plate, BOARD_M),
        facing([x, y, plateBackM]),
        { piece: 'backing-plate', away: forwards(-3), outside: true },
      ),
      made(
        `mount-${k + 1}`,
        'Mount',
        'metal',
        'bolt-on',
        rod(SPIGOT_RADIUS_M, STANDS_OUT_M),
        facing([x, y, plateBackM - STANDS_OUT_M]),
        { away: forwards(-4), outside: true },
      ),
    ];
  });
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
  assemble,
};
