import type { Conductor, WireNode, WiringGraph } from '../power/conductors';

/** What somebody sees, and how it is looked for. */
export const SYMPTOMS = {
  dark: { name: 'dark, all of it', dark: 'all' },
  part: { name: 'dark in part', dark: 'some' },
  trips: { name: 'trips the breaker or the RCD', dark: 'all' },
  flickers: { name: 'flickers', dark: 'some' },
  dim: { name: 'dim at one end', dark: 'some' },
  colour: { name: 'another colour here and there', dark: 'lamps' },
  buzzes: { name: 'buzzes', dark: 'lamps' },
  hot: { name: 'hot at one place', dark: 'all' },
} as const;
export type SymptomId = keyof typeof SYMPTOMS;

/** One thing that can be at fault: a piece of wire with its two ends, gear, a feed, a lamp. */
export interface Suspect {
  id: string;
  name: string;
  kind: 'wire' | 'joint' | WireNode['kind'];
}

/** The one test that parts what is left in halves. */
export interface FaultTest {
  /** suspects up to here are on the near side, towards the plug */
  near: number;
  first: string;
  how: string;
  question: string;
  /** it is plugged in for it: only where the power-up gate allows it */
  plugged?: true;
  /** where the fault is when the answer is yes */
  yes: 'near' | 'far';
}

/** Lamps and feeds: what is seen to be dark or dim. */
export const endsOf = ({ nodes }: WiringGraph): WireNode[] =>
  nodes.filter(({ kind }) => kind === 'lamp' || kind === 'feed');

/** Wires from one thing to the next, each cut once; earth carries nothing and makes nothing dark. */
function nextTo({ conductors }: WiringGraph): Map<string, Conductor[]> {
  const from = new Map<string, Conductor[]>();
  const seen = new Set<string>();
  for (const conductor of conductors) {
    const key = `${conductor.cut} ${conductor.from.node} ${conductor.to.node}`;
    if (conductor.role === 'earth' || seen.has(key)) continue;
    seen.add(key);
    from.set(conductor.from.node, [...(from.get(conductor.from.node) ?? []), conductor]);
  }
  return from;
}

/**
 * Everything the current passes on its way from the plug to each thing that is wired, in its order. A lamp in a
 * chain is two things: the terminals that also feed the next one, and the lamp in its holder.
 */
export function waysOf(graph: WiringGraph): Map<string, Suspect[]> {
  const links = nextTo(graph);
  const nodes = new Map(graph.nodes.map((node) => [node.id, node]));
  const through = new Map<string, Suspect[]>();
  const [start] = graph.nodes;
  if (!start) return through;
  through.set(start.id, [{ id: start.id, name: 'plug, its fuse and its grip', kind: start.kind }]);
  const open = [start.id];
  while (open.length > 0) {
    const at = open.shift()!;
    for (const { to, cut } of links.get(at) ?? []) {
      const node = nodes.get(to.node);
      if (!node || through.has(to.node)) continue;
      const wire = `wire from ${nodes.get(at)!.name} to ${node.name}`;
      through.set(to.node, [
        ...through.get(at)!,
        { id: cut, name: wire, kind: 'wire' },
        node.kind === 'lamp'
          ? { id: `${node.id} terminals`, name: `terminals at ${node.name}`, kind: 'joint' }
          : { id: node.id, name: node.name, kind: node.kind },
      ]);
      open.push(to.node);
    }
  }
  return new Map(
    [...through].map(([id, way]) => {
      const { kind, name } = nodes.get(id)!;
      return [id, kind === 'lamp' ? [...way, { id, name: `${name} in its holder`, kind }] : way];
    }),
  );
}

/**
 * What can be at fault, in the order current comes to it: on the way to everything that is dark, on the way
 * to nothing that is lit. Where several things must be broken, what is on the way to any of the dark.
 * @param dark  ids of lamps and feeds that show it; all of them where it shows everywhere
 */
export function suspectsOf(
  graph: WiringGraph,
  symptom: SymptomId,
  dark: ReadonlySet<string>,
): Suspect[] {
  const ends = endsOf(graph);
  const lamps = ends.map(({ id, name, kind }): Suspect => ({ id, name, kind }));
  if (SYMPTOMS[symptom].dark === 'lamps') return lamps;
  const ways = waysOf(graph);
  const wayTo = (id: string) => ways.get(id) ?? [];
  const some = SYMPTOMS[symptom].dark === 'some' && dark.size > 0;
  const shows = ends.filter(({ id }) => !some || dark.has(id));
  if (symptom === 'trips' || symptom === 'hot') return inOrder(shows.map(({ id }) => wayTo(id)));
  // Where every lamp has it, it lies before they part: the lamps themselves are many and cannot all be broken.
  const lit = new Set(
    ends
      .filter((end) => !shows.includes(end))
      .flatMap(({ id }) => wayTo(id))
      .map(({ id }) => id),
  );
  const shared = shows.length
    ? wayTo(shows[0]!.id).filter(
        ({ id }) =>
          !lit.has(id) && shows.every((end) => wayTo(end.id).some((each) => each.id === id)),
      )
    : [];
  return shared.length > 0
    ? shared
    : inOrder(shows.map(({ id }) => wayTo(id).filter((each) => !lit.has(each.id))));
}

/** Several ways laid into one, each thing once, nearest to the plug first. */
function inOrder(ways: readonly (readonly Suspect[])[]): Suspect[] {
  const depth = new Map<string, readonly [number, Suspect]>();
  for (const way of ways)
    way.forEach((suspect, at) => {
      if (!depth.has(suspect.id)) depth.set(suspect.id, [at, suspect]);
    });
  return [...depth.values()].sort((a, b) => a[0] - b[0]).map(([, suspect]) => suspect);
}

const UNPLUG = 'Unplug it, and let it cool.';

/** How the halves are told apart, for each symptom. */
const TESTS: Record<SymptomId, (mark: string) => Omit<FaultTest, 'near'>> = {
  dark: (mark) => ({
    first: `${UNPLUG} Lamps out, switch and dimmer on.`,
    how: `Continuity tester: from each pin of the plug to its own terminal just after ${mark}; behind a supply or ballast, from its output instead.`,
    question: 'Do both wires get through to there?',
    yes: 'far',
  }),
  part: (mark) => ({
    first: `${UNPLUG} Lamps out.`,
    how: `Continuity tester: from the last terminal that still works to the one just after ${mark}, each wire by itself. At a lamp: put in one that is known to light.`,
    question: 'Do both wires get through to there?',
    yes: 'far',
  }),
  trips: (mark) => ({
    first: `${UNPLUG} Lamps out, loads off.`,
    how: `Open the joint just after ${mark}, then test at the plug: live to neutral, and each to earth and metal.`,
    question: 'Is there still continuity at the plug?',
    yes: 'near',
  }),
  flickers: (mark) => ({
    first: `${UNPLUG} Lamps out.`,
    how: `Continuity tester from the plug’s pins to just after ${mark}: bend and pull everything on the way by hand.`,
    question: 'Does it ever break?',
    yes: 'near',
  }),
  dim: (mark) => ({
    plugged: true,
    first:
      'Unplug it. Behind a supply only, never on the mains side: put the meter’s probes on, tape them there, then plug in with hands away.',
    how: `Volts on the low side just after ${mark}; on the mains side by continuity only, unplugged.`,
    question: 'Is it as much as Wire’s sheet along the tape says?',
    yes: 'far',
  }),
  colour: (mark) => ({
    first: 'Nothing is opened for this.',
    how: `Through a phone’s camera at a fixed white balance: look at everything up to ${mark}, the rest covered.`,
    question: 'Is the odd colour among them?',
    yes: 'near',
  }),
  buzzes: (mark) => ({
    plugged: true,
    first: UNPLUG,
    how: `Take out the lamps after ${mark}, or unplug what follows, then close it, switch on at the strip with hands away and listen.`,
    question: 'Does it still buzz?',
    yes: 'near',
  }),
  hot: (mark) => ({
    first: `${UNPLUG} Feel along it with the back of the hand once nothing burns any more.`,
    how: `From the plug up to ${mark}: plug, cord, joints; brown or soft counts as hot.`,
    question: 'Is the hottest place on this side?',
    yes: 'near',
  }),
};

/** The next single test, unplugged first; null when one suspect or none is left. */
export function nextTest(symptom: SymptomId, suspects: readonly Suspect[]): FaultTest | null {
  if (suspects.length < 2) return null;
  const near = Math.ceil(suspects.length / 2);
  return { near, ...TESTS[symptom](suspects[near - 1]!.name) };
}

/** What is left after a test was answered. */
export const leftAfter = (
  suspects: readonly Suspect[],
  { near, yes }: Pick<FaultTest, 'near' | 'yes'>,
  answer: boolean,
): Suspect[] =>
  (answer ? yes : yes === 'near' ? 'far' : 'near') === 'near'
    ? suspects.slice(0, near)
    : suspects.slice(near);
