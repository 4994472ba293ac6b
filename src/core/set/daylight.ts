/** Daylight on an upright pane, and its colour, by hour and weather [typ: from memory; clouds change it by a stop and more]. */
export const DAYLIGHT = {
  overcast: { name: 'midday, overcast', outsideLx: 8000, cctK: 6500 },
  sky: { name: 'midday, clear, the side away from the sun', outsideLx: 6000, cctK: 9500 },
  sun: { name: 'midday, the sun on it', outsideLx: 60_000, cctK: 5400 },
  low: { name: 'an hour before sunset, the sun on it', outsideLx: 15_000, cctK: 3600 },
  dusk: { name: 'dusk, the sun just down', outsideLx: 300, cctK: 9000 },
  night: { name: 'night, street lamps', outsideLx: 8, cctK: 2200 },
} as const;
export type DaylightId = keyof typeof DAYLIGHT;
