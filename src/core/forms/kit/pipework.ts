import type { Fitting, Framework, Joint, Pipe } from '../../build/framework';
import type { Need } from '../../build/needs';
import type { StickPiece } from '../../build/pieces';
import type { PartId } from '../../ids';
import type { Vector } from '../../light/vector';
import type { View } from '../../drawing/drawing';
import { circle, segment, view, words, type XY } from '../../drawing/shapes';
import { exactMm } from '../../quantity';
import { hardware } from './needs';
import { stickPiece } from './pieces';

/** What two pipes leave between them in a coupler [typ: the stop in its middle]; nobody who has not measured his fittings knows it. */
const COUPLER_STOP_M = 0.002;
/** A rest shorter than this has nothing to hold on to in its fitting. */
const LEAST_REST_M = 0.12;

/** Plans pipes between joints, and counts and names what comes of it. */
export class Pipework {
  private readonly joints: Joint[] = [];
  private readonly pipes: Pipe[] = [];
  private readonly cut = new Map<string, { name: string; lengthM: number; count: number }>();

  constructor(
    private readonly given: {
      id: string;
      name: string;
      partId: PartId | null;
      stockM: number;
      takeOffM: number;
      field: string;
      ref: string;
    },
  ) {}

  private get stopM(): number {
    return this.given.takeOffM > 0 ? COUPLER_STOP_M : 0;
  }

  joint(fitting: Fitting, atM: Vector): string {
    const id = `J${this.joints.length + 1}`;
    this.joints.push({ id, fitting, atM });
    return id;
  }

  /**
   * A straight run from joint to joint, of whole sticks and a rest where it is longer than one: a rest coupled on
   * near the end bends less than a coupler in the middle, and whole sticks are not cut at all.
   */
  run(piece: string, name: string, from: string, to: string): void {
    const [a, b] = [this.at(from), this.at(to)];
    const apart = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
    const lengths = runLengths(
      apart - this.takeOff(from) - this.takeOff(to),
      this.given.stockM,
      this.stopM,
    );
    let last = from;
    let along = this.takeOff(from);
    lengths.forEach((lengthM, k) => {
      along += lengthM + this.stopM / 2;
      const share = along / apart;
      const next =
        k === lengths.length - 1
          ? to
          : this.joint('coupler', [
              a[0] + (b[0] - a[0]) * share,
              a[1] + (b[1] - a[1]) * share,
              a[2] + (b[2] - a[2]) * share,
            ]);
      along += this.stopM / 2;
      this.pipe(lengths.length > 1 ? `${piece}-${k + 1}` : piece, name, last, next, lengthM);
      last = next;
    });
  }

  /** A pipe of a length as typed: its joints stand apart by that and what the fittings take. */
  pipe(piece: string, name: string, from: string, to: string, cutM: number): void {
    const key = `${piece.replace(/-\d+$/, '')} ${cutM.toFixed(4)}`;
    const known = this.cut.get(key);
    if (known) known.count++;
    else this.cut.set(key, { name, lengthM: cutM, count: 1 });
    this.pipes.push({ id: `P${this.pipes.length + 1}`, piece: key, from, to, cutM });
  }

  private readonly at = (id: string): Vector => this.joints.find((joint) => joint.id === id)!.atM;

  /** A cap sits over the pipe's end. */
  private readonly takeOff = (id: string): number =>
    this.joints.find((joint) => joint.id === id)!.fitting === 'cap' ? 0 : this.given.takeOffM;

  /** Pieces to cut, alike ones together. Their ids stay when sizes change. */
  finished(): { pieces: StickPiece[]; framework: Framework } {
    const { id, name, takeOffM, field, ref, partId } = this.given;
    const seen = new Map<string, number>();
    const ids = new Map<string, string>();
    const pieces = [...this.cut].map(([key, { name: own, lengthM, count }]) => {
      const stem = key.split(' ')[0]!;
      const again = (seen.get(stem) ?? 0) + 1;
      seen.set(stem, again);
      const pieceId = again > 1 ? `${stem}-${again}` : stem;
      ids.set(key, pieceId);
      return stickPiece(pieceId, again > 1 ? `${own}, rest` : own, partId, lengthM, count, [
        `Cut to ${exactMm(lengthM)}: what its fittings take, ${exactMm(takeOffM)} at an elbow or tee, is off already.`,
      ]);
    });
    return {
      pieces,
      framework: {
        id,
        name,
        joints: this.joints,
        pipes: this.pipes.map((pipe) => ({ ...pipe, piece: ids.get(pipe.piece)! })),
        takeOffM,
        couplerM: this.stopM / 2,
        field,
        ref,
      },
    };
  }
}

/** Lengths of one straight run: whole sticks first, then the rest, which is never too short to hold. */
function runLengths(lengthM: number, stockM: number, stopM: number): number[] {
  const count = Math.max(1, Math.ceil((lengthM + stopM) / (stockM + stopM) - 1e-9));
  if (count === 1) return [lengthM];
  const rest = lengthM - (count - 1) * (stockM + stopM);
  const short = Math.max(0, LEAST_REST_M - rest);
  return [...Array.from({ length: count - 2 }, () => stockM), stockM - short, rest + short];
}

/** The fittings of a frame, from its joints alone. */
export function fittingNeeds({ joints }: Framework, step: string): Need[] {
  const counts = new Map<Fitting, number>();
  for (const { fitting } of joints) counts.set(fitting, (counts.get(fitting) ?? 0) + 1);
  return [...counts].flatMap(([fitting, count]) =>
    hardware(fitting, count, 'see the map of joints', step),
  );
}

/** Depth is drawn to the right and up, shortened. */
const flatten = ([x, y, z]: Vector): XY => [x + 0.55 * z, y + 0.4 * z];

/** The frame as a map: every joint with its name and fitting, every pipe with the length it is cut to. */
export function frameworkView({ id, name, joints, pipes, ref }: Framework): View {
  const at = new Map(joints.map((joint) => [joint.id, flatten(joint.atM)]));
  const xs = [...at.values()].flat();
  const size = Math.max(0.1, Math.max(...xs) - Math.min(...xs));
  return view(`joints-${id}`, `${name}: joints, and lengths to cut in mm`, [
    ...pipes.map(({ from, to }) => segment(at.get(from)!, at.get(to)!, 'part', ref)),
    ...joints.map(({ id: joint }) => {
      const [x, y] = at.get(joint)!;
      return circle(x, y, size * 0.012, 'cut', ref);
    }),
    ...pipes.map(({ from, to, cutM }) => {
      const [[ax, ay], [bx, by]] = [at.get(from)!, at.get(to)!];
      return words((ax + bx) / 2, (ay + by) / 2, String(Number((cutM * 1000).toFixed(1))));
    }),
    // A cap is an end: nobody looks for its name.
    ...joints.flatMap(({ id: joint, fitting }) => {
      const [x, y] = at.get(joint)!;
      return fitting === 'cap' ? [] : [words(x, y + size * 0.05, `${joint} ${fitting}`)];
    }),
  ]);
}
