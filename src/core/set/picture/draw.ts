import { passes, prepareControls, type Passage } from '../../light/controls';
import { packEmitters, type EmitterField } from '../../light/emitter';
import { illuminanceLx } from '../../light/illuminance';
import { dot, minus, plus, scaled, unit, type Vector } from '../../light/vector';
import { headShades, type HeadGrid } from '../../mannequin/grid';
import { cornersOf, inTheWay, type Bands } from '../faces';
import { between } from '../between';
import { ballInTheWay } from '../placed';
import { axesOf, placeInto, placeOutOf, turnedInto, type Axes } from '../pose';
import { Looker, intoHead, reflected, type Hit } from './seen';
import { PICTURE, type PictureLamp, type PictureScene } from './pictureScene';

/** What the camera sees of some rows, whatever is lit: a hit each pixel, and what is added to it or shared with it. */
export interface Seen {
  wide: number;
  hits: readonly (Hit | null)[];
  /** what glasses mirror, by its share */
  mirrored: readonly { pixel: number; hit: Hit; share: number }[];
  /** along outlines: what else lies in a pixel; with its own hit each counts alike */
  shared: ReadonlyMap<number, readonly (Hit | null)[]>;
}

export const heightOf = (wide: number): number => Math.round((wide * PICTURE.high) / PICTURE.wide);

/** Some rows of a picture, one after the other. */
export interface Rows {
  first: number;
  count: number;
}

/** Direction of a ray through a place of a picture, counted in pixels. */
function rayOf({ camera }: PictureScene, wide: number, row: number, column: number): Vector {
  const { axes, halfM } = camera;
  const high = heightOf(wide);
  const x = ((2 * column) / wide - 1) * halfM;
  const y = ((1 - (2 * row) / high) * halfM * high) / wide;
  // A light’s x lies to its left; so does a camera’s.
  return unit(plus(axes.z, plus(scaled(axes.x, -x), scaled(axes.y, y))));
}

const sameThing = (one: Hit | null, other: Hit | null): boolean =>
  one?.face === other?.face && one?.head === other?.head;

/** Places of a pixel beside its middle that its outline is told by. */
const BESIDE = [
  [0.2, 0.35],
  [0.8, 0.2],
  [0.65, 0.8],
] as const;

/** Looks along every ray of some rows of a picture. @param smooth  along outlines four times */
export function seeSet(
  scene: PictureScene,
  grid: HeadGrid,
  wide: number,
  { first, count }: Rows,
  smooth: boolean,
): Seen {
  const looker = new Looker(scene, grid);
  const from = scene.camera.axes.at;
  const look = (row: number, column: number) => looker.look(from, rayOf(scene, wide, row, column));
  const hits = Array.from({ length: count * wide }, (_, k) =>
    look(first + Math.floor(k / wide) + 0.5, (k % wide) + 0.5),
  );
  const mirrored: { pixel: number; hit: Hit; share: number }[] = [];
  const shared = new Map<number, (Hit | null)[]>();
  hits.forEach((hit, pixel) => {
    const glass = hit && looker.glassAt(hit);
    if (glass) {
      const way = unit(minus(hit.at, from));
      const other = looker.look(hit.at, reflected(way, hit.normal));
      if (other) mirrored.push({ pixel, hit: other, share: glass.share });
    }
    const column = pixel % wide;
    const near = [
      column > 0 ? pixel - 1 : pixel,
      column < wide - 1 ? pixel + 1 : pixel,
      pixel - wide,
      pixel + wide,
    ];
    if (!smooth || near.every((each) => !(each in hits) || sameThing(hit, hits[each]!))) return;
    const row = first + Math.floor(pixel / wide);
    shared.set(
      pixel,
      BESIDE.map(([down, across]) => look(row + down, column + across)),
    );
  });
  return { wide, hits, mirrored, shared };
}

/** Something that may stand between, with the ball that holds it. */
interface Blocker {
  passage: Passage;
  centre: Vector;
  radiusM: number;
  /** of the scene; −1 for what is no head’s */
  head: number;
}

/** Sources that are looked at first where something may stand between. */
const PROBES = 8;

/** One light of a scene, ready to be asked pixel by pixel. */
export class Drawer {
  private readonly axes: Axes;
  private readonly field: EmitterField;
  /** more sources, for half-shadows */
  private readonly fine: EmitterField;
  private readonly own: readonly Passage[];
  private readonly probes: readonly Vector[];
  private readonly blockers: readonly Blocker[];
  private readonly places: readonly Vector[];
  private readonly flux: readonly number[];
  private readonly reachM: number;
  private readonly patches: ReadonlyMap<number, PictureScene['cut'][number]>;

  constructor(
    private readonly scene: PictureScene,
    private readonly grid: HeadGrid,
    private readonly light: PictureLamp,
  ) {
    this.axes = axesOf(light.pose);
    const into = (place: Vector) => placeInto(this.axes, place, light.frontM);
    this.own = prepareControls(light.controls);
    this.field = packEmitters(
      light.lamps.map(({ source }) => source),
      this.own,
    );
    this.fine = packEmitters(
      light.fine.map(({ source }) => source),
      this.own,
    );
    const apart = Math.max(1, Math.floor(light.lamps.length / PROBES));
    this.probes = light.lamps
      .filter((_, k) => k % apart === 0)
      .map(({ source }) => source.positionM);
    this.places = light.lamps.map(({ source }) =>
      placeOutOf(this.axes, source.positionM, light.frontM),
    );
    const all = light.lamps.reduce((sum, { source }) => sum + source.luminousFluxLm, 0);
    this.flux = light.lamps.map(({ source }) => source.luminousFluxLm / all);
    this.reachM = Math.max(
      0,
      ...this.places.map((place) => Math.hypot(...minus(place, light.pose.at))),
    );
    // Both sides of a card are one thing in the way.
    const flats = scene.faces
      .slice(scene.shell)
      .filter(({ id, of }) => of !== light.id && !id.endsWith('back'));
    this.blockers = [
      ...flats.map((face, k): Blocker => {
        const corners = cornersOf(face);
        const centre = scaled(plus(corners[0]!, corners[2]!), 0.5);
        return {
          passage: inTheWay(flats.slice(k, k + 1), into)[0]!,
          centre,
          radiusM: Math.hypot(...minus(corners[0]!, centre)),
          head: -1,
        };
      }),
      ...scene.balls.map(({ centre, radiusM }, k): Blocker => ({
        passage: ballInTheWay({ centre: into(centre), radiusM }),
        centre,
        radiusM,
        head: Math.floor(k / (scene.balls.length / Math.max(1, scene.heads.length))),
      })),
    ];
    this.patches = new Map(scene.cut.map((each) => [each.face, each]));
  }

  /** Light of a hit as a white card would have to have it, by band: this light alone, as if it were white. */
  shade(hit: Hit): Bands {
    const [r, g, b] = hit.albedo;
    const front = hit.face >= 0 && this.scene.faces[hit.face]!;
    const glow =
      front && front.of === this.light.id && !front.id.endsWith('back')
        ? this.light.frontLmPerM2
        : 0;
    const direct = this.directAt(hit);
    const [br, bg, bb] = this.bouncedAt(hit);
    return [glow + r * (direct + br), glow + g * (direct + bg), glow + b * (direct + bb)];
  }

  private directAt(hit: Hit): number {
    const { at, normal } = hit;
    const standing = this.standing(hit);
    const place = placeInto(this.axes, at, this.light.frontM);
    const own = turnedInto(this.axes, normal);
    const open = standing.length === 0 ? 1 : this.openTo(place, standing);
    if (open === 0) return 0;
    const lx =
      open === 1
        ? illuminanceLx(this.field, place, own)
        : illuminanceLx({ ...this.fine, controls: [...this.own, ...standing] }, place, own);
    return lx > 0 && hit.head >= 0 ? lx * this.openAt(hit) : lx;
  }

  /** Share of a few of its sources that nothing stands before: all or none of them speak for the rest. */
  private openTo(place: Vector, standing: readonly Passage[]): number {
    let open = 0;
    for (const from of this.probes) open += passes(standing, from, place);
    return open / this.probes.length;
  }

  /** What may stand between a hit and this light. */
  private standing({ at, head }: Hit): Passage[] {
    const to = this.light.pose.at;
    const way = minus(to, at);
    const long = dot(way, way);
    const found: Passage[] = [];
    for (const { passage, centre, radiusM, head: own } of this.blockers) {
      // A head’s own shadow is found on its own shape.
      if (own >= 0 && own === head) continue;
      const off = minus(centre, at);
      const t = Math.min(1, Math.max(0, dot(off, way) / long));
      const [x, y, z] = [off[0] - t * way[0], off[1] - t * way[1], off[2] - t * way[2]];
      const reach = radiusM + this.reachM;
      if (x * x + y * y + z * z < reach * reach) found.push(passage);
    }
    return found;
  }

  /** Share of this light that a head does not keep from its own skin. */
  private openAt({ at, head }: Hit): number {
    const own = this.scene.heads[head]!;
    const [x, y, z] = intoHead(own, at);
    let open = 0;
    this.places.forEach((place, k) => {
      const [lx, ly, lz] = intoHead(own, place);
      if (!headShades(this.grid, x, y, z, lx, ly, lz, 0.004)) open += this.flux[k]!;
    });
    return open;
  }

  private bouncedAt({ at: place, face, head, normal, u, v }: Hit): Bands {
    const { bounced, around } = this.light;
    if (head >= 0) {
      const six = around[this.scene.heads[head]!.id];
      return six ? ambient(six, normal) : NIGHT;
    }
    const cut = this.patches.get(face);
    if (!cut) return this.roomAt(place, normal);
    const at = between(cut, u, v);
    return [at(bounced[0]), at(bounced[1]), at(bounced[2])];
  }

  /** Light of the room on something too small to be cut into patches: as at the nearest head, or as on all walls together. */
  private roomAt(place: Vector, normal: Vector): Bands {
    const { bounced, around } = this.light;
    const away = ({ at }: { at: Vector }) => Math.hypot(...minus(at, place));
    const [head] = this.scene.heads.toSorted((a, b) => away(a) - away(b));
    const six = head && around[head.id];
    if (six) return ambient(six, normal);
    const mean = (band: Float64Array) =>
      band.reduce((sum, lx) => sum + lx, 0) / Math.max(1, band.length);
    return [mean(bounced[0]), mean(bounced[1]), mean(bounced[2])];
  }

  /** This light’s layer of what is seen: red, green, blue of each pixel, in lux on white. */
  layer({ hits, mirrored, shared }: Seen): Float32Array<ArrayBuffer> {
    const out = new Float32Array(hits.length * 3);
    hits.forEach((hit, k) => {
      if (hit) out.set(this.shade(hit), k * 3);
    });
    for (const [pixel, others] of shared) {
      for (const hit of others) {
        const seen = hit ? this.shade(hit) : NIGHT;
        for (let c = 0; c < 3; c++) out[pixel * 3 + c]! += seen[c]!;
      }
      for (let c = 0; c < 3; c++) out[pixel * 3 + c]! /= others.length + 1;
    }
    for (const { pixel, hit, share } of mirrored) {
      const seen = this.shade(hit);
      for (let c = 0; c < 3; c++) out[pixel * 3 + c]! += share * seen[c]!;
    }
    return out;
  }
}

const NIGHT: Bands = [0, 0, 0];

/** Light on a surface from what falls on six that look along the axes, weighed by its normal’s squares. */
function ambient(six: readonly Bands[], [x, y, z]: Vector): Bands {
  const px = six[x > 0 ? 0 : 1]!;
  const py = six[y > 0 ? 2 : 3]!;
  const pz = six[z > 0 ? 4 : 5]!;
  const [xx, yy, zz] = [x * x, y * y, z * z];
  return [
    px[0] * xx + py[0] * yy + pz[0] * zz,
    px[1] * xx + py[1] * yy + pz[1] * zz,
    px[2] * xx + py[2] * yy + pz[2] * zz,
  ];
}
