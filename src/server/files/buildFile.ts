import type { Production } from '@/core/document/production';
import { findBuild } from '@/core/evaluate/context';
import { evaluate } from '@/core/evaluate/evaluate';
import { evaluateSimulated, type SimulatedReadouts } from '@/core/evaluate/simulated';
import type { BuildFileName } from '@/core/formats/buildFiles';
import { whyEmpty } from '@/core/evaluate/emptyFiles';
import { READOUT_RUN } from '@/core/light/transport/run';
import type { UnitSystem } from '@/core/quantity';
import { accept, type Result } from '@/core/result';
import { WRITERS } from './writers';

export interface BuildFile {
  /** night-ferry_clerk-ring_cut-list.csv */
  name: string;
  type: string;
  body: string | Uint8Array;
  /** why nobody should be given it: there is nothing in it; null where there is */
  refused: string | null;
}

const slug = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'light';

/** One file of a build; null when there is no such build or its form is not known here. */
export async function buildFile(
  document: Production,
  buildId: string,
  file: BuildFileName,
  units: UnitSystem = 'metric',
): Promise<BuildFile | null> {
  const { type, lit, write } = WRITERS[file];
  const build = findBuild(document, buildId);
  const found = build && readoutsFor(document, buildId, lit ?? false);
  if (!build || !found?.ok || found.value.kind === 'unknown form') return null;
  const refused = whyEmpty(file, found.value.pieces);
  const title = `${document.name}: ${build.name}`;
  const body = refused ? '' : await write({ document, build, readouts: found.value, title, units });
  return body === null
    ? null
    : {
        name: `${slug(document.name)}_${slug(build.name)}_${file}`,
        type,
        body,
        refused,
      };
}

function readoutsFor(
  document: Production,
  buildId: string,
  lit: boolean,
): Result<SimulatedReadouts> {
  if (lit) return evaluateSimulated(document, buildId, READOUT_RUN);
  const found = evaluate(document, buildId);
  return found.ok ? accept({ ...found.value, transported: null }) : found;
}
