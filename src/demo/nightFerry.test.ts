import { ACCESSORIES } from '@/core/accessories';
import { DOCUMENT_VERSION } from '@/core/document/production';
import { openReferences } from '@/core/document/references';
import { rungsOf } from '@/core/evaluate/testing';
import { FORMS } from '@/core/forms';
import { ROLES } from '@/core/materials/part';
import { CATEGORIES } from '@/core/units/unit';
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

test('a new production starts with the same shelf, nothing of it on hand', () => {
  const { shelf } = typicalStock();
  expect(shelf.units).toHaveLength(demo.shelf.units.length);
  for (const { onHand } of [...shelf.units, ...shelf.parts]) expect(onHand).toBe(0);
});
