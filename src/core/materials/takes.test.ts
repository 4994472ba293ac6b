import { sample } from '../testing/sample';
import { sortedFor, TAKES, unfit, type TakesId } from './takes';

const { shelf } = sample();
const part = (id: string) => shelf.parts.find((each) => each.id === id)!;

// By what the things of the sample are: a maker would say the same of each [common practice].
test.each<[TakesId, readonly string[], readonly string[]]>([
  ['metal', ['alu-1', 'alu-2'], ['mdf-6', 'foam-core-5', 'opal-sheet-3', 'skirt-black']],
  [
    'translucent',
    ['opal-sheet-3', 'corrugated-4'],
    ['mdf-6', 'alu-1', 'foam-core-5', 'mirror-acrylic-3'],
  ],
  ['opaque', ['mdf-6', 'foam-core-big', 'alu-2', 'mirror-acrylic-3'], ['opal-sheet-3']],
  ['stiff', ['ply-9', 'mdf-6', 'alu-2'], ['foam-core-5', 'corrugated-4', 'opal-sheet-3']],
  ['pipe', ['pipe-20', 'pipe-alu-25', 'clear-tube-40'], ['batten-20', 'alu-1']],
  ['clearTube', ['clear-tube-40'], ['pipe-20', 'pipe-alu-25', 'batten-20']],
  ['vessel', ['pan-36'], ['mdf-6', 'screws']],
])('%s takes what is one, and says why of what is none', (takes, yes, no) => {
  for (const id of yes) expect(`${id}: ${unfit(takes, part(id))}`).toBe(`${id}: null`);
  for (const id of no)
    expect(`${id}: ${unfit(takes, part(id))}`).toBe(`${id}: ${TAKES[takes].whyNot}`);
});

test('a place that takes anything refuses nothing', () => {
  for (const each of shelf.parts) expect(unfit(undefined, each)).toBeNull();
});

test('owned first, then bought, and last what does not fit, owned or not', () => {
  const sheets = shelf.parts
    .filter(({ role }) => role === 'sheet')
    .map((each) => ({ ...each, onHand: ['alu-2', 'mdf-6'].includes(each.id) ? 1 : 0 }));
  const order = sortedFor(sheets, 'metal').map(({ id }) => id as string);
  expect(order.slice(0, 2)).toEqual(['alu-2', 'alu-1']);
  expect(order).toHaveLength(sheets.length);
  expect(order.indexOf('mdf-6')).toBeGreaterThan(1);
});
