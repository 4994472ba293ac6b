import { madeForMains } from './quickFindings';

test.each([
  [230, null, 230, true],
  [230, null, 240, true],
  [120, null, 230, false],
  [230, null, 120, false],
  // The usual wide range of a driver, on both mains.
  [100, 240, 120, true],
  [100, 240, 230, true],
  [100, 130, 230, false],
  [null, null, 230, true],
] as const)('a lamp for %s to %s V on %s V: %s', (supplyV, supplyToV, voltageV, made) =>
  expect(madeForMains({ supplyV, supplyToV }, voltageV)).toBe(made),
);
