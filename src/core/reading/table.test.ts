import { unit } from '../testing/makers';
import { sample } from '../testing/sample';
import { decodeText, MOST_TEXT_BYTES } from './decode';
import { looksLikeHeadings, matchColumns } from './headings';
import { shelfTable } from './shelfTable';
import { readLines, readTable } from './readTable';
import { categoryOf, missingOf, otherCurrency, recordOf } from './record';

const value = (row: { fields: { field: string; value: unknown }[] }, field: string) =>
  row.fields.find((each) => each.field === field)?.value;

describe('columns of a table', () => {
  test('headings in four languages, each field once, the rest unread', () => {
    expect(
      matchColumns(['Product', 'Watts', 'Lumens', 'CCT', 'CRI', 'Price', 'Stock code']),
    ).toEqual(['name', 'wattsW', 'luminousFluxLm', 'cctK', 'criRa', 'price', null]);
    expect(
      matchColumns(['Bezeichnung', 'Leistung', 'Lichtstrom', 'Farbtemperatur', 'Sockel']),
    ).toEqual(['name', 'wattsW', 'luminousFluxLm', 'cctK', 'base']);
    expect(matchColumns(['Désignation', 'Puissance', 'Flux', 'Culot', 'Prix'])).toEqual([
      'name',
      'wattsW',
      'luminousFluxLm',
      'base',
      'price',
    ]);
    expect(matchColumns(['Nombre', 'Potencia', 'Flujo', 'Casquillo', 'Precio', 'W'])).toEqual([
      'name',
      'wattsW',
      'luminousFluxLm',
      'base',
      'price',
      null,
    ]);
    expect(matchColumns(['name', 'W/m', 'lm/m', 'LED/m'])).toEqual([
      'name',
      'wattsPerM',
      'lumensPerM',
      'ledsPerM',
    ]);
  });
  test('cells with and without units; the name fills what has no column', () => {
    const columns = matchColumns(['Name', 'W', 'lm', 'CRI', 'dimmable', 'Preis']);
    const [row, silent] = readTable(
      [
        ['Globe E27 2700K', '8,5', '1.055 lm', '>90', 'nein', '8,99 €'],
        ['Globe E14', '5', 'bright', '', 'yes', '2.50'],
      ],
      columns,
    );
    expect([value(row!, 'wattsW'), value(row!, 'luminousFluxLm'), value(row!, 'criRa')]).toEqual([
      8.5, 1055, 90,
    ]);
    expect([value(row!, 'dimmable'), value(row!, 'price'), value(row!, 'cctK')]).toEqual([
      'no',
      8.99,
      2700,
    ]);
    expect([value(row!, 'base'), categoryOf(row!)]).toEqual(['E27', 'bulb']);
    expect(value(silent!, 'luminousFluxLm')).toBeUndefined();
    expect(silent!.left).toEqual(['bright']);
    expect(value(silent!, 'dimmable')).toBe('yes');
  });
});

describe('the shelf as a table', () => {
  test('written and read back: the same figures under the same names', () => {
    const { shelf } = sample();
    const [headings, ...rows] = shelfTable(shelf, 2).map((row) => row.map(String));
    const columns = matchColumns(headings!);
    expect(columns).not.toContain(null);
    expect(looksLikeHeadings(headings!)).toBe(true);
    const read = readTable(rows, columns);
    for (const [k, unit] of shelf.units.entries()) {
      const row = read[k]!;
      expect(categoryOf(row)).toBe(unit.category);
      expect(value(row, 'price')).toBeCloseTo(unit.priceMinor / 100, 9);
      if (unit.category === 'strip') expect(value(row, 'wattsPerM')).toBe(unit.wattsPerM);
      if (unit.category !== 'bulb') continue;
      expect([
        value(row, 'wattsW'),
        value(row, 'luminousFluxLm') ?? null,
        value(row, 'base'),
        value(row, 'kind'),
      ]).toEqual([unit.wattsW, unit.luminousFluxLm, unit.base, unit.kind]);
    }
  });
});

describe('files of text', () => {
  const utf16 = (text: string, mark: boolean) => {
    const bytes = new Uint8Array(Buffer.from((mark ? '\ufeff' : '') + text, 'utf16le'));
    return bytes;
  };
  const text = (bytes: Uint8Array) => {
    const found = decodeText(bytes, 'list.csv');
    return found.ok ? found.value : found.problems[0]!.message;
  };
  test('UTF-8 and UTF-16, with and without their marks', () => {
    const list = 'Röhre 18 W;8,99 €\n'.repeat(20);
    expect(text(new TextEncoder().encode(`\ufeff${list}`))).toBe(list);
    expect(text(utf16(list, true))).toBe(list);
    expect(text(utf16(list, false))).toBe(list);
    const big = utf16(list, true).slice();
    for (let k = 0; k + 1 < big.length; k += 2) [big[k], big[k + 1]] = [big[k + 1]!, big[k]!];
    expect(text(big)).toBe(list);
  });
  test('rubbish and monsters are refused', () => {
    expect(text(new Uint8Array(300))).toMatch(/not text/);
    expect(text(new Uint8Array(MOST_TEXT_BYTES + 1))).toMatch(/larger than 2 MB/);
  });
});

const EURO = { currency: 'EUR', minorDigits: 2 };

describe('what was read becomes a record', () => {
  const empty = unit('bulb');
  test('a bulb, its figures from the label', () => {
    const [row] = readLines('A60 8.5W (60W eq.) 806 lm 2700K E27 non-dim 3-pack 8,99 €');
    const made = recordOf(row!, 'bulb', empty, EURO);
    expect(made.ok && made.value).toMatchObject({
      wattsW: 8.5,
      equivalentW: 60,
      luminousFluxLm: 806,
      cctK: 2700,
      criRa: null,
      packCount: 3,
      priceMinor: 899,
      dimmable: 'no',
      base: 'E27',
      origins: { wattsW: 'label', luminousFluxLm: 'label', cctK: 'label' },
    });
    expect(missingOf(row!, 'bulb')).toEqual(['CRI Ra']);
  });
  test('yen have no cents', () => {
    const [row] = readLines('E26 9W 806 lm 5000K ¥480');
    const made = recordOf(row!, 'bulb', empty, { currency: 'JPY', minorDigits: 0 });
    expect(made.ok && made.value.priceMinor).toBe(480);
  });
  test('a price in another currency is left out and named, never taken for the production’s', () => {
    const [row] = readLines('E27 9W 806 lm £3.50');
    const made = recordOf(row!, 'bulb', { ...empty, priceMinor: 0 }, EURO);
    expect(made.ok && made.value.priceMinor).toBe(0);
    expect(otherCurrency(row!, 'EUR')).toBe('GBP');
    expect(otherCurrency(row!, 'GBP')).toBeNull();
  });
  test('long lines and long lists are cut, not choked on', () => {
    expect(readLines(`A60 9W ${'x'.repeat(500_000)}`)[0]!.fields.length).toBeGreaterThan(0);
    expect(readLines('E27 9W\n'.repeat(5000))).toHaveLength(1000);
  });
  test('a tape keeps its volts', () => {
    const [row] = readLines('LED strip 12V 9.6W/m 900lm/m 3000K 120LED/m 5m IP65 £19');
    expect(categoryOf(row!)).toBe('strip');
    const made = recordOf(row!, 'strip', unit('strip'), EURO);
    expect(made.ok && made.value).toMatchObject({
      voltageV: 12,
      wattsPerM: 9.6,
      lumensPerM: 900,
      ledsPerM: 120,
      reelLengthM: 5,
      coated: true,
    });
  });
  test('guesses are left out, a beam becomes a reflector', () => {
    const [two, spot] = readLines('E27 9W 806 lm 1100 lm\nGU10 5W 36° 345 lm');
    const first = recordOf(two!, 'bulb', empty, EURO);
    expect(first.ok && 'luminousFluxLm' in first.value && first.value.luminousFluxLm).toBeNull();
    const second = recordOf(spot!, 'bulb', empty, EURO);
    expect(second.ok && 'spread' in second.value && second.value.spread).toEqual({
      class: 'reflector',
      beamAngleDeg: 36,
    });
  });
  test('a value the shelf cannot hold is refused with its field', () => {
    const [row] = readLines('E27 9W 806 lm');
    row!.fields.find(({ field }) => field === 'wattsW')!.value = 1e9;
    const made = recordOf(row!, 'bulb', empty, EURO);
    expect(!made.ok && made.problems[0]!.path).toBe('wattsW');
  });
  test('empty lines are none; 200 lines are read', () => {
    expect(readLines('\n \r\n---\n')).toEqual([]);
    expect(readLines('A60 9W 806lm E27\n'.repeat(200))).toHaveLength(200);
  });
});
