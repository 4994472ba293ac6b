import { sample } from '../testing/sample';
import { rankShelf } from './ranking';

const demo = sample();
const shot = demo.shots.find(({ id }) => id === 'clerk')!;

describe('the shelf against a shot', () => {
  test('a face wants Ra 90, its colour within 25 mired, its money within the budget (common practice)', () => {
    // €90 for 10 klm: at most €9 per klm.
    const rows = rankShelf(demo.shelf, shot, 10_000);
    const of = (id: string) => rows.find((row) => row.id === id)!;
    expect(of('tape-24-120-4000').against).toEqual([]);
    expect(of('globe-a60-9-4000').against).toEqual(['Ra 80, wanted 90']);
    expect(of('halogen-a55-42').against).toEqual(['107 mired too warm']);
    const dear = rows.filter(({ against }) => against.join().includes('budget'));
    for (const { minorPerKilolumen } of dear) expect(minorPerKilolumen).toBeGreaterThan(900);
    expect(dear.length).toBeGreaterThan(0);
    expect(rows).toHaveLength(demo.shelf.units.length);
  });
  test('those with nothing against them come first, the cheapest light before the dearer', () => {
    const rows = rankShelf(demo.shelf, shot, null);
    for (let k = 1; k < rows.length; k++) {
      const [a, b] = [rows[k - 1]!, rows[k]!];
      expect(a.against.length).toBeLessThanOrEqual(b.against.length);
      if (a.against.length === b.against.length)
        expect(a.minorPerKilolumen).toBeLessThanOrEqual(b.minorPerKilolumen!);
    }
  });
  test('without a shot nothing speaks against anything', () => {
    for (const { against, shiftMired } of rankShelf(demo.shelf, null, null)) {
      expect(against).toEqual([]);
      expect(shiftMired).toBeNull();
    }
  });
});
