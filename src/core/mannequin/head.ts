/**
 * A plain mannequin's head and shoulders as a signed distance, metres: negative inside. The face's middle
 * is the origin, +z is where it looks, +y up, +x its left. Ellipsoids and rounded sticks run into one
 * another, sizes of a grown head [std: ISO 7250 head breadth and length, rounded; from memory].
 */

/** Union (+) or carving (−) of one shape, its seam run over `k`; `both` stands left and right. */
interface Part {
  op: '+' | '-';
  k: number;
  both?: true;
  ball?: readonly [x: number, y: number, z: number, a: number, b: number, c: number];
  stick?: readonly [
    ax: number,
    ay: number,
    az: number,
    bx: number,
    by: number,
    bz: number,
    r: number,
  ];
}

const FACE: readonly Part[] = [
  // Skull and face.
  { op: '+', k: 0.01, ball: [0, 0.05, -0.072, 0.074, 0.09, 0.094] },
  { op: '+', k: 0.045, ball: [0, -0.028, -0.03, 0.0565, 0.072, 0.06] },
  // Cheeks, cheekbones, jaw and chin.
  { op: '+', k: 0.03, both: true, ball: [0.03, -0.04, -0.012, 0.026, 0.036, 0.034] },
  { op: '+', k: 0.03, both: true, ball: [0.043, -0.004, 0.0, 0.022, 0.019, 0.022] },
  {
    op: '+',
    k: 0.04,
    both: true,
    stick: [0.048, -0.052, -0.045, 0.016, -0.09, 0.006, 0.012],
  },
  { op: '+', k: 0.026, ball: [0, -0.089, 0.016, 0.021, 0.014, 0.014] },
  // Brow over the socket.
  { op: '+', k: 0.02, both: true, stick: [0.014, 0.036, 0.026, 0.043, 0.039, 0.01, 0.006] },
  { op: '-', k: 0.014, both: true, ball: [0.031, 0.0195, 0.0365, 0.017, 0.011, 0.0145] },
  // Nose: ridge, tip, wings, nostrils.
  { op: '+', k: 0.016, stick: [0, 0.026, 0.0245, 0, -0.014, 0.0445, 0.0068] },
  { op: '+', k: 0.01, ball: [0, -0.0185, 0.0445, 0.0095, 0.0082, 0.0092] },
  { op: '+', k: 0.008, both: true, ball: [0.0105, -0.022, 0.0335, 0.0062, 0.006, 0.009] },
  { op: '-', k: 0.003, both: true, ball: [0.006, -0.0285, 0.04, 0.003, 0.003, 0.005] },
  // Lips and the line between them.
  { op: '+', k: 0.011, ball: [0, -0.0485, 0.026, 0.021, 0.005, 0.0078] },
  { op: '+', k: 0.011, ball: [0, -0.0585, 0.0255, 0.0175, 0.0062, 0.0082] },
  {
    op: '-',
    k: 0.004,
    both: true,
    stick: [0, -0.0534, 0.0345, 0.0205, -0.0548, 0.0245, 0.001],
  },
];

const BELOW: readonly Part[] = [
  { op: '+', k: 0.012, both: true, ball: [0.077, 0.008, -0.062, 0.0095, 0.03, 0.017] },
  { op: '+', k: 0.03, stick: [0, -0.07, -0.062, 0, -0.2, -0.078, 0.051] },
  { op: '+', k: 0.035, both: true, stick: [0, -0.222, -0.085, 0.15, -0.258, -0.088, 0.058] },
  { op: '+', k: 0.06, ball: [0, -0.37, -0.075, 0.185, 0.17, 0.115] },
];

export const EYE = { x: 0.0315, y: 0.0195, z: 0.0195, radius: 0.0122 } as const;
/** Everything lies within this of `CENTRE`, shoulders included. */
export const CENTRE = [0, -0.13, -0.07] as const;
export const REACH = 0.37;

/** Lids: a shell over the eyeball with an almond left open. */
const LID_M = 0.0012;
const LID_SEAM_M = 0.008;
const ALMOND = { y: -0.0006, z: 0.012, a: 0.0116, b: 0.0044, c: 0.012 } as const;

const STRIDE = 16;
const LIDS_AFTER = FACE.findIndex(({ stick, op }) => stick && op === '+' && stick[6] === 0.0068);

/** Parts as numbers; a ball keeps one over its radii where a stick keeps its start. */
const [CARVING, SEAM, BOTH, IS_STICK, MIDDLE, REACHES] = [0, 1, 2, 3, 4, 7];
const BY_RADII = 8;
/** A stick: where it starts, its way, its radius and one over its squared length. */
const [START, WAY, RADIUS, BY_LENGTH] = [8, 11, 14, 15];
const TABLE = packed([...FACE, ...BELOW]);

function packed(parts: readonly Part[]): Float64Array {
  const data = new Float64Array(parts.length * STRIDE);
  parts.forEach(({ op, k, both, ball, stick }, i) => {
    const at = i * STRIDE;
    data.set([op === '-' ? 1 : 0, k, both ? 1 : 0, stick ? 1 : 0], at);
    if (ball) {
      const [x, y, z, a, b, c] = ball;
      data.set([x, y, z, Math.max(a, b, c), 1 / a, 1 / b, 1 / c], at + 4);
    }
    if (stick) {
      const [ax, ay, az, bx, by, bz, r] = stick;
      const [dx, dy, dz] = [bx - ax, by - ay, bz - az];
      const squared = dx * dx + dy * dy + dz * dz;
      data.set(
        [
          (ax + bx) / 2,
          (ay + by) / 2,
          (az + bz) / 2,
          Math.sqrt(squared) / 2 + r,
          ax,
          ay,
          az,
          dx,
          dy,
          dz,
          r,
          1 / squared,
        ],
        at + 4,
      );
    }
  });
  return data;
}

const { abs, max, min, sqrt } = Math;
/** Left and right are one fold, rounded a little so that no crease runs down the middle. */
const FOLD = 0.004 ** 2;

/**
 * Distance to skin and shirt together, without the eyeballs. One loop over a table on purpose: calls that
 * are not inlined hand their numbers over on the heap, and this runs a million times for a picture.
 */
export function bodyDistance(x: number, y: number, z: number): number {
  const data = TABLE;
  const fold = sqrt(x * x + FOLD);
  let d = 1;
  for (let o = 0, part = 0; o < data.length; o += STRIDE, part++) {
    const px = data[o + BOTH]! === 1 ? fold : x;
    const carving = data[o + CARVING]! === 1;
    const k = data[o + SEAM]!;
    const mx = px - data[o + MIDDLE]!;
    const my = y - data[o + MIDDLE + 1]!;
    const mz = z - data[o + MIDDLE + 2]!;
    // What is too far off to matter is passed over.
    const near = data[o + REACHES]! + 2 * k + (carving ? 0 : max(0, d));
    if (part > 0 && mx * mx + my * my + mz * mz > near * near) {
      if (part === LIDS_AFTER) d = withLids(d, fold, y, z);
      continue;
    }
    let own: number;
    if (data[o + IS_STICK]! === 1) {
      const sx = px - data[o + START]!;
      const sy = y - data[o + START + 1]!;
      const sz = z - data[o + START + 2]!;
      const t =
        (sx * data[o + WAY]! + sy * data[o + WAY + 1]! + sz * data[o + WAY + 2]!) *
        data[o + BY_LENGTH]!;
      const c = t < 0 ? 0 : t > 1 ? 1 : t;
      const ex = sx - c * data[o + WAY]!;
      const ey = sy - c * data[o + WAY + 1]!;
      const ez = sz - c * data[o + WAY + 2]!;
      own = sqrt(ex * ex + ey * ey + ez * ez) - data[o + RADIUS]!;
    } else {
      const ix = data[o + BY_RADII]!;
      const iy = data[o + BY_RADII + 1]!;
      const iz = data[o + BY_RADII + 2]!;
      const u = mx * ix;
      const v = my * iy;
      const w = mz * iz;
      const level = sqrt(u * u + v * v + w * w);
      const steep = sqrt(u * u * ix * ix + v * v * iy * iy + w * w * iz * iz);
      own = steep < 1e-9 ? -1 / max(ix, iy, iz) : (level * (level - 1)) / steep;
    }
    if (carving) {
      const h = max(k - abs(d + own), 0) / k;
      d = max(d, -own) + h * h * k * 0.25;
    } else {
      const h = max(k - abs(d - own), 0) / k;
      d = min(d, own) - h * h * k * 0.25;
    }
    if (part === LIDS_AFTER) d = withLids(d, fold, y, z);
  }
  return d;
}

function withLids(d: number, fold: number, y: number, z: number): number {
  const x = fold - EYE.x;
  const up = y - EYE.y;
  const out = z - EYE.z;
  const away = sqrt(x * x + up * up + out * out);
  if (away > EYE.radius + LID_M + max(0, d) + LID_SEAM_M) return d;
  const u = x / ALMOND.a;
  const v = (up - ALMOND.y) / ALMOND.b;
  const w = (out - ALMOND.z) / ALMOND.c;
  const level = sqrt(u * u + v * v + w * w);
  const steep = sqrt((u * u) / ALMOND.a ** 2 + (v * v) / ALMOND.b ** 2 + (w * w) / ALMOND.c ** 2);
  const open = steep < 1e-9 ? -ALMOND.b : (level * (level - 1)) / steep;
  const shell = max(away - EYE.radius - LID_M, -open);
  const h = max(LID_SEAM_M - abs(d - shell), 0) / LID_SEAM_M;
  return min(d, shell) - h * h * LID_SEAM_M * 0.25;
}

export function eyeDistance(x: number, y: number, z: number): number {
  const s = abs(x) - EYE.x;
  const up = y - EYE.y;
  const out = z - EYE.z;
  return sqrt(s * s + up * up + out * out) - EYE.radius;
}

/** Distance to the whole figure. */
export const headDistance = (x: number, y: number, z: number): number =>
  min(bodyDistance(x, y, z), eyeDistance(x, y, z));

/** Below this the mannequin wears a shirt: a round neckline. */
export const wearsShirt = (x: number, y: number, z: number): boolean =>
  y < -0.185 - 0.35 * max(0, z + 0.05) + x * x;
