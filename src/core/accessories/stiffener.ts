import type { Body } from '../assembly/body';
import type { Measure } from '../assembly/distance';
import { facing } from '../assembly/poses';
import { slab } from '../assembly/solids';
import type { FormContext } from '../forms/form';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { piecesMassKg } from '../forms/kit/mass';
import { forwards, made } from '../forms/kit/bodies';
import { fact } from '../forms/kit/build';
import { notChosen, stop } from '../forms/kit/findingWriters';
import { exactMm } from '../quantity';
import { partOf } from '../forms/kit/lookup';
import { screws } from '../forms/kit/needs';
import { choice, count, defineParameters, length, part } from '../forms/kit/parameters';
import { stickPiece } from '../forms/kit/pieces';
import { box, knob, measure, view } from '../drawing/shapes';
import { step, sticks } from '../forms/kit/steps';
import { boardThicknessM, type AccessoryDefinition, type Attachment } from './accessory';
import { backPlane, bearing } from './fit';

/** Across a batten nobody has chosen yet [typ]. */
const BATTEN_M = 0.025;
/** A batten shorter than this stiffens nothing. */
const LEAST_M = 0.05;
/** Battens stand over this share of the width; screws so far apart [common practice]. */
const SPREAD = 0.7;
const SCREWS_APART_M = 0.15;

const { schema, fields, defaults } = defineParameters({
  stickPartId: part('Batten', 'Stiffener', 'stick', true, { takes: 'batten' }),
  bars: count('Bars', 'Stiffener', { start: 1, min: 1, max: 12 }),
  direction: choice('Run', 'Stiffener', [
    ['up', 'upright'],
    ['level', 'level'],
  ]),
  inM: length('Short of the edge', 'Stiffener', { start: 0.03, min: 0, max: 1 }),
});
type Stiffener = ReturnType<typeof defaults>;

/** What is worked out once and told in several places. */
function partsOf(given: Stiffener, base: ResolvedBuild, context: FormContext) {
  const { stickPartId, bars, direction, inM } = given;
  const { widthM, heightM } = base.built;
  const acrossM = partOf(context, stickPartId, 'stick')?.diameterM ?? BATTEN_M;
  const spread = (direction === 'up' ? widthM : heightM) * SPREAD;
  const at = (k: number) => (bars === 1 ? 0 : (k / (bars - 1) - 0.5) * spread);
  // On a round board the outer battens have less room than the middle one; all are cut alike.
  const outM = Math.min(widthM / 2, Math.abs(at(0)) + acrossM / 2);
  const roomM = base.apparent.round
    ? 2 * Math.sqrt((widthM / 2) ** 2 - outM ** 2)
    : direction === 'up'
      ? heightM
      : widthM;
  const long = Math.max(LEAST_M, roomM - 2 * inM);
  const pieces = [stickPiece('stiffener', 'Stiffener', stickPartId, long, bars)];
  const holeM = Math.max(
    0,
    ...base.pieces.map((piece) => (piece.kind === 'sheet' ? (piece.hole?.r ?? 0) : 0)),
  );
  const crowded = bars > 1 && spread / (bars - 1) < acrossM;
  return {
    holeM,
    acrossM,
    crowded,
    stickPartId,
    bars,
    direction,
    widthM,
    heightM,
    long,
    pieces,
    at,
  };
}
type Parts = ReturnType<typeof partsOf>;

function attach(given: Stiffener, base: ResolvedBuild, context: FormContext): Attachment {
  const parts = partsOf(given, base, context);
  const { stickPartId, holeM, acrossM, crowded, bars, long, pieces } = parts;
  return {
    pieces,
    needs: screws(
      bars * Math.ceil(long / SCREWS_APART_M + 1),
      boardThicknessM(base) + acrossM,
      'every 15 cm, through the board into the batten',
      'screw-on',
    ),
    folds: (folded) => ({ ...folded, depthM: folded.depthM + acrossM }),
    steps: stepsOf(parts),
    facts: [fact('stiffener', 'Stiffener length', long, 'size less both ends')],
    findings: [
      ...notChosen('stiffener', [
        ['batten', stickPartId, 'stickPartId', 'stiffener', 'Choose the batten it is cut from.'],
      ]),
      ...(long / 2 < holeM
        ? [
            stop(
              'geometry',
              'stiffener.short',
              'The battens are shorter than the hole',
              `${exactMm(long)} long over a hole of Ø ${exactMm(2 * holeM)}: they lie on nothing. Let them reach farther towards the edge.`,
              { field: 'inM', drawing: 'stiffener' },
              'Geometry',
            ),
          ]
        : []),
      ...(crowded
        ? [
            stop(
              'geometry',
              'stiffener.crowded',
              'More battens than there is room for',
              `${bars} battens ${exactMm(acrossM)} wide do not lie side by side on this back: fewer of them.`,
              { field: 'bars', drawing: 'stiffener' },
              'Geometry',
            ),
          ]
        : []),
    ],
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
          ? box(at(k), 0, BATTEN_M, long, 'part', 'stiffener')
          : box(0, at(k), long, BATTEN_M, 'part', 'stiffener'),
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
    sticks('the battens', bars),
    step(
      'mount',
      'screw-on',
      'Screw the stiffeners on',
      'A flat board stays flat',
      'screwdriver, glue',
      8 * bars,
      'no point comes through',
      'A screw that comes through the front can reach a wire.',
    ),
  ];
}

/** Places a side at which it is laid on what lies there. */
const ACROSS = 15;

function assemble(
  given: Stiffener,
  base: ResolvedBuild,
  on: readonly Measure[],
  context: FormContext,
): Body[] {
  const { acrossM, bars, direction, long, at } = partsOf(given, base, context);
  return Array.from({ length: bars }, (_, k) => k).flatMap((k) => {
    const [x, y] = direction === 'up' ? [at(k), 0] : [0, at(k)];
    const [w, h] = direction === 'up' ? [acrossM, long] : [long, acrossM];
    const back = backPlane(bearing(on), [x, y], [w, h], ACROSS);
    if (back === null) return [];
    return [
      made(
        `stiffener-${k + 1}`,
        'Stiffener',
        'pipe',
        'screw-on',
        slab(w, h, acrossM),
        facing([x, y, back - acrossM]),
        { piece: 'stiffener', away: forwards(-2.5), outside: true },
      ),
    ];
  });
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
  assemble,
};
