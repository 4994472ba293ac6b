import { demoBuild } from '../forms/testing';
import type { ResolvedBuild } from '../build/resolvedBuild';
import { effectiveBulb } from '../units/effective';
import { effectiveUnit } from '../units/effectiveUnit';
import type { UnitOf } from '../units/unit';
import { enclosureC, heatFindings } from './heat';

const { resolved: box, document } = demoBuild('cabin-box');
const bulb = (id: string) => effectiveBulb(document.shelf.bulbs.find((each) => each.id === id)!);
const halogen = effectiveUnit(
  document.shelf.units.find(({ id }) => id === 'work-halogen-400') as UnitOf<'work-light'>,
);
const ids = (build: ResolvedBuild) =>
  heatFindings(build).map(({ id, severity }) => `${id} ${severity}`);
const with_ = (over: Partial<ResolvedBuild>): ResolvedBuild => ({ ...box, ...over });
const lit = (unit: ResolvedBuild['groups'][number]['unit'], count = 1) => [
  { ...box.groups[0]!, unit, count },
];

describe('a closed case (common practice estimate, docs/model/power.md)', () => {
  test('ΔT = P_heat/(h·A): 9 W of LED in the foam box', () => {
    const { areaM2 } = box.enclosure!;
    expect(enclosureC(box, box.enclosure!)).toBeCloseTo(25 + (9 * 0.65) / (8 * areaM2), 9);
    expect(ids(box)).toEqual(['heat.enclosure ok']);
  });
  test('warmer than 60 °C is a look; hotter than its weakest layer a stop', () => {
    const small = { ...box.enclosure!, areaM2: 0.02 };
    expect(ids(with_({ enclosure: { ...small, limitC: null } }))).toEqual(['heat.enclosure look']);
    expect(ids(with_({ enclosure: { ...small, limitC: 60 } }))).toEqual(['heat.enclosure stop']);
    expect(heatFindings(with_({ enclosure: { ...small, limitC: 60 } }))[0]!.limit).toContain(
      '60 °C for its weakest layer',
    );
  });
  test('no filament lamp in a closed box, whatever its size', () => {
    const hot = with_({
      groups: lit(bulb('incandescent-60-120')),
      enclosure: { ...box.enclosure!, areaM2: 100 },
    });
    expect(ids(hot)).toContain('heat.closed-filament stop');
  });
  test('an open case may hold one', () => {
    const open = with_({
      groups: lit(bulb('incandescent-60-120')),
      enclosure: { ...box.enclosure!, areaM2: 100, closed: false },
    });
    expect(ids(open)).not.toContain('heat.closed-filament stop');
    expect(ids(open)).toContain('heat.burns look');
  });
  test('nothing lit, nothing said', () => expect(ids(with_({ groups: [] }))).toEqual([]));
});

describe('distances (common practice)', () => {
  const near = (burns: ResolvedBuild['flammables'][number]['burns'], distanceM: number) => [
    { name: 'thing', burns, distanceM, ref: 'thing', field: 'standoffM', raiseFromM: 0 },
  ];
  const at = (unit: typeof halogen, burns: 'wood' | 'cloth' | 'film', distanceM: number) =>
    ids(with_({ enclosure: null, groups: lit(unit), flammables: near(burns, distanceM) }))[0];
  test('household filament: 15 cm to anything', () => {
    for (const burns of ['wood', 'cloth', 'film'] as const) {
      expect(at(bulb('incandescent-60-120'), burns, 0.14)).toBe('heat.clearance.thing stop');
      expect(at(bulb('incandescent-60-120'), burns, 0.15)).toBe('heat.clearance.thing ok');
    }
  });
  test('halogen work light: half a metre to cloth and film, one metre to what burns', () => {
    expect(at(halogen, 'cloth', 0.45)).toBe('heat.clearance.thing stop');
    expect(at(halogen, 'film', 0.5)).toBe('heat.clearance.thing ok');
    expect(at(halogen, 'wood', 0.9)).toBe('heat.clearance.thing stop');
    expect(at(halogen, 'wood', 1)).toBe('heat.clearance.thing ok');
  });
  test('cool lamps need none', () => {
    expect(ids(with_({ enclosure: null, flammables: near('cloth', 0.01) }))).toEqual([
      'heat.open-air ok',
    ]);
  });
});
