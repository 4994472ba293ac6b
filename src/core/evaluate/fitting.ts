import { produce } from 'immer';
import type { Build, Production } from '../document/production';
import { shelfReferences } from '../document/references';
import { FORMS } from '../forms';
import { countedNotSolved } from '../forms/fill';
import type { Base } from '../electrics/caps';
import { findBuild, resolveScene, sceneOf } from './context';
import { cannotRun, READOUT_RUN, simulateQuickly } from '../light/transport/run';
import { evaluateLight } from './light';
import { cavityOf } from './readouts';

/** One unit of the shelf put into a build's fitting. */
export interface Fitted {
  id: string;
  name: string;
  chosen: boolean;
  /** its base, where the bulbs in the build have another; null where it goes in */
  otherBase: Base | null;
  /** lumens of its lamps */
  sentLm: number;
  /** at the subject */
  illuminanceLx: number;
  /** of it, what chance leaves open; null where nothing is drawn by lot */
  standardErrorLx: number | null;
  /** lux at the subject for a thousand lumens sent: what the fitting makes of them */
  lxPerKlm: number;
  /** share of what is sent that falls on the shot's coverage */
  share: number;
}

type Chosen = ReturnType<typeof shelfReferences>;

/** A bulb's base when none of the bulbs chosen now has it. */
function otherBase({ shelf }: Production, chosen: Chosen, id: string): Base | null {
  const bulbs = shelf.units.filter((unit) => unit.category === 'bulb');
  const bulb = bulbs.find((each) => each.id === id);
  const now = bulbs.filter((each) => chosen.has(`unit:${each.id}`));
  if (!bulb || now.length === 0) return null;
  return now.some(({ base }) => base === bulb.base) ? null : bulb.base;
}

/** Parameters of a build that choose its lamps. */
const lampFields = (build: Build) =>
  (FORMS.get(build.form)?.fields ?? []).filter(
    (field) => field.kind === 'groups' || field.kind === 'unit',
  );

/** Puts one unit everywhere a build's lamps are chosen; false when it does not belong there. */
export function putInInPlace(build: Build, document: Production, id: string): boolean {
  const unit = document.shelf.units.find((each) => each.id === id);
  let changed = false;
  for (const field of lampFields(build)) {
    const value = build.parameters[field.parameter];
    if (unit?.category !== field.category) continue;
    if (field.kind === 'groups') {
      if (!Array.isArray(value)) continue;
      build.parameters[field.parameter] = value.map((group) => ({
        ...(group as object),
        bulbId: id,
      }));
      changed = true;
    } else if (value !== null) {
      build.parameters[field.parameter] = id;
      changed = true;
    }
  }
  return changed;
}

function lamp(document: Production, buildId: string) {
  const scene = sceneOf(document, findBuild(document, buildId)!);
  const found = resolveScene(scene);
  if (!found) return null;
  const room = cavityOf(found.resolved, scene.shot)?.arrangement;
  const followed = room && cannotRun(room, READOUT_RUN) === null;
  const transported = followed ? simulateQuickly(room, READOUT_RUN.seed) : null;
  return {
    light: evaluateLight(found.resolved, scene.shot, { gridCells: 6, transported }),
    shot: scene.shot,
  };
}

/**
 * Every unit of the shelf that goes into a build's fitting, ranked by what of its lumens reaches the
 * subject: equal lumens of another spread are not equal light. Behind a mouth each is simulated.
 */
export function fittingRank(document: Production, buildId: string): Fitted[] {
  const build = findBuild(document, buildId);
  if (!build) return [];
  const chosen = shelfReferences(build);
  return document.shelf.units
    .flatMap(({ id, name }): Fitted[] => {
      let fits = false;
      const changed = produce(document, (draft) => {
        const target = findBuild(draft as Production, buildId)!;
        // As many lamps as now, whatever each gives.
        target.parameters = countedNotSolved(target.parameters);
        fits = putInInPlace(target, document, id);
      });
      const found = fits ? lamp(changed, buildId) : null;
      if (!found || !(found.light.totalLx > 0)) return [];
      const { light, shot } = found;
      const area = shot.coverageWidthM * shot.coverageHeightM;
      return [
        {
          id,
          name,
          chosen: chosen.has(`unit:${id}`),
          otherBase: otherBase(document, chosen, id),
          sentLm: light.luminousFluxLm,
          illuminanceLx: light.totalLx,
          standardErrorLx: light.standardErrorLx,
          lxPerKlm: (light.totalLx / light.luminousFluxLm) * 1000,
          share: Math.min(1, (light.evenness.meanLx * area) / light.luminousFluxLm),
        },
      ];
    })
    .sort((a, b) => b.lxPerKlm - a.lxPerKlm);
}
