/** Bars cut from one length of stock; lengths in metres. */
export interface Bar {
  lengthM: number;
  /** indices into the pieces asked for, in cutting order, longest first */
  pieces: number[];
  /** what is left over after the last cut */
  offCutM: number;
  /** an off-cut that was already on hand */
  onHand: boolean;
}

export interface StickCut {
  bars: Bar[];
  /** pieces longer than any bar */
  tooLong: number[];
  /** ⌈Σ(length + kerf)/(stock + kerf)⌉: no plan can use fewer bars of stock */
  lowerBound: number;
}

/** Up to this many pieces the plan is proved best; beyond, it is heuristic. */
export const EXACT_PIECES = 12;
/** Up to this many, bars are also filled by least slack. */
const SLACK_PIECES = 400;
const HAIR = 1e-9;

/**
 * One-dimensional cutting stock. Off-cuts on hand are filled first, each as full as can be; the rest
 * is cut from whole bars: exact by branch and bound up to 12 pieces, beyond that the best of
 * best-fit decreasing and minimum bin slack (Gupta and Ho 1999).
 * @param lengths  pieces wanted, each > 0
 * @param stockM  length of a new bar
 * @param kerfM  width of the saw's cut, ≥ 0
 * @param offCutsM  lengths on hand
 */
export function cutSticks(
  lengths: readonly number[],
  stockM: number,
  kerfM: number,
  offCutsM: readonly number[] = [],
): StickCut {
  const byLength = lengths.map((_, index) => index).sort((a, b) => lengths[b]! - lengths[a]!);
  const longest = Math.max(stockM, ...offCutsM);
  const tooLong = byLength.filter((index) => lengths[index]! > longest + HAIR);
  // With the kerf added to piece and bar, cuts become plain sums.
  const sizeOf = (index: number) => lengths[index]! + kerfM;
  let left = byLength.filter((index) => lengths[index]! <= longest + HAIR);
  const bars: Bar[] = [];
  for (const offCutM of offCutsM.toSorted((a, b) => a - b)) {
    const chosen = fullest(left, sizeOf, offCutM + kerfM);
    if (chosen.length === 0) continue;
    bars.push(barOf(chosen, offCutM, kerfM, lengths, true));
    left = left.filter((index) => !chosen.includes(index));
  }
  tooLong.push(...left.filter((index) => lengths[index]! > stockM + HAIR));
  left = left.filter((index) => lengths[index]! <= stockM + HAIR);
  const room = stockM + kerfM;
  const packed = pack(left, sizeOf, room);
  return {
    bars: [...bars, ...packed.map((chosen) => barOf(chosen, stockM, kerfM, lengths, false))],
    tooLong,
    lowerBound: lowerBound(left.map(sizeOf), room),
  };
}

const lowerBound = (sizes: readonly number[], room: number): number =>
  Math.max(0, Math.ceil(sizes.reduce((sum, size) => sum + size, 0) / room - HAIR));

function barOf(
  pieces: number[],
  lengthM: number,
  kerfM: number,
  lengths: readonly number[],
  onHand: boolean,
): Bar {
  const used = pieces.reduce((sum, index) => sum + lengths[index]! + kerfM, 0);
  return { lengthM, pieces, offCutM: Math.max(0, lengthM - used), onHand };
}

type SizeOf = (index: number) => number;

function pack(order: readonly number[], sizeOf: SizeOf, room: number): number[][] {
  const bound = lowerBound(order.map(sizeOf), room);
  const tries = [
    () => bestFit(order, sizeOf, room),
    // Bigger jobs are near their bound by best fit alone, and must not keep anybody waiting.
    ...(order.length <= SLACK_PIECES ? [() => minimumSlack(order, sizeOf, room)] : []),
  ];
  let best: number[][] | null = null;
  for (const attempt of tries) {
    const found = attempt();
    if (!best || found.length < best.length) best = found;
    if (best.length <= bound) return best;
  }
  const plan = best ?? [];
  return order.length <= EXACT_PIECES
    ? (fewer(order, sizeOf, room, plan.length, bound) ?? plan)
    : plan;
}

/** Longest first, each into the bar that it fills most tightly. */
function bestFit(order: readonly number[], sizeOf: SizeOf, room: number): number[][] {
  const bars: { pieces: number[]; left: number }[] = [];
  for (const index of order) {
    const size = sizeOf(index);
    const fitting = bars.filter(({ left }) => left >= size - HAIR);
    const tightest = fitting.reduce<(typeof bars)[number] | null>(
      (best, bar) => (best === null || bar.left < best.left ? bar : best),
      null,
    );
    if (tightest) {
      tightest.pieces.push(index);
      tightest.left -= size;
    } else bars.push({ pieces: [index], left: room - size });
  }
  return bars.map(({ pieces }) => pieces);
}

/** Bar after bar, each filled as full as can be around the longest piece still waiting. */
function minimumSlack(order: readonly number[], sizeOf: SizeOf, room: number): number[][] {
  const bars: number[][] = [];
  let left = [...order];
  while (left.length) {
    const first = left[0]!;
    const rest = fullest(left.slice(1), sizeOf, room - sizeOf(first));
    bars.push([first, ...rest]);
    const taken = new Set(bars.at(-1));
    left = left.filter((index) => !taken.has(index));
  }
  return bars;
}

/** Looks no further than this many part-fillings for one bar. */
const MOST_LOOKS = 20_000;

/** The subset that fills a room most, longest pieces first; equal lengths are tried once. */
function fullest(order: readonly number[], sizeOf: SizeOf, room: number): number[] {
  let best: number[] = [];
  let bestUsed = 0;
  let looks = 0;
  const chosen: number[] = [];
  const visit = (from: number, used: number): boolean => {
    if (used > bestUsed + HAIR) {
      best = [...chosen];
      bestUsed = used;
      if (room - used <= HAIR) return true;
    }
    let last = -1;
    for (let at = from; at < order.length; at++) {
      const size = sizeOf(order[at]!);
      if (used + size > room + HAIR || size === last) continue;
      if (++looks > MOST_LOOKS) return true;
      last = size;
      chosen.push(order[at]!);
      if (visit(at + 1, used + size)) return true;
      chosen.pop();
    }
    return false;
  };
  visit(0, 0);
  return best;
}

/** Branch and bound for a plan with fewer bars than known; null when there is none. */
function fewer(
  order: readonly number[],
  sizeOf: SizeOf,
  room: number,
  known: number,
  bound: number,
): number[][] | null {
  let best: number[][] | null = null;
  let fewest = known;
  const bars: number[][] = [];
  const rooms: number[] = [];
  const visit = (at: number): boolean => {
    if (bars.length >= fewest) return false;
    if (at === order.length) {
      best = bars.map((bar) => [...bar]);
      fewest = bars.length;
      return fewest <= bound;
    }
    const size = sizeOf(order[at]!);
    const seen = new Set<number>();
    for (let k = 0; k < bars.length; k++) {
      // Bars with the same room left are the same choice.
      if (rooms[k]! < size - HAIR || seen.has(rooms[k]!)) continue;
      seen.add(rooms[k]!);
      bars[k]!.push(order[at]!);
      rooms[k]! -= size;
      if (visit(at + 1)) return true;
      rooms[k]! += size;
      bars[k]!.pop();
    }
    bars.push([order[at]!]);
    rooms.push(room - size);
    if (visit(at + 1)) return true;
    bars.pop();
    rooms.pop();
    return false;
  };
  visit(0);
  return best;
}
