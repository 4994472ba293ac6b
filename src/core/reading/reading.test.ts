import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { NUMBER, printedNumber } from './number';
import { readLine } from './readLine';

interface Told {
  text: string;
  expected: Record<string, unknown>;
  /** fields the line says nothing of */
  silent: string[];
}

/** Invented product lines, and what a careful reader takes from each; sizes in metres, money as printed. */
const linesOf = (file: string): Told[] =>
  readFileSync(`src/core/reading/testing/${file}`, 'utf8')
    .trimEnd()
    .split('\n')
    .map((line) => {
      const [text, fields] = line.split('\t') as [string, string];
      const parts = fields.split(' ; ');
      return {
        text,
        silent: parts.filter((each) => each.startsWith('!')).map((each) => each.slice(1)),
        expected: Object.fromEntries(
          parts
            .filter((each) => !each.startsWith('!'))
            .map((each) => {
              const at = each.indexOf('=');
              return [each.slice(0, at), JSON.parse(each.slice(at + 1)) as unknown];
            }),
        ),
      };
    });

describe('printed numbers', () => {
  test.each([
    ['8.99', 8.99, false],
    ['8,99', 8.99, false],
    ['1,055', 1055, true],
    ['1.055', 1055, true],
    ['1 521', 1521, true],
    ['1’521', 1521, true],
    ['1\u202f521', 1521, true],
    ['1.234,50', 1234.5, false],
    ['1,234.50', 1234.5, false],
    ['14.4', 14.4, true],
    ['2.5', 2.5, false],
    ['0,125', 0.125, false],
    ['1.234.567', 1_234_567, true],
  ])('%s', (text, value, whole) => expect(printedNumber(text, whole)).toBe(value));
  test('every number it prints in four manners comes back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1000, max: 999_999 }), (value) => {
        for (const locale of ['en-GB', 'de-DE', 'fr-FR', 'de-CH']) {
          const printed = value.toLocaleString(locale);
          expect(new RegExp(`^${NUMBER}$`, 'u').test(printed)).toBe(true);
          expect(printedNumber(printed, true)).toBe(value);
        }
      }),
      { seed: 12, numRuns: 60 },
    );
  });
});

describe.each([
  ['product lines in four languages', 'lines.tsv', 60],
  ['the traps of shops, shelf edges and scanners', 'messy.tsv', 100],
])('%s', (_, file, least) => {
  const lines = linesOf(file);
  /** A guess counts as not found. */
  const readOf = (text: string) => readLine(text).fields.filter(({ sure }) => sure !== 'guess');
  const missed: string[] = [];
  const wrong: string[] = [];
  const certain: string[] = [];
  let asked = 0;
  let told = 0;
  for (const { text, expected, silent } of lines) {
    const fields = readOf(text);
    for (const [field, value] of Object.entries(expected)) {
      asked++;
      if (fields.find((each) => each.field === field)?.value !== value)
        missed.push(`${text} → ${field}, ${String(value)}`);
    }
    for (const { field, value, sure } of fields) {
      if (!(field in expected) && !silent.includes(field)) continue;
      told++;
      if (expected[field] === value) continue;
      wrong.push(`${text} → ${field}: ${String(value)}`);
      if (sure === 'sure') certain.push(wrong.at(-1)!);
    }
  }
  test('lines enough', () => expect(lines.length).toBeGreaterThanOrEqual(least));
  test('no wrong value is presented as certain', () => expect(certain).toEqual([]));
  test('of what is told at least 99.5 % is right', () =>
    expect(wrong.slice(Math.floor(told * 0.005))).toEqual([]));
  test('of what is printed at least 97 % is found', () =>
    expect(missed.slice(Math.floor(asked * 0.03))).toEqual([]));
  test('every field says where it stood', () => {
    for (const { text } of lines)
      for (const { at, text: part } of readLine(text).fields)
        if (at >= 0) expect(text.slice(at).trimStart().startsWith(part)).toBe(true);
  });
});

describe('what cannot be read', () => {
  test('is left out and named', () => {
    const { fields, left } = readLine('Bulb XJ-4470 E27 9W 0.04A class F');
    expect(fields.map(({ field }) => field).toSorted()).toEqual(['base', 'category', 'wattsW']);
    expect(left.join(' ')).toContain('XJ-4470');
    expect(left.join(' ')).toContain('0.04A');
  });
  test('efficacy is no light, energy no watts', () => {
    const values = readLine('E27 100 lm/W 9 kWh/1000h').fields.map(({ field }) => field);
    expect(values).not.toContain('luminousFluxLm');
    expect(values).not.toContain('wattsW');
  });
  test('two different figures for one field are not taken for certain', () => {
    const found = readLine('E27 9W 806 lm 1100 lm').fields.find(
      ({ field }) => field === 'luminousFluxLm',
    );
    expect(found?.sure).toBe('guess');
  });
  test('any text ends in time and without nonsense', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (text) => {
        for (const { value } of readLine(text).fields)
          if (typeof value === 'number') expect(Number.isFinite(value) && value > 0).toBe(true);
      }),
      { seed: 8, numRuns: 200 },
    );
    const start = readLine('1 '.repeat(20_000));
    expect(start.fields.length).toBeLessThan(5);
  });
});
