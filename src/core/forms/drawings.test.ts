import { setParameters } from '../document/records';
import { after } from '../document/testing';
import { sample } from '../testing/sample';
import { ACCESSORIES } from '../accessories';
import { attachAll } from '../accessories/attach';
import { resolveScene, sceneOf } from '../evaluate/context';
import { Derivations } from '../evaluate/derive';
import { evaluateKnown as evaluate } from '../evaluate/testing';
import { clamp } from '../tolerance';
import type { Handle, Shape, View } from '../drawing/drawing';
import type { Field } from './form';
import { pulledValue } from '../drawing/pull';
import { REGIONS } from '../electrics/region';

const document = sample();
const builds = document.builds.map((build) => {
  const scene = sceneOf(document, build);
  const found = resolveScene(scene)!;
  const { views } = new Derivations().drawing(document, build)!;
  return { id: build.id, build, scene, ...found, views };
});

const reach = (shape: Shape): (readonly [number, number])[] => {
  switch (shape.kind) {
    case 'circle':
      return [
        [shape.x - shape.r, shape.y - shape.r],
        [shape.x + shape.r, shape.y + shape.r],
      ];
    case 'polyline':
      return [...shape.points];
    case 'arc':
      return [shape.from, (shape.from + shape.to) / 2, shape.to].map(
        (angle) =>
          [shape.x + shape.r * Math.cos(angle), shape.y + shape.r * Math.sin(angle)] as const,
      );
    case 'text':
      return [[shape.x, shape.y]];
  }
};

describe.each(builds)('$id', ({ form, parameters, scene, resolved, views }) => {
  test('every view stays on its paper', () => {
    for (const { bounds, shapes, handles } of views) {
      const [left, bottom, right, top] = bounds;
      expect(right).toBeGreaterThan(left);
      expect(top).toBeGreaterThan(bottom);
      for (const [x, y] of [...shapes.flatMap(reach), ...handles.map(({ at }) => at)]) {
        expect(x).toBeGreaterThanOrEqual(left - 1e-9);
        expect(x).toBeLessThanOrEqual(right + 1e-9);
        expect(y).toBeGreaterThanOrEqual(bottom - 1e-9);
        expect(y).toBeLessThanOrEqual(top + 1e-9);
      }
    }
  });
  test('to scale: every dimension measures what it says, none is said twice in a view', () => {
    for (const { dimensions } of views) {
      for (const { from, to, valueM } of dimensions)
        expect(Math.hypot(to[0] - from[0], to[1] - from[1])).toBeCloseTo(valueM, 9);
      const labels = dimensions.map(({ label }) => label);
      expect(new Set(labels).size).toBe(labels.length);
    }
  });
  test('views have ids and titles of their own', () => {
    const ids = views.map(({ id }) => id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const { title } of views) expect(title.length).toBeGreaterThan(5);
  });
  test('the wiring view names the region’s wires', () => {
    const wiring = views.find(({ id }) => id === 'wiring')!;
    const words = wiring.shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []));
    const { live } = REGIONS[scene.circuit.region].insulation;
    if (resolved.wiring.loads.length === 0) return expect(words).not.toContain('plug');
    expect(words).toEqual(expect.arrayContaining([`L  live, ${live}`, 'plug']));
  });
  test('what findings point at is on the drawing, and their fields exist', () => {
    const refs = new Set(views.flatMap(({ shapes }) => shapes.map(({ ref }) => ref)));
    const fields = new Set(form.fields.map(({ parameter }) => parameter));
    for (const { where } of resolved.findings) {
      if (where.drawing) expect(refs).toContain(where.drawing);
      if (where.field && !/[.]|^circuit$/.test(where.field)) expect(fields).toContain(where.field);
    }
  });
  test('the drawing of nothing chosen stays drawable', () => {
    const { views: bare } = form.draw(form.defaults(), scene.context);
    for (const { bounds } of bare) expect(bounds.every(Number.isFinite)).toBe(true);
    expect(parameters).toBeTruthy();
  });
});

type Straight = Extract<Handle['pull'], { kind: 'straight' }>;

/** Where a knob stands after its parameter was set to what a pull by `by` metres makes of it. */
function pulled(
  handle: Handle,
  values: Record<string, unknown>,
  by: number,
  redraw: (values: Record<string, unknown>) => View[],
  viewId: string,
) {
  const { direction } = handle.pull as Straight;
  const to = [handle.at[0] + direction[0] * by, handle.at[1] + direction[1] * by] as const;
  const value = pulledValue(handle.pull, values[handle.parameter] as number, handle.at, to);
  const next = redraw({ ...values, [handle.parameter]: value });
  const view = next.find(({ id }) => id === viewId)!;
  return { to, value, now: view.handles.find(({ parameter }) => parameter === handle.parameter) };
}

const inRange = (fields: readonly Field[], parameter: string, value: number): boolean => {
  const field = fields.find((each) => each.parameter === parameter);
  return field?.kind === 'quantity' && clamp(value, field.min, field.max) === value;
};

/** Knobs that show a size without standing on its edge. */
const BESIDE = new Set(['level', 'uprightM', 'cornerM']);

describe.each(builds)('knobs of $id follow the hand', ({ form, parameters, scene, views }) => {
  const own = views.filter(({ id }) => !id.startsWith('accessory'));
  const knobs = own.flatMap((view) =>
    view.handles
      .filter(({ pull }) => pull.kind === 'straight')
      .map((handle) => ({ view, handle, name: `${view.id} ${handle.parameter}` })),
  );
  test.each(knobs)('$name', ({ view, handle }) => {
    const values = parameters as Record<string, unknown>;
    const by = 0.004;
    const { to, value, now } = pulled(
      handle,
      values,
      by,
      (next) => form.draw(next, scene.context).views,
      view.id,
    );
    expect(value).not.toBe(values[handle.parameter]);
    if (!inRange(form.fields, handle.parameter, value) || BESIDE.has(handle.parameter)) return;
    const { direction } = handle.pull as Straight;
    const moved =
      (now!.at[0] - handle.at[0]) * direction[0] + (now!.at[1] - handle.at[1]) * direction[1];
    // Along its own direction the knob goes where it was pulled; counts that follow may jump.
    const jumps = ['rowPitchM', 'pitchM', 'insetM', 'wingM', 'lengthM'].includes(handle.parameter);
    if (jumps) expect(Number.isFinite(moved)).toBe(true);
    else
      expect(moved).toBeCloseTo(
        (to[0] - handle.at[0]) * direction[0] + (to[1] - handle.at[1]) * direction[1],
        6,
      );
  });
});

describe.each([...ACCESSORIES.values()])('knobs of an accessory: $id', (accessory) => {
  const { scene, resolved } = builds.find(({ id }) => id === 'cabin-box')!;
  const values = accessory.defaults() as Record<string, unknown>;
  const view = accessory.attach(values, resolved, scene.context).view;
  test('follow the hand along their direction', () => {
    for (const handle of view.handles) {
      const { value, now } = pulled(
        handle,
        values,
        0.003,
        (next) => [accessory.attach(next, resolved, scene.context).view],
        view.id,
      );
      const { direction } = handle.pull as Straight;
      if (!inRange(accessory.fields, handle.parameter, value)) continue;
      const moved =
        (now!.at[0] - handle.at[0]) * direction[0] + (now!.at[1] - handle.at[1]) * direction[1];
      expect(moved).toBeCloseTo(0.003, 6);
    }
  });
});

describe.each(builds)('$id, whole', ({ id }) => {
  const found = evaluate(document, id);
  if (!found.ok) throw new Error(found.problems[0]!.message);
  const { value } = found;
  test('nine rungs with formula, numbers, source; nothing is NaN', () => {
    expect(value.rungs).toHaveLength(9);
    for (const { working, words, value: figure } of value.rungs) {
      expect(working.formula && working.substituted !== undefined && working.source).toBeTruthy();
      expect(`${working.substituted} ${words}`).not.toMatch(/NaN|undefined|Infinity/);
      if (figure !== null) expect(Number.isFinite(figure)).toBe(true);
    }
  });
  test('survives JSON', () => {
    expect(JSON.parse(JSON.stringify(value))).toEqual(
      JSON.parse(JSON.stringify(JSON.parse(JSON.stringify(value)))),
    );
    expect(JSON.stringify(value)).not.toContain('null,null,null,null');
  });
  test('every finding says what happens, why and by which source; nothing is called safe', () => {
    for (const { title, message, source } of value.findings) {
      expect(title.length).toBeGreaterThan(5);
      expect(message.length).toBeGreaterThan(10);
      expect(source.length).toBeGreaterThan(5);
      expect(`${title} ${message}`).not.toMatch(/!|\bsafe\b/i);
      expect(message).not.toMatch(/NaN|undefined|\[object/);
    }
  });
  test('ways out lead out', () => {
    for (const finding of value.findings)
      for (const remedy of finding.remedies ?? []) {
        const mended = after(document, setParameters(id, remedy.parameters as never));
        const then = evaluate(mended, id);
        const still = then.ok && then.value.findings.find((each) => each.id === finding.id);
        expect(still ? still.severity : 'ok').toBe('ok');
      }
  });
  test('steps take time, cutting and current carry their cautions', () => {
    for (const { minutes, check, tools } of value.steps) {
      expect(Number.isInteger(minutes) && minutes > 0).toBe(true);
      expect(check && tools.length).toBeTruthy();
    }
    for (const { id, hazards } of value.steps)
      if (/cut-board|cut-metal|cut-sticks|wire-mains|power-up|hoist/.test(id))
        expect(hazards.length).toBeGreaterThan(0);
  });
  test('money adds up, and what is cut is bought', () => {
    const { lines, spentNowMinor, fullMinor } = value.purchase;
    expect(lines.reduce((sum, line) => sum + line.spentNowMinor, 0)).toBe(spentNowMinor);
    expect(lines.reduce((sum, line) => sum + line.fullMinor, 0)).toBe(fullMinor);
    for (const { part } of value.cuts.plans)
      expect(lines.map(({ key }) => key)).toContain(`part:${part.id}`);
    for (const { leftOver } of lines) expect(leftOver).toBeGreaterThan(-1e-9);
  });
  test('every piece is laid out once, or said not to be', () => {
    const build = document.builds.find((each) => each.id === id)!;
    const wanted = value.pieces.reduce((sum, { count }) => sum + count * build.copies, 0);
    const laid = value.cuts.plans.reduce((sum, { pieces }) => sum + pieces.length, 0);
    const open = value.cuts.unchosen.reduce((sum, { count }) => sum + count * build.copies, 0);
    expect(laid + open).toBe(wanted);
  });
});

test('accessories keep the form’s own views first', () => {
  const { build, scene, resolved } = builds.find(({ id }) => id === 'clerk-pan')!;
  expect(attachAll(resolved, build.accessories, scene.context).views).toHaveLength(2);
});
