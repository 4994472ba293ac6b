import { cutCloth } from '../../materials/cloth';
import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { layerOf, layerParts, partOf } from '../kit/lookup';
import { exactMm } from '../../quantity';
import { pointsAlong, pointsPerRow, unitLamps } from '../kit/lamps';
import { cordMassKg, hardware, mainsNeeds, wiringSlots } from '../kit/needs';
import { clothPiece } from '../kit/pieces';
import { fittingNeeds } from '../kit/pipework';
import { piecesMassKg } from '../kit/mass';
import { addLayers, checkTape, joinTape, layTape, step, sticks, tryTape } from '../kit/steps';
import { BLACK, boxCavity } from '../kit/cavities';
import { rectangularSkirt, type Control } from '../../light/controls';
import { mouthMatter } from '../../light/mouth';
import { OPEN } from '../../light/transport/arrangement';
import {
  dotsOf,
  feedJoints,
  rowJoints,
  tapeCordM,
  tapeFacts,
  tapeLoads,
  tapeNeeds,
  tapeRun,
  rowSpans,
  tapeUnit,
} from '../kit/tape';
import type { Piece } from '../../build/pieces';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { findings } from './findings';
import type { Support } from '../../build/supports';
import { layoutFrame, type FrameLayout } from './layout';
import type { Overhead } from './parameters';
import { JUMPER_M, PIPE_M, RUN_ENDS_M, TAPE_KG_PER_M, TAPE_WIDTH_M } from '../kit/typical';

/** A soldered joint with its sleeve, a pipe tee, bonds and shackles [typ; from memory]. */
const JOINT_KG = 0.01;
const TEE_KG = 0.1;
const ROPES_KG = 0.4;
/** The poles in one bundle. */
const BUNDLE_M = 0.3;
/** Diodes hang so far under their cord. */
const DIODE_M = 0.005;
/** Where the ends of a skirt meet. */
const OVERLAP_M = 0.1;

/** Knots at both ends of a carrier cord; lacing an eyelet; spare of jumpers. */
const TIED_M = 0.4;
const LACING_M = 0.2;
const RUN_SPARE = 0.1;
const CLIPS_APART_M = 0.3;
/** The step of setting up that takes ropes and bonds (core/making). */
const HOISTED = 'hoist';

/** Under a cloth that hangs near, rows must not be dotted by the reckoning. */
const POINTS_PER_ROW = { open: 10, covered: 40 };

/** What is worked out once and told in several places. */
function partsOf(frame: Overhead, context: FormContext) {
  const layout = layoutFrame(frame, context);
  const { rows, rowM, rowsY } = layout;
  const { strip, unit } = tapeUnit(frame, rows.usedM, context);
  const layers = layerParts(frame, context);
  const points = rows.rowsM.flatMap((laid, row) =>
    pointsAlong(
      [-rowM / 2, rowsY[row]!, 0],
      [-rowM / 2 + laid, rowsY[row]!, 0],
      pointsPerRow(rows.rowsM.length, layers.length ? POINTS_PER_ROW.covered : POINTS_PER_ROW.open),
      [0, 0, 1],
    ),
  );
  const poles = layout.pieces;
  const joints = feedJoints(frame.feed, rows.rowsM.length);
  const extraKg =
    rows.usedM * (strip?.massKgPerM ?? TAPE_KG_PER_M) +
    joints * JOINT_KG +
    layout.framework.joints.length * TEE_KG +
    ROPES_KG +
    cordMassKg(frame, tapeCordM(frame, rows.usedM, context), context);
  const lamps = unitLamps(unit, strip, rows.usedM > 0 ? 1 : 0, frame, { class: 'lambert' }, points);
  return { frame, context, layout, rows, strip, layers, poles, joints, extraKg, lamps };
}
type Parts = ReturnType<typeof partsOf>;

export function resolveFrame(frame: Overhead, context: FormContext): ResolvedBuild {
  const parts = partsOf(frame, context);
  const { layout, rows, strip, layers, poles, extraKg, lamps } = parts;
  const pipeM = partOf(context, frame.pipePartId, 'stick')?.diameterM ?? PIPE_M;
  const deep = Math.max(layers.length ? frame.clothDropM : 0, frame.skirtM, TAPE_WIDTH_M);
  return completeBuild(
    {
      ...lamps,
      mouth: mouthOf(parts),
      controls: skirt(frame, layers.length > 0),
      dots: dotsOf(strip, frame.rowPitchM, frame.clothDropM),
      lampsAt: { drawing: 'tape', field: 'stripId' },
      wiring: { ...wiringSlots(frame), loads: tapeLoads(frame, rows.usedM, context) },
      tape: tapeRun(
        frame,
        rows,
        context,
        rowSpans(rows.rowsM[0] ?? 0, rows.rowsM.length, frame.rowPitchM),
      ),
      pieces: [...poles, ...cloths(frame, context)],
      needs: needsOf(parts),
      steps: steps(frame, layout, layers.length),
      facts: facts(frame, layout, context),
      findings: findings(frame, layout, context),
      supports: supportsOf(parts),
      frameworks: [layout.framework],
      parcels: clothParcel(frame, poles, context),
      // Over the outsides of its pipes; they lie half before and half behind the plane of the tape.
      built: {
        widthM: frame.widthM + pipeM,
        heightM: frame.heightM + pipeM,
        depthM: Math.max(deep, pipeM / 2) + pipeM / 2,
      },
      apparent: { widthM: frame.widthM, heightM: frame.heightM },
      array: { spacingM: frame.rowPitchM, emitterWidthM: TAPE_WIDTH_M },
      frontM: layers.length ? frame.clothDropM : TAPE_WIDTH_M,
      folded: {
        widthM: Math.max(...poles.map(({ lengthM }) => lengthM)),
        heightM: BUNDLE_M,
        depthM: BUNDLE_M,
      },
    },
    extraKg,
    context,
  );
}

/** Ropes at the points, and the long side as a bar between them; a lone row of points spans it all. */
function supportsOf({ frame, context }: Parts): Support[] {
  const { widthM, hangPoints, pointLimitKg, bonds } = frame;
  const pipe = partOf(context, frame.pipePartId, 'stick');
  const told = { id: 'overhead', ownKg: 0, ref: 'hoist', field: 'hangPoints' };
  return [
    {
      ...told,
      kind: 'hoist',
      points: hangPoints,
      limitKg: pointLimitKg,
      bonds: bonds === 'yes',
      bondsField: 'bonds',
    },
    ...(pipe
      ? [
          {
            ...told,
            kind: 'beam' as const,
            pipe,
            spanM: widthM / Math.max(1, Math.ceil(hangPoints / 2) - 1),
            loadedM: 2 * widthM,
          },
        ]
      : []),
  ];
}

function mouthOf({ frame, layers, lamps }: Parts): ResolvedBuild['mouth'] {
  return layers.length
    ? {
        shape: 'rectangle',
        widthM: frame.widthM,
        heightM: frame.heightM,
        heightOverBackM: frame.clothDropM,
        layers: layers.map(layerOf),
        cavity: null,
        room: boxCavity(
          {
            back: [frame.widthM, frame.heightM],
            front: [frame.widthM, frame.heightM],
            depthM: frame.clothDropM,
            // Nothing over the tape: what the cloth sends back goes up and is gone.
            backMatter: OPEN,
            sideMatter: frame.skirtM > 0 ? BLACK : OPEN,
            mouth: mouthMatter(layers.map(layerOf)),
            names: { back: 'open top', side: frame.skirtM > 0 ? 'skirt' : 'open side' },
          },
          lamps.emitters.map((emitter) => ({
            ...emitter,
            positionM: [emitter.positionM[0], emitter.positionM[1], DIODE_M] as const,
          })),
        ),
        directShare: throughCloth(frame),
      }
    : null;
}

/** Cloths travel in a sack of their own [typ: what folded cloth takes, a litre for each 150 g]. */
function clothParcel(
  frame: Overhead,
  poles: readonly Piece[],
  context: FormContext,
): ResolvedBuild['parcels'] {
  const sewn = cloths(frame, context);
  const massKg = piecesMassKg(sewn, context);
  if (sewn.length === 0 || poles.length === 0) return [];
  const side = Math.cbrt(massKg / CLOTH_SACK_KG_PER_M3);
  return [{ name: 'cloths', massKg, widthM: side, heightM: side, depthM: side }];
}
const CLOTH_SACK_KG_PER_M3 = 150;

function needsOf({ frame, context, layout, rows, layers, joints }: Parts): ResolvedBuild['needs'] {
  // Rows that are not fed one by one are chained at their ends.
  const { jumpers } = rowJoints(frame.feed, rows.rowsM.length);
  const jumperM = jumpers * (frame.rowPitchM + JUMPER_M) + RUN_ENDS_M;
  return [
    ...tapeNeeds(frame, rows, joints, jumperM * (1 + RUN_SPARE), context),
    ...fittingNeeds(layout.framework, 'frame'),
    ...hardware(
      'cord',
      rows.rowsM.length * (frame.widthM + TIED_M),
      'one a row, from side to side: it carries the tape',
      'tie-rows',
    ),
    ...hardware('cable-tie', rows.rowsM.length * (layout.bars + 2), 'tape to bars', 'tie-rows'),
    ...hardware('eyelet', eyelets(frame) * layers.length, 'round each cloth', 'sew'),
    ...hardware(
      'clip',
      frame.skirtM > 0 ? Math.ceil((2 * (frame.widthM + frame.heightM)) / CLIPS_APART_M) : 0,
      'hold the skirt to the pipe',
      'hang-skirt',
    ),
    ...hardware(
      'cord',
      layers.length * eyelets(frame) * LACING_M,
      'laces each cloth to the pipe',
      'fit-layers',
    ),
    ...hardware('rope', frame.hangPoints * frame.ropeM, 'hoisting', HOISTED),
    ...(frame.bonds === 'yes'
      ? hardware('safety-bond', frame.hangPoints, 'second fixing, five times the load', HOISTED)
      : []),
    ...mainsNeeds(frame, tapeCordM(frame, rows.usedM, context)),
  ];
}

/** What of the black skirt hangs below the cloth, or below the tape where there is none. */
function skirt({ widthM, heightM, skirtM, clothDropM }: Overhead, covered: boolean): Control[] {
  const from = covered ? clothDropM : 0;
  return skirtM > from ? rectangularSkirt('skirt', widthM, heightM, from, skirtM - from) : [];
}

/** Share of a row's light that lands on the cloth below it: both edges seen under atan(W/2/drop). */
function throughCloth({ widthM, heightM, clothDropM }: Overhead): number {
  const side = (across: number) => across / 2 / Math.hypot(across / 2, clothDropM);
  return side(widthM) * side(heightM);
}

const eyelets = ({ widthM, heightM, eyeletM }: Overhead): number =>
  2 * (Math.ceil(widthM / eyeletM) + Math.ceil(heightM / eyeletM));

function cloths(frame: Overhead, context: FormContext): Piece[] {
  const { widthM, heightM, seamM, hemM, skirtM } = frame;
  return [
    ...layerParts(frame, context).map((layer, k) =>
      clothPiece(`cloth-${k + 1}`, `Cloth ${k + 1}`, layer.id, widthM, heightM, {
        seamM,
        hemM,
        lit: true,
        markOut: [`Eyelets every ${exactMm(frame.eyeletM)} at most, ${eyelets(frame)} in all.`],
      }),
    ),
    ...(skirtM > 0
      ? [
          clothPiece(
            'black-skirt',
            'Black skirt',
            frame.skirtPartId,
            2 * (widthM + heightM) + OVERLAP_M,
            skirtM,
            {
              seamM,
              hemM: 0,
            },
          ),
        ]
      : []),
  ];
}

function steps(frame: Overhead, layout: FrameLayout, layers: number) {
  const { rows, pieces } = layout;
  const count = pieces.reduce((sum, pipe) => sum + pipe.count, 0);
  return [
    checkTape(rows.usedM),
    sticks('the pipes', count),
    step(
      'finish',
      'sew',
      'Sew the cloths',
      'Seams, then hems, then eyelets',
      'sewing machine, eyelet pliers',
      40 + 30 * layers + frame.widthM * frame.heightM * 4,
      'lies flat, eyelets hold a pull',
    ),
    step(
      'mount',
      'frame',
      'Put the frame together on the floor',
      'Dry first; mark every joint',
      'mallet, tape',
      30 + 4 * count,
      'diagonals equal',
    ),
    layTape(rows.usedM, rows.rowsM.length),
    step(
      'mount',
      'tie-rows',
      'Tie the rows across the bars',
      'Tape hung on its own stretches and tears its joints',
      'cord or thin profile a row, cable ties',
      5 + 2 * rows.rowsM.length,
      'every row carried by its cord, tied at both sides and every bar',
    ),
    joinTape(rowJoints(frame.feed, rows.rowsM.length).joints),
    tryTape(rows.rowsM.length),
    ...(frame.skirtM > 0
      ? [
          step(
            'dress',
            'hang-skirt',
            'Hang the black skirt round the frame',
            'It keeps light off walls and ceiling',
            'clips',
            15,
            'it hangs free of the tape on all four sides',
            { pieces: ['black-skirt'] },
          ),
        ]
      : []),
    step(
      'power up',
      'row-by-row',
      'Look at it row by row',
      'A dead row is out of reach once it hangs',
      'eyes half shut, or dark glasses',
      5 + rows.rowsM.length,
      'every row lights, none dimmer than its neighbours',
      { hazards: ['Unplug before a joint is mended.'], needs: ['power-up'] },
    ),
    ...addLayers(layers),
  ];
}

function facts(frame: Overhead, layout: FrameLayout, context: FormContext) {
  const { rows, bars, pipeM, pieces } = layout;
  const { strip } = tapeUnit(frame, rows.usedM, context);
  const bolt = layerParts(frame, context)[0]?.widthM;
  const cloth = bolt
    ? cutCloth(frame.widthM, frame.heightM, bolt, frame.seamM, frame.hemM, true)
    : null;
  return [
    ...tapeFacts(rows, strip, 'row'),
    fact('row', 'Row cut to', rows.rowsM[0] ?? 0, 'width less 50 mm a side, down to a cut mark'),
    fact('pitch', 'Row pitch', frame.rowPitchM, 'centre to centre, as chosen'),
    fact(
      'first-row',
      'First row from the side',
      frame.heightM / 2 - (layout.rowsY[0] ?? 0),
      'depth / 2 − (rows − 1) · pitch / 2',
    ),
    fact('pipe', 'Pipe in all', pipeM, '2 · width + (2 + bars) · depth'),
    fact(
      'pieces',
      'Pieces of pipe',
      pieces.reduce((sum, { count }) => sum + count, 0),
      'sides parted at the tees, runs longer than a stick at couplers',
      'count',
    ),
    fact(
      'pipe-cut',
      'Pipe cut to length, in all',
      pieces.reduce((sum, { count, lengthM }) => sum + count * lengthM, 0),
      'less what fittings take',
    ),
    fact('bars', 'Cross bars', bars, 'width / spacing, rounded up, − 1', 'count'),
    fact(
      'feeds',
      'Feeds',
      frame.feed === 'one' ? 1 : frame.feed === 'both' ? 2 : rows.rowsM.length,
      'as fed',
      'count',
    ),
    ...(cloth
      ? [
          fact('panels', 'Lengths of cloth', cloth.panels, 'size / bolt width', 'count'),
          fact('finished-w', 'Cloth comes out, width', cloth.finishedWidthM, 'less seams and hems'),
          fact(
            'finished-h',
            'Cloth comes out, depth',
            cloth.finishedHeightM,
            'less seams and hems',
          ),
        ]
      : []),
    fact('eyelets', 'Eyelets a cloth', eyelets(frame), 'size / spacing', 'count'),
  ];
}
