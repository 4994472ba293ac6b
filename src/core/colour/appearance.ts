import { ColorSpace, deltaE2000, Lab_D65, sRGB, to, XYZ_D65 } from 'colorjs.io/fn';
import { adapted, D65 } from './adaptation';
import type { Spectrum } from './grid';
import { PATCHES, type Patch } from './patches';
import { cctOfUv } from './planck';
import { referenceFor } from './reference';
import { uvOf, type Xyz } from './chromaticity';
import { xyzOf } from './tristimulus';

for (const space of [XYZ_D65, Lab_D65, sRGB]) ColorSpace.register(space);

/** What an eye, or a camera, used to one white sees, carried over to D65. */
export const adaptedToD65 = (xyz: Xyz, white: Xyz): Xyz => adapted(xyz, white, D65);

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
