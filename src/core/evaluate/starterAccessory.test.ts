import { nightFerry, typicalStock } from '@/demo/nightFerry';
import { ACCESSORIES } from '../accessories';
import { unfit } from '../materials/takes';
import { starterAccessory } from './starterAccessory';

const demo = nightFerry();
const typical = { ...demo, ...typicalStock() };
describe.each([...ACCESSORIES.values()])('$name arrives with something chosen', (accessory) => {
  const builds = ['clerk-ring', 'booth-stack', 'stamp-panel', 'deck-sky'].flatMap(
    (id) => demo.builds.find((each) => each.id === id) ?? [],
  );
  test.each(builds.map((build) => [build.name, build] as const))('%s', (_, build) => {
    for (const document of [demo, typical]) {
      const { parameters } = starterAccessory(accessory, document, build, 'new');
      const chosen = parameters as Record<string, unknown>;
      for (const field of accessory.fields) {
        if (field.kind !== 'part' || field.optional) continue;
        const part = document.shelf.parts.find(({ id }) => id === chosen[field.parameter]);
        expect([field.label, part?.role]).toEqual([field.label, field.role]);
        expect(unfit(field.takes, part!)).toBeNull();
      }
    }
  });
});

test('what is owned comes before what is cheaper', () => {
  const build = demo.builds.find(({ id }) => id === 'clerk-ring')!;
  const owned = structuredClone(demo);
  const fits = owned.shelf.parts.filter((part) => part.role === 'sheet' && !unfit('metal', part));
  const dearest = fits.toSorted((a, b) => (b.priceMinor ?? 0) - (a.priceMinor ?? 0))[0]!;
  for (const part of owned.shelf.parts) part.onHand = part.id === dearest.id ? 3 : 0;
  const doors = starterAccessory(ACCESSORIES.get('barn-doors')!, owned, build, 'new');
  expect((doors.parameters as { boardPartId: string }).boardPartId).toBe(dearest.id);
});
