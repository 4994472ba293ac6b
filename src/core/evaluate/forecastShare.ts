import type { Build, Production } from '../document/production';
import { shelfReferences } from '../document/references';
import type { Part } from '../materials/part';
import type { Suspect } from '../meter/calibrate';
import type { Cause, CauseKind } from '../meter/causes';
import { ORIGIN_SHARE } from '../meter/said';
import { combined } from '../meter/uncertainty';
import type { Origin } from '../origin';
import type { Unit } from '../units/unit';
import { layerParameters } from './glow/layerParameters';

const keyOf = ({ kind, id }: Pick<Cause, 'kind' | 'id'>): string => `${kind} ${id}`;
export const fluxKey = (id: string) => keyOf({ kind: 'flux', id });
export const layerKey = (id: string) => keyOf({ kind: 'transmittance', id });

/** What a key stands for: ids have no spaces. */
export function causeOfKey(key: string): Pick<Cause, 'kind' | 'id'> {
  const [kind, id] = key.split(' ') as [CauseKind, string];
  return { kind, id };
}

/** A forecast of the model itself, beside what the shelf says: distances, finishes, the estimate [typ]. */
export const MODEL_SHARE = 0.06;

/** Records of the shelf that a build's light hangs on. */
export function hangsOn(document: Production, build: Build): { units: Unit[]; layers: Part[] } {
  const ids = [...shelfReferences(build)].map((each) => each.split(':')[1]);
  const layers = layerParameters(build).flatMap((name) => build.parameters[name] ?? []);
  return {
    units: document.shelf.units.filter(({ id }) => ids.includes(id)),
    layers: document.shelf.parts.filter(
      ({ id, role }) => role === 'diffusion' && layers.includes(id),
    ),
  };
}

const originOf = (record: Unit | Part, field: string): Origin =>
  (record.origins as Record<string, Origin | undefined>)[field] ?? 'typical';

/** Names of the causes a light hangs on. */
export const keysOf = ({ units, layers }: ReturnType<typeof hangsOn>): ReadonlySet<string> =>
  new Set([...units.map(({ id }) => fluxKey(id)), ...layers.map(({ id }) => layerKey(id))]);

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
  return [...units, ...layers].filter(({ key }) => keys.has(key));
}

/**
 * Standard uncertainty of a build's light, as a share: what the shelf or a calibration says of its lamps and layers, and the model's
 * own. A layer in a cavity counts a little less than wholly; here it is taken wholly.
 */
export function forecastShare(
  document: Production,
  build: Build,
): { share: number; calibrated: boolean } {
  const keys = keysOf(hangsOn(document, build));
  const learnt = new Map(
    document.calibration?.causes.map((cause) => [keyOf(cause), cause.deviation]),
  );
  const shares = figuresOf(document, keys).map(({ key, prior }) => learnt.get(key) ?? prior);
  return {
    share: combined([...shares, MODEL_SHARE]),
    calibrated: [...keys].some((key) => learnt.has(key)),
  };
}
