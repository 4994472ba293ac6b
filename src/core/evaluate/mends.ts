import { applyCommands } from '../document/edit';
import type { Production } from '../document/production';
import { setParameters } from '../document/records';
import type { Build } from '../document/production';
import type { Finding } from '../findings/finding';
import { findBuild } from './context';
import { Derivations } from './derive';

/** A way out of a finding, tried before anybody presses it. */
export interface Mend {
  finding: string;
  label: string;
  /** more to spend now than as it stands, minor units; below nothing where it saves */
  costMinor: number;
  /** titles of stops and unknowns that were not there before */
  opens: string[];
}

const FINE_GRID = { gridCells: 2 } as const;
const shuts = ({ severity }: Finding): boolean => severity === 'stop' || severity === 'unknown';

/** Every way out of a light's stops and unknowns: what it costs, and what else it would bring up. */
export function mendsOf(document: Production, buildId: string): Mend[] {
  // What a way out leaves alone is not worked out again.
  const derive = new Derivations();
  const build = findBuild(document, buildId);
  const now = build && stateOf(document, build, derive);
  if (!build || !now) return [];
  const before = new Set(now.findings.filter(shuts).map(({ id }) => id));
  return now.findings.filter(shuts).flatMap(({ id, remedies = [] }) =>
    remedies.flatMap(({ label, parameters }): Mend[] => {
      const change = setParameters(build.id, parameters as Build['parameters']);
      const done = applyCommands(document, change(document));
      const mended = done.ok ? findBuild(done.value.document, buildId) : undefined;
      const then = done.ok && mended && stateOf(done.value.document, mended, derive);
      if (!then) return [];
      return [
        {
          finding: id,
          label,
          costMinor: then.spentNowMinor - now.spentNowMinor,
          opens: then.findings
            .filter((finding) => shuts(finding) && !before.has(finding.id))
            .map(({ title }) => title),
        },
      ];
    }),
  );
}

function stateOf(document: Production, build: Build, derive: Derivations) {
  const cost = derive.cost(document, build);
  return (
    cost && {
      spentNowMinor: cost.spentNowMinor,
      findings: derive.findings(document, build, FINE_GRID),
    }
  );
}
