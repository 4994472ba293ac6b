import { findBuild, resolveWith, sceneOf } from '../../evaluate/context';
import { cavityOf } from '../../evaluate/readouts';
import { nightFerry } from '@/demo/nightFerry';
import { OPEN, type Arrangement } from '../transport/arrangement';
import { MAP_CELLS } from '../transport/pack';
import { relativeExitance, UNIFORMITY_CELLS } from '../transport/result';
import { simulate } from '../transport/run';
import { sheet, standardBox, standardPan, wall } from '../transport/testing';
import { mouthOf } from './mouthMap';
import { Smoother } from './smoothCounts';

const BY = MAP_CELLS / UNIFORMITY_CELLS;
const demo = nightFerry();

function roomOf(id: string): Arrangement {
  const { shot, context, build } = sceneOf(demo, findBuild(demo, id)!);
  return cavityOf(resolveWith(build, context)!.resolved, shot)!.arrangement;
}

const rooms: readonly (readonly [string, Arrangement])[] = [
  ['standard pan', standardPan(sheet(0.6, 0.34))],
  ['its mouth open', standardPan(OPEN)],
  ['standard box', standardBox(sheet(0.62, 0.3))],
  ['a mirror box', standardBox(OPEN, wall(0.95, 1))],
  ...['booth-stack', 'counter-lamp', 'corridor-line', 'cabin-box', 'deck-sky'].map(
    (id) => [id, roomOf(id)] as const,
  ),
];

// Against other photons, only counted: the analogue kernel that is itself checked in transport.reference.test.
test.each(rooms)('%s: each coarse cell is as bright as counting finds it', (_, room) => {
  const run = simulate(room, { photons: 400_000, seed: 2 });
  const mouth = mouthOf(room, run)!;
  const counted = simulate(room, { photons: 1_000_000, seed: 11 });
  const own = relativeExitance(mouth.shares, mouth.round, BY);
  const other = relativeExitance(counted.cellShares, counted.round, BY);
  const errors = own.flatMap((value, cell) => {
    if (value === null || !other[cell]) return [];
    const photons = counted.cellShares.length / UNIFORMITY_CELLS ** 2;
    const count = (counted.efficiency * counted.photons * other[cell]! * photons) / MAP_CELLS ** 2;
    const error = Math.hypot(1 / Math.sqrt(count), mouth.cellError);
    return [(value / other[cell]! - 1) / error];
  });
  // Chance, and two per cent where light falls off steeply over a few cells.
  const rms = Math.sqrt(errors.reduce((sum, one) => sum + one * one, 0) / errors.length);
  expect(rms).toBeLessThan(1.6);
  expect(mouth.cellError).toBeLessThan(0.02);
  expect(Math.abs(mouth.uniformity - counted.uniformity)).toBeLessThan(
    0.025 + 3 * mouth.uniformityError,
  );
});

test('of an open pan the mean is what counting lets out', () => {
  const room = standardPan(OPEN);
  const run = simulate(room, { photons: 200_000, seed: 4 });
  const mouth = mouthOf(room, run)!;
  const whole = relativeExitance(run.cellShares, true).reduce(
    (sum: number, cell, k) => sum + (cell === null ? 0 : run.cellShares[k]! * run.efficiency),
    0,
  );
  const looked = mouth.shares.reduce((sum, share) => sum + share, 0);
  expect(looked / whole).toBeGreaterThan(0.99);
  expect(looked / whole).toBeLessThan(1.01);
});

test('the error it tells of a cell is the spread over seeds', () => {
  const room = standardBox(sheet(0.62, 0.3));
  const maps = Array.from({ length: 8 }, (_, k) => {
    const run = simulate(room, { photons: 100_000, seed: 20 + k });
    return mouthOf(room, run)!;
  });
  const spreads = maps[0]!.shares.map((_, cell) => {
    const values = maps.map(({ shares }) => shares[cell]!);
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
    return Math.sqrt(values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / 7) / mean;
  });
  const median = spreads.toSorted((a, b) => a - b)[spreads.length / 2]!;
  const told = maps.reduce((sum, { cellError }) => sum + cellError, 0) / maps.length;
  expect(median / told).toBeGreaterThan(0.75);
  expect(median / told).toBeLessThan(1.25);
});

describe('local regression', () => {
  const inside = Array.from(
    { length: 256 },
    (_, k) => Math.hypot((k % 16) - 7.5, Math.floor(k / 16) - 7.5) < 7.6,
  );

  test('gives back every quadratic, at the edge too, and nothing where none was asked for', () => {
    const value = (k: number) => {
      const [x, y] = [k % 16, Math.floor(k / 16)];
      return 50 + 3 * x - 2 * y + 0.4 * x * x - 0.3 * x * y + 0.2 * y * y;
    };
    const { values } = new Smoother(16, inside).of(Array.from(inside, (_, k) => value(k)));
    inside.forEach((asked, k) => expect(values[k]).toBeCloseTo(asked ? value(k) : 0, 6));
  });

  test('knows a flat field some times better than a cell alone', () => {
    const { values, errors } = new Smoother(16, inside).of(Array.from(inside, () => 100));
    const middle = 8 * 16 + 8;
    expect(values[middle]).toBeCloseTo(100, 6);
    expect(errors[middle]).toBeGreaterThan(1);
    expect(errors[middle]).toBeLessThan(3);
  });
});
