import { DEGREE } from '../angle';
import { mired } from '../colour/mired';
import { shotOf } from '../document/blank';
import type { Build, Production } from '../document/production';
import { JUDGED } from '../location/use';
import { evaluate } from './evaluate';
import { facePicture } from './facePicture';
import { buildPicture } from './glow/scene';

export interface Cover {
  buildName: string;
  shotName: string;
  size: number;
  pixels: Uint8ClampedArray<ArrayBuffer>;
}

/** How well a build lights the head of its shot: no stop, a face, near its level, soft enough; null without light. */
function worth(document: Production, build: Build): number | null {
  if (build.standing !== 'in use') return null;
  const found = evaluate(document, build.id, { gridCells: 2 });
  if (!found.ok || found.value.kind !== 'worked out') return null;
  const { rungs, findings } = found.value;
  const rung = (id: string) => rungs.find((each) => each.id === id)?.value ?? null;
  const [margin, angle] = [rung('stops'), rung('softness')];
  if (rung('light') === null || margin === null || angle === null) return null;
  const shot = shotOf(document, build);
  const stops = findings.filter(({ severity }) => severity === 'stop').length;
  const person = shot.use === 'face' ? 0 : JUDGED[shot.use].person ? 2 : 4;
  const hard = Math.max(0, shot.softnessDeg - angle / DEGREE) / 20;
  // A clash of 50 mired spoils a face as a stop of light does.
  const off = Math.abs(mired(rung('colour') ?? shot.cctK) - mired(shot.cctK)) / 50;
  return -(10 * stops + person + Math.abs(margin) + hard + off);
}

/** Builds that are looked at: those of faces first, so that a list of many lights costs no more than one of some. */
const MOST_LOOKED_AT = 6;
const likeliest = (document: Production): Build[] =>
  document.builds
    .toSorted((a, b) => Number(isFace(document, b)) - Number(isFace(document, a)))
    .slice(0, MOST_LOOKED_AT);
const isFace = (document: Production, build: Build): boolean =>
  shotOf(document, build).use === 'face';

/**
 * A production's picture: the head as its best light shows it, at the shot's distance and brought to its level. An
 * estimate of the light, quick enough for a list.
 * @param size edge of the picture, pixels
 * @returns null for a production without a light
 */
export function coverOf(document: Production, size: number, rays: number): Cover | null {
  const [best] = likeliest(document)
    .flatMap((build) => {
      const value = worth(document, build);
      return value === null ? [] : [{ build, value }];
    })
    .toSorted((a, b) => b.value - a.value);
  const light = best && buildPicture(document, best.build.id, null);
  if (!light) return null;
  const shot = shotOf(document, best.build);
  const pixels = facePicture(light, shot, size, rays);
  return { buildName: best.build.name, shotName: shot.name, size, pixels };
}
