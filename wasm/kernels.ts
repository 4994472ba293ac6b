// AssemblyScript: WebAssembly's own types, four 32-bit numbers at a time. The callers' TypeScript twins say what it does.
// Places are bytes of the one memory, laid out by src/core/wasm/native.ts.

/**
 * What leaves a partial layer by each direction, of what passes it: each node's light times its lobe, a row of nodes.
 * `leavingOf` in src/core/light/field/layerGrid.ts.
 */
export function turnLobes(
  cells: i32,
  square: i32,
  nodes: i32,
  passing: usize,
  places: usize,
  first: usize,
  past: usize,
  starts: usize,
  weights: usize,
  row: usize,
  out: usize,
): void {
  for (let cell = 0; cell < cells; cell++) {
    const base = <usize>(cell * square * 4);
    memory.fill(row, 0, <usize>(nodes * 4));
    for (let k = 0; k < nodes; k++) {
      const light = load<f32>(passing + base + <usize>(load<i32>(places + <usize>(k * 4)) * 4));
      if (light == 0) continue;
      const from = load<i32>(first + <usize>(k * 4));
      const count = load<i32>(past + <usize>(k * 4)) - from;
      let to = row + <usize>(from * 4);
      let by = weights + <usize>(load<i32>(starts + <usize>(k * 4)) * 4);
      const four = f32x4.splat(light);
      let j = 0;
      for (; j + 4 <= count; j += 4) {
        v128.store(to, f32x4.add(v128.load(to), f32x4.mul(four, v128.load(by))));
        to += 16;
        by += 16;
      }
      for (; j < count; j++) {
        store<f32>(to, load<f32>(to) + light * load<f32>(by));
        to += 4;
        by += 4;
      }
    }
    for (let k = 0; k < nodes; k++)
      store<f32>(
        out + base + <usize>(load<i32>(places + <usize>(k * 4)) * 4),
        load<f32>(row + <usize>(k * 4)),
      );
  }
}

/**
 * Illuminance of Lambertian sources at points of surfaces, four points at a time: Φ·cos·cos/(π d²). `emitterLx` in
 * src/core/light/illuminance.ts, summed.
 * @param points  x, y, z and the unit normal’s x, y, z, each a row of `count` numbers; a multiple of four
 * @param sources  place, axis, and intensity along it: seven numbers each
 */
export function lambertSums(
  count: i32,
  points: usize,
  sources: usize,
  sourceCount: i32,
  out: usize,
): void {
  const row = <usize>(count * 4);
  const zero = f32x4.splat(0);
  for (let k = 0; k < count; k += 4) {
    const at = points + <usize>(k * 4);
    const px = v128.load(at);
    const py = v128.load(at + row);
    const pz = v128.load(at + row * 2);
    const nx = v128.load(at + row * 3);
    const ny = v128.load(at + row * 4);
    const nz = v128.load(at + row * 5);
    let sum = zero;
    for (let s = 0, o = sources; s < sourceCount; s++, o += 28) {
      const dx = f32x4.sub(px, v128.load32_splat(o));
      const dy = f32x4.sub(py, v128.load32_splat(o, 4));
      const dz = f32x4.sub(pz, v128.load32_splat(o, 8));
      const facing = f32x4.max(
        zero,
        f32x4.neg(f32x4.add(f32x4.add(f32x4.mul(dx, nx), f32x4.mul(dy, ny)), f32x4.mul(dz, nz))),
      );
      const along = f32x4.max(
        zero,
        f32x4.add(
          f32x4.add(
            f32x4.mul(dx, v128.load32_splat(o, 12)),
            f32x4.mul(dy, v128.load32_splat(o, 16)),
          ),
          f32x4.mul(dz, v128.load32_splat(o, 20)),
        ),
      );
      const squared = f32x4.add(f32x4.add(f32x4.mul(dx, dx), f32x4.mul(dy, dy)), f32x4.mul(dz, dz));
      const lit = f32x4.mul(f32x4.mul(along, facing), v128.load32_splat(o, 24));
      sum = f32x4.add(sum, f32x4.div(lit, f32x4.mul(squared, squared)));
    }
    v128.store(out + <usize>(k * 4), sum);
  }
}

/**
 * Illuminance at a point of a surface from a mouth whose cells tell what they send where: cubics over sixteen nodes of each
 * cell’s table. `toldLx` in src/core/light/field/told.ts, for a mouth with nothing before it.
 * @param poses  of each cell: place, way out, two directions across it: twelve 64-bit numbers, then 1 where it has area
 */
export function toldSum(
  cells: i32,
  nodes: i32,
  poses: usize,
  table: usize,
  px: f64,
  py: f64,
  pz: f64,
  nx: f64,
  ny: f64,
  nz: f64,
): f64 {
  const half = <f64>(nodes - 1) / 2;
  const most = nodes - 3;
  const square = <usize>(nodes * nodes * 4);
  const line = <usize>(nodes * 4);
  let sum: f64 = 0;
  for (let cell = 0; cell < cells; cell++, poses += 104, table += square) {
    const dx = px - load<f64>(poses);
    const dy = py - load<f64>(poses, 8);
    const dz = pz - load<f64>(poses, 16);
    const facing = -(dx * nx + dy * ny + dz * nz);
    if (facing <= 0 || load<f64>(poses, 96) == 0) continue;
    const along = dx * load<f64>(poses, 24) + dy * load<f64>(poses, 32) + dz * load<f64>(poses, 40);
    if (along <= 0) continue;
    const squared = dx * dx + dy * dy + dz * dz;
    const d = Math.sqrt(squared);
    const u =
      (dx * load<f64>(poses, 48) + dy * load<f64>(poses, 56) + dz * load<f64>(poses, 64)) / d;
    const v =
      (dx * load<f64>(poses, 72) + dy * load<f64>(poses, 80) + dz * load<f64>(poses, 88)) / d;
    const a = (u + 1) * half;
    const b = (v + 1) * half;
    const i = max(1, min(most, <i32>Math.floor(a)));
    const j = max(1, min(most, <i32>Math.floor(b)));
    const s = <f32>(a - <f64>i);
    const t = <f32>(b - <f64>j);
    // Lagrange’s weights of nodes at −1, 0, 1 and 2.
    const across = f32x4(
      (-s * (s - 1) * (s - 2)) / 6,
      ((s + 1) * (s - 1) * (s - 2)) / 2,
      (-(s + 1) * s * (s - 2)) / 2,
      ((s + 1) * s * (s - 1)) / 6,
    );
    const first = table + <usize>(((j - 1) * nodes + i - 1) * 4);
    const r0 = f32x4.mul(v128.load(first), f32x4.splat((-t * (t - 1) * (t - 2)) / 6));
    const r1 = f32x4.mul(v128.load(first + line), f32x4.splat(((t + 1) * (t - 1) * (t - 2)) / 2));
    const r2 = f32x4.mul(v128.load(first + line * 2), f32x4.splat((-(t + 1) * t * (t - 2)) / 2));
    const r3 = f32x4.mul(v128.load(first + line * 3), f32x4.splat(((t + 1) * t * (t - 1)) / 6));
    const all = f32x4.mul(across, f32x4.add(f32x4.add(r0, r1), f32x4.add(r2, r3)));
    const cd =
      f32x4.extract_lane(all, 0) +
      f32x4.extract_lane(all, 1) +
      f32x4.extract_lane(all, 2) +
      f32x4.extract_lane(all, 3);
    if (cd > 0) sum += (<f64>cd * facing) / (squared * d);
  }
  return sum;
}
