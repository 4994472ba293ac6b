import type { Production } from '../../document/production';
import type { Vector } from '../../light/vector';
import { cableOf } from '../../set/cables';
import { cornersOf, inTheWay } from '../../set/faces';
import { windowLight } from '../../set/fronts';
import { hidingTurn, seenIn, type Front, type Hinge } from '../../set/mirror';
import type { PictureLamp, PictureScene } from '../../set/picture/pictureScene';
import type { Solved } from '../../set/readings';
import {
  largeOnly,
  placedLight,
  rectangle,
  sceneOf,
  type LightSource,
  type Scene,
  type SetLight,
} from '../../set/scene';
import type { Setup } from '../../set/setup';
import type { LightThing } from '../../set/things';
import {
  aloneOf,
  geometryOf,
  ROUGH,
  straightAt,
  straightOf,
  type Geometry,
  type HeadLight,
  type LightAlone,
} from '../../set/solve';
import { troublesOf, type Trouble } from '../../set/troubles';
import { eightDigits, fnv } from '../../fnv';
import { SOLD } from '../../units/channels';
import { Derivations } from '../derive';
import { circuitsOf, type SetCircuit } from './circuits';
import { pictureLamp, pictureScene } from './pictureOf';
import { washPlacesOf, type WashPlaces } from './washPlaces';
import { sourceOf } from './sources';

/** What a glass shows the camera, and what is done about it. */
export interface GlassReading {
  id: string;
  name: string;
  mirror: boolean;
  widthM: number;
  heightM: number;
  /** lights and windows in it */
  seen: readonly { id: string; name: string }[];
  /** least turns that hide them all, radians, signed; null where none up to 30° does */
  turns: Record<(typeof HINGES)[number], number | null>;
}

/** A set worked out: each light alone at full level; the page sums. */
export interface SetAnswer {
  lights: readonly Solved[];
  troubles: readonly Trouble[];
  glasses: readonly GlassReading[];
  circuits: readonly SetCircuit[];
  /** why nothing could be worked out by way of surfaces */
  refused: string | null;
  patches: number;
  /** of all lights, the largest share of light that does not add up */
  imbalance: number;
  picture: { scene: PictureScene; lamps: readonly PictureLamp[] } | null;
}

const HINGES = ['upright', 'upper edge'] as const satisfies readonly Hinge[];

/** A light that was worked out, and what from. */
interface Kept {
  key: string;
  alone: LightAlone;
  lamp: PictureLamp;
}

/** What is kept of one setup. */
interface KeptSet {
  geometry: { key: string; geometry: Geometry } | null;
  alone: Map<string, Kept>;
}
/** Two are held beside each other, one more for who goes back; each may have a first look beside it. */
const SETS_KEPT = 4;

/** All of a thing but how it is turned up: that asks for nothing to be worked out again. */
const placeKey = (thing: Setup['things'][number]): string =>
  JSON.stringify({
    ...thing,
    name: '',
    level: 0,
    gelMired: 0,
    on: true,
    cctK: 0,
    role: '',
    copies: 1,
    ...SOLD,
  });

/**
 * Works sets out and keeps what did not change: sources as long as the production's stock is the same, the room's patches as
 * long as nothing large moved, each light's own light as long as neither it nor anything that stands about did.
 */
export class SetEngine {
  private readonly derive = new Derivations();
  private readonly sources = new Map<string, LightSource | null>();
  /** of each setup asked for, the last asked for last */
  private readonly kept = new Map<string, KeptSet>();

  constructor(private readonly document: Production) {}

  private source(thing: LightThing, rough: boolean): LightSource | null {
    const { buildId, fixtureId, unitId, shade } = thing;
    // Only builds are simulated, and estimated at first.
    const key = `${buildId} ${fixtureId} ${unitId} ${shade} ${rough && buildId !== null}`;
    if (!this.sources.has(key))
      this.sources.set(key, sourceOf(this.document, thing, this.derive, rough));
    return this.sources.get(key)!;
  }

  /** Lights and windows of a setup that give light where they stand, and what is wrong with the others. */
  private lightsOf(
    setup: Setup,
    rough: boolean,
  ): {
    lights: SetLight[];
    sources: Map<string, LightSource>;
    troubles: Trouble[];
  } {
    const sources = new Map<string, LightSource>();
    for (const thing of setup.things) {
      const source = thing.kind === 'light' ? this.source(thing, rough) : null;
      if (source) sources.set(thing.id, source);
    }
    const troubles = troublesOf(setup, new Set(sources.keys()));
    const troubled = new Set(troubles.flatMap(({ thingId, dark }) => (dark ? [thingId] : [])));
    const lights = setup.things.flatMap((thing): SetLight[] => {
      if (troubled.has(thing.id)) return [];
      if (thing.kind === 'window') return [windowLight(thing, setup.room)];
      const source = sources.get(thing.id);
      return thing.kind === 'light' && source ? [placedLight(thing, source)] : [];
    });
    return { lights, sources, troubles };
  }

  /** @param rough  a first look: rooms cut coarsely */
  answer(setup: Setup, rough = false): SetAnswer {
    const { lights, sources, troubles } = this.lightsOf(setup, rough);
    const whole = sceneOf(setup, sources);
    const scene = withoutSmall(whole, setup);
    const kept = this.keptOf(rough ? `${setup.id} rough` : setup.id);
    const geometry = geometryFor(kept, scene, rough);
    const around = JSON.stringify([geometry.key, scene.balls, scene.cameraM, scene.heads]);
    const solved: Solved[] = [];
    const lamps: PictureLamp[] = [];
    let refused: string | null = null;
    let imbalance = 0;
    const placed = new Map(setup.things.map((thing) => [thing.id, placeKey(thing)]));
    for (const light of lights) {
      const found = aloneFor(kept, scene, geometry.geometry, light, placed.get(light.id)!, around);
      if (typeof found === 'string') {
        refused = found;
        continue;
      }
      solved.push({ ...summed(light), ...pick(found.alone) });
      lamps.push(found.lamp);
      imbalance = Math.max(imbalance, found.alone.imbalance);
    }
    for (const id of kept.alone.keys())
      if (!lights.some((light) => light.id === id)) kept.alone.delete(id);
    const key = eightDigits(fnv(JSON.stringify([whole, setup.camera, rough])));
    return {
      lights: solved,
      troubles,
      glasses: scene.glasses.map((glass) => glassReading(glass, scene, lights)),
      circuits: this.circuits(lights, setup),
      refused,
      patches: geometry.geometry.exchange.patches.length,
      imbalance,
      picture: { scene: pictureScene(setup, whole, geometry.geometry, key), lamps },
    };
  }

  /** Light of one light straight at every face: what follows a hand that moves it. */
  straight(setup: Setup, thingId: string): Record<string, HeadLight['direct']> | null {
    const { lights, sources } = this.lightsOf(setup, false);
    const light = lights.find(({ id }) => id === thingId);
    if (!light) return null;
    const scene = withoutSmall(sceneOf(setup, sources), setup);
    const direct = straightOf(scene, light);
    return Object.fromEntries(scene.heads.map((head) => [head.id, straightAt(direct, head)]));
  }

  /**
   * Places of two like lights from which they light a backdrop most evenly, or brightest of those that are even enough: as the first
   * wash gives light, within the room.
   */
  washPlaces(setup: Setup, backdropId: string, allowedStops: number): WashPlaces | null {
    const { lights } = this.lightsOf(setup, false);
    const backdrop = setup.things.find(({ id }) => id === backdropId);
    const washes = lights.filter(({ role }) => role === 'wash').slice(0, 2);
    const [one, two] = washes;
    return backdrop?.kind === 'backdrop' && one && two
      ? washPlacesOf(setup.room, backdrop, [one, two], allowedStops)
      : null;
  }

  private keptOf(setupId: string): KeptSet {
    const kept = this.kept.get(setupId) ?? { geometry: null, alone: new Map() };
    this.kept.delete(setupId);
    this.kept.set(setupId, kept);
    const [oldest] = this.kept.keys();
    if (this.kept.size > SETS_KEPT) this.kept.delete(oldest!);
    return kept;
  }

  /** Breakers that the lights of a setup hang on: by their builds, or by the socket next to them. */
  private circuits(lights: readonly SetLight[], setup: Setup): SetCircuit[] {
    const plugged = lights.flatMap((light) => {
      const thing = setup.things.find(({ id }) => id === light.id);
      return thing?.kind === 'light'
        ? [{ thing, body: light, cable: cableOf(setup, thing, light) }]
        : [];
    });
    return circuitsOf(this.document.circuits, plugged);
  }
}

function geometryFor(kept: KeptSet, { faces, shell, closed }: Scene, rough: boolean) {
  const key = JSON.stringify([faces, closed, rough]);
  if (kept.geometry?.key !== key)
    kept.geometry = { key, geometry: geometryOf(faces, shell, closed, rough ? ROUGH : null) };
  return kept.geometry;
}

/** A light alone; in words where its light never ends. @param placed  what it is and how it stands */
function aloneFor(
  kept: KeptSet,
  scene: Scene,
  geometry: Geometry,
  light: SetLight,
  placed: string,
  around: string,
): Kept | string {
  const key = `${placed} ${around}`;
  const known = kept.alone.get(light.id);
  if (known?.key === key) return known;
  const alone = aloneOf(scene, geometry, light);
  if (!alone.ok) return alone.problems[0]!.message;
  const made = {
    key,
    alone: alone.value,
    lamp: pictureLamp(scene, light, alone.value, eightDigits(fnv(key))),
  };
  kept.alone.set(light.id, made);
  return made;
}

/** Small fronts and boxes are drawn; what they keep from the room is too little to work everything out again when one is moved. */
const withoutSmall = (scene: Scene, { things }: Setup): Scene => {
  const may = new Set(
    things.flatMap(({ id, kind }) => (kind === 'light' || kind === 'object' ? [id] : [])),
  );
  return { ...scene, faces: largeOnly(scene.faces, (id) => may.has(id)) };
};

/** What the page keeps of a light beside its light. */
const SUMMED = [
  'id',
  'name',
  'role',
  'cctK',
  'uv',
  'mixed',
  'filament',
  'wattsW',
  'share',
  'circuitId',
  'origin',
  'widthM',
  'heightM',
] as const satisfies (keyof SetLight)[];
const summed = (light: SetLight) =>
  Object.fromEntries(SUMMED.map((name) => [name, light[name]])) as Pick<
    SetLight,
    (typeof SUMMED)[number]
  >;

const pick = ({ heads, backdrops, means }: LightAlone) => ({ heads, backdrops, means });

function glassReading(
  { id, name, mirror, face }: Scene['glasses'][number],
  scene: Scene,
  lights: readonly SetLight[],
): GlassReading {
  const fronts = lights.map(({ id: light, pose, widthM, heightM }): Front => ({
    id: light,
    corners: cornersOf(rectangle(pose, widthM, heightM)) as Vector[],
  }));
  const bodies = new Set(lights.map(({ id: light }) => light));
  const standing = inTheWay(
    scene.faces.slice(scene.shell).filter(({ of }) => !bodies.has(of ?? '')),
  );
  const seen = seenIn(face, fronts, scene.cameraM, standing);
  const turn = (hinge: Hinge) =>
    seen.length ? hidingTurn(face, fronts, scene.cameraM, hinge, standing) : 0;
  return {
    id,
    name,
    mirror,
    widthM: Math.hypot(...face.across),
    heightM: Math.hypot(...face.along),
    seen: seen.map((each) => ({ id: each, name: lights.find((light) => light.id === each)!.name })),
    turns: Object.fromEntries(HINGES.map((hinge) => [hinge, turn(hinge)])) as GlassReading['turns'],
  };
}
