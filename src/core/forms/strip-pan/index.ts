import { FINISHES } from '../../materials/finish';
import type { Drawing, Shape } from '../drawing';
import type { FormContext, FormDefinition } from '../form';
import { fact, resolved } from '../kit/build';
import {
  exactMm,
  layerOf,
  layerParts,
  look,
  notChosen,
  partOf,
  stopsFor,
  typicalLayers,
} from '../kit/choices';
import { unitLamps } from '../kit/lamps';
import { cordMassKg, fromPart, hardware, mainsNeeds, mainsOpen, wiringSlots } from '../kit/needs';
import { clothPiece, rectanglePiece, sheetPiece } from '../kit/pieces';
import { circle, knob, labelled, line, measure, rectangle, view } from '../kit/shapes';
import { checkTape, cutBoard, finishSteps, joinTape, layTape, step, wireMains } from '../kit/steps';
import {
  stripOf,
  tapeFacts,
  tapeFill,
  tapeFindings,
  tapeLoads,
  tapeNeeds,
  tapeUnit,
} from '../kit/tape';
import { wiringView } from '../kit/wiringView';
import type { Piece, ResolvedBuild } from '../resolved';
import { layoutPan, panProblems, type PanLayout } from './layout';
import { stripPanParameters, type StripPan } from './parameters';

const POINTS_PER_ROW = 16;

/** Light of a rim crosses the pan; a base row faces the mouth. */
function points(pan: StripPan, { radiiM, heightsM, rows }: PanLayout) {
  return rows.rowsM.flatMap((laid, row) =>
    Array.from({ length: POINTS_PER_ROW }, (_, k) => {
      const angle = Math.PI / 2 - ((k + 0.5) * (laid / POINTS_PER_ROW)) / radiiM[row]!;
      const [x, y] = [Math.cos(angle), Math.sin(angle)];
      return {
        positionM: [radiiM[row]! * x, radiiM[row]! * y, heightsM[row]!] as const,
        axis: pan.tapeOn === 'rim' ? ([-x, -y, 0] as const) : ([0, 0, 1] as const),
      };
    }),
  );
}

/**
 * Share of a rim tape's Lambertian light that meets the mouth directly: half goes up, and what passes
 * under the far rim's edge is lost to the walls; atan(2R/h)/π of it stays above the horizon to the rim.
 */
function directShare(pan: StripPan, layout: PanLayout): number {
  const up = Math.max(0.001, pan.depthM - (layout.heightsM[0] ?? 0));
  if (pan.tapeOn === 'base') {
    const ratio = layout.radiusM / pan.depthM;
    // Lambertian centre point to a coaxial disc: R²/(R² + h²).
    return ratio ** 2 / (1 + ratio ** 2);
  }
  return 0.5 * (1 - up / Math.hypot(up, 2 * layout.radiusM));
}

function panPieces(pan: StripPan, context: FormContext): Piece[] {
  const layers = layerParts(pan, context);
  const disc = pan.diameterM + 2 * pan.tabM;
  return [
    ...(pan.panPartId === null && pan.boardPartId !== null
      ? [
          sheetPiece(
            {
              name: 'Base',
              partId: pan.boardPartId,
              shapes: [labelled(circle(0, 0, pan.diameterM / 2, 'cut'), 'base')],
              areaM2: (Math.PI / 4) * pan.diameterM ** 2,
              mayTurn: true,
              markOut: [`Trammel: ${exactMm(pan.diameterM / 2)}.`],
            },
            context,
          ),
          rectanglePiece(
            'Rim strip',
            pan.boardPartId,
            Math.PI * pan.diameterM + 0.03,
            pan.depthM,
            context,
            { markOut: ['π · Ø and 30 mm overlap; bend it warm or score it inside.'] },
          ),
        ]
      : []),
    ...layers.map((layer, k) =>
      clothPiece(`Diffusion disc ${k + 1}`, layer.id, disc, disc, {
        markOut: [`Cut a circle of Ø ${exactMm(disc)}; the tab folds over the rim.`],
      }),
    ),
  ];
}

function resolve(pan: StripPan, context: FormContext): ResolvedBuild {
  const layout = layoutPan(pan, context);
  const { rows } = layout;
  const { strip, unit } = tapeUnit(pan, rows.usedM, context);
  const layers = layerParts(pan, context);
  const joints = pan.feed === 'one' ? 1 : pan.feed === 'both' ? 2 : rows.rowsM.length;
  const height = pan.depthM + Math.max(0, layers.length - 1) * pan.layerSpacingM;
  const mouthM2 = Math.PI * layout.radiusM ** 2;
  const rimM2 = layout.circumferenceM * height;
  const needs = pan.panPartId === null ? [] : fromPart(pan.panPartId, 1, 'piece', 'the pan');
  return resolved(
    {
      ...unitLamps(
        unit,
        strip,
        rows.usedM > 0 ? 1 : 0,
        pan.level,
        { class: 'lambert' },
        points(pan, layout),
      ),
      mouth: {
        shape: 'disc',
        widthM: pan.diameterM,
        heightM: pan.diameterM,
        heightOverBackM: height,
        layers: layers.map(layerOf),
        cavity: { areaM2: 2 * mouthM2 + rimM2, reflectance: FINISHES[pan.finish].reflectance },
        directShare: directShare(pan, layout),
      },
      enclosure: {
        areaM2: mouthM2 + rimM2,
        closed: layers.length > 0,
        limitC: layers.length ? Math.min(...layers.map(({ limitC }) => limitC)) : null,
        ref: 'pan',
        field: 'diameterM',
      },
      lampsAt: { drawing: 'tape', field: 'stripId' },
      wiring: { ...wiringSlots(pan), loads: tapeLoads(pan, rows.usedM, context) },
      pieces: panPieces(pan, context),
      needs: [
        ...needs,
        ...tapeNeeds(pan, rows, joints, 0.3 + 0.1 * joints, context),
        ...hardware('clip', layers.length ? 8 : 0, 'hold the discs'),
        ...hardware('pipe-clamp', 1, 'in the gap of the rim'),
        ...mainsNeeds(pan, pan.tailLengthM),
      ],
      steps: [
        checkTape(rows.usedM),
        cutBoard('base, rim and discs', 25),
        step(
          'Clean and finish the inside',
          'Every bounce loses what the wall keeps',
          'rag, paint or foil',
          30,
          'no bare metal edge, dry',
          'A pan’s cut edge is sharp: file it.',
        ),
        layTape(rows.usedM, rows.rowsM.length),
        joinTape(joints),
        wireMains(context, 15),
        ...finishSteps(layers.length),
      ],
      facts: [
        fact('circumference', 'Rim circumference', layout.circumferenceM, 'π · Ø'),
        ...(layout.turnsPerReel === null
          ? []
          : [
              fact(
                'turns',
                'Turns from one reel',
                Math.floor(layout.turnsPerReel * 100) / 100,
                'reel / (π · Ø − gap); whole turns shown',
                'count',
              ),
            ]),
        ...tapeFacts(rows, strip, pan.tapeOn === 'rim' ? 'turn' : 'circle'),
        fact('disc', 'Diffusion disc Ø', pan.diameterM + 2 * pan.tabM, 'Ø + 2 × tab'),
      ],
      findings: [
        ...stopsFor('strip-pan', panProblems(pan, context), 'pan'),
        ...notChosen('strip-pan', [
          [
            'tape',
            strip,
            'stripId',
            'tape',
            'Choose a tape, and turns, light, load and cost follow.',
          ],
          ...mainsOpen(pan),
        ]),
        ...tapeFindings(
          'strip-pan',
          pan,
          rows,
          { radiusM: layout.radiiM.at(-1) ?? layout.radiusM },
          pan.finish === 'tinned-steel' || pan.finish === 'foil-tape',
          context,
        ),
        ...typicalLayers('strip-pan', layers),
        ...(layers.length === 0 && pan.tapeOn === 'base'
          ? [
              look(
                'strip-pan.bare',
                'Bare diodes towards the subject',
                'Every diode shows as a dot in the eyes and dazzles: put a layer in front, or the tape on the rim.',
                { field: 'layer1PartId', drawing: 'pan' },
              ),
            ]
          : []),
      ],
      apparent: { widthM: pan.diameterM, heightM: pan.diameterM },
      array: { spacingM: Infinity, emitterWidthM: pan.diameterM },
      frontM: height,
      flammables: [],
      folded: { widthM: pan.diameterM, heightM: pan.diameterM, depthM: height },
    },
    rows.usedM * (strip?.massKgPerM ?? 0.02) +
      cordMassKg(pan, pan.tailLengthM, context) +
      (pan.panPartId ? 0.6 : 0),
    context,
  );
}

function draw(pan: StripPan, context: FormContext): Drawing {
  const { radiusM: R, radiiM, heightsM, rows } = layoutPan(pan, context);
  const layers = layerParts(pan, context);
  const tape = rows.rowsM.map((laid, row): Shape => ({
    kind: 'arc',
    x: 0,
    y: 0,
    r: radiiM[row]! - (pan.tapeOn === 'rim' ? 0.004 : 0),
    from: Math.PI / 2 - laid / radiiM[row]!,
    to: Math.PI / 2,
    layer: 'tape',
    ref: 'tape',
  }));
  const thickness = partOf(context, pan.boardPartId, 'sheet')?.thicknessM ?? 0.003;
  const dot = (x: number, y: number) =>
    rectangle(x - 0.003, y - 0.003, x + 0.003, y + 0.003, 'tape', 'tape');
  const section: Shape[] = [
    rectangle(-R, -thickness, R, 0, 'cut', 'pan'),
    rectangle(-R - thickness, -thickness, -R, pan.depthM, 'cut', 'pan'),
    rectangle(R, -thickness, R + thickness, pan.depthM, 'cut', 'pan'),
    ...rows.rowsM.flatMap((_, row) =>
      [-1, 1].map((side) => dot(side * (radiiM[row]! - 0.003), heightsM[row]!)),
    ),
    ...layers.map((_, k) =>
      line(
        [
          [-R, pan.depthM + k * pan.layerSpacingM],
          [R, pan.depthM + k * pan.layerSpacingM],
        ],
        'glass',
        'layer',
      ),
    ),
  ];
  return {
    views: [
      view(
        'front',
        'Front, layers lifted off',
        [circle(0, 0, R, 'cut', 'pan'), ...(pan.tapeOn === 'rim' ? tape.slice(0, 1) : tape)],
        [measure([-R, -R], [R, -R], -R * 0.16, 'Pan Ø')],
        [
          knob(
            'diameterM',
            'Pan diameter',
            [R * Math.SQRT1_2, -R * Math.SQRT1_2],
            [Math.SQRT1_2, -Math.SQRT1_2],
            2,
          ),
        ],
      ),
      view(
        'section',
        'Section, light upwards',
        section,
        [measure([-R, 0], [-R, pan.depthM], R * 0.14, 'Depth')],
        [knob('depthM', 'Depth', [R, pan.depthM], [0, 1])],
      ),
      wiringView(
        {
          outline: [circle(0, 0, R, 'hidden', 'pan')],
          terminals: [[0, R * 0.9]],
          terminalM: R * 0.08,
          supply: true,
          dimmer: pan.dimmerPartId !== null,
          refOf: () => 'tape',
        },
        context,
      ),
    ],
  };
}

export const stripPan: FormDefinition<StripPan> = {
  id: 'strip-pan',
  name: 'Strip pan',
  summary: 'A shallow round pan with tape on its rim or base, glowing through layers.',
  gallery: {
    goodFor: ['face', 'insert', 'dressing'],
    skill: 2,
    reach: 'A small round soft light with a clean catchlight.',
  },
  parameters: stripPanParameters.schema,
  fields: stripPanParameters.fields,
  defaults: stripPanParameters.defaults,
  fill: tapeFill((pan, context) => layoutPan({ ...pan, tapeLengthM: 400 }, context).rows.capacityM),
  problems: panProblems,
  limits: (pan, context) => ({
    depthM: { min: Math.max(0.02, stripOf(pan, context)?.tapeWidthM ?? 0.01), max: 0.6 },
    diameterM: { min: Math.max(0.1, (pan.clampGapM + 0.05) / Math.PI), max: 2 },
  }),
  resolve,
  draw,
};
