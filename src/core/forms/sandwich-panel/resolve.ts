import type { FormContext } from '../form';
import { mouthMatter } from '../../light/mouth';
import { OPEN } from '../../light/transport/arrangement';
import { fact, completeBuild } from '../kit/build';
import { layerOf, layerParts, partOf } from '../kit/lookup';
import { look, notChosen, stopsFor, typicalLayers } from '../kit/findingWriters';
import { exactMm, mm } from '../../quantity';
import { THREADS, washerSize } from '../../materials/fasteners';
import { pointsAlong, pointsPerRow, unitLamps } from '../kit/lamps';
import { bolts, cordMassKg, hardware, mainsNeeds, mainsOpen, wiringSlots } from '../kit/needs';
import { boxCavity, sendsBack, wallOf } from '../kit/cavities';
import { checkTape, cutBoard, joinTape, layTape, markOut, step, tryTape } from '../kit/steps';
import {
  dotsOf,
  rowJoints,
  tapeCordM,
  tapeFacts,
  tapeLoads,
  tapeNeeds,
  tapeRun,
  rowSpans,
  tapeUnit,
} from '../kit/tape';
import { tapeLayingFindings } from '../kit/tapeLayingFindings';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { type Sandwich } from './parameters';
import { boltHoles, layout, problems, SHEET_M } from './layout';
import { filmsOf, sheetsOf } from './sheets';
import { LEDS_PER_M, RUN_ENDS_M, TAPE_KG_PER_M } from '../kit/typical';

/** Tape on the back sheet, to the middle of its diodes. */
const TAPE_HIGH_M = 0.002;
/** Acrylic softens [typ; docs/model/power.md]. */
const OPAL_C = 85;
/** Bare end that is soldered, a side. */
const SOLDER_M = 0.02;
/** M5 × 40 with its nut, and one washer [typ; weighed tables, from memory]. */
const BOLT_KG = 0.01;
const WASHER_KG = 0.001;

/** Near enough to single diodes that the mouth's map is not dotted by the reckoning. */
const POINTS_PER_ROW = 30;

/** What is worked out once and told in several places. */
function partsOf(panel: Sandwich, context: FormContext) {
  const { strip, rowM, rows, heights, count, washers, spacerM } = layout(panel, context);
  const { unit } = tapeUnit(panel, rows.usedM, context);
  const layers = layerParts(panel, context);
  const holes = boltHoles(panel);
  const points = rows.rowsM.flatMap((laid, row) =>
    pointsAlong(
      [-rowM / 2, heights[row]!, TAPE_HIGH_M],
      [-rowM / 2 + laid, heights[row]!, TAPE_HIGH_M],
      pointsPerRow(rows.rowsM.length, POINTS_PER_ROW),
      [0, 0, 1],
    ),
  );
  const frontM2 = panel.widthM * panel.heightM;
  const sidesM2 = 2 * (panel.widthM + panel.heightM) * spacerM;
  const sheets = sheetsOf(panel, rows.rowsM, heights, context);
  const clampedM =
    spacerM + sheets.reduce((sum, { thicknessM }) => sum + (thicknessM || SHEET_M), 0);
  const { jumpers, joints } = rowJoints(panel.feed, rows.rowsM.length);
  const lamps = unitLamps(unit, strip, rows.usedM > 0 ? 1 : 0, panel, { class: 'lambert' }, points);
  return {
    panel,
    context,
    strip,
    rows,
    heights,
    count,
    layers,
    holes,
    frontM2,
    sidesM2,
    sheets,
    films: filmsOf(panel, context),
    clampedM,
    spacerM,
    washers,
    jumpers,
    joints,
    lamps,
  };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(panel: Sandwich, context: FormContext): ResolvedBuild {
  const parts = partsOf(panel, context);
  const { strip, rows, layers, frontM2, sidesM2, sheets, films, lamps, spacerM, clampedM } = parts;
  return completeBuild(
    {
      ...lamps,
      mouth: mouthOf(parts),
      enclosure: {
        areaM2: 2 * frontM2 + sidesM2,
        resistanceM2KPerW: 0,
        closed: true,
        limitC: Math.min(OPAL_C, ...layers.map(({ limitC }) => limitC)),
        ref: 'panel',
        field: 'widthM',
      },
      dots: dotsOf(strip, panel.rowPitchM, spacerM),
      lampsAt: { drawing: 'tape', field: 'stripId' },
      wiring: { ...wiringSlots(panel), loads: tapeLoads(panel, rows.usedM, context) },
      tape: tapeRun(
        panel,
        rows,
        context,
        rowSpans(rows.rowsM[0] ?? 0, rows.rowsM.length, panel.rowPitchM),
      ),
      pieces: [...sheets, ...films],
      needs: needsOf(parts),
      steps: stepsOf(parts),
      facts: factsOf(parts),
      findings: findingsOf(parts),
      apparent: { widthM: panel.widthM, heightM: panel.heightM },
      frontM: spacerM,
      built: { widthM: panel.widthM, heightM: panel.heightM, depthM: clampedM },
    },
    fittingsKg(parts),
    context,
  );
}

function needsOf({
  panel,
  context,
  rows,
  holes,
  washers,
  jumpers,
  joints,
  clampedM,
}: Parts): ResolvedBuild['needs'] {
  const { washer } = THREADS[panel.bolt];
  return [
    ...tapeNeeds(
      panel,
      rows,
      joints,
      RUN_ENDS_M + jumpers * (panel.rowPitchM + 2 * SOLDER_M),
      context,
    ),
    ...bolts(panel.bolt, holes.length, clampedM, 'through both sheets and their washers', 'bolt'),
    ...hardware(
      'washer',
      holes.length * washers,
      `${washers} a bolt, spacer / ${exactMm(washer.thickM)}`,
      'bolt',
      washerSize(panel.bolt),
    ),
    ...(panel.backing === 'metal'
      ? hardware('foil-tape', rows.usedM, 'under the tape', 'lay-tape')
      : []),
    ...mainsNeeds(panel, tapeCordM(panel, rows.usedM, context)),
  ];
}

function mouthOf({
  panel,
  context,
  layers,
  frontM2,
  sidesM2,
  spacerM,
  lamps,
}: Parts): ResolvedBuild['mouth'] {
  return {
    shape: 'rectangle',
    widthM: panel.widthM,
    heightM: panel.heightM,
    heightOverBackM: spacerM,
    layers: layers.map(layerOf),
    // Bolts and washers leave the edges open: what leaves by them is spill.
    cavity: {
      areaM2: 2 * frontM2 + sidesM2,
      mouthM2: frontM2,
      reflectance: (frontM2 * context.finish(panel.finish).reflectance) / (frontM2 + sidesM2),
      origin: sendsBack(context.finish(panel.finish)).origin,
    },
    room: boxCavity(
      {
        back: [panel.widthM, panel.heightM],
        front: [panel.widthM, panel.heightM],
        depthM: spacerM,
        backMatter: wallOf(context.finish(panel.finish)),
        sideMatter: OPEN,
        mouth: mouthMatter(layers.map(layerOf)),
        names: { side: 'open edge' },
      },
      lamps.emitters,
    ),
    directShare: frontM2 / (frontM2 + sidesM2),
  };
}

function stepsOf({ panel, context, rows, holes, joints }: Parts): ResolvedBuild['steps'] {
  return [
    checkTape(rows.usedM),
    markOut('rows and bolts'),
    cutBoard('both sheets', 25, partOf(context, panel.backPartId, 'sheet')),
    step(
      'cut',
      'drill',
      'Drill both sheets together, countersink the front',
      'Holes that were drilled apart never meet',
      'drill, clamps',
      4 * holes.length,
      'no cracks; film still on',
      'Acrylic grabs the bit: slow speed, a board underneath, glasses on.',
    ),
    layTape(rows.usedM, rows.rowsM.length),
    joinTape(joints),
    tryTape(rows.rowsM.length),
    step(
      'close',
      'bolt',
      'Bolt the sandwich',
      'Washers hold the sheets apart',
      'spanner',
      3 * holes.length,
      'sheets parallel, nothing rattles',
      { works: 'cloth' },
    ),
  ];
}

function factsOf({
  panel,
  strip,
  rows,
  count,
  holes,
  washers,
  jumpers,
  joints,
  heights,
  spacerM,
  clampedM,
}: Parts): ResolvedBuild['facts'] {
  return [
    ...tapeFacts(rows, strip, 'row'),
    fact('row', 'Row cut to', rows.rowsM[0] ?? 0, 'width − 2 × edge, down to a mark'),
    fact('rows-fit', 'Rows that fit', count, '(height − 2 · edge − width) / pitch + 1', 'count'),
    fact(
      'jumpers',
      'Jumpers',
      jumpers,
      panel.feed === 'rows' ? 'none: every row has its own lead' : 'rows − 1',
      'count',
    ),
    fact('joints', 'Joints to solder', joints, 'two a jumper, one a feed', 'count'),
    fact('bolts', 'Bolts', holes.length, 'round the border', 'count'),
    fact(
      'washers',
      'Washers a bolt',
      washers,
      `spacer / ${exactMm(THREADS[panel.bolt].washer.thickM)}, rounded up`,
      'count',
    ),
    fact('spacer', 'Spacer as built', spacerM, 'whole washers'),
    fact('clamped', 'Bolts clamp', clampedM, 'both sheets and the washers'),
    ...(rows.rowsM.length
      ? [
          fact(
            'first-row',
            'First row from the top edge',
            panel.heightM / 2 - heights[0]!,
            'height / 2 − (rows that fit − 1) · pitch / 2',
          ),
          fact('row-end', 'Rows begin from the left', panel.edgeM, 'edge without tape'),
        ]
      : []),
    fact(
      'ratio',
      'Stand-off over pitch',
      spacerM / Math.max(panel.rowPitchM, 1 / (strip?.ledsPerM ?? LEDS_PER_M)),
      'even from about 1',
      'ratio',
    ),
  ];
}

function findingsOf({
  panel,
  context,
  strip,
  rows,
  layers,
  spacerM,
}: Parts): ResolvedBuild['findings'] {
  return [
    ...stopsFor('sandwich', problems(panel, context), 'panel'),
    ...notChosen('sandwich', [
      ['tape', strip, 'stripId', 'tape', 'Choose a tape, and rows, light, load and cost follow.'],
      [
        'back sheet',
        panel.backPartId,
        'backPartId',
        'panel',
        'Mirror, white board or foil-faced board.',
      ],
      [
        'front sheet',
        panel.frontPartId,
        'frontPartId',
        'panel',
        'Opal acrylic as a rule; give its transmittance as the first layer.',
      ],
      ...mainsOpen(panel),
    ]),
    ...tapeLayingFindings('sandwich', panel, rows, null, panel.backing === 'metal', context),
    ...typicalLayers('sandwich', layers),
    ...(spacerM < panel.rowPitchM - 1e-9
      ? [
          look(
            'light',
            'sandwich.hot-spots',
            'The rows will show',
            `The front stands ${mm(spacerM)} off rows ${mm(panel.rowPitchM)} apart: it looks striped. Thicker spacers or closer rows.`,
            { field: 'spacerM', drawing: 'panel' },
            'Common practice: stand-off at least the pitch',
            mm(panel.rowPitchM),
          ),
        ]
      : []),
    ...(layers.length === 0
      ? [
          look(
            'light',
            'sandwich.front',
            'The front’s loss is not counted',
            'Give the opal sheet as the first layer, or the light is counted as if the front were open.',
            { field: 'layer1PartId', drawing: 'panel' },
            'This design',
          ),
        ]
      : []),
  ];
}

/** Everything that is not cut, kg. */
function fittingsKg({ panel, context, strip, rows, holes, washers }: Parts): number {
  return (
    rows.usedM * (strip?.massKgPerM ?? TAPE_KG_PER_M) +
    holes.length * (BOLT_KG + WASHER_KG * washers) +
    cordMassKg(panel, tapeCordM(panel, rows.usedM, context), context)
  );
}
