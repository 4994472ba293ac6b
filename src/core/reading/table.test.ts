import { part, unit } from '../testing/makers';
import { sample } from '../testing/sample';
import { decodeText, MOST_TEXT_BYTES } from './decode';
import { looksLikeHeadings, matchColumns } from './headings';
import { shelfTable } from './shelfTable';
import { readLines, readTable } from './readTable';
import { otherLanguage } from './language';
import { categoryOf, corrected, missingOf, otherCurrency, partOf, recordOf } from './record';

const EURO = { currency: 'EUR', minorDigits: 2 };
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

describe('headings that only look alike, and those with units of their own', () => {
  test.each([
    ['Rating', null],
    ['Rated life', 'ratedLifeH'],
    ['Nennlebensdauer', 'ratedLifeH'],
    ['Rabatt', null],
    ['Klasse', null],
    ['Kosten', 'price'],
    ['Power factor', null],
    ['lm/W', null],
    ['Dimensions', null],
    ['Wattage', 'wattsW'],
    ['Light output', 'luminousFluxLm'],
    ['Équivalence', 'equivalentW'],
    ['VE', 'packCount'],
    ['Qty', 'packCount'],
    ['Variable', 'dimmable'],
    ['IP', 'coated'],
    ['Length', 'lengthM'],
    ['Länge (mm)', 'lengthM:mm'],
    ['Length [ft]', 'lengthM:ft'],
    ['Width (mm)', 'tapeWidthM:mm'],
    ['W/ft', 'wattsPerM:ft'],
    ['Power (W/m)', 'wattsPerM'],
    ['Output (lm)', 'luminousFluxLm'],
    ['Price (£)', 'price:GBP'],
    ['Preis in €', 'price:EUR'],
    ['Price ex VAT', null],
  ])('%s: %s', (heading, column) => expect(matchColumns([heading])).toEqual([column]));
  test('a foot is 0.3048 m, a millimetre a thousandth; pounds stay pounds', () => {
    const columns = matchColumns(['Name', 'Length (ft)', 'W/ft', 'Width (mm)', 'Price (£)']);
    const [row] = readTable([['LED strip', '16.4', '3', '8', '12.50']], columns);
    expect(value(row!, 'reelLengthM')).toBeCloseTo(16.4 * 0.3048, 6);
    expect(value(row!, 'wattsPerM')).toBeCloseTo(3 / 0.3048, 6);
    expect(value(row!, 'tapeWidthM')).toBe(0.008);
    expect(otherCurrency(row!, 'EUR')).toBe('GBP');
  });
  test('a product line is no row of headings, whatever stands in it', () => {
    expect(looksLikeHeadings(['LED strip 24V', '14.4W/m', '1400lm/m', '£24.99'])).toBe(false);
    expect(looksLikeHeadings(['Name', 'W', 'lm', 'kWh/1000h'])).toBe(true);
  });
});

describe('a label of several lines is one thing', () => {
  const one = (text: string) => {
    const rows = readLines(text);
    expect(rows).toHaveLength(1);
    return rows[0]!;
  };
  const LAMP = { wattsW: 8.5, luminousFluxLm: 806, cctK: 2700, base: 'E27', dimmable: 'no' };
  const said = (row: { fields: { field: string; value: unknown }[] }) =>
    Object.fromEntries(row.fields.map((each) => [each.field, each.value]));
  test('bullets, bare lines, and “field: value”', () => {
    const bare = one('LED-Birne A60\n8,5 W (= 60 W)\n806 lm\n2700 K\nE27\nnicht dimmbar');
    expect(said(bare)).toMatchObject({ ...LAMP, equivalentW: 60 });
    expect(bare.name).toBe('LED-Birne A60');
    const bullets = one('• 8.5 W\n• 806 lm\n• 2700 K\n• E27\n• not dimmable');
    expect(said(bullets)).toMatchObject(LAMP);
    const keyed = one(
      'Leistung: 8,5 W\nLichtstrom: 806 lm\nFarbtemperatur: 2700 K\nSockel: E27\nDimmbar: nein',
    );
    expect(said(keyed)).toMatchObject(LAMP);
  });
  test('a data sheet, field and value in two columns, its units in the fields', () => {
    const row = one('LED strip COB\nVoltage\t24 V\nPower (W/m)\t10\nLength\t5 m\nWidth (mm)\t8');
    expect(said(row)).toMatchObject({
      category: 'strip',
      supplyV: 24,
      wattsPerM: 10,
      reelLengthM: 5,
      tapeWidthM: 0.008,
    });
  });
  test('two labels part where one says again what the other has said', () => {
    const labels = readLines(
      'Name: Globe\nWatts: 9\nLumens: 806\nName: Candle\nWatts: 5\nLumens: 470',
    );
    expect(labels.map((row) => value(row, 'wattsW'))).toEqual([9, 5]);
    expect(labels.map(({ name }) => name)).toEqual(['Globe', 'Candle']);
    expect(readLines('• A60 9W 806 lm E27\n• GU10 5W 345 lm\n• E14 4W 350 lm')).toHaveLength(3);
  });
  test('lines of several kinds are as many products, in any order', () => {
    const lines = [
      ['A60 8.5W 806 lm 2700K E27', 'bulb'],
      ['LED strip 12V 5m 300 LEDs', 'strip'],
      ['Work light 400 W 8400 lm', 'work-light'],
      ['LED panel 18 W', 'panel'],
      ['T8 tube 36W 1200 mm', 'tube'],
      ['GU10 5W 36°', 'bulb'],
      ['PVC pipe 20 mm', null],
    ] as const;
    for (const [first, kind] of lines)
      for (const [second, other] of lines) {
        if (first === second) continue;
        const rows = readLines(`${first}\n${second}`);
        expect([first, second, ...rows.map(categoryOf)]).toEqual([first, second, kind, other]);
      }
  });
  test('a bullet that names what comes along is no product, one that names a lamp is', () => {
    const strip = 'LED strip 24V 10W/m';
    expect(readLines(`${strip}\n• aluminium profile\n• 2 m cable\n• 4000 K`)).toHaveLength(1);
    expect(readLines(`• ${strip}\n• A60 9W 806 lm E27`)).toHaveLength(2);
  });
  test('what gives no light takes no lamp’s lines along', () => {
    const rows = readLines('PVC pipe 20 mm 2 m\nE27 9W 806 lm 2700K\nNetzteil\n24 V\n100 W');
    expect(rows.map(({ gear }) => gear?.role ?? 'lamp')).toEqual(['stick', 'lamp', 'supply']);
  });
  test('a name leaves to the table what the table shows', () => {
    const [row] = readLines('A60 8.5W (60W eq.) 806 lm 2700K E27 non-dim 3-pack 8,99 €');
    expect(row!.name).toBe('A60 8.5W 2700K E27');
  });
});

describe('what gives no light is no lamp', () => {
  test.each([
    ['PVC pipe 20 mm 2 m', 'stick'],
    ['Lamp socket E27 250 V', 'socket'],
    ['Netzteil 24 V 100 W', 'supply'],
    ['Sperrholzplatte 6 mm', 'sheet'],
    ['Cinta aislante 19 mm', 'hardware'],
    ['Springform 26 cm', 'hardware'],
    ['Backpapier 8 m', 'diffusion'],
    ['Multiprise 5 prises', null],
  ])('%s', (text, role) => {
    const [row] = readLines(text);
    expect(categoryOf(row!)).toBeNull();
    expect(row!.gear?.role).toBe(role);
  });
  test('a lamp that comes with one is a lamp', () => {
    for (const text of ['LED strip 5 m 24V with power supply', 'Bulb E27 9 W 806 lm with cable'])
      expect(categoryOf(readLines(text)[0]!)).not.toBeNull();
  });
});

describe('a thing that gives no light brings its sizes', () => {
  test.each([
    ['PVC pipe 20 mm 2 m', 'stick', { diameterM: 0.02, stockLengthM: 2, wallM: 0.0018 }],
    ['Alurohr 25 x 1,5 mm 1 m', 'stick', { diameterM: 0.025, stockLengthM: 1, stiffnessGPa: 70 }],
    [
      'Plywood 1220 x 610 x 6 mm',
      'sheet',
      { widthM: 1.22, heightM: 0.61, thicknessM: 0.006, burns: 'wood' },
    ],
    ['Sperrholzplatte 4 mm 600x300', 'sheet', { widthM: 0.6, heightM: 0.3, thicknessM: 0.004 }],
    ['White foam board A1 5 mm', 'sheet', { widthM: 0.841, heightM: 0.594, thicknessM: 0.005 }],
    [
      'Cake tin 36 cm, 7 cm deep',
      'hardware',
      { kind: 'other', diameterM: 0.36, depthM: 0.07, inside: 'tinned-steel' },
    ],
    ['Eimer 30 cm', 'hardware', { diameterM: 0.3, inside: 'unknown' }],
    ['Backpapier 38 cm x 8 m', 'diffusion', { widthM: 0.38, packSize: 8 }],
    ['Netzteil 24 V 100 W', 'supply', { voltageV: 24, ratedW: 100 }],
  ] as const)('%s', (text, role, sizes) => {
    const [row] = readLines(text);
    expect(row!.gear?.role).toBe(role);
    const made = partOf(row!, part(role), EURO);
    expect(made.ok && made.value).toMatchObject(sizes);
  });
  test('a pipe of PVC weighs what its wall says', () => {
    // π (20 − 1.8) mm · 1.8 mm · 1400 kg/m³ = 0.144 kg/m.
    const [row] = readLines('PVC pipe 20 mm 2 m');
    const made = partOf(row!, part('stick'), EURO);
    expect(made.ok && 'massKgPerM' in made.value && made.value.massKgPerM).toBeCloseTo(0.144, 3);
  });
});

describe('a fifth language is said', () => {
  test.each([
    ['Lampadina LED attacco E27 9W luce calda durata 15000', 'Italian'],
    ['Gloeilamp E27 9W niet dimbaar 806 lm', 'Dutch'],
    ['Светодиодная лампа E27 9 Вт', 'Cyrillic letters'],
  ])('%s', (text, language) => expect(otherLanguage(text)).toBe(language));
  test('none of the four is taken for one', () => {
    for (const text of [
      'LED bulb E27 warm white with 3 pack',
      'LED-Birne E27 warmweiß nicht dimmbar 15.000 Stunden',
      'Ampoule LED E27 blanc chaud lot de 3 avec variateur',
      'Bombilla LED E27 luz cálida paquete de 3 regulable',
    ])
      expect(otherLanguage(text)).toBeNull();
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
      expect(value(row, 'price')).toBeCloseTo(unit.priceMinor! / 100, 9);
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
    expect(missingOf(row!, 'bulb')).toEqual(['criRa']);
  });
  test('yen have no cents', () => {
    const [row] = readLines('E26 9W 806 lm 5000K ¥480');
    const made = recordOf(row!, 'bulb', empty, { currency: 'JPY', minorDigits: 0 });
    expect(made.ok && made.value.priceMinor).toBe(480);
  });
  test('a price in another currency is left out and named, never taken for the production’s', () => {
    const [row] = readLines('E27 9W 806 lm £3.50');
    const made = recordOf(row!, 'bulb', { ...empty, priceMinor: null }, EURO);
    expect(made.ok && made.value.priceMinor).toBeNull();
    expect(otherCurrency(row!, 'EUR')).toBe('GBP');
    expect(otherCurrency(row!, 'GBP')).toBeNull();
  });
  test('long lines and long lists are cut, not choked on', () => {
    expect(readLines(`A60 9W ${'x'.repeat(500_000)}`)[0]!.fields.length).toBeGreaterThan(0);
    expect(readLines('E27 9W\n'.repeat(5000))).toHaveLength(1000);
    // A thousand bullets that say nothing make one label, of which no more is looked at than a box holds.
    const [row] = readLines(`Globe E27 9W\n${`• ${'lorem '.repeat(160)}\n`.repeat(999)}`);
    expect(row!.fields.find(({ field }) => field === 'wattsW')?.value).toBe(9);
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
    expect(!made.ok && made.problems[0]).toMatchObject({
      path: 'wattsW',
      message: expect.stringMatching(/^Watts: .* is outside 0\.100 W to 2000 W\.$/),
    });
  });
  test('a correction is as sure as the label, a guess taken too, null leaves out', () => {
    const [two] = readLines('E27 9W 806 lm 1100 lm 2700K');
    const row = corrected(two!, { luminousFluxLm: 1100, cctK: null });
    const made = recordOf(row, 'bulb', empty, EURO);
    expect(made.ok && made.value).toMatchObject({
      luminousFluxLm: 1100,
      cctK: null,
      origins: { luminousFluxLm: 'label' },
    });
  });
  test('what the label does not say stays without an origin of its own', () => {
    const [row] = readLines('E27 806 lm');
    const made = recordOf(row!, 'bulb', { ...empty, origins: {} }, EURO);
    expect(made.ok && made.value.origins).toEqual({ luminousFluxLm: 'label' });
    expect(made.ok && made.value.priceMinor).toBe(empty.priceMinor);
  });
  test('a halogen work light is no LED, a fluorescent tube wants its ballast', () => {
    const [work, tube] = readLines(
      'Halogen work light 400 W IP44\nFluorescent tube T8 36 W 1200 mm',
    );
    const first = recordOf(work!, 'work-light', unit('work-light'), EURO);
    expect(first.ok && first.value).toMatchObject({ lamp: 'halogen', weather: 'IP44' });
    const second = recordOf(tube!, 'tube', unit('tube'), EURO);
    expect(second.ok && second.value).toMatchObject({
      technology: 'fluorescent',
      needsBallast: true,
    });
    const rain = corrected(work!, { coated: false });
    const third = recordOf(rain, 'work-light', unit('work-light'), EURO);
    expect(third.ok && third.value).toMatchObject({ weather: 'dry' });
  });
  test('empty lines are none; 200 lines are read', () => {
    expect(readLines('\n \r\n---\n')).toEqual([]);
    expect(readLines('A60 9W 806lm E27\n'.repeat(200))).toHaveLength(200);
  });
});
