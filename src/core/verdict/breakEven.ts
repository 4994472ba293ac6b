/** One way to get a light, as money. Minor units; hours; watts. */
export interface WayCost {
  /** paid before the first day: materials, the price, nothing for a loan */
  onceMinor: number;
  /** hours of making, paid at the rate */
  hours: number;
  /** paid each shoot day */
  perDayMinor: number;
  watts: number;
  /** what comes back when it is sold, share of what was paid once */
  resale: number;
}

/** What every way is counted with. */
export interface Counting {
  rateMinorPerHour: number;
  /** null where running it is not counted */
  minorPerKwh: number | null;
  hoursADay: number;
}

/** Energy of one shoot day, minor units: P·t at the price of a kilowatt-hour. */
export const energyPerDayMinor = (
  { watts }: Pick<WayCost, 'watts'>,
  { minorPerKwh, hoursADay }: Pick<Counting, 'minorPerKwh' | 'hoursADay'>,
): number => (watts / 1000) * hoursADay * (minorPerKwh ?? 0);

/** Before the first day, what is paid once and does not come back. */
const startMinor = (
  { onceMinor, hours, resale }: WayCost,
  { rateMinorPerHour }: Counting,
): number => onceMinor * (1 - resale) + hours * rateMinorPerHour;

const dailyMinor = (way: WayCost, counting: Counting): number =>
  way.perDayMinor + energyPerDayMinor(way, counting);

/** Everything a way has cost after so many shoot days. */
export const costAfter = (way: WayCost, days: number, counting: Counting): number =>
  startMinor(way, counting) + days * dailyMinor(way, counting);

/**
 * Days from which on one way costs no more than another: it starts dearer and costs less a day.
 * @returns 0 when it is never dearer; null when it never catches up
 */
export function breakEvenDays(way: WayCost, than: WayCost, counting: Counting): number | null {
  const dearer = startMinor(way, counting) - startMinor(than, counting);
  const saved = dailyMinor(than, counting) - dailyMinor(way, counting);
  if (dearer <= 0 && saved >= 0) return 0;
  if (saved <= 0) return null;
  return Math.max(0, dearer / saved);
}
