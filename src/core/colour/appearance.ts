import { ColorSpace, deltaE2000, Lab_D65, sRGB, to, XYZ_D65 } from 'colorjs.io/fn';
import type { Spectrum } from './grid';
import { PATCHES, type Patch } from './patches';
import { cctOfUv } from './planck';
import { referenceFor } from './reference';
import { uvOf, xyzOf, type Xyz } from './tristimulus';

for (const space of [XYZ_D65, Lab_D65, sRGB]) ColorSpace.register(space);

/** Bradford's cone-like primaries [std: ICC.1, annex E; the numbers from memory, checked by their inverse]. */
const BRADFORD = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
] as const;
const BACK = [
  [0.9869929, -0.1470543, 0.1599627],
  [0.4323053, 0.5183603, 0.0492912],
  [-0.0085287, 0.0400428, 0.9684867],
] as const;
const D65: Xyz = [0.95047, 1, 1.08883];

type Matrix = readonly (readonly [number, number, number])[];
const times = (matrix: Matrix, [x, y, z]: Xyz): Xyz =>
  matrix.map(([a, b, c]) => a * x + b * y + c * z) as unknown as Xyz;

/** What an eye, or a camera, used to one white sees, carried over to D65 [std: von Kries by Bradford]. */
export function adaptedToD65(xyz: Xyz, white: Xyz): Xyz {
  const [l, m, s] = times(BRADFORD, xyz);
  const [lw, mw, sw] = times(BRADFORD, white);
  const [ld, md, sd] = times(BRADFORD, D65);
  return times(BACK, [(l * ld) / lw, (m * md) / mw, (s * sd) / sw]);
}

/** How far two looks lie apart, in words [common practice: ΔE*00 of 1 is just seen side by side]. */
export function apart(deltaE: number): 'unseen' | 'slight' | 'visible' | 'obvious' {
  if (deltaE < 1) return 'unseen';
  if (deltaE < 2.5) return 'slight';
  return deltaE < 5 ? 'visible' : 'obvious';
}

export interface PatchLook {
  id: string;
  name: string;
  kind: Patch['kind'];
  /** screen colours under the light and under its reference */
  under: string;
  reference: string;
  /** ΔE*00 between the two */
  deltaE: number;
  /** the difference in words: “visible: greyer, greener” */
  words: string;
}

const color = (xyz: Xyz) => ({
  space: XYZ_D65,
  coords: [...xyz] as [number, number, number],
  alpha: 1,
});

function cssOf(xyz: Xyz): string {
  const [r, g, b] = to(color(xyz), sRGB).coords.map((value) =>
    Math.round(255 * Math.min(1, Math.max(0, value ?? 0))),
  );
  return `rgb(${r} ${g} ${b})`;
}

/** Which way the colour moved, by CIELAB. */
function moved(own: Xyz, other: Xyz): string[] {
  const [l, a, b] = to(color(own), Lab_D65).coords.map(Number) as [number, number, number];
  const [lr, ar, br] = to(color(other), Lab_D65).coords.map(Number) as [number, number, number];
  const chroma = Math.hypot(a, b) - Math.hypot(ar, br);
  const ways: [number, string, string][] = [
    [l - lr, 'lighter', 'darker'],
    [chroma, 'stronger', 'greyer'],
    [a - ar, 'redder', 'greener'],
    [b - br, 'yellower', 'bluer'],
  ];
  return ways
    .filter(([by]) => Math.abs(by) >= 1)
    .toSorted(([p], [q]) => Math.abs(q) - Math.abs(p))
    .slice(0, 2)
    .map(([by, more, less]) => (by > 0 ? more : less));
}

/**
 * Every patch under a light and under the black body or daylight of the same colour temperature, each
 * seen by a camera balanced to it.
 */
export function looksUnder(light: Spectrum): PatchLook[] {
  const white = xyzOf(light);
  const reference = referenceFor(cctOfUv(uvOf(white)));
  const referenceWhite = xyzOf(reference);
  const seen = (spectrum: Spectrum, whiteXyz: Xyz, patch: Patch): Xyz => {
    const [x, y, z] = xyzOf(spectrum, patch.reflectance);
    const scale = 1 / whiteXyz[1];
    const unit: Xyz = [whiteXyz[0] * scale, 1, whiteXyz[2] * scale];
    return adaptedToD65([x * scale, y * scale, z * scale], unit);
  };
  return PATCHES.map((patch) => {
    const [own, other] = [seen(light, white, patch), seen(reference, referenceWhite, patch)];
    const deltaE = deltaE2000(to(color(own), Lab_D65), to(color(other), Lab_D65));
    const ways = moved(own, other);
    const size = apart(deltaE);
    return {
      id: patch.id,
      name: patch.name,
      kind: patch.kind,
      under: cssOf(own),
      reference: cssOf(other),
      deltaE,
      words: size === 'unseen' || ways.length === 0 ? size : `${size}: ${ways.join(', ')}`,
    };
  });
}
