import { ACCESSORIES } from '@/core/accessories';
import { DOCUMENT_VERSION } from '@/core/document/production';
import { openReferences } from '@/core/document/references';
import { rungsOf } from '@/core/evaluate/testing';
import { FORMS } from '@/core/forms';
import { ROLES } from '@/core/materials/part';
import { CATEGORIES } from '@/core/units/unit';
import { calibrateProduction } from '@/core/evaluate/calibration';
import { CALIBRATION, TAUGHT_BY } from './calibration';
import { nightFerry, typicalStock } from './nightFerry';

const demo = nightFerry();

describe('what the demo is for', () => {
  test('it is written in the newest version and wants nothing that is not there', () => {
    expect(demo.version).toBe(DOCUMENT_VERSION);
    expect(openReferences(demo)).toEqual([]);
  });
  test('seven shots, each lit; fourteen forms, eight accessories, six fixtures, all of them known', () => {
    expect(new Set(demo.builds.map(({ shotId }) => shotId))).toEqual(
      new Set(demo.shots.map(({ id }) => id)),
    );
    expect(demo.shots).toHaveLength(7);
    const forms = new Set(demo.builds.map(({ form }) => form));
    const worn = new Set(demo.builds.flatMap(({ accessories }) => accessories.map((e) => e.kind)));
    for (const id of forms) expect(FORMS.has(id)).toBe(true);
    for (const id of worn) expect(ACCESSORIES.has(id)).toBe(true);
    expect([forms.size, worn.size]).toEqual([14, 8]);
    expect(demo.fixtures.length).toBeGreaterThanOrEqual(6);
  });
  test('its shelf has something of every kind, under names unlike one another', () => {
    const { units, parts } = demo.shelf;
    expect(new Set(units.map(({ category }) => category))).toEqual(new Set(CATEGORIES));
    expect(new Set(parts.map(({ role }) => role))).toEqual(new Set(ROLES));
    for (const list of [units, parts])
      expect(new Set(list.map(({ name }) => name)).size).toBe(list.length);
  });
  test('its figures are typical and say so', () => {
    for (const { origins } of [...demo.shelf.units, ...demo.shelf.parts])
      expect(Object.values(origins).filter((origin) => origin !== 'typical')).toEqual([]);
    for (const { origin } of demo.fixtures) expect(origin).toBe('typical');
  });
  test.each(demo.builds.map(({ id }) => id))('%s gives light', (id) => {
    const rungs = rungsOf(demo, id);
    // The stamp ring's bulbs are still to be chosen: somebody has to see an unfinished build.
    const light = rungs.find((rung) => rung.id === 'light')!;
    if (id === 'stamp-ring') expect(light.value).toBeNull();
    else expect(light.value).toBeGreaterThan(0);
  });
});

test('what its readings teach is what its forecasts follow', () => {
  const sessions = demo.sessions.filter(({ id }) => TAUGHT_BY.includes(id));
  expect(sessions).toHaveLength(TAUGHT_BY.length);
  const found = calibrateProduction({ ...demo, sessions, calibration: null }, true);
  expect(found.calibration).toMatchObject({ readings: CALIBRATION.readings, simulated: true });
  expect(found.outliers).toEqual([]);
  CALIBRATION.causes.forEach((cause, k) => {
    const again = found.calibration!.causes[k]!;
    expect([again.kind, again.id]).toEqual([cause.kind, cause.id]);
    expect(again.factor).toBeCloseTo(cause.factor, 2);
    expect(again.deviation).toBeCloseTo(cause.deviation, 2);
  });
  // The light that was invented there: panels of 0.83, nylon of 0.66 instead of 0.7.
  const [panel, nylon] = found.causes;
  expect(Math.abs(Math.log(panel!.factor / 0.83))).toBeLessThan(2 * panel!.deviation);
  expect(Math.abs(Math.log(nylon!.factor / (0.66 / 0.7)))).toBeLessThan(2 * nylon!.deviation);
  const [booth] = found.builds.filter(({ id }) => id === 'booth-stack');
  expect(booth!.correctedShare).toBeLessThan(booth!.predictedShare / 2);
});

test('a new production starts with the same shelf, nothing of it on hand', () => {
  const { shelf } = typicalStock();
  expect(shelf.units).toHaveLength(demo.shelf.units.length);
  for (const { onHand } of [...shelf.units, ...shelf.parts]) expect(onHand).toBe(0);
});
