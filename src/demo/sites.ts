import type { Site } from '@/core/location/site';

/** How every light of *Night Ferry* stands: on its own cord, the crew about it, nothing hung over it. */
export const SITE: Site = {
  lead: 'none',
  leadCord: 'unknown',
  leadLengthM: null,
  reach: 'crew',
  attended: 'always',
  over: 'nothing',
  overM: 0,
};
