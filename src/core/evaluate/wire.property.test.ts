import fc from 'fast-check';
import { sample } from '../testing/sample';
import type { Build, Production } from '../document/production';
import { circuitSchema } from '../location/circuit';
import { readDocument } from '../document/read';
import { REGION_IDS, REGIONS } from '../electrics/region';
import { TOPICS } from '../findings/finding';
import { gateOf, LOOK_OVER } from '../power/wire';
import { checkProduction } from './checkProduction';
import { after } from '../document/testing';
import { moveToCircuit } from '../document/records';
import { circuitLoads } from './circuitLoads';
import { findBuild } from './context';
import { evaluateKnown as evaluate } from './testing';
import type { WorkedOut as Readouts } from './readouts';

const demo = sample();
const read = (document: Production, id: string): Readouts => {
  const found = evaluate(document, id, { gridCells: 3 });
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value;
};
const edited = (edit: (draft: Production) => void): Production => {
  const copy = structuredClone(demo);
  edit(copy);
  return copy;
};

describe('every light of the demo on every mains', () => {
  test.each(REGION_IDS)('%s: wire, chain and gate are whole', (regionId) => {
    const region = REGIONS[regionId];
    const there = edited((draft) => {
      for (const circuit of draft.circuits)
        Object.assign(circuit, {
          region: regionId,
          voltageV: region.voltageV,
          frequencyHz: region.frequencyHz,
          ratedA: region.breakersA.at(-1),
        });
    });
    for (const { id } of there.builds) {
      const { wire, findings } = read(there, id);
      expect(JSON.stringify(wire)).not.toMatch(/NaN|Infinity/);
      expect(wire!.circuit.voltageV).toBe(region.voltageV);
      expect(wire!.limitA).toBeCloseTo(wire!.circuit.ratedA * region.continuousShare, 9);
      // Apparent power over voltage: never fewer amperes than watts alone would draw.
      expect(wire!.fullA * region.voltageV).toBeGreaterThanOrEqual(wire!.fullW - 1e-6);
      for (const { load } of wire!.chain) if (load) expect(load.limit).toBeGreaterThan(0);
      const { open, stops, missing } = gateOf(findings);
      expect(open).toBe(stops.length + missing.length === 0);
    }
  });
  test('bulbs for 230 V on 120 V are told, for 120 V on 230 V refused', () => {
    const swapped = (voltageV: number) =>
      edited((draft) => {
        for (const circuit of draft.circuits) circuit.voltageV = voltageV;
      });
    const voltage = (document: Production, id: string) =>
      read(document, id).findings.find((finding) => finding.id.startsWith('power.voltage'))
        ?.severity;
    expect(voltage(swapped(120), 'clerk-ring')).toBe('look');
    expect(voltage(swapped(230), 'warm-ring')).toBe('stop');
    expect(gateOf(read(swapped(230), 'warm-ring').findings).open).toBe(false);
  });
});

describe('circuits', () => {
  const move = fc.record({
    build: fc.constantFrom(...demo.builds.map(({ id }) => id)),
    circuit: fc.constantFrom(...demo.circuits.map(({ id }) => id)),
  });
  test('however lights are moved about, none is lost and none is counted twice', () => {
    fc.assert(
      fc.property(fc.array(move, { minLength: 1, maxLength: 12 }), (moves) => {
        const moved = after(
          demo,
          ...moves.map(({ build, circuit }) => moveToCircuit(build, circuit)),
        );
        const hung = circuitLoads(moved).flatMap(({ builds }) => builds.map(({ id }) => id));
        expect(hung.toSorted()).toEqual(demo.builds.map(({ id }) => id as string).toSorted());
        const watts = (document: Production) =>
          circuitLoads(document).reduce(
            (sum, { circuit, totalA, otherA }) => sum + (totalA - otherA) * circuit.voltageV,
            0,
          );
        expect(watts(moved)).toBeCloseTo(watts(demo), 6);
      }),
      { seed: 71, numRuns: 25 },
    );
  });
  test('a light or a circuit that is not there changes nothing', () => {
    const same = after(
      demo,
      moveToCircuit('nobody', demo.circuits[1]!.id),
      moveToCircuit(demo.builds[0]!.id, 'nowhere' as Build['circuitId']),
    );
    expect(same).toBe(demo);
  });
  test('over the limit is told for every light that hangs there', () => {
    const tight = edited((draft) => {
      draft.circuits.find(({ id }) => id === 'hall-b')!.ratedA = 2;
    });
    const load = circuitLoads(tight).find(({ circuit }) => circuit.id === 'hall-b')!;
    expect(load.over).toBe(true);
    for (const { build, findings } of checkProduction(tight))
      if (build.circuitId === 'hall-b' && load.builds.find(({ id }) => id === build.id)!.amps > 0)
        expect(findings.find(({ id }) => id === 'power.circuit')!.severity).toBe('stop');
  });
  test('a circuit without capacity, voltage or region stops at the door', () => {
    const whole = demo.circuits[0]!;
    expect(circuitSchema.safeParse(whole).success).toBe(true);
    for (const wrong of [
      { ratedA: 0 },
      { ratedA: -16 },
      { voltageV: 0 },
      { region: 'moon' },
      { otherLoadW: -1 },
    ])
      expect(circuitSchema.safeParse({ ...whole, ...wrong }).success).toBe(false);
  });
});

describe('what is sent through the document’s door', () => {
  const refused = (edit: (draft: Production) => void) => {
    const found = readDocument(JSON.parse(JSON.stringify(edited(edit))));
    return found.ok ? null : found.problems[0]!.path;
  };
  test('room light: a kind, a colour and lux that can be', () => {
    const light = {
      id: 'x',
      name: 'Lamp',
      emission: 'filament',
      cctK: 2800,
      illuminanceLx: 10,
    } as const;
    expect(refused((draft) => void draft.shots[0]!.roomLights.push({ ...light }))).toBeNull();
    expect(
      refused((draft) => void draft.shots[0]!.roomLights.push({ ...light, cctK: 100 })),
    ).toContain('roomLights');
    expect(
      refused((draft) => void draft.shots[0]!.roomLights.push({ ...light, illuminanceLx: -1 })),
    ).toContain('roomLights');
    expect(
      refused(
        (draft) =>
          void draft.shots[0]!.roomLights.push({ ...light, emission: 'candle' as 'filament' }),
      ),
    ).toContain('roomLights');
  });
  test('sign-offs: a name, a day and a design', () => {
    const signed = {
      id: 'look-1',
      name: 'M. Okonkwo',
      date: '2026-11-25',
      checked: [...LOOK_OVER],
      design: 'abc',
      copy: 1,
      seen: {},
    };
    const put = (over: object) =>
      refused(
        (draft) => void findBuild(draft, 'clerk-ring')!.signOffs.push({ ...signed, ...over }),
      );
    expect(put({})).toBeNull();
    expect(put({ name: '' })).toContain('signOffs');
    expect(put({ date: 'yesterday' })).toContain('signOffs');
    expect(put({ copy: 0 })).toContain('signOffs');
    expect(put({ copy: 101 })).toContain('signOffs');
  });
  test('tape: leads and copper that can be', () => {
    const lead = (leadMm2: unknown) =>
      refused(
        (draft) => void Object.assign(findBuild(draft, 'lens-ring')!.parameters, { leadMm2 }),
      );
    expect(lead(1.5)).toBeNull();
    expect(lead(7)).toContain('leadMm2');
    const copper = (loopOhmPerM: number | null) =>
      refused((draft) => {
        const strip = draft.shelf.units.find(({ category }) => category === 'strip')!;
        if (strip.category === 'strip') strip.loopOhmPerM = loopOhmPerM;
      });
    expect(copper(0.2)).toBeNull();
    expect(copper(0)).toContain('loopOhmPerM');
  });
});

test('every finding is about something, and that says which station answers for it', () => {
  const stations = new Map<string, Set<string>>();
  for (const { findings } of checkProduction(demo))
    for (const { id, topic } of findings) {
      const engine = id.split('.')[0]!;
      stations.set(engine, (stations.get(engine) ?? new Set()).add(TOPICS[topic].station));
    }
  for (const engine of ['power', 'tape', 'heat', 'dimmer', 'mount', 'stand', 'hoist'])
    if (stations.has(engine)) expect([...stations.get(engine)!]).toEqual(['wire']);
  expect([...stations.get('power')!]).toEqual(['wire']);
  expect([...stations.get('colour')!]).toEqual(['glow']);
  expect([...stations.get('label')!]).toEqual(['shelf']);
});
