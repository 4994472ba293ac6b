import type { Production } from '@/core/document/production';
import type { BuildFileName } from '@/core/formats/buildFiles';
import { readDocument } from '@/core/document/read';
import { evaluate } from '@/core/evaluate/evaluate';
import { evaluateSimulated, printable } from '@/core/evaluate/simulated';
import type { UnitSystem } from '@/core/quantity';
import { buildFile, type BuildFile } from '../files/buildFile';
import { carSheet } from '../files/carSheet';
import { compassSheet } from '../files/compassSheet';
import { lightingPlan } from '../files/lightingPlan';

interface EvaluateTask {
  /** a document as it came, not read yet */
  json: unknown;
  buildId: string;
  gridCells: number | undefined;
  /** null for the estimate of light instead of the simulated one */
  run: { photons: number; seed: number } | null;
  orEstimate: boolean;
}

interface FileTask {
  document: Production;
  buildId: string;
  file: BuildFileName;
  units: UnitSystem;
}

/** What takes long, or is asked for many times at once: nobody waits for it who asked for something else. */
export const WORK = {
  /** A document of another making may be large, and wrong in many places. */
  readDocument: async ({ json }: { json: unknown }) => readDocument(json),
  buildFile: ({ document, buildId, file, units }: FileTask): Promise<BuildFile | null> =>
    buildFile(document, buildId, file, units),
  carSheet: ({
    document,
    ids,
    units,
  }: {
    document: Production;
    ids: string[];
    units: UnitSystem;
  }) => carSheet(document, ids, units),
  compassSheet: ({ units }: { units: UnitSystem }) => compassSheet(units),
  lightingPlan: async (task: { document: Production; setupId: string; units: UnitSystem }) => {
    const setup = task.document.setups.find(({ id }) => id === task.setupId);
    return setup ? lightingPlan(task.document, setup, task.units) : null;
  },
  evaluate: async ({ json, buildId, gridCells, run, orEstimate }: EvaluateTask) => {
    const read = readDocument(json);
    if (!read.ok) return read;
    const found = run
      ? evaluateSimulated(read.value, buildId, run, { gridCells, glow: true, orEstimate })
      : evaluate(read.value, buildId, { gridCells });
    return found.ok ? { ok: true as const, value: printable(found.value) } : found;
  },
};
type Work = typeof WORK;
export type WorkName = keyof Work;
export type Task<N extends WorkName> = Parameters<Work[N]>[0];
export type Done<N extends WorkName> = Awaited<ReturnType<Work[N]>>;
