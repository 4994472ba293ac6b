import { accept, type Result } from '../result';
import type { Production } from '../document/production';
import { evaluate, type EvaluateOptions } from './evaluate';
import type { WorkedOut } from './readouts';

/** `evaluate` of a build whose form the test knows to be known. */
export function evaluateKnown(
  document: Production,
  buildId: string,
  options?: EvaluateOptions,
): Result<WorkedOut> {
  const found = evaluate(document, buildId, options);
  if (!found.ok) return found;
  if (found.value.kind === 'unknown form') throw new Error(found.value.findings[0]!.message);
  return accept(found.value);
}

/** The ladder of a build that works out. */
export function rungsOf(document: Production, buildId: string): WorkedOut['rungs'] {
  const found = evaluateKnown(document, buildId);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value.rungs;
}
