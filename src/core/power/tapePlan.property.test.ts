import fc from 'fast-check';
import type { TapeRun } from '../build/wiring';
import { ohmPerM } from '../electrics/copper';
import { TAPE_LOADS } from '../electrics/tapeLoad';
import { lightAt, solveLadder } from './ladder';
import { DIMMEST, evenFeeds, planTape } from './tapePlan';
import { LEADS_MM2, type LeadMm2 } from '../electrics/leads';
import { sourced } from '../origin';
import { tapePowerFindings } from './tapePowerFindings';

const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const run = fc.record({
  voltageV: fc.constantFrom(5, 12, 24),
  wattsPerM: number(2, 24),
  load: fc.constantFrom('string' as const, 'current' as const, 'resistance' as const),
  loopOhmPerM: number(0.05, 1.5).map((ohm) => sourced(ohm, 'typical')),
  colour: fc.boolean(),
  rowsM: fc.array(number(0.2, 4), { minLength: 1, maxLength: 8 }),
  feed: fc.constantFrom('one' as const, 'both' as const, 'rows' as const, 'spaced' as const),
  supplies: fc.integer({ min: 1, max: 4 }),
  supply: fc.option(
    fc.constant({ name: 'a supply', voltageV: 24, ratedW: 100, protection: 'II' as const }),
  ),
  leadLengthM: number(0.1, 8),
  leadMm2: fc.constantFrom(...(Object.keys(LEADS_MM2).map(Number) as LeadMm2[])),
  connector: fc.constantFrom(
    'soldered' as const,
    'terminal' as const,
    'barrel' as const,
    'clip' as const,
  ),
  outputsJoined: fc.boolean(),
  supplyField: fc.constant('supplyPartId'),
  outputsField: fc.constant('outputs'),
  feedField: fc.constant('feed'),
  leadField: fc.constant('leadMm2'),
  connectorField: fc.constant('connector'),
});
const total = ({ rowsM }: TapeRun) => rowsM.reduce((sum, row) => sum + row, 0);

describe('tape of any kind, fed in any way', () => {
  test('its parts make up its length; light is a share; nothing is no number', () => {
    fc.assert(
      fc.property(run, (given) => {
        const plan = planTape(given)!;
        expect(plan.parts.reduce((sum, { lengthM }) => sum + lengthM, 0)).toBeCloseTo(
          total(given),
          6,
        );
        for (const { light, feedsM, lengthM, dimmest, dimmestAtM } of plan.parts) {
          for (const value of light) expect(value >= 0 && value <= 1).toBe(true);
          for (const atM of feedsM) expect(atM >= 0 && atM <= lengthM + 1e-9).toBe(true);
          expect(dimmest >= 0 && dimmest <= 1).toBe(true);
          expect(dimmestAtM >= 0 && dimmestAtM <= lengthM + 1e-9).toBe(true);
        }
        expect(JSON.stringify(plan)).not.toMatch(/NaN|null,null/);
      }),
      { seed: 51, numRuns: 60 },
    );
  });
  test('feeds at both ends are never worse than at one, nor is more copper', () => {
    fc.assert(
      fc.property(run, (given) => {
        const one = { ...given, feed: 'one' as const, load: 'string' as const };
        const dimmest = (over: Partial<TapeRun>) => planTape({ ...one, ...over })!.dimmest;
        expect(dimmest({ feed: 'both' })).toBeGreaterThanOrEqual(dimmest({}) - 1e-6);
        expect(dimmest({ loopOhmPerM: sourced(0.1, 'yours') })).toBeGreaterThanOrEqual(
          dimmest({ loopOhmPerM: sourced(0.2, 'yours') }) - 1e-6,
        );
      }),
      { seed: 52, numRuns: 40 },
    );
  });
  test('even feeds keep nine tenths wherever they can', () => {
    fc.assert(
      fc.property(run, (given) => {
        const plan = planTape({ ...given, feed: 'spaced' })!;
        if (plan.proposedFeeds !== null)
          expect(plan.dimmest).toBeGreaterThanOrEqual(DIMMEST - 0.02);
      }),
      { seed: 53, numRuns: 40 },
    );
  });
  test('every finding names its limit, its source and its field; every way out is another setting', () => {
    fc.assert(
      fc.property(run, (given) => {
        for (const finding of tapePowerFindings(planTape(given), given, [])) {
          expect(finding.source).toBeTruthy();
          expect(finding.where.field).toBeTruthy();
          expect(`${finding.title} ${finding.message}`).not.toMatch(/!|\bsafe\b|NaN|undefined/i);
          for (const { parameters } of finding.remedies ?? [])
            for (const [field, value] of Object.entries(parameters))
              if (field === 'feed') expect(value).not.toBe(given.feed);
              else if (field === 'leadMm2') expect(Number(value)).toBeGreaterThan(given.leadMm2);
        }
      }),
      { seed: 54, numRuns: 80 },
    );
  });
  test('a thicker lead offered is thick enough', () => {
    fc.assert(
      fc.property(run, (given) => {
        const lead = tapePowerFindings(planTape(given), given, []).find(
          ({ id }) => id === 'tape.lead',
        );
        const [way] = lead?.remedies ?? [];
        if (!way) return;
        const mended = { ...given, leadMm2: way.parameters.leadMm2 as LeadMm2 };
        const again = tapePowerFindings(planTape(mended), mended, []).find(
          ({ id }) => id === 'tape.lead',
        )!;
        expect(again.severity).not.toBe('stop');
      }),
      { seed: 55, numRuns: 80 },
    );
  });
});

describe('the ladder', () => {
  const ladder = fc.record({
    lengthM: number(0.5, 10),
    loopOhmPerM: number(0.02, 1),
    supplyV: fc.constantFrom(5, 12, 24),
    wattsPerM: number(1, 20),
    segments: fc.integer({ min: 10, max: 300 }),
  });
  test('no place is over the supply; voltage falls away from the one feed', () => {
    fc.assert(
      fc.property(ladder, fc.constantFrom(...TAPE_LOADS), (given, load) => {
        const { volts, settled } = solveLadder({
          ...given,
          load,
          feeds: [{ atM: 0, leadOhm: 0.01 }],
        });
        fc.pre(settled);
        for (let k = 0; k < volts.length; k++) {
          expect(volts[k]!).toBeLessThanOrEqual(given.supplyV + 1e-6);
          if (k > 0) expect(volts[k]!).toBeLessThanOrEqual(volts[k - 1]! + 1e-6);
        }
      }),
      { seed: 56, numRuns: 80 },
    );
  });
  test('mirrored feeds mirror the voltages', () => {
    fc.assert(
      fc.property(
        ladder,
        fc.array(number(0, 1), { minLength: 1, maxLength: 4 }),
        (given, shares) => {
          const place = (share: number) =>
            Math.round(share * given.segments) * (given.lengthM / given.segments);
          const solve = (feeds: number[]) =>
            solveLadder({
              ...given,
              load: 'string',
              feeds: feeds.map((atM) => ({ atM, leadOhm: 0.05 })),
            }).volts;
          const own = solve(shares.map(place));
          const turned = solve(shares.map((share) => given.lengthM - place(share)));
          for (let k = 0; k < own.length; k += 7)
            expect(turned[own.length - 1 - k]).toBeCloseTo(own[k]!, 4);
        },
      ),
      { seed: 57, numRuns: 60 },
    );
  });
  test('finer steps change little', () => {
    fc.assert(
      fc.property(ladder, (given) => {
        const end = (segments: number) =>
          solveLadder({
            ...given,
            segments,
            load: 'string',
            feeds: [{ atM: 0, leadOhm: 2 * ohmPerM(0.75) }],
          }).volts.at(-1)!;
        expect(Math.abs(end(800) - end(200))).toBeLessThan(0.01 * given.supplyV);
      }),
      { seed: 58, numRuns: 30 },
    );
  });
  test('light falls with the voltage, from all to nothing', () => {
    for (const load of TAPE_LOADS) {
      expect(lightAt(load, 12, 12)).toBe(1);
      expect(lightAt(load, 0, 12)).toBe(0);
      for (let v = 0; v < 12; v += 0.1)
        expect(lightAt(load, v + 0.1, 12)).toBeGreaterThanOrEqual(lightAt(load, v, 12));
    }
  });
  test('even feeds lie in the middles of equal stretches', () => {
    expect(evenFeeds(6, 3)).toEqual([1, 3, 5]);
    expect(evenFeeds(5, 1)).toEqual([2.5]);
  });
});
