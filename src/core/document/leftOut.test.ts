import { nightFerry } from '@/demo/nightFerry';
import { leftOut } from './leftOut';
import { readDocument } from './read';

const ferry = (): Record<string, unknown> => JSON.parse(JSON.stringify(nightFerry()));
const told = (json: unknown) => {
  const read = readDocument(json);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return leftOut(json, read.value);
};

test('what is exported is read whole', () => {
  expect(told(ferry())).toEqual([]);
});

test('fields of another making are told by their paths', () => {
  const json = ferry();
  (json.builds as Record<string, unknown>[])[3]!.smell = 'pine';
  ((json.shelf as Record<string, unknown>).units as Record<string, unknown>[])[0]!.mood = 1;
  json.weather = { tomorrow: 'rain' };
  expect(told(json).sort()).toEqual(['builds.3.smell', 'shelf.units.0.mood', 'weather']);
});

test('a document of an older version is carried over, not told', () => {
  expect(leftOut({ version: 5, stand: 1 }, nightFerry())).toEqual([]);
});
