import type { Board } from '../build/board';
import type { ResolvedBuild } from '../build/resolvedBuild';
import type { Insulation } from '../electrics/insulation';
import { GEAR_APART_M } from '../electrics/leads';
import type { XY } from '../drawing/shapes';
import { CLASS2_A, feedFuseA } from './feedFuse';
import type { PowerPlan } from './plan';
import type { TapePlan } from './tapePlan';

/** What a wire is for; `lamp` runs from a ballast to one end of a tube. */
export type WireRole = 'live' | 'neutral' | 'earth' | 'plus' | 'minus' | 'lamp';

/** Something wires end at. */
export interface WireNode {
  id: string;
  kind: 'plug' | 'dimmer' | 'supply' | 'ballast' | 'lamp' | 'feed' | 'earth';
  name: string;
  /** shape on the drawings */
  ref: string;
  /** where it lies on the board; what sits in the tail has no place there */
  at?: XY;
}

/** One conductor from terminal to terminal. */
export interface Conductor {
  id: string;
  role: WireRole;
  insulation: Insulation;
  from: { node: string; terminal: string };
  to: { node: string; terminal: string };
  /** the piece of cord or lead it runs in */
  cut: string;
  fuseA?: number;
}

/** A piece of cord or lead as it is cut off the roll. */
export interface WireCut {
  id: string;
  from: string;
  to: string;
  lengthM: number;
  /** what it is cut from, with its gauge */
  of: string;
  conductors: readonly WireRole[];
  /** how its ends are made */
  ends: string;
}

/** Everything that is wired, in the order current takes [docs/model/power.md]. */
export interface WiringGraph {
  nodes: WireNode[];
  conductors: Conductor[];
  cuts: WireCut[];
  /** what cannot be drawn yet, in words */
  open: string[];
}

const DC: Record<'plus' | 'minus' | 'lamp', Insulation> = {
  plus: 'red',
  minus: 'black',
  lamp: 'grey',
};
const MAINS_ENDS = 'sheath off 40 mm, wires stripped 8 mm, ferrules';
const LEAD_ENDS = 'stripped 6 mm, tinned or in ferrules';
/** A wire takes this much more than it looks on the drawing, at its two ends together, m [typ]. */
const ENDS_M = 0.3;

interface Given {
  plan: PowerPlan;
  resolved: ResolvedBuild;
  tape: TapePlan | null;
  board: Board;
  /** cut metal that is joined to earth; bought things have a terminal of their own */
  earths: readonly string[];
}

/** Collects nodes, cuts and the conductors in them. */
class Loom {
  readonly graph: WiringGraph = { nodes: [], conductors: [], cuts: [], open: [] };

  constructor(private readonly given: Given) {}

  node(node: WireNode): string {
    this.graph.nodes.push(node);
    return node.id;
  }

  nameOf = (id: string): string => this.graph.nodes.find((node) => node.id === id)?.name ?? id;

  /** One piece and its conductors, each from the terminal of its role to that of the other end. */
  run(
    cut: Pick<WireCut, 'lengthM' | 'of' | 'ends'>,
    wires: readonly { role: WireRole; from: string; to: string; mark?: string; fuseA?: number }[],
  ): void {
    const [first] = wires;
    if (!first) return;
    const id = `wire-${this.graph.cuts.length + 1}`;
    this.graph.cuts.push({
      ...cut,
      id,
      from: this.nameOf(first.from),
      to: [...new Set(wires.map(({ to }) => this.nameOf(to)))].join(' and '),
      conductors: wires.map(({ role }) => role),
    });
    for (const { role, from, to, mark, fuseA } of wires)
      this.graph.conductors.push({
        id: `${id}-${mark ?? role}`,
        role,
        insulation: this.insulationOf(role),
        from: { node: from, terminal: mark ?? MARKS[role] },
        to: { node: to, terminal: mark ?? MARKS[role] },
        cut: id,
        ...(fuseA === undefined ? {} : { fuseA }),
      });
  }

  insulationOf(role: WireRole): Insulation {
    const { insulation } = this.given.plan.region;
    return role === 'live' || role === 'neutral' || role === 'earth' ? insulation[role] : DC[role];
  }
}

const MARKS: Record<WireRole, string> = {
  live: 'L',
  neutral: 'N',
  earth: 'E',
  plus: '+',
  minus: '−',
  lamp: 'lamp',
};

/** Live, neutral and earth where the cord has one, all from one end to the other. */
const mainsWires = (earthed: boolean, from: string, to: string, neutralTo = to) => [
  { role: 'live' as const, from, to },
  { role: 'neutral' as const, from, to: neutralTo },
  ...(earthed ? [{ role: 'earth' as const, from, to }] : []),
];

/** Every wire of a build, from the plug to the last terminal. */
export function wiringGraph(given: Given): WiringGraph {
  const { plan, resolved } = given;
  const loom = new Loom(given);
  const [first] = resolved.wiring.loads;
  if (!first) return loom.graph;
  const earthed = plan.cord?.earthed ?? false;
  const bought = resolved.wiring.cord.field === undefined;
  const cord = {
    of: bought ? 'its own cord' : (plan.cord?.name ?? 'cord, not chosen yet'),
    ends: bought ? 'as it comes' : MAINS_ENDS,
  };
  const plug = loom.node({ id: 'plug', kind: 'plug', name: 'plug', ref: 'plug' });
  const tail: string[] = [plug];
  if (resolved.wiring.dimmer.partId !== null)
    tail.push(loom.node({ id: 'dimmer', kind: 'dimmer', name: 'dimmer', ref: 'dimmer' }));
  const heads = mainsHeads(loom, given);
  const [head] = heads;
  if (!head) {
    loom.graph.open.push('Nothing to wire yet: no lamps, or no tape.');
    return loom.graph;
  }
  if (unread(given)) {
    loom.graph.open.push('Which ends these tubes are fed at stands on their label: read it first.');
    return loom.graph;
  }
  const farEnds = farEndsOf(loom, given);
  tail.push(head);
  const share = first.cordM / (tail.length - 1);
  for (let k = 1; k < tail.length; k++) {
    const to = tail[k]!;
    loom.run(
      { ...cord, lengthM: share },
      mainsWires(earthed, tail[k - 1]!, to, to === head ? farEnds[0] : to),
    );
  }
  if (earthed && given.earths.length > 0) earthStud(loom, given, head);
  if (resolved.tape) return tapeWires(loom, given, heads, cord, earthed);
  if (heads[0]!.startsWith('ballast')) return ballastWires(loom, given, heads, cord, earthed);
  return lampWires(loom, given, heads, farEnds, cord, earthed);
}

/** What the mains comes to, in wiring order: supplies, ballasts, or the lamps themselves. */
function mainsHeads(loom: Loom, { resolved, board }: Given): string[] {
  const { tape, wiring } = resolved;
  const row = (kind: 'supply' | 'ballast', count: number, name: string) =>
    Array.from({ length: count }, (_, k) =>
      loom.node({
        id: `${kind}-${k + 1}`,
        kind,
        name: count > 1 ? `${name} ${k + 1}` : name,
        ref: kind,
      }),
    );
  if (tape) return row('supply', Math.max(1, tape.supplies), 'supply');
  const needs = resolved.groups.some(({ unit }) => unit.fedAt === 'ballast');
  if (needs && !wiring.ballast) {
    loom.graph.open.push('No ballast chosen: the tubes cannot be wired yet.');
    return row('ballast', 1, 'ballast');
  }
  if (wiring.ballast)
    return row(
      'ballast',
      Math.ceil(board.lamps.length / wiring.ballast.tubes),
      wiring.ballast.kind === 'magnetic' ? 'choke' : 'ballast',
    );
  return board.lamps.map(({ at, ref }, k) =>
    loom.node({ id: `lamp-${k + 1}`, kind: 'lamp', name: `lamp ${k + 1}`, ref, at }),
  );
}

function earthStud(loom: Loom, { earths, board, plan }: Given, head: string): void {
  const at = board.lamps[0]?.at ?? board.rows[0]?.[0] ?? [0, 0];
  const stud = loom.node({
    id: 'earth',
    kind: 'earth',
    name: `earth: ${earths.join(', ')}`,
    ref: 'earth',
    at,
  });
  loom.run(
    {
      lengthM: ENDS_M,
      of: `${plan.cord!.areaMm2.toFixed(2)} mm² or more`,
      ends: 'ring lug, star washer',
    },
    [{ role: 'earth', from: head, to: stud }],
  );
}

type CordCut = Pick<WireCut, 'of' | 'ends'>;

/** Gear stands side by side: a short piece from one to the next. */
function chain(loom: Loom, heads: readonly string[], cord: CordCut, earthed: boolean): void {
  for (let k = 1; k < heads.length; k++)
    loom.run({ ...cord, lengthM: GEAR_APART_M }, mainsWires(earthed, heads[k - 1]!, heads[k]!));
}

/** Every feed by a lead of its own from the supply that feeds it. */
function tapeWires(
  loom: Loom,
  { resolved, tape, board }: Given,
  heads: readonly string[],
  cord: CordCut,
  earthed: boolean,
): WiringGraph {
  chain(loom, heads, cord, earthed);
  const run = resolved.tape!;
  if (!tape) return loom.graph;
  const fuseA = tape.mostFeedA > CLASS2_A ? feedFuseA(tape) : undefined;
  let startM = 0;
  let feeds = 0;
  tape.parts.forEach((part, k) => {
    const supply =
      heads[Math.min(heads.length - 1, Math.floor((k * heads.length) / tape.parts.length))]!;
    for (const atM of part.feedsM) {
      const at = alongRows(board.rows, run.rowsM, startM + atM, run.feed === 'rows');
      const feed = loom.node({
        id: `feed-${++feeds}`,
        kind: 'feed',
        name: `feed ${feeds}`,
        ref: 'tape',
        at,
      });
      loom.run(
        { lengthM: run.leadLengthM, of: `two-core lead, ${run.leadMm2} mm²`, ends: LEAD_ENDS },
        [
          { role: 'plus', from: supply, to: feed, fuseA },
          { role: 'minus', from: supply, to: feed },
        ],
      );
    }
    startM += part.lengthM;
  });
  return loom.graph;
}

/**
 * The place on the board at a length along the laid tape. Rows fed one by one all begin on one side, however
 * they lie.
 */
function alongRows(
  rows: Board['rows'],
  laidM: readonly number[],
  atM: number,
  oneSided: boolean,
): XY {
  let left = atM;
  for (const [k, path] of rows.entries()) {
    const laid = laidM[k] ?? 0;
    if (left < laid - SAME_PLACE_M || k === rows.length - 1)
      return along(oneSided ? leftmostFirst(path) : path, laid > 0 ? left / laid : 0);
    left -= laid;
  }
  return [0, 0];
}

/** The end of a row is the start of the next: a feed there belongs to the next. */
const SAME_PLACE_M = 1e-6;

const leftmostFirst = (path: readonly XY[]): readonly XY[] =>
  path[0]![0] <= path.at(-1)![0] ? path : path.toReversed();

/** A share of the way along a line. */
function along(path: readonly XY[], share: number): XY {
  const steps = path
    .slice(1)
    .map((point, k) => Math.hypot(point[0] - path[k]![0], point[1] - path[k]![1]));
  let left = Math.min(1, Math.max(0, share)) * steps.reduce((sum, step) => sum + step, 0);
  for (const [k, step] of steps.entries()) {
    if (left <= step || k === steps.length - 1) {
      const [from, to] = [path[k]!, path[k + 1]!];
      const part = step > 0 ? Math.min(1, left / step) : 0;
      return [from[0] + (to[0] - from[0]) * part, from[1] + (to[1] - from[1]) * part];
    }
    left -= step;
  }
  return path[0] ?? [0, 0];
}

/** From each ballast to both ends of its tubes; a magnetic one is a choke in the live, with a starter across. */
function ballastWires(
  loom: Loom,
  { resolved, board }: Given,
  heads: readonly string[],
  cord: CordCut,
  earthed: boolean,
): WiringGraph {
  chain(loom, heads, cord, earthed);
  const { ballast: gear } = resolved.wiring;
  // How it is wired depends on its kind.
  if (!gear) return loom.graph;
  const magnetic = gear.kind === 'magnetic';
  if (magnetic)
    loom.graph.open.push(
      'A choke sits in the live alone: beside it the neutral passes through a closed terminal.',
    );
  board.lamps.forEach(({ at, to = at, ref }, k) => {
    const ballast = heads[Math.min(heads.length - 1, Math.floor(k / gear.tubes))]!;
    const [near, far] = (['a', 'b'] as const).map((end) =>
      loom.node({
        id: `lamp-${k + 1}${end}`,
        kind: 'lamp',
        name: `tube ${k + 1}, end ${end}`,
        ref,
        at: end === 'a' ? at : to,
      }),
    );
    const longM = Math.hypot(to[0] - at[0], to[1] - at[1]);
    const of = 'single wires, 0.75 mm², for 300 V';
    const ends = 'stripped 8 mm, pushed home in the tube holder';
    const lamp = (node: string, mark: string) => ({
      role: 'lamp' as const,
      from: ballast,
      to: node,
      mark,
    });
    loom.run({ of, ends, lengthM: ENDS_M }, [
      lamp(near!, 'a1'),
      ...(magnetic ? [] : [lamp(near!, 'a2')]),
    ]);
    loom.run({ of, ends, lengthM: longM + ENDS_M }, [
      magnetic ? { role: 'neutral', from: ballast, to: far! } : lamp(far!, 'b1'),
      ...(magnetic ? [] : [lamp(far!, 'b2')]),
    ]);
    if (magnetic)
      loom.run({ of, ends, lengthM: longM }, [
        { role: 'lamp', from: near!, to: far!, mark: 'starter' },
      ]);
  });
  return loom.graph;
}

/** A wire drawn to the wrong end would be a short: none is drawn before the label is read. */
const unread = ({ resolved }: Given): boolean =>
  resolved.groups.some(({ unit }) => unit.fedAt === 'unknown');

/** Far ends of LED tubes that are fed at both; none of others. */
function farEndsOf(loom: Loom, { resolved, board }: Given): string[] {
  if (!resolved.groups.some(({ unit }) => unit.fedAt === 'both')) return [];
  return board.lamps.map(({ at, to = at, ref }, k) =>
    loom.node({ id: `lamp-${k + 1}b`, kind: 'lamp', name: `tube ${k + 1}, far end`, ref, at: to }),
  );
}

/** Lamp to lamp; where tubes are fed at both ends the live runs along one side, the neutral along the other. */
function lampWires(
  loom: Loom,
  { resolved }: Given,
  heads: readonly string[],
  farEnds: readonly string[],
  cord: CordCut,
  earthed: boolean,
): WiringGraph {
  for (let k = 1; k < heads.length; k++) {
    const cut = { ...cord, lengthM: resolved.wiring.loads[k]?.cordM ?? 0 };
    const [from, to] = [heads[k - 1]!, heads[k]!];
    if (farEnds.length === 0) loom.run(cut, mainsWires(earthed, from, to));
    else {
      loom.run(cut, [
        { role: 'live', from, to },
        ...(earthed ? [{ role: 'earth' as const, from, to }] : []),
      ]);
      loom.run(cut, [{ role: 'neutral', from: farEnds[k - 1]!, to: farEnds[k]! }]);
    }
  }
  return loom.graph;
}
