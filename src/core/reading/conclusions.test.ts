import { readLine, type ReadField } from './readLine';

const field = (text: string, name: ReadField) =>
  readLine(text).fields.find((each) => each.field === name);
const value = (text: string, name: ReadField) => field(text, name)?.value;

describe('what the words of a label say of its kind', () => {
  test.each([
    ['LED bulb E27 9W', 'bulb', 'led'],
    ['Filament globe E27 7W', 'bulb', 'led-filament'],
    ['Corn light E27 20W', 'bulb', 'corn'],
    ['CFL E27 20W', 'bulb', 'cfl'],
    ['Energiesparlampe E14 11W', 'bulb', 'cfl'],
    ['Ampoule fluocompacte E27 20W', 'bulb', 'cfl'],
    ['Halogen A55 E27 42W', 'bulb', 'halogen'],
    ['Bombilla halógena E27 42W', 'bulb', 'halogen'],
    ['Glühlampe E27 60W', 'bulb', 'incandescent'],
    ['Incandescent E26 60W', 'bulb', 'incandescent'],
  ])('%s: %s, %s', (text, category, kind) => {
    expect(value(text, 'category')).toBe(category);
    expect(value(text, 'kind')).toBe(kind);
  });
  test.each([
    ['LED strip 24V 10W/m', 'strip'],
    ['Ruban LED 24V 10 W/m', 'strip'],
    ['Tira LED 12V', 'strip'],
    ['T8 tube 18W', 'tube'],
    ['Leuchtstoffröhre 36 W', 'tube'],
    ['Réglette LED 10 W', 'tube'],
    ['Flutlicht 50 W', 'work-light'],
    ['Projecteur 50 W', 'work-light'],
    ['LED panel 18 W', 'panel'],
    ['Dalle LED 40 W', 'panel'],
  ])('%s: %s', (text, category) => expect(value(text, 'category')).toBe(category));
  test('figures a metre, or a base, are surer than words', () => {
    expect(field('lamp 10 W/m', 'category')).toMatchObject({ value: 'strip', sure: 'sure' });
    expect(field('panel look E27 9W', 'category')).toMatchObject({ value: 'bulb', sure: 'sure' });
    expect(field('LED panel 9W', 'category')!.sure).toBe('likely');
  });
});

describe('names of whites are guesses, a printed temperature wins', () => {
  test.each([
    ['warm white bulb E27', 2700],
    ['Birne warmweiß E27', 2700],
    ['Ampoule blanc chaud E27', 2700],
    ['Bombilla luz fría E27', 6500],
    ['neutral white bulb E27', 4000],
    ['Birne neutralweiß E27', 4000],
    ['daylight bulb E27', 6500],
    ['Ampoule blanc froid E27', 6500],
  ])('%s', (text, cctK) => {
    expect(field(text, 'cctK')).toMatchObject({ value: cctK, sure: 'guess' });
    expect(field(`${text} 3000K`, 'cctK')).toMatchObject({ value: 3000, sure: 'sure' });
  });
});

describe('claims', () => {
  test.each([
    ['9W (60W eq.)', 9, 60],
    ['9 W = 60 W', 9, 60],
    ['60W = 9W LED', 9, 60],
    ['9W replaces 60W', 9, 60],
    ['9 W ersetzt 60 W', 9, 60],
    ['9 W équivaut à 60 W', 9, 60],
    ['9W equivalente a 60W', 9, 60],
    ['60W equivalent, uses 9W', 9, 60],
    ['9W (60W)', 9, 60],
  ])('%s', (text, wattsW, equivalentW) => {
    expect(value(`${text} E27`, 'wattsW')).toBe(wattsW);
    expect(value(`${text} E27`, 'equivalentW')).toBe(equivalentW);
  });
});

describe('tape', () => {
  test('LED and watts of a whole reel become a metre’s, as guesses where nobody said so', () => {
    const text = 'LED strip 12V 5m 300 LEDs 24W';
    expect(field(text, 'ledsPerM')).toMatchObject({ value: 60, sure: 'likely' });
    expect(field(text, 'wattsPerM')).toMatchObject({ value: 4.8, sure: 'guess' });
    expect(field(text, 'wattsW')!.sure).toBe('guess');
  });
  test('“per metre” makes them likely', () => {
    expect(field('LED tape per metre: 9.6W, 980lm', 'wattsPerM')).toMatchObject({
      value: 9.6,
      sure: 'likely',
    });
  });
  test('feet are a reel’s on tape and a length on tubes', () => {
    expect(Number(value('LED strip 12V 16.4ft', 'reelLengthM'))).toBeCloseTo(4.999, 3);
    expect(Number(value('T8 tube 4ft 36W', 'lengthM'))).toBeCloseTo(1.219, 3);
    expect(value('T8 tube 4ft 36W', 'reelLengthM')).toBeUndefined();
  });
});

describe('volts', () => {
  test.each([
    ['220-240V', 230],
    ['AC 100–127 V', 120],
    ['DC24V', 24],
    ['12 V DC', 12],
    ['24VDC', 24],
    ['230V~', 230],
  ])('%s', (text, volts) => expect(value(`E27 ${text}`, 'supplyV')).toBe(volts));
  test('made for every mains: left open rather than guessed', () => {
    for (const text of ['85-265V', '100–240 V', 'AC85-265V'])
      expect(value(`E27 ${text}`, 'supplyV')).toBeUndefined();
  });
});
