import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { layerOf, partOf } from '../kit/lookup';
import { look, notChosen, stopsFor } from '../kit/findingWriters';
import { exactMm, mm } from '../../quantity';
import { unitLamps } from '../kit/lamps';
import { cordMassKg, hardware, mainsNeeds, mainsOpen, wiringSlots } from '../kit/needs';
import { clothPiece, stickPiece } from '../kit/pieces';
import { checkTape, joinTape, layTape, step, sticks, tryTape } from '../kit/steps';
import {
  dotsOf,
  tapeCordM,
  tapeFacts,
  tapeLoads,
  tapeNeeds,
  tapeRun,
  rowSpans,
  tapeUnit,
} from '../kit/tape';
import { tapeLayingFindings } from '../kit/tapeLayingFindings';
import { linedCavity, lineOf } from './cavity';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { type TubeLight } from './parameters';
import { layout, outsideM, problems } from './layout';
import { LEDS_PER_M, TAPE_KG_PER_M } from '../kit/typical';

/** Dots are seen across nearly the whole bore. */
const SEEN_SHARE = 0.9;
/** Lead at both ends of a tube. */
const ENDS_M = 0.2;
/** Two caps [typ; from memory]. */
const CAPS_KG = 0.03;
/** A bore this near the one on the label is the same tube. */
const SAME_BORE_M = 0.001;
/** Clear plastic softens [typ; docs/model/power.md]. */
const TUBE_C = 80;
/** An overlap wider than this shows as a darker stripe [common practice]. */
const SEAM_SEEN_M = 0.01;

/** What is worked out once and told in several places. */
function partsOf(light: TubeLight, context: FormContext) {
  const { strip, strandM, rows } = layout(light, context);
  const { unit } = tapeUnit(light, rows.usedM, context);
  const liner = partOf(context, light.linerPartId, 'diffusion');
  const layers = liner ? Array.from({ length: light.linerTurns }, () => layerOf(liner)) : [];
  const lit = rows.rowsM[0] ?? 0;
  // Bare strands back to back shine nearly all round, one from the side it faces.
  const lamps = unitLamps(
    unit,
    strip,
    rows.usedM > 0 ? 1 : 0,
    light,
    light.strands === 2 ? { class: 'tube' } : { class: 'lambert' },
    lineOf(light, lit),
  );
  const dot = 1 / (strip?.ledsPerM ?? LEDS_PER_M);
  const linerW = Math.PI * light.insideDiameterM * light.linerTurns + light.overlapM;
  const wallM2 = Math.PI * light.insideDiameterM * light.tubeLengthM;
  return { light, context, strip, strandM, rows, liner, layers, lit, lamps, dot, linerW, wallM2 };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(light: TubeLight, context: FormContext): ResolvedBuild {
  const parts = partsOf(light, context);
  const { strip, rows, lamps } = parts;
  const tubeStock = partOf(context, light.tubePartId, 'stick');
  const acrossM = outsideM(light, context);
  return completeBuild(
    {
      ...lamps,
      mouth: mouthOf(parts),
      enclosure: enclosureOf(parts),
      dots: dotsOf(strip, Infinity, SEEN_SHARE * light.insideDiameterM),
      lampsAt: { drawing: 'tape', field: 'stripId' },
      wiring: { ...wiringSlots(light), loads: tapeLoads(light, rows.usedM, context) },
      tape: tapeRun(light, rows, context, rowSpans(parts.lit, light.strands, 0)),
      pieces: piecesOf(parts),
      needs: [
        ...tapeNeeds(light, rows, light.strands, ENDS_M, context),
        ...hardware('cap', 2, 'ends of the tube', 'cap'),
        ...mainsNeeds(light, tapeCordM(light, rows.usedM, context)),
      ],
      steps: stepsOf(parts),
      facts: factsOf(parts),
      findings: findingsOf(parts),
      apparent: { widthM: light.insideDiameterM, heightM: light.tubeLengthM },
      array: { spacingM: Infinity, emitterWidthM: light.insideDiameterM },
      frontM: light.insideDiameterM,
      built: { widthM: acrossM, heightM: light.tubeLengthM, depthM: acrossM },
      bought: tubeStock
        ? [
            {
              id: 'tube-light.inside',
              name: tubeStock.name,
              what: 'inside diameter',
              drawnM: light.insideDiameterM,
              boughtM: tubeStock.diameterM - 2 * tubeStock.wallM,
              sameM: SAME_BORE_M,
              field: 'insideDiameterM',
              ref: 'tube',
            },
          ]
        : [],
    },
    rows.usedM * (strip?.massKgPerM ?? TAPE_KG_PER_M) +
      cordMassKg(light, tapeCordM(light, rows.usedM, context), context) +
      CAPS_KG,
    context,
  );
}

function mouthOf({
  light,
  strip,
  liner,
  layers,
  lit,
  lamps,
  wallM2,
}: Parts): ResolvedBuild['mouth'] {
  return liner
    ? {
        shape: 'tube',
        widthM: light.insideDiameterM,
        heightM: lit,
        heightOverBackM: light.insideDiameterM / 2,
        layers,
        // What the liner sends back crosses the tube and meets it again.
        cavity: { areaM2: wallM2, mouthM2: wallM2, reflectance: 1 },
        room: linedCavity(light, lit, strip, layers, lamps.emitters),
        directShare: 1,
      }
    : null;
}

function enclosureOf({ liner, wallM2 }: Parts): ResolvedBuild['enclosure'] {
  return {
    areaM2: wallM2,
    resistanceM2KPerW: 0,
    closed: true,
    limitC: Math.min(liner?.limitC ?? TUBE_C, TUBE_C),
    ref: 'tube',
    field: 'insideDiameterM',
  };
}

function piecesOf({ light, liner, linerW }: Parts): ResolvedBuild['pieces'] {
  return [
    stickPiece('tube', 'Tube', light.tubePartId, light.tubeLengthM, 1, [
      'Saw it square with a fine blade, deburr inside.',
    ]),
    ...(liner
      ? [
          clothPiece(
            'liner',
            'Liner',
            light.linerPartId,
            linerW,
            light.tubeLengthM + 2 * light.foldM,
            {
              lit: true,
              markOut: [
                'Roll it round a stick, slide it in, let it spring open; the overlap goes to the back.',
              ],
            },
          ),
        ]
      : []),
  ];
}

function stepsOf({ light, rows, liner }: Parts): ResolvedBuild['steps'] {
  return [
    checkTape(rows.usedM),
    step(
      'check parts',
      'look-through',
      'Look through the tube',
      'Scratches show as lines',
      'a lamp',
      2,
      'clear from end to end',
    ),
    sticks('the tube', 1),
    ...(liner
      ? [
          step(
            'finish',
            'liner',
            'Cut the liner and roll it in',
            'It hides the dots',
            'knife, rule, a stick',
            12,
            'in one piece, no crease, overlap at the back',
            { pieces: ['liner'], hazards: ['Cut away from your fingers.'] },
          ),
        ]
      : []),
    layTape(rows.usedM, light.strands),
    joinTape(light.strands),
    tryTape(light.strands),
    step(
      'close',
      'cap',
      'Pull the tape in and cap it',
      'A thread through first makes it easy',
      'thread',
      10,
      'tape straight, cable held',
    ),
  ];
}

function factsOf({ light, strip, strandM, rows, lit, linerW }: Parts): ResolvedBuild['facts'] {
  return [
    ...tapeFacts(rows, strip, 'strand'),
    fact('strand', 'Strand cut to', lit, 'length − caps, down to a mark'),
    fact('room', 'Room between the caps', strandM, 'length − 2 × cap'),
    fact('liner-w', 'Liner width', linerW, 'π · Ø · turns + overlap'),
    fact('liner-l', 'Liner length', light.tubeLengthM + 2 * light.foldM, 'length + 2 × fold'),
  ];
}

function findingsOf({ light, context, strip, rows, liner, dot }: Parts): ResolvedBuild['findings'] {
  return [
    ...stopsFor('tube-light', problems(light, context), 'tube'),
    ...notChosen('tube-light', [
      ['tape', strip, 'stripId', 'tape', 'Choose a tape, and light, load and cost follow.'],
      ['tube', light.tubePartId, 'tubePartId', 'tube', 'Choose the clear tube it is cut from.'],
      ...mainsOpen(light),
    ]),
    ...tubeTooLong(light, context),
    ...tapeLayingFindings('tube-light', light, rows, null, false, context),
    ...(liner
      ? []
      : [
          look(
            'light',
            'tube-light.dots',
            'Dots on the wall of the tube',
            'Tape that touches the wall shows every diode: roll a liner in, or leave it as set dressing.',
            { field: 'linerPartId', drawing: 'tube' },
          ),
        ]),
    ...(liner && light.insideDiameterM < dot
      ? [
          look(
            'light',
            'tube-light.near',
            'Dots through the liner',
            `Diodes ${exactMm(dot)} apart in a tube of Ø ${exactMm(light.insideDiameterM)}: the liner is nearer than they are apart. A wider tube or denser tape.`,
            { field: 'insideDiameterM', drawing: 'tube' },
            'Common practice: stand-off at least the pitch',
          ),
        ]
      : []),
    ...(light.overlapM > SEAM_SEEN_M
      ? [
          look(
            'light',
            'tube-light.stripe',
            'A dark stripe',
            'A wide overlap of the liner shows as a dark line: turn it to the back, keep it under a centimetre.',
            { field: 'overlapM', drawing: 'tube' },
          ),
        ]
      : []),
  ];
}

export function tubeTooLong(light: TubeLight, context: FormContext) {
  const stock = partOf(context, light.tubePartId, 'stick');
  if (!stock || light.tubeLengthM <= stock.stockLengthM + 1e-9) return [];
  return stopsFor(
    'tube-light',
    [
      {
        code: 'stock',
        path: 'tubeLengthM',
        message: `“${stock.name}” comes ${mm(stock.stockLengthM)} long: make the light shorter or choose a longer tube.`,
      },
    ],
    'tube',
  );
}
