import { toRadians } from '../angle';
import * as z from 'zod/mini';
import { list, range } from '../schema';

// Bound by name: where globals are guarded a look-up of `Math` costs more than the root itself.
const { acos, cos, floor, log, max, min, sin, sqrt } = Math;

/** Spread classes of docs/model/units.md; θ is measured from the unit's axis, 0 = away from the base. */
export const spreadSchema = z.discriminatedUnion('class', [
  z.object({ class: z.literal('omni') }),
  z.object({ class: z.literal('forward') }),
  z.object({ class: z.literal('side') }),
  z.object({ class: z.literal('lambert') }),
  z.object({ class: z.literal('tube') }),
  z.object({ class: z.literal('reflector'), beamAngleDeg: range(2, 170) }),
  // Read from a photometric file or a sweep: candela at equal steps of θ from 0 to 180°, mean of the planes.
  z.object({ class: z.literal('measured'), cdPerKlm: list(range(0, 1e7), 19, 361) }),
]);
export type Spread = z.infer<typeof spreadSchema>;

export const SPREAD_NAMES: Record<Spread['class'], string> = {
  omni: 'all round',
  forward: 'mostly forward (plastic dome)',
  side: 'mostly sideways (stick)',
  lambert: 'flat, cosine',
  tube: 'round a tube, along its length',
  reflector: 'reflector, by beam angle',
  measured: 'measured, from a file',
};

/**
 * A distribution made ready for the kernels: I(θ) per lumen of total flux is
 * `peakPerLm` · shape(cos θ), so that the total flux is kept whatever the class.
 */
interface PreparedSpread {
  class: Spread['class'];
  /** cd per lm */
  peakPerLm: number;
  /** cosine exponent m; only a reflector uses it */
  exponent: number;
  /** cd per lm at equal steps of θ, 0…180°; empty unless measured */
  table: readonly number[];
}

/** Tells spreads apart that give other light. */
export function spreadKey(spread: Spread): string {
  if (spread.class === 'reflector') return `reflector ${spread.beamAngleDeg}`;
  return spread.class === 'measured' ? `measured ${spread.cdPerKlm.join(' ')}` : spread.class;
}

/** Lumens within each zone between two steps of a table over the sphere: mean I·2π(cos θ1 − cos θ2). */
export const zonesLm = (table: readonly number[]): number[] =>
  table.slice(1).map((next, k) => {
    const cosine = (step: number) => cos((step * Math.PI) / (table.length - 1));
    return Math.PI * (table[k]! + next) * (cosine(k) - cosine(k + 1));
  });

/** A measured table brought to exactly one lumen; dark ones stay dark. */
function perLumen(cd: readonly number[]): number[] {
  const total = zonesLm(cd).reduce((sum, zone) => sum + zone, 0);
  return cd.map((value) => (total > 0 ? value / total : 0));
}

/** Value of a table at an angle; straight lines between its steps. */
function tableAtAngle(table: readonly number[], thetaRad: number): number {
  const place = (thetaRad / Math.PI) * (table.length - 1);
  const low = min(table.length - 2, floor(place));
  return table[low]! + (table[low + 1]! - table[low]!) * (place - low);
}

/** Mean of the side-emitting shape over the sphere, (0.35·2 + 0.65·π/2)/2. */
const SIDE_MEAN = 0.35 + (0.65 * Math.PI) / 4;

/** Exponent m of cos^m θ whose full width at half the peak is the beam angle [docs/model/units.md]. */
export const exponentOfBeam = (beamAngleDeg: number): number =>
  log(0.5) / log(cos(toRadians(beamAngleDeg) / 2));

export function prepareSpread(spread: Spread): PreparedSpread {
  const sphere = 4 * Math.PI;
  switch (spread.class) {
    case 'omni':
      return { class: 'omni', peakPerLm: 1 / sphere, exponent: 0, table: [] };
    case 'forward':
      return { class: 'forward', peakPerLm: 2 / sphere, exponent: 0, table: [] };
    case 'side':
      return { class: 'side', peakPerLm: 1 / (sphere * SIDE_MEAN), exponent: 0, table: [] };
    case 'lambert':
      return { class: 'lambert', peakPerLm: 1 / Math.PI, exponent: 1, table: [] };
    // I ∝ sin(angle to the tube's axis); Φ = π²·I0 [docs/model/units.md].
    case 'tube':
      return { class: 'tube', peakPerLm: 1 / Math.PI ** 2, exponent: 0, table: [] };
    case 'measured': {
      const table = perLumen(spread.cdPerKlm);
      return { class: 'measured', peakPerLm: max(...table), exponent: 0, table };
    }
    case 'reflector': {
      const exponent = exponentOfBeam(spread.beamAngleDeg);
      return { class: 'reflector', peakPerLm: (exponent + 1) / (2 * Math.PI), exponent, table: [] };
    }
  }
}

/** Luminous intensity per lumen (cd/lm) at an angle of the given cosine from the axis. */
export function intensityPerLm(spread: PreparedSpread, cosTheta: number): number {
  switch (spread.class) {
    case 'omni':
      return spread.peakPerLm;
    case 'forward':
      return spread.peakPerLm * 0.5 * (1 + cosTheta);
    case 'side':
      return spread.peakPerLm * (0.35 + 0.65 * sqrt(max(0, 1 - cosTheta * cosTheta)));
    case 'tube':
      return spread.peakPerLm * sqrt(max(0, 1 - cosTheta * cosTheta));
    case 'lambert':
      return cosTheta > 0 ? spread.peakPerLm * cosTheta : 0;
    case 'reflector':
      return cosTheta > 0 ? spread.peakPerLm * cosTheta ** spread.exponent : 0;
    case 'measured':
      return tableAtAngle(spread.table, acos(min(1, max(-1, cosTheta))));
  }
}

/**
 * Share of the total flux sent backwards within the half-angle ψ (0…π/2) round the axis's back:
 * 2π·∫₀^ψ I(π−t)·sin t dt per lumen, in closed form.
 */
export function backwardShare(spread: PreparedSpread, psiRad: number): number {
  const cosine = cos(psiRad);
  const front = 2 * Math.PI * spread.peakPerLm;
  switch (spread.class) {
    case 'omni':
      return front * (1 - cosine);
    case 'forward':
      return (front / 2) * (1 - cosine) ** 2 * 0.5;
    case 'side':
      return front * (0.35 * (1 - cosine) + 0.65 * (psiRad / 2 - sin(2 * psiRad) / 4));
    case 'tube':
      return front * (psiRad / 2 - sin(2 * psiRad) / 4);
    case 'lambert':
    case 'reflector':
      return 0;
    case 'measured':
      return measuredBackward(spread.table, psiRad);
  }
}

/** The same for a table, by whole zones and a part of the last. */
function measuredBackward(table: readonly number[], psiRad: number): number {
  const zones = zonesLm(table).toReversed();
  const step = Math.PI / zones.length;
  const whole = min(zones.length, floor(psiRad / step + 1e-9));
  const inside = zones.slice(0, whole).reduce((sum, zone) => sum + zone, 0);
  const [from, to] = [cos(whole * step), cos((whole + 1) * step)];
  const part = whole < zones.length ? (from - cos(psiRad)) / (from - to) : 0;
  return inside + part * (zones[whole] ?? 0);
}

/** Steps of the inverse distribution a measured emitter is drawn by. */
export const QUANTILES = 128;

/** cos θ at equal steps of the share of the flux, 0…1 from the axis on: what transport draws by. */
export function quantilesOf(table: readonly number[]): number[] {
  const zones = zonesLm(table);
  const total = zones.reduce((sum, zone) => sum + zone, 0);
  const cosine = (step: number) => cos((step * Math.PI) / zones.length);
  let zone = 0;
  let before = 0;
  return Array.from({ length: QUANTILES + 1 }, (_, k) => {
    const wanted = (k / QUANTILES) * total;
    while (zone < zones.length - 1 && before + zones[zone]! < wanted) before += zones[zone++]!;
    const inside = zones[zone]! > 0 ? min(1, (wanted - before) / zones[zone]!) : 0;
    return cosine(zone) + (cosine(zone + 1) - cosine(zone)) * inside;
  });
}
