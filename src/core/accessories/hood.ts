import type { Body } from '../assembly/body';
import type { Measure } from '../assembly/distance';
import type { Piece } from '../build/pieces';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { knob, measure, segment, view, type XY } from '../drawing/shapes';
import type { FormContext } from '../forms/form';
import { fact } from '../forms/kit/build';
import { coneBlank, frustum } from '../forms/kit/development';
import { look, notChosen, stop } from '../forms/kit/findingWriters';
import { partOf } from '../forms/kit/lookup';
import { piecesMassKg } from '../forms/kit/mass';
import { hardware } from '../forms/kit/needs';
import { choice, defineParameters, later, length, part } from '../forms/kit/parameters';
import { cutBoard, step } from '../forms/kit/steps';
import { plateThings, sheetBurns } from '../forms/kit/things';
import { FOIL_WIDTH_M } from '../forms/kit/typical';
import type { Thing } from '../build/things';
import { exactMm } from '../quantity';
import type { AccessoryDefinition, Attachment } from './accessory';
import { hangers, seatPlane } from './fit';
import { hoodPieces, type HoodShape } from './hoodBlank';
import { hoodWalls } from './hoodBodies';
import { hoodLight, hoodPlates } from './hoodLight';

const LININGS = { foil: 'foil', white: 'white-emulsion', black: 'black-paint' } as const;
/** Foil lost on a curved blank. */
const WASTE = 1.1;
/** Round the front; a hood is bent to no tighter a curve than so many times its board. */
const CLIPS = 4;
const TIGHTEST = 5;

const { schema, fields, defaults } = defineParameters({
  shape: choice('Shape', 'Hood', [
    ['cylinder', 'straight'],
    ['cone', 'flared or tapered'],
  ]),
  lengthM: length('Length', 'Hood', { start: 0.2, min: 0.02, max: 2 }),
  mouthDiameterM: length('Mouth across', 'Hood', {
    start: 0.5,
    min: 0.05,
    max: 4,
    when: { parameter: 'shape', is: 'cone' },
  }),
  overlapM: length('Overlap', 'Hood', { start: 0.02, min: 0, max: 0.2, step: 0.005 }),
  halves: later(
    choice('Made of', 'Hood', [
      [1, 'one blank'],
      [2, 'two halves'],
    ]),
  ),
  boardPartId: part('Sheet', 'Hood', 'sheet', true, { takes: 'opaque' }),
  lining: choice('Inside', 'Hood', [
    ['foil', 'Foil, throws more forward'],
    ['white', 'White'],
    ['black', 'Black, cuts spill'],
  ]),
});
type Hood = ReturnType<typeof defaults>;

/** What is worked out once and told in several places. */
function partsOf(given: Hood, base: ResolvedBuild, context: FormContext) {
  const { widthM, heightM, round = false } = base.apparent;
  const across = Math.max(widthM, heightM);
  const mouth = given.shape === 'cylinder' ? across : given.mouthDiameterM;
  const thicknessM = partOf(context, given.boardPartId, 'sheet')?.thicknessM ?? 0;
  const shape: HoodShape = {
    ...given,
    inside: context.finish(LININGS[given.lining]),
    round,
    widthM,
    heightM,
    mouthWidthM: (widthM * mouth) / across,
    mouthHeightM: (heightM * mouth) / across,
    thicknessM,
  };
  // Sheet bends about its middle: the cone that is rolled out is wider by its thickness.
  const cone = round ? coneBlank(across + thicknessM, mouth + thicknessM, given.lengthM) : null;
  const pieces = hoodPieces(shape, context);
  const cutOff = Math.atan2((mouth + across) / 2, given.lengthM);
  return { given, base, context, across, mouth, shape, thicknessM, cone, pieces, cutOff };
}
type Parts = ReturnType<typeof partsOf>;

const areaOf = (pieces: readonly Piece[]): number =>
  pieces.reduce((sum, piece) => sum + (piece.kind === 'sheet' ? piece.areaM2 * piece.count : 0), 0);

function attach(given: Hood, base: ResolvedBuild, context: FormContext): Attachment {
  const parts = partsOf(given, base, context);
  const { pieces, shape, mouth, across } = parts;
  const massKg = piecesMassKg(pieces, context);
  return {
    pieces,
    needs: needsOf(parts),
    steps: stepsOf(parts),
    facts: factsOf(parts),
    findings: findingsOf(parts),
    massKg,
    massAtM: base.frontM + given.lengthM / 2,
    // Rolled or taped up it stays as it is: it travels beside the light.
    parcel: {
      name: 'hood',
      massKg,
      widthM: Math.max(across, mouth),
      heightM: shape.round ? Math.max(across, mouth) : Math.max(shape.heightM, shape.mouthHeightM),
      depthM: given.lengthM,
    },
    things: thingsOf(parts),
    ...hoodLight(shape, base, mouth),
    view: viewOf(parts),
  };
}

function thingsOf({ given, base, context, shape, across, mouth }: Parts): Thing[] {
  const told = {
    name: 'hood',
    burns: sheetBurns(given.boardPartId, context),
    ref: 'hood',
    field: 'boardPartId',
  };
  if (!shape.round) return plateThings(hoodPlates(shape, base.frontM), 'wall', told);
  return [
    {
      ...told,
      id: 'wall',
      limitC: null,
      place: {
        kind: 'cone',
        fromM: base.frontM,
        toM: base.frontM + given.lengthM,
        fromRadiusM: across / 2,
        toRadiusM: mouth / 2,
      },
    },
  ];
}

function needsOf({ given, pieces }: Parts): Attachment['needs'] {
  const seams = given.lengthM * 2 * pieces.reduce((sum, { count }) => sum + count, 0);
  return [
    ...hardware('hinge-tape', seams, 'every seam, inside and out', 'roll-hood'),
    ...hardware('clip', CLIPS, 'hold it on the front', 'fit-hood'),
    ...(given.lining === 'foil'
      ? [
          ...hardware(
            'foil',
            (areaOf(pieces) / FOIL_WIDTH_M) * WASTE,
            'lining of the hood',
            'roll-hood',
          ),
          ...hardware('spray-glue', 1, 'under the foil', 'roll-hood'),
        ]
      : []),
  ];
}

function viewOf({ given, across, mouth, shape }: Parts): Attachment['view'] {
  const [high, mouthHigh] = shape.round ? [across, mouth] : [shape.heightM, shape.mouthHeightM];
  return view(
    'hood',
    'Hood, from the side',
    [
      segment([0, -high / 2], [0, high / 2], 'part', 'hood'),
      segment([0, high / 2], [given.lengthM, mouthHigh / 2], 'cut', 'hood'),
      segment([0, -high / 2], [given.lengthM, -mouthHigh / 2], 'cut', 'hood'),
      segment([given.lengthM, -mouthHigh / 2], [given.lengthM, mouthHigh / 2], 'hidden', 'hood'),
    ],
    [
      measure(
        [0, -Math.max(high, mouthHigh) / 2],
        [given.lengthM, -Math.max(high, mouthHigh) / 2],
        -0.06 * across,
        'Length',
      ),
      measure(
        [given.lengthM, -mouthHigh / 2],
        [given.lengthM, mouthHigh / 2],
        -0.12 * across,
        'Mouth',
      ),
    ],
    [
      knob('lengthM', 'Hood length', [given.lengthM, 0], [1, 0]),
      ...(given.shape === 'cone'
        ? [knob('mouthDiameterM', 'Hood mouth', [given.lengthM, mouthHigh / 2], [0, 1], 2)]
        : []),
    ],
  );
}

function stepsOf({ given, context, shape, pieces }: Parts): Attachment['steps'] {
  return [
    cutBoard(
      pieces.length > 1 || pieces[0]!.count > 1
        ? 'the blanks of the hood'
        : 'the blank of the hood',
      15,
      partOf(context, given.boardPartId, 'sheet'),
      shape.round && given.shape === 'cone',
    ),
    step(
      'mount',
      'roll-hood',
      shape.round ? 'Line the hood and roll it' : 'Line the hood and fold it',
      'Flat it is lined in minutes, round it never is; foil in wait, glue dry',
      'tape, a helper’s hands',
      20,
      shape.round
        ? 'a clean circle, the overlap closed inside and out'
        : 'square, seams closed inside and out',
      'Sheet metal: gloves on, edges deburred. Spray glue: air the room, no flame near it.',
    ),
    step(
      'dress',
      'fit-hood',
      'Fit the hood',
      'Unplugged and cool; the warm checks come after it',
      'clips',
      5,
      'it sits all round and comes off again',
    ),
  ];
}

function factsOf({ given, across, cone, cutOff, shape, thicknessM }: Parts): Attachment['facts'] {
  const { widthM, heightM } = shape;
  const blank = shape.round
    ? [
        fact(
          'blank',
          'Blank length',
          Math.PI * (across + thicknessM) + given.overlapM,
          'π · (Ø + thickness) + overlap',
        ),
      ]
    : [
        fact(
          'blank',
          'Blank length',
          2 * (widthM + heightM) + 4 * thicknessM + given.overlapM,
          'girth of the front + 4 × thickness + overlap',
        ),
      ];
  const panels = frustum(shape.mouthWidthM, shape.mouthHeightM, widthM, heightM, given.lengthM);
  return [
    fact('length', 'Hood length', given.lengthM, 'as set'),
    ...(cone
      ? [
          fact('inner', 'Blank, inner radius', cone.innerRadiusM, 's·r₁/(r₂ − r₁)'),
          fact('outer', 'Blank, outer radius', cone.outerRadiusM, 's·r₂/(r₂ − r₁)'),
          fact('angle', 'Blank, angle', cone.angleRad, '2π·(r₂ − r₁)/s', 'angle'),
        ]
      : shape.round || given.shape === 'cylinder'
        ? blank
        : [
            fact(
              'slant-top',
              'Slant of top and bottom',
              panels.topSlantM,
              '√(length² + ((mouth − front)/2)²)',
            ),
            fact(
              'slant-side',
              'Slant of the sides',
              panels.sideSlantM,
              '√(length² + ((mouth − front)/2)²)',
            ),
          ]),
    fact(
      'cut-off',
      'No light beyond',
      cutOff,
      'from the far rim past the near edge, to the axis',
      'angle',
    ),
  ];
}

function findingsOf({
  given,
  context,
  across,
  mouth,
  cone,
  shape,
  thicknessM,
  pieces,
}: Parts): Attachment['findings'] {
  const sheet = partOf(context, given.boardPartId, 'sheet');
  const [first] = pieces;
  const tooLong =
    sheet &&
    first?.kind === 'sheet' &&
    Math.max(first.widthM, first.heightM) > Math.max(sheet.widthM, sheet.heightM);
  const tightM = Math.min(across, mouth) / 2;
  return [
    ...(given.shape === 'cone' && shape.round && !cone
      ? [
          stop(
            'geometry',
            'hood.cylinder',
            'This cone is a cylinder',
            `Its mouth is as wide as its base (${(mouth * 100).toFixed(1)} cm): choose straight, or another mouth.`,
            { field: 'mouthDiameterM', drawing: 'hood' },
            'Geometry',
          ),
        ]
      : []),
    ...(shape.round && thicknessM * TIGHTEST > tightM
      ? [
          stop(
            'geometry',
            'hood.thick',
            'The board is too thick to roll',
            `${exactMm(thicknessM)} of board do not go round a radius of ${exactMm(tightM)}: take thinner sheet, at most ${exactMm(tightM / TIGHTEST)}.`,
            { field: 'boardPartId', drawing: 'hood' },
            'Common practice: a bend of five times the thickness, scored',
            exactMm(tightM / TIGHTEST),
          ),
        ]
      : []),
    ...(tooLong && given.halves === 1
      ? [
          {
            ...look(
              'cut',
              'hood.halves',
              'One blank is longer than the sheet',
              `${exactMm(Math.max(first.widthM, first.heightM))} in one piece; “${sheet.name}” is ${exactMm(Math.max(sheet.widthM, sheet.heightM))} long. Make it of two halves, each with its own overlap.`,
              { field: 'halves', drawing: 'hood' },
              'Geometry',
            ),
            remedies: [{ label: 'Two halves', parameters: { halves: 2 } }],
          },
        ]
      : []),
    ...notChosen('hood', [
      ['sheet', given.boardPartId, 'boardPartId', 'hood', 'Choose what the hood is made of.'],
    ]),
  ];
}

/** Its walls on the front, in one blank or two; clips back to the light. */
function assemble(
  given: Hood,
  base: ResolvedBuild,
  on: readonly Measure[],
  context: FormContext,
): Body[] {
  const { shape, across, mouth, thicknessM } = partsOf(given, base, context);
  const t = thicknessM || SHEET_M;
  const [x, y] = shape.round ? [across / 2, across / 2] : [shape.widthM / 2, shape.heightM / 2];
  // Under the inside, the middle and the outside of its wall.
  const round = [0, t / 2, t].flatMap((off) =>
    Array.from({ length: 24 }, (_, k): XY => {
      const angle = (Math.PI * k) / 12;
      const [c, s] = [Math.cos(angle), Math.sin(angle)];
      const out = shape.round ? 1 : 1 / Math.max(Math.abs(c), Math.abs(s));
      return [(x + off) * c * out, (y + off) * s * out];
    }),
  );
  const z = seatPlane(on, round, base.frontM);
  const sides: XY[] = [
    [x - INSIDE_M, 0],
    [0, y - INSIDE_M],
    [INSIDE_M - x, 0],
    [0, INSIDE_M - y],
  ];
  return [...hoodWalls(shape, [across / 2, mouth / 2], t, z), ...hangers(on, sides, z, 'fit-hood')];
}
/** Sheet nobody has chosen yet. */
const SHEET_M = 0.002;
/** Clips run back along the inside of its wall. */
const INSIDE_M = 0.001;

/** A tube before the front, of the front's own shape, cut from flat sheet. */
export const hood: AccessoryDefinition<Hood> = {
  id: 'hood',
  name: 'Hood',
  summary: 'A tube round the front, straight or flared; keeps light off the walls.',
  parameters: schema,
  fields,
  optical: true,
  search: {
    uses: ['face', 'insert', 'edge'],
    sets: [
      { lengthM: 0.15, lining: 'foil' },
      { lengthM: 0.3, lining: 'foil' },
    ],
  },
  defaults,
  attach,
  assemble,
};
