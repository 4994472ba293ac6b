import type { FormContext } from '../forms/form';
import { piecesMassKg } from '../forms/kit/mass';
import { fact } from '../forms/kit/build';
import { partOf } from '../forms/kit/lookup';
import { look, stop } from '../forms/kit/findingWriters';
import { mm } from '../quantity';
import { hardware } from '../forms/kit/needs';
import { count, defineParameters, length, part } from '../forms/kit/parameters';
import { stickPiece } from '../forms/kit/pieces';
import { box, knob, measure, view, words } from '../drawing/shapes';
import { step, sticks } from '../forms/kit/steps';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { AccessoryDefinition, Attachment } from './accessory';

const { schema, fields, defaults } = defineParameters({
  pipePartId: part('Pipe', 'Stand', 'stick'),
  uprights: count('Uprights', 'Stand', { start: 2, min: 1, max: 4 }),
  uprightM: length('Upright length', 'Stand', { start: 0.61, min: 0.15, max: 3 }),
  footPieceM: length('Foot piece', 'Stand', { start: 0.178, min: 0.05, max: 1 }),
  crossPieceM: length('Cross piece', 'Stand', { start: 0.254, min: 0.05, max: 2 }),
});
type PipeStand = ReturnType<typeof defaults>;

/** A push at lamp height that a stand must take without falling [common practice]: 2 % of a person. */
const PUSH_N = 15;
const GRAVITY = 9.81;

/** What is worked out once and told in several places. */
function partsOf(stand: PipeStand, base: ResolvedBuild, context: FormContext) {
  const pieces = [
    stickPiece('upright', 'Upright', stand.pipePartId, stand.uprightM, stand.uprights),
    stickPiece('cross-piece', 'Cross piece', stand.pipePartId, stand.crossPieceM, 2),
    stickPiece('foot-piece', 'Foot piece', stand.pipePartId, stand.footPieceM, 4),
  ];
  const massKg = piecesMassKg(pieces, context);
  const tip = tipping(stand, base, massKg);
  const across = 2 * stand.footPieceM;
  return { stand, base, pieces, massKg, tip, across };
}
type Parts = ReturnType<typeof partsOf>;

function attach(stand: PipeStand, base: ResolvedBuild, context: FormContext): Attachment {
  const parts = partsOf(stand, base, context);
  const { pieces, massKg, tip } = parts;
  return {
    pieces,
    needs: [
      ...hardware('tee', 2 + stand.uprights, 'where uprights and feet meet'),
      ...hardware('cap', 4, 'ends of the feet'),
    ],
    steps: stepsOf(parts),
    facts: factsOf(parts),
    findings: findings(stand, base, tip, partOf(context, stand.pipePartId, 'stick') !== null),
    massKg,
    view: viewOf(parts),
  };
}

function viewOf({ stand, base, across }: Parts): Attachment['view'] {
  return view(
    'stand',
    'Stand, from the front',
    [
      ...Array.from({ length: stand.uprights }, (_, k) => {
        const x = stand.uprights === 1 ? 0 : (k / (stand.uprights - 1) - 0.5) * stand.crossPieceM;
        return box(x, stand.uprightM / 2, 0.02, stand.uprightM, 'part', 'stand');
      }),
      box(0, 0, across, 0.02, 'part', 'stand'),
      box(0, stand.uprightM, stand.crossPieceM, 0.02, 'part', 'stand'),
      box(
        0,
        stand.uprightM + base.folded.heightM / 2,
        base.folded.widthM,
        base.folded.heightM,
        'hidden',
        'board',
      ),
      words(0, -0.12 * Math.max(across, stand.uprightM), 'floor'),
    ],
    [
      measure([-across / 2, -0.02], [across / 2, -0.02], -0.06, 'Foot'),
      measure([across / 2, 0], [across / 2, stand.uprightM], -0.08, 'Upright'),
    ],
    [knob('uprightM', 'Upright length', [0, stand.uprightM], [0, 1])],
  );
}

function stepsOf({ stand }: Parts): Attachment['steps'] {
  return [
    sticks('the stand', 6 + stand.uprights),
    step(
      'mount',
      'fit-together',
      'Fit the stand together',
      'Dry first, glue only when it stands straight',
      'mallet, square',
      20,
      'all four feet touch the floor',
    ),
  ];
}

function factsOf({ stand, base, tip, across }: Parts): Attachment['facts'] {
  return [
    fact('foot', 'Foot across', across, '2 × foot piece'),
    fact(
      'height',
      'Lamp height',
      stand.uprightM + base.folded.heightM / 2,
      'upright + half the light',
    ),
    fact(
      'sandbag',
      'Sandbag to lay on',
      tip.sandbagKg,
      'so that a push of 15 N at lamp height does not tip it',
      'mass',
    ),
  ];
}

/** Foot of four pieces, two cross pieces, uprights on tees: check value 2 × 10, 4 × 7, 2 × 24 in. */
export const pipeStand: AccessoryDefinition<PipeStand> = {
  id: 'pipe-stand',
  name: 'Pipe stand',
  summary: 'Foot and uprights of pipe, with the push that tips it.',
  parameters: schema,
  fields,
  defaults,
  attach,
};

/** Restoring moment of the masses about the foot's edge against a push at lamp height. */
function tipping(stand: PipeStand, base: ResolvedBuild, standKg: number) {
  const arm = stand.footPieceM;
  const heightM = stand.uprightM + base.folded.heightM / 2;
  const holdsNm = (base.massKg + standKg) * GRAVITY * arm;
  const pushesNm = PUSH_N * heightM;
  return {
    heightM,
    forceN: holdsNm / heightM,
    sandbagKg: Math.max(0, (pushesNm - holdsNm) / (GRAVITY * arm)),
  };
}

function findings(
  stand: PipeStand,
  base: ResolvedBuild,
  tip: ReturnType<typeof tipping>,
  chosen: boolean,
) {
  const where = { field: 'footPieceM', drawing: 'stand' };
  const source = 'Moments about the edge of the foot; the push is common practice';
  const limit = `${PUSH_N} N at lamp height`;
  const text = `A push of ${tip.forceN.toFixed(1)} N at ${mm(tip.heightM)} tips it`;
  const open = chosen
    ? []
    : [
        {
          id: 'stand.no-pipe',
          topic: 'choice' as const,
          severity: 'unknown' as const,
          title: 'No pipe chosen for the stand',
          message: 'Choose the pipe; its mass steadies the stand and its length is cut from it.',
          source: 'This design',
          where: { field: 'pipePartId', drawing: 'stand' },
        },
      ];
  if (tip.heightM > 6 * 2 * stand.footPieceM)
    return [
      ...open,
      stop(
        'standing',
        'stand.tall',
        'Too tall for its foot',
        `${text}. Nothing this narrow may stand over people: lengthen the feet.`,
        where,
        source,
        'no more than six times as tall as wide',
      ),
    ];
  if (tip.sandbagKg > 0)
    return [
      ...open,
      look(
        'standing',
        'stand.tip',
        'It tips easily',
        `${text}. Lay ${tip.sandbagKg.toFixed(1)} kg on the foot or lengthen the feet; ${base.folded.widthM > 1 ? 'a light this wide also catches wind.' : 'keep people off the cord.'}`,
        where,
        source,
        limit,
      ),
    ];
  return [
    ...open,
    {
      id: 'stand.tip',
      topic: 'standing' as const,
      severity: 'ok' as const,
      title: 'It takes a push',
      message: `${text}. Try it, with a hand ready.`,
      limit,
      source,
      where,
    },
  ];
}
