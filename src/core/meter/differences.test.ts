import { differences } from './differences';
import { blankSession, type Session } from './session';

const session = (more: Partial<Session>) =>
  blankSession({
    id: 's',
    name: 's',
    kind: 'sweep',
    startedAt: '2026-03-15T20:00:00Z',
    by: 'Ines',
    warmMin: 20,
    ...more,
  });

test('what is other is told, the biggest suspect first; what is alike is not', () => {
  const then = session({});
  expect(differences(session({}), then)).toEqual([]);
  // Half the distance is two stops, a cold lamp some hundredths (inverse square; common practice).
  const now = session({ distanceM: 0.5, warmMin: null, stepDeg: 30, by: '' });
  expect(differences(now, then)).toEqual([
    '0.50 m away instead of 1.00 m',
    'lamp on for a time nobody noted, then for 20 min',
    'every 30° instead of every 10°',
    'by nobody named',
  ]);
});

test('a light that was not up as far', () => {
  expect(differences(session({ level: 0.5 }), session({}))).toEqual([
    'up to 50 % instead of 100 %',
  ]);
});

test('a meter that is not there beside one that is', () => {
  const reading = {
    place: { kind: 'room' as const },
    value: 1,
    at: '2026-03-15T20:00:00Z',
    by: '',
    order: 0,
    struck: null,
    simulated: true,
  };
  const told = differences(session({ readings: { a: reading } }), session({}));
  expect(told).toEqual(['simulated, the other metered', 'the room read in one only']);
});
