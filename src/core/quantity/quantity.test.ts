import fc from 'fast-check';
import { THREADS } from '../materials/fasteners';
import {
  boreLength,
  type Dimension,
  editText,
  feetAndInches,
  formatMoney,
  inSystem,
  parseMoney,
  parseNumber,
  parseQuantity,
  shopLength,
  show,
  showText,
  stopsFigure,
  stopsInWords,
  threeFigures,
} from '.';

const length = (text: string) => {
  const read = parseQuantity(text, 'length', 'mm');
  return read.ok ? read.value : read.problems[0]!.code;
};

describe('reading quantities as people type them', () => {
  test.each([
    ['40 cm', 0.4],
    ['16 in', 0.4064],
    ['1/2"', 0.0127],
    ['1/2', 0.0005],
    ['12 ft 6', 12.5 * 0.3048],
    ['12 ft 6 in', 12.5 * 0.3048],
    ['5\' 6 1/2"', 66.5 * 0.0254],
    ['1 m 20 cm', 1.2],
    ['1,2 m', 1.2],
    ['0,125 m', 0.125],
    ['1 200 mm', 1.2],
    ['1.234,5 mm', 1.2345],
    ['1,234.5 mm', 1.2345],
    ['6½ in', 6.5 * 0.0254],
    ['½ in', 0.0127],
    ['350', 0.35],
    ['350MM', 0.35],
    ['-3 cm', -0.03],
  ])('%s', (text, metres) => expect(length(text)).toBeCloseTo(metres, 12));

  test.each([
    ['', 'empty'],
    ['1,200 mm', 'ambiguous'],
    ['12 parsecs', 'unknown_unit'],
    ['a bit', 'not_a_quantity'],
    ['1/0 in', 'not_a_number'],
    ['1..2 m', 'not_a_number'],
    ['3 m 4', 'not_a_quantity'],
    ['NaN', 'not_a_quantity'],
    ['1e3', 'unknown_unit'],
  ])('refuses %p as %s', (text, code) => expect(length(text)).toBe(code));

  test('other dimensions', () => {
    const read = (text: string, dimension: Dimension, unit: string) => {
      const result = parseQuantity(text, dimension, unit);
      return result.ok ? result.value : result.problems[0]!.message;
    };
    expect(read('1.5 kW', 'power', 'W')).toBe(1500);
    expect(read('20 °C', 'temperature', '°C')).toBeCloseTo(293.15, 9);
    expect(read('212 F', 'temperature', '°C')).toBeCloseTo(373.15, 9);
    expect(read('300 K', 'temperature', '°C')).toBe(300);
    expect(read('180', 'angle', '°')).toBeCloseTo(Math.PI, 12);
    expect(read('1/50', 'time', 's')).toBe(0.02);
    expect(read('f/2.8', 'fNumber', '')).toBe(2.8);
    expect(read('F 4', 'fNumber', '')).toBe(4);
    expect(read('50%', 'ratio', '%')).toBe(0.5);
    expect(read('100 fc', 'illuminance', 'lx')).toBeCloseTo(1076.39, 2);
    expect(read('1.2 klx', 'illuminance', 'lx')).toBeCloseTo(1200, 9);
    expect(read('2 oz', 'mass', 'kg')).toBeCloseTo(0.0567, 4);
    expect(read('3 W 4 W', 'power', 'W')).toContain('more than one');
  });

  test('a shown length reads back as itself', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 20_000 }), (halfMillimetres) => {
        const metres = halfMillimetres / 2000;
        const metric = parseQuantity(editText(metres, 'length', 'metric'), 'length', 'mm');
        const imperial = parseQuantity(editText(metres, 'length', 'imperial'), 'length', 'in');
        expect(metric.ok && Math.abs(metric.value - metres)).toBeLessThan(0.00051);
        expect(imperial.ok && Math.abs(imperial.value - metres)).toBeLessThan(0.0254 / 32 + 1e-9);
      }),
      { seed: 41 },
    );
  });
});

describe('showing quantities', () => {
  test.each([
    [0, '0'],
    [1234.5, '1230'],
    [999.6, '1000'],
    [12.345, '12.3'],
    [1, '1.00'],
    [0.01234, '0.0123'],
    [-45.678, '-45.7'],
    [NaN, '–'],
  ])('three figures of %p are %s', (value, text) => expect(threeFigures(value)).toBe(text));

  test('units people expect', () => {
    expect(showText(show(1.2, 'length', 'metric'))).toBe('1.20 m');
    expect(showText(show(0.068, 'length', 'metric'))).toBe('68.0 mm');
    expect(showText(show(0.4064, 'length', 'imperial'))).toBe('16 in');
    expect(showText(show(2, 'length', 'imperial'))).toBe('6 ft 6 3/4 in');
    expect(showText(show(0.0005, 'length', 'imperial'))).toBe('0.0197 in');
    expect(showText(show(1076.39, 'illuminance', 'imperial'))).toBe('100 fc');
    expect(showText(show(0.5, 'ratio', 'metric'))).toBe('50.0%');
    expect(showText(show(3, 'power', 'metric'))).toBe('3.00 W');
    expect(showText(show(4000, 'colourTemperature', 'metric'))).toBe('4000 K');
    expect(feetAndInches(0.0127)).toBe('1/2 in');
    expect(feetAndInches(3.81)).toBe('12 ft 6 in');
  });

  test('stops to a tenth, in figures and words', () => {
    expect(stopsFigure(1.26)).toBe('+1.3');
    expect(stopsFigure(-0.04)).toBe('0.0');
    expect(stopsInWords(1.3)).toBe('1.3 stops over');
    expect(stopsInWords(-0.4)).toBe('0.4 stops short');
    expect(stopsInWords(0.02)).toBe('on target');
    expect(stopsInWords(-Infinity)).toBe('no light');
  });
});

describe('lengths at the bench', () => {
  // 25.4 mm are an inch, exactly [std: international yard and pound agreement, 1959].
  test.each([
    [1.9939, 'metric', '1993.9 mm'],
    [0.14, 'metric', '140 mm'],
    [1.9939, 'imperial', '78 1/2 in'],
    [0.0254 * 11.99, 'imperial', '12 in'],
    [0.003, 'imperial', '1/8 in'],
    [0, 'imperial', '0 in'],
    [-0.0127, 'imperial', '−1/2 in'],
  ] as const)('%p m, %s: %s', (metres, system, text) =>
    expect(shopLength(metres, system)).toBe(text),
  );
  test('words with lengths in them, for a rule in inches', () => {
    const words = 'First 44 mm from the top, then every 25.4 mm; 1 cm over.';
    expect(inSystem(words, 'metric')).toBe(words);
    expect(inSystem(words, 'imperial')).toBe(
      'First 1 3/4 in from the top, then every 1 in; 3/8 in over.',
    );
    // What is no length stays: square millimetres, lumens a metre, a name.
    for (const other of ['0.75 mm², two cores', '900 lm/m', 'A60 9 W', 'cd/m²'])
      expect(inSystem(other, 'imperial')).toBe(other);
    expect(inSystem('Cut MDF 6 mm 12.7 mm wide', 'imperial', ['MDF 6 mm'])).toBe(
      'Cut MDF 6 mm 1/2 in wide',
    );
    expect(inSystem('2 m up', 'imperial')).toBe('6 ft 6 3/4 in up');
  });
  test('a bit for a bolt is never narrower than the bolt [ISO 273: medium clearance]', () => {
    expect(boreLength(0.0055, 'imperial')).toBe('7/32 in');
    expect(boreLength(0.0066, 'imperial')).toBe('17/64 in');
    expect(boreLength(0.0066, 'metric')).toBe('6.6 mm');
    for (const { diameterM, clearanceM } of Object.values(THREADS)) {
      const [over, under] = boreLength(clearanceM, 'imperial')
        .split(' ')[0]!
        .split('/')
        .map(Number);
      expect((over! / under!) * 0.0254).toBeGreaterThan(diameterM);
    }
  });
});

describe('money', () => {
  test('whole minor units in and out', () => {
    expect(parseMoney('8,99 €', 'EUR')).toEqual({ ok: true, value: 899 });
    expect(parseMoney('€8', 'EUR')).toEqual({ ok: true, value: 800 });
    expect(parseMoney('EUR 0.1', 'EUR')).toEqual({ ok: true, value: 10 });
    expect(parseMoney('500', 'JPY')).toEqual({ ok: true, value: 500 });
    expect(parseMoney('8.995', 'EUR').ok).toBe(false);
    expect(parseMoney('-1', 'EUR').ok).toBe(false);
    expect(formatMoney(899, 'EUR')).toBe('€8.99');
  });

  test('every amount survives a round trip', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99_999 }), (minor) => {
        expect(parseMoney(formatMoney(minor, 'EUR'), 'EUR')).toEqual({ ok: true, value: minor });
      }),
      { seed: 7 },
    );
  });
});

test('numbers', () => {
  expect(parseNumber('.5')).toEqual({ ok: true, value: 0.5 });
  expect(parseNumber('1 1/2')).toEqual({ ok: true, value: 1.5 });
  expect(parseNumber('').ok).toBe(false);
});
