import { LUMA, luminanceOf, MID_LINEAR } from './tone';

/** Stops about mid-grey that a histogram holds, and its bins to a stop. */
export const [DARKEST_STOP, BRIGHTEST_STOP, BINS_A_STOP] = [-10, 4, 8];
export const HISTOGRAM_BINS = (BRIGHTEST_STOP - DARKEST_STOP) * BINS_A_STOP;

/** A picture as light: small and linear, with what is only told at full size counted there. */
export interface FrameData {
  /** of the picture as it is seen, pixels */
  width: number;
  height: number;
  /** of the small one, cells */
  columns: number;
  rows: number;
  /** mean linear red, green and blue of every cell, row by row */
  rgb: Float32Array<ArrayBuffer>;
  /** variance of luminance within every cell */
  variance: Float32Array<ArrayBuffer>;
  /** share of a cell that is clipped, 0…255 */
  clipped: Uint8Array<ArrayBuffer>;
  /** pixels by stops about mid-grey */
  histogram: Float64Array<ArrayBuffer>;
  clippedShare: number;
  crushedShare: number;
  /** mean luminance of every row of pixels; of every column where the camera's rows stand upright, 0 otherwise */
  rowLight: Float64Array<ArrayBuffer>;
  columnLight: Float64Array<ArrayBuffer>;
  /** mean light by row of the small picture in strips from side to side; by column, where the camera's rows stand upright */
  strips: Float64Array<ArrayBuffer>[];
  /** values of single pixels on a grid of places that is the same in every frame, red, green, blue: for the camera's curve */
  samples: Uint8Array<ArrayBuffer>;
}

/** Longest edge of the small picture, cells. */
const SMALL_EDGE = 960;
/** A channel at this value or above is clipped in a compressed picture; all at or under this are crushed [common practice]. */
export const [CLIPPED, CRUSHED] = [250, 3];
const MOST_READ = 12_000_000;

/** Of a larger picture every second pixel of every second row is read: all figures are means over millions of them. */
export const readEvery = (width: number, height: number): 1 | 2 =>
  width * height > MOST_READ ? 2 : 1;
/** Places whose values are kept, across and down. */
export const SAMPLES = { across: 16, down: 12 } as const;

/** Light is summed in whole steps of this share of the brightest: sums of whole numbers are several times quicker. */
const STEPS = 65_535;

/** Bins of a histogram from counts by steps of light. */
function binned(counts: Uint32Array, stepLight: number, pixels: number) {
  const histogram = new Float64Array(HISTOGRAM_BINS);
  counts.forEach((count, step) => {
    const stops = Math.log2(Math.max(step * stepLight, 1e-9) / MID_LINEAR);
    // A rounded step is no bin lower.
    const bin = Math.floor((stops - DARKEST_STOP) * BINS_A_STOP + 1e-2);
    histogram[Math.min(HISTOGRAM_BINS - 1, Math.max(0, bin))]! += count / pixels;
  });
  return histogram;
}

/** Reads a picture strip by strip, so that no more than a strip of its pixels lies open at once. */
export class FrameReader {
  readonly cell: number;
  private pixels = 0;
  private readonly frame: FrameData;
  private readonly counts: Uint32Array;
  private readonly clippedPixels: Uint32Array;
  private readonly byStep = new Uint32Array(STEPS + 3);
  private readonly columnSteps: Float64Array;
  /** steps of light by value; red in the first 256, then green and blue, weighted as they count for luminance */
  private readonly steps: Int32Array;
  private readonly weighted: Int32Array;
  /** light of one step */
  private readonly stepLight: number;
  private clipped = 0;
  private crushed = 0;

  /**
   * @param table  linear light by value of a channel
   * @param upright  the camera's rows stand upright in the picture: columns are told too
   */
  constructor(
    readonly width: number,
    readonly height: number,
    table: Float32Array,
    private readonly upright = false,
  ) {
    const cell = Math.max(1, Math.ceil(Math.max(width, height) / SMALL_EDGE));
    const [columns, rows] = [Math.ceil(width / cell), Math.ceil(height / cell)];
    this.cell = cell;
    this.stepLight = Math.max(...table) / STEPS;
    this.steps = Int32Array.from(table, (light) => Math.round(light / this.stepLight));
    this.weighted = Int32Array.from({ length: 768 }, (_, k) =>
      Math.round(LUMA[k >> 8]! * this.steps[k & 255]!),
    );
    this.counts = new Uint32Array(columns * rows);
    this.clippedPixels = new Uint32Array(columns * rows);
    this.columnSteps = new Float64Array(width);
    this.frame = {
      width,
      height,
      columns,
      rows,
      rgb: new Float32Array(3 * columns * rows),
      variance: new Float32Array(columns * rows),
      clipped: new Uint8Array(columns * rows),
      histogram: new Float64Array(HISTOGRAM_BINS),
      clippedShare: 0,
      crushedShare: 0,
      rowLight: new Float64Array(height),
      columnLight: new Float64Array(width),
      strips: [],
      samples: new Uint8Array(3 * SAMPLES.across * SAMPLES.down),
    };
  }

  /** Takes rows of pixels, four bytes each, from row `first` on. A kernel: every pixel of 24 million goes through here. */
  addInPlace(pixels: Uint8ClampedArray, first: number): void {
    const {
      frame,
      steps,
      weighted,
      byStep,
      columnSteps,
      cell,
      width,
      counts,
      clippedPixels,
      upright,
    } = this;
    const { columns, rgb, variance, rowLight } = frame;
    const whole = new Uint32Array(pixels.buffer, pixels.byteOffset, pixels.length / 4);
    const count = whole.length / width;
    const light = this.stepLight;
    let clippedAll = 0;
    let crushedAll = 0;
    for (let row = 0; row < count; row++) {
      const y = first + row;
      const line = Math.floor(y / cell) * columns;
      let p = row * width;
      let rowSum = 0;
      for (let column = 0, x = 0; column < columns; column++) {
        const from = x;
        const end = Math.min(width, x + cell);
        let red = 0;
        let green = 0;
        let blue = 0;
        let sum = 0;
        let square = 0;
        let clippedHere = 0;
        for (; x < end; x++, p++) {
          // Red lies lowest: every machine a browser runs on today stores the low byte first.
          const pixel = whole[p]!;
          const a = pixel & 255;
          const b = (pixel >> 8) & 255;
          const c = (pixel >> 16) & 255;
          const step = weighted[a]! + weighted[256 + b]! + weighted[512 + c]!;
          red += steps[a]!;
          green += steps[b]!;
          blue += steps[c]!;
          sum += step;
          square += step * step;
          if (upright) columnSteps[x]! += step;
          byStep[step]!++;
          if (a >= CLIPPED || b >= CLIPPED || c >= CLIPPED) clippedHere++;
          else if (a <= CRUSHED && b <= CRUSHED && c <= CRUSHED) crushedAll++;
        }
        const at = line + column;
        rgb[3 * at]! += light * red;
        rgb[3 * at + 1]! += light * green;
        rgb[3 * at + 2]! += light * blue;
        variance[at]! += light * light * square;
        rowSum += sum;
        counts[at]! += x - from;
        clippedPixels[at]! += clippedHere;
        clippedAll += clippedHere;
      }
      rowLight[y] = (light * rowSum) / width;
      this.pixels += width;
    }
    this.clipped += clippedAll;
    this.crushed += crushedAll;
    this.sampleInPlace(pixels, first, count);
  }

  /** Keeps the values of the places that lie in these rows. */
  private sampleInPlace(pixels: Uint8ClampedArray, first: number, count: number): void {
    const { width, height, frame } = this;
    for (let down = 0; down < SAMPLES.down; down++) {
      const y = Math.floor(((down + 0.5) / SAMPLES.down) * height);
      if (y < first || y >= first + count) continue;
      for (let across = 0; across < SAMPLES.across; across++) {
        const x = Math.floor(((across + 0.5) / SAMPLES.across) * width);
        const from = ((y - first) * width + x) * 4;
        const to = 3 * (down * SAMPLES.across + across);
        for (let c = 0; c < 3; c++) frame.samples[to + c] = pixels[from + c]!;
      }
    }
  }

  /** The frame, once all rows were added. */
  done(): FrameData {
    const { frame, counts, clippedPixels, width, stepLight } = this;
    const { rgb, variance, clipped, columnLight } = frame;
    counts.forEach((count, at) => {
      for (let c = 0; c < 3; c++) rgb[3 * at + c]! /= count;
      const mean = luminanceOf(rgb[3 * at]!, rgb[3 * at + 1]!, rgb[3 * at + 2]!);
      variance[at] =
        count > 1 ? (Math.max(0, variance[at]! / count - mean * mean) * count) / (count - 1) : 0;
      clipped[at] = Math.round((255 * clippedPixels[at]!) / count);
    });
    const { pixels } = this;
    this.columnSteps.forEach((steps, x) => (columnLight[x] = (stepLight * steps * width) / pixels));
    return {
      ...frame,
      strips: stripsOf(frame, this.upright),
      histogram: binned(this.byStep, stepLight, pixels),
      clippedShare: this.clipped / pixels,
      crushedShare: this.crushed / pixels,
    };
  }
}

/** Luminance of a cell. */
export const lightAt = ({ rgb }: Pick<FrameData, 'rgb'>, at: number): number =>
  luminanceOf(rgb[3 * at]!, rgb[3 * at + 1]!, rgb[3 * at + 2]!);

/** Strips a lone frame's bands are looked for in. */
const STRIPS = 6;

function stripsOf(frame: FrameData, upright: boolean): Float64Array<ArrayBuffer>[] {
  const { columns, rows } = frame;
  const [across, along] = upright ? [rows, columns] : [columns, rows];
  return Array.from({ length: STRIPS }, (_, strip) => {
    const from = Math.floor((strip * across) / STRIPS);
    const to = Math.max(from + 1, Math.floor(((strip + 1) * across) / STRIPS));
    return Float64Array.from({ length: along }, (__, k) => {
      let sum = 0;
      for (let a = from; a < Math.min(to, across); a++)
        sum += lightAt(frame, upright ? a * columns + k : k * columns + a);
      return sum / (to - from);
    });
  });
}
