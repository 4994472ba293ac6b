/** What a camera was set to, as far as anybody knows. */
export interface Exposure {
  exposureS: number | null;
  fNumber: number | null;
  isoSpeed: number | null;
}

/** Light gathered, in stops over 1 s at f/1 and ISO 1; null where one of the three is not known. */
export function exposureStops({ exposureS, fNumber, isoSpeed }: Exposure): number | null {
  if (exposureS === null || fNumber === null || isoSpeed === null) return null;
  return Math.log2((exposureS * isoSpeed) / fNumber ** 2);
}

/** By how many stops the second gathered more than the first; null where it cannot be told. */
export function exposureBetween(first: Exposure, second: Exposure): number | null {
  const [a, b] = [exposureStops(first), exposureStops(second)];
  return a === null || b === null ? null : b - a;
}

/** An exposure time as cameras write it. */
export const shutterText = (seconds: number): string =>
  seconds >= 0.3 ? `${Number(seconds.toPrecision(2))} s` : `1/${Math.round(1 / seconds)} s`;

/** Settings that differ, in words, with what each does in stops. */
export function settingsApart(first: Exposure, second: Exposure): string[] {
  const told: string[] = [];
  const stops = (value: number) => `${value > 0 ? '+' : '−'}${Math.abs(value).toFixed(1)} stops`;
  const differ = (a: number | null, b: number | null): [number, number] | null =>
    a !== null && b !== null && Math.abs(Math.log2(b / a)) > 0.02 ? [a, b] : null;
  const time = differ(first.exposureS, second.exposureS);
  if (time)
    told.push(
      `${shutterText(time[0])} and ${shutterText(time[1])} (${stops(Math.log2(time[1] / time[0]))})`,
    );
  const iris = differ(first.fNumber, second.fNumber);
  if (iris) told.push(`f/${iris[0]} and f/${iris[1]} (${stops(2 * Math.log2(iris[0] / iris[1]))})`);
  const iso = differ(first.isoSpeed, second.isoSpeed);
  if (iso) told.push(`ISO ${iso[0]} and ISO ${iso[1]} (${stops(Math.log2(iso[1] / iso[0]))})`);
  return told;
}
