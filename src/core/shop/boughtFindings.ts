import type { BoughtSize } from '../build/bought';
import type { Finding } from '../findings/finding';
import { exactMm } from '../quantity';

/** What is cut follows the drawing: where the thing that was bought has another size, it will not fit. */
export const boughtFindings = (sizes: readonly BoughtSize[]): Finding[] =>
  sizes.flatMap(({ id, name, what, drawnM, boughtM, sameM, field, ref }): Finding[] =>
    Math.abs(drawnM - boughtM) <= sameM + 1e-9
      ? []
      : [
          {
            id,
            topic: 'geometry',
            severity: 'look',
            title: `Not the ${what} that was bought`,
            message: `“${name}” has a ${what} of ${exactMm(boughtM)}, the drawing ${exactMm(drawnM)}: what is cut would not fit it.`,
            limit: exactMm(boughtM),
            source: 'The label of what was bought',
            where: { field, drawing: ref },
            remedies: [{ label: `Draw it ${exactMm(boughtM)}`, parameters: { [field]: boughtM } }],
          },
        ],
  );
