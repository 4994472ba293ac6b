import { bulbIn, sample } from '../testing/sample';
import type { Production } from '../document/production';
import { evaluateKnown as evaluate } from '../evaluate/testing';
import type { WorkedOut as Readouts } from '../evaluate/readouts';
import { findBuild } from '../evaluate/context';
import type { Severity } from '../findings/finding';
import type { TapeRun } from '../build/wiring';
import { sourced } from '../origin';
import { CORD_IDS, CORDS, thinnestCordFor, type CordId } from '../electrics/cord';
import { ohmPerM } from '../electrics/copper';
import { plugFuseFor, REGIONS } from '../electrics/region';
import { planTape } from './tapePlan';
import { CONNECTORS, LEADS_MM2, type Connector, type LeadMm2 } from '../electrics/leads';
import { tapePowerFindings } from './tapePowerFindings';

/** Limits are tried a hair below and a hair above: a check that never trips would pass neither. */
const HAIR = 1e-6;

const demo = sample();
const read = (edit: (draft: Production) => void, id: string): Readouts => {
  const copy = structuredClone(demo);
  edit(copy);
  const found = evaluate(copy, id, { gridCells: 3 });
  if (!found.ok) throw new Error(found.problems[0]!.message);
  return found.value;
};
const severity = ({ findings }: Readouts, id: string): Severity | undefined =>
  findings.find((finding) => finding.id === id)?.severity;

describe('flexible cords (NEC 400.5(A)(1) and BS 7671 4F3A, from memory)', () => {
  /** The clerk's ring made to draw just so much through one cord. */
  const through = (cordId: CordId, amps: number) =>
    read((draft) => {
      const part = draft.shelf.parts.find(({ id }) => id === 'cord-075')!;
      if (part.role === 'cord') part.cord = cordId;
      const circuit = draft.circuits.find(({ id }) => id === 'hall-a')!;
      circuit.ratedA = 125;
      const bulb = bulbIn(draft.shelf, 'globe-g45-3');
      Object.assign(bulb, { wattsW: (amps * circuit.voltageV) / 16, powerFactor: 1 });
    }, 'clerk-ring');
  test.each(CORD_IDS)('%s carries its limit and not a hair more', (cordId) => {
    const { limitA } = CORDS[cordId];
    expect(severity(through(cordId, limitA * (1 - HAIR)), 'power.cord')).toBe('ok');
    expect(severity(through(cordId, limitA * (1 + HAIR)), 'power.cord')).toBe('stop');
  });
  test('the thinnest that carries it is the next in its own kind', () => {
    for (const id of CORD_IDS) {
      const cord = CORDS[id];
      expect(CORDS[thinnestCordFor(cord.limitA, cord)!].limitA).toBe(cord.limitA);
      const next = thinnestCordFor(cord.limitA + HAIR, cord);
      if (next) {
        expect(CORDS[next].limitA).toBeGreaterThan(cord.limitA);
        expect([CORDS[next].earthed, CORDS[next].system]).toEqual([cord.earthed, cord.system]);
      }
    }
  });
});

describe('breakers and plugs', () => {
  const loaded = (amps: number, edit: (draft: Production) => void = () => {}) =>
    read((draft) => {
      const circuit = draft.circuits.find(({ id }) => id === 'hall-a')!;
      Object.assign(circuit, { ratedA: 16, otherLoadW: 0 });
      const bulb = bulbIn(draft.shelf, 'globe-g45-3');
      Object.assign(bulb, { wattsW: (amps * circuit.voltageV) / 16, powerFactor: 1 });
      edit(draft);
    }, 'clerk-ring');
  test('all of a European breaker, four fifths of a North American one (NEC 210.20, from memory)', () => {
    expect(severity(loaded(16 * (1 - HAIR)), 'power.circuit')).toBe('ok');
    expect(severity(loaded(16 * (1 + HAIR)), 'power.circuit')).toBe('stop');
    const american = (amps: number) =>
      loaded(amps, (draft) => {
        draft.circuits.find(({ id }) => id === 'hall-a')!.region = 'na-120-60';
      });
    expect(severity(american(12.8 * (1 - HAIR)), 'power.circuit')).toBe('ok');
    expect(severity(american(12.8 * (1 + HAIR)), 'power.circuit')).toBe('stop');
  });
  test('a plug carries what is printed on it, and no more than its fuse', () => {
    const plugged = (amps: number, fuseA: number | null) =>
      severity(
        loaded(amps, (draft) => {
          const plug = draft.shelf.parts.find(({ id }) => id === 'plug-16')!;
          if (plug.role === 'plug') Object.assign(plug, { ratedA: 13, fuseA });
        }),
        'power.plug',
      );
    expect(plugged(13 * (1 - HAIR), null)).toBe('ok');
    expect(plugged(13 * (1 + HAIR), null)).toBe('stop');
    expect(plugged(3 * (1 - HAIR), 3)).toBe('ok');
    expect(plugged(3 * (1 + HAIR), 3)).toBe('stop');
  });
  test.each([
    [0.5, 3],
    [3, 3],
    [3.01, 5],
    [5.01, 13],
    [13, 13],
    [13.01, null],
  ])('%f A wants a fuse of %s A in a British plug (BS 1362 sizes, from memory)', (amps, fuse) =>
    expect(plugFuseFor(amps, REGIONS['uk-230-50'])).toBe(fuse),
  );
});

describe('heat', () => {
  const raised = (standoffM: number) =>
    severity(
      read((draft) => {
        const build = findBuild(draft, 'warm-ring')!;
        const { standoffM: now } = build.parameters as { standoffM: number };
        build.parameters.standoffM = now + standoffM;
      }, 'warm-ring'),
      'heat.clearance.board',
    );
  test('a household filament keeps 15 cm from a board (common practice)', () => {
    const found = read(() => {}, 'warm-ring').findings.find(
      ({ id }) => id === 'heat.clearance.board',
    )!;
    const nowM = Number(/^([\d.]+) cm/.exec(found.message)![1]) / 100;
    expect(found.severity).toBe('stop');
    expect(raised(0.15 - nowM - 0.002)).toBe('stop');
    expect(raised(0.15 - nowM + 0.002)).toBe('ok');
  });
  test('a layer before a clamp lamp, moved out until it stands clear', () => {
    const at = (standoffM: number) =>
      severity(
        read((draft) => {
          const build = findBuild(draft, 'counter-lamp')!;
          Object.assign(build.parameters, {
            standoffM,
            groups: [{ bulbId: 'halogen-a55-42', level: 1 }],
          });
        }, 'counter-lamp'),
        'heat.clearance.layer',
      );
    const outcomes = [0, 0.03, 0.06, 0.09, 0.12, 0.15, 0.2].map(at);
    expect(outcomes[0]).toBe('stop');
    expect(outcomes.at(-1)).toBe('ok');
    // Once clear it stays clear.
    expect(outcomes.lastIndexOf('stop')).toBe(outcomes.indexOf('ok') - 1);
  });
});

describe('leads and connectors of tape', () => {
  const run = (over: Partial<TapeRun>): TapeRun => ({
    voltageV: 24,
    wattsPerM: 12,
    load: 'current',
    loopOhmPerM: sourced(0.02, 'metered'),
    colour: false,
    rowsM: [2],
    feed: 'one',
    supplies: 1,
    supply: { name: 'a supply', voltageV: 24, ratedW: 2000, protection: 'II' },
    leadLengthM: 0.1,
    leadMm2: 2.5,
    connector: 'soldered',
    outputsJoined: false,
    supplyField: 'supplyPartId',
    outputsField: 'outputs',
    feedField: 'feed',
    leadField: 'leadMm2',
    connectorField: 'connector',
    ...over,
  });
  /** So many amperes from one feed: W/m · m over V. */
  const drawing = (amps: number, over: Partial<TapeRun>) => {
    const given = run({ wattsPerM: (amps * 24) / 2, ...over });
    const plan = planTape(given)!;
    expect(plan.mostFeedA).toBeCloseTo(amps, 4);
    return (id: string) => tapePowerFindings(plan, given, []).find((finding) => finding.id === id);
  };
  test.each(Object.keys(LEADS_MM2).map(Number) as LeadMm2[])(
    '%f mm² (BS 7671 4F3A, from memory)',
    (leadMm2) => {
      const bears = LEADS_MM2[leadMm2];
      expect(drawing(bears * 0.999, { leadMm2 })('tape.lead')!.severity).not.toBe('stop');
      expect(drawing(bears * 1.001, { leadMm2 })('tape.lead')!.severity).toBe('stop');
    },
  );
  test.each(Object.keys(CONNECTORS) as Connector[])('%s (typical)', (connector) => {
    const { limitA } = CONNECTORS[connector];
    if (!Number.isFinite(limitA))
      return expect(drawing(20, { connector })('tape.connector')).toBeUndefined();
    expect(drawing(limitA * 0.999, { connector })('tape.connector')).toBeUndefined();
    expect(drawing(limitA * 1.001, { connector })('tape.connector')!.severity).toBe('stop');
  });
  test('three per cent in the leads (common practice), by I·2·r·L', () => {
    // 4 A through 2 · 0.75 mm²: 3 % of 24 V is 0.72 V.
    const limitM = 0.72 / (4 * 2 * ohmPerM(0.75));
    const lead = (leadLengthM: number) =>
      drawing(4, { leadMm2: 0.75, leadLengthM })('tape.lead')!.severity;
    expect(lead(limitM * 0.999)).toBe('ok');
    expect(lead(limitM * 1.001)).toBe('look');
  });
  test('more than 8 A from one output wants a fuse (UL 1310, from memory)', () => {
    expect(drawing(7.99, {})('tape.fuse')).toBeUndefined();
    expect(drawing(8.01, {})('tape.fuse')!.message).toContain('11 A');
  });
});
