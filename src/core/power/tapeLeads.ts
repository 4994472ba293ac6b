import type { Need } from '../build/needs';
import type { TapeRun } from '../build/wiring';
import type { TapePlan } from './tapePlan';

/** Leads from the supplies to every place the tape is fed at, m in all. */
export function leadNeeds(plan: TapePlan | null, run: TapeRun | null): Need[] {
  if (!plan || !run) return [];
  const feeds = plan.parts.reduce((sum, { feedsM }) => sum + feedsM.length, 0);
  return [
    {
      item: { kind: 'hardware', id: 'tape-lead' },
      quantity: feeds * run.leadLengthM,
      measure: 'm',
      why: `leads from the supply to ${feeds === 1 ? 'one feed' : `${feeds} feeds`}`,
    },
  ];
}
