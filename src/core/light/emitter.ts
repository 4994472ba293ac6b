import { prepareSpread, type Spread } from '../units/spread';
import type { Passage } from './controls';
import type { Vector } from './vector';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { floor, min } = Math;

/** One light-giving point of a resolved build; metres, build axes (light goes to +z). */
export interface Emitter {
  positionM: Vector;
  /** Unit vector the distribution is measured from. */
  axis: Vector;
  luminousFluxLm: number;
  spread: Spread;
  /** of the ball or the bit of tape that glows there: what a mirror shows of it */
  radiusM?: number;
}

/**
 * Emitters laid out for the kernel, ten numbers each:
 * x, y, z, axis x, axis y, axis z, then I(θ) = constant + linear·cos θ + sine·sin θ in cd, and an
 * exponent m. Where m > 0 the light goes to the front only and is linear·cos^m θ; where it is −1 − k it
 * goes all round and is linear·tables[k], by the angle.
 */
export interface EmitterField {
  data: Float64Array;
  count: number;
  tables: Float64Array[];
  /** what stands in the way of every emitter */
  controls: readonly Passage[];
}

export const STRIDE = 10;
/** Where an emitter keeps what; see `EmitterField`. */
export const COLUMNS = { axis: 3, constant: 6, linear: 7, sine: 8, exponent: 9 } as const;

/** Whether all of a field’s emitters send their light by Lambert’s law. */
export function isLambertian({ data, count }: EmitterField): boolean {
  for (let o = 0; o < count * STRIDE; o += STRIDE)
    if (data[o + COLUMNS.exponent] !== 1) return false;
  return true;
}

type Coefficients = readonly [constant: number, linear: number, sine: number, exponent: number];

type Formula = Exclude<Spread, { class: 'measured' }>;

function coefficients(spread: Formula): Coefficients {
  const { peakPerLm: peak, exponent } = prepareSpread(spread);
  switch (spread.class) {
    case 'omni':
      return [peak, 0, 0, 0];
    case 'forward':
      return [peak / 2, peak / 2, 0, 0];
    case 'side':
      return [0.35 * peak, 0, 0.65 * peak, 0];
    case 'tube':
      return [0, 0, peak, 0];
    case 'lambert':
    case 'reflector':
      return [0, peak, 0, exponent];
  }
}

export function packEmitters(
  emitters: readonly Emitter[],
  controls: readonly Passage[] = [],
): EmitterField {
  const data = new Float64Array(emitters.length * STRIDE);
  const tables: Float64Array[] = [];
  const places = new Map<object, number>();
  emitters.forEach(({ positionM, axis, luminousFluxLm, spread }, i) => {
    const at = i * STRIDE;
    data.set(positionM, at);
    data.set(axis, at + COLUMNS.axis);
    if (spread.class === 'measured') {
      const place = places.get(spread) ?? places.size;
      if (place === places.size) {
        places.set(spread, place);
        tables.push(Float64Array.from(prepareSpread(spread).table));
      }
      data[at + COLUMNS.linear] = luminousFluxLm;
      data[at + COLUMNS.exponent] = -1 - place;
      return;
    }
    const [constant, linear, sine, exponent] = coefficients(spread);
    data[at + COLUMNS.constant] = constant * luminousFluxLm;
    data[at + COLUMNS.linear] = linear * luminousFluxLm;
    data[at + COLUMNS.sine] = sine * luminousFluxLm;
    data[at + COLUMNS.exponent] = exponent;
  });
  return {
    data,
    count: emitters.length,
    tables,
    controls,
  };
}

/** Value of a table at a share of its length, 0…1. */
export function tableAt(table: Float64Array, share: number): number {
  const place = share * (table.length - 1);
  const low = min(table.length - 2, floor(place));
  return table[low]! + (table[low + 1]! - table[low]!) * (place - low);
}
