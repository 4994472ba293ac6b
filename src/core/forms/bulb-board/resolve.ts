import { rectangularSkirt } from '../../light/controls';
import { FINISHES } from '../../materials/finish';
import type { Shape } from '../../drawing/drawing';
import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { partOf } from '../kit/lookup';
import { look, notChosen, stopsFor } from '../kit/findingWriters';
import { exactMm, mm } from '../../quantity';
import { socketFindings, unearthedMetal } from '../kit/sockets';
import { bulbLamps, bulbLoads, bulbMassKg, bulbNeeds, bulbsOf } from '../kit/lamps';
import { cordMassKg, fromPart, hardware, mainsNeeds, mainsOpen, wiringSlots } from '../kit/needs';
import { rectanglePiece } from '../kit/pieces';
import { circle, labelled } from '../../drawing/shapes';
import { checkLamps, cutBoard, finishSteps, markOut, step, wireMains } from '../kit/steps';
import type { SheetPiece } from '../../build/pieces';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { boardProblems, layoutBoard, type BoardLayout } from './layout';
import { type BulbBoard } from './parameters';
import { DRILL_M, standing } from './place';

const FLAGS = {
  none: [],
  sides: ['left', 'right'],
  ends: ['top', 'bottom'],
  all: ['left', 'right', 'top', 'bottom'],
} as const;

/** What is worked out once and told in several places. */
function partsOf(board: BulbBoard, context: FormContext) {
  const layout = layoutBoard(board, context);
  const seats = layout.positionsM.map((along, k) => {
    const [x, y] = standing(board, along);
    return {
      positionM: [x, y, layout.centreM] as const,
      axis: [0, 0, 1] as const,
      group: k % board.groups.length,
    };
  });
  const thickness = partOf(context, board.boardPartId, 'sheet')?.thicknessM ?? 0.006;
  const link =
    (Number.isFinite(layout.spacingM) ? layout.spacingM : 0) +
    2 * thickness +
    2 * board.stripAllowanceM;
  const cordM = board.tailLengthM + (seats.length - 1) * link;
  const upright = board.orientation === 'upright';
  const [w, h] = upright ? [board.boardWidthM, board.lengthM] : [board.lengthM, board.boardWidthM];
  const pieces = boardPieces(board, layout, context);
  const flagged = board.flags !== 'none';
  return { board, context, layout, seats, thickness, link, cordM, upright, w, h, pieces, flagged };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(board: BulbBoard, context: FormContext): ResolvedBuild {
  const parts = partsOf(board, context);
  const { layout, seats, thickness, link, cordM, upright, w, h, pieces, flagged } = parts;
  return completeBuild(
    {
      ...bulbLamps(board.groups, seats, context),
      surfaces: [
        {
          kind: 'rectangle',
          widthM: w,
          lengthM: h,
          heightM: 0,
          reflectance: FINISHES[board.finish].reflectance,
        },
      ],
      controls: flagged
        ? rectangularSkirt('flag', w, h, 0, board.flagDepthM, FLAGS[board.flags])
        : [],
      lampsAt: { drawing: 'seat-0', field: 'groups' },
      wiring: {
        ...wiringSlots(board),
        loads: bulbLoads(board.groups, seats, (k) => (k ? link : board.tailLengthM), context),
      },
      pieces,
      needs: needsOf(parts),
      steps: stepsOf(parts),
      facts: facts(board, layout, link, cordM),
      findings: findings(board, context),
      apparent: upright
        ? { widthM: layout.globeM, heightM: board.lengthM - 2 * board.insetM + layout.globeM }
        : { widthM: board.lengthM - 2 * board.insetM + layout.globeM, heightM: layout.globeM },
      array: { spacingM: layout.spacingM, emitterWidthM: layout.globeM },
      frontM: layout.frontM,
      flammables: flammables(board, layout, context),
      folded: {
        widthM: board.lengthM / board.split,
        heightM: board.boardWidthM,
        depthM: layout.frontM + thickness,
      },
    },
    fittingsKg(parts),
    context,
  );
}

function needsOf({ board, context, seats, cordM, flagged }: Parts): ResolvedBuild['needs'] {
  return [
    ...bulbNeeds(board.groups, seats, context),
    ...fromPart(board.socketPartId, seats.length, 'piece', 'one for each bulb'),
    ...hardware(
      'screw',
      2 * seats.length + (board.split === 2 ? 12 : 0),
      'sockets and joining plate',
    ),
    ...hardware('strain-relief', 1, 'where the tail enters'),
    ...hardware('back-panel', 1, 'covers the terminals'),
    ...(flagged ? hardware('hinge-tape', 2 * board.lengthM, 'hinges of the flags') : []),
    ...mainsNeeds(board, cordM),
  ];
}

function stepsOf({ context, seats, flagged }: Parts): ResolvedBuild['steps'] {
  return [
    checkLamps(seats.length),
    markOut('the board'),
    cutBoard('the board and its flags'),
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
    wireMains(context, 10 + 4 * seats.length),
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
    ...finishSteps(),
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

function boardPieces(board: BulbBoard, layout: BoardLayout, context: FormContext): SheetPiece[] {
  const { lengthM, boardWidthM, flagDepthM } = board;
  const half = lengthM / board.split;
  const holes = layout.positionsM.map((along, k) =>
    labelled(
      circle(along + lengthM / 2, boardWidthM / 2, DRILL_M, 'drill'),
      `socket ${k + 1}, 25 mm`,
    ),
  );
  const on = (from: number) =>
    holes.flatMap((hole): Shape[] =>
      'x' in hole && hole.x >= from && hole.x < from + half + 1e-9
        ? [{ ...hole, x: hole.x - from }]
        : [],
    );
  const boards =
    board.split === 1
      ? [
          rectanglePiece('board', 'Board', board.boardPartId, lengthM, boardWidthM, context, {
            shapes: holes,
            markOut: [
              `Sockets at ${layout.positionsM.map((along) => exactMm(along + lengthM / 2)).join(', ')} from one end.`,
            ],
          }),
        ]
      : [
          rectanglePiece(
            'board-first-half',
            'Board, first half',
            board.boardPartId,
            half,
            boardWidthM,
            context,
            {
              shapes: on(0),
            },
          ),
          rectanglePiece(
            'board-second-half',
            'Board, second half',
            board.boardPartId,
            half,
            boardWidthM,
            context,
            {
              shapes: on(half),
            },
          ),
          rectanglePiece(
            'joining-plate',
            'Joining plate',
            board.boardPartId,
            0.2,
            boardWidthM * 0.8,
            context,
          ),
        ];
  const flag = (id: string, name: string, long: number) =>
    rectanglePiece(id, name, board.flagPartId, long, flagDepthM, context, {
      count: 2,
      markOut: ['Hinge along one long edge with tape.'],
    });
  return [
    ...boards,
    ...(board.flags === 'sides' || board.flags === 'all'
      ? [flag('side-flag', 'Side flag', lengthM)]
      : []),
    ...(board.flags === 'ends' || board.flags === 'all'
      ? [flag('end-flag', 'End flag', boardWidthM)]
      : []),
  ];
}

export const facts = (board: BulbBoard, layout: BoardLayout, link: number, cordM: number) => [
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
        fact('link', 'Cord per link', link, 'spacing + 2 × thickness + 2 × strip allowance'),
      ]
    : []),
  fact('first', 'First socket from the end', layout.positionsM[0]! + board.lengthM / 2, 'inset'),
  fact('cord', 'Cord in all', cordM * 1.05, 'tail + links, and 5 % for joints'),
  fact(
    'dim-step',
    'One bulb off dims by',
    1 / layout.positionsM.length,
    '1/n of the light',
    'ratio',
  ),
];

export function flammables(
  board: BulbBoard,
  layout: BoardLayout,
  context: FormContext,
): ResolvedBuild['flammables'] {
  const sheet = partOf(context, board.boardPartId, 'sheet');
  const burns = sheet?.burns ?? 'wood';
  return [
    ...(burns === 'no'
      ? []
      : [
          {
            name: 'board',
            burns,
            distanceM: layout.centreM,
            ref: 'board',
            field: 'socketPartId',
            raiseFromM: null,
          } as const,
        ]),
    ...(board.flags === 'none'
      ? []
      : [
          {
            name: 'flags',
            burns: 'foam',
            distanceM: board.boardWidthM / 2,
            ref: 'flag',
            field: 'boardWidthM',
            raiseFromM: null,
          } as const,
        ]),
  ];
}

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
    ...unearthedMetal('bulb-board', board.boardPartId, board.cordPartId, context),
    ...(board.lengthM / board.split > 1.6
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
