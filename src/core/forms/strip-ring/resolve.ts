import type { Emitter } from '../../light/emitter';
import type { FormContext } from '../form';
import { sendsBack } from '../kit/cavities';
import { fact, completeBuild } from '../kit/build';
import { partOf } from '../kit/lookup';
import { look, notChosen, stopsFor } from '../kit/findingWriters';
import { exactMm } from '../../quantity';
import { unitLamps } from '../kit/lamps';
import { cordMassKg, fromPart, hardware, mainsNeeds, mainsOpen, wiringSlots } from '../kit/needs';
import { sheetPiece } from '../kit/pieces';
import { bulgeOf } from '../../drawing/path';
import { circle, labelled, outline, type XY } from '../../drawing/shapes';
import type { Shape } from '../../drawing/drawing';
import { checkTape, cutBoard, joinTape, layTape, markOut, step, tryTape } from '../kit/steps';
import {
  feedJoints,
  stripOf,
  tapeCordM,
  tapeFacts,
  tapeLoads,
  tapeNeeds,
  tapeRun,
  ringSpans,
  tapeUnit,
} from '../kit/tape';
import { tapeLayingFindings } from '../kit/tapeLayingFindings';
import type { SheetPiece } from '../../build/pieces';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { layoutStripRing, stripRingProblems, type StripRingLayout } from './layout';
import type { StripRing } from './parameters';
import { BOARD_M, JUMPER_M, RUN_ENDS_M, TAPE_KG_PER_M } from '../kit/typical';

/** Height of a tape with its diodes, and the width of one diode [typ: 5050 and 2835 packages]. */
export const TAPE_HIGH_M = 0.003;
const DIODE_M = 0.005;
/** A row shorter than a section of tape is none. */
const LEAST_ROW_M = 0.05;
/** Board outside the outermost row, so that the tape sticks. */
const LEAST_CLEAR_M = 0.01;
/** A last row this near to none or to whole is told as such. */
const HARDLY = 0.02;
/** Rows farther apart are seen as rings in the eye [common practice]. */
const ROWS_SEEN_M = 0.03;

const BORDER_M = 0.01;
const COATS = 2;

/** What is worked out once and told in several places. */
function partsOf(ring: StripRing, context: FormContext) {
  const layout = layoutStripRing(ring, context);
  const { rows } = layout;
  const { strip, unit } = tapeUnit(ring, rows.usedM, context);
  const lamps = unitLamps(
    unit,
    strip,
    rows.usedM > 0 ? 1 : 0,
    ring,
    { class: 'lambert' },
    ringPoints(layout),
  );
  const R = layout.outerRadiusM;
  const board = boardPiece(ring, layout, context);
  const area = Math.max(0, Math.PI * (R ** 2 - layout.innerRadiusM ** 2));
  const paint = partOf(context, ring.paintPartId, 'paint');
  const joints = feedJoints(ring.feed, rows.rowsM.length);
  const extraKg =
    rows.usedM * (strip?.massKgPerM ?? TAPE_KG_PER_M) +
    cordMassKg(ring, tapeCordM(ring, rows.usedM, context), context);
  return { ring, context, layout, rows, strip, lamps, R, board, area, paint, joints, extraKg };
}
type Parts = ReturnType<typeof partsOf>;

export function resolveStripRing(ring: StripRing, context: FormContext): ResolvedBuild {
  const parts = partsOf(ring, context);
  const { layout, rows, lamps, R, board, extraKg } = parts;
  return completeBuild(
    {
      ...lamps,
      surfaces: [
        {
          kind: 'annulus',
          innerRadiusM: layout.innerRadiusM,
          outerRadiusM: R,
          heightM: 0,
          ...sendsBack(context.finish(ring.finish)),
        },
      ],
      lampsAt: { drawing: 'tape', field: 'stripId' },
      wiring: { ...wiringSlots(ring), loads: tapeLoads(ring, rows.usedM, context) },
      tape: tapeRun(ring, rows, context, ringSpans(2 * R, rows.rowsM.length, ring.rowPitchM)),
      pieces: [board],
      needs: needsOf(parts),
      steps: stepsOf(parts),
      facts: factsOf(parts),
      findings: findings(ring, layout, context),
      apparent: { widthM: 2 * R, heightM: 2 * R, round: true },
      array: { spacingM: layout.dotPitchM, emitterWidthM: DIODE_M },
      frontM: TAPE_HIGH_M,
      built: {
        widthM: 2 * R,
        heightM: 2 * R + ring.tabM,
        depthM: (board.thicknessM || BOARD_M) + (rows.rowsM.length ? TAPE_HIGH_M : 0),
      },
    },
    extraKg,
    context,
  );
}

function needsOf({ ring, context, rows, area, paint, joints }: Parts): ResolvedBuild['needs'] {
  return [
    ...tapeNeeds(ring, rows, joints, RUN_ENDS_M + joints * JUMPER_M, context),
    ...(ring.backing === 'metal'
      ? hardware('foil-tape', rows.usedM, 'under the tape', 'lay-tape')
      : []),
    ...fromPart(
      ring.paintPartId,
      paint ? (area * COATS) / paint.coverageM2PerL : 0,
      'l',
      'two coats',
      'finish-front',
    ),
    ...mainsNeeds(ring, tapeCordM(ring, rows.usedM, context)),
  ];
}

function stepsOf({ ring, context, rows, joints }: Parts): ResolvedBuild['steps'] {
  return [
    checkTape(rows.usedM),
    markOut('both circles and the tab'),
    cutBoard(
      'the ring, the inner circle last',
      25,
      partOf(context, ring.boardPartId, 'sheet'),
      true,
    ),
    step(
      'finish',
      'finish-front',
      'Finish the front',
      'White returns what the tape loses',
      'roller',
      25,
      'dry; 2 h between coats',
    ),
    layTape(rows.usedM, rows.rowsM.length, 'flat'),
    joinTape(joints),
    tryTape(rows.rowsM.length),
  ];
}

function factsOf({ layout, rows, strip, R }: Parts): ResolvedBuild['facts'] {
  return [
    ...tapeFacts(rows, strip, 'row'),
    fact('rows-fit', 'Rows that fit', layout.radiiM.length, '(R − r − width) / pitch + 1', 'count'),
    fact(
      'end',
      'Tape ends at, clockwise from the top',
      layout.endRad % (2 * Math.PI),
      'length of the last row / its radius',
      'angle',
    ),
    fact('trammel-outer', 'Trammel, outer', R, 'half the outer Ø'),
    fact('trammel-inner', 'Trammel, inner', layout.innerRadiusM, 'half the inner Ø'),
  ];
}

/** Enough points a row that a metre away none stands out. */
const POINTS_PER_ROW = 24;

function ringPoints({ rows, radiiM }: StripRingLayout): Pick<Emitter, 'positionM' | 'axis'>[] {
  // Every point stands for the same length of tape, so that each carries the same light.
  const step = Math.max(...rows.rowsM, LEAST_ROW_M) / POINTS_PER_ROW;
  return rows.rowsM.flatMap((laidM, row) => {
    const count = Math.max(1, Math.round(laidM / step));
    const radius = radiiM[row]!;
    return Array.from({ length: count }, (_, k) => {
      const angle = Math.PI / 2 - ((k + 0.5) * (laidM / count)) / radius;
      return {
        positionM: [radius * Math.cos(angle), radius * Math.sin(angle), TAPE_HIGH_M] as const,
        axis: [0, 0, 1] as const,
      };
    });
  });
}

/** What a tab adds to the disc: the strip below its chord less the segment that lies in it already. */
function tabAreaM2(R: number, tabM: number): number {
  const half = Math.min(tabM / 2, R);
  const chordY = Math.sqrt(Math.max(0, R * R - half * half));
  const segment = R * R * Math.asin(half / R) - half * chordY;
  return Math.max(0, 2 * half * (R + tabM - chordY) - segment);
}

/** The rim and the tab as one line: cut apart, the tab would fall off. A tab as wide as the ring starts at its sides. */
function rim(R: number, tabM: number): Shape {
  if (tabM <= 0) return circle(0, 0, R, 'cut');
  const half = Math.min(tabM / 2, R);
  const away = Math.asin(half / R);
  const y = -Math.sqrt(Math.max(0, R * R - half * half));
  const foot = -R - tabM;
  const corners: XY[] = [
    [half, y],
    [0, R],
    [-half, y],
    [-half, foot],
    [half, foot],
  ];
  // From the tab's right side over the top to its left one, in two arcs.
  const over = bulgeOf(Math.PI - away);
  return outline(corners, [over, over, 0, 0, 0], 'cut');
}

export function boardPiece(
  ring: StripRing,
  layout: StripRingLayout,
  context: FormContext,
): SheetPiece {
  const [R, r, w] = [layout.outerRadiusM, layout.innerRadiusM, ring.tabM];
  return sheetPiece(
    {
      id: 'ring-board',
      name: 'Ring board',
      partId: ring.boardPartId,
      borderM: BORDER_M,
      mayTurn: true,
      areaM2: Math.max(0, Math.PI * (R * R - r * r)) + tabAreaM2(R, w),
      shapes: [
        labelled(rim(R, w), 'outer cut'),
        labelled(circle(0, 0, r, 'cut'), 'inner cut'),
        ...(w > 0 ? [labelled(circle(0, -R - w / 2, 0.005, 'drill'), 'mount, 10 mm')] : []),
        ...layout.radiiM.map((radius, k) => labelled(circle(0, 0, radius, 'mark'), `row ${k + 1}`)),
      ],
      hole: { x: 0, y: 0, r },
      ...(w > 0 ? {} : { discM: 2 * R }),
      markOut: [
        `Trammel: ${exactMm(R)} for the outer cut, ${exactMm(r)} for the inner.`,
        `Rows at ${layout.radiiM.map(exactMm).join(', ')} from the centre.`,
      ],
    },
    context,
  );
}

function findings(ring: StripRing, layout: StripRingLayout, context: FormContext) {
  const { rows } = layout;
  const clear = ring.innerDiameterM - ring.lensDiameterM;
  return [
    ...stopsFor('strip-ring', stripRingProblems(ring, context), 'board'),
    ...notChosen('strip-ring', [
      [
        'tape',
        stripOf(ring, context),
        'stripId',
        'tape',
        'Choose a tape, and rows, light, load and cost follow.',
      ],
      ['board', ring.boardPartId, 'boardPartId', 'board', 'Choose the sheet the ring is cut from.'],
      ...mainsOpen(ring),
    ]),
    ...tapeLayingFindings(
      'strip-ring',
      ring,
      rows,
      { radiusM: layout.innerRadiusM },
      ring.backing === 'metal',
      context,
    ),
    ...(clear < LEAST_CLEAR_M
      ? [
          look(
            'geometry',
            'strip-ring.lens',
            'The lens does not look through',
            `The hole is Ø ${exactMm(ring.innerDiameterM)}, the lens Ø ${exactMm(ring.lensDiameterM)}: leave a centimetre at least.`,
            { field: 'innerDiameterM', drawing: 'board' },
            'Geometry',
          ),
        ]
      : []),
    ...(rows.lastShare > HARDLY && rows.lastShare < 1 - HARDLY && rows.rowsM.length > 1
      ? [
          look(
            'geometry',
            'strip-ring.part-row',
            'The last row is part filled',
            `The tape ends ${Math.round(rows.lastShare * 100)} % round row ${rows.rowsM.length}: that side is brighter. Stop at ${rows.fullRows} rows or buy more.`,
            { field: 'tapeLengthM', drawing: 'tape' },
          ),
        ]
      : []),
    ...(ring.rowPitchM > ROWS_SEEN_M
      ? [
          look(
            'geometry',
            'strip-ring.seams',
            'Dark seams between the rows',
            `Rows ${exactMm(ring.rowPitchM)} apart show as rings in the eyes.`,
            { field: 'rowPitchM', drawing: 'tape' },
          ),
        ]
      : []),
  ];
}
