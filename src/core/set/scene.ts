import { toRadians } from '../angle';
import type { Chromaticity } from '../colour/planck';
import type { Control } from '../light/controls';
import { plus, scaled, type Vector } from '../light/vector';
import type { LightField } from '../light/lightField';
import type { SkinId } from '../mannequin/skin';
import type { Channels } from '../units/channels';
import { cardFaces, type Bands, type Face } from './faces';
import { finishBands } from './finish';
import type { Ball } from './placed';
import { axesOf, type Pose } from './pose';
import { fitsWall, shellOf } from './roomFaces';
import type { Setup } from './setup';
import {
  BACKDROPS,
  CARDS,
  type GlassThing,
  type HeadThing,
  type LightThing,
  type ObjectThing,
  type Role,
  type Thing,
} from './things';

/** What stands there for a light, whatever it gives. */
export interface LightBody {
  /** of its front */
  widthM: number;
  heightM: number;
  /** what it draws as its build turns it up, and as a set that leaves it fully up */
  wattsW: number;
  /** what its wires carry with all of it fully up, whatever it is turned to, VA */
  apparentVa: number;
  /** null for what has none or hangs on nothing */
  circuitId: string | null;
}

/** A light at full level as a set takes it, whatever it is: where it came from is nobody's business here. */
export interface LightSource extends LightBody {
  field: LightField;
  /** plane of its own axes that its light leaves by */
  frontM: number;
  /** as it stands on its bench; of a colour the nearest */
  cctK: number;
  /** place of a mixed colour in CIE 1960 u, v; null on the Planckian locus */
  uv: Chromaticity | null;
  /** colours that can be mixed here instead, what it gives as its build mixes them, and what its layers shift them by */
  mixed: {
    lamp: Channels;
    lumensShare: number;
    wattsShare: number;
    shiftMired: number;
  } | null;
  /** a glowing wire, which reddens when dimmed */
  filament: boolean;
  /** relative standard error of its light */
  share: number;
  origin: string;
  /** what of it the camera’s picture needs beside its place */
  controls: readonly Control[];
}

/** A light where it stands. */
export interface SetLight extends LightSource {
  id: string;
  name: string;
  role: Role | 'window';
  pose: Pose;
  /** the faces of its own body: never in its own way */
  own: string;
}

/** Somebody who is lit. */
export interface SetHead {
  id: string;
  name: string;
  /** middle of the face */
  at: Vector;
  /** level direction they look in */
  facing: Vector;
  /** level direction from the face to the camera: what “the face” is metered on */
  metered: Vector;
  skin: SkinId;
}

export interface SetGlass {
  id: string;
  name: string;
  mirror: boolean;
  face: Pick<Face, 'corner' | 'across' | 'along'>;
}

/** Everything that stands in a set, as flat faces and balls. */
export interface Scene {
  closed: boolean;
  faces: readonly Face[];
  /** faces of the room's own shell: they stand in nobody's way */
  shell: number;
  balls: readonly Ball[];
  heads: readonly SetHead[];
  /** of each backdrop, its lit face */
  backdrops: readonly { id: string; face: string }[];
  glasses: readonly SetGlass[];
  cameraM: Vector;
}

const BLACK: Bands = [0.05, 0.05, 0.05];
/** A light’s body sends hardly anything on: where on it light falls is nearly all the same. */
const BODY_CUTS = 2;
/** Fronts and boxes with no larger side than this take too little of a room's light to be counted in its figures, m²; they are drawn all the same. */
const LARGE_M2 = 0.3;

const BACKDROP_FINISH: Record<keyof typeof BACKDROPS, Bands> = {
  flat: finishBands(0.35, 'sea'),
  night: finishBands(0.1, 'blue'),
  green: finishBands(0.3, 'green'),
  paper: finishBands(0.85, 'none'),
  cloth: finishBands(0.04, 'none'),
};

interface Standing {
  xM: number;
  yM: number;
  panDeg: number;
  widthM: number;
}

export const poseOf = ({
  xM,
  yM,
  zM,
  panDeg,
  tiltDeg,
  rollDeg = 0,
}: {
  xM: number;
  yM: number;
  zM: number;
  panDeg: number;
  tiltDeg: number;
  rollDeg?: number;
}): Pose => ({
  at: [xM, yM, zM],
  pan: toRadians(panDeg),
  tilt: toRadians(tiltDeg),
  roll: toRadians(rollDeg),
});

/** A rectangle round a middle that looks the way a pose does. */
export function rectangle(
  pose: Pose,
  widthM: number,
  heightM: number,
): Pick<Face, 'corner' | 'across' | 'along'> {
  const { at, x, y } = axesOf(pose);
  return {
    corner: plus(at, plus(scaled(x, -widthM / 2), scaled(y, -heightM / 2))),
    across: scaled(x, widthM),
    along: scaled(y, heightM),
  };
}

const upright = (thing: Standing, middleM: number): Pose =>
  poseOf({ ...thing, zM: middleM, tiltDeg: 0 });

/** Height of the middle of a face, grown-ups [std: ISO 7250 eye heights, rounded; from memory]. */
const FACE_M = { standing: 1.6, sitting: 1.2 };

export const faceOf = ({ xM, yM, posture }: HeadThing): Vector => [xM, yM, FACE_M[posture]];
export const lookOf = (panDeg: number): Vector => [
  -Math.sin(toRadians(panDeg)),
  Math.cos(toRadians(panDeg)),
  0,
];

/** Skull, chest and what is below, as balls behind and under the middle of the face. */
function headBalls(head: HeadThing): Ball[] {
  const look = lookOf(head.panDeg);
  const under = (backM: number, downM: number): Vector =>
    plus(faceOf(head), [look[0] * -backM, look[1] * -backM, -downM]);
  return [
    { centre: under(0.08, -0.02), radiusM: 0.095 },
    { centre: under(0.085, 0.4), radiusM: 0.19 },
    { centre: under(0.085, 0.65), radiusM: 0.18 },
  ];
}

/** Level direction from one place to another; ahead of it where they stand over one another. */
function levelWay(from: Vector, to: Vector): Vector {
  const [x, y] = [to[0] - from[0], to[1] - from[1]];
  const long = Math.hypot(x, y);
  return long > 1e-6 ? [x / long, y / long, 0] : [0, -1, 0];
}

/** A table's top, seen from above and below. */
const tableFaces = (thing: Extract<Thing, { kind: 'table' }>): Face[] => {
  const top = poseOf({ ...thing, zM: thing.heightM, tiltDeg: 90 });
  const finish = finishBands(thing.reflectance, thing.tint);
  return cardFaces(thing.id, rectangle(top, thing.widthM, thing.depthM), finish, BLACK);
};

/** A box's sides and top; what lies beneath is seen by nobody. */
function boxFaces(thing: ObjectThing): Face[] {
  const { id, widthM, depthM, heightM, bottomM, panDeg } = thing;
  const finish = finishBands(thing.reflectance, thing.tint);
  const middle = bottomM + heightM / 2;
  const side = (name: string, turnDeg: number, wideM: number, outM: number): Face => {
    const look = lookOf(panDeg + turnDeg);
    const at = { xM: thing.xM + look[0] * outM, yM: thing.yM + look[1] * outM };
    return {
      id: `${id} ${name}`,
      of: id,
      reflectance: finish,
      ...rectangle(
        poseOf({ ...at, zM: middle, panDeg: panDeg + turnDeg, tiltDeg: 0 }),
        wideM,
        heightM,
      ),
    };
  };
  const top = poseOf({ ...thing, zM: bottomM + heightM, tiltDeg: 90 });
  return [
    side('front', 0, widthM, depthM / 2),
    side('back', 180, widthM, depthM / 2),
    side('left', 90, depthM, widthM / 2),
    side('right', -90, depthM, widthM / 2),
    { id: `${id} top`, of: id, reflectance: finish, ...rectangle(top, widthM, depthM) },
  ];
}

function thingFaces(thing: Thing, source: LightSource | undefined): Face[] {
  switch (thing.kind) {
    case 'backdrop': {
      const middle = upright(thing, thing.bottomM + thing.heightM / 2);
      const finish = BACKDROP_FINISH[thing.surface];
      return cardFaces(thing.id, rectangle(middle, thing.widthM, thing.heightM), finish, BLACK);
    }
    case 'card': {
      const { reflectance, passes } = CARDS[thing.card];
      const bands = finishBands(reflectance, 'none');
      const at = rectangle(poseOf(thing), thing.widthM, thing.heightM);
      return cardFaces(thing.id, at, bands, bands, passes);
    }
    case 'table':
      return tableFaces(thing);
    case 'object':
      return boxFaces(thing);
    case 'light': {
      if (!source) return [];
      // What holds its front lies behind it: the light itself goes out before.
      const at = rectangle(poseOf(thing), source.widthM, source.heightM);
      return cardFaces(thing.id, at, BLACK, BLACK, 0, BODY_CUTS);
    }
    default:
      return [];
  }
}

const glassOf = (thing: GlassThing): SetGlass => ({
  id: thing.id,
  name: thing.name,
  mirror: thing.glass === 'mirror',
  face: rectangle(poseOf(thing), thing.widthM, thing.heightM),
});

/**
 * A setup as faces and balls.
 * @param sources  of its lights that give any, by id
 */
export function sceneOf(setup: Setup, sources: ReadonlyMap<string, LightSource>): Scene {
  const { room, camera, things } = setup;
  const shell = shellOf(
    room,
    things.flatMap((thing) => (thing.kind === 'window' && fitsWall(room, thing) ? [thing] : [])),
  );
  const cameraM: Vector = [camera.xM, camera.yM, camera.zM];
  const heads = things.flatMap((thing) => (thing.kind === 'head' ? [thing] : []));
  return {
    closed: room.open === 'none',
    faces: [...shell, ...things.flatMap((thing) => thingFaces(thing, sources.get(thing.id)))],
    shell: shell.length,
    balls: heads.flatMap(headBalls),
    heads: heads.map((head) => ({
      id: head.id,
      name: head.name,
      at: faceOf(head),
      facing: lookOf(head.panDeg),
      metered: levelWay(faceOf(head), cameraM),
      skin: head.skin,
    })),
    backdrops: things.flatMap((thing) =>
      thing.kind === 'backdrop' ? [{ id: thing.id, face: `${thing.id} front` }] : [],
    ),
    glasses: things.flatMap((thing) => (thing.kind === 'glass' ? [glassOf(thing)] : [])),
    cameraM,
  };
}

/** Faces without those of small lights and boxes. @param mayGo  ids of what may be left out where it is small */
export function largeOnly(faces: readonly Face[], mayGo: (id: string) => boolean): Face[] {
  const most = new Map<string, number>();
  for (const { of = '', across, along } of faces) {
    const areaM2 = Math.hypot(...across) * Math.hypot(...along);
    most.set(of, Math.max(most.get(of) ?? 0, areaM2));
  }
  return faces.filter(({ of = '' }) => !mayGo(of) || most.get(of)! >= LARGE_M2);
}

/** A light of the setup where it stands. */
export const placedLight = (thing: LightThing, source: LightSource): SetLight => ({
  ...source,
  id: thing.id,
  name: thing.name,
  role: thing.role,
  pose: poseOf(thing),
  own: thing.id,
});
