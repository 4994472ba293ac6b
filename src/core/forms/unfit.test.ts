import { sample } from '../testing/sample';
import { evaluateKnown as evaluate } from '../evaluate/testing';
import { shelfOf } from '../evaluate/context';
import { FORMS } from './index';
import { unfitParts } from './unfit';
import { ACCESSORIES } from '../accessories';

const document = sample();
const finders = shelfOf(document);

describe.each([...FORMS.values(), ...ACCESSORIES.values()])('$id', ({ fields }) => {
  const choices = fields.flatMap((field) => (field.kind === 'part' ? [field] : []));
  test('what fits raises nothing, what does not is told at its field', () => {
    for (const field of choices)
      for (const part of document.shelf.parts.filter(({ role }) => role === field.role)) {
        const found = unfitParts([field], { [field.parameter]: part.id }, finders);
        // MDF is no metal, mirror lets no light through, a square batten is no pipe (common practice).
        if (!field.takes) expect(found).toEqual([]);
        else if (field.takes === 'metal')
          expect(found).toHaveLength(part.role === 'sheet' && part.burns === 'no' ? 0 : 1);
        else if (field.takes === 'vessel')
          expect(found).toHaveLength(part.role === 'hardware' && part.kind === 'other' ? 0 : 1);
        for (const { where, severity } of found)
          expect([where.field, severity]).toEqual([field.parameter, 'look']);
      }
    expect(unfitParts(fields, {}, finders)).toEqual([]);
  });
});

const findingsOf = (buildId: string, change: (parameters: Record<string, unknown>) => void) => {
  const draft = structuredClone(document);
  change(draft.builds.find(({ id }) => id === buildId)!.parameters as Record<string, unknown>);
  const found = evaluate(draft, buildId);
  if (!found.ok) throw new Error('a build');
  return found.value.findings.filter(({ id }) => id.startsWith('choice.unfit'));
};

test('leaves of a work light cut from MDF are a look on the Build station', () => {
  const light = document.builds.find(({ form }) => form === 'work-light')!;
  expect(findingsOf(light.id, () => undefined)).toEqual([]);
  const [finding] = findingsOf(light.id, (parameters) => void (parameters.boardPartId = 'mdf-6'));
  expect(finding).toMatchObject({ topic: 'choice', severity: 'look' });
  expect(finding!.message).toContain('sheet metal');
});

test('no build of the sample holds what its places do not take', () => {
  for (const { id } of document.builds) expect(findingsOf(id, () => undefined)).toEqual([]);
});
