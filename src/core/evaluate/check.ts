import type { Build, Production } from '../document/production';
import { collectFindings, type Finding } from '../findings/finding';
import type { ResolvedBuild } from '../forms/resolved';
import { flickerRiskFindings } from '../flicker/risk';
import { dimmerFindings } from '../power/dimmerFindings';
import { heatFindings } from '../power/heat';
import { loadFindings } from '../power/loadFindings';
import { fullCurrentA, planPower, type PowerPlan } from '../power/plan';
import { tapeFindings } from '../power/tapeFindings';
import { planTape, type TapePlan } from '../power/tapePlan';
import { cutFindings } from '../shop/cutFindings';
import { planCuts, type CutPlan } from '../shop/cutPlan';
import { colourFindings, flickerFindings, flickerRung } from './colourRungs';
import { resolveScene, sceneOf, type Scene } from './context';
import { evaluateLight, type LightResult } from './light';
import { lightFindings } from './lightFindings';

/** What the engines worked out for a build, before it is judged. */
interface Worked {
  light: LightResult;
  plan: PowerPlan;
  tape: TapePlan | null;
  cuts: CutPlan;
}

/** The one collector: every engine's findings about one build. */
export function findingsOf(scene: Scene, resolved: ResolvedBuild, worked: Worked): Finding[] {
  const { document, shot, circuit } = scene;
  const { light, plan, tape, cuts } = worked;
  return collectFindings(
    resolved.findings,
    cutFindings(cuts),
    loadFindings(plan, resolved, document.shelf.parts),
    dimmerFindings(plan, resolved),
    tapeFindings(tape, resolved.tape, document.shelf.parts),
    heatFindings(resolved),
    lightFindings(light, resolved, shot),
    colourFindings(resolved, shot),
    flickerFindings(flickerRung(light, resolved, shot, circuit), resolved),
    flickerRiskFindings(resolved, circuit),
    resolved.groups.flatMap((group) => group.labelFindings),
  );
}

/** A build this version cannot work out is kept as it is and says so. */
export const unknownForm = ({ name, form }: Build): Finding => ({
  id: 'form.unknown',
  severity: 'unknown',
  title: 'This form is not known here',
  message: `“${name}” is a “${form}”, or holds parameters this version does not understand. It is kept untouched; a newer Lantern Jar may open it.`,
  source: 'This version’s list of forms',
  where: {},
});

/** Whether a piece fits its stock does not hang on how cleverly it is laid. */
const PLAIN_PLAN = { starts: 1, batch: 1 };
const CHECK_CELLS = 4;

/** Everything about one build that does not hang on its neighbours. */
interface Alone extends Omit<Worked, 'plan'> {
  scene: Scene;
  resolved: ResolvedBuild;
  /** what it draws from its circuit, every copy fully up */
  amps: number;
}

function workOut(document: Production, build: Build): Alone | null {
  const scene = sceneOf(document, build);
  const found = resolveScene(scene);
  if (!found) return null;
  const { resolved } = found;
  return {
    scene,
    resolved,
    light: evaluateLight(resolved, scene.shot, { gridCells: CHECK_CELLS }),
    tape: planTape(resolved.tape),
    cuts: planCuts(resolved.pieces, build.copies, scene.context.part, PLAIN_PLAN),
    amps: build.copies * fullCurrentA(resolved, scene.circuit.voltageV),
  };
}

/** Every build of a production with its findings, in the document's order, by the instant estimate of light. */
export function checkProduction(document: Production): { build: Build; findings: Finding[] }[] {
  const loads = new Map<string, number>();
  const worked = document.builds.map((build) => {
    const alone = workOut(document, build);
    loads.set(build.circuitId, (loads.get(build.circuitId) ?? 0) + (alone?.amps ?? 0));
    return { build, alone };
  });
  return worked.map(({ build, alone }) => {
    if (!alone) return { build, findings: [unknownForm(build)] };
    const { scene, resolved, amps } = alone;
    const { circuit } = scene;
    const othersA = loads.get(build.circuitId)! - amps + circuit.otherLoadW / circuit.voltageV;
    const plan = planPower(resolved, circuit, othersA, scene.context.part, build.copies);
    return { build, findings: findingsOf(scene, resolved, { ...alone, plan }) };
  });
}
