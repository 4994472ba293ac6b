import { mired } from '../colour/mired';
import type { Shelf } from './shelf';
import { CRI_GATE, type Shot } from '../location/shot';
import type { Origin } from '../origin';
import { effectiveBulb, type EffectiveUnit } from '../units/effective';
import { effectiveTape, effectiveUnit } from '../units/effectiveUnit';

/** A light-giving record with what it is compared by. Tape counts by the metre. */
export interface Ranked {
  id: string;
  name: string;
  luminousFluxLm: number;
  minorPerKilolumen: number;
  cctK: number;
  criRa: number;
  /** the least sure of its label's figures */
  typical: boolean;
  /** warmer (+) or colder (−) than the shot */
  shiftMired: number | null;
  /** what keeps it from the shot, in words; empty when nothing does */
  against: string[];
}

/** Off the shot's colour by more than this is seen [common practice, docs/model/light.md]. */
export const COLOUR_TOLERANCE_MIRED = 25;

const isTypical = (...origins: Origin[]) => origins.includes('typical');

function ranked(
  id: string,
  name: string,
  unit: EffectiveUnit,
  pieceMinor: number,
  shot: Shot | null,
  mostMinorPerKlm: number | null,
): Ranked {
  const lumens = unit.luminousFluxLm.value;
  const minorPerKilolumen = (pieceMinor / lumens) * 1000;
  const shiftMired = shot && mired(unit.cctK.value) - mired(shot.cctK);
  const against = [
    ...(shot && unit.criRa.value < CRI_GATE[shot.use]
      ? [`Ra ${Math.round(unit.criRa.value)}, wanted ${CRI_GATE[shot.use]}`]
      : []),
    ...(shiftMired !== null && Math.abs(shiftMired) > COLOUR_TOLERANCE_MIRED
      ? [`${Math.abs(Math.round(shiftMired))} mired too ${shiftMired > 0 ? 'warm' : 'cold'}`]
      : []),
    ...(mostMinorPerKlm !== null && minorPerKilolumen > mostMinorPerKlm
      ? ['over the budget for the light it takes']
      : []),
  ];
  return {
    id,
    name,
    luminousFluxLm: lumens,
    minorPerKilolumen,
    cctK: unit.cctK.value,
    criRa: unit.criRa.value,
    typical: isTypical(unit.luminousFluxLm.origin, unit.cctK.origin, unit.criRa.origin),
    shiftMired,
    against,
  };
}

/**
 * Every bulb and unit of the shelf against the shot's needs.
 * @param neededLm lumens the light must send for the shot; null when no light is chosen yet
 */
export function rankShelf(
  { bulbs, units }: Shelf,
  shot: Shot | null,
  neededLm: number | null,
): Ranked[] {
  const most =
    shot && shot.budgetMinor !== null && neededLm ? (shot.budgetMinor / neededLm) * 1000 : null;
  return [
    ...bulbs.map((bulb) =>
      ranked(bulb.id, bulb.name, effectiveBulb(bulb), bulb.priceMinor / bulb.packCount, shot, most),
    ),
    ...units.map((unit) => {
      const strip = unit.category === 'strip';
      const one = strip ? effectiveTape(unit, 1, 0.9) : effectiveUnit(unit);
      const piece = unit.priceMinor / unit.packCount / (strip ? unit.reelLengthM : 1);
      return ranked(unit.id, unit.name, one, piece, shot, most);
    }),
  ].sort(
    (a, b) => a.against.length - b.against.length || a.minorPerKilolumen - b.minorPerKilolumen,
  );
}
