import { bulbIn, sample } from '../testing/sample';
import { sceneOf } from '../evaluate/context';
import type { Need } from '../build/needs';
import { packsFor, planPurchase } from './purchase';

const demo = sample();
const { parts } = demo.shelf;
const { shelf } = sceneOf(demo, demo.builds[0]!);
const bulb = bulbIn(demo.shelf, 'globe-g45-3');
const cord = parts.find(({ id }) => id === 'cord-075')!;
const needOf = (quantity: number, over: Partial<Need> = {}): Need => ({
  item: { kind: 'unit', id: bulb.id },
  quantity,
  measure: 'piece',
  why: 'in the sockets',
  step: 'lamps-in',
  ...over,
});
const plan = (needs: Need[], copies = 1) =>
  planPurchase(needs, copies, { plans: [], unchosen: [] }, shelf);

test('whole packs: sixteen bulbs by the six, four on hand: two packs now, three in full', () => {
  const [line] = plan([needOf(16)]).lines;
  expect(line).toMatchObject({ needed: 16, packsNow: 2, packsFull: 3, leftOver: 0 });
  expect(line).toMatchObject({ spentNowMinor: 2380, fullMinor: 3570 });
});

test('enough on hand costs nothing now and leaves the rest', () => {
  const [line] = plan([needOf(3)]).lines;
  expect(line).toMatchObject({ packsNow: 0, spentNowMinor: 0, leftOver: 1, fullMinor: 1190 });
});

test('needs of one thing are added before they are rounded to packs', () => {
  expect(plan([needOf(5), needOf(5)]).lines).toHaveLength(1);
  expect(plan([needOf(5), needOf(5)]).lines[0]!.packsFull).toBe(2);
});

test('copies multiply needs, and the price of one light is the share of all', () => {
  const three = plan(
    [
      needOf(16),
      { item: { kind: 'part', id: cord.id }, quantity: 6.5, measure: 'm', why: '', step: '' },
    ],
    3,
  );
  expect(three.lines[0]!.needed).toBe(48);
  expect(three.lines[1]).toMatchObject({ packsFull: 2, leftOver: 0.5 });
  expect(three.fullMinor).toBe(8 * 1190 + 2 * 790);
  expect(three.fullPerLightMinor).toBe(Math.round(three.fullMinor / 3));
});

test('a thing no longer on the shelf is left out rather than guessed', () => {
  const lost = { kind: 'part', id: 'gone' } as unknown as Need['item'];
  expect(plan([needOf(1, { item: lost })])).toMatchObject({ lines: [], fullMinor: 0 });
});

test('a hair of rounding buys no extra pack', () => {
  expect(packsFor(0.1 + 0.2, 0.3)).toBe(1);
  expect(packsFor(0, 6)).toBe(0);
  expect(packsFor(-3, 6)).toBe(0);
});
