import { FINISHES } from '../../materials/finish';
import { DEGREES_PER_RADIAN } from '../../tolerance';
import type { Drawing } from '../drawing';
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
import { bulbLamps, bulbLoads, bulbMassKg, bulbNeeds, bulbsOf, type Seat } from '../kit/lamps';
import { cordMassKg, fromPart, hardware, mainsNeeds, mainsOpen, wiringSlots } from '../kit/needs';
import { clothPiece, polygonPiece, rectanglePiece } from '../kit/pieces';
import {
  circle,
  knob,
  labelled,
  line,
  measure,
  polygon,
  rectangle,
  view,
  type XY,
} from '../kit/shapes';
import { socketFindings } from '../kit/sockets';
import { checkLamps, cutBoard, finishSteps, markOut, step, wireMains } from '../kit/steps';
import { wiringView } from '../kit/wiringView';
import type { Piece, ResolvedBuild } from '../resolved';
import { boxProblems, layoutBox, type BoxLayout } from './layout';
import { foamBoxParameters, type FoamBox } from './parameters';

/** One lamp, or several side by side behind the hole. */
function seatsOf(box: FoamBox): Seat[] {
  const spread = box.groups.length > 1 ? box.holeDiameterM / 2 : 0;
  return box.groups.map((_, k) => ({
    positionM: [
      box.groups.length > 1 ? (k / (box.groups.length - 1) - 0.5) * spread : 0,
      0,
      box.lampInM,
    ] as const,
    axis: [0, 0, 1] as const,
    group: k,
  }));
}

/** Trapezoid with its back edge at the bottom. */
const trapezoid = (backM: number, frontM: number, slantM: number): XY[] => [
  [-backM / 2, 0],
  [backM / 2, 0],
  [frontM / 2, slantM],
  [-frontM / 2, slantM],
];

function boxPieces(box: FoamBox, layout: BoxLayout, context: FormContext): Piece[] {
  const bevel = `Bevel the slanted edges ${(layout.mitreRad * DEGREES_PER_RADIAN).toFixed(1)}° from the face; butt them if you tape inside and out.`;
  const back = rectanglePiece('Back plate', box.boardPartId, layout.backW, layout.backH, context, {
    shapes: [
      labelled(
        circle(layout.backW / 2, layout.backH / 2, box.holeDiameterM / 2, 'cut'),
        'hole for the lamp',
      ),
    ],
    markOut: ['Cut the hole a few millimetres smaller than the lamp’s rim, so that it grips.'],
  });
  return [
    polygonPiece(
      'Top and bottom',
      box.boardPartId,
      trapezoid(layout.backW, box.frontW, layout.topSlantM),
      context,
      { count: 2, markOut: [bevel] },
    ),
    polygonPiece(
      'Side',
      box.boardPartId,
      trapezoid(layout.backH, box.frontH, layout.sideSlantM),
      context,
      { count: 2, markOut: [bevel] },
    ),
    back,
    ...layerParts(box, context).map((layer, k) =>
      clothPiece(`Layer ${k + 1}`, layer.id, box.frontW + 2 * box.lipM, box.frontH + 2 * box.lipM, {
        markOut: ['Clipped to the lip, so that the lamp can be changed.'],
      }),
    ),
  ];
}

/** Bare flux that reaches the mouth: solid angle of the front seen from the lamp, for an even bulb. */
function directShare(box: FoamBox, { depthM }: BoxLayout): number {
  const h = Math.max(0.01, depthM - box.lampInM);
  const [a, b] = [box.frontW / 2, box.frontH / 2];
  return Math.atan((a * b) / (h * Math.hypot(a, b, h))) / Math.PI;
}

function resolve(box: FoamBox, context: FormContext): ResolvedBuild {
  const layout = layoutBox(box);
  const seats = seatsOf(box);
  const layers = layerParts(box, context);
  const walls =
    (box.frontW + layout.backW) * layout.topSlantM +
    (box.frontH + layout.backH) * layout.sideSlantM;
  const backM2 = layout.backW * layout.backH;
  const frontM2 = box.frontW * box.frontH;
  const seams =
    4 * Math.hypot(layout.topSlantM, (box.frontW - layout.backW) / 2) +
    2 * (layout.backW + layout.backH);
  const sheet = partOf(context, box.boardPartId, 'sheet');
  const limits = [...layers.map(({ limitC }) => limitC), sheet?.burns === 'foam' ? 70 : 120];
  return resolved(
    {
      ...bulbLamps(box.groups, seats, context),
      mouth: {
        shape: 'rectangle',
        widthM: box.frontW,
        heightM: box.frontH,
        heightOverBackM: layout.depthM,
        layers: layers.map(layerOf),
        cavity: { areaM2: frontM2 + backM2 + walls, reflectance: FINISHES[box.finish].reflectance },
        directShare: directShare(box, layout),
      },
      enclosure: {
        areaM2: walls + backM2,
        closed: true,
        limitC: Math.min(...limits),
        ref: 'box',
        field: 'depthM',
      },
      lampsAt: { drawing: 'seat-0', field: 'groups' },
      wiring: {
        ...wiringSlots(box),
        loads: bulbLoads(box.groups, seats, (k) => (k ? 0.1 : box.tailLengthM), context),
      },
      pieces: boxPieces(box, layout, context),
      needs: [
        ...bulbNeeds(box.groups, seats, context),
        ...fromPart(box.socketPartId, seats.length, 'piece', 'one for each bulb'),
        ...hardware('hinge-tape', seams * 2, 'seams, inside and out'),
        ...(box.finish === 'foil' || box.finish === 'foil-crumpled'
          ? hardware('foil', (walls + backM2) / 0.3, 'lining')
          : []),
        ...hardware('clip', layers.length ? 12 : 0, 'hold the layers'),
        ...mainsNeeds(box, box.tailLengthM),
      ],
      steps: [
        checkLamps(seats.length),
        markOut('five panels', 25),
        cutBoard('the panels and the hole', 30),
        step(
          'Line the inside',
          'Before it is a box: flat is easy',
          'spray glue or tape',
          25,
          'no loose foil near the lamp',
          'Foil conducts: keep it 3 cm from every terminal.',
        ),
        step(
          'Tape the box together',
          'Seams first outside, then inside',
          'fabric tape',
          25,
          'square at the front, no light from the seams',
        ),
        wireMains(context, 20),
        ...finishSteps(layers.length),
      ],
      facts: [
        fact(
          'depth',
          'Depth',
          layout.depthM,
          box.shapeBy === 'inset' ? '√(wing² − inset²)' : 'as set',
        ),
        fact(
          'slant-top',
          'Slant of top and bottom',
          layout.topSlantM,
          '√(depth² + ((front − back)/2)²)',
        ),
        fact(
          'slant-side',
          'Slant of the sides',
          layout.sideSlantM,
          '√(depth² + ((front − back)/2)²)',
        ),
        fact(
          'dihedral',
          'Angle between panels',
          layout.dihedralRad,
          'acos(−sin a · sin b)',
          'angle',
        ),
        fact('mitre', 'Mitre of the edges', layout.mitreRad, 'half of it', 'angle'),
        fact(
          'fold',
          'Fold at the back plate',
          layout.topFoldRad,
          '90° + atan((front − back)/2/depth)',
          'angle',
        ),
      ],
      findings: [
        ...stopsFor('foam-box', boxProblems(box, context), 'box'),
        ...notChosen('foam-box', [
          [
            'bulb',
            !bulbsOf(box.groups, context).includes(null),
            'groups',
            'seat-0',
            'Choose an LED bulb, and the light follows.',
          ],
          [
            'board',
            box.boardPartId,
            'boardPartId',
            'box',
            'Choose the board the panels are cut from.',
          ],
          [
            'socket',
            box.socketPartId,
            'socketPartId',
            'seat-0',
            'Choose a socket that clamps into the back plate.',
          ],
          ...mainsOpen(box),
        ]),
        ...socketFindings('foam-box', box, context),
        ...typicalLayers('foam-box', layers),
        ...(layers.length === 0
          ? [
              look(
                'foam-box.open',
                'No layer in front',
                'The bulb shows as a hot spot and throws a hard shadow: clip a layer on.',
                { field: 'layer1PartId', drawing: 'box' },
              ),
            ]
          : []),
        ...(layout.depthM < Math.min(box.frontW, box.frontH) * 0.4 && layers.length
          ? [
              look(
                'foam-box.shallow',
                'A hot middle',
                `Only ${exactMm(layout.depthM)} deep for a front ${exactMm(Math.min(box.frontW, box.frontH))} across: the middle is brighter. Deeper, or a second layer.`,
                { field: 'depthM', drawing: 'box' },
              ),
            ]
          : []),
      ],
      apparent: { widthM: box.frontW, heightM: box.frontH },
      frontM: layout.depthM,
      folded: {
        widthM: Math.max(box.frontW, layout.topSlantM),
        heightM: Math.max(box.frontH, layout.sideSlantM),
        depthM: 6 * (sheet?.thicknessM ?? 0.005),
      },
    },
    bulbMassKg(box.groups, seats, context) + cordMassKg(box, box.tailLengthM, context) + 0.1,
    context,
  );
}

function draw(box: FoamBox, context: FormContext): Drawing {
  const layout = layoutBox(box);
  const [W, H, w, h, d] = [
    box.frontW / 2,
    box.frontH / 2,
    layout.backW / 2,
    layout.backH / 2,
    layout.depthM,
  ];
  const globe = (bulbsOf(box.groups, context)[0]?.globeDiameterM ?? 0.06) / 2;
  const size = Math.max(W, H);
  const layers = layerParts(box, context);
  const flat = box.shapeBy === 'inset';
  return {
    views: [
      view(
        'front',
        'Front, layers lifted off',
        [
          rectangle(-W, -H, W, H, 'cut', 'box'),
          rectangle(-w, -h, w, h, 'part', 'box'),
          ...[
            [-1, -1],
            [1, -1],
            [1, 1],
            [-1, 1],
          ].map(([x, y]) =>
            line(
              [
                [x! * w, y! * h],
                [x! * W, y! * H],
              ],
              'part',
              'box',
            ),
          ),
          circle(0, 0, box.holeDiameterM / 2, 'drill', 'seat-0'),
          ...seatsOf(box).map(({ positionM: [x, y] }, k) =>
            circle(x, y, globe, 'glass', `seat-${k}`),
          ),
        ],
        [
          measure([-W, -H], [W, -H], -0.16 * size, 'Front width'),
          measure([W, -H], [W, H], -0.16 * size, 'Front height'),
        ],
        [
          knob('frontW', 'Front width', [W, 0], [1, 0], 2),
          knob('frontH', 'Front height', [0, H], [0, 1], 2),
          ...(flat
            ? []
            : [
                knob('backW', 'Back width', [w, -h / 2], [1, 0], 2),
                knob('backH', 'Back height', [-w / 2, h], [0, 1], 2),
              ]),
        ],
      ),
      view(
        'section',
        'Section from the side, light to the right',
        [
          polygon(
            [
              [0, -h],
              [d, -H],
              [d, H],
              [0, h],
            ],
            'cut',
            'box',
          ),
          circle(box.lampInM, 0, globe, 'glass', 'seat-0'),
          ...layers.map((_, k) =>
            line(
              [
                [d + 0.004 * (k + 1), -H],
                [d + 0.004 * (k + 1), H],
              ],
              'glass',
              'layer',
            ),
          ),
        ],
        [
          measure([0, -H], [d, -H], -0.16 * size, 'Depth'),
          measure([0, -h], [0, h], 0.1 * size, 'Back'),
        ],
        flat ? [knob('wingM', 'Wing', [d, 0], [1, 0])] : [knob('depthM', 'Depth', [d, 0], [1, 0])],
      ),
      wiringView(
        {
          outline: [
            rectangle(-w, -h, w, h, 'hidden', 'box'),
            circle(0, 0, box.holeDiameterM / 2, 'hidden', 'box'),
          ],
          terminals: seatsOf(box).map(({ positionM: [x, y] }) => [-x, y] as const),
          terminalM: globe,
          dimmer: box.dimmerPartId !== null,
        },
        context,
      ),
    ],
  };
}

export const foamBox: FormDefinition<FoamBox> = {
  id: 'foam-box',
  name: 'Foam box',
  summary: 'A pyramid softbox of board with a bulb at the back and layers in front.',
  gallery: {
    goodFor: ['face', 'overhead', 'insert'],
    skill: 1,
    reach: 'A big soft key from one strong LED bulb and an evening of taping.',
  },
  parameters: foamBoxParameters.schema,
  fields: foamBoxParameters.fields,
  defaults: foamBoxParameters.defaults,
  problems: boxProblems,
  limits: (box) => {
    const { backW, backH } = layoutBox(box);
    return {
      frontW: { min: box.shapeBy === 'depth' ? backW : 0.15, max: 3 },
      frontH: { min: box.shapeBy === 'depth' ? backH : 0.15, max: 3 },
      backW: { min: Math.max(0.05, box.holeDiameterM + 0.01), max: box.frontW },
      backH: { min: Math.max(0.05, box.holeDiameterM + 0.01), max: box.frontH },
      wingM: { min: box.insetM + 0.02, max: 1.5 },
    };
  },
  resolve,
  draw,
};
