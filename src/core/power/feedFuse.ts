import type { TapePlan } from './tapePlan';

/** What one output may give without a fuse, A [std: UL 1310, class 2; from memory]. */
export const CLASS2_A = 8;
/** A fuse lets its own load through for hours [common practice]. */
const FUSE_MARGIN = 1.25;

/** The fuse of each feed, A, rounded up to a whole one. */
export const feedFuseA = ({ mostFeedA }: Pick<TapePlan, 'mostFeedA'>): number =>
  Math.ceil(mostFeedA * FUSE_MARGIN);
