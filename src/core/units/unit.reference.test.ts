import { sample } from '../testing/sample';
import { packEmitters } from '../light/emitter';
import { illuminanceLx } from '../light/illuminance';
import { SUPPLY_EFFICIENCY } from '../electrics/supply';
import { effectiveTape, effectiveUnit, tapeLumensPerM, tapeWattsPerM } from './effective';
import { labelFindings } from './sanity';
import { type Unit, type UnitOf, unitSchema } from './unit';
import { backwardShare, intensityPerLm, prepareSpread } from './spread';

const { units } = sample().shelf;
const unit = (id: string) => units.find((each) => each.id === id)!;
const strip = (id: string) => unit(id) as UnitOf<'strip'>;
const traps = (of: Unit, over: Partial<Unit> = {}) =>
  labelFindings({ ...of, ...over } as Unit).map(({ id }) => id.split('.')[1]);

describe('tube: I0·sin of the angle to its axis, Φ = π²·I0 (docs/model/units.md)', () => {
  const tube = prepareSpread({ class: 'tube' });
  test('peak across, nothing along', () => {
    expect(tube.peakPerLm).toBeCloseTo(1 / Math.PI ** 2, 12);
    expect(intensityPerLm(tube, 0)).toBeCloseTo(tube.peakPerLm, 12);
    expect(intensityPerLm(tube, 1)).toBe(0);
  });
  test('all of the flux over the sphere: ∫ I·2π·sin θ dθ = 1', () => {
    const steps = 2000;
    let sum = 0;
    for (let k = 0; k < steps; k++) {
      const theta = ((k + 0.5) / steps) * Math.PI;
      sum +=
        intensityPerLm(tube, Math.cos(theta)) * 2 * Math.PI * Math.sin(theta) * (Math.PI / steps);
    }
    expect(sum).toBeCloseTo(1, 6);
  });
  test('half of it goes to either end’s side', () => {
    expect(backwardShare(tube, Math.PI / 2)).toBeCloseTo(0.5, 12);
  });
  test('the kernel agrees with the distribution', () => {
    const field = packEmitters([
      { positionM: [0, 0, 0], axis: [1, 0, 0], luminousFluxLm: 1000, spread: { class: 'tube' } },
    ]);
    expect(illuminanceLx(field, [0, 0, 2], [0, 0, -1])).toBeCloseTo(1000 / Math.PI ** 2 / 4, 9);
    const diagonal = illuminanceLx(
      field,
      [Math.SQRT2, 0, Math.SQRT2],
      [-Math.SQRT1_2, 0, -Math.SQRT1_2],
    );
    expect(diagonal).toBeCloseTo((1000 * Math.SQRT1_2) / Math.PI ** 2 / 4, 9);
  });
});

describe('tape', () => {
  test('five metres behind a supply of 87 %', () => {
    const tape = effectiveTape(strip('tape-24-120-4000'), 5, 0.9);
    expect(tape.wattsW.value).toBeCloseTo(72 / SUPPLY_EFFICIENCY, 9);
    expect(tape.luminousFluxLm.value).toBe(7000);
    expect(tape).toMatchObject({
      supplyV: null,
      filament: false,
      hasDriver: true,
      keepAwayM: null,
    });
    expect(tape.name).toContain('5 m of');
  });
  test('a bi-colour tape gives half (docs/model/units.md)', () => {
    const bi = strip('tape-bi-24');
    expect(tapeWattsPerM(bi)).toBe(10);
    expect(tapeLumensPerM(bi).value).toBe(950);
  });
  test('a silent label: white 95 lm/W, colours 30 lm/W, both marked typical', () => {
    const silent = { ...strip('tape-24-120-4000'), lumensPerM: null };
    expect(tapeLumensPerM(silent)).toEqual({
      value: expect.closeTo(14.4 * 95, 9),
      origin: 'typical',
    });
    expect(tapeLumensPerM({ ...silent, colour: 'rgb' }).value).toBeCloseTo(14.4 * 30, 9);
  });
});

describe('mains units', () => {
  test('what the label says wins, with its origin', () => {
    const panel = effectiveUnit(unit('panel-20') as UnitOf<'panel'>);
    expect(panel.luminousFluxLm).toEqual({ value: 1900, origin: 'typical' });
    const metered = {
      ...(unit('panel-20') as UnitOf<'panel'>),
      origins: { luminousFluxLm: 'metered' as const },
    };
    expect(effectiveUnit(metered).luminousFluxLm.origin).toBe('metered');
    // A figure nobody has named the origin of is typical, never the label's.
    expect(effectiveUnit(metered).cctK.origin).toBe('typical');
  });
  test('a halogen work light reddens, burns and has no driver', () => {
    expect(effectiveUnit(unit('work-halogen-400') as UnitOf<'work-light'>)).toMatchObject({
      filament: true,
      hasDriver: false,
      // Half a metre to cloth, one to anything in the beam (common practice).
      keepAwayM: { cloth: 0.5, other: 0.5, beam: 1 },
    });
  });
  test('an LED work light without CRI is taken for 70', () => {
    expect(effectiveUnit(unit('work-led-30') as UnitOf<'work-light'>)).toMatchObject({
      criKnown: false,
      criRa: { value: 70, origin: 'typical' },
    });
  });
});

describe('traps of the label (docs/model/units.md)', () => {
  test.each<[string, Partial<Unit>, string, boolean]>([
    ['tape-24-120-4000', { lumensPerM: 3200 } as Partial<Unit>, 'efficacy', true],
    ['tape-24-120-4000', { lumensPerM: 3100 } as Partial<Unit>, 'efficacy', false],
    ['tape-rgb-12', { lumensPerM: 900 } as Partial<Unit>, 'efficacy', true],
    ['tube-36-954', { luminousFluxLm: 3800 } as Partial<Unit>, 'efficacy', true],
    ['tube-36-954', { luminousFluxLm: 3700 } as Partial<Unit>, 'efficacy', false],
    ['work-halogen-400', { luminousFluxLm: 10_100 } as Partial<Unit>, 'efficacy', true],
    ['panel-20', { luminousFluxLm: null } as Partial<Unit>, 'lumens', true],
    ['panel-20', { criRa: null }, 'cri', true],
    ['panel-20', { cctK: null }, 'cct', true],
    ['tape-bi-24', {}, 'bi-colour', true],
    ['tape-rgb-12', {}, 'rgb-white', true],
    ['tape-24-120-4000', { colour: 'addressable' } as Partial<Unit>, 'data', true],
    ['tube-36-954', {}, 'warm-up', true],
    ['tube-36-954', {}, 'mercury', true],
    ['led-tube-18', {}, 'mercury', false],
    ['globe-g45-3', { kind: 'cfl' }, 'mercury', true],
    ['globe-g45-3', { kind: 'led' }, 'mercury', false],
    ['globe-g45-3', { kind: 'halogen', base: 'GU10' }, 'capsule', true],
    ['globe-g45-3', { kind: 'halogen', base: 'E27' }, 'capsule', false],
    ['work-halogen-400', {}, 'halogen', true],
  ])('%s %j → %s %s', (id, over, trap, caught) => {
    expect(traps(unit(id), over).includes(trap)).toBe(caught);
  });
  test('a whole label has none', () => expect(traps(unit('tape-24-120-4000'))).toEqual([]));
  test('each says what, why, and where', () => {
    for (const each of units)
      for (const finding of labelFindings(each)) {
        expect(finding.message.length).toBeGreaterThan(40);
        expect(finding.source).toBeTruthy();
        expect(finding.where.field).toMatch(/^unit\./);
        expect(each).toHaveProperty(finding.where.field!.slice('unit.'.length));
        expect(`${finding.title} ${finding.message}`).not.toMatch(/!|\bsafe\b/i);
      }
  });
});

describe('the door', () => {
  test('wrong labels stop at the schema', () => {
    for (const wrong of [
      { wattsPerM: 0 },
      { ledsPerM: 1e6 },
      { cutIncrementM: 0 },
      { reelLengthM: -5 },
      { voltageV: 230 },
      { category: 'candle' },
    ])
      expect(unitSchema.safeParse({ ...unit('tape-24-120-4000'), ...wrong }).success).toBe(false);
  });
});
