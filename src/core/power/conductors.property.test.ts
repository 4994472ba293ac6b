import { ACCESSORIES } from '../accessories';
import type { Build, Production } from '../document/production';
import { changed } from '../document/testing';
import { REGION_IDS, REGIONS } from '../electrics/region';
import { Derivations } from '../evaluate/derive';
import { sample } from '../testing/sample';
import { groupedCuts } from './cutList';
import type { Conductor, WireRole, WiringGraph } from './conductors';

const demo = sample();

/** Mains after IEC 60445 and NEC 200.6, 250.119, from memory; red and black are common practice. */
const colourOf = (voltageV: number, role: WireRole): string => {
  const american = voltageV < 130;
  const colours: Record<WireRole, string> = {
    live: american ? 'black' : 'brown',
    neutral: american ? 'white' : 'blue',
    earth: american ? 'green' : 'green-yellow',
    plus: 'red',
    minus: 'black',
    lamp: 'grey',
  };
  return colours[role];
};

const wired = (document: Production, build: Build) => {
  const derive = new Derivations();
  return {
    graph: derive.wiring(document, build)!,
    resolved: derive.resolved(document, build)!,
    tape: derive.tape(document, build),
    view: derive.drawing(document, build)!.views.find(({ id }) => id === 'wiring')!,
  };
};
const of = (id: string, change: (build: Build, draft: Production) => void = () => undefined) => {
  const document = changed(demo, (draft) =>
    change(
      draft.builds.find((build) => build.id === id)!,
      draft,
    ),
  );
  return wired(
    document,
    document.builds.find((build) => build.id === id)!,
  );
};

/** Nodes a current reaches from the plug by wires of one role. */
function reached(
  conductors: readonly Conductor[],
  roles: readonly string[],
  from: string,
): Set<string> {
  const seen = new Set([from]);
  for (let grew = true; grew;) {
    grew = false;
    for (const { role, from: a, to: b } of conductors)
      if (roles.includes(role) && seen.has(a.node) !== seen.has(b.node)) {
        seen.add(a.node).add(b.node);
        grew = true;
      }
  }
  return seen;
}
const nodesOf = (graph: WiringGraph, kind: string) =>
  graph.nodes.filter((node) => node.kind === kind).map(({ id }) => id);

describe.each(demo.builds.map((build) => ({ name: build.id, build })))(
  'wires of $name',
  ({ build }) => {
    test.each(REGION_IDS)('%s: every wire ends at something, in the region’s colours', (region) => {
      const there = changed(demo, (draft) => {
        for (const circuit of draft.circuits) circuit.region = region;
      });
      const { graph, view } = wired(there, build);
      const ids = new Set(graph.nodes.map(({ id }) => id));
      expect(ids.size).toBe(graph.nodes.length);
      expect(new Set(graph.conductors.map(({ id }) => id)).size).toBe(graph.conductors.length);
      for (const { from, to, role, insulation, cut } of graph.conductors) {
        expect([from.node, to.node].every((node) => ids.has(node))).toBe(true);
        expect(graph.cuts.map(({ id }) => id)).toContain(cut);
        expect(insulation).toBe(colourOf(REGIONS[region].voltageV, role));
      }
      for (const shape of view.shapes)
        if (shape.kind === 'polyline')
          for (const [x, y] of shape.points) expect(Number.isFinite(x + y)).toBe(true);
    });
    test('live and neutral reach every lamp, supply and ballast; both poles every feed', () => {
      const { graph } = wired(demo, build);
      if (graph.nodes.length === 0) return;
      const gear = [...nodesOf(graph, 'supply'), ...nodesOf(graph, 'ballast')];
      const heads = gear.length > 0 ? gear : nodesOf(graph, 'lamp');
      for (const role of ['live', 'neutral'])
        expect([...reached(graph.conductors, [role], 'plug')]).toEqual(
          expect.arrayContaining(heads),
        );
      for (const feed of nodesOf(graph, 'feed'))
        expect(
          graph.conductors
            .filter(({ to }) => to.node === feed)
            .map(({ role }) => role)
            .toSorted(),
        ).toEqual(['minus', 'plus']);
    });
    test('as many feeds as the ladder counted, each supply with its own; mains never meets low voltage', () => {
      const { graph, tape, resolved } = wired(demo, build);
      const planned = tape?.parts.reduce((sum, { feedsM }) => sum + feedsM.length, 0) ?? 0;
      expect(nodesOf(graph, 'feed')).toHaveLength(planned);
      if (resolved.tape) expect(nodesOf(graph, 'supply')).toHaveLength(resolved.tape.supplies);
      const mains = reached(graph.conductors, ['live', 'neutral', 'earth'], 'plug');
      for (const feed of nodesOf(graph, 'feed')) expect(mains.has(feed)).toBe(false);
    });
    test('the list to cut holds every piece, and as much cord as the light was said to take', () => {
      const { graph, resolved } = wired(demo, build);
      const rows = groupedCuts(graph);
      expect(rows.reduce((sum, { count }) => sum + count, 0)).toBe(graph.cuts.length);
      const tail = resolved.wiring.loads[0]?.cordM ?? 0;
      const first = graph.cuts.filter(({ from }) => from === 'plug' || from === 'dimmer');
      expect(first.reduce((sum, { lengthM }) => sum + lengthM, 0)).toBeCloseTo(tail, 9);
      for (const { lengthM } of graph.cuts) expect(lengthM).toBeGreaterThanOrEqual(0);
    });
  },
);

describe('what a picture of the wires must tell', () => {
  const partOf = (draft: Production, role: string, over: object) => {
    const part = draft.shelf.parts.find((each) => each.role === role)!;
    const id = `own-${role}` as typeof part.id;
    draft.shelf.parts.push({ ...part, id, ...over } as typeof part);
    return id;
  };
  const texts = (view: ReturnType<typeof of>['view']) =>
    view.shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []));

  test('earth runs only in a cord that has one, and ends on the metal', () => {
    expect(of('clerk-ring').graph.conductors.map(({ role }) => role)).not.toContain('earth');
    const metal = of('clerk-ring', (build, draft) => {
      build.parameters.boardPartId = partOf(draft, 'sheet', { burns: 'no' });
      build.parameters.cordPartId = partOf(draft, 'cord', { cord: 'mm1-3' });
    });
    expect([...reached(metal.graph.conductors, ['earth'], 'plug')]).toContain('earth');
    expect(texts(metal.view).join(' ')).toContain('earth: ');
  });
  test('the dimmer stands in the tail, before the lamps', () => {
    const { graph } = of('warm-ring');
    const dimmer = nodesOf(graph, 'dimmer');
    expect(dimmer).toHaveLength(1);
    expect(
      graph.conductors.filter(({ to }) => to.node === dimmer[0]).map(({ from }) => from.node),
    ).toEqual(['plug', 'plug']);
  });
  test('the plug’s fuse, where plugs are fused', () => {
    const { view } = of('clerk-ring', (build, draft) => {
      for (const circuit of draft.circuits) circuit.region = 'uk-230-50';
      build.parameters.plugPartId = partOf(draft, 'plug', { fuseA: 3 });
    });
    expect(texts(view)).toContain('fuse 3 A');
    expect(texts(of('clerk-ring').view).join(' ')).not.toContain('fuse');
  });
  test('a feed above 8 A is drawn with its fuse (UL 1310, from memory)', () => {
    const strong = of('clerk-pan', (build, draft) => {
      for (const unit of draft.shelf.units)
        if (unit.category === 'strip') Object.assign(unit, { wattsPerM: 60, loopOhmPerM: 0.01 });
      build.parameters.supplyPartId = partOf(draft, 'supply', { ratedW: 500, voltageV: 24 });
    });
    const fused = strong.graph.conductors.filter(({ fuseA }) => fuseA !== undefined);
    expect(fused.length).toBeGreaterThan(0);
    for (const { role, fuseA } of fused) {
      expect(role).toBe('plus');
      expect(fuseA).toBe(Math.ceil(strong.tape!.mostFeedA * 1.25));
    }
  });

  const bank = demo.builds.find(({ form }) => form === 'tube-bank')!.id;
  const led = (fedAt: 'one' | 'both' | 'unknown') =>
    of(bank, (build, draft) => {
      const tube = draft.shelf.units.find(({ id }) => id === 'led-tube-18')!;
      Object.assign(tube, { fedAt });
      Object.assign(build.parameters, { unitId: tube.id, ballastPartId: null });
    });
  const ends = (graph: WiringGraph, role: string) =>
    new Set(
      graph.conductors
        .filter((each) => each.role === role)
        .map(({ to }) => to.node)
        .filter((node) => node.startsWith('lamp')),
    );
  test('LED tubes fed at one end: live and neutral at the same end', () => {
    const { graph } = led('one');
    expect(ends(graph, 'live')).toEqual(ends(graph, 'neutral'));
  });
  test('LED tubes fed at both: live here, neutral there, never at one end', () => {
    const { graph } = led('both');
    expect(ends(graph, 'live').size).toBe(ends(graph, 'neutral').size);
    for (const node of ends(graph, 'live')) expect(ends(graph, 'neutral').has(node)).toBe(false);
    expect(graph.cuts[0]!.to).toMatch(/^lamp 1 and tube 1, far end/);
  });
  test('a label that was not read: said on the picture, and no wire is drawn', () => {
    const { graph, view } = led('unknown');
    expect(texts(view).join(' ')).toContain('stands on their label');
    expect(graph.conductors).toEqual([]);
  });
  test('no ballast chosen: no wire to a tube', () => {
    const { graph } = of(bank, (build) => void (build.parameters.ballastPartId = null));
    expect(nodesOf(graph, 'lamp')).toEqual([]);
    expect(graph.open.join(' ')).toContain('No ballast chosen');
  });
  test('an electronic ballast: two wires to each end of each of its tubes', () => {
    const { graph } = of(bank);
    const tubes = nodesOf(graph, 'lamp');
    for (const end of tubes)
      expect(graph.conductors.filter(({ to }) => to.node === end)).toHaveLength(2);
  });
  test('a magnetic one is a choke in the live, with a starter across the tube', () => {
    const { graph, view, resolved } = of(bank, (build, draft) => {
      build.parameters.ballastPartId = partOf(draft, 'ballast', { kind: 'magnetic', tubes: 1 });
    });
    expect(graph.conductors.some(({ id }) => id.endsWith('starter'))).toBe(true);
    expect(texts(view)).toContain('S');
    expect(texts(view)).toContain('choke 1');
    // Every wire of the graph is on the paper, a starter's too.
    const drawn = view.shapes.filter(({ insulation }) => insulation === 'grey');
    expect(drawn.length).toBeGreaterThanOrEqual(2 * resolved.wiring.loads.length);
    for (const text of texts(view)) expect(text.length).toBeLessThan(60);
    const starters = resolved.needs.find(({ item }) => item.id === 'starter');
    expect(starters?.quantity).toBe(resolved.wiring.loads.length);
  });
  test('accessories leave the wires alone', () => {
    const plain = of('clerk-ring').graph;
    for (const accessory of ACCESSORIES.values()) {
      const { graph } = of('clerk-ring', (build) => {
        build.accessories = [
          { id: 'x' as never, kind: accessory.id, parameters: accessory.defaults() as never },
        ];
      });
      expect(graph.conductors).toEqual(plain.conductors);
    }
  });
});
