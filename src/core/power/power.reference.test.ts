import { bulbIn, sample } from '../testing/sample';
import { resolveScene, sceneOf } from '../evaluate/context';
import { demoBuild } from '../forms/testing';
import type { LampGroup, ResolvedBuild } from '../build/resolvedBuild';
import { effectiveUnit } from '../units/effective';
import type { Bulb } from '../units/unit';
import { awgAreaMm2, awgDiameterMm, ohmPerM } from '../electrics/copper';
import { CORDS, thinnestCordFor } from '../electrics/cord';
import { dimmerFindings } from './dimmerFindings';
import { heatFindings, heatW } from './heat';
import { loadFindings } from './loadFindings';
import { chainDropV, fullCurrentA, planPower } from './plan';
import { plugFuseFor, REGIONS } from '../electrics/region';
import { buildWatts, cctAtLevel, wattsAtLevel } from './watts';

const document = sample();
const bulb = (id: string) => bulbIn(document.shelf, id);
const part = (id: string | null) => document.shelf.parts.find((each) => each.id === id) ?? null;
const circuit = (id: string) => document.circuits.find((each) => each.id === id)!;
const ring = (id: string) => {
  const build = document.builds.find((each) => each.id === id)!;
  return resolveScene(sceneOf(document, build))!.resolved;
};
const warm = ring('warm-ring');
const clerk = ring('clerk-ring');
const planFor = (resolved: ResolvedBuild, circuitId: string, others = 0) =>
  planPower(resolved, circuit(circuitId), others, part);
const find = <T extends { id: string }>(list: readonly T[], id: string) =>
  list.find((each) => each.id === id);

describe('wire tables', () => {
  // ASTM B258, published table rows (from memory): AWG 18 1.024 mm, AWG 12 2.053 mm, 0.823 mm².
  test.each([
    [18, 1.024, 0.823],
    [16, 1.291, 1.309],
    [14, 1.628, 2.081],
    [12, 2.053, 3.309],
  ])('AWG %i', (gauge, diameterMm, areaMm2) => {
    expect(awgDiameterMm(gauge)).toBeCloseTo(diameterMm, 3);
    expect(awgAreaMm2(gauge)).toBeCloseTo(areaMm2, 3);
  });
  test('IACS: 1 mm² of copper, 17.241 mΩ/m at 20 °C, + 39.3 % at 120 °C', () => {
    expect(ohmPerM(1)).toBeCloseTo(0.017241, 9);
    expect(ohmPerM(1, 120)).toBeCloseTo(0.017241 * 1.393, 9);
  });
  test('AWG 18: 6.385 Ω per 1000 ft (from memory) within half a percent', () => {
    expect(Math.abs((ohmPerM(awgAreaMm2(18)) * 304.8) / 6.385 - 1)).toBeLessThan(0.005);
  });
  test('NEC 400.5(A)(1) and BS 7671 4F3A rows (from memory)', () => {
    expect([CORDS['awg18-2'], CORDS['awg16-2'], CORDS['awg14-2']].map((c) => c.limitA)).toEqual([
      10, 13, 18,
    ]);
    // Two conductors carry current beside an earth, which carries none: column B all the same.
    expect([CORDS['awg18-3'], CORDS['awg16-3'], CORDS['awg14-3']].map((c) => c.limitA)).toEqual([
      10, 13, 18,
    ]);
    expect([CORDS['mm0.75-3'], CORDS['mm1-3'], CORDS['mm1.5-3']].map((c) => c.limitA)).toEqual([
      6, 10, 16,
    ]);
  });
  test('the thinnest cord of the same kind, or none', () => {
    expect(thinnestCordFor(12.5, CORDS['awg18-2'])).toBe('awg16-2');
    expect(thinnestCordFor(5, CORDS['mm0.5-2'])).toBe('mm0.75-2');
    expect(thinnestCordFor(40, CORDS['awg18-2'])).toBeNull();
  });
});

describe('load', () => {
  test('25 × 60 W at 120 V is 12.5 A (common practice); 16 × 3 W is 48 W', () => {
    expect(fullCurrentA(warm, 120)).toBeCloseTo(12.5, 12);
    expect(buildWatts(clerk.groups).fullW).toBeCloseTo(48, 12);
  });
  test('power factor 0.6 for LED bulbs (typical): 48 W at 230 V draws 0.348 A', () => {
    expect(fullCurrentA(clerk, 230)).toBeCloseTo(48 / (230 * 0.6), 12);
  });
  test('dimmed to a fifth the warm ring takes about 28 W a bulb, and glows at 2295 K', () => {
    expect(wattsAtLevel(warm.groups[0]!)).toBeCloseTo(28.1, 1);
    expect(cctAtLevel(warm.groups[0]!)).toBeCloseTo(2295, 0);
  });
  test('cord stop at 120 V with the way out; lighter load on the same cord passes', () => {
    const findings = loadFindings(planFor(warm, 'generator'), warm, document.shelf.parts);
    const cord = find(findings, 'power.cord')!;
    expect(cord.severity).toBe('stop');
    expect(cord.limit).toContain('10 A');
    expect(cord.remedies!.map((remedy) => remedy.parameters)).toEqual([
      { cordPartId: 'cord-awg14' },
    ]);
    const light = loadFindings(planFor(clerk, 'hall-a'), clerk, document.shelf.parts);
    expect(find(light, 'power.cord')!.severity).toBe('ok');
  });
  test('80 % rule (NEC 210.20): a 20 A breaker carries 16 A of lights, a 15 A one 12 A', () => {
    expect(planFor(warm, 'generator').limitA).toBeCloseTo(16, 12);
    const small = planPower(warm, { ...circuit('generator'), ratedA: 15 }, 0, part);
    expect(find(loadFindings(small, warm, []), 'power.circuit')!.severity).toBe('stop');
  });
  test('builds on one circuit add up, and so do copies', () => {
    const alone = loadFindings(planFor(warm, 'generator'), warm, []);
    expect(find(alone, 'power.circuit')!.severity).toBe('ok');
    const shared = loadFindings(planFor(warm, 'generator', 4), warm, []);
    expect(find(shared, 'power.circuit')!.severity).toBe('stop');
    const twice = planPower(warm, circuit('generator'), 0, part, 2);
    expect(twice.othersA).toBeCloseTo(12.5, 12);
  });
  test('120 V bulbs on 230 V: stop; 230 V bulbs on 120 V: look', () => {
    const high = loadFindings(planFor(warm, 'hall-a'), warm, []);
    expect(find(high, 'power.voltage.0')!.severity).toBe('stop');
    const low = loadFindings(planFor(clerk, 'generator'), clerk, []);
    expect(find(low, 'power.voltage.0')!.severity).toBe('look');
  });
  test('more than ten drivers on one switch (common practice)', () => {
    expect(find(loadFindings(planFor(clerk, 'hall-a'), clerk, []), 'power.inrush')).toBeDefined();
    expect(
      find(loadFindings(planFor(warm, 'generator'), warm, []), 'power.inrush'),
    ).toBeUndefined();
  });
  test('plug fuse: the smallest of 3, 5, 13 A that carries it', () => {
    const uk = REGIONS['uk-230-50'];
    expect([0.4, 3.1, 6, 14].map((amps) => plugFuseFor(amps, uk))).toEqual([3, 5, 13, null]);
    expect(plugFuseFor(1, REGIONS['eu-230-50'])).toBeNull();
  });
});

test('voltage drop along a chain equals the sum worked by hand', () => {
  const cord = CORDS['awg18-2'];
  const group = { ...warm.groups[0]!, count: 2, emitters: [0, 1] };
  const two: ResolvedBuild = {
    ...warm,
    groups: [group],
    emitters: warm.emitters.slice(0, 2),
    wiring: {
      ...warm.wiring,
      loads: [
        { ref: 'a', apparentVa: 60, cordM: 10 },
        { ref: 'b', apparentVa: 60, cordM: 2 },
      ],
    },
  };
  // 0.5 A each: the tail carries 1 A over 10 m, the link 0.5 A over 2 m; there and back.
  expect(chainDropV(two, cord, 120)).toBeCloseTo(
    2 * ohmPerM(cord.areaMm2) * (10 * 1 + 2 * 0.5),
    12,
  );
});

describe('dimmers (common practice)', () => {
  const with_ = (dimmerId: string, over: Partial<Bulb>, level = 0.5, count = 25): string[] => {
    const unit = effectiveUnit({ ...bulb('globe-a60-9-2700'), ...over });
    const group: LampGroup = { ...warm.groups[0]!, unit, level, count };
    const resolved = {
      ...warm,
      groups: [group],
      wiring: {
        ...warm.wiring,
        dimmer: { partId: part(dimmerId)?.id ?? null, field: 'dimmerPartId' },
      },
    };
    const plan = planPower(resolved, circuit('hall-a'), 0, part);
    return dimmerFindings(plan, resolved).map(({ id, severity }) => `${id} ${severity}`);
  };
  test('a non-dimmable LED on any mains dimmer is refused', () =>
    expect(with_('dimmer-trailing-400', { dimmable: 'no' })).toContain('dimmer.kind.0 stop'));
  test('dimmable LED: trailing edge fits, leading edge wants a test', () => {
    expect(with_('dimmer-trailing-400', {}, 0.5, 4)).toEqual([]);
    expect(with_('dimmer-leading-2000', {}, 0.5, 8)).toContain('dimmer.kind.0 look');
  });
  test('a silent label is an open question', () =>
    expect(with_('dimmer-trailing-400', { dimmable: 'unknown' })).toContain(
      'dimmer.kind.0 unknown',
    ));
  test('LED load beyond a tenth of the rating, filament load beyond it, load below the minimum', () => {
    expect(with_('dimmer-trailing-400', {}, 0.5, 5)).toContain('dimmer.size look');
    const filament = { kind: 'incandescent', wattsW: 60 } as const;
    expect(with_('dimmer-trailing-400', filament, 0.5, 7)).toContain('dimmer.size stop');
    expect(with_('dimmer-leading-2000', {}, 0.5, 2)).toContain('dimmer.size look');
  });
  test('a level below full needs a dimmer', () => {
    expect(with_('none', {}, 0.5)).toEqual(['dimmer.none look']);
    expect(with_('none', {}, 1)).toEqual([]);
  });
});

test('heat is watts as dimmed times 0.94 for filaments (typical)', () =>
  expect(heatW(warm)).toBeCloseTo(25 * 60 * 0.2 ** (1.6 / 3.4) * 0.94, 9));

describe('a filament ring over its board', () => {
  const board = (standoffM: number) => {
    const { resolved } = demoBuild('warm-ring', { standoffM });
    return find(heatFindings(resolved), 'heat.clearance.board')!;
  };
  test('15 cm from the glass (common practice); the way out is offered, and is one', () => {
    const close = board(0.03);
    expect(close.severity).toBe('stop');
    const { standoffM } = close.remedies![0]!.parameters;
    expect(board(standoffM as number).severity).toBe('ok');
    expect(board((standoffM as number) - 0.002).severity).toBe('stop');
  });
});
