import { sample } from '../testing/sample';
import { ACCESSORIES } from '../accessories';
import { sceneOf } from '../evaluate/context';
import { changeAccessory, changeParameters } from './change';
import { FORMS } from '../forms';

const document = sample();
const scene = (id: string) => {
  const build = document.builds.find((each) => each.id === id)!;
  return { build, form: FORMS.get(build.form)!, context: sceneOf(document, build).context };
};

/** One change for every form that makes it impossible, and one that is fine. */
const CASES: [
  build: string,
  wrong: Record<string, unknown>,
  code: string,
  right: Record<string, unknown>,
][] = [
  ['clerk-ring', { ringWidthM: 0.6 }, 'ring_too_wide', { ringWidthM: 0.2 }],
  ['lens-ring', { innerDiameterM: 0.395 }, 'no_room', { innerDiameterM: 0.32 }],
  ['sky-board', { boardWidthM: 0.041 }, 'too_narrow', { boardWidthM: 0.2 }],
  ['sky-bank', { pitchM: 0.02 }, 'tubes_overlap', { pitchM: 0.06 }],
  ['clerk-pan', { rowPitchM: 0.008 }, 'rows_overlap', { rowPitchM: 0.015 }],
  ['cabin-box', { holeDiameterM: 0.3 }, 'hole', { holeDiameterM: 0.12 }],
  ['stamp-panel', { edgeM: 0.15 }, 'edge', { edgeM: 0.02 }],
  ['corridor-line', { insideDiameterM: 0.009 }, 'narrow', { insideDiameterM: 0.05 }],
  ['cabin-bounce', { offsetM: 0.3 }, 'offset', { offsetM: 0.06 }],
  ['booth-stack', { boxM: 0.4 }, 'stack', { boxM: 1 }],
];

describe.each(CASES)('%s', (id, wrong, code, right) => {
  const { build, form, context } = scene(id);
  const change = (
    changes: Record<string, unknown>,
    from = build.parameters as Record<string, unknown>,
  ) => changeParameters(form, from, changes, context);
  test(`refuses what cannot be made: ${code}`, () => {
    const refused = change(wrong);
    expect(refused.ok).toBe(false);
    if (refused.ok) return;
    expect(refused.problems.map((problem) => problem.code)).toContain(code);
    for (const { message, path } of refused.problems) {
      expect(message.length).toBeGreaterThan(20);
      expect(form.fields.map(({ parameter }) => parameter)).toContain(path);
    }
  });
  test('takes what can', () => {
    expect(change(right)).toEqual({ ok: true, value: right });
  });
  test('a design that came in broken can still be mended, and changed elsewhere', () => {
    const broken = { ...build.parameters, ...wrong };
    expect(change(right, broken).ok).toBe(true);
    const [other] = form.fields.filter(
      ({ kind, parameter }) =>
        kind === 'choice' && parameter !== 'fillMode' && !(parameter in wrong),
    );
    if (other?.kind === 'choice')
      expect(change({ [other.parameter]: build.parameters[other.parameter] }, broken).ok).toBe(
        true,
      );
  });
  test('refuses wrong types and absurd numbers with the field’s name', () => {
    const [measured] = form.fields.filter(({ kind }) => kind === 'quantity');
    for (const value of ['wide', NaN, Infinity, -1e9, 1e9, null]) {
      const refused = change({ [measured!.parameter]: value });
      expect(refused.ok).toBe(false);
      if (!refused.ok) expect(refused.problems[0]!.path).toBe(measured!.parameter);
    }
  });
});

describe.each([...ACCESSORIES.values()])('accessory $id', (accessory) => {
  const values = accessory.defaults() as Record<string, unknown>;
  const measured = accessory.fields.find(({ kind }) => kind === 'quantity');
  test('takes its own ends, refuses past them and wrong types', () => {
    if (measured?.kind !== 'quantity') throw new Error('every accessory has a size');
    const { parameter, min, max } = measured;
    const change = (value: unknown) => changeAccessory(accessory, values, { [parameter]: value });
    expect([change(min).ok, change(max).ok]).toEqual([true, true]);
    for (const wrong of [max * 2 + 1, 'long', NaN, null]) {
      const refused = change(wrong);
      expect(refused.ok).toBe(false);
      if (!refused.ok) expect(refused.problems[0]!.path).toBe(parameter);
    }
  });
  test('names that are not its own change nothing of it', () => {
    const taken = changeAccessory(accessory, values, { somethingElse: 1 });
    expect(taken).toEqual({ ok: true, value: { somethingElse: 1 } });
  });
});
