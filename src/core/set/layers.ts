/** A sheet that can be hung before a light. */
interface Layer {
  name: string;
  /** share it lets through, 0…1 */
  transmittance: number;
}

/** Sheets before a light that leave a wanted share of it. */
interface LayersFound {
  names: readonly string[];
  transmits: number;
  /** more (+) or less light than wanted */
  offStops: number;
}

/**
 * Of the sheets at hand the one, or the two together, that leave nearest to a wanted share; one goes before two that are no better
 * by a tenth of a stop. What a layer sends back into the light, to come out again, is not in it.
 * @param wanted  share of the light, more than 0 and less than 1
 * @returns null where no sheet is nearer than none
 */
export function layersFor(wanted: number, layers: readonly Layer[]): LayersFound | null {
  const useful = layers.filter(({ transmittance }) => transmittance > 0 && transmittance < 1);
  let best: LayersFound | null = null;
  const none = Math.abs(Math.log2(wanted));
  const consider = (some: readonly Layer[]) => {
    const transmits = some.reduce((product, { transmittance }) => product * transmittance, 1);
    const offStops = Math.log2(transmits / wanted);
    const before = best ? Math.abs(best.offStops) - 0.1 * (some.length - best.names.length) : none;
    if (Math.abs(offStops) < before - 1e-12)
      best = { names: some.map(({ name }) => name), transmits, offStops };
  };
  for (const layer of useful) consider([layer]);
  // More than two nobody hangs before one light [common practice].
  useful.forEach((one, k) => useful.slice(k).forEach((other) => consider([one, other])));
  return best;
}
