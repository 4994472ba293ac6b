import { DEGREE } from '../../angle';
import type { Production } from '../../document/production';
import type { Transported } from '../../light/transport/result';
import { sourceField, type LightField } from '../../light/lightField';
import { frontSize, leavesM, subjectM } from '../../build/front';
import { aroundOf } from './context';
import { balanced, balancedUv } from '../../colour/display';
import { planckianUv } from '../../colour/planck';
import { frontLamps, lampsOf, type PictureLight, type Pose } from '../../picture/scene';
import { buildWatts, raAsMixed } from '../../power/watts';
import { fixtureIlluminanceLx, type Fixture } from '../../verdict/fixture';
import type { Photometry } from '../../formats/photometric';
import type { Shot } from '../../location/shot';
import { findBuild, resolveScene, sceneOf } from '../context';
import { forecastShare } from '../forecastShare';
import { evaluateLight, type LightResult } from '../light';
import type { ResolvedBuild } from '../../build/resolvedBuild';

/** A build worked out down to its sources; null when its form is unknown here. */
export interface Lit {
  shot: Shot;
  resolved: ResolvedBuild;
  light: LightResult;
  field: LightField;
}

export function litBuild(
  document: Production,
  buildId: string,
  transported: Transported | null,
): Lit | null {
  const build = findBuild(document, buildId);
  const scene = build && sceneOf(document, build);
  const found = scene && resolveScene(scene);
  if (!scene || !found) return null;
  const { resolved } = found;
  const light = evaluateLight(resolved, scene.shot, { gridCells: 2, transported });
  return { shot: scene.shot, resolved, light, field: light.field };
}

/** Half of one source's own width where it is a patch of a mouth. */
const patchHalf = ({ mouth, array, apparent }: ResolvedBuild): number =>
  mouth ? Math.min(apparent.widthM, apparent.heightM) / 32 : array.emitterWidthM / 2;

/** Where a light stands for a picture of its shot: at its distance, from the side and a little above [common practice]. */
export const shotPose = ({ distanceM }: Shot): Pose => ({
  distanceM,
  azimuthRad: 35 * DEGREE,
  elevationRad: 20 * DEGREE,
});

/** A build as the picture of the lit head takes it. */
export function buildPicture(
  document: Production,
  buildId: string,
  transported: Transported | null,
): PictureLight | null {
  const lit = litBuild(document, buildId, transported);
  if (!lit) return null;
  const { resolved, light, shot } = lit;
  // As they show from the face: bright where it sees them bright, and together what the readouts say is there.
  const face = [0, 0, subjectM(resolved, shot)] as const;
  const shown = light.field.sourcesFrom(face);
  const shownLx = sourceField(shown, light.field.passages).illuminance(face, [0, 0, -1]);
  const by = shownLx > 0 ? light.totalLx / shownLx : 1;
  const sources = shown.map((source) => ({
    ...source,
    luminousFluxLm: source.luminousFluxLm * by,
  }));
  return {
    lamps: lampsOf(sources, patchHalf(resolved)),
    controls: resolved.controls,
    frontM: leavesM(resolved),
    tint:
      light.cctK === null ? [1, 1, 1] : balancedUv(light.uv ?? planckianUv(light.cctK), shot.cctK),
    faceLx: light.totalLx,
  };
}

/** A fixture as an even front that gives its stated light. */
export const fixturePicture = (fixture: Fixture, shot: Shot): PictureLight => {
  const faceLx = fixtureIlluminanceLx(fixture, shot.distanceM);
  return {
    lamps: frontLamps(fixture.frontWidthM, fixture.frontHeightM, faceLx, shot.distanceM),
    controls: [],
    frontM: 0,
    tint: balanced(fixture.cctK, shot.cctK),
    faceLx,
  };
};

/** A build's distribution as a photometric file holds it; null without light. */
export function photometryOf(
  document: Production,
  buildId: string,
  transported: Transported | null,
  date: string,
): Photometry | null {
  const lit = litBuild(document, buildId, transported);
  const build = findBuild(document, buildId);
  if (!build || !lit || lit.light.luminousFluxLm <= 0) return null;
  const { resolved, light } = lit;
  const run = light.transported;
  const { widthM, heightM, round = false } = frontSize(resolved);
  const bulbs = resolved.groups.map(raAsMixed);
  return {
    name: build.name,
    ...aroundOf(light, resolved),
    lampLm: light.luminousFluxLm,
    wattsW: buildWatts(resolved.groups).nowW,
    cctK: light.cctK,
    criRa: bulbs.length ? Math.min(...bulbs) : null,
    widthM,
    heightM,
    how: 'worked out, not measured',
    round: round || resolved.mouth?.shape === 'disc',
    date,
    notes: [
      ...(run
        ? [
            'simulated, not measured',
            `photon transport, seed ${run.seed}, ${run.photons} photons, +/- ${(run.standardError * 100).toFixed(2)} % of the lamps' light`,
            'finishes, layers and lamps as typed or typical of their class',
          ]
        : ['summed from lamp classes, not measured', 'lamps as typed or typical of their class']),
      ...(document.calibration && forecastShare(document, build).calibrated
        ? [
            `lamps or layers corrected by readings of ${document.calibration.at.slice(0, 10)}${document.calibration.simulated ? ', some of them simulated' : ''}`,
          ]
        : []),
    ],
  };
}
