import type { Passage } from '../controls';
import type { Emitter } from '../emitter';
import type { Arrangement, SurfaceShape } from '../transport/arrangement';

/**
 * A tracer of the tests’ own: photons one by one in plain vectors, counted where they meet a disc outside. It shares no
 * line with the engines; the law it follows is that of docs/model/transport.md.
 */
type V = [number, number, number];

const add = (a: V, b: V, by = 1): V => [a[0] + by * b[0], a[1] + by * b[1], a[2] + by * b[2]];
const dot = (a: V, b: V): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: V, b: V): V => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
const unit = (a: V): V => add([0, 0, 0], a, 1 / Math.hypot(...a));

/** Seeded numbers [Marsaglia 2003, xorshift; from memory]. */
export function numbers(seed: number): () => number {
  let x = seed;
  return () => {
    x ^= x << 13;
    x ^= x >>> 17;
    x ^= x << 5;
    return (x >>> 0) / 2 ** 32;
  };
}

type Next = () => number;

/** A direction at an angle to another, turned anyhow. */
function about(axis: V, cosine: number, next: Next): V {
  const helper: V = Math.abs(axis[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0];
  const u = unit(cross(axis, helper));
  const v = cross(axis, u);
  const [sine, turn] = [Math.sqrt(Math.max(0, 1 - cosine * cosine)), 2 * Math.PI * next()];
  const across = add(add([0, 0, 0], u, sine * Math.cos(turn)), v, sine * Math.sin(turn));
  return add(across, axis, cosine);
}

interface Meeting {
  t: number;
  normal: V;
}

const NEAR = 1e-7;

/** Where a way meets a surface, nearest first; null where it does not. */
function meets(shape: SurfaceShape, p: V, d: V): Meeting | null {
  const found = candidates(shape, p, d).filter(({ t }) => t > NEAR);
  return found.length ? found.reduce((a, b) => (b.t < a.t ? b : a)) : null;
}

function candidates(shape: SurfaceShape, p: V, d: V): Meeting[] {
  switch (shape.kind) {
    case 'polygon': {
      const corners = shape.points as readonly V[];
      const normal = unit(
        cross(add(corners[1]!, corners[0]!, -1), add(corners[2]!, corners[0]!, -1)),
      );
      const t = dot(add(corners[0]!, p, -1), normal) / dot(d, normal);
      const at = add(p, d, t);
      const inside = corners.every((corner, k) => {
        const edge = add(corners[(k + 1) % corners.length]!, corner, -1);
        return dot(cross(edge, add(at, corner, -1)), normal) >= -1e-12;
      });
      return Number.isFinite(t) && inside ? [{ t, normal }] : [];
    }
    case 'disc': {
      const t = (shape.zM - p[2]) / d[2];
      const [x, y] = add(p, d, t);
      const r = Math.hypot(x, y);
      const on = r >= shape.innerRadiusM && r <= shape.outerRadiusM + 1e-9;
      return Number.isFinite(t) && on ? [{ t, normal: [0, 0, 1] }] : [];
    }
    case 'cap': {
      const from: V = [p[0], p[1], p[2] - shape.centreZM];
      const b = dot(from, d);
      const root = Math.sqrt(b * b - dot(from, from) + shape.radiusM ** 2);
      return [-b - root, -b + root].flatMap((t): Meeting[] => {
        const at = add(p, d, t);
        if (!(at[2] >= shape.fromZM && at[2] <= shape.toZM)) return [];
        return [{ t, normal: unit([at[0], at[1], at[2] - shape.centreZM]) }];
      });
    }
    case 'cone': {
      const along = shape.axis === 'z' ? 2 : 1;
      const across = shape.axis === 'z' ? 1 : 2;
      const slope = (shape.toRadiusM - shape.fromRadiusM) / (shape.toM - shape.fromM);
      const r = shape.fromRadiusM + slope * (p[along] - shape.fromM);
      const a = d[0] ** 2 + d[across] ** 2 - (slope * d[along]) ** 2;
      const b = p[0] * d[0] + p[across] * d[across] - slope * r * d[along];
      const c = p[0] ** 2 + p[across] ** 2 - r * r;
      const root = Math.sqrt(b * b - a * c);
      return [(-b - root) / a, (-b + root) / a].flatMap((t): Meeting[] => {
        const at = add(p, d, t);
        const on = at[along] >= shape.fromM && at[along] <= shape.toM;
        if (!on || r + slope * t * d[along] < 0) return [];
        const normal: V = [at[0], 0, 0];
        normal[across] = at[across];
        normal[along] = -slope * Math.hypot(at[0], at[across]);
        return [{ t, normal: unit(normal) }];
      });
    }
  }
}

/** Sends a photon from a lamp: where from, and which way. */
function sent({ positionM, axis, spread, radiusM = 0.01 }: Emitter, next: Next): { p: V; d: V } {
  const own = axis as V;
  const face = spread.class === 'lambert' || spread.class === 'reflector';
  const d = wayOf(own, spread, next);
  const off = add([0, 0, 0], about(face ? own : d, 0, next), radiusM * Math.sqrt(next()));
  // A face stands a hair before the wall it is fixed to.
  const before = face ? Math.min(0.003, radiusM / 4) : 0;
  return { p: add(add(positionM as V, off), own, before), d };
}

function wayOf(axis: V, spread: Emitter['spread'], next: Next): V {
  switch (spread.class) {
    case 'lambert':
      return about(axis, Math.sqrt(next()), next);
    case 'reflector': {
      const m = Math.log(0.5) / Math.log(Math.cos((spread.beamAngleDeg * Math.PI) / 360));
      return about(axis, next() ** (1 / (m + 1)), next);
    }
    case 'measured':
      throw new Error('no measured spreads here');
    default:
      for (;;) {
        const cosine = 2 * next() - 1;
        const sine = Math.sqrt(1 - cosine * cosine);
        const level = { omni: 1, forward: (1 + cosine) / 2, side: 0.35 + 0.65 * sine, tube: sine };
        if (next() < level[spread.class]) return about(axis, cosine, next);
      }
  }
}

const mirrored = (d: V, normal: V): V => add(d, normal, -2 * dot(d, normal));

/** Follows a photon until it has left or is taken: its last place and way, or null. */
function followed({ surfaces }: Arrangement, start: { p: V; d: V }, next: Next) {
  let { p, d } = start;
  for (let step = 0; step < 2000; step++) {
    let best: (Meeting & { k: number }) | null = null;
    for (let k = 0; k < surfaces.length; k++) {
      const found = meets(surfaces[k]!.shape, p, d);
      if (found && (!best || found.t < best.t)) best = { ...found, k };
    }
    if (!best) return null;
    p = add(p, d, best.t);
    const { matter } = surfaces[best.k]!;
    // Towards where it came from.
    const normal = dot(best.normal, d) > 0 ? add([0, 0, 0], best.normal, -1) : best.normal;
    const draw = next();
    if (matter.kind === 'wall') {
      if (draw >= matter.reflectance) return null;
      d =
        draw < matter.reflectance * matter.mirrorShare
          ? mirrored(d, normal)
          : about(normal, Math.sqrt(next()), next);
      continue;
    }
    const { transmittance, backReflectance, spreadDeg } = matter;
    const clear = spreadDeg < 0.5;
    if (draw >= transmittance + backReflectance) return null;
    if (draw >= transmittance) {
      d = clear ? mirrored(d, normal) : about(normal, Math.sqrt(next()), next);
      continue;
    }
    const on = add([0, 0, 0], normal, -1);
    if (spreadDeg >= 110) d = about(on, Math.sqrt(next()), next);
    else if (!clear) {
      const m = Math.log(0.5) / Math.log(Math.cos((spreadDeg * Math.PI) / 360));
      d = about(d, next() ** (1 / (m + 1)), next);
      if (dot(d, on) < 0) d = mirrored(d, on);
    }
    if (matter.leads === 'out') return { p, d };
  }
  return null;
}

/**
 * Photons counted at a disc across the axis: lux, and its standard error.
 * @param zM, radiusM  where the disc lies
 */
export function countedLx(
  room: Arrangement,
  passages: readonly Passage[],
  zM: number,
  radiusM: number,
  photons: number,
  seed = 20261126,
): { value: number; standardError: number } {
  const next = numbers(seed);
  const lit = room.emitters.filter(({ luminousFluxLm }) => luminousFluxLm > 0);
  const sums = lit.reduce<number[]>(
    (all, { luminousFluxLm }) => [...all, (all.at(-1) ?? 0) + luminousFluxLm],
    [],
  );
  const whole = sums.at(-1)!;
  let [sum, squares] = [0, 0];
  for (let photon = 0; photon < photons; photon++) {
    const draw = next() * whole;
    const lamp = lit[sums.findIndex((to) => draw < to)]!;
    const out = followed(room, sent(lamp, next), next);
    if (!out || out.d[2] <= 0) continue;
    const at = add(out.p, out.d, (zM - out.p[2]) / out.d[2]);
    if (at[2] < out.p[2] || Math.hypot(at[0], at[1]) > radiusM) continue;
    const passed = passages.reduce((share, passage) => share * passage(...out.p, ...at), 1);
    sum += passed;
    squares += passed * passed;
  }
  const each = whole / photons / (Math.PI * radiusM ** 2);
  return { value: sum * each, standardError: Math.sqrt(squares) * each };
}
