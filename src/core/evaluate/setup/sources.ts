import { frontSize, leavesM } from '../../build/front';
import type { ResolvedBuild } from '../../build/resolvedBuild';
import type { Production } from '../../document/production';
import { sourceField } from '../../light/lightField';
import type { Emitter } from '../../light/emitter';
import { stackLayers } from '../../light/mouth';
import { cannotRun, simulateQuickly } from '../../light/transport/run';
import { evenFront } from '../../set/fronts';
import type { LightBody, LightSource } from '../../set/scene';
import { shaded, type ShadeId } from '../../set/shade';
import type { LightThing } from '../../set/things';
import { ORIGIN_SHARE } from '../../meter/said';
import { fullCurrentA } from '../../power/plan';
import { buildWatts } from '../../power/watts';
import { mixedLight } from '../../units/channels';
import { oneOf } from '../../units/effective';
import type { Unit, UnitOf } from '../../units/unit';
import { tubeSpread } from '../../forms/kit/tubes';
import { fixtureIlluminanceLx, type Fixture } from '../../verdict/fixture';
import type { Derivations } from '../derive';
import { forecastShare } from '../forecastShare';

/** Photons of a quick look into a build's own room. */
const QUICK = { photons: 20_000, seed: 1 };

/** Colours of a build whose lamps are all of one kind; other builds shine as they are mixed there. */
function mixedOf({ groups, mouth }: ResolvedBuild): LightSource['mixed'] {
  const [group, ...others] = groups;
  const lamp = group?.unit.channels;
  if (!lamp || others.some(({ unit }) => unit.id !== group.unit.id)) return null;
  const now = mixedLight(lamp, group.mixture);
  return {
    lamp,
    lumensShare: now?.lumensShare ?? 1,
    wattsShare: now?.wattsShare ?? 1,
    shiftMired: mouth ? stackLayers(mouth.layers).shiftMired : 0,
  };
}

const bodyOfBuild = ({ resolved }: { resolved: ResolvedBuild }, circuitId: string): LightBody => ({
  ...sizeOf(resolved),
  wattsW: buildWatts(resolved.groups).nowW,
  // Amperes at one volt.
  apparentVa: fullCurrentA(resolved, 1),
  circuitId,
});
const sizeOf = (resolved: ResolvedBuild) => {
  const { widthM, heightM } = frontSize(resolved);
  return { widthM, heightM };
};

function buildSource(
  document: Production,
  buildId: string,
  derive: Derivations,
  rough: boolean,
): LightSource | null {
  const build = document.builds.find(({ id }) => id === buildId);
  const found = build && derive.resolve(document, build);
  const light =
    build &&
    derive.light(document, build, {
      gridCells: 2,
      transported: ({ arrangement, key }) =>
        rough || cannotRun(arrangement, QUICK)
          ? null
          : derive.kept(document, build, 'quick look', [key], () =>
              simulateQuickly(arrangement, 1),
            ),
    });
  if (!build || !found || !light || light.cctK === null || light.totalLx <= 0) return null;
  const { resolved } = found;
  return {
    ...bodyOfBuild(found, build.circuitId),
    field: light.field,
    frontM: leavesM(resolved),
    cctK: light.cctK,
    uv: light.uv,
    mixed: mixedOf(resolved),
    filament: resolved.groups.every(({ unit }) => unit.filament),
    share: forecastShare(document, build).share,
    controls: resolved.controls,
    origin: light.transported ? 'its build, simulated' : 'its build, summed from its lamps',
  };
}

/** What a data sheet's lux leave open [typ]. */
const SHEET_SHARE = 0.1;

/** Of a fixture's supply, where its sheet says nothing [typ]. */
const FIXTURE_POWER_FACTOR = 0.9;
const bodyOfFixture = ({ frontWidthM, frontHeightM, wattsW }: Fixture): LightBody => ({
  widthM: frontWidthM,
  heightM: frontHeightM,
  wattsW,
  apparentVa: wattsW / FIXTURE_POWER_FACTOR,
  circuitId: null,
});

/** A front that gives the stated lux at the stated distance, evenly. */
function fixtureSource(fixture: Fixture): LightSource {
  const { frontWidthM, frontHeightM, atDistanceM } = fixture;
  const front = evenFront(frontWidthM, frontHeightM, 1);
  const given = sourceField(front).illuminance([0, 0, atDistanceM], [0, 0, -1]);
  const by = fixtureIlluminanceLx(fixture, atDistanceM) / given;
  return {
    field: sourceField(
      front.map((cell) => ({ ...cell, luminousFluxLm: by * cell.luminousFluxLm })),
    ),
    ...bodyOfFixture(fixture),
    frontM: 0,
    cctK: fixture.cctK,
    uv: null,
    mixed: null,
    filament: false,
    share: SHEET_SHARE,
    controls: [],
    origin: 'its data sheet: an even front that gives the stated lux on its axis',
  };
}

/** Sources along a bare tube or a metre of tape. */
const PIECES = 12;
const along = (
  lengthM: number,
  luminousFluxLm: number,
  axis: Emitter['axis'],
  spread: Emitter['spread'],
): Emitter[] =>
  Array.from({ length: PIECES }, (_, k) => ({
    positionM: [((k + 0.5) / PIECES - 0.5) * lengthM, 0, 0],
    axis,
    luminousFluxLm: luminousFluxLm / PIECES,
    spread,
  }));

interface Lamp {
  emitters: Emitter[];
  widthM: number;
  heightM: number;
}

function tubeEmitters(tube: UnitOf<'tube'>, lumens: number): Emitter[] {
  const spread = tubeSpread(tube);
  // A round tube’s axis lies along it, a bar’s faces forwards.
  return along(tube.lengthM, lumens, spread.class === 'tube' ? [1, 0, 0] : [0, 0, 1], spread);
}

function lampOf(unit: Unit, lumens: number): Lamp {
  switch (unit.category) {
    case 'strip':
      return {
        emitters: along(1, lumens, [0, 0, 1], { class: 'lambert' }),
        widthM: 1,
        heightM: unit.tapeWidthM,
      };
    case 'tube':
      return {
        emitters: tubeEmitters(unit, lumens),
        widthM: unit.lengthM,
        heightM: unit.diameterM,
      };
    case 'bulb': {
      const across = unit.globeDiameterM;
      const { spread } = unit;
      const one: Emitter = {
        positionM: [0, 0, 0],
        axis: [0, 0, 1],
        luminousFluxLm: lumens,
        spread,
      };
      return { emitters: [one], widthM: across, heightM: across };
    }
    default: {
      const { faceWidthM, faceHeightM, spread } = unit;
      const cells = evenFront(faceWidthM, faceHeightM, lumens);
      return {
        emitters: cells.map((cell) => ({ ...cell, spread })),
        widthM: faceWidthM,
        heightM: faceHeightM,
      };
    }
  }
}

/** @param shade  round a bulb; nothing else has one */
function bodyOfUnit(unit: Unit, shade: ShadeId): LightBody & { lamp: Lamp } {
  const { luminousFluxLm, wattsW, powerFactor } = oneOf(unit);
  const lamp =
    (unit.category === 'bulb' ? shaded(shade, luminousFluxLm.value) : null) ??
    lampOf(unit, luminousFluxLm.value);
  return {
    lamp,
    widthM: lamp.widthM,
    heightM: lamp.heightM,
    wattsW: wattsW.value,
    apparentVa: wattsW.value / powerFactor.value,
    circuitId: null,
  };
}

/** A lamp of the shelf by itself, in a holder that takes nothing of its light; a metre of tape. */
function unitSource(unit: Unit, shade: ShadeId): LightSource {
  const { luminousFluxLm, cctK, filament, channels } = oneOf(unit);
  const { lamp, ...body } = bodyOfUnit(unit, shade);
  return {
    ...body,
    field: sourceField(lamp.emitters),
    frontM: 0,
    cctK: cctK.value,
    uv: null,
    mixed: channels && { lamp: channels, lumensShare: 1, wattsShare: 1, shiftMired: 0 },
    filament,
    share: ORIGIN_SHARE[luminousFluxLm.origin],
    controls: [],
    origin: 'the lamp by itself, by its spread',
  };
}

const unitOf = ({ shelf }: Production, { unitId }: LightThing) =>
  shelf.units.find(({ id }) => id === unitId);
const fixtureOf = ({ fixtures }: Production, { fixtureId }: LightThing) =>
  fixtures.find(({ id }) => id === fixtureId);

/** What a light of a setup gives; null where what it named is gone, or gives no light. @param rough  estimated, not simulated */
export function sourceOf(
  document: Production,
  thing: LightThing,
  derive: Derivations,
  rough = false,
): LightSource | null {
  if (thing.buildId !== null) return buildSource(document, thing.buildId, derive, rough);
  const fixture = fixtureOf(document, thing);
  if (fixture) return fixtureSource(fixture);
  const unit = unitOf(document, thing);
  return unit ? unitSource(unit, thing.shade) : null;
}

/** What stands there for a light of a setup, without working out its light; null where what it named is gone. */
export function bodyOf(
  document: Production,
  thing: LightThing,
  derive: Derivations,
): LightBody | null {
  const build = document.builds.find(({ id }) => id === thing.buildId);
  const found = build && derive.resolve(document, build);
  if (build && found) return bodyOfBuild(found, build.circuitId);
  const fixture = fixtureOf(document, thing);
  if (fixture) return bodyOfFixture(fixture);
  const unit = unitOf(document, thing);
  return unit ? bodyOfUnit(unit, thing.shade) : null;
}
