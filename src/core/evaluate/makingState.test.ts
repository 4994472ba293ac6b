import type { Making } from '../document/making';
import type { Production } from '../document/production';
import { sample } from '../testing/sample';
import { LOOK_OVER } from '../power/wire';
import { Derivations } from './derive';
import { makingNow, minutesText, paceOf, waitLeft, type StepNow } from './makingState';
import { stationMarks } from './marks';
import { seenOf, signedPoints, signedState } from './signedState';
import { powerUpOf } from './signing';
import { stepPrints } from './stepPrints';
import { evaluateKnown as evaluate } from './testing';

const NOON = Date.parse('2026-03-28T12:00:00Z');
const stamp = (ms: number) => `${new Date(ms).toISOString().slice(0, 19)}Z`;

const blank = (buildId: string): Making => ({
  id: 'm',
  buildId: buildId as Making['buildId'],
  name: 'First',
  copy: 1,
  startedAt: stamp(NOON),
  begun: {},
  ticks: {},
  readings: {},
  timers: {},
  paid: {},
  log: [],
  note: '',
});

/** A bench that can be asked and worked at. */
function benchOf(buildId: string, document: Production = sample()) {
  const making = blank(buildId);
  const bench = {
    document,
    making,
    nowMs: NOON,
    build: () => document.builds.find(({ id }) => id === buildId)!,
    readouts: () => {
      const found = evaluate(document, buildId);
      if (!found.ok) throw new Error(buildId);
      return found.value;
    },
    now: () => {
      const derive = new Derivations();
      const build = bench.build();
      const readouts = bench.readouts();
      return makingNow({
        making,
        readouts,
        prints: stepPrints(readouts, signedState(document, build, derive)),
        powerUp: powerUpOf(document, build, readouts.findings, derive),
        nowMs: bench.nowMs,
        system: 'metric',
      });
    },
    step: (id: string): StepNow => bench.now().steps.find(({ step }) => step.id === id)!,
    tick: (id: string) => {
      const derive = new Derivations();
      const readouts = bench.readouts();
      const step = readouts.steps.find((each) => each.id === id)!;
      making.ticks[id] = {
        at: stamp(bench.nowMs),
        by: 'Ines',
        minutes: step.minutes * 2,
        plannedMin: step.minutes,
        title: step.title,
        print: stepPrints(readouts, signedState(document, bench.build(), derive)).get(id)!,
      };
      if (step.waitMinutes > 0 && step.stage !== 'warm')
        making.timers[id] = { startedAt: stamp(bench.nowMs), minutes: step.waitMinutes };
    },
    tickUntil: (id: string) => {
      for (const { step } of bench.now().steps) {
        if (step.id === id) return;
        bench.tick(step.id);
      }
    },
    read: (id: string, value: number) => {
      making.readings[id] = { value, words: '', at: stamp(bench.nowMs), by: '' };
    },
    sign: () => {
      const derive = new Derivations();
      const build = bench.build();
      build.signOffs.push({
        id: 's',
        name: 'Ada',
        date: '2026-03-28',
        checked: [...LOOK_OVER],
        copy: 1,
        design: signedState(document, build, derive),
        seen: seenOf(signedPoints(document, build, derive)),
      });
    },
  };
  return bench;
}

describe('a ring at the bench', () => {
  test('the first step is open, a wire is shut until everything is drilled', () => {
    const bench = benchOf('clerk-ring');
    expect(bench.now().now!.step.stage).toBe('check parts');
    expect(bench.step('wire-mains')).toMatchObject({ state: 'shut' });
    expect(bench.step('wire-mains').missing.join(' ')).toMatch(
      /Parts are tested first.*Before wiring everything is drilled/,
    );
  });

  test('what waits keeps the next one shut, and says how long', () => {
    const bench = benchOf('clerk-ring');
    const paint = bench.now().steps.find(({ step }) => step.waitMinutes > 0)!.step;
    bench.tickUntil(paint.id);
    bench.tick(paint.id);
    const after = () => bench.now().now!;
    expect(after().missing.join(' ')).toContain(
      `“${paint.title}” has to wait ${minutesText(paint.waitMinutes)} more.`,
    );
    // Over midnight and over the change to summer time of that night (common practice: EU, last Sunday of March).
    bench.nowMs = NOON + (paint.waitMinutes + 13 * 60) * 60_000;
    expect(after()).toMatchObject({ state: 'open', missing: [] });
    // A clock set back makes nothing shorter.
    bench.nowMs = NOON - 60 * 60_000;
    expect(after().missing.join(' ')).toContain('set back');
  });

  test('the plug stays out until it was looked over, read and signed, exactly that is said', () => {
    const bench = benchOf('clerk-ring');
    bench.tickUntil('look-over');
    bench.nowMs = NOON + 48 * 3600_000;
    expect(bench.step('look-over').missing).toEqual([
      expect.stringContaining('A second person looks it over'),
      expect.stringContaining('No continuity'),
      expect.stringContaining('Polarity right'),
    ]);
    bench.read('no-short', 1);
    bench.read('polarity', 1);
    bench.sign();
    expect(bench.step('look-over')).toMatchObject({ state: 'open', missing: [] });
    bench.tick('look-over');
    bench.tick('lamps-in');
    const up = bench.step('power-up');
    expect(up.missing).toEqual([expect.stringContaining('Current at the plug')]);
    bench.read('current', up.asked[0]!.asked.expected! * 3);
    expect(bench.step('power-up').missing.join(' ')).toMatch(/switch off/i);
    bench.read('current', up.asked[0]!.asked.expected!);
    expect(bench.step('power-up').missing).toEqual([]);
  });

  test('an hour is an hour', () => {
    const bench = benchOf('clerk-ring');
    bench.sign();
    bench.tickUntil('warm-checks');
    bench.nowMs = NOON + 48 * 3600_000;
    for (const { id, expected } of bench.readouts().asked) bench.read(id, expected ?? 300);
    expect(bench.step('warm-checks').missing).toEqual(['Start its clock: 1 h with everything on.']);
    bench.making.timers['warm-checks'] = { startedAt: stamp(bench.nowMs), minutes: 60 };
    bench.nowMs += 20 * 60_000;
    expect(bench.step('warm-checks').missing).toEqual(['40 min of it are left.']);
    bench.nowMs += 40 * 60_000;
    expect(bench.step('warm-checks').missing).toEqual([]);
  });

  test('another design opens exactly what depends on it', () => {
    const bench = benchOf('clerk-ring');
    bench.tickUntil('close-back');
    bench.nowMs = NOON + 48 * 3600_000;
    const done = () =>
      bench
        .now()
        .steps.filter(({ state }) => state === 'done')
        .map(({ step }) => step.id);
    const before = done();
    bench.build().note = 'Prettier in the evening.';
    expect(done()).toEqual(before);
    const parameters = bench.build().parameters as { socketCount: number; tailLengthM: number };
    const opened = () => before.filter((id) => !done().includes(id));
    // A longer tail is more cord to cut and another wire, and nothing else.
    parameters.tailLengthM += 1;
    expect(opened()).toEqual(['strip-links', 'wire-mains']);
    expect(bench.step('wire-mains').state).toBe('again');
    parameters.tailLengthM -= 1;
    expect(opened()).toEqual([]);
    // Twelve holes are another board, its paint included; the lamps on the shelf light as they did.
    parameters.socketCount = 12;
    expect(opened()).toEqual(expect.arrayContaining(['mark-out', 'cut-board', 'wire-mains']));
    expect(done()).toContain(bench.now().steps[0]!.step.id);
  });

  test('a mended fault wants the look-over, its readings and the hour anew', () => {
    const bench = benchOf('clerk-ring');
    bench.document.makings.push(bench.making);
    for (const { id, expected } of bench.readouts().asked) bench.read(id, expected ?? 300);
    bench.sign();
    bench.making.timers['warm-checks'] = { startedAt: stamp(NOON), minutes: 60 };
    for (const { step } of bench.now().steps) bench.tick(step.id);
    bench.nowMs = NOON + 48 * 3600_000;
    expect(bench.now().now).toBeNull();
    bench.making.log.push({
      id: 'f',
      at: stamp(NOON + 3600_000),
      by: 'Ines',
      stepId: null,
      kind: 'fault',
      words: 'terminals at lamp 9',
    });
    expect(bench.now().now!.step.id).toBe('look-over');
    expect(bench.step('wire-mains').state).toBe('done');
    const wants = bench.step('look-over').missing.join(' ');
    expect(wants).toMatch(/A second person looks it over.*No continuity.*not read yet/);
    expect(bench.step('power-up').missing.join(' ')).toContain('Current at the plug');
    expect(bench.step('warm-checks').missing.join(' ')).toContain('Start its clock');
  });

  test('ticks of steps the plan no longer has are kept apart', () => {
    const bench = benchOf('clerk-ring');
    bench.tick('mark-out');
    bench.making.ticks['old-step'] = {
      ...bench.making.ticks['mark-out']!,
      title: 'Glue the veneer',
    };
    expect(bench.now().gone).toMatchObject([
      { stepId: 'old-step', tick: { title: 'Glue the veneer' } },
    ]);
  });

  test('the rail’s mark: nothing, begun, made, and made for what is no longer so', () => {
    const bench = benchOf('clerk-ring');
    const mark = () =>
      stationMarks({
        document: bench.document,
        build: bench.build(),
        readouts: bench.readouts(),
        findings: bench.readouts().findings,
        shotId: null,
      }).make;
    expect(mark()).toBe('empty');
    bench.document.makings.push(bench.making);
    expect(mark()).toBe('started');
    for (const { step } of bench.now().steps) bench.tick(step.id);
    expect(mark()).toBe('ok');
    (bench.build().parameters as { socketCount: number }).socketCount = 12;
    expect(mark()).toBe('look');
    bench.build().copies = 2;
    expect(mark()).toBe('started');
  });
});

test('nothing overhead goes up without names, bonds and an empty floor', () => {
  const bench = benchOf('deck-sky');
  const hoist = bench.step('hoist');
  for (const words of ['Who rated the points', 'closed bond', 'Nobody is underneath'])
    expect(hoist.missing.join(' ')).toContain(words);
});

test('a clock that ran on and one that was set back', () => {
  const timer = { startedAt: stamp(NOON), minutes: 30 };
  expect(waitLeft(timer, NOON + 10 * 60_000)).toEqual({ leftMin: 20, setBack: false });
  expect(waitLeft(timer, NOON + 90 * 60_000)).toEqual({ leftMin: 0, setBack: false });
  expect(waitLeft(timer, NOON - 1000)).toEqual({ leftMin: 30, setBack: true });
});

test('a pace is known after three times that were taken', () => {
  const bench = benchOf('clerk-ring');
  const [a, b, c] = bench.readouts().steps;
  bench.tick(a!.id);
  bench.tick(b!.id);
  expect(paceOf([bench.making])).toBeNull();
  bench.tick(c!.id);
  expect(paceOf([bench.making])).toBe(2);
});
