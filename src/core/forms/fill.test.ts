import { attachAll } from '../accessories/attach';
import fc from 'fast-check';
import { sample } from '../testing/sample';
import { changed as afterChange } from '../document/testing';
import { evaluateKnown as evaluate } from '../evaluate/testing';
import { findBuild, resolveScene, sceneOf } from '../evaluate/context';
import { lightMargin } from '../evaluate/light';
import { filledParameters } from './fill';
import { FORMS } from './index';
import { demoBuild } from './testing';

const document = sample();
const withMode = (buildId: string, fillMode: string, more: Record<string, unknown> = {}) => {
  const changed = afterChange(document, (draft) => {
    Object.assign(findBuild(draft, buildId)!.parameters, { fillMode, ...more });
  });
  return changed;
};
const resolution = (doc: typeof document, buildId: string) =>
  resolveScene(sceneOf(doc, findBuild(doc, buildId)!))!;
const filled = (doc: typeof document, buildId: string) => {
  const { form, parameters } = resolution(doc, buildId);
  return (parameters as Record<string, number>)[form.fill!.parameter]!;
};
const margin = (doc: typeof document, buildId: string) => {
  const scene = sceneOf(doc, findBuild(doc, buildId)!);
  return lightMargin(resolution(doc, buildId).resolved, scene.shot);
};

const FILLED = [
  'clerk-ring',
  'lens-ring',
  'sky-board',
  'sky-bank',
  'clerk-pan',
  'stamp-panel',
  'corridor-line',
  'deck-sky',
  'booth-stack',
] as const;

describe.each(FILLED)('%s', (id) => {
  const form = FORMS.get(findBuild(document, id)!.form)!;
  test('as many as I say: untouched', () => {
    const doc = withMode(id, 'count');
    expect(filled(doc, id)).toBe(findBuild(doc, id)!.parameters[form.fill!.parameter]);
  });
  test('as many as fit: the most, and it can be made', () => {
    const doc = withMode(id, 'fit');
    const { parameters, resolved } = resolution(doc, id);
    const { context } = sceneOf(doc, findBuild(doc, id)!);
    expect(filled(doc, id)).toBeCloseTo(form.fill!.most(parameters, context), 6);
    expect(form.problems(parameters, context)).toEqual([]);
    expect(resolved.emitters.length).toBeGreaterThan(0);
  });
  test('enough for the shot: reached, and one step fewer would not do', () => {
    const doc = withMode(id, 'target');
    const { parameters } = resolution(doc, id);
    const scene = sceneOf(doc, findBuild(doc, id)!);
    const step = form.fill!.step(parameters, scene.context);
    const most = form.fill!.most(parameters, scene.context);
    const count = filled(doc, id);
    if (count >= most - 1e-6) return expect(count).toBeCloseTo(most, 6);
    expect(margin(doc, id)).toBeGreaterThanOrEqual(1);
    if (count <= step + 1e-9) return;
    const fewer = { ...(parameters as object), [form.fill!.parameter]: count - step };
    const { accessories } = findBuild(doc, id)!;
    const short = attachAll(form.resolve(fewer, scene.context), accessories, scene.context);
    expect(lightMargin(short.resolved, scene.shot)).toBeLessThan(1);
  });
  test('use up what is on hand: no more than there is, no less than one step', () => {
    const doc = withMode(id, 'onHand');
    const { parameters } = resolution(doc, id);
    const { context } = sceneOf(doc, findBuild(doc, id)!);
    const step = form.fill!.step(parameters, context);
    const stock = form.fill!.onHand(parameters, context);
    expect(filled(doc, id)).toBeLessThanOrEqual(Math.max(stock, step) + 1e-9);
    expect(filled(doc, id)).toBeGreaterThan(0);
  });
});

test('use up this reel: five metres on hand are five metres laid', () => {
  expect(filled(withMode('lens-ring', 'onHand'), 'lens-ring')).toBeCloseTo(5, 9);
  // A panel that holds four takes four of them.
  expect(filled(withMode('stamp-panel', 'onHand'), 'stamp-panel')).toBeCloseTo(4, 9);
});

test('use up these bulbs: four on hand', () => {
  expect(filled(withMode('clerk-ring', 'onHand'), 'clerk-ring')).toBe(4);
});

test('two staggered rows are filled in pairs', () => {
  const doc = withMode('clerk-ring', 'fit', { rows: 2, ringWidthM: 0.2 });
  expect(filled(doc, 'clerk-ring') % 2).toBe(0);
});

test('more is asked than fits: all that fit, and the light is said to be short', () => {
  const doc = afterChange(withMode('clerk-ring', 'target'), (draft) => {
    draft.shots[0]!.isoSpeed = 25;
  });
  const found = evaluate(doc, 'clerk-ring');
  expect(found.ok && found.value.findings.some(({ id }) => id === 'light.short')).toBe(true);
});

test('a form without a count, and a mode of a form’s own, pass through', () => {
  const box = demoBuild('cabin-box');
  expect(filledParameters(box.form as never, box.parameters, box.context, () => 0)).toBe(
    box.parameters,
  );
  const ring = demoBuild('clerk-ring', { fillMode: 'gap' });
  expect(filledParameters(ring.form as never, ring.parameters, ring.context, () => 0)).toBe(
    ring.parameters,
  );
});

test('the search needs few looks and always ends, whatever the light does', () => {
  const { form, parameters, context } = demoBuild('clerk-ring', { fillMode: 'target' });
  fc.assert(
    fc.property(fc.func(fc.double({ min: 0, max: 5, noNaN: true })), (light) => {
      let looks = 0;
      const answer = filledParameters(form as never, parameters, context, (resolved) => {
        looks++;
        return light(resolved.emitters.length);
      }) as { socketCount: number };
      expect(looks).toBeLessThanOrEqual(8);
      expect(answer.socketCount).toBeGreaterThan(0);
      expect(Number.isInteger(answer.socketCount)).toBe(true);
    }),
    { seed: 8, numRuns: 60 },
  );
});

test('no light at all asks for all that fit', () => {
  const { form, parameters, context } = demoBuild('clerk-ring', { fillMode: 'target' });
  const answer = filledParameters(form as never, parameters, context, () => 0) as {
    socketCount: number;
  };
  expect(answer.socketCount).toBe(form.fill!.most(parameters, context));
});
