import { accept, type Problem, type Result } from '../result';
import { bulbRing } from './bulb-ring';
import type { Wording } from '../schema';
import type { FormDefinition } from './form';

/**
 * The registry. Definitions keep their own parameter type inside their folder; from outside they
 * are reached only through `readParameters`, which is what makes the cast sound.
 */
const REGISTERED = [bulbRing] as unknown as readonly FormDefinition[];

export const FORMS: ReadonlyMap<string, FormDefinition> = new Map(
  REGISTERED.map((form) => [form.id, form]),
);

/**
 * Checks a build's parameters against its form's schema; paths are parameter names.
 * @param words how to word problems; doors pass their language, the engines need none
 */
export function readParameters(
  form: FormDefinition,
  parameters: unknown,
  words?: Wording,
): Result<unknown> {
  const read = form.parameters.safeParse(parameters, words);
  if (read.success) return accept(read.data);
  return {
    ok: false,
    problems: read.error.issues.map((issue): Problem => ({
      code: issue.code,
      path: issue.path.join('.'),
      message: issue.message,
    })),
  };
}
