import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { nightFerry } from '@/demo/nightFerry';
import { sceneOf } from './evaluate/context';
import { FORMS, readParameters } from './forms';

/** Packages the core may use; everything else would tie it to a place it runs in. */
const ALLOWED = new Set(['zod/mini', 'zod/v4/locales/en.js', 'immer']);

const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return sources(path);
    return path.endsWith('.ts') && !path.endsWith('.test.ts') ? [path] : [];
  });

test('the core imports nothing outward, no clock, no chance, no page', () => {
  const files = sources('src/core');
  expect(files.length).toBeGreaterThan(40);
  for (const file of files) {
    const text = readFileSync(file, 'utf8');
    for (const [, from] of text.matchAll(/from '([^']+)'/g))
      expect(`${file}: ${from!.startsWith('.') || ALLOWED.has(from!) ? 'fine' : from}`).toBe(
        `${file}: fine`,
      );
    expect(`${file}: ${/Math\.random|Date\.now|new Date\(|process\./.exec(text)?.[0]}`).toBe(
      `${file}: undefined`,
    );
  }
});

describe.each([...FORMS.values()])('form $id', (form) => {
  const document = nightFerry();
  const { context } = sceneOf(document, document.builds[0]!);
  const parameters = form.defaults();

  test('its defaults are valid and makeable', () => {
    expect(readParameters(form, parameters).ok).toBe(true);
    expect(form.problems(parameters, context)).toEqual([]);
  });
  test('it has drawing, steps, pieces and facts', () => {
    const resolved = form.resolve(parameters, context);
    const { views } = form.draw(parameters, context);
    expect(views.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['front', 'section', 'wiring']),
    );
    expect(resolved.steps.length).toBeGreaterThan(5);
    expect(resolved.pieces.length).toBeGreaterThan(0);
    expect(resolved.facts.length).toBeGreaterThan(3);
  });
  test('every field names a parameter, every handle a measured field', () => {
    const names = Object.keys(parameters as object);
    for (const { parameter } of form.fields) expect(names).toContain(parameter);
    const measured = form.fields
      .filter(({ kind }) => kind === 'quantity')
      .map(({ parameter }) => parameter);
    const handles = form.draw(parameters, context).views.flatMap((view) => view.handles);
    expect(handles.length).toBeGreaterThan(0);
    for (const { parameter } of handles) expect(measured).toContain(parameter);
  });
});
