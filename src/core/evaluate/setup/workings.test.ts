import { nightFerry } from '@/demo/nightFerry';
import { backdropReading, headReading, litOf } from '../../set/readings';
import { SetEngine } from './engine';
import { headWorking } from './headWorking';
import {
  backdropWorking,
  circuitWorking,
  glassWorking,
  wallWorking,
  wattsWorking,
} from './workings';

const demo = nightFerry();
const setup = demo.setups.find(({ id }) => id === 'sky-wash')!;
const lit = litOf(setup, new SetEngine(demo).answer(setup).lights);
const head = setup.things.find(({ kind }) => kind === 'head')!;
const backdrop = setup.things.find(({ kind }) => kind === 'backdrop')!;
const reading = headReading(lit, head.id, 100, setup.camera.balanceK);
const behind = backdropReading(lit, backdrop.id)!;
const numbers = (text: string) => (text.match(/[\d.]+/g) ?? []).map(Number);

const FIGURES = [
  'front',
  'stops',
  'together',
  'alone',
  'cheeks',
  'colour',
  'clash',
  'daylight',
  'shadows',
] as const;

test('every figure says formula, numbers, what went in, source, error and what it leaves out', () => {
  const all = [
    ...FIGURES.map((figure) => headWorking(figure, reading, lit, 100, 'said')),
    ...(['levels', 'even', 'against'] as const).map((figure) =>
      backdropWorking(figure, behind, lit, reading.frontLx, 'said'),
    ),
    wattsWorking(lit, 'said'),
    wallWorking('Back wall', 'back', lit, 'said'),
    circuitWorking({ name: 'Ring', limitA: 16, otherA: 1 }, [{ name: 'L', amps: 0.4 }], 'said'),
  ];
  expect(new Set(all.map(({ title }) => title)).size).toBe(all.length);
  for (const { title, formula, substituted, source, error, leavesOut, inputs } of all) {
    expect([title, Boolean(formula && substituted && source && error && leavesOut)]).toEqual([
      title,
      true,
    ]);
    expect(inputs.length).toBeGreaterThan(0);
  }
});

test('the numbers written are those of the figure: parts add up to it', () => {
  const { substituted, inputs } = headWorking('front', reading, lit, 100, '');
  const written = numbers(substituted);
  const sum = written.slice(0, -1).reduce((all, each) => all + each, 0);
  expect(sum / written.at(-1)!).toBeCloseTo(1, 1);
  expect(inputs.reduce((all, { value }) => all + value, 0)).toBeCloseTo(reading.frontLx, 6);
  const [left] = headWorking('cheeks', reading, lit, 100, '').substituted.split(';');
  expect(numbers(left!).at(-1)! / reading.leftLx).toBeCloseTo(1, 1);
});

test('each light names its own origin and error', () => {
  for (const { name } of headWorking('front', reading, lit, 100, '').inputs)
    expect(name).toMatch(/: .+, ± \d+ %$/);
});

test('what one light errs by cancels in a ratio that it makes alone, and does not where two make it', () => {
  const error = (of: typeof reading) =>
    numbers(headWorking('together', of, lit, 100, '').error)[0]!;
  const one = { ...reading, parts: reading.parts.slice(0, 1), keyId: reading.parts[0]!.id };
  expect(error(one)).toBe(0);
  expect(error(reading)).toBeGreaterThan(0);
});

test('a glass tells the turns that hide what is seen, or that nothing is', () => {
  const seen = [{ id: 'k', name: 'Key' }];
  const turns = { upright: -0.1, 'upper edge': null };
  const told = glassWorking({ name: 'Timetable', seen, turns }, 'said');
  expect(told.substituted).toContain('Key');
  expect(told.substituted).toContain('-5.73° (upright)');
  expect(told.substituted).toContain('no turn up to 30° (upper edge)');
  const none = glassWorking({ name: 'T', seen: [], turns: { upright: 0, 'upper edge': 0 } }, '');
  expect(none.substituted).toContain('no front');
});
