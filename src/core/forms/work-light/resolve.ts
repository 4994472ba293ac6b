import { sendsBack } from '../kit/cavities';
import { boughtSizes } from '../kit/boughtSizes';
import {
  doorFacts,
  doorFindings,
  doorNeeds,
  doorPieces,
  doorPlates,
  doorSteps,
  doorThings,
  foldedDoors,
} from '../kit/doors';
import { finishBurns, sheetReflectance } from '../kit/things';
import { uprightAt, type Thing } from '../../build/things';
import { effectiveUnit } from '../../units/effective';
import type { FormContext } from '../form';
import { fact, completeBuild } from '../kit/build';
import { look, notChosen, stop } from '../kit/findingWriters';
import { unitLamps } from '../kit/lamps';
import {
  apparentVa,
  cordMassKg,
  fromUnit,
  hardware,
  mainsNeeds,
  mainsOpen,
  ownCordNeeds,
  ownCordSteps,
  wiringSlots,
} from '../kit/needs';
import { checkLamps } from '../kit/steps';
import type { Vector } from '../../light/vector';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import { MOST_BOUNCE_M, type WorkLight } from './parameters';
import { lampOf, doorsOf } from './layout';

/** Guard round the glass and leaves folded on it. */
export const GUARD_M = 0.02;
/** A halogen work light of 400 W without a label; eight hinges with their bolts [typ; from memory]. */
export const LAMP_DEPTH_M = 0.12;
const LAMP_KG = 1.2;
const HINGES_KG = 0.25;

/** The face as points: near doors it is no point. */
const FACE_POINTS = 4;
const facePoints = ({ faceWidthM, faceHeightM }: WorkLight) =>
  Array.from({ length: FACE_POINTS ** 2 }, (_, k) => ({
    positionM: [
      (((k % FACE_POINTS) + 0.5) / FACE_POINTS - 0.5) * faceWidthM,
      ((Math.floor(k / FACE_POINTS) + 0.5) / FACE_POINTS - 0.5) * faceHeightM,
      0,
    ] as const,
    axis: [0, 0, 1] as const,
  }));

/** From the lamp's axes into those of the surface it is turned at. */
const turned = ([x, y, z]: Vector, distanceM: number): Vector => [-x, y, distanceM - z];

/** What is worked out once and told in several places. */
function partsOf(light: WorkLight, context: FormContext) {
  const lamp = lampOf(light, context);
  const unitNow = lamp && effectiveUnit(lamp);
  const bounced = light.aim === 'bounce';
  const spread = lamp?.spread ?? ({ class: 'lambert' } as const);
  const lamps = unitLamps(unitNow, lamp, lamp ? 1 : 0, light, spread, facePoints(light));
  const bounceFinish = sendsBack(context.finish(light.bounceFinish));
  const rho = bounceFinish.reflectance;
  const doors = doorsOf(light);
  const bare = sheetReflectance(doors.boardPartId, context);
  const plates = doorPlates(doors, light.faceWidthM, light.faceHeightM, 0, bare);
  const hot = lamp?.lamp === 'halogen';
  return { light, context, lamp, unitNow, bounced, lamps, bounceFinish, rho, doors, plates, hot };
}
type Parts = ReturnType<typeof partsOf>;

export function resolve(light: WorkLight, context: FormContext): ResolvedBuild {
  const parts = partsOf(light, context);
  const { lamp, unitNow, bounced, lamps, doors, plates } = parts;
  const pieces = doorPieces(doors, light.faceWidthM, context);
  return completeBuild(
    {
      ...lamps,
      mouth: mouthOf(parts),
      controls: bounced ? [] : plates,
      lampsAt: { drawing: 'seat-0', field: 'unitId' },
      wiring: {
        ...slotsOf(light),
        loads: [
          {
            ref: 'seat-0',
            apparentVa: unitNow ? apparentVa(unitNow.wattsW.value, unitNow.powerFactor.value) : 0,
            cordM: light.tailLengthM,
          },
        ],
      },
      pieces,
      needs: needsOf(parts),
      steps: [
        checkLamps(1),
        ...doorSteps(),
        ...(light.cordPartId === null ? ownCordSteps(light) : []),
      ],
      facts: factsOf(parts),
      findings: findingsOf(parts),
      things: [...doorThings(doors, plates, context), ...bounceThings(light)],
      apparent: bounced
        ? { widthM: light.bounceWidthM, heightM: light.bounceHeightM }
        : { widthM: light.faceWidthM, heightM: light.faceHeightM },
      frontM: 0,
      built: builtOf(parts),
      folded: foldedDoors(builtOf(parts), doors, pieces[0]!.thicknessM),
      bought: boughtOf(parts),
    },
    (lamp?.massKg ?? LAMP_KG) + HINGES_KG + cordMassKg(light, newCordM(light), context),
    context,
  );
}

const builtOf = ({ light, lamp }: Parts): ResolvedBuild['built'] => ({
  widthM: light.faceWidthM + 2 * GUARD_M,
  heightM: light.faceHeightM + 2 * GUARD_M,
  depthM: (lamp?.depthM ?? LAMP_DEPTH_M) + GUARD_M,
});

/** It comes with its own cord; one that is chosen goes on in its place. */
const slotsOf = (light: WorkLight): Pick<ResolvedBuild['wiring'], 'cord' | 'plug' | 'dimmer'> =>
  light.cordPartId === null
    ? { ...wiringSlots(light), cord: { partId: null } }
    : wiringSlots(light);
const newCordM = ({ cordPartId, tailLengthM }: WorkLight): number =>
  cordPartId === null ? 0 : tailLengthM;

/** Leaves are cut to the face as it is drawn: it has to be the face that was bought. */
function boughtOf({ light, lamp }: Parts): ResolvedBuild['bought'] {
  if (!lamp) return [];
  return boughtSizes({ form: 'work-light', name: lamp.name, ref: 'seat-0', sameM: SAME_FACE_M }, [
    ['face-width', 'face width', light.faceWidthM, lamp.faceWidthM, 'faceWidthM'],
    ['face-height', 'face height', light.faceHeightM, lamp.faceHeightM, 'faceHeightM'],
  ]);
}
/** Faces are measured over the glass or over the rim. */
const SAME_FACE_M = 0.01;

function mouthOf({
  light,
  bounced,
  lamps,
  bounceFinish,
  rho,
  plates,
}: Parts): ResolvedBuild['mouth'] {
  return bounced
    ? {
        shape: 'rectangle',
        widthM: light.bounceWidthM,
        heightM: light.bounceHeightM,
        heightOverBackM: 0,
        layers: [],
        cavity: null,
        room: null,
        directShare: rho,
        bounce: {
          lamps: lamps.emitters.map((emitter) => ({
            ...emitter,
            positionM: turned(emitter.positionM, light.bounceDistanceM),
            axis: [0, 0, -1] as const,
          })),
          controls: plates.map((plate) => ({
            ...plate,
            points: plate.points.map((point) => turned(point, light.bounceDistanceM)),
          })),
          ...bounceFinish,
        },
      }
    : null;
}

/** The surface a bounced lamp is turned at, in the lamp's own axes. */
function bounceThings({
  aim,
  bounceWidthM,
  bounceHeightM,
  bounceDistanceM,
  bounceFinish,
}: WorkLight) {
  if (aim === 'direct') return [];
  const surface: Thing = {
    id: 'bounce',
    name: 'surface it bounces from',
    burns: finishBurns(bounceFinish),
    limitC: null,
    place: uprightAt(bounceWidthM, bounceHeightM, bounceDistanceM),
    ref: 'seat-0',
    field: 'bounceDistanceM',
    raise: {
      field: 'bounceDistanceM',
      fromM: bounceDistanceM,
      mostM: MOST_BOUNCE_M,
      how: 'Move the light back',
    },
  };
  return [surface];
}

/** Sheet of a work light’s case at its front [typ]. */
const CASE_M = 0.0015;

function needsOf({ light, doors, context }: Parts): ResolvedBuild['needs'] {
  return [
    ...fromUnit(light.unitId, 1, 'piece', 'the lamp', 'check-lamps'),
    ...doorNeeds(doors, CASE_M, context),
    ...(light.gapFoil === 'yes'
      ? hardware(
          'foil-tape',
          2 * (light.faceWidthM + light.faceHeightM),
          'over the gaps at the hinges',
          'hinge',
        )
      : []),
    ...(light.cordPartId === null ? ownCordNeeds(light) : mainsNeeds(light, light.tailLengthM)),
  ];
}

function factsOf({ light, bounced, rho, doors }: Parts): ResolvedBuild['facts'] {
  return [
    ...doorFacts(doors, light.faceWidthM, light.faceHeightM),
    fact('top-hinge', 'Top leaf, hinge edge', light.faceWidthM, 'width of the face'),
    fact('face', 'Face', light.faceWidthM * light.faceHeightM, 'width × height', 'area'),
    fact('hinges', 'Hinges', 8, 'two a leaf', 'count'),
    ...(bounced
      ? [fact('bounce-loss', 'The bounce keeps', rho, 'reflectance of the surface', 'ratio')]
      : []),
  ];
}

function findingsOf({ light, lamp, bounced, doors, hot }: Parts): ResolvedBuild['findings'] {
  return [
    ...notChosen('work-light', [
      ['work light', lamp, 'unitId', 'seat-0', 'Choose the lamp, and its light and heat follow.'],
      [
        'sheet metal',
        light.boardPartId,
        'boardPartId',
        'doors',
        'Choose the sheet the leaves are cut from.',
      ],
      ...(light.cordPartId === null ? [] : mainsOpen(light).slice(1)),
    ]),
    ...doorFindings(doors, light.faceWidthM, light.faceHeightM),
    ...(light.glass === 'out'
      ? [
          hot
            ? stop(
                'heat',
                'work-light.glass',
                'The guard glass is out',
                'A halogen lamp bursts hot and gives off ultraviolet: its glass and guard stay in.',
                { field: 'glass', drawing: 'seat-0' },
              )
            : look(
                'heat',
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
            'heat',
            'work-light.distance',
            'Keep it away from what burns',
            'Cloth 0.5 m, anything in the beam 1 m away; ten minutes of cooling before the doors are closed.',
            { field: 'unitId', drawing: 'seat-0' },
          ),
        ]
      : []),
    ...(bounced
      ? [
          look(
            'light',
            'work-light.bounce',
            'Bounced light lights more than the subject',
            'Only the patch of the size you give is counted; what the lamp throws past it is lost or lights the room.',
            { field: 'bounceWidthM', drawing: 'seat-0' },
            'Two-step transport, Lambertian surface',
          ),
        ]
      : []),
  ];
}
