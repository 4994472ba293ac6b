import fc from 'fast-check';
import { sample } from '../../testing/sample';
import { answersOf, MOST_ANSWERS } from './answers';
import { frontOf, objectives } from './front';
import { Sieve } from './sieve';
import { missesOf, type Judged } from './judged';
import { questionOf } from './question';
import { judged } from './testing';

const question = questionOf(sample(), sample().shots[0]!.id)!;

const light = fc
  .record({
    way: fc.constantFrom('build', 'have', 'buy', 'hire'),
    of: fc.constantFrom('strip-ring', 'foam-box', 'bulb-board'),
    lamp: fc.constantFrom('a', 'b', 'c'),
    stops: fc.double({ min: -3, max: 4, noNaN: true }),
    angleDeg: fc.double({ min: 1, max: 120, noNaN: true }),
    separate: fc.boolean(),
    ra: fc.integer({ min: 60, max: 100 }),
    miredOff: fc.integer({ min: 0, max: 120 }),
    flickers: fc.constantFrom(true, false, null),
    nowMinor: fc.integer({ min: 0, max: 20_000 }),
    fullMinor: fc.integer({ min: 0, max: 30_000 }),
    hours: fc.double({ min: 0, max: 12, noNaN: true }),
    owned: fc.boolean(),
    priced: fc.boolean(),
  })
  .map((over): Judged => judged(over as Partial<Judged>));
const lights = fc
  .array(light, { minLength: 1, maxLength: 40 })
  .map((all) => all.map((each, k) => ({ ...each, id: `light ${String(k).padStart(2, '0')}` })));

const kind = ({ way }: Judged) => (way === 'have' ? 'build' : way);
/** The definition, word for word: of its kind, in nothing worse, in something better. */
const beats = (a: Judged, b: Judged): boolean => {
  const [x, y] = [objectives(a, question), objectives(b, question)];
  return (
    kind(a) === kind(b) && x.every((value, k) => value <= y[k]!) && x.some((v, k) => v < y[k]!)
  );
};

test('the front is what nothing beats, found by comparing each with each', () =>
  fc.assert(
    fc.property(lights, (all) => {
      const front = new Set(frontOf(all, question).map(({ id }) => id));
      for (const each of all) {
        const beaten = all.some((other) => beats(other, each));
        if (beaten) expect(front.has(each.id)).toBe(false);
      }
      // What is not in it is beaten, or equals in everything one that is.
      for (const each of all.filter(({ id }) => !front.has(id))) {
        const by = objectives(each, question).join();
        const twin = all.some(
          (other) =>
            other.id < each.id &&
            kind(other) === kind(each) &&
            objectives(other, question).join() === by,
        );
        expect(twin || all.some((other) => beats(other, each))).toBe(true);
      }
    }),
    { numRuns: 200 },
  ));

test('in whatever order they come, alone or from several sieves', () =>
  fc.assert(
    fc.property(lights, fc.integer(), (all, seed) => {
      const shuffled = all.toSorted(
        (a, b) => ((a.nowMinor * 7919 + seed) % 101) - ((b.nowMinor * 7919 + seed) % 101),
      );
      const whole = new Sieve(question);
      for (const each of all) whole.take(each);
      const [one, other, sum] = [new Sieve(question), new Sieve(question), new Sieve(question)];
      for (const [k, each] of shuffled.entries()) (k % 2 ? one : other).take(each);
      sum.add(other.found);
      sum.add(one.found);
      expect(sum.found.front).toEqual(whole.found.front);
      expect(sum.found.near).toEqual(whole.found.near);
      expect(sum.found.judged).toBe(whole.found.judged);
    }),
    { numRuns: 100 },
  ));

test('no answer misses a hard wish, none is beaten, all differ, seven at most', () =>
  fc.assert(
    fc.property(lights, (all) => {
      const sieve = new Sieve(question);
      for (const each of all) sieve.take(each);
      const answers = answersOf(sieve.found.front, question);
      expect(answers.length).toBeLessThanOrEqual(MOST_ANSWERS);
      expect(new Set(answers.map(({ found }) => found.id)).size).toBe(answers.length);
      for (const { found, bests } of answers) {
        expect(bests.length).toBeGreaterThan(0);
        expect(missesOf(found, question).filter(({ hard }) => hard)).toEqual([]);
        expect(all.some((other) => sieveTakes(other) && beats(other, found))).toBe(false);
      }
      if (sieve.found.front.length > 0) expect(answers.length).toBeGreaterThan(0);
    }),
    { numRuns: 200 },
  ));

const sieveTakes = (found: Judged): boolean => missesOf(found, question).every(({ hard }) => !hard);
