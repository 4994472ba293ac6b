import { luminanceOf, MID_LINEAR } from './tone';

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
  /** mean luminance of every row of pixels, and of every column */
  rowLight: Float64Array<ArrayBuffer>;
  columnLight: Float64Array<ArrayBuffer>;
  /** values of single pixels on a grid of places that is the same in every frame, red, green, blue: for the camera's curve */
  samples: Uint8Array<ArrayBuffer>;
}

/** Longest edge of the small picture, cells. */
const SMALL_EDGE = 960;
/** A channel at this value or above is clipped in a compressed picture; all at or under this are crushed [common practice]. */
export const [CLIPPED, CRUSHED] = [250, 3];
/** Places whose values are kept, across and down. */
export const SAMPLES = { across: 16, down: 12 } as const;

/** Steps of the table from luminance to bins: fine enough for ten stops under mid-grey. */
const STEPS = 65_535;

function binTable(most: number): Uint8Array {
  return Uint8Array.from({ length: STEPS + 1 }, (_, k) => {
    const stops = Math.log2(Math.max((k / STEPS) * most, 1e-9) / MID_LINEAR);
    const bin = Math.floor((stops - DARKEST_STOP) * BINS_A_STOP);
    return Math.min(HISTOGRAM_BINS - 1, Math.max(0, bin));
  });
}

/** Reads a picture strip by strip, so that no more than a strip of its pixels lies open at once. */
export class FrameReader {
  readonly cell: number;
  private readonly frame: FrameData;
  private readonly counts: Uint32Array;
  private readonly clippedPixels: Uint32Array;
  private readonly bins: Uint8Array;
  private readonly perLight: number;
  private clipped = 0;
  private crushed = 0;

  /** @param table  linear light by value of a channel */
  constructor(
    readonly width: number,
    readonly height: number,
    private readonly table: Float32Array,
  ) {
    const cell = Math.max(1, Math.ceil(Math.max(width, height) / SMALL_EDGE));
    const [columns, rows] = [Math.ceil(width / cell), Math.ceil(height / cell)];
    this.cell = cell;
    const most = Math.max(...table);
    this.bins = binTable(most);
    this.perLight = STEPS / most;
    this.counts = new Uint32Array(columns * rows);
    this.clippedPixels = new Uint32Array(columns * rows);
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
      samples: new Uint8Array(3 * SAMPLES.across * SAMPLES.down),
    };
  }

  /** Takes rows of pixels, four bytes each, from row `first` on. A kernel: every pixel of 24 million goes through here. */
  addInPlace(pixels: Uint8ClampedArray, first: number): void {
    const { frame, table, bins, perLight, cell, width, counts, clippedPixels } = this;
    const { columns, rgb, variance, histogram, rowLight, columnLight } = frame;
    const count = pixels.length / (4 * width);
    let clippedAll = 0;
    let crushedAll = 0;
    for (let row = 0; row < count; row++) {
      const y = first + row;
      const line = Math.floor(y / cell) * columns;
      let p = row * width * 4;
      let rowSum = 0;
      for (let column = 0, x = 0; column < columns; column++) {
        const end = Math.min(width, x + cell);
        const pixelsHere = end - x;
        let red = 0;
        let green = 0;
        let blue = 0;
        let square = 0;
        let clippedHere = 0;
        for (; x < end; x++, p += 4) {
          const a = pixels[p]!;
          const b = pixels[p + 1]!;
          const c = pixels[p + 2]!;
          const r = table[a]!;
          const g = table[b]!;
          const l = table[c]!;
          const light = 0.2126 * r + 0.7152 * g + 0.0722 * l;
          red += r;
          green += g;
          blue += l;
          square += light * light;
          rowSum += light;
          columnLight[x]! += light;
          histogram[bins[(light * perLight + 0.5) | 0]!]! += 1;
          if (a >= CLIPPED || b >= CLIPPED || c >= CLIPPED) clippedHere++;
          else if (a <= CRUSHED && b <= CRUSHED && c <= CRUSHED) crushedAll++;
        }
        const at = line + column;
        rgb[3 * at]! += red;
        rgb[3 * at + 1]! += green;
        rgb[3 * at + 2]! += blue;
        variance[at]! += square;
        counts[at]! += pixelsHere;
        clippedPixels[at]! += clippedHere;
        clippedAll += clippedHere;
      }
      rowLight[y] = rowSum / width;
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
    const { frame, counts, clippedPixels, width, height } = this;
    const { rgb, variance, clipped, histogram, columnLight } = frame;
    counts.forEach((count, at) => {
      for (let c = 0; c < 3; c++) rgb[3 * at + c]! /= count;
      const mean = luminanceOf(rgb[3 * at]!, rgb[3 * at + 1]!, rgb[3 * at + 2]!);
      variance[at] = Math.max(0, variance[at]! / count - mean * mean);
      clipped[at] = Math.round((255 * clippedPixels[at]!) / count);
    });
    const pixels = width * height;
    for (let bin = 0; bin < histogram.length; bin++) histogram[bin]! /= pixels;
    for (let x = 0; x < width; x++) columnLight[x]! /= height;
    return {
      ...frame,
      clippedShare: this.clipped / pixels,
      crushedShare: this.crushed / pixels,
    };
  }
}

/** Luminance of a cell. */
export const lightAt = ({ rgb }: Pick<FrameData, 'rgb'>, at: number): number =>
  luminanceOf(rgb[3 * at]!, rgb[3 * at + 1]!, rgb[3 * at + 2]!);
