import { columnOf, spectrumOf, type Spectrum } from './grid';
import { TEST_SAMPLES } from './tables/testSamples';

/** Something in front of the camera, by its reflectance. */
export interface Patch {
  id: string;
  name: string;
  kind: 'skin' | 'paint' | 'cloth';
  reflectance: Spectrum;
  source: string;
}

/** 0…1, rising about a wavelength. */
const rise = (nm: number, atNm: number, widthNm: number) =>
  1 / (1 + Math.exp((atNm - nm) / widthNm));
const dip = (nm: number, atNm: number, widthNm: number) =>
  Math.exp(-(((nm - atNm) / widthNm) ** 2));

/**
 * Skin by how much melanin it holds: absorption ∝ λ^−0.8 over a slow rise to the red, with the two dips of
 * blood at 542 and 577 nm that fade in darker skin [typ: shape from memory].
 */
const skin = (melanin: number): Spectrum =>
  spectrumOf((nm) => {
    const base = 0.26 + 0.16 * rise(nm, 490, 30) + 0.24 * rise(nm, 592, 22);
    const blood =
      1 -
      0.2 * (1 - 0.5 * melanin) * (dip(nm, 542, 16) + dip(nm, 577, 13) + 0.8 * dip(nm, 415, 22));
    return base * blood * Math.exp(-1.75 * melanin * (500 / nm) ** 0.8);
  });

const SHAPE = 'Typical shape, from memory';
const painted = (id: string, name: string, at: (nm: number) => number): Patch => ({
  id,
  name,
  kind: 'paint',
  reflectance: spectrumOf(at),
  source: SHAPE,
});

/** What the colour sheet lights: skins from light to deep, paints of the flat, cloth [typ]. */
export const PATCHES: readonly Patch[] = [
  ...(
    [
      ['light skin', 0.08],
      ['olive skin', 0.25],
      ['brown skin', 0.5],
      ['deep skin', 0.95],
    ] as const
  ).map(([name, melanin]): Patch => ({
    id: name.replace(' ', '-'),
    name,
    kind: 'skin',
    reflectance: skin(melanin),
    source: SHAPE,
  })),
  painted('cream-wall', 'cream wall', (nm) => 0.42 + 0.38 * rise(nm, 485, 22)),
  painted('sea-green-flat', 'sea-green flat', (nm) => 0.1 + 0.34 * dip(nm, 515, 48)),
  painted('ferry-blue', 'ferry blue', (nm) => 0.06 + 0.4 * (1 - rise(nm, 500, 18))),
  painted('signal-red', 'signal red', (nm) => 0.05 + 0.6 * rise(nm, 605, 10)),
  painted('timber', 'varnished timber', (nm) => 0.07 + 0.4 * rise(nm, 600, 38)),
  {
    id: 'leaf',
    name: 'leaf',
    kind: 'cloth',
    reflectance: columnOf(TEST_SAMPLES, 13),
    source: 'CIE 13.3-1995, test colour sample 14',
  },
];
