import type { AccessoryDefinition } from '../accessories/accessory';
import { accept, type Problem, type Result } from '../result';
import type { FormContext, FormDefinition } from '../forms/form';
import { readParameters } from '../forms/index';

const same = (a: Problem) => (b: Problem) => a.code === b.code && a.path === b.path;

/**
 * Would these parameters make a design that can be made? Refuses wrong types and any impossibility
 * that was not there before, so that a design that came in broken can still be mended.
 */
export function changeParameters(
  form: FormDefinition,
  current: Record<string, unknown>,
  changes: Record<string, unknown>,
  context: FormContext,
): Result<Record<string, unknown>> {
  const next = { ...current, ...changes };
  const read = readParameters(form, next);
  if (!read.ok) return read;
  const before = readParameters(form, current);
  const known = before.ok ? form.problems(before.value, context) : [];
  const fresh = form.problems(read.value, context).filter((problem) => !known.some(same(problem)));
  return fresh.length ? { ok: false, problems: fresh } : accept(changes);
}

/** The same for an accessory, which has sizes but no impossibilities of its own. */
export function changeAccessory(
  accessory: AccessoryDefinition,
  current: Record<string, unknown>,
  changes: Record<string, unknown>,
): Result<Record<string, unknown>> {
  const read = readParameters(accessory, { ...current, ...changes });
  return read.ok ? accept(changes) : read;
}
