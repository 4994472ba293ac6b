import fc from 'fast-check';
import { solveLadder } from '../power/ladder';
import { electricResult } from './electric';
import { gridPoints, pointsResult } from './points';
import { pastedReadings } from './pasted';
import { blankSession, ELECTRIC, type MeterReading, type Place, type Session } from './session';
import { simulatedFigure, simulatedSpectrum } from './simulated';
import { readingsTable } from './table';
import { isSimulated, nextPlace, pointsOf, unreadPoints } from './working';
import { warmResult } from './warm';

const AT = '2026-03-10T19:00:00Z';
const session = (given: Partial<Session> & Pick<Session, 'kind'>): Session =>
  blankSession({ id: 's', name: 'Tried', startedAt: AT, by: 'Ines', warmMin: 30, ...given });
let order = 0;
const read = (place: Place, value: number, more: Partial<MeterReading> = {}): MeterReading => ({
  place,
  value,
  at: AT,
  by: 'Ines',
  order: order++,
  struck: null,
  simulated: false,
  ...more,
});
const under = (of: Session, readings: readonly MeterReading[]): Session => ({
  ...of,
  readings: Object.fromEntries(readings.map((each, k) => [`r${k}`, each])),
});

describe('light on a plane', () => {
  const plane = session({ kind: 'points', points: gridPoints(3, 3, 2, 1), distanceM: 2 });
  const at = (name: string): Place => ({
    kind: 'point',
    ...plane.points.find((point) => point.name === name)!,
  });
  const room = read({ kind: 'room' }, 4);

  test('a grid is named from the upper left and lies about the middle', () => {
    expect(plane.points.map(({ name }) => name).join(' ')).toBe('A1 B1 C1 A2 B2 C2 A3 B3 C3');
    expect(plane.points[0]).toEqual({ name: 'A1', xM: -1, yM: 0.5 });
    expect(plane.points[4]).toEqual({ name: 'B2', xM: 0, yM: 0 });
    expect(gridPoints(1, 1, 3, 3)).toEqual([{ name: 'A1', xM: 0, yM: 0 }]);
  });

  test('a point source: cos³ over the plane, the room taken off [std: E = I cos³θ/d²]', () => {
    const intensity = 1000;
    const readings = plane.points.map((point) => {
      const cos = 2 / Math.hypot(2, point.xM, point.yM);
      return read({ kind: 'point', ...point }, 4 + (intensity * cos ** 3) / 4);
    });
    const found = pointsResult(plane, [room, ...readings])!;
    expect(found.points.find(({ point }) => point.name === 'B2')!.lx).toBeCloseTo(250, 9);
    const corner = (2 / Math.hypot(2, 1, 0.5)) ** 3;
    expect(found.plusMinusStops).toBeCloseTo(Math.log2(1 / corner) / 2, 9);
    expect(found.notes).toEqual([]);
  });

  test('its error: class, distance and rounding for all; light from aside at the corners only', () => {
    const lx = 100;
    const found = pointsResult(plane, [read(at('B2'), lx), read(at('A1'), lx), room])!;
    const [corner, middle] = [found.points[0]!, found.points[1]!];
    expect([corner.point.name, middle.point.name]).toEqual(['A1', 'B2']);
    // By hand: 5 % class on 100 of 96 lx, twice 1 cm of 2 m, half a lux of 96, each over √3 [std: JCGM 100, 4.3.7].
    const shares = [0.05 * (100 / 96), (2 * 0.01) / 2, 0.5 / 96].map((a) => a / Math.sqrt(3));
    expect(middle.share).toBeCloseTo(Math.hypot(...shares), 3);
    expect(corner.share).toBeGreaterThan(middle.share);
    expect(corner.parts.map(({ id }) => id)).toContain('cosine');
    expect(middle.parts.map(({ id }) => id)).not.toContain('cosine');
  });

  test('repeats count by s/√n, the odd one of five is told', () => {
    const repeats = [100, 102, 98, 101, 160].map((lx) => read(at('B2'), lx));
    const found = pointsResult(plane, [room, ...repeats])!;
    expect(found.points[0]!.outliers).toBe(1);
    expect(found.notes.join()).toMatch(/stands apart/);
  });

  test('without the room, and darker than the room', () => {
    expect(pointsResult(plane, [read(at('A1'), 50)])!.notes.join()).toMatch(/Nobody read the room/);
    const dark = pointsResult(plane, [room, read(at('A1'), 3), read(at('B1'), 54)])!;
    expect(dark.meanLx).toBeCloseTo(50, 9);
    expect(dark.notes.join()).toMatch(/no brighter than the room/);
    expect(pointsResult(plane, [])).toBeNull();
  });

  test('the room is asked for first, then place by place; what is struck out is asked for again', () => {
    expect(nextPlace(plane)).toEqual({ kind: 'room' });
    const half = under(plane, [room, read(at('A1'), 9), read(at('B1'), 9, { struck: 'moved' })]);
    expect(nextPlace(half)).toMatchObject({ kind: 'point', name: 'B1' });
    expect(unreadPoints(half)).toHaveLength(8);
    expect(nextPlace({ ...half, closedAt: AT })).toBeNull();
  });

  test('what is saved as a table is read again as it was', () => {
    const whole = under(plane, [
      room,
      ...plane.points.map((point, k) => read({ kind: 'point', ...point }, 100.25 + k)),
    ]);
    const again = pastedReadings(readingsTable(whole), whole);
    if (!again.ok) throw new Error(again.problems[0]!.message);
    const back = under(
      plane,
      again.value.map(({ place, value }) => read(place, value)),
    );
    expect(pointsOf(back)).toEqual(pointsOf(whole));
  });

  test('pasted by name or by metres, units in the cells; what is no place is told by its line', () => {
    const good = pastedReadings(
      [
        ['A1', '2 fc'],
        ['1', '-0.5', '0.3 klx'],
        ['room', '1'],
      ],
      plane,
    );
    expect(
      good.ok && good.value.map(({ place }) => (place.kind === 'point' ? place.name : place.kind)),
    ).toEqual(['A1', 'C3', 'room']);
    expect(good.ok && good.value[1]!.value).toBeCloseTo(300, 6);
    const bad = pastedReadings(
      [
        ['A1', '20'],
        ['Z9', '20'],
        ['B1', 'bright'],
      ],
      plane,
    );
    expect(bad.ok).toBe(false);
    if (!bad.ok) expect(bad.problems.map(({ path }) => path)).toEqual(['2', '3']);
  });
});

describe('layers and sweeps as tables', () => {
  test('a layer test there and back', () => {
    const layer = under(
      session({ kind: 'layer' }),
      [false, true, false, true].map((layered, k) =>
        read({ kind: 'layer', with: layered }, layered ? 55 : 100 + k),
      ),
    );
    const again = pastedReadings(readingsTable(layer), layer);
    expect(again.ok && again.value.map(({ value }) => value)).toEqual([100, 55, 102, 55]);
    expect(
      again.ok && again.value.map(({ place }) => place.kind === 'layer' && place.with),
    ).toEqual([false, true, false, true]);
  });
  test('a sweep there and back, struck readings told', () => {
    const swept = under(session({ kind: 'sweep' }), [
      read({ kind: 'angle', planeDeg: 0, angleDeg: -30 }, 80),
      read({ kind: 'angle', planeDeg: 90, angleDeg: 30 }, 81, { struck: 'misread' }),
    ]);
    const table = readingsTable(swept);
    expect(table[2]).toContain('misread');
    const again = pastedReadings(table, swept);
    expect(again.ok && again.value).toEqual([
      {
        place: { kind: 'angle', planeDeg: 0, angleDeg: -30 },
        value: 80,
        struck: null,
        simulated: false,
      },
      {
        place: { kind: 'angle', planeDeg: 90, angleDeg: 30 },
        value: 81,
        struck: 'misread',
        simulated: false,
      },
    ]);
  });
  test('volts, amps and warmth there and back; what the simulated meter showed stays its', () => {
    const volts = under(
      session({ kind: 'electric' }),
      ELECTRIC.map((what, k) => read({ kind: 'electric', what }, (k + 1) / 10)),
    );
    const warm = under(session({ kind: 'warm' }), [
      read({ kind: 'air' }, 21.5),
      read({ kind: 'warm', thing: 'Supply, lid' }, 48.25, { simulated: true }),
    ]);
    for (const whole of [volts, warm]) {
      const again = pastedReadings(readingsTable(whole), whole);
      if (!again.ok) throw new Error(again.problems[0]!.message);
      expect(again.value).toEqual(
        Object.values(whole.readings).map(({ place, value, struck, simulated }) => ({
          place,
          value,
          struck,
          simulated,
        })),
      );
    }
  });
  test.each<[Session['kind'], string[][], unknown]>([
    [
      'electric',
      [
        ['near', '24.1'],
        ['far end', '22600 mV'],
        ['amps', '3 A'],
      ],
      [24.1, 22.6, 3],
    ],
    [
      'electric',
      [
        ['what', 'reading (mA)'],
        ['amps at the plug', '430'],
      ],
      [0.43],
    ],
    [
      'warm',
      [
        ['air', '21'],
        ['driver', '118.4 °F'],
      ],
      [21, 48],
    ],
    [
      'warm',
      [
        ['thing', 'temperature F'],
        ['room', '71.6'],
      ],
      [22],
    ],
    ['electric', [['power factor', '1.4']], 'between 0 and 1'],
    ['electric', [['near', '24 °C']], 'no voltage'],
    ['electric', [['colour', '4']], 'nothing that is read here'],
    ['warm', [['driver', 'hot']], 'no temperature'],
    ['warm', [['', '40']], 'no place'],
    ['warm', [['driver', '4000']], 'no temperature of a light'],
  ])('%s in words: %j', (kind, rows, wanted) => {
    const found = pastedReadings(rows, { kind, points: [] });
    if (typeof wanted === 'string')
      expect(found.ok ? '' : found.problems[0]!.message).toContain(wanted);
    else
      expect(found.ok && found.value.map(({ value }) => Number(value.toFixed(6)))).toEqual(wanted);
  });
  test('a name is never a formula', () => {
    const named = under(session({ kind: 'warm' }), [
      read({ kind: 'warm', thing: '=HYPERLINK("x")' }, 40),
    ]);
    expect(readingsTable(named)[1]![1]).toBe('\'=HYPERLINK("x")');
  });
});

describe('volts at both ends of a tape', () => {
  const tape = session({
    kind: 'electric',
    instrument: { name: '', classShare: 0.01, grainLx: 0.01, cosineShare: 0 },
  });
  const volts = (near: number, far: number, amps: number) => [
    read({ kind: 'electric', what: 'nearV' }, near),
    read({ kind: 'electric', what: 'farV' }, far),
    read({ kind: 'electric', what: 'tapeA' }, amps),
  ];

  test('the copper that the ladder solver was given comes back [reference: solveLadder]', () => {
    for (const [loopOhmPerM, lengthM] of [
      [0.1, 5],
      [0.33, 2],
      [0.05, 10],
    ] as const) {
      const solved = solveLadder({
        lengthM,
        loopOhmPerM,
        supplyV: 24,
        wattsPerM: 5,
        load: 'current',
        feeds: [{ atM: 0, leadOhm: 0 }],
        segments: 400,
      });
      const amps = (5 * lengthM) / 24;
      const found = electricResult(tape, volts(24, solved.volts.at(-1)!, amps), lengthM);
      expect(Math.abs(found.loopOhmPerM!.value / loopOhmPerM - 1)).toBeLessThan(0.01);
    }
  });
  test('an even load in closed form, with its error', () => {
    const found = electricResult(tape, volts(24, 23, 4), 5);
    expect(found.loopOhmPerM!.value).toBeCloseTo((2 * 1) / (4 * 5), 9);
    expect(found.loopOhmPerM!.deviation / 0.1).toBeLessThan(0.02);
    expect(found.tapeW).toBeCloseTo(96, 9);
  });
  test('swapped ends and a drop of the last digit are told', () => {
    expect(electricResult(tape, volts(23, 24, 4), 5).notes.join()).toMatch(/swapped/);
    expect(electricResult(tape, volts(24, 23.98, 4), 5).notes.join()).toMatch(/longer tape/);
    expect(electricResult(tape, volts(24, 23, 0), 5).notes.join()).toMatch(/not lit/);
    expect(electricResult(tape, [], 5)).toMatchObject({ loopOhmPerM: null, tapeW: null });
  });
});

test('warmth: the rise over the room, and nothing of it before the room is read', () => {
  const warm = session({
    kind: 'warm',
    instrument: { name: '', classShare: 0.02, grainLx: 0.5, cosineShare: 0 },
  });
  const caseAt = (celsius: number) => read({ kind: 'warm', thing: 'case' }, celsius);
  expect(warmResult(warm, [caseAt(48)])[0]).toMatchObject({ celsius: 48, riseK: null });
  const [found] = warmResult(warm, [read({ kind: 'air' }, -4), caseAt(48), caseAt(50)]);
  expect(found).toMatchObject({ thing: 'case', celsius: 49, riseK: 53 });
  expect(nextPlace(warm)).toEqual({ kind: 'air' });
});

describe('instruments that are not there', () => {
  test('a figure lies within the class of its meter and is the same each time', () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 1 }),
        fc.double({ min: 1, max: 500, noNaN: true }),
        (id, truth) => {
          const of = {
            ...session({ kind: 'electric' }),
            id,
            instrument: { name: '', classShare: 0.02, grainLx: 0.01, cosineShare: 0 },
          };
          const shown = simulatedFigure(of, 'farV', truth);
          expect(Math.abs(shown / truth - 1)).toBeLessThan(0.02 + 0.02 + 0.01 / truth);
          expect(simulatedFigure(of, 'farV', truth)).toBe(shown);
        },
      ),
    );
  });
  test('a spectrum keeps its shape, and its session is marked', () => {
    const curve = simulatedSpectrum('s', (nm) => Math.exp(-(((nm - 560) / 60) ** 2)));
    expect(curve.wavelengthsNm[curve.power.indexOf(Math.max(...curve.power))]).toBeGreaterThan(535);
    expect(Math.min(...curve.power)).toBeGreaterThanOrEqual(0);
    const of = session({ kind: 'spectrum' });
    expect(isSimulated(of)).toBe(false);
    expect(isSimulated({ ...of, spectrum: { curve, file: 'x', simulated: true } })).toBe(true);
  });
});
