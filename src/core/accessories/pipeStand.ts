import type { FormContext } from '../forms/form';
import { piecesMassKg } from '../forms/kit/mass';
import { fact } from '../forms/kit/build';
import { partOf } from '../forms/kit/lookup';
import { notChosen } from '../forms/kit/findingWriters';
import type { Stand } from '../build/supports';
import { hardware } from '../forms/kit/needs';
import { count, defineParameters, length, part } from '../forms/kit/parameters';
import { stickPiece } from '../forms/kit/pieces';
import { box, knob, measure, view, words } from '../drawing/shapes';
import { step, sticks } from '../forms/kit/steps';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { AccessoryDefinition, Attachment } from './accessory';

const MOST_UPRIGHTS = 4;

const { schema, fields, defaults } = defineParameters({
  pipePartId: part('Pipe', 'Stand', 'stick'),
  uprights: count('Uprights', 'Stand', { start: 2, min: 1, max: MOST_UPRIGHTS }),
  uprightM: length('Upright length', 'Stand', { start: 0.61, min: 0.15, max: 3 }),
  footPieceM: length('Foot piece', 'Stand', { start: 0.178, min: 0.05, max: 1 }),
  crossPieceM: length('Cross piece', 'Stand', { start: 0.254, min: 0.05, max: 2 }),
});
type PipeStand = ReturnType<typeof defaults>;

/** Pipe as it is drawn. */
const PIPE_M = 0.02;

/** What is worked out once and told in several places. */
function partsOf(stand: PipeStand, base: ResolvedBuild, context: FormContext) {
  const pieces = [
    stickPiece('upright', 'Upright', stand.pipePartId, stand.uprightM, stand.uprights),
    stickPiece('cross-piece', 'Cross piece', stand.pipePartId, stand.crossPieceM, 2),
    stickPiece('foot-piece', 'Foot piece', stand.pipePartId, stand.footPieceM, 4),
  ];
  const massKg = piecesMassKg(pieces, context);
  const across = 2 * stand.footPieceM;
  return { stand, base, context, pieces, massKg, across };
}
type Parts = ReturnType<typeof partsOf>;

function attach(stand: PipeStand, base: ResolvedBuild, context: FormContext): Attachment {
  const parts = partsOf(stand, base, context);
  const { pieces, massKg } = parts;
  return {
    pieces,
    needs: [
      ...hardware('tee', 2 + stand.uprights, 'where uprights and feet meet'),
      ...hardware('cap', 4, 'ends of the feet'),
    ],
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
    support: supportOf(parts),
    view: viewOf(parts),
  };
}

/** Feet run forwards and back under each upright; a lone upright stands on a cross of them. */
function supportOf({ stand, context, massKg }: Parts): Stand {
  const cross = stand.uprights === 1;
  return {
    kind: 'stand',
    id: 'stand',
    ownKg: massKg,
    pipe: partOf(context, stand.pipePartId, 'stick'),
    uprights: stand.uprights,
    uprightM: stand.uprightM,
    foreM: stand.footPieceM,
    sideM: cross ? stand.footPieceM : stand.crossPieceM / 2,
    ref: 'stand',
    field: 'footPieceM',
    foreField: 'footPieceM',
    uprightField: 'uprightM',
    uprightsField: 'uprights',
    mostUprights: MOST_UPRIGHTS,
    sideField: cross ? null : 'crossPieceM',
  };
}

/** From the side, so that one sees what hangs out over the feet. */
function viewOf({ stand, base, across }: Parts): Attachment['view'] {
  const { uprightM } = stand;
  const { depthM, heightM } = base.built;
  return view(
    'stand',
    'Stand, from the side',
    [
      box(0, 0, across, PIPE_M, 'part', 'stand'),
      box(0, uprightM / 2, PIPE_M, uprightM, 'part', 'stand'),
      box(depthM / 2, uprightM + heightM / 2, depthM, heightM, 'hidden', 'board'),
      words(0, -0.12 * Math.max(across, uprightM), 'floor'),
    ],
    [
      measure([-across / 2, -0.02], [across / 2, -0.02], -0.06, 'Foot'),
      measure([across / 2, 0], [across / 2, uprightM], -0.08, 'Upright'),
    ],
    [knob('uprightM', 'Upright length', [0, uprightM], [0, 1])],
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

function factsOf({ across }: Parts): Attachment['facts'] {
  return [fact('foot', 'Foot across', across, '2 × foot piece')];
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
