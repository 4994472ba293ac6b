import { demoBuild } from '../forms/testing';
import type { Burns, Place, Thing } from '../build/things';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { bulbIn, unitIn } from '../testing/sample';
import { effectiveUnit } from '../units/effective';
import { enclosureC } from './caseHeat';
import { between, nearestOn } from './distance';
import { exposureOf, hotPoints } from './exposure';
import { heatFindings } from './heat';

const { resolved: box, document } = demoBuild('cabin-box');
const bulb = (id: string) => effectiveUnit(bulbIn(document.shelf, id));
const household = bulb('incandescent-60-120');
const halogen = effectiveUnit(unitIn(document.shelf, 'work-light', 'work-halogen-400'));
const ids = (build: ResolvedBuild) =>
  heatFindings(build).map(({ id, severity }) => `${id} ${severity}`);
const with_ = (over: Partial<ResolvedBuild>): ResolvedBuild => ({ ...box, ...over });
const lit = (unit: ResolvedBuild['groups'][number]['unit'], count = 1) => [
  { ...box.groups[0]!, unit, count },
];
const made = (burns: Burns, place: Place): Thing => ({
  id: 'thing',
  name: 'thing',
  burns,
  limitC: null,
  place,
  ref: 'thing',
  field: 'standoffM',
});
const ahead = (burns: Burns, distanceM: number) => made(burns, { kind: 'ahead', distanceM });

describe('a closed case (common practice estimate, docs/model/power.md)', () => {
  const bare = { ...box.enclosure!, resistanceM2KPerW: 0, limitC: null };
  test('ΔT = P_heat/(h·A) outside: 9 W of LED in the foam box', () => {
    const { areaM2 } = box.enclosure!;
    expect(enclosureC(box, box.enclosure!).outerC).toBeCloseTo(25 + (9 * 0.65) / (8 * areaM2), 9);
    expect(ids(with_({ things: [] }))).toEqual(['heat.enclosure ok']);
  });
  test('resistances in series by hand: 65 W through 0.369 m² of 10 mm foam (λ 0.035)', () => {
    const hot = with_({
      groups: lit({ ...bulb('globe-a60-9-2700'), wattsW: { value: 100, origin: 'label' } }),
      enclosure: { ...bare, areaM2: 0.369, resistanceM2KPerW: 0.01 / 0.035 },
    });
    const { outerC, innerC } = enclosureC(hot, hot.enclosure!);
    // 65/0.369 = 176 W/m²: over air alone 22 K, over air and foam 176·(0.125 + 0.2857) = 72 K.
    expect(outerC).toBeCloseTo(47.0, 1);
    expect(innerC).toBeCloseTo(97.3, 1);
    expect(ids({ ...hot, things: [] })).toEqual(['heat.enclosure stop']);
  });
  test('a thicker wall never makes it cooler, a bigger case never hotter', () => {
    const inner = (thicknessM: number, areaM2: number) =>
      enclosureC(box, { ...bare, areaM2, resistanceM2KPerW: thicknessM / 0.035 }).innerC;
    for (let k = 1; k < 20; k++) {
      expect(inner(0.002 * k, 0.3)).toBeGreaterThan(inner(0.002 * (k - 1), 0.3));
      expect(inner(0.01, 0.1 * (k + 1))).toBeLessThan(inner(0.01, 0.1 * k));
    }
  });
  test.each([
    // 5.85 W of heat; K over the room = 5.85/(8·A).
    ['touch 60 °C', 0.02, null, 'look'],
    ['electronics 85 °C', 0.0121, null, 'stop'],
    ['its weakest layer', 0.02, 60, 'stop'],
  ])('%s', (_, areaM2, limitC, severity) => {
    const small = with_({ things: [], enclosure: { ...bare, areaM2, limitC } });
    expect(ids(small)).toEqual([`heat.enclosure ${severity}`]);
  });
  test('a layer that bears 200 °C does not excuse a case of 123 °C', () => {
    const baked = with_({
      things: [],
      enclosure: { ...bare, areaM2: 5.85 / (8 * 98), limitC: 200 },
    });
    expect(ids(baked)).toEqual(['heat.enclosure stop']);
  });
  test('no filament lamp in a closed box, whatever its size; an open case may hold one', () => {
    const hot = (closed: boolean) =>
      with_({ groups: lit(household), enclosure: { ...bare, areaM2: 100, closed } });
    expect(ids(hot(true))).toContain('heat.closed-filament stop');
    expect(ids(hot(false))).not.toContain('heat.closed-filament stop');
    expect(ids(hot(false))).toContain('heat.burns look');
  });
  test('nothing lit, nothing said', () => expect(ids(with_({ groups: [] }))).toEqual([]));
});

describe('distances from the lamp’s own surface (common practice)', () => {
  const at = (unit: typeof halogen, burns: Burns, distanceM: number) =>
    ids(
      with_({ mouth: null, enclosure: null, groups: lit(unit), things: [ahead(burns, distanceM)] }),
    )[0];
  test('household filament: 15 cm to anything', () => {
    for (const burns of ['wood', 'cloth', 'film', 'foam'] as const) {
      expect(at(household, burns, 0.14)).toBe('heat.clearance.thing stop');
      expect(at(household, burns, 0.15)).toBe('heat.clearance.thing ok');
    }
  });
  test('halogen work light: half a metre to cloth and film, one metre to what burns in its beam', () => {
    expect(at(halogen, 'cloth', 0.45)).toBe('heat.clearance.thing stop');
    expect(at(halogen, 'film', 0.5)).toBe('heat.clearance.thing ok');
    expect(at(halogen, 'wood', 0.9)).toBe('heat.clearance.thing stop');
    expect(at(halogen, 'wood', 1)).toBe('heat.clearance.thing ok');
    expect(at(halogen, 'skin', 0.3)).toBe('heat.clearance.thing stop');
  });
  test('stronger lamps want more: the same W/m², so √(P/500 W)', () => {
    const strong = effectiveUnit({
      ...unitIn(document.shelf, 'work-light', 'work-halogen-400'),
      wattsW: 1000,
    });
    expect(strong.keepAwayM!.beam).toBeCloseTo(Math.SQRT2, 9);
    expect(at(strong, 'foam', 1.4)).toBe('heat.clearance.thing stop');
    expect(at(strong, 'foam', 1.42)).toBe('heat.clearance.thing ok');
  });
  test('metal bears it; what nobody chose is a question', () => {
    expect(at(halogen, 'no', 0)).toBe('heat.burns look');
    expect(at(halogen, 'unknown', 0.2)).toBe('heat.clearance.thing unknown');
    expect(at(halogen, 'unknown', 2)).toBe('heat.clearance.thing ok');
  });
  test('cool lamps need none', () => {
    const cool = with_({ enclosure: null, things: [ahead('cloth', 0.01)] });
    expect(ids(cool)).toEqual(['heat.open-air ok']);
  });
  test('a cover over a hot lamp is a stop, over a cool one a look', () => {
    const shut = { ...ahead('no', 0), covers: true } as const;
    const over = (unit: typeof halogen) =>
      ids(with_({ enclosure: null, groups: lit(unit), things: [shut] }));
    expect(over(halogen)).toContain('heat.covered.thing stop');
    expect(over(bulb('globe-a60-9-2700'))).toContain('heat.covered.thing look');
  });
});

describe('nearest points', () => {
  const square: Place = {
    kind: 'polygon',
    points: [
      [0, 0, 0],
      [1, 0, 0],
      [1, 1, 0],
      [0, 1, 0],
    ],
  };
  test.each<[string, Exclude<Place, { kind: 'ahead' }>, [number, number, number], number]>([
    ['over a polygon', square, [0.4, 0.4, 0.3], 0.3],
    ['beside its edge', square, [2, 0.5, 0], 1],
    ['off its corner', square, [4, 5, 0], 5],
    ['under it', square, [0.4, 0.4, -0.3], 0.3],
    [
      'over a ring’s hole',
      { kind: 'ring', zM: 0, innerRadiusM: 0.3, outerRadiusM: 1 },
      [0, 0, 0.4],
      0.5,
    ],
    [
      'over a ring',
      { kind: 'ring', zM: 0, innerRadiusM: 0.3, outerRadiusM: 1 },
      [0.5, 0, 0.4],
      0.4,
    ],
    [
      'inside a cylinder',
      { kind: 'cone', fromM: 0, toM: 1, fromRadiusM: 0.5, toRadiusM: 0.5 },
      [0.2, 0, 0.5],
      0.3,
    ],
    [
      'before a cone',
      { kind: 'cone', fromM: 0, toM: 1, fromRadiusM: 1, toRadiusM: 1 },
      [1, 0, 3],
      2,
    ],
  ])('%s', (_, place, point, expected) => {
    expect(between(nearestOn(point, place), point)).toBeCloseTo(expected, 9);
  });
});

describe('radiant heat', () => {
  const one = with_({
    emitters: [{ ...box.emitters[0]!, positionM: [0, 0, 0.2], spread: { class: 'omni' } }],
    groups: [{ ...lit(household)[0]!, emitters: [0], bodyRadiusM: 0 }],
  });
  const board = made('wood', { kind: 'ring', zM: 0, innerRadiusM: 0, outerRadiusM: 1 });
  test('one lamp over a board by hand: ½·P·s/(4π·d²)/16', () => {
    const found = exposureOf(
      board,
      hotPoints(one, () => true),
    )!;
    expect(found.riseK).toBeCloseTo((0.5 * 60 * 0.94) / (4 * Math.PI * 0.04) / 16, 9);
  });
  test('the same lamp farther away never does more', () => {
    let before = Infinity;
    for (let z = 0.05; z < 2; z += 0.05) {
      const far = { ...one, emitters: [{ ...one.emitters[0]!, positionM: [0, 0, z] as const }] };
      const { riseK } = exposureOf(
        board,
        hotPoints(far, () => true),
      )!;
      expect(riseK).toBeLessThan(before);
      before = riseK;
    }
  });
  test('many lamps together scorch what one alone does not', () => {
    const many = (count: number): ResolvedBuild => ({
      ...one,
      enclosure: null,
      groups: [{ ...one.groups[0]!, count }],
      things: [board],
    });
    expect(ids(many(1))[0]).toBe('heat.clearance.thing ok');
    expect(ids(many(30))[0]).toBe('heat.clearance.thing stop');
  });
});
