import { minus, plus, scaled, type Vector } from '../light/vector';
import { accept, type Result } from '../result';
import { cutsOf, inTheWay, normalOf, patchesOf, type Bands, type Face, type Patch } from './faces';
import { between, type Cut } from './between';
import { exchangeOf, type Exchange } from './exchange';
import { byWayOf } from './gather';
import { directFrom, type Direct } from './placed';
import { cheekNormals } from './ratios';
import { luminanceOf } from './finish';
import type { Scene, SetHead, SetLight } from './scene';
import { settle, type Through } from './settle';

/** How a room is cut into pieces. */
interface Fineness {
  /** edge of the pieces of a room of usual size, m */
  edgeM: number;
  /** large rooms are cut coarser, so that a hall costs no more than a kitchen */
  most: number;
}
const FINE: Fineness = { edgeM: 0.5, most: 520 };
/** For a first look, while the fine one is worked out. */
export const ROUGH: Fineness = { edgeM: 1, most: 150 };

/** What of a set does not hang on any light: patches, and what they see of one another. */
export interface Geometry {
  faces: readonly Face[];
  exchange: Exchange;
  through: Through;
  /** by band, of each patch */
  reflectance: readonly [Float64Array, Float64Array, Float64Array];
  /** all bands alike: one is worked out for three */
  grey: boolean;
  /** of each face, its patches */
  cuts: readonly Cut[];
}

function edgeFor(faces: readonly Face[], { edgeM: start, most }: Fineness): number {
  let edgeM = start;
  while (patchesOf(faces, edgeM).length > most && edgeM < 8) edgeM *= 1.15;
  return edgeM;
}

/** Where each face’s patches begin, and how they lie. */
function cutsIn(faces: readonly Face[], edgeM: number): Cut[] {
  let first = 0;
  return faces.map((face) => {
    const [across, along] = cutsOf(face, edgeM);
    const cut = { first, across, along };
    first += across * along;
    return cut;
  });
}

/** What lets light through: patches of a card’s back in the order of its front’s, across for along. */
function throughOf(faces: readonly Face[], cuts: readonly Cut[], count: number): Through {
  const behind = new Int32Array(count).fill(-1);
  const passes = new Float64Array(count);
  faces.forEach((face, k) => {
    if (!face.passes || faces[k + 1]?.of !== face.of || !face.id.endsWith('front')) return;
    const [front, back] = [cuts[k]!, cuts[k + 1]!];
    for (let v = 0; v < front.along; v++)
      for (let u = 0; u < front.across; u++) {
        const [one, two] = [front.first + v * front.across + u, back.first + u * front.along + v];
        behind[one] = two;
        behind[two] = one;
        passes[one] = face.passes;
        passes[two] = face.passes;
      }
  });
  return { behind, passes };
}

/**
 * Cuts a set into patches and works out what they see of one another.
 * @param faces  the room's shell first
 * @param shell  how many they are
 */
export function geometryOf(
  faces: readonly Face[],
  shell: number,
  closed: boolean,
  fineness: Fineness | null = null,
): Geometry {
  // What asks to be cut finer than the room is cut as coarsely as it in a first look.
  return fineness
    ? cutUp(
        faces.map((face) => ({ ...face, edgeM: undefined })),
        shell,
        closed,
        fineness,
      )
    : cutUp(faces, shell, closed, FINE);
}

function cutUp(
  faces: readonly Face[],
  shell: number,
  closed: boolean,
  fineness: Fineness,
): Geometry {
  const edgeM = edgeFor(faces, fineness);
  const patches = patchesOf(faces, edgeM);
  const cuts = cutsIn(faces, edgeM);
  const exchange = exchangeOf(patches, inTheWay(faces.slice(shell)), closed);
  const band = (c: 0 | 1 | 2) =>
    Float64Array.from(patches, ({ face }) => faces[face]!.reflectance[c]);
  return {
    faces,
    exchange,
    through: throughOf(faces, cuts, patches.length),
    reflectance: [band(0), band(1), band(2)],
    grey: faces.every(({ reflectance: [r, g, b] }) => r === g && g === b),
    cuts,
  };
}

/** Light of one lamp at a face, full up: straight, and by way of everything, in each band of white light. */
export interface HeadLight {
  /** lx on the plane towards the camera and on the cheeks, straight */
  direct: Record<'front' | 'left' | 'right', number>;
  bounced: Record<'front' | 'left' | 'right', Bands>;
}

/** Everything one light does alone at full level, as if it were white: what is kept, and summed. */
export interface LightAlone {
  id: string;
  heads: Record<string, HeadLight>;
  /** lx on a grid over each backdrop, row by row from its lower left: straight and bounced */
  backdrops: Record<string, Float64Array>;
  /** mean lx of each side of the room and each thing, without windows */
  means: Record<string, number>;
  /** lx arriving by way of surfaces and lm/m² sent on, by patch and band; for pictures */
  bounced: readonly [Float64Array, Float64Array, Float64Array];
  exitance: readonly [Float64Array, Float64Array, Float64Array];
  /** at each head by way of surfaces: lx on what looks along + x, − x, + y, − y, + z and − z */
  around: Record<string, Bands[]>;
  /** share of its light that does not add up */
  imbalance: number;
}

const BACKDROP_GRID = { columns: 18, rows: 12 };

const PLACES: readonly Vector[] = [
  [-1, -1, 0],
  [1, -1, 0],
  [-1, 1, 0],
  [1, 1, 0],
];
const GAUSS = 1 / Math.sqrt(3) / 2;
/** Nearer than so many of its own lengths light is taken at four places of a patch. */
const NEAR = 2.5;

/** Mean light straight on a patch. */
function directOnPatch(
  direct: Direct,
  { centre, normal, corners, areaM2 }: Patch,
  light: SetLight,
) {
  const apart =
    Math.hypot(...minus(centre, light.pose.at)) - Math.max(light.widthM, light.heightM) / 2;
  if (apart > NEAR * Math.sqrt(areaM2)) return direct(centre, normal);
  const u = scaled(minus(corners[1]!, corners[0]!), GAUSS);
  const v = scaled(minus(corners[3]!, corners[0]!), GAUSS);
  const lx = PLACES.map(([a, b]) => direct(plus(centre, plus(scaled(u, a), scaled(v, b))), normal));
  return lx.reduce((sum, each) => sum + each, 0) / lx.length;
}

/** How a light reaches everything straight. */
export const straightOf = (scene: Scene, light: SetLight): Direct =>
  directFrom(light, {
    faces: scene.faces.slice(scene.shell).filter(({ of }) => of !== light.own),
    balls: scene.balls,
  });

const AXES: readonly Vector[] = [
  [1, 0, 0],
  [-1, 0, 0],
  [0, 1, 0],
  [0, -1, 0],
  [0, 0, 1],
  [0, 0, -1],
];
const SIDES = ['front', 'left', 'right'] as const;

/** Light straight at a face. */
export function straightAt(direct: Direct, head: SetHead): HeadLight['direct'] {
  const normals = cheekNormals(head.metered);
  return {
    front: direct(head.at, normals.front),
    left: direct(head.at, normals.left),
    right: direct(head.at, normals.right),
  };
}

/** Lux of three bands. */
const together = ([r, g, b]: readonly [Float64Array, Float64Array, Float64Array]): Float64Array =>
  r === g ? r : r.map((red, k) => luminanceOf([red, g[k]!, b[k]!]));

/** One light alone, at full level. */
export function aloneOf(scene: Scene, geometry: Geometry, light: SetLight): Result<LightAlone> {
  const direct = straightOf(scene, light);
  const { exchange, reflectance, through, grey } = geometry;
  const { patches } = exchange;
  const lit = Float64Array.from(patches, (patch) => directOnPatch(direct, patch, light));
  const bands = (grey ? [0] : [0, 1, 2]).map((c) =>
    settle(exchange, lit, reflectance[c]!, through),
  );
  const refused = bands.find((band) => !band.ok);
  if (refused && !refused.ok) return refused;
  const settled = bands.flatMap((band) => (band.ok ? [band.value] : []));
  const of = <T>(read: (band: (typeof settled)[number]) => T): [T, T, T] => [
    read(settled[0]!),
    read(settled[grey ? 0 : 1]!),
    read(settled[grey ? 0 : 2]!),
  ];
  const exitance = of((band) => band.exitance);
  const bounced = of((band) => band.illuminance.map((lx, i) => Math.max(0, lx - lit[i]!)));
  const standing = inTheWay(geometry.faces.slice(scene.shell));
  const gather = (place: Vector, normal: Vector): Bands => {
    const band = (c: 0 | 1 | 2) => byWayOf(patches, exitance[c], place, normal, standing);
    if (!grey) return [band(0), band(1), band(2)];
    const lx = band(0);
    return [lx, lx, lx];
  };
  const sent = together(exitance);
  const atHead = (head: SetHead): HeadLight => {
    const normals = cheekNormals(head.metered);
    return {
      direct: straightAt(direct, head),
      bounced: Object.fromEntries(
        SIDES.map((side) => [side, gather(head.at, normals[side])]),
      ) as HeadLight['bounced'],
    };
  };
  return accept({
    id: light.id,
    heads: Object.fromEntries(scene.heads.map((head) => [head.id, atHead(head)])),
    backdrops: Object.fromEntries(
      scene.backdrops.map(({ id, face }) => [
        id,
        overBackdrop(geometry, face, direct, (place, normal) =>
          byWayOf(patches, sent, place, normal, standing),
        ),
      ]),
    ),
    means: meansOf(geometry, together(of((band) => band.illuminance))),
    around: Object.fromEntries(
      scene.heads.map((head) => [head.id, AXES.map((axis) => gather(head.at, axis))]),
    ),
    bounced,
    exitance,
    imbalance: Math.max(...settled.map(({ imbalance }) => imbalance)),
  });
}

/** Mean light of the patches of each thing or wall. */
function meansOf({ faces, exchange }: Geometry, lx: Float64Array): Record<string, number> {
  const sums = new Map<string, [flux: number, area: number]>();
  exchange.patches.forEach(({ face, areaM2 }, k) => {
    const of = faces[face]!.of ?? faces[face]!.id;
    const [flux, area] = sums.get(of) ?? [0, 0];
    sums.set(of, [flux + areaM2 * lx[k]!, area + areaM2]);
  });
  return Object.fromEntries([...sums].map(([of, [flux, area]]) => [of, flux / area]));
}

/** Places of a backdrop that light by way of surfaces is gathered at; between them it runs straight. */
const GATHERED = { across: 12, along: 8 };

/** Light over a face on a grid: straight at each place, by way of surfaces between some. */
function overBackdrop(
  { faces }: Geometry,
  id: string,
  direct: Direct,
  gather: (place: Vector, normal: Vector) => number,
): Float64Array {
  const face = faces.find((each) => each.id === id)!;
  const normal = normalOf(face);
  const placeAt = (u: number, v: number): Vector =>
    plus(face.corner, plus(scaled(face.across, u), scaled(face.along, v)));
  const { across, along } = GATHERED;
  const gathered = Float64Array.from({ length: across * along }, (_, k) =>
    gather(placeAt(((k % across) + 0.5) / across, (Math.floor(k / across) + 0.5) / along), normal),
  );
  const cut = { first: 0, across, along };
  const { columns, rows } = BACKDROP_GRID;
  return Float64Array.from({ length: columns * rows }, (_, k) => {
    const [u, v] = [((k % columns) + 0.5) / columns, (Math.floor(k / columns) + 0.5) / rows];
    return direct(placeAt(u, v), normal) + Math.max(0, between(cut, u, v, 'beyond')(gathered));
  });
}
