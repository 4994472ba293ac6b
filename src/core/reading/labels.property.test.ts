import fc from 'fast-check';
import { matchColumns } from './headings';
import { readTable } from './readTable';
import { readLine, type ReadField } from './readLine';

/** How shops of four countries print the same label; the words are common practice of the trade. */
interface Locale {
  name: string;
  decimal: ',' | '.';
  thousands: string;
  bulb: string;
  claim: (watts: string) => string;
  lumens: string;
  rendering: string;
  dimmable: string;
  not: string;
  pack: (count: number) => string;
  hours: string;
  price: (figure: string) => string;
  strip: string;
  reel: (metres: string) => string;
}

const LOCALES: Locale[] = [
  {
    name: 'English',
    decimal: '.',
    thousands: ',',
    bulb: 'LED bulb',
    claim: (watts) => `(${watts}W equivalent)`,
    lumens: 'lumens',
    rendering: 'CRI',
    dimmable: 'dimmable',
    not: 'non-dimmable',
    pack: (count) => `pack of ${count}`,
    hours: 'hours',
    price: (figure) => `£${figure}`,
    strip: 'LED strip',
    reel: (metres) => `${metres}m reel`,
  },
  {
    name: 'German',
    decimal: ',',
    thousands: '.',
    bulb: 'LED-Birne',
    claim: (watts) => `ersetzt ${watts} W`,
    lumens: 'Lumen',
    rendering: 'Ra',
    dimmable: 'dimmbar',
    not: 'nicht dimmbar',
    pack: (count) => `${count}er-Pack`,
    hours: 'Std.',
    price: (figure) => `${figure} €`,
    strip: 'LED-Streifen',
    reel: (metres) => `${metres} m Rolle`,
  },
  {
    name: 'French',
    decimal: ',',
    thousands: '\u202f',
    bulb: 'Ampoule LED',
    claim: (watts) => `équivaut à ${watts} W`,
    lumens: 'lm',
    rendering: 'IRC',
    dimmable: 'gradable',
    not: 'non dimmable',
    pack: (count) => `lot de ${count}`,
    hours: 'heures',
    price: (figure) => `${figure} €`,
    strip: 'Ruban LED',
    reel: (metres) => `rouleau ${metres} mètres`,
  },
  {
    name: 'Spanish',
    decimal: ',',
    thousands: '.',
    bulb: 'Bombilla LED',
    claim: (watts) => `equivalente a ${watts} W`,
    lumens: 'lúmenes',
    rendering: 'CRI',
    dimmable: 'regulable',
    not: 'no regulable',
    pack: (count) => `paquete de ${count}`,
    hours: 'horas',
    price: (figure) => `${figure} €`,
    strip: 'Tira LED',
    reel: (metres) => `${metres} metros`,
  },
];

const printed = (value: number, { decimal, thousands }: Locale, digits = 0): string => {
  const [whole, fraction] = value.toFixed(digits).split('.') as [string, string?];
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, thousands);
  return fraction === undefined ? grouped : `${grouped}${decimal}${fraction}`;
};

const bulb = fc.record({
  wattsW: fc.integer({ min: 10, max: 300 }).map((tenths) => tenths / 10),
  equivalentW: fc.integer({ min: 31, max: 150 }),
  luminousFluxLm: fc.integer({ min: 100, max: 4000 }),
  cctK: fc.integer({ min: 20, max: 70 }).map((hundreds) => hundreds * 100),
  criRa: fc.integer({ min: 60, max: 98 }),
  base: fc.constantFrom('E27', 'E14', 'B22', 'GU10'),
  dimmable: fc.constantFrom('yes', 'no'),
  packCount: fc.integer({ min: 2, max: 12 }),
  ratedLifeH: fc.integer({ min: 2, max: 50 }).map((thousands) => thousands * 1000),
  price: fc.integer({ min: 99, max: 99_999 }).map((cents) => cents / 100),
});

const strip = fc.record({
  supplyV: fc.constantFrom(5, 12, 24),
  wattsPerM: fc.integer({ min: 10, max: 300 }).map((tenths) => tenths / 10),
  lumensPerM: fc.integer({ min: 100, max: 3000 }),
  ledsPerM: fc.constantFrom(30, 60, 120, 240, 480),
  cctK: fc.integer({ min: 20, max: 70 }).map((hundreds) => hundreds * 100),
  reelLengthM: fc.integer({ min: 1, max: 50 }),
  price: fc.integer({ min: 500, max: 20_000 }).map((cents) => cents / 100),
});

const found = (text: string) => {
  const { fields } = readLine(text);
  return Object.fromEntries(fields.map(({ field, value }) => [field, value]));
};

describe.each(LOCALES)('labels printed in $name are read back', (locale) => {
  test('bulbs, their fields in any order', () => {
    fc.assert(
      fc.property(bulb, fc.array(fc.nat(), { minLength: 9, maxLength: 9 }), (label, keys) => {
        const parts = [
          `${printed(label.wattsW, locale, 1)} W ${locale.claim(String(label.equivalentW))}`,
          `${printed(label.luminousFluxLm, locale)} ${locale.lumens}`,
          `${label.cctK} K`,
          `${locale.rendering} ${label.criRa}`,
          label.base,
          label.dimmable === 'yes' ? locale.dimmable : locale.not,
          locale.pack(label.packCount),
          `${printed(label.ratedLifeH, locale)} ${locale.hours}`,
          locale.price(printed(label.price, locale, 2)),
        ];
        const shuffled = parts
          .map((part, k) => ({ part, key: keys[k]! }))
          .toSorted((a, b) => a.key - b.key)
          .map(({ part }) => part);
        const text = `${locale.bulb}, ${shuffled.join(', ')}`;
        expect({ text, ...found(text) }).toMatchObject({ text, ...label, category: 'bulb' });
      }),
      { seed: 20, numRuns: 120 },
    );
  });
  test('tapes', () => {
    fc.assert(
      fc.property(strip, (label) => {
        const text = [
          locale.strip,
          `${label.supplyV} V`,
          `${printed(label.wattsPerM, locale, 1)} W/m`,
          `${printed(label.lumensPerM, locale)} lm/m`,
          `${label.ledsPerM} LED/m`,
          `${label.cctK} K`,
          locale.reel(String(label.reelLengthM)),
          locale.price(printed(label.price, locale, 2)),
        ].join(', ');
        expect({ text, ...found(text) }).toMatchObject({ text, ...label, category: 'strip' });
      }),
      { seed: 21, numRuns: 120 },
    );
  });
});

describe('tables, whatever is in them', () => {
  const cellText = fc.oneof(
    fc.string({ maxLength: 30 }),
    fc.double({ min: 0, max: 1e6, noNaN: true }).map(String),
    fc.constant(''),
  );
  test('never a number that is none, never a field twice, never a throw', () => {
    const headings = ['Name', 'Watts', 'Lumens', 'K', 'CRI', 'Base', 'Price', 'W/m', 'Pack'];
    const columns = matchColumns(headings);
    fc.assert(
      fc.property(
        fc.array(fc.array(cellText, { maxLength: 12 }), { minLength: 1, maxLength: 6 }),
        (rows) => {
          const read = readTable(rows, columns);
          expect(read).toHaveLength(rows.length);
          for (const { fields } of read) {
            const names = fields.map(({ field }) => field);
            expect(new Set<ReadField>(names).size).toBe(names.length);
            for (const { value } of fields)
              if (typeof value === 'number') expect(Number.isFinite(value)).toBe(true);
          }
        },
      ),
      { seed: 22, numRuns: 150 },
    );
  });
  test('columns may be matched otherwise by hand', () => {
    const [row] = readTable([['A', '9', '806']], [null, 'luminousFluxLm', 'wattsW']);
    expect(row!.fields).toEqual([
      expect.objectContaining({ field: 'luminousFluxLm', value: 9 }),
      expect.objectContaining({ field: 'wattsW', value: 806 }),
    ]);
  });
});
