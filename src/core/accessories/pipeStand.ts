import type { Body } from '../assembly/body';
import { boxAround, type Measure } from '../assembly/distance';
import { firstMet } from '../assembly/rest';
import type { Stand } from '../build/supports';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { plus, type Vector } from '../light/vector';
import { box, knob, measure, view, words } from '../drawing/shapes';
import type { FormContext } from '../forms/form';
import { frameBodies } from '../forms/kit/bodies';
import { fact } from '../forms/kit/build';
import { notChosen } from '../forms/kit/findingWriters';
import { partOf } from '../forms/kit/lookup';
import { piecesMassKg } from '../forms/kit/mass';
import { hardware, screws } from '../forms/kit/needs';
import { count, defineParameters, later, length, part } from '../forms/kit/parameters';
import { fittingNeeds, Pipework } from '../forms/kit/pipework';
import { step, sticks } from '../forms/kit/steps';
import { boardThicknessM, type AccessoryDefinition, type Attachment } from './accessory';

const MOST_UPRIGHTS = 4;

const { schema, fields, defaults } = defineParameters({
  pipePartId: part('Pipe', 'Stand', 'stick', true, { takes: 'pipe' }),
  uprights: count('Uprights', 'Stand', { start: 2, min: 1, max: MOST_UPRIGHTS }),
  uprightM: length('Upright length', 'Stand', { start: 0.61, min: 0.15, max: 3 }),
  footPieceM: length('Foot piece', 'Stand', { start: 0.178, min: 0.05, max: 1 }),
  crossPieceM: length('Cross piece', 'Stand', { start: 0.254, min: 0.05, max: 2 }),
  takeOffM: later(
    length('Fitting takes', 'Stand', {
      start: 0,
      min: 0,
      max: 0.15,
      step: 0.001,
      help: 'middle of an elbow or tee to where the pipe stops: measure yours',
    }),
  ),
});
type PipeStand = ReturnType<typeof defaults>;

/** Pipe as it is drawn; clips that hold the light to an upright, and their base [typ]. */
const PIPE_M = 0.02;
const CLIPS = 2;
const CLIP_BASE_M = 0.003;

/**
 * Feet run forwards and back under the outer uprights, which a cross piece joins below and above; a lone upright
 * stands on a cross of feet. Lengths are those of the pipes as they are cut.
 */
function frameOf(stand: PipeStand) {
  const { uprights, uprightM, footPieceM, crossPieceM, takeOffM, pipePartId } = stand;
  const pipes = new Pipework({
    id: 'stand',
    name: 'Stand',
    partId: pipePartId,
    stockM: Infinity,
    takeOffM,
    field: 'takeOffM',
    ref: 'stand',
  });
  const alone = uprights === 1;
  const apart = crossPieceM + 2 * takeOffM;
  const reach = footPieceM + takeOffM;
  const topM = uprightM + (alone ? 1 : 2) * takeOffM;
  const outer = (k: number) => k === 0 || k === uprights - 1;
  const x = (k: number) => (k - (uprights - 1) / 2) * apart;
  const each = Array.from({ length: uprights }, (_, k) => k);
  const low = each.map((k) =>
    pipes.joint(alone ? 'five-way' : outer(k) ? 'four-way' : 'tee', [x(k), 0, 0]),
  );
  const high = each.map((k) =>
    pipes.joint(alone ? 'cap' : outer(k) ? 'elbow' : 'tee', [x(k), topM, 0]),
  );
  for (const k of each) pipes.pipe('upright', 'Upright', low[k]!, high[k]!, uprightM);
  for (let k = 1; k < uprights; k++)
    for (const row of [low, high])
      pipes.pipe('cross-piece', 'Cross piece', row[k - 1]!, row[k]!, crossPieceM);
  const ways = alone
    ? ([
        [0, 1],
        [0, -1],
        [1, 0],
        [-1, 0],
      ] as const)
    : ([
        [0, 1],
        [0, -1],
      ] as const);
  for (const k of each.filter(outer))
    for (const [side, fore] of ways)
      pipes.pipe(
        'foot-piece',
        'Foot piece',
        low[k]!,
        pipes.joint('cap', [x(k) + side * reach, 0, fore * reach]),
        footPieceM,
      );
  const spanM = (uprights - 1) * apart;
  return { ...pipes.finished(), reach, topM, sideM: alone ? reach : spanM / 2 };
}

/** What is worked out once and told in several places. */
function partsOf(stand: PipeStand, base: ResolvedBuild, context: FormContext) {
  const frame = frameOf(stand);
  const massKg = piecesMassKg(frame.pieces, context);
  return { stand, base, context, frame, massKg, across: 2 * frame.reach };
}
type Parts = ReturnType<typeof partsOf>;

function attach(stand: PipeStand, base: ResolvedBuild, context: FormContext): Attachment {
  const parts = partsOf(stand, base, context);
  const { frame, massKg } = parts;
  const longest = Math.max(...frame.pieces.map(({ lengthM }) => lengthM));
  return {
    pieces: frame.pieces,
    framework: frame.framework,
    needs: needsOf(parts),
    steps: stepsOf(parts),
    facts: factsOf(parts),
    findings: notChosen('stand', [
      [
        'pipe',
        stand.pipePartId,
        'pipePartId',
        'stand',
        'Choose the pipe; its mass steadies the stand, and whether it bends or buckles is unknown until then.',
      ],
    ]),
    massKg,
    parcel: { name: 'stand', massKg, widthM: longest, heightM: BUNDLE_M, depthM: BUNDLE_M },
    support: supportOf(parts),
    view: viewOf(parts),
  };
}
/** The stand's pipes in one bundle. */
const BUNDLE_M = 0.12;

function needsOf({ stand, base, frame }: Parts): Attachment['needs'] {
  const clips = CLIPS * stand.uprights;
  return [
    ...fittingNeeds(frame.framework, 'fit-together'),
    ...hardware('pipe-clip', clips, 'hold the light to the uprights', 'fasten-light'),
    ...screws(2 * clips, CLIP_BASE_M + boardThicknessM(base), 'two a clip', 'fasten-light'),
  ];
}

function supportOf({ stand, context, frame, massKg }: Parts): Stand {
  const alone = stand.uprights === 1;
  return {
    kind: 'stand',
    id: 'stand',
    ownKg: massKg,
    pipe: partOf(context, stand.pipePartId, 'stick'),
    uprights: stand.uprights,
    uprightM: frame.topM,
    foreM: frame.reach,
    sideM: frame.sideM,
    ref: 'stand',
    field: 'footPieceM',
    foreField: 'footPieceM',
    uprightField: 'uprightM',
    uprightsField: 'uprights',
    mostUprights: MOST_UPRIGHTS,
    sideField: alone ? null : 'crossPieceM',
  };
}

/** From the side, so that one sees what hangs out over the feet. */
function viewOf({ frame, base, across }: Parts): Attachment['view'] {
  const { topM } = frame;
  const { depthM, heightM } = base.built;
  return view(
    'stand',
    'Stand, from the side',
    [
      box(0, 0, across, PIPE_M, 'part', 'stand'),
      box(0, topM / 2, PIPE_M, topM, 'part', 'stand'),
      box(depthM / 2, topM + heightM / 2, depthM, heightM, 'hidden', 'board'),
      words(0, -0.12 * Math.max(across, topM), 'floor'),
    ],
    [
      measure([-across / 2, -0.02], [across / 2, -0.02], -0.06, 'Foot'),
      measure([across / 2, 0], [across / 2, topM], -0.08, 'Upright'),
    ],
    [knob('uprightM', 'Upright length', [0, topM], [0, 1])],
  );
}

function stepsOf({ stand, frame }: Parts): Attachment['steps'] {
  const count = frame.framework.pipes.length;
  return [
    sticks('the stand', count),
    step(
      'mount',
      'fit-together',
      'Fit the stand together by its map of joints',
      'Dry first: a fitting that is glued wrong is lost; glue or pin it when it stands straight',
      'mallet, square',
      10 + count,
      'all feet touch the floor, every pipe home in its fitting',
    ),
    step(
      'mount',
      'fasten-light',
      'Clip the light’s back to the uprights',
      'Low on the uprights, so that its weight stands on the top cross piece',
      'screwdriver',
      4 + 4 * stand.uprights,
      'no screw through the front; it does not slide or turn',
      'Drilled before anything is wired: a bit that comes through later finds the wire.',
    ),
  ];
}

const factsOf = ({ stand, across }: Parts): Attachment['facts'] => [
  fact('foot', 'Foot across', across, '2 · (foot piece + what its fitting takes)'),
  fact('take-off', 'Fitting takes', stand.takeOffM, 'middle to the pipe’s stop, as measured'),
];

const UPWARDS: Vector = [0, 1, 0];
const BELOW_M = 5;
/** Depths at which the light is tried on its top piece; places along it and across it, as shares. */
const TRIES = 12;
const ALONG = Array.from({ length: 13 }, (_, k) => k / 6 - 1);
const ACROSS = Array.from({ length: 9 }, (_, k) => k / 4 - 1);
const HAIR_M = 2e-5;

/** The light stands on the top cross piece, as far back as it can. */
function assemble(
  stand: PipeStand,
  base: ResolvedBuild,
  on: readonly Measure[],
  context: FormContext,
): Body[] {
  const { frame } = partsOf(stand, base, context);
  const pipe = partOf(context, stand.pipePartId, 'stick');
  const r = (pipe?.diameterM ?? PIPE_M) / 2;
  const half = stand.uprights === 1 ? r : frame.sideM;
  const own = on.filter(({ body }) => !body.outside);
  const { low, high } = boxAround(own.flatMap(({ box }) => [box.low, box.high]));
  const floor = low[1] - BELOW_M;
  // How far the pipe's round top is from what stands over it, at a depth.
  const room = (among: readonly Measure[], z: number, across: readonly number[]): number =>
    Math.min(
      Infinity,
      ...across.flatMap((share) =>
        ALONG.flatMap((x) => {
          const met = firstMet(among, [x * half, floor, z + share * r], UPWARDS);
          return met === null ? [] : [met + r - r * Math.sqrt(1 - share * share)];
        }),
      ),
    );
  const depths = Array.from(
    { length: TRIES },
    (_, k) => low[2] + ((high[2] - low[2]) * (k + 0.5)) / TRIES,
  );
  const gone = depths.map((z) => room(own, z, [0]));
  const lowest = Math.min(...gone);
  const z = depths[gone.findIndex((each) => each < lowest + r / 2)] ?? (low[2] + high[2]) / 2;
  const met = room(on, z, ACROSS);
  const top = floor + (Number.isFinite(met) ? met : BELOW_M) - r - HAIR_M;
  return frameBodies(
    frame.framework,
    pipe,
    'fit-together',
    (point) => plus(point, [0, top - frame.topM, z]),
    { outside: true, away: [0, -2, 0] },
  );
}

/** Foot of four pieces, cross pieces, uprights: check value 2 × 10, 4 × 7, 2 × 24 in. */
export const pipeStand: AccessoryDefinition<PipeStand> = {
  id: 'pipe-stand',
  name: 'Pipe stand',
  summary: 'Foot and uprights of pipe, with the push that tips it.',
  parameters: schema,
  fields,
  defaults,
  attach,
  assemble,
};
