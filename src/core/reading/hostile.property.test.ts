import fc from 'fast-check';
import { readLine } from './readLine';
import { readLines } from './readTable';

/** Pieces of labels that patterns look for, in numbers no shop prints: where backtracking would bite. */
const PIECES = [
  'CRI ',
  'Ra',
  '>=',
  '>',
  '≥',
  '=',
  ':',
  '~',
  'min.',
  'min',
  'mind.',
  ' ',
  ',',
  '.',
  '1',
  '1 000',
  '9,5',
  'W',
  'lm',
  'K',
  '€',
  'IP',
  '-',
  '/',
  'x',
  'Ø',
];

// Exponential patterns never come back from these: the suite's own limit is the check.
describe('labels made to keep a reader busy', () => {
  test.each(PIECES)('%s, five hundred times, before and after a CRI', (piece) => {
    const many = piece.repeat(500);
    for (const text of [many, `CRI ${many}`, `${many} Ra`, `CRI ${many}x`, `9 W ${many} 806 lm`])
      expect(readLine(text).text).toBe(text);
  });
  test('any two pieces in turn', () => {
    for (const a of PIECES)
      for (const b of PIECES) {
        const text = `CRI ${(a + b).repeat(40)}`;
        expect(Array.isArray(readLine(text).fields)).toBe(true);
      }
  });
  test('any mixture, a thousand characters of it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...PIECES), { minLength: 50, maxLength: 200 }),
        (all) => {
          const [row] = readLines(`9 W ${all.join('')}`);
          expect(row!.name.length).toBeLessThanOrEqual(120);
        },
      ),
      { seed: 2026, numRuns: 50 },
    );
  });
  test('what it was for is still read', () => {
    const ra = (text: string) =>
      readLine(text).fields.find(({ field }) => field === 'criRa')?.value;
    expect(ra('CRI >= 90')).toBe(90);
    expect(ra('CRI>90')).toBe(90);
    expect(ra('Ra ≥ 97')).toBe(97);
    expect(ra('CRI min. 80')).toBe(80);
    expect(ra('IRC: 95+')).toBe(95);
  });
  test('a name is never cut inside an emoji', () => {
    const [row] = readLines(`${'a'.repeat(119)}💡 9 W`);
    expect(row!.name).toBe('a'.repeat(119));
  });
});
