import fc from 'fast-check';
import { sample } from '../testing/sample';
import { findBuild, sceneOf } from '../evaluate/context';
import { FORMS } from './index';
import type { Production } from '../document/production';
import type { Field, FormDefinition } from './form';
import type { ClothPiece, SheetPiece, StickPiece } from '../build/pieces';

/** A demo build with some parameters changed, resolved, with what tests ask of it. For tests only. */
export function demoBuild(buildId: string, over: Record<string, unknown> = {}) {
  const document = sample();
  const build = findBuild(document, buildId)!;
  const { context } = sceneOf(document, build);
  const form = FORMS.get(build.form) as FormDefinition<Record<string, unknown>>;
  const parameters = { ...build.parameters, ...over };
  const resolved = form.resolve(parameters, context);
  return {
    document,
    form,
    parameters,
    context,
    resolved,
    drawing: form.draw(parameters, context),
    fact: (id: string) => resolved.facts.find((each) => each.id === id)?.value,
    ids: resolved.findings.map(({ id }) => id),
    severity: (id: string) => resolved.findings.find((each) => each.id === id)?.severity,
    problems: form.problems(parameters, context).map(({ path, code }) => `${path} ${code}`),
    limits: form.limits(parameters, context),
    sheets: resolved.pieces.filter((piece): piece is SheetPiece => piece.kind === 'sheet'),
    sticks: resolved.pieces.filter((piece): piece is StickPiece => piece.kind === 'stick'),
    cloths: resolved.pieces.filter((piece): piece is ClothPiece => piece.kind === 'cloth'),
    /** of all sizes together */
    need: (id: string) => {
      const all = resolved.needs.filter(({ item }) => item.id === id);
      return all.length ? all.reduce((sum, { quantity }) => sum + quantity, 0) : undefined;
    },
    schemaTakes: (change: Record<string, unknown>) =>
      form.parameters.safeParse({ ...parameters, ...change }).success,
  };
}

export const INCH = 0.0254;

/** Any value a field takes: ends of its range as often as what lies between. */
function valueOf(field: Field, shelf: Production['shelf']): fc.Arbitrary<unknown> {
  switch (field.kind) {
    case 'quantity': {
      const ends = fc.constantFrom(field.min, field.max);
      const between =
        field.dimension === 'count'
          ? fc.integer({ min: Math.ceil(field.min), max: Math.floor(field.max) })
          : fc.double({ min: field.min, max: field.max, noNaN: true });
      return fc.oneof({ weight: 1, arbitrary: ends }, { weight: 4, arbitrary: between });
    }
    case 'choice':
      return fc.constantFrom(...field.options.map(({ value }) => value));
    case 'part':
      return fc.constantFrom(
        null,
        ...shelf.parts.filter(({ role }) => role === field.role).map(({ id }) => id),
      );
    case 'unit':
      return fc.constantFrom(
        null,
        ...shelf.units.filter(({ category }) => category === field.category).map(({ id }) => id),
      );
    case 'groups':
      return fc.array(
        fc.record({
          bulbId: fc.constantFrom(
            null,
            ...shelf.units
              .filter(({ category }) => category === field.category)
              .map(({ id }) => id),
          ),
          level: fc.double({ min: 0, max: 1, noNaN: true }),
        }),
        { minLength: 1, maxLength: 4 },
      );
  }
}

/** Any parameters that a form's or an accessory's fields allow. */
export const anyOf = (fields: readonly Field[], shelf: Production['shelf']) =>
  fc.record(Object.fromEntries(fields.map((field) => [field.parameter, valueOf(field, shelf)])));

/** As a field keeps them: nobody builds finer than a micrometre. */
const kept = (value: unknown): unknown =>
  typeof value === 'number' ? Math.round(value * 1e6) / 1e6 : value;

/** Parameters as a build begins with them, about half of them changed to any that a field allows. */
export const nearDefaults = (
  { fields, defaults }: { fields: readonly Field[]; defaults: () => unknown },
  shelf: Production['shelf'],
): fc.Arbitrary<Record<string, unknown>> => {
  const own = defaults() as Record<string, unknown>;
  return fc
    .tuple(anyOf(fields, shelf), fc.infiniteStream(fc.boolean()))
    .map(([any, stays]) =>
      Object.fromEntries(
        Object.entries({ ...own, ...any }).map(([name, value]) => [
          name,
          stays.next().value ? own[name] : kept(value),
        ]),
      ),
    );
};
