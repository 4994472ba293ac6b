import { readDocument } from '@/core/document/read';
import type { Production } from '@/core/document/production';
import { nightFerry } from '@/demo/nightFerry';

/** Over and over until there are so many, each with an id of its own. */
const repeated = <T extends { id: string }>(of: readonly T[], count: number): T[] =>
  Array.from({ length: count }, (_, n) => {
    const one = of[n % of.length]!;
    return n < of.length ? one : { ...one, id: `${one.id}-${n}` as T['id'] };
  });

/** *Night Ferry* many times over, for measuring: so many lights, setups and readings. */
export function largeProduction(builds: number, setups: number, readings: number): Production {
  const ferry = nightFerry();
  const perSession = ferry.sessions.map(({ readings: own }) => Object.keys(own).length);
  const mean = perSession.reduce((sum, n) => sum + n, 0) / perSession.length;
  const large = {
    ...ferry,
    id: 'large',
    name: 'Large',
    builds: repeated(ferry.builds, builds),
    setups: repeated(ferry.setups, setups),
    sessions: repeated(ferry.sessions, Math.ceil(readings / mean)),
  };
  const read = readDocument(JSON.parse(JSON.stringify(large)));
  if (!read.ok)
    throw new Error(`The large production: ${read.problems[0]!.path} ${read.problems[0]!.message}`);
  return read.value;
}
