import { nightFerry } from '@/demo/nightFerry';
import { ofRung, worst, worstOf, type Severity } from '../findings/finding';
import { stationMarks, type Mark } from './marks';
import { evaluateKnown } from './testing';

const RANK: Record<Severity, number> = { stop: 0, look: 1, unknown: 2, ok: 3 };
const fine = (mark: Mark) => mark === 'ok';
const demo = nightFerry();
const worked = demo.builds.map((build) => {
  const found = evaluateKnown(demo, build.id);
  if (!found.ok || found.value.kind !== 'worked out')
    throw new Error(`${build.id} is not worked out`);
  const readouts = found.value;
  const marks = stationMarks({
    document: demo,
    build,
    readouts,
    findings: readouts.findings,
    shotId: build.shotId,
  });
  return { build, readouts, marks };
});

describe.each(worked)('marks of $build.name', ({ readouts, marks }) => {
  const { findings, rungs } = readouts;
  test('a rung is no better than the findings about it', () => {
    for (const { id, state } of rungs)
      expect(RANK[state]).toBeLessThanOrEqual(RANK[worst(ofRung(findings, id))]);
  });
  test('Glow, Wire and Cut are no better than the figures they show', () => {
    const shown = {
      glow: ['light', 'stops', 'softness', 'evenness', 'colour'],
      wire: ['power', 'heat', 'flicker'],
      cut: ['cost'],
    } as const;
    for (const [station, ids] of Object.entries(shown)) {
      const seen = worstOf(
        rungs.filter(({ id }) => ids.includes(id as never)).map(({ state }) => state),
      );
      if (seen !== 'ok')
        expect([station, fine(marks[station as 'glow'])]).toEqual([station, false]);
    }
  });
  test('a verdict is fine only when nothing else is open', () => {
    const open = findings.some(({ severity }) => severity !== 'ok');
    if (open) expect(fine(marks.verdict)).toBe(false);
    if (findings.some(({ severity }) => severity === 'stop')) expect(marks.verdict).toBe('stop');
  });
  test('what is not known is not fine', () => {
    if (rungs.some(({ value }) => value === null)) expect(fine(marks.verdict)).toBe(false);
    if (readouts.cuts.unchosen.length > 0) expect(fine(marks.cut)).toBe(false);
  });
});

test('metering is done when every session is closed', () => {
  const of = (sessions: typeof demo.sessions) =>
    stationMarks({
      build: null,
      readouts: null,
      findings: [],
      document: { ...demo, sessions },
      shotId: null,
    }).meter;
  const [session] = demo.sessions;
  expect(of([])).toBe('empty');
  expect(of([session!])).toBe('ok');
  expect(of([session!, { ...session!, id: 'b', closedAt: null }])).toBe('started');
});

describe('before there is anything', () => {
  const none = { build: null, readouts: null, findings: [] };
  test('a shot without a light is begun, not fine', () => {
    const document = { ...demo, builds: [] };
    const marks = stationMarks({ ...none, document, shotId: demo.shots[0]!.id });
    expect(marks).toMatchObject({
      shot: 'started',
      build: 'empty',
      wire: 'empty',
      verdict: 'empty',
    });
  });
  test('without shots and things all is empty', () => {
    const shelf = { units: [], parts: [] };
    const document = { ...demo, builds: [], shots: [], sessions: [], setups: [], shelf };
    const marks = stationMarks({ ...none, document, shotId: null });
    expect(new Set(Object.values(marks))).toEqual(new Set(['empty']));
  });
});
