import fc from 'fast-check';
import { pastedReadings } from './pasted';

const rows = (text: string) => text.split('\n').map((line) => line.split(';'));
const read = (text: string) => {
  const found = pastedReadings(rows(text));
  if (!found.ok) throw new Error(found.problems.map(({ message }) => message).join(' '));
  return found.value.map(({ place, value }) => [
    place.kind === 'angle' ? place.angleDeg : place.kind,
    Number(value.toFixed(2)),
  ]);
};

test.each<[string, string, unknown[]]>([
  [
    'bare numbers',
    '-30;100\n0;120\n30;101',
    [
      [-30, 100],
      [0, 120],
      [30, 101],
    ],
  ],
  ['a line of names, foot-candles', 'angle;reading fc\n0;10', [[0, 107.64]]],
  [
    'kilolux named, lux written out',
    'Lux (klx);Angle °\n1,2;0\n900 lx;30',
    [
      [0, 1200],
      [30, 900],
    ],
  ],
  [
    'units mixed in the cells',
    '0;120 lx\n10°;0.1 klx\n20 deg;9 fc',
    [
      [0, 120],
      [10, 100],
      [20, 96.88],
    ],
  ],
  [
    'the room, a true minus, decimal commas',
    'room;1,5\n−15;99,5',
    [
      ['room', 1.5],
      [-15, 99.5],
    ],
  ],
  [
    'empty lines and CR',
    '0;1\r\n\r\n5;2',
    [
      [0, 1],
      [5, 2],
    ],
  ],
])('%s', (_, text, wanted) => expect(read(text.replaceAll('\r', ''))).toEqual(wanted));

test.each<[string, string, RegExp]>([
  ['words for light', '0;bright', /Line 1: “bright” is no light/],
  ['words for an angle', '0;1\nup;2', /Line 2: “up” is no angle/],
  ['beyond all the way round', '270;2', /270° is more than all the way round/],
  ['volts', '0;12 V', /Line 1/],
  ['negative light', '0;-4', /no light a lamp gives/],
  ['nothing', '\n \n', /Nothing to read/],
  ['ten thousand lines', '0;1\n'.repeat(10_000), /10000 lines are no session/],
])('%s: told by its line, and nothing is taken', (_, text, words) => {
  const found = pastedReadings(rows(text));
  expect(found.ok ? '' : found.problems.map(({ message }) => message).join(' ')).toMatch(words);
});

test('many wrong lines: five are told, the rest counted', () => {
  const found = pastedReadings(rows('0;x\n'.repeat(40)));
  expect(found.ok ? [] : found.problems.map(({ code }) => code)).toEqual([
    ...Array<string>(5).fill('line'),
    'more',
  ]);
});

test('whatever is pasted, it is read or told, and never breaks', () =>
  fc.assert(
    fc.property(
      fc.array(fc.array(fc.string({ maxLength: 8 }), { maxLength: 4 }), { maxLength: 30 }),
      (cells) => {
        const found = pastedReadings(cells);
        if (found.ok)
          for (const { value, place } of found.value) {
            expect(value).toBeGreaterThanOrEqual(0);
            if (place.kind === 'angle') expect(Math.abs(place.angleDeg)).toBeLessThanOrEqual(180);
          }
        else expect(found.problems.length).toBeGreaterThan(0);
      },
    ),
  ));
