import type { Need } from '../build/needs';
import type { TapeRun } from '../build/wiring';
import { CLASS2_A, feedFuseA } from './feedFuse';
import type { TapePlan } from './tapePlan';

/** Leads from the supplies to every place the tape is fed at, m in all, and the fuse of each where one may give too much. */
export function leadNeeds(plan: TapePlan | null, run: TapeRun | null): Need[] {
  if (!plan || !run) return [];
  const feeds = plan.parts.reduce((sum, { feedsM }) => sum + feedsM.length, 0);
  return [
    {
      item: { kind: 'hardware', id: 'tape-lead' },
      quantity: feeds * run.leadLengthM,
      measure: 'm',
      step: 'join-tape',
      why: `leads from the supply to ${feeds === 1 ? 'one feed' : `${feeds} feeds`}`,
    },
    ...(plan.mostFeedA > CLASS2_A
      ? [
          {
            item: { kind: 'hardware' as const, id: 'fuse' as const, size: `${feedFuseA(plan)} A` },
            quantity: feeds,
            measure: 'piece' as const,
            step: 'join-tape',
            why: 'one in the + of every feed',
          },
        ]
      : []),
  ];
}
