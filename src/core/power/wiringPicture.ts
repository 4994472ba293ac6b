import type { Board } from '../build/board';
import type { Shape, View } from '../drawing/drawing';
import {
  box,
  circle,
  line,
  rectangle,
  shapesExtent,
  view,
  words,
  type XY,
} from '../drawing/shapes';
import { beside } from '../drawing/beside';
import type { Insulation } from '../electrics/insulation';
import type { WireNode, WireRole, WiringGraph } from './conductors';
import type { Region } from '../electrics/region';
import type { PowerPlan } from './plan';
import { ballastPaths, feedPath, lampPaths, type Sheet, type StarterRun } from './wirePaths';

/** Sizes of the picture as shares of the build's own, so that it reads alike at every size. */
const LEAST_M = 0.05;
const GEAR = { wide: 0.22, high: 0.09, above: 0.27, apart: 0.34 };
const CHANNEL = 0.1;
const WIRE_GAP = 0.012;
const LEGEND = { below: 0.1, row: 0.065, swatch: 0.06 };
/** Letters of a line of words below the picture: longer ones would leave the paper. */
const LINE = 46;
/** Lamps that are all numbered; of more, every fifth is. */
const ALL_NUMBERED = 24;
const NUMBER_EACH = 5;
/** Rows and feeds named one by one; more would be a smear. */
const MOST_NAMED = 12;

const COLOUR_NAMES: Record<Insulation, string> = {
  brown: 'brown',
  blue: 'blue',
  'green-yellow': 'green and yellow',
  black: 'black',
  white: 'white',
  green: 'green or bare',
  red: 'red',
  grey: 'as the ballast’s label',
};
const ROLE_NAMES: Record<WireRole, string> = {
  live: 'L  live',
  neutral: 'N  neutral',
  earth: 'E  earth',
  plus: '+  low voltage',
  minus: '−  low voltage',
  lamp: 'to the tubes',
};
const ROLES = Object.keys(ROLE_NAMES) as WireRole[];

/** What stands round the wires: the fuse in the plug, and what trips before the strip. */
interface AtTheOutlet {
  fuse: string | null;
  trips: Region['trips'];
}

interface Given extends AtTheOutlet {
  graph: WiringGraph;
  board: Board;
}

const inTail = ({ kind }: WireNode): boolean =>
  kind === 'plug' || kind === 'dimmer' || kind === 'supply' || kind === 'ballast';

/** What stands at the plug: the fuse in it, where plugs are fused. */
export function plugWords({ plug, region }: PowerPlan): string | null {
  if (plug?.fuseA) return `fuse ${plug.fuseA} A`;
  return region.plugFusesA.length > 0 ? 'fuse: see the findings' : null;
}

/** Every wire of a build in its region's colours, as it lies on the back, from the switched strip to the lamps. */
export function wiringView({ graph, board, fuse, trips }: Given): View {
  const sheet = sheetOf(board, graph);
  const gear = graph.nodes.filter(inTail);
  const colours = new Map(graph.conductors.map(({ role, insulation }) => [role, insulation]));
  const laid = wires(graph, board, sheet);
  return view('wiring', 'Wiring, from behind', [
    ...board.outline,
    ...board.rows.map((row) => line(row, 'tape', 'tape')),
    ...board.lamps.map((lamp) => lampShape(lamp, board.lampM)),
    ...(laid.length > 0 || gear.length === 0 ? laid : nothingYet(sheet)),
    ...(gear.length > 0 ? outlet(sheet, trips) : []),
    ...gear.flatMap((node) => gearShapes(node, sheet, node.kind === 'plug' ? fuse : null)),
    ...numbers(board, graph, sheet),
    ...legend(colours, graph.open, {
      ...sheet,
      bottom: Math.min(sheet.bottom, shapesExtent(laid).bottom),
    }),
  ]);
}

function sheetOf(board: Board, graph: WiringGraph): Sheet {
  const { left, right, top, bottom } = shapesExtent([...board.outline]);
  const size = Math.max(right - left, top - bottom, LEAST_M);
  const gear = graph.nodes.filter(inTail);
  const level = top + size * GEAR.above;
  // The strip it is plugged into stands first, and is no part of it.
  const first = Math.min(left, (left + right) / 2 - size * 0.4) + (size * GEAR.wide) / 2;
  const at = (k: number): XY => [first + (k + 1) * size * GEAR.apart, level];
  return {
    left,
    right,
    top,
    bottom,
    size,
    gap: size * WIRE_GAP,
    level,
    channel: top + size * CHANNEL,
    outlet: [first, level],
    gear: new Map(gear.map(({ id }, k) => [id, at(k)])),
  };
}

const lampShape = ({ at, to, ref }: Board['lamps'][number], lampM: number): Shape =>
  to
    ? rectangle(
        Math.min(at[0], to[0]) - (at[0] === to[0] ? lampM / 2 : 0),
        Math.min(at[1], to[1]) - (at[1] === to[1] ? lampM / 2 : 0),
        Math.max(at[0], to[0]) + (at[0] === to[0] ? lampM / 2 : 0),
        Math.max(at[1], to[1]) + (at[1] === to[1] ? lampM / 2 : 0),
        'glass',
        ref,
      )
    : circle(at[0], at[1], lampM / 2, 'part', ref);

const wire = (points: readonly XY[], insulation: Insulation, ref: string): Shape => ({
  ...line(points, 'cord', ref),
  insulation,
});

/** Wires of one sort side by side along a way: the first on its left, the last on its right. */
function bundle(
  path: readonly XY[],
  insulations: readonly Insulation[],
  gap: number,
  ref: string,
): { shapes: Shape[]; ends: XY[] } {
  const laid = insulations.map((insulation, k) => {
    const points = beside(path, (insulations.length - 1 - 2 * k) * gap);
    return { shape: wire(points, insulation, ref), end: points.at(-1)! };
  });
  return { shapes: laid.map(({ shape }) => shape), ends: laid.map(({ end }) => end) };
}

const terminal = ([x, y]: XY, { gap }: Sheet, ref: string): Shape =>
  circle(x, y, gap * 0.8, 'part', ref);

function wires(graph: WiringGraph, board: Board, sheet: Sheet): Shape[] {
  const mains = (['live', 'earth', 'neutral'] as const).flatMap((role) => {
    const found = graph.conductors.find((conductor) => conductor.role === role);
    return found ? [{ role, insulation: found.insulation }] : [];
  });
  return [
    ...mainsShapes(graph, board, sheet, mains),
    ...ballastShapes(graph, sheet),
    ...feedShapes(graph, sheet),
  ];
}

interface MainsWire {
  role: WireRole;
  insulation: Insulation;
}

function mainsShapes(
  graph: WiringGraph,
  board: Board,
  sheet: Sheet,
  mains: readonly MainsWire[],
): Shape[] {
  const { near, far } = lampPaths(graph, sheet);
  const along = (path: readonly XY[], some: readonly MainsWire[]): Shape[] => {
    const { shapes } = bundle(
      path,
      some.map(({ insulation }) => insulation),
      sheet.gap,
      'cord',
    );
    const lamps = path.slice(path.length - board.lamps.length);
    // A dot where each wire meets each lamp's terminal.
    const dots = graph.nodes.some(({ kind }) => kind === 'lamp')
      ? shapes.flatMap((shape) =>
          shape.kind === 'polyline'
            ? shape.points
                .slice(shape.points.length - lamps.length)
                .map((at, k) => terminal(at, sheet, board.lamps[k]?.ref ?? 'cord'))
            : [],
        )
      : [];
    return [...shapes, ...dots];
  };
  const stud = studShapes(graph, sheet, near);
  if (far.length === 0) return [...along(near, mains), ...stud];
  return [
    ...along(
      near,
      mains.filter(({ role }) => role !== 'neutral'),
    ),
    ...along(
      far,
      mains.filter(({ role }) => role === 'neutral'),
    ),
    ...stud,
  ];
}

/** Earth of what is cut from metal: a lug on it, beside where the cord comes in. */
function studShapes(graph: WiringGraph, sheet: Sheet, near: readonly XY[]): Shape[] {
  const stud = graph.nodes.find(({ kind }) => kind === 'earth');
  const earth = graph.conductors.find(({ to }) => to.node === 'earth');
  if (!stud || !earth) return [];
  const [x, y] = stud.at ?? near.at(-1)!;
  const at: XY = [x + sheet.size * 0.09, y - sheet.size * 0.06];
  return [
    wire([[x, y], [at[0], y], at], earth.insulation, 'earth'),
    circle(at[0], at[1], sheet.gap * 1.4, 'part', 'earth'),
    words(at[0], at[1] - sheet.size * 0.04, stud.name),
  ];
}

function ballastShapes(graph: WiringGraph, sheet: Sheet): Shape[] {
  return ballastPaths(graph, sheet).flatMap(({ path, insulations, starter, ref }) => {
    const { shapes, ends } = bundle(path, insulations, sheet.gap * 0.6, 'ballast');
    return [
      ...shapes,
      ...ends.map((end) => terminal(end, sheet, ref)),
      ...(starter ? starterShapes(starter, ref, sheet) : []),
    ];
  });
}

/** A starter across its tube, wired from end to end beside it. */
function starterShapes({ path, insulation }: StarterRun, ref: string, sheet: Sheet): Shape[] {
  const [, from, to] = path;
  // A quarter along: the tube's number stands in its middle.
  const [x, y] = [0, 1].map((axis) => from![axis]! + (to![axis]! - from![axis]!) / 4) as [
    number,
    number,
  ];
  return [
    wire(path, insulation, 'ballast'),
    circle(x, y, sheet.size * 0.03, 'part', ref),
    words(x, y - sheet.size * 0.012, 'S'),
  ];
}

function feedShapes(graph: WiringGraph, sheet: Sheet): Shape[] {
  const feeds = graph.nodes.filter(({ kind }) => kind === 'feed');
  return feeds.flatMap((feed, k) => {
    const pair = graph.conductors.filter(({ to }) => to.node === feed.id);
    const path = feedPath(graph, sheet, feed, k);
    if (!path || pair.length === 0) return [];
    const { shapes, ends } = bundle(
      path,
      pair.map(({ insulation }) => insulation),
      sheet.gap * 0.5,
      'lead',
    );
    const fuseA = pair.find((conductor) => conductor.fuseA !== undefined)?.fuseA;
    const [x, y] = path[0]!;
    return [
      ...shapes,
      ...ends.map((end) => terminal(end, sheet, 'tape')),
      ...(fuseA === undefined
        ? []
        : [
            box(
              x - sheet.gap * 0.7,
              y - sheet.size * 0.075,
              sheet.gap * 1.6,
              sheet.size * 0.035,
              'part',
              'lead',
            ),
            ...(k < MOST_NAMED
              ? [words(x + sheet.size * 0.05, y - sheet.size * 0.08, `${fuseA} A`)]
              : []),
          ]),
    ];
  });
}

/** A plug and its tail, and where the lamps will be. */
function nothingYet({ left, right, bottom, top, channel, level, gear, size }: Sheet): Shape[] {
  const [x] = gear.get('plug') ?? [left, level];
  const middle: XY = [(left + right) / 2, (top + bottom) / 2];
  return [
    line(
      [
        [x, level],
        [x, channel],
        [middle[0], channel],
        [middle[0], middle[1] + size * 0.05],
      ],
      'hidden',
      'cord',
    ),
    box(...middle, size * 0.2, size * 0.1, 'hidden', 'tape'),
  ];
}

/** What it is plugged into: not built in, and drawn so. */
function outlet({ outlet: [x, y], size }: Sheet, trips: Region['trips']): Shape[] {
  return [
    box(x, y, size * GEAR.wide, size * GEAR.high, 'hidden', 'switch'),
    words(x, y - size * 0.012, `${trips} strip`),
    line(
      [
        [x + (size * GEAR.wide) / 2, y],
        [x + size * (GEAR.apart - GEAR.wide / 2), y],
      ],
      'hidden',
      'switch',
    ),
  ];
}

function gearShapes(node: WireNode, { gear, size }: Sheet, fuse: string | null): Shape[] {
  const [x, y] = gear.get(node.id)!;
  return [
    box(x, y, size * GEAR.wide, size * GEAR.high, 'part', node.ref),
    words(x, y - size * 0.012, node.name),
    ...(fuse ? [words(x, y + size * 0.06, fuse)] : []),
  ];
}

/** Lamps and feeds by number, beside them. */
function numbers(board: Board, graph: WiringGraph, { size }: Sheet): Shape[] {
  const { lamps, lampM } = board;
  const named = (k: number) =>
    lamps.length <= ALL_NUMBERED || k === 0 || (k + 1) % NUMBER_EACH === 0;
  const feeds = graph.nodes.filter(({ kind }) => kind === 'feed');
  const off = lampM / 2 + size * NUMBER.off;
  const outward = outwardOf(lamps.map(({ at }) => at));
  return [
    ...lamps.flatMap(({ at: [x, y], to }, k) => {
      if (!named(k) || lamps.length < 2) return [];
      if (to) return [words((x + to[0]) / 2, (y + to[1]) / 2 - size * NUMBER.sink, String(k + 1))];
      const [ox, oy] = outward(k);
      return [words(x + ox * off, y + oy * off - size * NUMBER.sink, String(k + 1))];
    }),
    ...(feeds.length > 1 && feeds.length <= MOST_NAMED
      ? feeds.flatMap(({ at }, k) =>
          at ? [words(at[0] - size * NUMBER.feed, at[1] - size * NUMBER.sink, String(k + 1))] : [],
        )
      : []),
  ];
}

/** Beside the wires that pass a lamp, on the side away from the middle of all. */
function outwardOf(places: readonly XY[]): (k: number) => XY {
  const mean = (axis: 0 | 1) => places.reduce((sum, at) => sum + at[axis], 0) / places.length;
  const [cx, cy] = [mean(0), mean(1)];
  return (k) => {
    const [from, to] = [places[Math.max(0, k - 1)]!, places[Math.min(places.length - 1, k + 1)]!];
    const long = Math.hypot(to[0] - from[0], to[1] - from[1]);
    if (long === 0) return [0, 1];
    const side: XY = [-(to[1] - from[1]) / long, (to[0] - from[0]) / long];
    const out = side[0] * (places[k]![0] - cx) + side[1] * (places[k]![1] - cy);
    return out < 0 ? [-side[0], -side[1]] : side;
  };
}
const NUMBER = { off: 0.03, sink: 0.012, feed: 0.045 };

/** Which colour is which, and what cannot be drawn yet. */
function legend(
  colours: ReadonlyMap<WireRole, Insulation>,
  open: readonly string[],
  { left, right, bottom, size }: Sheet,
): Shape[] {
  const used = ROLES.flatMap((role) => {
    const insulation = colours.get(role);
    return insulation ? [{ role, insulation }] : [];
  });
  const x = (left + right) / 2 - size * 0.3;
  const shapes = used.flatMap(({ role, insulation }, k): Shape[] => {
    const [px, py] = [x, bottom - size * (LEGEND.below + k * LEGEND.row)];
    return [
      wire(
        [
          [px, py],
          [px + size * LEGEND.swatch, py],
        ],
        insulation,
        'legend',
      ),
      {
        ...words(
          px + size * (LEGEND.swatch + 0.02),
          py - size * 0.01,
          `${ROLE_NAMES[role]}, ${COLOUR_NAMES[insulation]}`,
        ),
        anchor: 'start',
      } as Shape,
    ];
  });
  return [
    ...shapes,
    ...open
      .flatMap(inLines)
      .map((text, k) =>
        words(
          (left + right) / 2,
          bottom - size * (LEGEND.below + (used.length + k) * LEGEND.row),
          text,
        ),
      ),
  ];
}

/** Words in lines of a length that stays on the paper. */
function inLines(text: string): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + word.length < LINE)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}
