import { sample } from '../testing/sample';
import { resolveScene, sceneOf } from '../evaluate/context';
import type { Accessory } from './carried';
import type { View } from '../drawing/drawing';
import { INCH, demoBuild } from '../forms/testing';
import { finished } from '../making/finishing';
import { attachAll } from './attach';
import { ACCESSORIES } from './index';

const document = sample();
const builds = document.builds.map((build) => {
  const scene = sceneOf(document, { ...build, accessories: [] });
  const { form, parameters, resolved } = resolveScene(scene)!;
  const bare = form.resolve(parameters, scene.context);
  return { id: build.id, bare, resolved, context: scene.context };
});
const carried = (kind: string, parameters: unknown): Accessory =>
  ({ id: kind, kind, parameters }) as Accessory;

const finite = (value: unknown): boolean =>
  typeof value === 'number'
    ? Number.isFinite(value)
    : typeof value === 'object' && value !== null
      ? Object.values(value).every(finite)
      : true;

const pairs = [...ACCESSORIES.values()].flatMap((accessory) =>
  builds.map((build) => ({ name: `${accessory.id} on ${build.id}`, accessory, ...build })),
);

describe.each(pairs)('$name', ({ accessory, bare, resolved, context }) => {
  const attached = accessory.attach(accessory.defaults(), resolved, context);
  test('figures are numbers, masses and lengths are not below nothing', () => {
    expect(finite([attached.facts, attached.pieces, attached.needs, attached.view])).toBe(true);
    expect(attached.massKg).toBeGreaterThanOrEqual(0);
    for (const { value } of attached.facts) expect(value).toBeGreaterThanOrEqual(0);
    for (const { quantity } of attached.needs) expect(quantity).toBeGreaterThan(0);
    for (const { count } of attached.pieces) expect(count).toBeGreaterThanOrEqual(1);
  });
  test('the view is on its paper and its dimensions measure what they say', () => {
    const { bounds, handles, dimensions } = attached.view;
    for (const {
      at: [x, y],
    } of handles) {
      expect(x).toBeGreaterThanOrEqual(bounds[0] - 1e-9);
      expect(x).toBeLessThanOrEqual(bounds[2] + 1e-9);
      expect(y).toBeGreaterThanOrEqual(bounds[1] - 1e-9);
      expect(y).toBeLessThanOrEqual(bounds[3] + 1e-9);
    }
    for (const { from, to, valueM } of dimensions)
      expect(Math.hypot(to[0] - from[0], to[1] - from[1])).toBeCloseTo(valueM, 9);
  });
  test('it only adds: light, wiring and what the form cuts stay', () => {
    const { resolved: both } = attachAll(
      resolved,
      [carried(accessory.id, accessory.defaults())],
      context,
    );
    expect(both.groups).toEqual(resolved.groups);
    expect(both.wiring).toEqual(resolved.wiring);
    expect(both.pieces.slice(0, resolved.pieces.length)).toEqual(resolved.pieces);
    expect(both.needs.slice(0, resolved.needs.length)).toEqual(resolved.needs);
    expect(both.facts.slice(0, resolved.facts.length)).toEqual(resolved.facts);
    const own = new Set(resolved.steps.map(({ id }) => id));
    expect(both.steps.filter(({ id }) => own.has(id))).toEqual(resolved.steps);
    expect(both.findings).toEqual(expect.arrayContaining([...resolved.findings]));
  });
  test('it is cut before anything is wired, and on before the light is metered', () => {
    const steps = finished(
      attachAll(bare, [carried(accessory.id, accessory.defaults())], context).resolved,
      context,
    );
    const mine = steps.flatMap(({ id }, at) => (id.startsWith(`${accessory.id}.`) ? [at] : []));
    expect(mine).toHaveLength(attached.steps.length);
    const wired = steps.findIndex(({ stage }) => stage === 'wire');
    const metered = steps.findIndex(({ stage }) => stage === 'meter');
    for (const at of mine) {
      if (wired >= 0 && ['mark', 'cut', 'finish', 'mount'].includes(steps[at]!.stage))
        expect(at).toBeLessThan(wired);
      if (metered >= 0) expect(at).toBeLessThan(metered);
    }
  });
});

describe('quantities at both ends of their fields', () => {
  const { resolved, context } = builds.find(({ id }) => id === 'cabin-box')!;
  test.each([...ACCESSORIES.values()])('$id stays drawable', (accessory) => {
    for (const field of accessory.fields) {
      if (field.kind !== 'quantity') continue;
      for (const value of [field.min, field.max]) {
        const read = accessory.parameters.safeParse({
          ...(accessory.defaults() as object),
          [field.parameter]: value,
        });
        expect([field.parameter, value, read.success]).toEqual([field.parameter, value, true]);
        const { view, facts, massKg } = accessory.attach(read.data, resolved, context);
        expect([field.parameter, value, finite([view, facts, massKg])]).toEqual([
          field.parameter,
          value,
          true,
        ]);
        expect(extent(view)).toBeGreaterThan(0);
      }
    }
  });
});

const extent = ({ bounds: [left, bottom, right, top] }: View): number =>
  Math.min(right - left, top - bottom);

describe('barn doors on a 60 × 60 cm front', () => {
  const { resolved, context } = demoBuild('cabin-box');
  const doors = ACCESSORIES.get('barn-doors')!;
  const attach = (over: Record<string, unknown> = {}) =>
    doors.attach(
      { ...(doors.defaults() as object), boardPartId: 'alu-1', ...over },
      resolved,
      context,
    );
  const severity = (id: string, over?: Record<string, unknown>) =>
    attach(over).findings.find((finding) => finding.id === id)?.severity;

  test('two leaves as wide as the front where they hinge, two as chosen', () => {
    const pieces = attach({ sideHingeM: 0.5, sideFreeM: 0.3, topFreeM: 0.7, cornerM: 0 }).pieces;
    expect(pieces.map(({ name, count }) => [name, count])).toEqual([
      ['Top and bottom leaf', 2],
      ['Side leaf', 2],
    ]);
    const areas = pieces.map((piece) => (piece.kind === 'sheet' ? piece.areaM2 : 0));
    // Trapezoids: (hinge + free) / 2 · length.
    expect(areas[0]).toBeCloseTo(((0.6 + 0.7) / 2) * 0.14, 9);
    expect(areas[1]).toBeCloseTo(((0.5 + 0.3) / 2) * 0.14, 9);
  });
  test('1 mm aluminium: area × 2.7 kg/m²', () => {
    const { pieces, massKg } = attach({ cornerM: 0 });
    const area = pieces.reduce(
      (sum, piece) => sum + (piece.kind === 'sheet' ? piece.areaM2 * piece.count : 0),
      0,
    );
    expect(massKg).toBeCloseTo(area * 2.7, 6);
  });
  test('a cut corner takes material away', () => {
    const area = (cornerM: number) => {
      const [top] = attach({ cornerM }).pieces;
      return top?.kind === 'sheet' ? top.areaM2 : 0;
    };
    expect(area(0.05)).toBeLessThan(area(0));
  });
  test('straight out, leaves as long as the front cut at 45°', () => {
    const fact = attach({ leafLengthM: 0.6 }).facts.find(({ id }) => id === 'door-cut');
    expect(fact?.value).toBeCloseTo(Math.PI / 4, 9);
  });
  test('a side leaf longer than its edge, and leaves that pass each other: stops', () => {
    expect(severity('doors.side-wide', { sideHingeM: 0.7 })).toBe('stop');
    expect(severity('doors.side-wide', { sideHingeM: 6.5 * INCH })).toBeUndefined();
    expect(severity('doors.collide', { leafLengthM: 0.9, cornerM: 0 })).toBe('stop');
    expect(severity('doors.collide')).toBeUndefined();
  });
  test('hot and sharp: said each time', () => {
    expect(severity('doors.hot')).toBe('look');
  });
  test('four plates stand in the light, swung outwards from the front’s edges', () => {
    const openedRad = Math.PI / 6;
    const plates = attach({ openedRad, cornerM: 0, leafLengthM: 0.2 }).controls!;
    expect(plates).toHaveLength(4);
    const points = plates.flatMap((plate) => (plate.kind === 'plate' ? plate.points : []));
    const far = (axis: 0 | 1 | 2) => Math.max(...points.map((point) => point[axis]));
    expect(far(0)).toBeCloseTo(0.3 + 0.2 * Math.sin(openedRad), 9);
    expect(far(1)).toBeCloseTo(0.3 + 0.2 * Math.sin(openedRad), 9);
    expect(far(2)).toBeCloseTo(resolved.frontM + 0.2 * Math.cos(openedRad), 9);
  });
});
