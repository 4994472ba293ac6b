/** The value below which a share of all lies; NaN of none. */
export const quantile = (values: readonly number[], share: number): number => {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? NaN;
};
