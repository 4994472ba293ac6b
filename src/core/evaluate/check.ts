import type { Circuit } from '../location/circuit';
import type { Build } from '../document/production';
import type { Shot } from '../location/shot';
import { collectFindings, type Finding } from '../findings/finding';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { flickerRiskFindings } from '../flicker/risk';
import type { Part } from '../materials/part';
import { earthFindings } from '../power/earth';
import { dimmerFindings } from '../power/dimmerFindings';
import { heatFindings } from '../power/heat';
import { overFindings, overThings, siteFindings } from '../power/siteFindings';
import { subjectThings } from '../power/subject';
import { loadFindings } from '../power/loadFindings';
import type { PowerPlan } from '../power/plan';
import { tapePowerFindings } from '../power/tapePowerFindings';
import type { TapePlan } from '../power/tapePlan';
import { loadOnSupports } from '../statics/load';
import { boughtFindings } from '../shop/boughtFindings';
import { cutFindings } from '../shop/cutFindings';
import type { CutPlan } from '../shop/cutPlan';
import { colourFindings, flickerFindings } from './colourRungs';
import type { LightResult } from './light';
import { lightFindings } from './lightFindings';
import type { Readout } from './readout';

/** What the engines worked out for a build, before it is judged. */
interface OwnResults {
  light: LightResult;
  plan: PowerPlan;
  tape: TapePlan | null;
  cuts: CutPlan;
  flicker: Readout;
}

/** What a build is judged against. */
interface Judged {
  build: Pick<Build, 'shotId' | 'site'>;
  shot: Shot;
  circuit: Circuit;
  parts: readonly Part[];
}

/** The one collector: every engine's findings about one build. */
export function findingsOf(
  { build, shot, circuit, parts }: Judged,
  resolved: ResolvedBuild,
  { light, plan, tape, cuts, flicker }: OwnResults,
): Finding[] {
  return collectFindings(
    build.shotId === null ? [NO_SHOT] : [],
    resolved.findings,
    cutFindings(cuts),
    boughtFindings(resolved.bought),
    loadFindings(plan, resolved, parts),
    earthFindings(plan, resolved, parts, build.site),
    siteFindings(plan, resolved, build.site),
    dimmerFindings(plan, resolved),
    tapePowerFindings(tape, resolved.tape, parts),
    loadOnSupports(resolved),
    overFindings(resolved, build.site),
    heatFindings(resolved, [
      ...overThings(build.site),
      ...(build.shotId === null ? [] : subjectThings(resolved, shot)),
    ]),
    lightFindings(light, resolved, shot),
    colourFindings(resolved, shot),
    flickerFindings(flicker, resolved),
    flickerRiskFindings(resolved, circuit),
    resolved.groups.flatMap((group) => group.labelFindings),
  );
}

const NO_SHOT: Finding = {
  id: 'build.no-shot',
  topic: 'shot',
  severity: 'unknown',
  title: 'It belongs to no shot',
  message:
    'Its shot was taken away. Until it is given another it is judged as a key on a face at 1.2 m.',
  source: 'This design',
  where: { field: 'build.shotId' },
};

/** A build this version cannot work out is kept as it is and says so. */
export const unknownForm = ({ name, form }: Build): Finding => ({
  id: 'form.unknown',
  topic: 'form',
  severity: 'unknown',
  title: 'This form is not known here',
  message: `“${name}” is a “${form}”, or holds parameters this version does not understand. It is kept untouched; a newer Lantern Jar may open it.`,
  source: 'This version’s list of forms',
  where: {},
});
