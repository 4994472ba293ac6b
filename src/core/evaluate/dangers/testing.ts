import { ACCESSORIES } from '../../accessories';
import type { Build, Production } from '../../document/production';
import { changed } from '../../document/testing';
import { gateOf } from '../../power/wire';
import { sample } from '../../testing/sample';
import { findBuild } from '../context';
import { Derivations } from '../derive';

/**
 * Designs made up to try the gate, told by the danger and not by the form. What is dangerous in them is common
 * practice of electricians and riggers, and the standards named in `docs/model/power.md`.
 */
export type Change = (light: Build, all: Production) => void;

export const set =
  (parameters: Record<string, unknown>): Change =>
  (light) =>
    void Object.assign(light.parameters, parameters);
export const site =
  (answers: Partial<Build['site']>): Change =>
  (light) =>
    void Object.assign(light.site, answers);
export const circuit =
  (over: Partial<Production['circuits'][number]>): Change =>
  (light, all) =>
    void Object.assign(
      all.circuits.find(({ id }) => id === light.circuitId)!,
      over,
    );
/** A part of its own, made after one of its role; put where `field` says. */
export const part =
  (role: string, over: object, field?: string): Change =>
  (light, all) => {
    const like = all.shelf.parts.find((each) => each.role === role)!;
    const id = `own-${role}-${all.shelf.parts.length}` as typeof like.id;
    all.shelf.parts.push({ ...like, id, name: id, ...over } as typeof like);
    if (field) light.parameters[field] = id;
  };
export const unit =
  (like: string, over: object, field?: string): Change =>
  (light, all) => {
    const model = all.shelf.units.find(({ id }) => id === like)!;
    const id = `own-${like}` as typeof model.id;
    all.shelf.units.push({ ...model, id, name: id, ...over } as typeof model);
    if (field) light.parameters[field] = id;
    else light.parameters.groups = [{ bulbId: id, level: 1 }];
  };
export const bulb = (id: string): Change => set({ groups: [{ bulbId: id, level: 1 }] });
export const HALOGEN = bulb('halogen-a55-42');
export const carry =
  (kind: string, over: Record<string, unknown> = {}): Change =>
  (light) =>
    void light.accessories.push({
      id: `x${light.accessories.length}` as never,
      kind,
      parameters: { ...(ACCESSORIES.get(kind)!.defaults() as object), ...over } as never,
    });
export const bare: Change = (light) => void (light.accessories = []);
export const copies =
  (count: number): Change =>
  (light) =>
    void (light.copies = count);
export const use =
  (name: string): Change =>
  (light, all) => {
    all.shots.find(({ id }) => id === light.shotId)!.use = name as never;
  };
export const nearer =
  (distanceM: number): Change =>
  (light, all) =>
    void (all.shots.find(({ id }) => id === light.shotId)!.distanceM = distanceM);

export function looked(light: string, changes: readonly Change[], document = sample()) {
  const now = changed(document, (draft) => {
    // Alone in its production: a neighbour is worked out only where a danger wants one.
    draft.builds = draft.builds.filter(({ id }) => id === light);
    for (const change of changes) change(findBuild(draft, light)!, draft);
  });
  const derive = new Derivations();
  return gateOf(derive.findings(now, findBuild(now, light)!, { gridCells: 2 }));
}

export const UK: Change = (_, all) => all.circuits.forEach((each) => (each.region = 'uk-230-50'));
/** An American light: cord, plug and lamps of that mains. */
export const AMERICAN: Change = (light, all) => {
  for (const each of all.circuits)
    Object.assign(each, { region: 'na-120-60', voltageV: 120, frequencyHz: 60, ratedA: 20 });
  for (const each of all.shelf.units) if ('supplyV' in each) each.supplyV = 120;
  Object.assign(light.parameters, { cordPartId: 'cord-awg14', plugPartId: 'plug-15-120' });
};
export const METAL_BOARD = part(
  'sheet',
  { burns: 'no', thicknessM: 0.002, widthM: 3, heightM: 3 },
  'boardPartId',
);
export const EARTHED = set({ cordPartId: 'cord-15-3' });
export const HOT_BEAM = [unit('work-halogen-400', {}, 'unitId'), EARTHED];
export const HOT_400 = [...HOT_BEAM, set({ boardPartId: 'alu-1' })];
/** Stands that hold, for what is not about standing. */
export const SHORT = { pipePartId: 'pipe-alu-25' };

/** Told by the danger; what must have been found; a light of the sample, and what is done to it. */
export type Danger = [danger: string, finding: RegExp, light: string, ...changes: Change[]];

/** One test a danger: the gate is shut, and by what is the matter. */
export const stopped = (name: string, dangers: readonly Danger[]) =>
  describe(`stopped for ${name}`, () => {
    test.each(dangers)('%s', (_danger, finding, light, ...changes) => {
      const { open, stops, missing } = looked(light, changes);
      const found = [...stops, ...missing].map(({ id }) => id);
      expect(found.filter((id) => finding.test(id))).not.toEqual([]);
      expect(open).toBe(false);
    });
  });
