import { COUNT, spectrumOf, START_NM, type Spectrum } from '../colour/grid';
import { xyzOf } from '../colour/tristimulus';
import { accept, refuse, type Result } from '../result';
import { spectrumSchema, type MeasuredSpectrum } from '../units/spectrum';

const MOST_CHARACTERS = 2_000_000;
/** A spectrum must reach over these, and have no gap wider than this, to be worked with. */
const [FROM_NM, TO_NM, GAP_NM] = [400, 700, 20];
/** Noise below zero up to this share of the peak is taken as dark. */
const NOISE = 0.02;
/** Largest power kept as it stands. */
const LARGEST = 1e9;

interface Sample {
  line: number;
  nm: number;
  power: number;
}

/** “380,12” in a semicolon file is 380.12. */
const numberOf = (word: string): number =>
  word.trim() === '' ? NaN : Number(word.trim().replace(/^(-?\d*),(\d+)/, '$1.$2'));

/** Pairs of wavelength and power from lines of text; lines that do not begin with a number are a head. */
function pairsOf(text: string): Sample[] | string {
  const samples: Sample[] = [];
  for (const [k, raw] of text.split(/\r\n|\n|\r/).entries()) {
    const words = raw.includes(';') || raw.includes('\t') ? raw.split(/[;\t]/) : raw.split(/,|\s+/);
    const filled = words.map((word) => word.trim()).filter(Boolean);
    if (filled.length === 0 || !/^[-+.\d]/.test(filled[0]!)) {
      if (samples.length && filled.length)
        return `Line ${k + 1}: “${raw.trim()}” is no pair of numbers.`;
      continue;
    }
    const [nm, power] = [numberOf(filled[0]!), numberOf(filled[1] ?? '')];
    if (!Number.isFinite(nm) || !Number.isFinite(power))
      return `Line ${k + 1}: “${raw.trim()}” is no pair of wavelength and power.`;
    samples.push({ line: k + 1, nm, power });
  }
  return samples;
}

/** Samples of an IES TM-27 file: its SpectralData elements [std: IES TM-27-14; from memory]. */
function tm27(text: string): Sample[] | string {
  const element = /<(?:\w+:)?SpectralData\s+wavelength\s*=\s*["']([^"']*)["']\s*>([^<]*)</g;
  const samples: Sample[] = [];
  let [line, counted] = [1, 0];
  for (const found of text.matchAll(element)) {
    // Counted on from the element before: from the start each time it would be minutes for 2 MB.
    for (let at = text.indexOf('\n', counted); at >= 0 && at < found.index; line++)
      at = text.indexOf('\n', (counted = at + 1));
    const [nm, power] = [Number(found[1]), Number(found[2])];
    if (!Number.isFinite(nm) || !Number.isFinite(power))
      return `Line ${line}: “${found[0]}” holds no pair of numbers.`;
    samples.push({ line, nm, power });
  }
  return samples;
}

const peakOf = (samples: readonly Sample[]): number =>
  samples.reduce((most, { power }) => Math.max(most, power), -Infinity);

function faultOf(samples: readonly Sample[]): string | null {
  if (samples.length < 5) return 'There are fewer than five pairs of wavelength and power in it.';
  const peak = peakOf(samples);
  for (const [k, { line, nm, power }] of samples.entries()) {
    if (nm <= 0) return `Line ${line}: a wavelength of ${nm} cannot be.`;
    if (nm < 10)
      return `Line ${line}: ${nm} looks like micrometres; wavelengths belong in nanometres.`;
    if (k > 0 && nm <= samples[k - 1]!.nm)
      return `Line ${line}: ${nm} nm does not rise after ${samples[k - 1]!.nm} nm.`;
    if (power < -NOISE * peak) return `Line ${line}: a power of ${power} is below nothing.`;
  }
  const [first, last] = [samples[0]!.nm, samples.at(-1)!.nm];
  if (first > FROM_NM || last < TO_NM)
    return `It reaches from ${first} to ${last} nm; at least ${FROM_NM} to ${TO_NM} nm is needed.`;
  const gap = samples.findIndex(
    ({ nm }, k) =>
      k > 0 && nm - samples[k - 1]!.nm > GAP_NM && nm > FROM_NM && samples[k - 1]!.nm < TO_NM,
  );
  if (gap > 0)
    return `Line ${samples[gap]!.line}: a gap from ${samples[gap - 1]!.nm} to ${samples[gap]!.nm} nm; no more than ${GAP_NM} nm can be bridged.`;
  return null;
}

/**
 * Reads a spectrum from CSV-like text (wavelength in nm, power) or IES TM-27 XML. Finer steps than 1 nm are
 * read off at 1 nm; small readings below zero count as dark. Refused with line and reason otherwise.
 */
export function readSpectrum(text: string): Result<MeasuredSpectrum> {
  const no = (message: string) => refuse<MeasuredSpectrum>('spectrum', message, 'file');
  if (text.length > MOST_CHARACTERS)
    return no('It is larger than 2 MB; a spectrum is some kilobytes.');
  if (text.includes('\0')) return no('It is not text: choose a .csv, .txt or .spdx file.');
  const samples = /<\s*(?:\w+:)?IESTM2714|<(?:\w+:)?SpectralData/.test(text)
    ? tm27(text)
    : pairsOf(text);
  if (typeof samples === 'string') return no(samples);
  const fault = faultOf(samples);
  if (fault) return no(fault);
  const measured = kept(toScale(samples));
  const [, luminance] = xyzOf(onGrid(measured));
  if (!(luminance > 0)) return no('It holds no visible power.');
  const fits = spectrumSchema.safeParse(measured);
  return fits.success
    ? accept(fits.data)
    : no(`It cannot be kept: ${fits.error.issues[0]!.message}.`);
}

/** Power is relative: counts of photons and the like are brought to a peak of one. */
function toScale(samples: readonly Sample[]): readonly Sample[] {
  const peak = peakOf(samples);
  return peak <= LARGEST ? samples : samples.map((each) => ({ ...each, power: each.power / peak }));
}

/** The visible part, no finer than 1 nm. */
function kept(samples: readonly Sample[]): MeasuredSpectrum {
  const visible = samples.filter(
    ({ nm }) => nm >= START_NM - GAP_NM && nm < START_NM + COUNT + GAP_NM,
  );
  const plain = {
    wavelengthsNm: visible.map(({ nm }) => nm),
    power: visible.map(({ power }) => Math.max(0, power)),
  };
  if (visible.length <= COUNT + 2 * GAP_NM) return plain;
  return {
    wavelengthsNm: Array.from({ length: COUNT }, (_, k) => START_NM + k),
    power: [...onGrid(plain)],
  };
}

/** Steps that differ by more than this are bridged by straight lines: a cubic would swing. */
const UNEVEN = 1.6;

/**
 * A measured spectrum at 1 nm: by the cubic through the four samples about a wavelength, as 5 and 10 nm want it
 * [std: CIE 167, Lagrange; from memory]; by straight lines where steps are uneven, its end values held.
 */
export function onGrid({ wavelengthsNm, power }: MeasuredSpectrum): Spectrum {
  let high = 1;
  const last = wavelengthsNm.length - 1;
  return spectrumOf((nm) => {
    while (high < last && wavelengthsNm[high]! < nm) high++;
    if (nm <= wavelengthsNm[0]! || nm >= wavelengthsNm[last]!)
      return nm <= wavelengthsNm[0]! ? power[0]! : power[last]!;
    const first = Math.max(0, Math.min(last - 3, high - 2));
    const own = [first, first + 1, first + 2, first + 3];
    const steps = own.slice(1).map((k) => wavelengthsNm[k]! - wavelengthsNm[k - 1]!);
    if (last < 3 || Math.max(...steps) > UNEVEN * Math.min(...steps)) {
      const [from, to] = [wavelengthsNm[high - 1]!, wavelengthsNm[high]!];
      const part = (nm - from) / (to - from);
      return power[high - 1]! + (power[high]! - power[high - 1]!) * part;
    }
    const cubic = own.reduce((sum, k) => {
      const weight = own.reduce(
        (all, j) =>
          j === k
            ? all
            : (all * (nm - wavelengthsNm[j]!)) / (wavelengthsNm[k]! - wavelengthsNm[j]!),
        1,
      );
      return sum + weight * power[k]!;
    }, 0);
    return Math.max(0, cubic);
  });
}
