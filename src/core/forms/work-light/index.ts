import {
  doorFacts,
  doorFindings,
  doorNeeds,
  doorParameters,
  doorPieces,
  doorShapes,
  doorSteps,
  type Doors,
} from '../../accessories/barnDoors';
import { effectiveUnit } from '../../units/effectiveUnit';
import type { Drawing } from '../drawing';
import type { FormContext, FormDefinition } from '../form';
import { fact, resolved } from '../kit/build';
import { look, notChosen, stop, unitOf } from '../kit/choices';
import { unitLamps } from '../kit/lamps';
import {
  apparentVa,
  cordMassKg,
  fromUnit,
  hardware,
  mainsNeeds,
  mainsOpen,
  wiringSlots,
} from '../kit/needs';
import {
  choice,
  defineParameters,
  finish,
  length,
  mainsParameters,
  share,
  unit,
} from '../kit/parameters';
import { box, knob, line, measure, rectangle, view } from '../kit/shapes';
import { checkLamps, finishSteps, wireMains } from '../kit/steps';
import { wiringView } from '../kit/wiringView';
import { FINISHES } from '../../materials/finish';
import type { ResolvedBuild } from '../resolved';

const parameters = defineParameters({
  unitId: unit('Work light', 'Lamp', 'work-light'),
  faceW: length('Face width', 'Lamp', { start: 0.165, min: 0.03, max: 1, step: 0.005 }),
  faceH: length('Face height', 'Lamp', { start: 0.14, min: 0.03, max: 1, step: 0.005 }),
  glass: choice('Guard glass', 'Lamp', [
    ['in', 'stays in'],
    ['out', 'taken out'],
  ]),
  level: share('Level', 'Lamp', { start: 1, min: 0, max: 1 }),
  gapFoil: choice('Foil over the gaps', 'Doors', [
    ['yes', 'yes'],
    ['no', 'no'],
  ]),
  ...doorParameters('Doors'),
  aim: choice('Aimed', 'Bounce', [
    ['direct', 'at the subject'],
    ['bounce', 'at a sheet, wall or ceiling'],
  ]),
  bounceW: length('Lit patch, width', 'Bounce', {
    start: 1.5,
    min: 0.1,
    max: 8,
    when: { parameter: 'aim', is: 'bounce' },
  }),
  bounceH: length('Lit patch, height', 'Bounce', {
    start: 1.5,
    min: 0.1,
    max: 8,
    when: { parameter: 'aim', is: 'bounce' },
  }),
  bounceFinish: finish('Surface', 'Bounce', 'white-ceiling'),
  ...mainsParameters(2),
});
type WorkLight = ReturnType<typeof parameters.defaults>;

const lampOf = (light: WorkLight, context: FormContext) =>
  unitOf(context, light.unitId, 'work-light');
const doorsOf = (light: WorkLight): Doors => light;

function resolve(light: WorkLight, context: FormContext): ResolvedBuild {
  const lamp = lampOf(light, context);
  const unitNow = lamp && effectiveUnit(lamp);
  const bounced = light.aim === 'bounce';
  const spread = lamp?.spread ?? ({ class: 'lambert' } as const);
  const lamps = unitLamps(unitNow, lamp, lamp ? 1 : 0, light.level, spread, [
    { positionM: [0, 0, 0], axis: [0, 0, 1] },
  ]);
  const rho = FINISHES[light.bounceFinish].reflectance;
  const doors = doorsOf(light);
  const hot = lamp?.lamp === 'halogen';
  return resolved(
    {
      ...lamps,
      // Bounced, all the light leaves by the lit patch, a Lambertian surface.
      mouth: bounced
        ? {
            shape: 'rectangle',
            widthM: light.bounceW,
            heightM: light.bounceH,
            heightOverBackM: 0,
            layers: [],
            cavity: null,
            directShare: rho,
          }
        : null,
      lampsAt: { drawing: 'seat-0', field: 'unitId' },
      wiring: {
        ...wiringSlots(light),
        loads: [
          {
            ref: 'seat-0',
            apparentVa: unitNow ? apparentVa(unitNow.wattsW.value, unitNow.powerFactor.value) : 0,
            cordM: light.tailLengthM,
          },
        ],
      },
      pieces: doorPieces(doors, light.faceW, context),
      needs: [
        ...fromUnit(light.unitId, 1, 'piece', 'the lamp'),
        ...doorNeeds,
        ...(light.gapFoil === 'yes'
          ? hardware('foil-tape', 2 * (light.faceW + light.faceH), 'over the gaps at the hinges')
          : []),
        ...mainsNeeds({ ...light, cordPartId: null }, 0),
      ],
      steps: [checkLamps(1), ...doorSteps(), wireMains(context, 5), ...finishSteps()],
      facts: [
        ...doorFacts(doors, light.faceW, light.faceH),
        fact('top-hinge', 'Top leaf, hinge edge', light.faceW, 'width of the face'),
        fact('hinges', 'Hinges', 8, 'two a leaf', 'count'),
        ...(bounced
          ? [fact('bounce-loss', 'The bounce keeps', rho, 'reflectance of the surface', 'ratio')]
          : []),
      ],
      findings: [
        ...notChosen('work-light', [
          [
            'work light',
            lamp,
            'unitId',
            'seat-0',
            'Choose the lamp, and its light and heat follow.',
          ],
          [
            'sheet metal',
            light.boardPartId,
            'boardPartId',
            'doors',
            'Choose the sheet the leaves are cut from.',
          ],
          ...mainsOpen(light).slice(1),
        ]),
        ...doorFindings(doors, light.faceW, light.faceH),
        ...(light.glass === 'out'
          ? [
              hot
                ? stop(
                    'work-light.glass',
                    'The guard glass is out',
                    'A halogen lamp bursts hot and gives off ultraviolet: its glass and guard stay in.',
                    { field: 'glass', drawing: 'seat-0' },
                  )
                : look(
                    'work-light.glass',
                    'The glass is out',
                    'Live parts may be open to touch: put it back.',
                    { field: 'glass', drawing: 'seat-0' },
                  ),
            ]
          : []),
        ...(hot
          ? [
              look(
                'work-light.distance',
                'Keep it away from what burns',
                'Cloth 0.5 m, anything in the beam 1 m away; ten minutes of cooling before the doors are closed.',
                { field: 'unitId', drawing: 'seat-0' },
              ),
            ]
          : []),
        look(
          'work-light.doors',
          bounced ? 'Bounced light is an estimate' : 'The doors are not in the lux yet',
          bounced
            ? 'The lit patch is taken as even and of the size you give; watch what else it lights.'
            : 'Opened wide they change little on the axis; closed in, they cut the beam. The figures are without them.',
          { field: 'leafLengthM', drawing: 'doors' },
          'This version’s light estimate',
        ),
      ],
      apparent: bounced
        ? { widthM: light.bounceW, heightM: light.bounceH }
        : { widthM: light.faceW, heightM: light.faceH },
      frontM: 0,
      folded: {
        widthM: light.faceW + 0.04,
        heightM: light.faceH + 0.04,
        depthM: (lamp?.depthM ?? 0.12) + 0.02,
      },
    },
    (lamp?.massKg ?? 1.2) + 0.25 + cordMassKg({ ...light, cordPartId: null }, 0, context),
    context,
  );
}

function draw(light: WorkLight, context: FormContext): Drawing {
  const { faceW, faceH, leafLengthM } = light;
  const depth = lampOf(light, context)?.depthM ?? 0.12;
  return {
    views: [
      view(
        'front',
        'Front, leaves folded out',
        doorShapes(doorsOf(light), faceW, faceH),
        [
          measure([-faceW / 2, faceH / 2], [faceW / 2, faceH / 2], 0, 'Face'),
          measure(
            [faceW / 2, faceH / 2],
            [faceW / 2, faceH / 2 + leafLengthM],
            -0.5 * faceW,
            'Leaf',
          ),
        ],
        [
          knob('faceW', 'Face width', [faceW / 2, faceH * 0.3], [1, 0], 2),
          knob('faceH', 'Face height', [-faceW * 0.3, -faceH / 2], [0, -1], 2),
          knob('leafLengthM', 'Leaf length', [0, faceH / 2 + leafLengthM], [0, 1]),
        ],
      ),
      view(
        'section',
        'Section from the side, light to the right',
        [
          rectangle(-depth, -faceH / 2, 0, faceH / 2, 'part', 'seat-0'),
          line(
            [
              [0, -faceH / 2],
              [0, faceH / 2],
            ],
            'glass',
            'seat-0',
          ),
          line(
            [
              [0, faceH / 2],
              [leafLengthM * 0.8, faceH / 2 + leafLengthM * 0.6],
            ],
            'cut',
            'doors',
          ),
          line(
            [
              [0, -faceH / 2],
              [leafLengthM * 0.8, -faceH / 2 - leafLengthM * 0.6],
            ],
            'cut',
            'doors',
          ),
        ],
        [measure([-depth, -faceH / 2], [0, -faceH / 2], -0.3 * faceH, 'Depth')],
      ),
      wiringView(
        {
          outline: [box(0, 0, faceW, faceH, 'hidden', 'seat-0')],
          terminals: [[0, 0]],
          terminalM: faceH * 0.2,
          dimmer: light.dimmerPartId !== null,
        },
        context,
      ),
    ],
  };
}

export const workLight: FormDefinition<WorkLight> = {
  id: 'work-light',
  name: 'Work light with doors',
  summary: 'A construction lamp with four hinged leaves, or bounced off a wall.',
  gallery: {
    goodFor: ['edge', 'wash', 'overhead'],
    skill: 2,
    reach: 'Plenty of light for little money, shaped by doors or softened by a wall.',
  },
  parameters: parameters.schema,
  fields: parameters.fields,
  defaults: parameters.defaults,
  problems: () => [],
  limits: () => ({}),
  resolve,
  draw,
};
