import { uprightAt } from '../../build/things';
import type { FormContext } from '../form';
import { sendsBack } from '../kit/cavities';
import { fact, completeBuild } from '../kit/build';
import { partOf } from '../kit/lookup';
import { look, notChosen, stopsFor } from '../kit/findingWriters';
import { exactMm, mm } from '../../quantity';
import { socketFindings, socketHolder } from '../kit/sockets';
import { bulbLamps, bulbLoads, bulbMassKg, bulbNeeds, bulbsOf } from '../kit/lamps';
import { piecesMassKg } from '../kit/mass';
import { coverDepthM, coveredMomentKgM, coverNeeds, coverStep, standOffs } from '../kit/covers';
import {
  CORD_ALLOWANCE,
  cordMassKg,
  fromPart,
  hardware,
  mainsNeeds,
  mainsOpen,
  screws,
  wiringSlots,
} from '../kit/needs';
import { plateThings, sheetBurns } from '../kit/things';
import { checkLamps, cutBoard, markOut, step } from '../kit/steps';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { boardProblems, layoutBoard, type BoardLayout } from './layout';
import { type BulbBoard } from './parameters';
import { boardPieces, flagPlates } from './pieces';
import { standing } from './place';
import { BOARD_M } from '../kit/typical';

/** Screws of the plates over the joint of two halves [common practice]. */
const PLATE_SCREWS = 12;
/** A socket's flange, that its screws go through [typ]. */
const FLANGE_M = 0.004;
/** A board longer than this bends and fits no car [common practice]. */
const BENDS_M = 1.6;

/** What is worked out once and told in several places. */
function partsOf(board: BulbBoard, context: FormContext) {
  const layout = layoutBoard(board, context);
  const seats = layout.positionsM.map((along, k) => {
    const [x, y] = standing(board, along);
    return {
      positionM: [x, y, layout.glowM[k % board.groups.length]!] as const,
      axis: [0, 0, 1] as const,
      group: k % board.groups.length,
    };
  });
  const thickness = partOf(context, board.boardPartId, 'sheet')?.thicknessM ?? BOARD_M;
  // Each link is as long as its own gap: sockets gathered to the ends stand far apart in the middle.
  const linksM = layout.gapsM.map((gap) => gap + 2 * thickness + 2 * board.stripAllowanceM);
  const cordM = board.tailLengthM + linksM.reduce((sum, link) => sum + link, 0);
  const upright = board.orientation === 'upright';
  const [w, h] = upright ? [board.boardWidthM, board.lengthM] : [board.lengthM, board.boardWidthM];
  const pieces = boardPieces(board, layout, context);
  const flagged = board.flags !== 'none';
  return {
    board,
    context,
    layout,
    seats,
    thickness,
    linksM,
    cordM,
    upright,
    w,
    h,
    pieces,
    flagged,
  };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(board: BulbBoard, context: FormContext): ResolvedBuild {
  const parts = partsOf(board, context);
  const { layout, seats, thickness, linksM, cordM, upright, w, h, pieces } = parts;
  const extraKg = fittingsKg(parts);
  const cover = partOf(context, board.coverPartId, 'sheet');
  const deepM = layout.frontM + thickness + coverDepthM(cover?.thicknessM);
  return completeBuild(
    {
      momentKgM: coveredMomentKgM(piecesMassKg(pieces, context), extraKg, thickness, layout.frontM),
      ...bulbLamps(board.groups, seats, context),
      surfaces: [
        {
          kind: 'rectangle',
          widthM: w,
          lengthM: h,
          heightM: 0,
          ...sendsBack(context.finish(board.finish)),
        },
      ],
      controls: flagPlates(board, w, h, context),
      lampsAt: { drawing: 'seat-0', field: 'groups' },
      wiring: {
        ...wiringSlots(board),
        ...socketHolder(board, context),
        loads: bulbLoads(board.groups, seats, (k) => linksM[k - 1] ?? board.tailLengthM, context),
      },
      pieces,
      needs: needsOf(parts),
      steps: stepsOf(parts),
      facts: facts(board, layout, linksM, cordM),
      findings: findings(board, context),
      apparent: upright
        ? { widthM: layout.globeM, heightM: board.lengthM - 2 * board.insetM + layout.globeM }
        : { widthM: board.lengthM - 2 * board.insetM + layout.globeM, heightM: layout.globeM },
      array: { spacingM: layout.spacingM, emitterWidthM: layout.globeM },
      frontM: layout.frontM,
      things: [
        {
          id: 'board',
          name: 'board',
          burns: sheetBurns(board.boardPartId, context),
          limitC: null,
          place: uprightAt(w, h, 0),
          ref: 'board',
          field: 'socketPartId',
        },
        ...plateThings(flagPlates(board, w, h, context), 'flag', {
          name: 'flag',
          burns: sheetBurns(board.flagPartId, context),
          ref: 'flag',
          field: 'flagPartId',
        }),
      ],
      built: { widthM: w, heightM: h, depthM: deepM },
      folded: {
        widthM: board.split === 2 ? board.lengthM / 2 + Math.abs(layout.jointM) : board.lengthM,
        heightM: board.boardWidthM,
        // Two halves lie face to face, globes in.
        depthM: board.split * deepM,
      },
    },
    extraKg,
    context,
  );
}

function needsOf({
  board,
  context,
  seats,
  cordM,
  flagged,
  thickness,
}: Parts): ResolvedBuild['needs'] {
  return [
    ...bulbNeeds(board.groups, seats, context),
    ...fromPart(board.socketPartId, seats.length, 'piece', 'one for each bulb', 'screw-sockets'),
    ...screws(2 * seats.length, FLANGE_M + thickness, 'two a socket', 'screw-sockets'),
    ...(board.split === 2
      ? screws(PLATE_SCREWS, 2 * thickness, 'three a plate in each half', 'join-halves')
      : []),
    ...coverNeeds(
      board.coverPartId === null
        ? `${exactMm(board.lengthM)} × ${exactMm(board.boardWidthM)}${board.split === 2 ? ' in two' : ''}`
        : null,
      standOffs(2 * (board.lengthM + board.boardWidthM)),
    ),
    ...(flagged
      ? hardware('hinge-tape', flagEdgeM(board), 'hinges of the flags', 'hinge-flags')
      : []),
    ...mainsNeeds(board, cordM),
  ];
}

/** Tape along every edge that a flag hangs on. */
const flagEdgeM = ({ flags, lengthM, boardWidthM }: BulbBoard): number =>
  (flags === 'sides' || flags === 'all' ? 2 * lengthM : 0) +
  (flags === 'ends' || flags === 'all' ? 2 * boardWidthM : 0);

function stepsOf({ board, context, seats, flagged, pieces }: Parts): ResolvedBuild['steps'] {
  const sheet = partOf(context, board.boardPartId, 'sheet');
  return [
    checkLamps(seats.length),
    markOut('the board'),
    cutBoard(flagged ? 'the board and its flags' : 'the board', 20, sheet),
    step(
      'mount',
      'screw-sockets',
      'Drill, finish and screw the sockets down',
      'The cord runs behind',
      '25 mm bit, roller, screwdriver',
      10 + 4 * seats.length,
      'sockets tight, holes rounded',
      'Drill into scrap, not into your hand or the table.',
    ),
    ...(board.split === 2
      ? [
          step(
            'mount',
            'join-halves',
            'Screw the plates over the joint',
            'They carry the bend; one half stays fixed, the other comes off for the car',
            'screwdriver, clamps, straight edge',
            20,
            'both halves in one line, no plate over a cord hole',
            { pieces: ['joining-plate'] },
          ),
        ]
      : []),
    coverStep(
      standOffs(2 * (board.lengthM + board.boardWidthM)),
      pieces.flatMap(({ id }) => (id.startsWith('back-cover') ? [id] : [])),
    ),
    ...(flagged
      ? [
          step(
            'mount',
            'hinge-flags',
            'Hinge the flags on',
            'They keep light off wall and lens',
            'fabric tape',
            15,
            'flags stay open and clear of every bulb',
          ),
        ]
      : []),
  ];
}

/** Everything that is not cut, kg. */
function fittingsKg({ board, context, seats, cordM }: Parts): number {
  return (
    bulbMassKg(board.groups, seats, context) +
    seats.length * (partOf(context, board.socketPartId, 'socket')?.massKg ?? 0) +
    cordMassKg(board, cordM, context)
  );
}

export const facts = (
  board: BulbBoard,
  layout: BoardLayout,
  linksM: readonly number[],
  cordM: number,
) => [
  fact('sockets', 'Sockets', layout.positionsM.length, 'as laid out', 'count'),
  ...(layout.positionsM.length > 1
    ? [
        fact(
          'spacing',
          'Least centre to centre',
          layout.spacingM,
          board.spacing === 'even'
            ? '(length − 2 · inset) / (n − 1)'
            : 'sin(π/2 · t) along the board',
        ),
        fact(
          'gap',
          'Least clear gap',
          layout.spacingM - layout.globeM,
          'centre to centre less the globe Ø',
        ),
        fact(
          'link',
          'Longest link of cord',
          Math.max(...linksM),
          'gap + 2 × thickness + 2 × strip allowance',
        ),
        ...(board.spacing === 'ends'
          ? [
              fact(
                'link-least',
                'Shortest link of cord',
                Math.min(...linksM),
                'each as long as its own gap',
              ),
            ]
          : []),
      ]
    : []),
  ...(board.split === 2
    ? [
        fact(
          'joint',
          'Joint from the first end',
          board.lengthM / 2 + layout.jointM,
          'half-way between two sockets, nearest the middle',
        ),
      ]
    : []),
  fact('first', 'First socket from the end', layout.positionsM[0]! + board.lengthM / 2, 'inset'),
  fact('cord', 'Cord in all', cordM * CORD_ALLOWANCE, 'tail + links, and 5 % for joints'),
  fact(
    'dim-step',
    'One bulb off dims by',
    1 / layout.positionsM.length,
    '1/n of the light',
    'ratio',
  ),
];

export function findings(board: BulbBoard, context: FormContext) {
  return [
    ...stopsFor('bulb-board', boardProblems(board, context), 'board'),
    ...notChosen('bulb-board', [
      [
        'bulb',
        !bulbsOf(board.groups, context).includes(null),
        'groups',
        'seat-0',
        'Choose a bulb, and the light, load and cost follow.',
      ],
      [
        'socket',
        board.socketPartId,
        'socketPartId',
        'seat-0',
        'Choose a socket; until then an ordinary Ø 50 mm batten holder is assumed.',
      ],
      [
        'board',
        board.boardPartId,
        'boardPartId',
        'board',
        'Choose the sheet the board is cut from.',
      ],
      ...mainsOpen(board),
    ]),
    ...socketFindings('bulb-board', board, context),
    ...(board.lengthM / board.split +
      Math.abs(board.split === 2 ? layoutBoard(board, context).jointM : 0) >
    BENDS_M
      ? [
          look(
            'geometry',
            'bulb-board.car',
            'May not fit the car',
            `${mm(board.lengthM)} in one piece: make it as two halves.`,
            { field: 'split', drawing: 'board' },
            'Common practice: inside of an estate car',
            '1.6 m',
          ),
        ]
      : []),
  ];
}
