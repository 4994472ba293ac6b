import { registry } from '../registry';
import { accept, type Problem, type Result } from '../result';
import type { Wording } from '../schema';
import { bulbBoard } from './bulb-board';
import { bulbRing } from './bulb-ring';
import { clampLamp } from './clamp-lamp';
import { coveredBounce } from './covered-bounce';
import { foamBox } from './foam-box';
import type { FormDefinition } from './form';
import { overheadFrame } from './overhead-frame';
import { panelStack } from './panel-stack';
import { plainSource } from './plain-source';
import { sandwichPanel } from './sandwich-panel';
import { stripPan } from './strip-pan';
import { stripRing } from './strip-ring';
import { tubeBank } from './tube-bank';
import { tubeLight } from './tube-light';
import { workLight } from './work-light';

/**
 * The registry, in the order of docs/model/forms.md. Definitions keep their own parameter type inside their
 * folder; from outside they are reached only through `readParameters`, which is what makes the cast
 * sound.
 */
const REGISTERED = [
  bulbRing,
  stripRing,
  bulbBoard,
  tubeBank,
  stripPan,
  foamBox,
  sandwichPanel,
  tubeLight,
  coveredBounce,
  overheadFrame,
  workLight,
  clampLamp,
  panelStack,
  plainSource,
] as unknown as readonly FormDefinition[];

export const FORMS: ReadonlyMap<string, FormDefinition> = registry(REGISTERED);

/**
 * Checks a build's parameters against its form's schema; paths are parameter names.
 * @param words how to word problems; doors pass their language, the engines need none
 */
export function readParameters(
  form: Pick<FormDefinition, 'parameters'>,
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
