import { uprightAt } from '../../build/things';
import { rectangularSkirt, type Plate } from '../../light/controls';
import { FINISHES } from '../../materials/finish';
import type { Shape } from '../../drawing/drawing';
import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { partOf } from '../kit/lookup';
import { look, notChosen, stopsFor } from '../kit/findingWriters';
import { exactMm, mm } from '../../quantity';
import { socketFindings, socketHolder } from '../kit/sockets';
import { bulbLamps, bulbLoads, bulbMassKg, bulbNeeds, bulbsOf } from '../kit/lamps';
import {
  CORD_ALLOWANCE,
  cordMassKg,
  fromPart,
  hardware,
  mainsNeeds,
  mainsOpen,
  wiringSlots,
} from '../kit/needs';
import { rectanglePiece } from '../kit/pieces';
import { circle, labelled } from '../../drawing/shapes';
import { plateThings, sheetBurns } from '../kit/things';
import { checkLamps, cutBoard, markOut, step } from '../kit/steps';
import type { SheetPiece } from '../../build/pieces';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { boardProblems, layoutBoard, type BoardLayout } from './layout';
import { type BulbBoard } from './parameters';
import { DRILL_M, standing } from './place';
import { BOARD_M } from '../kit/typical';

/** The plate over the joint of two halves, its screws and its share of the width [common practice]. */
const PLATE_M = 0.2;
const PLATE_SCREWS = 12;
const PLATE_SHARE = 0.8;
/** A board longer than this bends and fits no car [common practice]. */
const BENDS_M = 1.6;

const LONG = { upright: ['left', 'right'], level: ['top', 'bottom'] } as const;
const SHORT = { upright: LONG.level, level: LONG.upright } as const;

/** Flags as they stand forwards of the board's edges. */
function flagPlates({ flags, orientation, flagDepthM }: BulbBoard, w: number, h: number): Plate[] {
  const edges = [
    ...(flags === 'sides' || flags === 'all' ? LONG[orientation] : []),
    ...(flags === 'ends' || flags === 'all' ? SHORT[orientation] : []),
  ];
  return rectangularSkirt('flag', w, h, 0, flagDepthM, edges);
}

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
  const { layout, seats, thickness, link, cordM, upright, w, h, pieces } = parts;
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
      controls: flagPlates(board, w, h),
      lampsAt: { drawing: 'seat-0', field: 'groups' },
      wiring: {
        ...wiringSlots(board),
        ...socketHolder(board, context),
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
        ...plateThings(flagPlates(board, w, h), 'flag', {
          name: 'flag',
          burns: sheetBurns(board.flagPartId, context),
          ref: 'flag',
          field: 'flagPartId',
        }),
      ],
      built: { widthM: w, heightM: h, depthM: layout.frontM + thickness },
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
      2 * seats.length + (board.split === 2 ? PLATE_SCREWS : 0),
      'sockets and joining plate',
    ),
    ...hardware('strain-relief', 1, 'where the tail enters'),
    ...hardware('back-panel', 1, 'covers the terminals'),
    ...(flagged ? hardware('hinge-tape', 2 * board.lengthM, 'hinges of the flags') : []),
    ...mainsNeeds(board, cordM),
  ];
}

function stepsOf({ seats, flagged }: Parts): ResolvedBuild['steps'] {
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

/** One board, or two halves with the plate that joins them. */
function bareBoards(board: BulbBoard, layout: BoardLayout, context: FormContext): SheetPiece[] {
  const { lengthM, boardWidthM, boardPartId } = board;
  const piece = (id: string, name: string, longM: number, widthM: number, more: object = {}) =>
    rectanglePiece(id, name, boardPartId, longM, widthM, context, more);
  const holes = layout.positionsM.map((along, k) =>
    labelled(
      circle(along + lengthM / 2, boardWidthM / 2, DRILL_M, 'drill'),
      `socket ${k + 1}, 25 mm`,
    ),
  );
  if (board.split === 1) {
    const places = layout.positionsM.map((along) => exactMm(along + lengthM / 2)).join(', ');
    const markOut = [`Sockets at ${places} from one end.`];
    return [piece('board', 'Board', lengthM, boardWidthM, { shapes: holes, markOut })];
  }
  const half = lengthM / board.split;
  const on = (from: number) =>
    holes.flatMap((hole): Shape[] =>
      'x' in hole && hole.x >= from && hole.x < from + half + 1e-9
        ? [{ ...hole, x: hole.x - from }]
        : [],
    );
  return [
    piece('board-first-half', 'Board, first half', half, boardWidthM, { shapes: on(0) }),
    piece('board-second-half', 'Board, second half', half, boardWidthM, { shapes: on(half) }),
    piece('joining-plate', 'Joining plate', PLATE_M, boardWidthM * PLATE_SHARE),
  ];
}

function boardPieces(board: BulbBoard, layout: BoardLayout, context: FormContext): SheetPiece[] {
  const { lengthM, boardWidthM, flagDepthM, flags } = board;
  const flag = (id: string, name: string, longM: number) =>
    rectanglePiece(id, name, board.flagPartId, longM, flagDepthM, context, {
      count: 2,
      markOut: ['Hinge along one long edge with tape.'],
    });
  return [
    ...bareBoards(board, layout, context),
    ...(flags === 'sides' || flags === 'all' ? [flag('side-flag', 'Side flag', lengthM)] : []),
    ...(flags === 'ends' || flags === 'all' ? [flag('end-flag', 'End flag', boardWidthM)] : []),
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
    ...(board.lengthM / board.split > BENDS_M
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
