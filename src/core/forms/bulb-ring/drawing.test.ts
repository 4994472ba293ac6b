import { finished } from '../../making/finishing';
import { sample } from '../../testing/sample';
import { sceneOf } from '../../evaluate/context';
import type { Shape, View } from '../../drawing/drawing';
import { bulbRing } from '.';
import type { BulbRing } from './parameters';

const document = sample();
const { context } = sceneOf(document, document.builds[0]!);
const clerk = document.builds[0]!.parameters as unknown as BulbRing;
const drawn = (over: Partial<BulbRing> = {}) => bulbRing.draw({ ...clerk, ...over }, context).views;
const view = (views: View[], id: string) => views.find((each) => each.id === id)!;

const extent = (shape: Shape): [number, number][] => {
  switch (shape.kind) {
    case 'circle':
    case 'arc':
      return [
        [shape.x - shape.r, shape.y - shape.r],
        [shape.x + shape.r, shape.y + shape.r],
      ];
    case 'polyline':
      return shape.points.map(([x, y]) => [x, y]);
    case 'text':
      return [[shape.x, shape.y]];
  }
};

const VARIANTS: Partial<BulbRing>[] = [
  {},
  { outerDiameterM: 0.4, ringWidthM: 0.08, socketCount: 6 },
  { outerDiameterM: 2, ringWidthM: 0.3, socketCount: 40, rows: 2 },
  { centreBarWidthM: 0.06, skirtDepthM: 0.2, dimmerPartId: clerk.plugPartId },
  { socketCount: 1 },
];

test.each(VARIANTS)('%j stays on its paper, in every view', (over) => {
  for (const { bounds, shapes, handles } of drawn(over)) {
    const [left, bottom, right, top] = bounds;
    for (const [x, y] of [...shapes.flatMap(extent), ...handles.map(({ at }) => at)]) {
      expect(x).toBeGreaterThanOrEqual(left);
      expect(x).toBeLessThanOrEqual(right);
      expect(y).toBeGreaterThanOrEqual(bottom);
      expect(y).toBeLessThanOrEqual(top);
    }
  }
});

test('to scale: every dimension measures what it says', () => {
  for (const over of VARIANTS)
    for (const { dimensions } of drawn(over))
      for (const { from, to, valueM } of dimensions)
        expect(Math.hypot(to[0] - from[0], to[1] - from[1])).toBeCloseTo(valueM, 12);
});

test('front: one socket, one hole and one globe a seat, the first at the top', () => {
  const { shapes } = view(drawn(), 'front');
  for (const layer of ['part', 'drill', 'glass'] as const)
    expect(shapes.filter((shape) => shape.layer === layer)).toHaveLength(16);
  const first = shapes.find(({ ref }) => ref === 'seat-0')!;
  expect(first).toMatchObject({ kind: 'circle' });
  expect('x' in first && first.x).toBeCloseTo(0, 12);
  expect('y' in first && first.y).toBeCloseTo(0.425, 12);
});

test('its back is seen from behind: the second seat lies left of the first', () => {
  const { lamps } = bulbRing.draw(clerk, context).board;
  expect(lamps[0]!.at[0]).toBeCloseTo(0, 12);
  expect(lamps[1]!.at[0]).toBeLessThan(0);
});

test('the count knob is there only when the count is the user’s to set', () => {
  const knobs = (over: Partial<BulbRing>) =>
    view(drawn(over), 'front').handles.map(({ parameter }) => parameter);
  expect(knobs({})).toContain('socketCount');
  expect(knobs({ fillMode: 'gap' })).not.toContain('socketCount');
  expect(knobs({ socketCount: 1 })).not.toContain('socketCount');
});

describe('steps', () => {
  const steps = (over: Partial<BulbRing> = {}) =>
    finished(bulbRing.resolve({ ...clerk, ...over }, context), context);
  test('in workshop order: parts first, wiring before power-up, metering last', () => {
    const titles = steps().map(({ title }) => title);
    const at = (words: string) => titles.findIndex((title) => title.includes(words));
    const order = [
      'Light every lamp',
      'Mark out',
      'Cut the ring',
      'Wire the mains side',
      'looked over',
      'First power-up',
      'Warm checks',
      'Meter it',
    ];
    expect(order.map(at)).toEqual(order.map(at).toSorted((a, b) => a - b));
    expect(order.map(at)).not.toContain(-1);
  });
  test('cutting, wiring, power-up and heat carry their cautions', () => {
    for (const words of ['Cut the ring', 'Wire the mains side', 'First power-up', 'Warm checks'])
      expect(steps().find(({ title }) => title.includes(words))!.hazards[0]).toBeTruthy();
  });
  test('a skirt adds its step; more sockets take longer', () => {
    expect(steps({ skirtDepthM: 0.2 })).toHaveLength(steps().length + 1);
    const minutes = (over: Partial<BulbRing>) =>
      steps(over).reduce((sum, step) => sum + step.minutes, 0);
    expect(minutes({ socketCount: 30 })).toBeGreaterThan(minutes({ socketCount: 8 }));
  });
});

describe('needs and mass', () => {
  const resolved = (over: Partial<BulbRing> = {}) =>
    bulbRing.resolve({ ...clerk, ...over }, context);
  const need = (id: string, over: Partial<BulbRing> = {}) =>
    resolved(over).needs.find(({ item }) => item.id === id)?.quantity;
  test('bulbs and sockets by the seat, one plug; boards follow from the pieces', () => {
    expect(need('globe-g45-3')).toBe(16);
    expect(need('socket-e27')).toBe(16);
    expect(need('plug-16')).toBe(1);
  });
  test('paint: two coats of π·(R² − r²) at 10 m² a litre', () => {
    expect(need('emulsion')).toBeCloseTo((2 * Math.PI * (0.25 - 0.1225)) / 10, 12);
  });
  test('skirt cloth: π·Ø and a seam long, as deep as the skirt', () => {
    const skirtPartId = document.shelf.parts.find(({ id }) => id === 'skirt-black')!.id;
    const { pieces } = resolved({ skirtDepthM: 0.3, skirtPartId });
    const skirt = pieces.find(({ kind }) => kind === 'cloth')!;
    expect(skirt).toMatchObject({ partId: skirtPartId, heightM: 0.3, count: 1 });
    expect(skirt.kind === 'cloth' && skirt.widthM).toBeCloseTo(Math.PI + 0.05, 12);
    expect(resolved({ skirtDepthM: 0 }).pieces.some(({ kind }) => kind === 'cloth')).toBe(false);
  });
  test('mass by hand: board, bulbs, sockets, cord', () => {
    const board = Math.PI * (0.25 - 0.1225) * 0.006 * 750;
    const cord = need('cord-075')! * 0.045;
    expect(resolved().massKg).toBeCloseTo(board + 16 * 0.03 + 16 * 0.045 + cord, 12);
  });
});
