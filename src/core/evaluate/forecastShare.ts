import type { Build, Production } from '../document/production';
import { shelfReferences } from '../document/references';
import { FINISHES, FINISH_IDS, type FinishId } from '../materials/finish';
import type { Part } from '../materials/part';
import type { Suspect } from '../meter/calibrate';
import type { Cause, CauseKind } from '../meter/causes';
import { ORIGIN_SHARE } from '../meter/said';
import { combined, withinLimits } from '../meter/uncertainty';
import type { Origin } from '../origin';
import { tapeCopper } from '../units/effective';
import type { Unit } from '../units/unit';
import { resolveScene, sceneOf, type Resolution } from './context';
import { layerParameters } from './glow/layerParameters';

const keyOf = ({ kind, id }: Pick<Cause, 'kind' | 'id'>): string => `${kind} ${id}`;
export const fluxKey = (id: string) => keyOf({ kind: 'flux', id });
export const layerKey = (id: string) => keyOf({ kind: 'transmittance', id });
const finishKey = (id: FinishId) => keyOf({ kind: 'reflectance', id });
export const copperKey = (id: string) => keyOf({ kind: 'copper', id });

/** What a key stands for: ids have no spaces. */
export function causeOfKey(key: string): Pick<Cause, 'kind' | 'id'> {
  const [kind, id] = key.split(' ') as [CauseKind, string];
  return { kind, id };
}

/** A forecast of the model itself, beside what the shelf says: distances, the estimate [typ]. */
export const MODEL_SHARE = 0.06;
/** What a finish sends back: white paints differ by a tenth [common practice], as a standard share. */
const FINISH_SHARE = withinLimits(0.1);
/** Copper that is typical of its width: tapes of one width differ twofold [common practice], ln. */
const COPPER_SHARE = 0.35;

export interface HangsOn {
  units: Unit[];
  layers: Part[];
  finishes: FinishId[];
}

/** Records of the shelf that a build's light hangs on. */
export function recordsOf(document: Production, build: Build): Omit<HangsOn, 'finishes'> {
  const ids = [...shelfReferences(build)].map((each) => each.split(':')[1]);
  const layers = layerParameters(build).flatMap((name) => build.parameters[name] ?? []);
  return {
    units: document.shelf.units.filter(({ id }) => ids.includes(id)),
    layers: document.shelf.parts.filter(
      ({ id, role }) => role === 'diffusion' && layers.includes(id),
    ),
  };
}

/** Works a build out; those who keep what they worked out are asked instead. */
type Resolve = (document: Production, build: Build) => Pick<Resolution, 'finishes'> | null;
const anew: Resolve = (document, build) => resolveScene(sceneOf(document, build));

/** The same with the finishes it is worked out with. */
export const hangsOn = (document: Production, build: Build, resolve = anew): HangsOn => ({
  ...recordsOf(document, build),
  finishes: [...(resolve(document, build)?.finishes ?? [])],
});

const originOf = (record: Unit | Part, field: string): Origin =>
  (record.origins as Record<string, Origin | undefined>)[field] ?? 'typical';

/** Names of the causes a light hangs on. */
export const keysOf = ({ units, layers, finishes }: HangsOn): ReadonlySet<string> =>
  new Set([
    ...units.map(({ id }) => fluxKey(id)),
    ...layers.map(({ id }) => layerKey(id)),
    ...finishes.map(finishKey),
  ]);

/** Everything that readings may put right, with how sure the shelf is of it; what was metered itself is right already. */
export const suspectsOf = (document: Production, keys: ReadonlySet<string>): Suspect[] =>
  figuresOf(document, keys).filter(({ metered }) => !metered);

/** Every figure of the shelf that light hangs on. */
function figuresOf(
  { shelf }: Production,
  keys: ReadonlySet<string>,
): (Suspect & { metered: boolean })[] {
  const units = shelf.units.map((unit) => {
    const field = unit.category === 'strip' ? 'lumensPerM' : 'luminousFluxLm';
    return {
      metered: originOf(unit, field) === 'metered',
      key: fluxKey(unit.id),
      label: `light of ${unit.name}`,
      prior: ORIGIN_SHARE[originOf(unit, field)],
      settledBy:
        unit.category === 'strip'
          ? `meter ${unit.name} bare, without a layer`
          : `a sweep round ${unit.name} alone`,
    };
  });
  const layers = shelf.parts.flatMap((part) =>
    part.role === 'diffusion'
      ? [
          {
            metered: originOf(part, 'transmittance') === 'metered',
            key: layerKey(part.id),
            label: `what ${part.name} lets through`,
            prior: ORIGIN_SHARE[originOf(part, 'transmittance')],
            settledBy: `a layer test of ${part.name}`,
          },
        ]
      : [],
  );
  const finishes = FINISH_IDS.map((id) => {
    const name = FINISHES[id].name.toLowerCase();
    return {
      metered: false,
      key: finishKey(id),
      label: `what ${name} sends back`,
      prior: FINISH_SHARE,
      settledBy: `a light with these lamps and layers, and another inside than ${name},`,
    };
  });
  const coppers = shelf.units.flatMap((unit) => {
    if (unit.category !== 'strip') return [];
    const { origin } = tapeCopper(unit);
    return {
      metered: origin === 'metered',
      key: copperKey(unit.id),
      label: `copper of ${unit.name}`,
      prior: origin === 'typical' ? COPPER_SHARE : ORIGIN_SHARE[origin],
      settledBy: `volts at both ends of ${unit.name}`,
    };
  });
  return [...units, ...layers, ...finishes, ...coppers].filter(({ key }) => keys.has(key));
}

/**
 * Standard uncertainty of a build's light, as a share: what the shelf or a calibration says of its lamps, layers and finishes, and the
 * model's own. A layer in a cavity counts a little less than wholly; here each is taken wholly.
 */
export function forecastShare(
  document: Production,
  build: Build,
  resolve = anew,
): { share: number; calibrated: boolean } {
  const keys = keysOf(hangsOn(document, build, resolve));
  const learnt = new Map(
    document.calibration?.causes.map((cause) => [keyOf(cause), cause.deviation]),
  );
  const shares = figuresOf(document, keys).map(({ key, prior }) => learnt.get(key) ?? prior);
  return {
    share: combined([...shares, MODEL_SHARE]),
    calibrated: [...keys].some((key) => learnt.has(key)),
  };
}
