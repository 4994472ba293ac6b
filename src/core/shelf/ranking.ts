import { mired } from '../colour/mired';
import type { Shelf } from './shelf';
import { type Shot } from '../location/shot';
import { CRI_GATE } from '../location/use';
import type { Origin } from '../origin';
import { minorPerKilolumen, oneOf } from '../units/effective';
import type { Unit } from '../units/unit';

/** A light-giving record with what it is compared by. Tape counts by the metre. */
export interface Ranked {
  id: string;
  name: string;
  luminousFluxLm: number;
  /** null where nobody has told a price */
  minorPerKilolumen: number | null;
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

function ranked(record: Unit, shot: Shot | null, mostMinorPerKlm: number | null): Ranked {
  const unit = oneOf(record);
  const costMinor = minorPerKilolumen(record);
  const shiftMired = shot && mired(unit.cctK.value) - mired(shot.cctK);
  const against = [
    ...(shot && unit.criRa.value < CRI_GATE[shot.use]
      ? [`Ra ${Math.round(unit.criRa.value)}, wanted ${CRI_GATE[shot.use]}`]
      : []),
    ...(shiftMired !== null && Math.abs(shiftMired) > COLOUR_TOLERANCE_MIRED
      ? [`${Math.abs(Math.round(shiftMired))} mired too ${shiftMired > 0 ? 'warm' : 'cold'}`]
      : []),
    ...(mostMinorPerKlm !== null && costMinor !== null && costMinor > mostMinorPerKlm
      ? ['over the budget for the light it takes']
      : []),
  ];
  return {
    id: record.id,
    name: record.name,
    luminousFluxLm: unit.luminousFluxLm.value,
    minorPerKilolumen: costMinor,
    cctK: unit.cctK.value,
    criRa: unit.criRa.value,
    typical: isTypical(unit.luminousFluxLm.origin, unit.cctK.origin, unit.criRa.origin),
    shiftMired,
    against,
  };
}

/**
 * Every unit of the shelf against the shot's needs.
 * @param neededLm lumens the light must send for the shot; null when no light is chosen yet
 */
export function rankShelf({ units }: Shelf, shot: Shot | null, neededLm: number | null): Ranked[] {
  const most =
    shot && shot.budgetMinor !== null && neededLm ? (shot.budgetMinor / neededLm) * 1000 : null;
  return units
    .map((unit) => ranked(unit, shot, most))
    .toSorted(
      (a, b) =>
        a.against.length - b.against.length ||
        (a.minorPerKilolumen ?? Infinity) - (b.minorPerKilolumen ?? Infinity) ||
        0,
    );
}
