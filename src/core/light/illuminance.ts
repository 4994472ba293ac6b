import { STRIDE, tableAt, type EmitterField, type Vector } from './emitter';

/**
 * Illuminance in lux at a point on a surface with the given unit normal:
 * E = Σ I(θ)·cos β / d² (photometric law of distance, each emitter a point).
 * What stands in the way takes its share of each emitter. Emitters behind the receiver's horizon add nothing. Coincident points add nothing.
 */
export function illuminanceLx(field: EmitterField, pointM: Vector, normal: Vector): number {
  const { data, count, tables, controls } = field;
  const clear = controls.length === 0;
  const stride = STRIDE;
  const [px, py, pz] = pointM;
  const [nx, ny, nz] = normal;
  let total = 0;
  const share = (o: number): number => {
    let passed = 1;
    for (let k = 0; k < controls.length && passed > 0; k++)
      passed *= controls[k]!(data[o]!, data[o + 1]!, data[o + 2]!, px, py, pz);
    return passed;
  };
  for (let i = 0, o = 0; i < count; i++, o += stride) {
    const dx = px - data[o]!;
    const dy = py - data[o + 1]!;
    const dz = pz - data[o + 2]!;
    const facing = -(dx * nx + dy * ny + dz * nz);
    if (facing <= 0) continue;
    const squared = dx * dx + dy * dy + dz * dz;
    const along = dx * data[o + 3]! + dy * data[o + 4]! + dz * data[o + 5]!;
    const exponent = data[o + 9]!;
    if (exponent === 1) {
      // Lambertian, the commonest by far: both cosines over d² need no root.
      if (along > 0)
        total += ((data[o + 7]! * along * facing) / (squared * squared)) * (clear ? 1 : share(o));
      continue;
    }
    const distance = Math.sqrt(squared);
    const cosine = along / distance;
    let intensity = data[o + 6]! + data[o + 7]! * cosine;
    const sine = data[o + 8]!;
    if (sine > 0) intensity += sine * Math.sqrt(Math.max(0, 1 - cosine * cosine));
    if (exponent !== 0) {
      if (cosine <= 0) continue;
      intensity =
        data[o + 7]! *
        (exponent > 0 ? cosine ** exponent : tableAt(tables[-1 - exponent]!, cosine));
    }
    total += ((intensity * facing) / (distance * squared)) * (clear ? 1 : share(o));
  }
  return total;
}
