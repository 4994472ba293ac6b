import { BYTES } from './bytes';

/** What wasm/kernels.ts exports; places are bytes of the desk’s memory. */
interface Kernels {
  turnLobes: (
    cells: number,
    square: number,
    nodes: number,
    passing: number,
    places: number,
    first: number,
    past: number,
    starts: number,
    weights: number,
    row: number,
    out: number,
  ) => void;
  lambertSums: (
    count: number,
    points: number,
    sources: number,
    sourceCount: number,
    out: number,
  ) => void;
  toldSum: (
    cells: number,
    nodes: number,
    poses: number,
    table: number,
    px: number,
    py: number,
    pz: number,
    nx: number,
    ny: number,
    nz: number,
  ) => number;
}

type Numbers = Float32Array | Float64Array | Int32Array;

const PAGE = 65536;
/** Everything begins at a multiple of this: four 32-bit numbers. */
const STEP = 16;

const aligned = (at: number): number => Math.ceil(at / STEP) * STEP;

/** An instance of the kernels with a memory that is laid out anew for each piece of work. */
export class Desk {
  private readonly memory = new WebAssembly.Memory({ initial: 1 });
  readonly run: Kernels;
  private at = 0;

  constructor(module: WebAssembly.Module) {
    const { exports } = new WebAssembly.Instance(module, { env: { memory: this.memory } });
    this.run = exports as unknown as Kernels;
  }

  /** Bytes taken so far. */
  get taken(): number {
    return this.at;
  }

  clear(): void {
    this.at = 0;
  }

  /** Room for so many bytes; what stands in it is left from before. */
  room(bytes: number): number {
    const from = this.at;
    this.at = aligned(from + bytes);
    const missing = this.at - this.memory.buffer.byteLength;
    if (missing > 0) this.memory.grow(Math.ceil(missing / PAGE));
    return from;
  }

  /** A copy of some numbers. */
  lay(numbers: Numbers): number {
    const from = this.room(numbers.byteLength);
    new Uint8Array(this.memory.buffer).set(
      new Uint8Array(numbers.buffer, numbers.byteOffset, numbers.byteLength),
      from,
    );
    return from;
  }

  /** So many numbers from a place on, as they stand there now: gone with the next room that is asked for. */
  floats = (from: number, count: number): Float32Array =>
    new Float32Array(this.memory.buffer, from, count);
}

let built: WebAssembly.Module | null | undefined;

/** Null where WebAssembly, or four numbers at a time, is not to be had: everything has a twin that needs neither. */
function compiled(): WebAssembly.Module | null {
  try {
    const text = atob(BYTES);
    return new WebAssembly.Module(Uint8Array.from(text, (one) => one.charCodeAt(0)));
  } catch {
    return null;
  }
}

/** A desk of one’s own; null where there can be none. */
export function desk(): Desk | null {
  built ??= compiled();
  try {
    return built && new Desk(built);
  } catch {
    return null;
  }
}
