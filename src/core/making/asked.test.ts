import { sample } from '../testing/sample';
import { evaluateKnown as evaluate } from '../evaluate/testing';
import { judged, type Asked } from './asked';

const document = sample();
const askedOf = (id: string): Asked[] => {
  const found = evaluate(document, id);
  if (!found.ok) throw new Error(id);
  return found.value.asked;
};
const find = (asked: readonly Asked[], id: string) => asked.find((each) => each.id === id)!;

test('a current is asked beside the plan: sixteen lamps of 3 W at 230 V and power factor 0.6', () => {
  const current = find(askedOf('clerk-ring'), 'current');
  // 16 · 3 W / (230 V · 0.6), by hand.
  expect(current.expected).toBeCloseTo(48 / (230 * 0.6), 3);
  expect(judged(current, current.expected, '', 'metric')).toMatchObject({ state: 'ok' });
  expect(judged(current, current.expected! * 0.5, '', 'metric')).toMatchObject({ state: 'look' });
  const much = judged(current, current.expected! * 2, '', 'metric');
  expect(much.state).toBe('stop');
  expect(much.words).toMatch(/^Planned 0\.348 A\. Switch off/);
});

test('a tape is read at both ends, against what its copper and its leads leave', () => {
  const found = evaluate(document, 'clerk-pan');
  if (!found.ok) throw new Error('a pan');
  const { tape } = found.value.wire;
  const far = find(found.value.asked, 'volts-far');
  expect(far.expected).toBe(tape!.lowestV);
  expect(judged(far, tape!.lowestV * 0.8, '', 'metric').state).toBe('look');
  expect(judged(far, tape!.run.voltageV * 1.3, '', 'metric').state).toBe('stop');
  expect(find(found.value.asked, 'volts-near').expected).toBeGreaterThan(far.expected!);
  expect(askedOf('clerk-ring').map(({ id }) => id)).not.toContain('volts-far');
});

test('what stays warm under a hand passes, what burns stops (ISO 13732-1, IEC 60598: from memory)', () => {
  const warm = find(askedOf('clerk-ring'), 'warm-60');
  const at = (celsius: number) => judged(warm, celsius + 273.15, '', 'metric').state;
  expect([at(35), at(50), at(70)]).toEqual(['ok', 'look', 'stop']);
});

test('a closed case is measured inside as well, what hot lamps shine on beside them; each by its own limit', () => {
  const closed = find(askedOf('cabin-box'), 'warm-inside');
  const at = (asked: Asked, celsius: number) => judged(asked, celsius + 273.15, '', 'metric').state;
  // Foam softens at 70 °C [common practice]; worked out is hardly over the room.
  expect([at(closed, 28), at(closed, 50), at(closed, 71)]).toEqual(['ok', 'look', 'stop']);
  const board = find(askedOf('warm-ring'), 'warm-board');
  // Wood scorches in the long run from 90 °C on [common practice].
  expect([at(board, 45), at(board, 70), at(board, 91)]).toEqual(['ok', 'look', 'stop']);
  expect(board.expected! - 273.15).toBeGreaterThan(25);
  expect(askedOf('clerk-ring').map(({ id }) => id)).not.toContain('warm-inside');
});

test('nothing read, nothing said and a no are never fine', () => {
  for (const { id } of document.builds)
    for (const asked of askedOf(id)) {
      expect(judged(asked, null, '', 'metric').state).toBe('stop');
      expect(judged(asked, NaN, '  ', 'metric').state).toBe('stop');
      if (asked.kind === 'yes') expect(judged(asked, 0, '', 'metric').state).toBe('stop');
    }
});

test('only what the steps of a build want is asked', () => {
  for (const { id } of document.builds) {
    const found = evaluate(document, id);
    if (!found.ok) continue;
    const steps = new Set(found.value.steps.map((step) => step.id));
    for (const { stepId } of found.value.asked) expect(steps.has(stepId)).toBe(true);
  }
});
