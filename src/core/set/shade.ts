import type { Emitter } from '../light/emitter';
import type { Vector } from '../light/vector';

/** What may hang round a bulb that stands in the picture: what cloth and paper send back and let through [typ: from memory]. */
export const SHADES = {
  none: { name: 'none' },
  drum: {
    name: 'cloth drum, 30 × 20 cm',
    radiusM: 0.15,
    heightM: 0.2,
    reflectance: 0.5,
    passes: 0.35,
  },
  globe: { name: 'paper globe, 40 cm', radiusM: 0.2, reflectance: 0.5, passes: 0.4 },
} as const;
export type ShadeId = keyof typeof SHADES;

export interface Shaded {
  emitters: Emitter[];
  widthM: number;
  heightM: number;
}

const RINGS = 4;
const AROUND = 12;
const lambert = (positionM: Vector, axis: Vector, luminousFluxLm: number): Emitter => ({
  positionM,
  axis,
  luminousFluxLm,
  spread: { class: 'lambert' },
});

/**
 * Where the light of a bulb in the middle of an open drum goes: through its side, and out by both ends, straight and by way of the cloth.
 * Shares of its lumens; what is missing to 1 stays in the cloth. Side and ends exchange as an even cylinder [std: view factor of two
 * discs that face each other, standard radiation tables].
 */
export function drumShares({ radiusM, heightM, reflectance, passes }: typeof SHADES.drum) {
  const toEnds = 1 - Math.cos(Math.atan2(radiusM, heightM / 2));
  const x = 2 + (heightM / radiusM) ** 2;
  const endToEnd = (x - Math.sqrt(x * x - 4)) / 2;
  const sideToEnds = ((1 - endToEnd) * radiusM) / heightM;
  const onSide = (1 - toEnds) / (1 - reflectance * (1 - sideToEnds));
  return { side: passes * onSide, ends: toEnds + reflectance * sideToEnds * onSide };
}

/** Upright: its axis is the light's own y. */
function drum(luminousFluxLm: number): Shaded {
  const { radiusM, heightM } = SHADES.drum;
  const shares = drumShares(SHADES.drum);
  const ring = Array.from({ length: AROUND }, (_, k) => (2 * Math.PI * (k + 0.5)) / AROUND);
  const side = ring.flatMap((angle) =>
    Array.from({ length: RINGS }, (_, k) => {
      const axis: Vector = [Math.sin(angle), 0, Math.cos(angle)];
      const y = ((k + 0.5) / RINGS - 0.5) * heightM;
      return lambert(
        [radiusM * axis[0], y, radiusM * axis[2]],
        axis,
        (shares.side * luminousFluxLm) / (AROUND * RINGS),
      );
    }),
  );
  // Half of an end's area lies within 0.71 of its radius.
  const ends = [-1, 1].flatMap((up) =>
    ring.map((angle) =>
      lambert(
        [0.71 * radiusM * Math.sin(angle), (up * heightM) / 2, 0.71 * radiusM * Math.cos(angle)],
        [0, up, 0],
        (shares.ends * luminousFluxLm) / (2 * AROUND),
      ),
    ),
  );
  return { emitters: [...side, ...ends], widthM: 2 * radiusM, heightM };
}

const ON_GLOBE = 48;
/** Places evenly over a ball: one turn of the golden angle after another. */
const GOLDEN = Math.PI * (3 - Math.sqrt(5));

/** A closed ball that glows evenly: what it sends back it sends to itself, until it is through. */
function globe(luminousFluxLm: number): Shaded {
  const { radiusM, reflectance, passes } = SHADES.globe;
  const through = (passes / (1 - reflectance)) * luminousFluxLm;
  const emitters = Array.from({ length: ON_GLOBE }, (_, k) => {
    const y = 1 - (2 * (k + 0.5)) / ON_GLOBE;
    const level = Math.sqrt(1 - y * y);
    const axis: Vector = [level * Math.sin(k * GOLDEN), y, level * Math.cos(k * GOLDEN)];
    return lambert(
      [radiusM * axis[0], radiusM * axis[1], radiusM * axis[2]],
      axis,
      through / ON_GLOBE,
    );
  });
  return { emitters, widthM: 2 * radiusM, heightM: 2 * radiusM };
}

/** A bulb in its shade, taken as shining evenly all round; null for none. */
export function shaded(shade: ShadeId, luminousFluxLm: number): Shaded | null {
  if (shade === 'drum') return drum(luminousFluxLm);
  return shade === 'globe' ? globe(luminousFluxLm) : null;
}
