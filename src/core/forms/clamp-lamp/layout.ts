import type { FormContext } from '../form';
import { layerParts } from '../kit/lookup';
import { look, ok, stop } from '../kit/findingWriters';
import { bulbsOf, type Seat } from '../kit/lamps';
import { isFilament } from '../../units/effective';
import type { Finding } from '../../findings/finding';
import { type ClampLamp } from './parameters';

/** Reflectance of a spun aluminium reflector [typ]. */
export const REFLECTOR = 0.75;
/** Share of that which goes on like from a mirror: spun, not polished [typ]. */
export const REFLECTOR_MIRROR = 0.5;
/** The shade's neck at the socket over its mouth [typ]. */
export const NECK = 0.35;
export const CORD_M = 1.8;
/** Still air over a small shade, W/(m²·K) [common practice estimate, docs/model/power.md]. */
const AIR_W_PER_M2_K = 8;
export const ROOM_C = 25;

export const seats = (lamp: ClampLamp): Seat[] =>
  lamp.groups.map((_, group) => ({
    positionM: [0, 0, lamp.depthM * 0.45] as const,
    axis: [0, 0, 1] as const,
    group,
  }));

/** Estimated temperature of a layer over the mouth: all the lamp's heat through shade and layer. */
export function layerC(lamp: ClampLamp, context: FormContext): number {
  const heat = bulbsOf(lamp.groups, context).reduce(
    (sum, bulb) => sum + (bulb ? bulb.wattsW * (isFilament(bulb.kind) ? 0.94 : 0.65) : 0),
    0,
  );
  const radius = lamp.reflectorM / 2;
  const area = Math.PI * radius ** 2 + Math.PI * radius * Math.hypot(radius, lamp.depthM);
  return ROOM_C + heat / (AIR_W_PER_M2_K * area);
}

export function layerFindings(lamp: ClampLamp, context: FormContext): Finding[] {
  const layers = layerParts(lamp, context);
  if (layers.length === 0) return [];
  const hot = bulbsOf(lamp.groups, context).some((bulb) => bulb && isFilament(bulb.kind));
  const weakest = layers.reduce((a, b) => (a.limitC < b.limitC ? a : b));
  const celsius = layerC(lamp, context);
  const where = { field: 'layer1PartId', drawing: 'layer' };
  const source = 'ΔT = P/(h·A), h ≈ 8 W/(m²·K), room 25 °C; common practice estimate';
  const limit = `${weakest.limitC} °C for ${weakest.name}`;
  if (hot && weakest.limitC < 120)
    return [
      stop(
        'heat',
        'clamp-lamp.plastic',
        'Film on a filament lamp',
        `“${weakest.name}” softens at ${weakest.limitC} °C and lies over a lamp of more than 150 °C: it melts, drips and burns. Use an LED bulb.`,
        where,
        'Common practice: no plastic over incandescent lamps',
        limit,
      ),
    ];
  if (celsius >= weakest.limitC)
    return [
      stop(
        'heat',
        'clamp-lamp.layer',
        'The layer gets too hot',
        `About ${Math.round(celsius)} °C at the layer: ${weakest.name} fails at ${weakest.limitC} °C. Fewer watts, or a layer that bears it.`,
        where,
        source,
        limit,
      ),
    ];
  if (hot)
    return [
      look(
        'heat',
        'clamp-lamp.paper',
        'Paper on a hot lamp',
        `About ${Math.round(celsius)} °C in still air, more where it touches: keep it off the bulb, never leave it alone, let it cool before packing.`,
        where,
        source,
        limit,
      ),
    ];
  return [
    ok(
      'heat',
      'clamp-lamp.layer',
      'The layer bears it',
      `About ${Math.round(celsius)} °C, an estimate. Feel it after ten minutes.`,
      where,
      source,
      limit,
    ),
  ];
}
