import { balanceAdvice, type BalanceAdvice } from '../colour/balance';
import { looksUnder, type PatchLook } from '../colour/appearance';
import { mixed, shifted } from '../colour/mixture';
import type { Spectrum } from '../colour/grid';
import { mired } from '../colour/mired';
import { colourFigures, type ColourFigures } from '../colour/rendering';
import { referenceFor } from '../colour/reference';
import { typicalSpectrum } from '../colour/typical';
import { ofUnitLuminance } from '../colour/tristimulus';
import type { Production } from '../document/production';
import { onGrid } from '../formats/spectrumFile';
import { stackLayers } from '../light/mouth';
import { cctAtLevel } from '../power/watts';
import { mixedSpectrum } from '../units/channels';
import { type EffectiveUnit, oneOf } from '../units/effective';
import { findBuild, resolveScene, sceneOf } from './context';
import { evaluateLight } from './light';

/** A spectrum as figures, a curve and patches. */
export interface ColourView {
  figures: ColourFigures;
  /** power at 5 nm from 380 to 780 nm against its peak; and of the reference of equal lux */
  curve: number[];
  reference: number[];
  looks: PatchLook[];
  /** whether a meter saw it, or it stands in for its class */
  origin: 'metered' | 'typical';
}

/** Everything that shines on a shot's subject: the build and what is there anyway. */
export interface ColourSheet {
  build: ColourView | null;
  buildLx: number;
  /** all together; null when the build is alone */
  together: ColourView | null;
  advice: BalanceAdvice | null;
}

const CURVE_FROM_NM = 380;
const CURVE_TO_NM = 780;
const CURVE_STEP_NM = 5;
const GRID_FROM_NM = 360;

/** A spectrum's view. Throws on a dark one. */
function colourView(spectrum: Spectrum, origin: ColourView['origin']): ColourView {
  const own = ofUnitLuminance(spectrum);
  const figures = colourFigures(own);
  const beside = referenceFor(figures.cctK);
  const peak = Math.max(...own.slice(CURVE_FROM_NM - GRID_FROM_NM, CURVE_TO_NM - GRID_FROM_NM + 1));
  const curve = (of: Spectrum) =>
    Array.from({ length: (CURVE_TO_NM - CURVE_FROM_NM) / CURVE_STEP_NM + 1 }, (_, k) =>
      Number((of[CURVE_FROM_NM - GRID_FROM_NM + k * CURVE_STEP_NM]! / peak).toFixed(4)),
    );
  return { figures, curve: curve(own), reference: curve(beside), looks: looksUnder(own), origin };
}

/** The metered spectrum of a unit, or what is typical of its class; reddened as it is dimmed. */
function spectrumOfUnit(unit: EffectiveUnit, cctK = unit.cctK.value): Spectrum {
  if (!unit.spectrum) return typicalSpectrum(unit.emission, cctK, unit.criRa.value);
  const metered = onGrid(unit.spectrum);
  const shift = mired(cctK) - mired(unit.cctK.value);
  return Math.abs(shift) < 0.5 ? metered : shifted(metered, shift);
}

const originOf = (units: readonly EffectiveUnit[]): ColourView['origin'] =>
  units.every(({ spectrum }) => spectrum) ? 'metered' : 'typical';

/** One unit of the shelf by itself. Null when the shelf has no such thing. */
export function unitColour({ shelf }: Production, id: string): ColourView | null {
  const unit = shelf.units.find((each) => each.id === id);
  if (!unit) return null;
  const effective = oneOf(unit);
  return colourView(spectrumOfUnit(effective), originOf([effective]));
}

/** The light of one build at its shot's subject, alone and among the light that is there anyway. */
export function colourSheet(document: Production, buildId: string): ColourSheet | null {
  const build = findBuild(document, buildId);
  const scene = build && sceneOf(document, build);
  const found = scene && resolveScene(scene);
  if (!build || !scene || !found) return null;
  const { resolved } = found;
  const { shot } = scene;
  const light = evaluateLight(resolved, shot, { gridCells: 2 });
  const parts = resolved.groups.map((group, k) => ({
    illuminanceLx: light.groupLx[k]!,
    spectrum:
      mixedSpectrum(group.unit.channels, group.mixture) ??
      spectrumOfUnit(group.unit, cctAtLevel(group)),
  }));
  const lamps = mixed(parts);
  const shift = resolved.mouth ? stackLayers(resolved.mouth.layers).shiftMired : 0;
  const own = lamps && (shift === 0 ? lamps : shifted(lamps, shift));
  const others = shot.roomLights.map((light) => ({
    ...light,
    spectrum: typicalSpectrum(light.emission, light.cctK, 80),
  }));
  const all = mixed([...(own ? [{ illuminanceLx: light.totalLx, spectrum: own }] : []), ...others]);
  const origin = originOf(resolved.groups.map(({ unit }) => unit));
  return {
    build: own && colourView(own, origin),
    buildLx: light.totalLx,
    together: all && others.length > 0 ? colourView(all, 'typical') : null,
    advice: balanceAdvice(
      [
        ...(own && light.cctK !== null
          ? [
              {
                id: build.id,
                name: build.name,
                cctK: light.cctK,
                illuminanceLx: light.totalLx,
                filament: resolved.groups.every(({ unit }) => unit.filament),
              },
            ]
          : []),
        ...shot.roomLights.map((each) => ({ ...each, filament: each.emission === 'filament' })),
      ],
      shot.cctK,
    ),
  };
}
