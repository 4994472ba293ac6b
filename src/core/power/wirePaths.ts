import type { XY } from '../drawing/shapes';
import type { Insulation } from '../electrics/insulation';
import type { WireNode, WiringGraph } from './conductors';

/** The paper of a wiring picture: the board's extent, and where what sits in the tail is drawn. */
export interface Sheet {
  left: number;
  right: number;
  top: number;
  bottom: number;
  /** the longer side of the board */
  size: number;
  /** half the distance between two wires of a cord */
  gap: number;
  /** height of plug, dimmer and gear */
  level: number;
  /** height at which wires run across, between gear and board */
  channel: number;
  outlet: XY;
  gear: ReadonlyMap<string, XY>;
}

/** Wires of one lane keep this many gaps from those of the next. */
const LANE = 3.2;

/** Lamps in wiring order; ends of tubes that the neutral comes to are told apart by their id. */
const lampsOf = ({ nodes }: WiringGraph, far: boolean): WireNode[] =>
  nodes.filter(({ id, kind }) => kind === 'lamp' && /^lamp-\d+b$/.test(id) === far);

/** Ways of the mains: to the lamps' near ends, and where the neutral goes to their far ends, that one too. */
export function lampPaths(graph: WiringGraph, sheet: Sheet): { near: XY[]; far: XY[] } {
  const { gear, level, channel, right, size } = sheet;
  const stops = [...gear.values()];
  const [first] = stops;
  const last = stops.at(-1);
  if (!first || !last) return { near: [], far: [] };
  const tail: XY[] = [first, last];
  const wired = !graph.nodes.some(({ kind }) => kind === 'ballast' || kind === 'supply');
  const near = wired ? lampsOf(graph, false).flatMap(({ at }) => (at ? [at] : [])) : [];
  const far = wired ? lampsOf(graph, true).flatMap(({ at }) => (at ? [at] : [])) : [];
  if (near.length === 0) return { near: tail, far: [] };
  const down = (to: XY): XY[] => [
    [last[0], channel],
    [to[0], channel],
  ];
  const edge = right + size * 0.05;
  const order = far.length > 1 && far[0]![1] === far[1]![1] ? far.toReversed() : far;
  return {
    near: [...tail, ...down(near[0]!), ...near],
    far:
      order.length === 0
        ? []
        : [
            first,
            [last[0] + size * 0.03, level],
            [last[0] + size * 0.03, channel + sheet.gap * 2],
            [edge, channel + sheet.gap * 2],
            [edge, order[0]![1]],
            ...order,
          ],
  };
}

/** Lanes spread about the middle of what they come from. */
const lane = (k: number, count: number, { gap, size }: Sheet): number =>
  (k - (count - 1) / 2) * Math.min(LANE * gap, (size * 0.5) / Math.max(1, count));

/** Out of one end, beside the tube, and into the other. */
export interface StarterRun {
  path: XY[];
  insulation: Insulation;
}

interface LampRun {
  path: XY[];
  insulations: Insulation[];
  starter: StarterRun | null;
  ref: string;
}

/** Share of the picture a starter's wires keep from its tube. */
const STARTER_OFF = 0.03;

function besideTube(from: XY, to: XY, off: number): XY[] {
  const long = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const [nx, ny] = [(-(to[1] - from[1]) / long) * off, ((to[0] - from[0]) / long) * off];
  return [from, [from[0] + nx, from[1] + ny], [to[0] + nx, to[1] + ny], to];
}

/** From each ballast to both ends of each of its tubes. */
export function ballastPaths(graph: WiringGraph, sheet: Sheet): LampRun[] {
  if (!graph.nodes.some(({ kind }) => kind === 'ballast')) return [];
  const ends = graph.nodes.filter(({ kind }) => kind === 'lamp');
  return ends.map((end, k) => {
    const into = graph.conductors.filter(({ to }) => to.node === end.id);
    const from = into.find(({ from: start }) => sheet.gear.has(start.node));
    const [x, y] = sheet.gear.get(from?.from.node ?? '') ?? sheet.outlet;
    const [tube, far] = [Math.floor(k / 2), k % 2 === 1];
    const other = ends[far ? k - 1 : k + 1]?.at ?? end.at!;
    const to = end.at!;
    const starter = into.find(({ from: start }) => start.node === ends[k - 1]?.id);
    return {
      path: aroundTo(sheet, [x + lane(k, ends.length, sheet) * 0.4, y], to, other, tube, far),
      insulations: into
        .filter(({ from: start }) => sheet.gear.has(start.node))
        .map(({ insulation }) => insulation),
      starter: starter
        ? { path: besideTube(other, to, sheet.size * STARTER_OFF), insulation: starter.insulation }
        : null,
      ref: end.ref,
    };
  });
}

/** Down beside the board and in from its edge, each wire in a lane of its own. */
function aroundTo(sheet: Sheet, from: XY, to: XY, other: XY, tube: number, far: boolean): XY[] {
  const { left, right, bottom, channel, gap, size } = sheet;
  const step = LANE * gap * 0.75 * (tube + 1);
  const across = channel - Math.min(step, size * CHANNEL_DEPTH);
  const upright = Math.abs(to[0] - other[0]) < Math.abs(to[1] - other[1]);
  const down: XY[] = [from, [from[0], across]];
  if (upright && !far) return [...down, [to[0], across], to];
  const side = far ? right + size * 0.02 + step : left - size * 0.02 - step;
  if (!upright) return [...down, [side, across], [side, to[1]], to];
  const under = bottom - size * 0.02 - step * 0.5;
  return [...down, [side, across], [side, under], [to[0], under], to];
}
/** Share of the picture the lanes across may take above the board. */
const CHANNEL_DEPTH = 0.08;

/** Gaps above a row at which its lead comes in: clear of the tape, below the row before. */
const ABOVE_ROW = 1.8;

/** From its supply down and in above its row, so that no lead lies on the tape. */
export function feedPath(
  graph: WiringGraph,
  sheet: Sheet,
  feed: WireNode,
  index: number,
): XY[] | null {
  const from = graph.conductors.find(({ to }) => to.node === feed.id)?.from.node;
  const at = from === undefined ? undefined : sheet.gear.get(from);
  if (!at || !feed.at) return null;
  const own = graph.conductors.filter((each) => each.from.node === from && each.role === 'plus');
  const rank = own.findIndex(({ to }) => to.node === feed.id);
  const x = at[0] + lane(rank < 0 ? index : rank, own.length, sheet);
  const above = feed.at[1] + sheet.gap * ABOVE_ROW;
  return [[x, at[1]], [x, above], [feed.at[0], above], feed.at];
}
