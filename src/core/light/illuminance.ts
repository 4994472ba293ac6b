import type { Vector } from './vector';
import { COLUMNS, STRIDE, tableAt, type EmitterField } from './emitter';

// Bound to this module: bundlers read an imported name off its module at every use, millions of times here.
const PER_EMITTER = STRIDE;
const readTable = tableAt;
const { axis: AXIS, constant: CONSTANT, linear: LINEAR, sine: SINE, exponent: EXPONENT } = COLUMNS;
// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { acos, max, min, sqrt } = Math;

/**
 * Illuminance in lux that one emitter of a field gives at a point on a surface of given unit normal:
 * E = I(θ)·cos β / d² (photometric law of distance, the emitter a point). Behind the receiver's horizon,
 * or at the emitter itself, it adds nothing. What stands in the way is not looked at.
 * @param o place of the emitter in the field's data
 */
export function emitterLx(
  { data, tables }: EmitterField,
  o: number,
  px: number,
  py: number,
  pz: number,
  nx: number,
  ny: number,
  nz: number,
): number {
  const dx = px - data[o]!;
  const dy = py - data[o + 1]!;
  const dz = pz - data[o + 2]!;
  const facing = -(dx * nx + dy * ny + dz * nz);
  if (facing <= 0) return 0;
  const squared = dx * dx + dy * dy + dz * dz;
  const along = dx * data[o + AXIS]! + dy * data[o + AXIS + 1]! + dz * data[o + AXIS + 2]!;
  const exponent = data[o + EXPONENT]!;
  // Lambertian, the commonest by far: both cosines over d² need no root.
  if (exponent === 1)
    return along > 0 ? (data[o + LINEAR]! * along * facing) / (squared * squared) : 0;
  const distance = sqrt(squared);
  const cosine = along / distance;
  let intensity = data[o + CONSTANT]! + data[o + LINEAR]! * cosine;
  const sine = data[o + SINE]!;
  if (sine > 0) intensity += sine * sqrt(max(0, 1 - cosine * cosine));
  if (exponent < 0) {
    const angle = acos(min(1, max(-1, cosine)));
    intensity = data[o + LINEAR]! * readTable(tables[-1 - exponent]!, angle / Math.PI);
  } else if (exponent > 0) {
    if (cosine <= 0) return 0;
    intensity = data[o + LINEAR]! * cosine ** exponent;
  }
  return (intensity * facing) / (distance * squared);
}

/** Share of an emitter's light that gets past what stands in the way, 0…1. */
export function emitterPasses(
  { data, controls }: EmitterField,
  o: number,
  px: number,
  py: number,
  pz: number,
): number {
  let passed = 1;
  for (let k = 0; k < controls.length && passed > 0; k++)
    passed *= controls[k]!(data[o]!, data[o + 1]!, data[o + 2]!, px, py, pz);
  return passed;
}

/** Illuminance in lux of a whole field at a point on a surface with the given unit normal. */
export function illuminanceLx(field: EmitterField, pointM: Vector, normal: Vector): number {
  const [px, py, pz] = pointM;
  const [nx, ny, nz] = normal;
  const clear = field.controls.length === 0;
  let total = 0;
  for (let o = 0; o < field.count * PER_EMITTER; o += PER_EMITTER) {
    const lx = emitterLx(field, o, px, py, pz, nx, ny, nz);
    total += clear || lx === 0 ? lx : lx * emitterPasses(field, o, px, py, pz);
  }
  return total;
}
