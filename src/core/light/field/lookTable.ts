import { toRadians } from '../../angle';
import { packEmitters, STRIDE, type EmitterField } from '../emitter';
import { emitterLx } from '../illuminance';
import type { Vector } from '../vector';
import { exitPatches, type ExitPatches } from './exitPatches';
import { MEAN } from './backward';
import { BLOCKS } from './cells';
import { Reader, RECEPTOR_M } from './gather';
import { FEW_LAMPS } from './images';
import type { MouthField } from './mouthField';
import { straightByBlock } from './straight';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { PI, acos, atan2, floor, hypot, max, min } = Math;

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const [lampLx, PER_EMITTER] = [emitterLx, STRIDE];

/** Angles from the axis at which an arrangement is looked at; those beyond 90° where something leaves to the back. */
const RINGS_DEG = [0, 5, 10, 15, 20, 30, 40, 50, 60, 70, 80, 88, 105, 120, 135, 150, 165, 180];
const FRONT_RINGS = 12;
const ROUND = 8;
/** Distances of the looks: the mouth’s size over each. */
const NEARNESS = [0, 0.1, 0.2, 0.3, 0.4, 0.52, 0.66, 0.85, 1.2, 1.67];
const FARTHEST = 1e4;
const AS_GOOD_AS_FAR = 0.005;
/**
 * Places looked at from one node: more where few lamps are met in mirrors by chance. All nodes look at the same, so
 * that what is off is off alike.
 */
const NODE_PLACES = { few: 1024, many: 256 };
/** Lamps asked at each place: many places ask many. */
const NODE_LAMPS = 8;

/**
 * What each block of an arrangement’s exits really sends towards a number of nodes about it, over what it would by
 * Lambert’s law. Nodes are looked at when they are first asked for, or were handed in.
 */
export class LookTable {
  readonly patches: ExitPatches;
  /** patches as the kernels take them, nothing in their way */
  readonly packed: EmitterField;
  readonly blocks: number;
  /** middle of the first exit, and the largest size of all */
  readonly centreM: Vector;
  readonly sizeM: number;
  private readonly rings: number;
  /** by shell, ring, turn and block; NaN where nobody has looked yet */
  readonly ratios: Float32Array;
  private reader: Reader | null = null;
  /** where nodes that nobody has looked at are noted instead */
  private missing: Set<number> | null = null;
  private readonly weights = { ring: new Float64Array(4), round: new Float64Array(4) };

  constructor(
    readonly field: MouthField,
    ratios: Float32Array | null = null,
  ) {
    this.patches = exitPatches(field);
    this.packed = packEmitters(this.patches.sources);
    this.blocks = field.open.length * BLOCKS;
    const places = this.patches.sources.map(({ positionM }) => positionM);
    this.centreM = [0, 0, middle(places.map(([, , z]) => z))];
    this.sizeM = max(0.02, ...places.map(([x, y]) => 2 * hypot(x, y)));
    const back = this.patches.sources.some(({ axis }) => axis[2] < 0.5);
    this.rings = back ? RINGS_DEG.length : FRONT_RINGS;
    this.ratios =
      ratios ?? new Float32Array(NEARNESS.length * this.rings * ROUND * this.blocks).fill(NaN);
  }

  /** By block, what it sends to a point over its patches’ own, into `out`. */
  at([x, y, z]: Vector, out: Float64Array): void {
    out.fill(0);
    if (this.blocks === 0) return;
    const [cx, cy, cz] = this.centreM;
    const [dx, dy, dz] = [x - cx, y - cy, z - cz];
    const d = max(1e-6, hypot(dx, dy, dz));
    const angle = acos(max(-1, min(1, dz / d))) * (180 / PI);
    const turn = ((atan2(dy, dx) / (2 * PI) + 1) % 1) * ROUND;
    const near = min(NEARNESS.at(-1)!, this.sizeM / d);
    const nearness = near < AS_GOOD_AS_FAR ? 0 : near;
    const shell = max(0, NEARNESS.findIndex((one) => one >= nearness) - 1);
    const share = (nearness - NEARNESS[shell]!) / (NEARNESS[shell + 1]! - NEARNESS[shell]!);
    const first = this.ringsAbout(angle);
    const { ring, round } = this.weights;
    lagrange(uniform(turn), ROUND_NODES, round);
    for (let i = 0; i < 4; i++)
      for (let j = 0; j < 4; j++) {
        const weight = ring[i]! * round[j]!;
        // On a node its neighbours say nothing: on the axis one look does.
        if (weight === 0) continue;
        const place = floor(turn) + j - 1;
        if (share < 1) this.add(out, weight * (1 - share), shell, first + i, place);
        if (share > 0) this.add(out, weight * share, shell + 1, first + i, place);
      }
    // A parabola may dip below nothing at an edge.
    for (let block = 0; block < out.length; block++) if (out[block]! < 0) out[block] = 0;
  }

  /** First of the four rings about an angle; their weights are left behind. Ring −1 lies across the axis. */
  private ringsAbout(angle: number): number {
    const last = this.rings - 1;
    const at = min(angle, RINGS_DEG[last]!);
    let below = 0;
    while (below < last - 1 && RINGS_DEG[below + 1]! <= at) below++;
    const first = min(below - 1, last - 3);
    const nodes = [0, 1, 2, 3].map((k) =>
      first + k < 0 ? -RINGS_DEG[-(first + k)]! : RINGS_DEG[first + k]!,
    );
    lagrange(at, nodes, this.weights.ring);
    return first;
  }

  private add(out: Float64Array, weight: number, shell: number, ring: number, place: number): void {
    const across = ring < 0 ? ROUND / 2 : 0;
    const o = this.node(shell, ring < 0 ? -ring : ring, (place + across + 2 * ROUND) % ROUND);
    for (let block = 0; block < this.blocks; block++)
      out[block]! += weight * this.ratios[o + block]!;
  }

  /**
   * One hand’s share of the looks that reading at some places will ask for; what was looked at before stays.
   * @param hand, hands  every so manieth of them
   */
  lookFor(places: readonly Vector[], hand = 0, hands = 1): void {
    const missing = new Set<number>();
    const scratch = new Float64Array(this.blocks);
    this.missing = missing;
    for (const place of places) this.at(place, scratch);
    this.missing = null;
    [...missing].forEach((node, k) => k % hands === hand && this.look(node));
  }

  /** Place of a node’s numbers, once it has been looked at or is noted as missing. */
  private node(shell: number, ring: number, place: number): number {
    const at = RINGS_DEG[ring] === 0 || RINGS_DEG[ring] === 180 ? 0 : place;
    const node = (shell * this.rings + ring) * ROUND + at;
    const o = node * this.blocks;
    if (Number.isNaN(this.ratios[o]!)) {
      if (this.missing) this.missing.add(node);
      else this.look(node);
    }
    return o;
  }

  private look(node: number): void {
    const { field, packed, patches, centreM, blocks, rings } = this;
    const [place, ring] = [node % ROUND, floor(node / ROUND) % rings];
    const shell = floor(node / ROUND / rings);
    const o = node * blocks;
    this.reader ??= new Reader(field, [], NODE_LAMPS);
    const [angle, turn] = [toRadians(RINGS_DEG[ring]!), (place / ROUND) * 2 * PI];
    const way: Vector = [
      Math.sin(angle) * Math.cos(turn),
      Math.sin(angle) * Math.sin(turn),
      Math.cos(angle),
    ];
    const d = shell === 0 ? FARTHEST * this.sizeM : this.sizeM / NEARNESS[shell]!;
    const pointM: Vector = [
      centreM[0] + d * way[0],
      centreM[1] + d * way[1],
      centreM[2] + d * way[2],
    ];
    const normal: Vector = [-way[0], -way[1], -way[2]];
    const seen = new Float64Array(blocks);
    const receiver = { pointM, normal };
    const shares = this.reader.shares(receiver);
    const places = field.lamps.count > FEW_LAMPS ? NODE_PLACES.many : NODE_PLACES.few;
    this.reader.throughExits(receiver, shares, MEAN, places, RECEPTOR_M / 2, seen);
    if (field.lamps.count > FEW_LAMPS) straightByBlock(field, pointM, normal, seen);
    for (let block = 0; block < blocks; block++) {
      let own = 0;
      for (let k = patches.from[block]!; k < patches.from[block + 1]!; k++)
        own += lampLx(packed, k * PER_EMITTER, ...pointM, ...normal);
      this.ratios[o + block] = own > 0 ? (seen[block]! * field.sentLm) / own : 0;
    }
  }
}

const ROUND_NODES = [-1, 0, 1, 2];
const uniform = (turn: number): number => turn - floor(turn);

function middle(values: readonly number[]): number {
  return values.length ? (max(...values) + min(...values)) / 2 : 0;
}

/** Weights of four nodes for the cubic through them [Lagrange]. */
function lagrange(at: number, nodes: readonly number[], out: Float64Array): void {
  for (let i = 0; i < 4; i++) {
    let weight = 1;
    for (let j = 0; j < 4; j++) if (j !== i) weight *= (at - nodes[j]!) / (nodes[i]! - nodes[j]!);
    out[i] = weight;
  }
}
