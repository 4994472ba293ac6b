import fc from 'fast-check';
import { sample } from '../testing/sample';
import { ACCESSORIES } from '../accessories';
import { sceneOf } from '../evaluate/context';
import type { FormContext, FormDefinition } from './form';
import { FORMS } from './index';
import { anyOf as anyWith } from './testing';
import type { AccessoryDefinition } from '../accessories/accessory';

const document = sample();
const { context } = sceneOf(document, document.builds[0]!);
const anyOf = (fields: Parameters<typeof anyWith>[0]) => anyWith(fields, document.shelf);

/** Numbers anywhere in plain data. */
function numbers(node: unknown, found: number[] = []): number[] {
  if (typeof node === 'number') found.push(node);
  else if (Array.isArray(node) || ArrayBuffer.isView(node))
    for (const each of node as unknown[]) numbers(each, found);
  else if (node && typeof node === 'object')
    for (const each of Object.values(node)) numbers(each, found);
  return found;
}
const whole = (node: unknown) => numbers(node).every((value) => !Number.isNaN(value));

/** More points than anybody could want would hang the screen. */
const MOST_EMITTERS = 6000;

function expectSound(form: FormDefinition, parameters: unknown, within: FormContext): void {
  expect(form.parameters.safeParse(parameters).success).toBe(true);
  const resolved = form.resolve(parameters, within);
  const { views } = form.draw(parameters, within);
  for (const problem of form.problems(parameters, within)) {
    expect(problem.message).not.toMatch(/NaN|undefined|Infinity/);
    expect(form.fields.map(({ parameter }) => parameter)).toContain(problem.path);
  }
  expect(resolved.emitters.length).toBeLessThan(MOST_EMITTERS);
  expect(whole(resolved.emitters)).toBe(true);
  expect(whole(resolved.pieces)).toBe(true);
  expect(whole(resolved.facts)).toBe(true);
  expect(whole(views)).toBe(true);
  expect(resolved.massKg).toBeGreaterThanOrEqual(0);
  for (const { luminousFluxLm } of resolved.emitters)
    expect(luminousFluxLm).toBeGreaterThanOrEqual(0);
  for (const { quantity } of resolved.needs) expect(quantity).toBeGreaterThan(0);
  for (const { message, title } of resolved.findings)
    expect(`${title} ${message}`).not.toMatch(/NaN|undefined/);
}

describe.each([...FORMS.values()])('$id: any parameters its fields allow', (form) => {
  test('resolve and draw without a number that is none, never endless', () => {
    fc.assert(
      fc.property(anyOf(form.fields), (parameters) => expectSound(form, parameters, context)),
      { seed: 14, numRuns: 120 },
    );
  });
  test('what cannot be made is a stop in its findings too', () => {
    fc.assert(
      fc.property(anyOf(form.fields), (parameters) => {
        const problems = form.problems(parameters, context);
        const { findings } = form.resolve(parameters, context);
        const stops = findings.filter(({ severity }) => severity === 'stop');
        if (problems.length) expect(stops.length).toBeGreaterThanOrEqual(1);
      }),
      { seed: 15, numRuns: 60 },
    );
  });
  test('limits speak of measured fields, in numbers', () => {
    fc.assert(
      fc.property(anyOf(form.fields), (parameters) => {
        const limits = form.limits(parameters, context);
        for (const [parameter, limit] of Object.entries(limits)) {
          const field = form.fields.find((each) => each.parameter === parameter)!;
          expect([parameter, field.kind]).toEqual([parameter, 'quantity']);
          expect(Object.values(limit).filter(Number.isNaN)).toEqual([]);
        }
      }),
      { seed: 16, numRuns: 40 },
    );
  });
  test('a filled count lies within its field', () => {
    if (!form.fill)
      return expect(form.fields.some(({ parameter }) => parameter === 'fillMode')).toBe(false);
    const field = form.fields.find(({ parameter }) => parameter === form.fill!.parameter)!;
    expect(field.kind).toBe('quantity');
    fc.assert(
      fc.property(anyOf(form.fields), (parameters) => {
        const most = form.fill!.most(parameters, context);
        const step = form.fill!.step(parameters, context);
        expect(step).toBeGreaterThan(0);
        expect(most).toBeGreaterThanOrEqual(0);
        expect(form.fill!.onHand(parameters, context)).toBeGreaterThanOrEqual(0);
      }),
      { seed: 17, numRuns: 40 },
    );
  });
});

describe.each([...ACCESSORIES.values()])(
  '$id: any parameters its fields allow',
  (accessory: AccessoryDefinition) => {
    const bases = ['bulb-ring', 'foam-box', 'overhead-frame', 'tube-light'].map((id) => {
      const form = FORMS.get(id)!;
      return form.resolve(form.defaults(), context);
    });
    test('attach to any build without a number that is none', () => {
      fc.assert(
        fc.property(anyOf(accessory.fields), fc.constantFrom(...bases), (parameters, base) => {
          const attached = accessory.attach(parameters, base, context);
          expect(whole(attached)).toBe(true);
          expect(attached.massKg).toBeGreaterThanOrEqual(0);
          for (const { quantity } of attached.needs) expect(quantity).toBeGreaterThan(0);
          for (const { message } of attached.findings) expect(message).not.toMatch(/NaN|undefined/);
        }),
        { seed: 18, numRuns: 120 },
      );
    });
  },
);
