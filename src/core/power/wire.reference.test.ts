import { bulbIn, sample, unanswered } from '../testing/sample';
import type { Production } from '../document/production';
import { Derivations } from '../evaluate/derive';
import { signedState } from '../evaluate/signedState';
import { alternatives } from '../evaluate/alternatives';
import { after as afterwards } from '../document/testing';
import { moveToCircuit } from '../document/records';
import { circuitLoads } from '../evaluate/circuitLoads';
import { evaluateKnown as evaluate } from '../evaluate/testing';
import type { WorkedOut as Readouts } from '../evaluate/readouts';
import { findBuild, resolveScene, sceneOf } from '../evaluate/context';
import { lowRiskPercent, noEffectPercent } from '../flicker/risk';
import { DIMMERS, loadKindOf, LOADS, matchOf } from './dimming';
import { gateOf } from './wire';
import { checkProduction } from '../evaluate/checkProduction';
import { ohmPerM } from '../electrics/copper';
import { solveLadder } from './ladder';
import { sourced } from '../origin';
import { tapeCopper } from '../units/effective';
import type { UnitOf } from '../units/unit';
import { evenFeeds, feedsNeeded, planTape } from './tapePlan';
import { CONNECTORS, LEADS_MM2, type Connector } from '../electrics/leads';
import { tapePowerFindings } from './tapePowerFindings';

const demo = sample();
const read = (document: Production, id: string): Readouts => {
  const found = evaluate(document, id, { gridCells: 4 });
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value;
};
const changed = (id: string, over: Record<string, unknown>, edit?: (draft: Production) => void) => {
  const copy = structuredClone(demo);
  Object.assign(findBuild(copy, id)!.parameters, over);
  edit?.(copy);
  return read(copy, id);
};
const finding = ({ findings }: Readouts, id: string) => findings.find((each) => each.id === id);
const runOf = (id: string) => resolveScene(sceneOf(demo, findBuild(demo, id)!))!.resolved.tape!;

describe('tape: feeds, leads, connectors', () => {
  test('one end of 5 m at 12 V is under-fed; the ways out lead out', () => {
    const under = changed('lens-ring', {
      stripId: 'tape-12-60-6500',
      supplyPartId: 'supply-12-60',
      feed: 'one',
      leadMm2: 1.5,
    });
    const found = finding(under, 'tape.brightness')!;
    expect(found.severity).toBe('look');
    expect(found.remedies!.length).toBeGreaterThanOrEqual(2);
    const spaced = found.remedies!.find(({ parameters }) => parameters.feed === 'spaced')!;
    const mended = changed('lens-ring', {
      stripId: 'tape-12-60-6500',
      supplyPartId: 'supply-12-60',
      leadMm2: 1.5,
      ...spaced.parameters,
    });
    expect(finding(mended, 'tape.brightness')!.severity).toBe('ok');
    expect(mended.wire!.tape!.parts[0]!.feedsM).toHaveLength(under.wire!.tape!.proposedFeeds!);
  });
  test('the fewest feeds: one fewer would not do', () => {
    const run = {
      ...runOf('lens-ring'),
      feed: 'spaced' as const,
      loopOhmPerM: sourced(0.8, 'metered'),
    };
    const needed = feedsNeeded(run, 5)!;
    const plan = planTape({ ...run, rowsM: [5], supplies: 1 })!;
    expect(plan.parts[0]!.feedsM).toHaveLength(needed);
    const dimmest = (count: number) => {
      const leadOhm = 2 * ohmPerM(run.leadMm2) * run.leadLengthM;
      const feeds = evenFeeds(5, count).map((atM) => ({ atM, leadOhm }));
      const { light } = solveLadder({
        ...run,
        lengthM: 5,
        loopOhmPerM: 0.8,
        supplyV: run.voltageV,
        feeds,
        segments: 500,
      });
      return Math.min(...light) / Math.max(...light);
    };
    expect(dimmest(needed)).toBeGreaterThanOrEqual(0.9);
    expect(needed).toBeGreaterThan(1);
    expect(dimmest(needed - 1)).toBeLessThan(0.9);
  });
  test('copper typical of its width, or metered (typical: 0.33 Ω/m at 10 mm)', () => {
    const copper = (loopOhmPerM: number | null, tapeWidthM: number) =>
      tapeCopper({ loopOhmPerM, tapeWidthM, origins: {} } as unknown as UnitOf<'strip'>);
    expect(copper(null, 0.01).value).toBeCloseTo(0.33, 12);
    expect(copper(null, 0.005)).toEqual({ value: expect.closeTo(0.66, 12), origin: 'typical' });
    expect(copper(0.2, 0.005).value).toBe(0.2);
  });
  test('a thin lead is a stop, and thicker copper the way out (BS 7671 Table 4F3A, from memory)', () => {
    const thin = changed('lens-ring', { leadMm2: 0.34, feed: 'one' });
    const found = finding(thin, 'tape.lead')!;
    expect(found.severity).toBe('stop');
    expect(thin.wire!.tape!.mostFeedA).toBeGreaterThan(LEADS_MM2[0.34]);
    const mended = changed('lens-ring', {
      leadMm2: 0.34,
      feed: 'one',
      ...found.remedies![0]!.parameters,
    });
    expect(finding(mended, 'tape.lead')!.severity).toBe('ok');
  });
  test('a clip bears 3 A, a barrel 5 A (typical)', () => {
    expect([CONNECTORS.clip.limitA, CONNECTORS.barrel.limitA]).toEqual([3, 5]);
    const judged = (connector: Connector) => {
      const run = {
        ...runOf('lens-ring'),
        rowsM: [10],
        feed: 'one',
        supplies: 1,
        leadMm2: 1.5,
        connector,
      } as const;
      const plan = planTape(run)!;
      expect(plan.mostFeedA).toBeGreaterThan(3);
      expect(plan.mostFeedA).toBeLessThan(5);
      return tapePowerFindings(plan, run, []).find(({ id }) => id === 'tape.connector')?.severity;
    };
    expect(judged('clip')).toBe('stop');
    expect(judged('barrel')).toBeUndefined();
    expect(judged('soldered')).toBeUndefined();
  });
  test('a supply that carries it alone is proposed; with none the least is named', () => {
    const none = finding(changed('lens-ring', { supplyPartId: null }), 'tape.supply')!;
    // 5 m of 14.4 W/m: 72 W, at four fifths of its rating 90 W (common practice).
    expect([none.severity, none.limit]).toEqual([
      'unknown',
      '90 W, the load at four fifths of the rating',
    ]);
    expect(none.remedies!.map(({ parameters }) => parameters.supplyPartId)[0]).toBe(
      'supply-24-100',
    );
    const split = finding(read(demo, 'deck-sky'), 'tape.supply')!;
    expect(split.severity).toBe('look');
    expect(split.remedies).toEqual([]);
    expect(finding(read(demo, 'lens-ring'), 'tape.supply')).toBeUndefined();
  });
  test('no tape, no findings', () => {
    expect(planTape(null)).toBeNull();
    expect(read(demo, 'clerk-ring').wire!.tape).toBeNull();
  });
});

describe('film and foam near glowing wires (common practice: 15 cm)', () => {
  const halogen = [{ bulbId: 'halogen-a55-42', level: 1 }];
  const stops = (over: Record<string, unknown>) =>
    changed('counter-lamp', over)
      .findings.filter(({ severity }) => severity === 'stop')
      .map(({ id }) => id);
  test('a layer on the rim of a clamp lamp with a halogen bulb is refused; well before it, it is not', () => {
    expect(stops({ groups: halogen })).toContain('heat.clearance.layer');
    expect(stops({ groups: halogen, standoffM: 0.2 })).not.toContain('heat.clearance.layer');
    expect(stops({ groups: halogen, layer1PartId: null })).not.toContain('heat.clearance.layer');
    expect(stops({})).toEqual([]);
  });
  test('a foam grid before it is refused too', () => {
    expect(stops({ groups: halogen })).toContain('heat.clearance.lamp-grid.strips');
  });
});

test('a starved tape is a stop, and even feeds are the way out', () => {
  const starve = (draft: Production) => {
    const strip = draft.shelf.units.find(({ id }) => id === 'tape-24-120-4000')!;
    if (strip.category === 'strip') strip.loopOhmPerM = 1.2;
  };
  const found = finding(changed('clerk-pan', {}, starve), 'tape.brightness')!;
  expect([found.severity, found.title]).toEqual(['stop', 'The tape is starved']);
  const way = found.remedies!.find(({ parameters }) => parameters.feed === 'spaced')!;
  expect(finding(changed('clerk-pan', way.parameters, starve), 'tape.brightness')!.severity).toBe(
    'ok',
  );
});

describe('the chain from the breaker to the lamps', () => {
  const link = (readouts: Readouts, id: string) =>
    readouts.wire.chain.find((each) => each.id === id)!;
  test('every link with what it bears and what goes through it', () => {
    const warm = read(demo, 'warm-ring');
    // 25 lamps of 60 W at 120 V: 12.5 A through a cord for 10 A, under 80 % of a 20 A breaker.
    expect(link(warm, 'cord')).toMatchObject({
      load: { value: expect.closeTo(12.5, 9), limit: 10, unit: 'A' },
      severity: 'stop',
    });
    expect(link(warm, 'breaker').load!.limit).toBeCloseTo(16, 9);
    expect(link(warm, 'dimmer').load).toMatchObject({ value: 1500, unit: 'W' });
  });
  test('a holder with more watts than it is made for', () => {
    expect(link(read(demo, 'clerk-ring'), 'holder')).toMatchObject({
      load: { value: 3, limit: 60, unit: 'W' },
      severity: 'ok',
    });
    const hot = changed(
      'clerk-ring',
      {},
      (draft) => void (bulbIn(draft.shelf, 'globe-g45-3').wattsW = 100),
    );
    expect(link(hot, 'holder').severity).toBe('stop');
  });
  test('a drum that lies wound bears a third', () => {
    const drum = changed('clerk-ring', {}, (draft) => {
      Object.assign(findBuild(draft, 'clerk-ring')!.site, { lead: 'drum', leadCord: 'mm1.5-3' });
    });
    expect(link(drum, 'lead').load!.limit).toBeCloseTo(16 / 3, 9);
  });
  test('what nobody has said is not known on its link, and nothing is said to be fine', () => {
    const silent = read(unanswered(), 'clerk-ring');
    for (const id of ['rcd', 'socket']) expect(link(silent, id).severity).toBe('unknown');
    const bare = changed('clerk-ring', { cordPartId: null, plugPartId: null });
    for (const id of ['cord', 'plug']) {
      expect(link(bare, id)).toMatchObject({ what: 'none chosen', load: null });
      expect(link(bare, id).severity).toBe('unknown');
    }
  });
});

describe('every light of the production', () => {
  test('the quick check says what the full evaluation says of wiring', () => {
    for (const { build, findings } of checkProduction(demo)) {
      const about = (some: readonly { id: string; severity: string }[]) =>
        some
          .filter(({ id }) => /^(power|tape|dimmer|heat)\./.test(id))
          .map(({ id, severity }) => `${id} ${severity}`)
          .toSorted();
      expect(about(findings)).toEqual(about(read(demo, build.id).findings));
    }
  });
});

describe('dimming table (common practice)', () => {
  test('every pair is judged; what must not be dimmed is not', () => {
    for (const load of LOADS)
      for (const dimmer of DIMMERS) expect(matchOf(load, dimmer)[1]).toBeTruthy();
    expect(matchOf('filament', 'leading')[0]).toBe('yes');
    expect(matchOf('dimmable-led', 'leading')[0]).toBe('maybe');
    expect(matchOf('plain-led', 'trailing')[0]).toBe('no');
    expect(matchOf('fluorescent', 'leading')[0]).toBe('no');
    expect(matchOf('tape', 'pwm')[0]).toBe('yes');
  });
  test('units find their row', () => {
    const base = {
      filament: false,
      dimmable: 'no',
      supplyV: 230,
      emission: 'phosphor-led',
    } as const;
    expect(loadKindOf(base)).toBe('plain-led');
    expect(loadKindOf({ ...base, filament: true })).toBe('filament');
    expect(loadKindOf({ ...base, dimmable: 'yes' })).toBe('dimmable-led');
    expect(loadKindOf({ ...base, dimmable: 'unknown' })).toBe('unknown-led');
    expect(loadKindOf({ ...base, emission: 'fluorescent' })).toBe('fluorescent');
    expect(loadKindOf({ ...base, supplyV: null })).toBe('tape');
  });
});

describe('ways to less light', () => {
  const { resolved } = resolveScene(sceneOf(demo, findBuild(demo, 'clerk-ring')!))!;
  const shot = demo.shots.find(({ id }) => id === 'clerk')!;
  // An inverse-square light: 1600 lx at 1 m.
  const curve = Array.from({ length: 40 }, (_, k) => ({
    distanceM: 0.5 + k * 0.1,
    illuminanceLx: 1600 / (0.5 + k * 0.1) ** 2,
    inverseSquareLx: 0,
  }));
  test('two stops over: twice as far, three lamps of four off', () => {
    const ways = alternatives(
      resolved,
      { ...shot, distanceM: 1 },
      { totalLx: 1600, targetLx: 400 },
      curve,
    );
    const lamps = resolved.groups.reduce((sum, { count }) => sum + count, 0);
    expect(ways.map(({ what }) => what).join()).toContain('move it back to 2.00 m');
    expect(ways.map(({ what }) => what).join()).toContain(
      `switch off ${Math.floor(lamps * 0.75)} of ${lamps}`,
    );
    for (const { marginStops } of ways) expect(marginStops).toBeLessThan(2);
    // Its bulbs are not dimmable; a tape is, behind its supply.
    expect(ways.some(({ what }) => what.startsWith('dim'))).toBe(false);
    const tape = resolveScene(sceneOf(demo, findBuild(demo, 'lens-ring')!))!.resolved;
    const dimmed = alternatives(tape, shot, { totalLx: 1600, targetLx: 400 }, curve);
    expect(dimmed.map(({ what }) => what).join()).toContain('dim all to 25 %');
  });
  test('not over, nothing to say', () => {
    expect(alternatives(resolved, shot, { totalLx: 400, targetLx: 400 }, curve)).toEqual([]);
  });
});

describe('circuits', () => {
  test('a build’s amperes go with it to another circuit', () => {
    const before = circuitLoads(demo);
    const copy = afterwards(
      demo,
      moveToCircuit('clerk-ring', 'hall-b' as Production['circuits'][number]['id']),
    );
    const after = circuitLoads(copy);
    const total = (loads: typeof before, id: string) =>
      loads.find(({ circuit }) => circuit.id === id)!.totalA;
    const moved = before
      .flatMap(({ builds }) => builds)
      .find(({ id }) => id === 'clerk-ring')!.amps;
    expect(moved).toBeGreaterThan(0);
    expect(total(after, 'hall-a')).toBeCloseTo(total(before, 'hall-a') - moved, 9);
    expect(total(after, 'hall-b')).toBeCloseTo(total(before, 'hall-b') + moved, 9);
  });
  test('they agree with what each build’s own readouts say', () => {
    for (const load of circuitLoads(demo))
      for (const { id } of load.builds) {
        const { wire } = read(demo, id);
        if (wire) expect(wire.fullA + wire.othersA).toBeCloseTo(load.totalA, 6);
      }
  });
  test('eighty per cent of a North American breaker (NEC 210.20, from memory)', () => {
    const generator = circuitLoads(demo).find(({ circuit }) => circuit.id === 'generator')!;
    expect(generator.limitA).toBeCloseTo(0.8 * generator.circuit.ratedA, 9);
  });
});

describe('the power-up gate', () => {
  test('one stop shuts it', () => {
    const thin = changed('clerk-ring', {}, (draft) => {
      draft.circuits.find(({ id }) => id === 'hall-a')!.ratedA = 1;
    });
    expect(gateOf(thin.findings).open).toBe(false);
    expect(gateOf(thin.findings).stops.map(({ id }) => id)).toContain('power.circuit');
    expect(gateOf(read(demo, 'clerk-ring').findings).open).toBe(true);
  });
  test('another design wants another sign-off; a note, a price, another order of fields do not', () => {
    const state = (document: Production) =>
      signedState(document, findBuild(document, 'cabin-box')!, new Derivations());
    const with_ = (change: (draft: Production) => void) => {
      const copy = structuredClone(demo);
      change(copy);
      return state(copy);
    };
    const box = (draft: Production) => findBuild(draft, 'cabin-box')!;
    const now = state(demo);
    const bulb = (draft: Production) =>
      bulbIn(draft.shelf, (box(draft).parameters.groups as { bulbId: string }[])[0]!.bulbId);
    for (const harmless of [
      (draft: Production) => void (box(draft).note = 'x'),
      (draft: Production) => void (bulb(draft).priceMinor! += 100),
      (draft: Production) => void (bulb(draft).onHand += 5),
      (draft: Production) => {
        const { parameters } = box(draft);
        box(draft).parameters = Object.fromEntries(Object.entries(parameters).toReversed());
      },
    ])
      expect(with_(harmless)).toBe(now);
    for (const other of [
      (draft: Production) => void (box(draft).copies = 2),
      (draft: Production) => void (box(draft).parameters.lampInM = 0.1),
      // Twenty times the watts behind the same name.
      (draft: Production) => void (bulb(draft).wattsW *= 20),
      (draft: Production) => void (draft.circuits[1]!.otherLoadW += 1000),
      (draft: Production) => void (draft.circuits[1]!.ratedA = 10),
      // A neighbour on the same breaker that draws more.
      (draft: Production) => void (findBuild(draft, 'sky-bank')!.copies = 3),
    ])
      expect(with_(other)).not.toBe(now);
  });
});

// IEEE 1789-2015, from memory: 0.08·f is 8 % at 100 Hz, 9.6 % at 120 Hz; no effect 3.33 % and 4 %.
test('flicker and people', () => {
  expect(lowRiskPercent(100)).toBeCloseTo(8, 9);
  expect(lowRiskPercent(120)).toBeCloseTo(9.6, 9);
  expect(noEffectPercent(100)).toBeCloseTo(3.33, 2);
  expect(noEffectPercent(120)).toBeCloseTo(4, 2);
  expect([lowRiskPercent(60), noEffectPercent(60)]).toEqual([1.5, 0.6]);
  expect([lowRiskPercent(2000), noEffectPercent(4000)]).toEqual([100, 100]);
});
