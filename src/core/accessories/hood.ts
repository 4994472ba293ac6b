import type { ResolvedBuild } from '../build/resolvedBuild';
import { piecesMassKg } from '../forms/kit/mass';
import { fact } from '../forms/kit/build';
import { notChosen, stop } from '../forms/kit/findingWriters';
import { sheetBurns } from '../forms/kit/things';
import { coneBlank, type ConeBlank } from '../forms/kit/development';
import { hardware } from '../forms/kit/needs';
import { choice, defineParameters, length, part } from '../forms/kit/parameters';
import { rectanglePiece, sheetPiece } from '../forms/kit/pieces';
import { knob, line, measure, view, type XY, segment } from '../drawing/shapes';
import { step } from '../forms/kit/steps';
import type { Shape } from '../drawing/drawing';
import type { FormContext } from '../forms/form';
import type { SheetPiece } from '../build/pieces';
import { hoodLight } from './hoodLight';
import type { AccessoryDefinition, Attachment } from './accessory';
import { FOIL_WIDTH_M } from '../forms/kit/typical';

/** Foil lost on a curved blank. */
const WASTE = 1.1;

const { schema, fields, defaults } = defineParameters({
  shape: choice('Shape', 'Hood', [
    ['cylinder', 'Cylinder'],
    ['cone', 'Cone'],
  ]),
  lengthM: length('Length', 'Hood', { start: 0.2, min: 0.02, max: 2 }),
  mouthDiameterM: length('Mouth Ø', 'Hood', {
    start: 0.5,
    min: 0.05,
    max: 4,
    when: { parameter: 'shape', is: 'cone' },
  }),
  overlapM: length('Overlap', 'Hood', { start: 0.02, min: 0, max: 0.2, step: 0.005 }),
  boardPartId: part('Sheet', 'Hood', 'sheet'),
  lining: choice('Inside', 'Hood', [
    ['foil', 'Foil, throws more forward'],
    ['white', 'White'],
    ['black', 'Black, cuts spill'],
  ]),
});
type Hood = ReturnType<typeof defaults>;

/** What is worked out once and told in several places. */
function partsOf(given: Hood, base: ResolvedBuild, context: FormContext) {
  const across = Math.max(base.apparent.widthM, base.apparent.heightM);
  const mouth = given.shape === 'cylinder' ? across : given.mouthDiameterM;
  const cone = coneBlank(across, mouth, given.lengthM);
  const blank = cone ? conePiece(cone, given, context) : cylinderPiece(across, given, context);
  const cutOff = Math.atan2((mouth + across) / 2, given.lengthM);
  return { given, base, across, mouth, cone, blank, cutOff };
}
type Parts = ReturnType<typeof partsOf>;

function attach(given: Hood, base: ResolvedBuild, context: FormContext): Attachment {
  const parts = partsOf(given, base, context);
  const { mouth, blank } = parts;
  return {
    pieces: [blank],
    needs:
      given.lining === 'foil'
        ? hardware('foil', (blank.areaM2 / FOIL_WIDTH_M) * WASTE, 'lining of the hood')
        : [],
    steps: stepsOf(),
    facts: factsOf(parts),
    findings: findingsOf(parts),
    massKg: piecesMassKg([blank], context),
    massAtM: base.frontM + given.lengthM / 2,
    things: [
      {
        id: 'wall',
        name: 'hood',
        burns: sheetBurns(given.boardPartId, context),
        limitC: null,
        place: {
          kind: 'cone',
          fromM: base.frontM,
          toM: base.frontM + given.lengthM,
          fromRadiusM: parts.across / 2,
          toRadiusM: mouth / 2,
        },
        ref: 'hood',
        field: 'boardPartId',
      },
    ],
    ...hoodLight(given, base, mouth),
    view: viewOf(parts),
  };
}

function viewOf({ given, across, mouth }: Parts): Attachment['view'] {
  return view(
    'hood',
    'Hood, from the side',
    [
      segment([0, -across / 2], [0, across / 2], 'part', 'hood'),
      segment([0, across / 2], [given.lengthM, mouth / 2], 'cut', 'hood'),
      segment([0, -across / 2], [given.lengthM, -mouth / 2], 'cut', 'hood'),
      segment([given.lengthM, -mouth / 2], [given.lengthM, mouth / 2], 'hidden', 'hood'),
    ],
    [
      measure(
        [0, -Math.max(across, mouth) / 2],
        [given.lengthM, -Math.max(across, mouth) / 2],
        -0.06 * across,
        'Length',
      ),
      measure([given.lengthM, -mouth / 2], [given.lengthM, mouth / 2], -0.12 * across, 'Mouth'),
    ],
    [
      knob('lengthM', 'Hood length', [given.lengthM, 0], [1, 0]),
      ...(given.shape === 'cone'
        ? [knob('mouthDiameterM', 'Hood mouth', [given.lengthM, mouth / 2], [0, 1], 2)]
        : []),
    ],
  );
}

function stepsOf(): Attachment['steps'] {
  return [
    step(
      'cut',
      'roll-hood',
      'Cut and roll the hood',
      'It keeps light where you want it',
      'knife or snips, tape or rivets',
      20,
      'a clean circle, the overlap closed inside and out',
      'Cut away from your fingers. Sheet metal: gloves and glasses on, edges deburred.',
    ),
    step(
      'dress',
      'fit-hood',
      'Fit the hood',
      'Unplugged and cool; the warm checks come after it',
      'clips',
      5,
      'it sits round and comes off again',
    ),
  ];
}

function factsOf({ given, across, cone, cutOff }: Parts): Attachment['facts'] {
  return [
    fact('length', 'Hood length', given.lengthM, 'as set'),
    ...(cone
      ? [
          fact('inner', 'Blank, inner radius', cone.innerRadiusM, 's·r₁/(r₂ − r₁)'),
          fact('outer', 'Blank, outer radius', cone.outerRadiusM, 's·r₂/(r₂ − r₁)'),
          fact('angle', 'Blank, angle', cone.angleRad, '2π·(r₂ − r₁)/s', 'angle'),
        ]
      : [fact('blank', 'Blank length', Math.PI * across + given.overlapM, 'π · Ø + overlap')]),
    fact(
      'cut-off',
      'No light beyond',
      cutOff,
      'from the far rim past the near edge, to the axis',
      'angle',
    ),
  ];
}

function findingsOf({ given, mouth, cone }: Parts): Attachment['findings'] {
  return [
    ...(given.shape === 'cone' && !cone
      ? [
          stop(
            'geometry',
            'hood.cylinder',
            'This cone is a cylinder',
            `Its mouth is as wide as its base (${(mouth * 100).toFixed(1)} cm): choose the cylinder, or another mouth.`,
            { field: 'mouthDiameterM', drawing: 'hood' },
            'Geometry',
          ),
        ]
      : []),
    ...notChosen('hood', [
      ['sheet', given.boardPartId, 'boardPartId', 'hood', 'Choose what the hood is made of.'],
    ]),
  ];
}

/** A cylinder or cone before the front, cut from one flat blank. */
export const hood: AccessoryDefinition<Hood> = {
  id: 'hood',
  name: 'Hood',
  summary: 'Cylinder or cone round the front; keeps light off the walls.',
  parameters: schema,
  fields,
  optical: true,
  defaults,
  attach,
};

const cylinderPiece = (across: number, given: Hood, context: FormContext): SheetPiece =>
  rectanglePiece(
    'hood-blank',
    'Hood blank',
    given.boardPartId,
    Math.PI * across + given.overlapM,
    given.lengthM,
    context,
    {
      markOut: ['Score it every 2 cm on the inside of the bend if the board is stiff.'],
    },
  );

/** An annular sector with a straight tab for the overlap. */
function conePiece(cone: ConeBlank, given: Hood, context: FormContext): SheetPiece {
  const { innerRadiusM: r, outerRadiusM: R, angleRad } = cone;
  const half = angleRad / 2;
  const on = (radius: number, angle: number): XY => [
    radius * Math.cos(angle),
    radius * Math.sin(angle),
  ];
  const [a, b] = [Math.PI / 2 - half, Math.PI / 2 + half];
  const tab = given.overlapM;
  const tabDirection: XY = [Math.cos(b + Math.PI / 2), Math.sin(b + Math.PI / 2)];
  const off = ([x, y]: XY): XY => [x + tab * tabDirection[0], y + tab * tabDirection[1]];
  const shapes: Shape[] = [
    { kind: 'arc', x: 0, y: 0, r: R, from: a, to: b, layer: 'cut', label: 'outer arc' },
    { kind: 'arc', x: 0, y: 0, r, from: a, to: b, layer: 'cut', label: 'inner arc' },
    segment(on(r, a), on(R, a), 'cut'),
    line([on(r, b), off(on(r, b)), off(on(R, b)), on(R, b)], 'cut'),
    segment(on(r, b), on(R, b), 'score'),
  ];
  return sheetPiece(
    {
      id: 'hood-blank',
      name: 'Hood blank, annular sector',
      partId: given.boardPartId,
      shapes,
      areaM2: half * (R * R - r * r) + tab * (R - r),
      markOut: ['Swing both arcs from one nail; the straight tab goes inside the joint.'],
    },
    context,
  );
}
