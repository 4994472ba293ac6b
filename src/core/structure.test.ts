import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sample } from './testing/sample';
import { ACCESSORIES } from './accessories';
import { sceneOf } from './evaluate/context';
import { starterParameters } from './evaluate/starter';
import { FORMS, readParameters } from './forms';
import { finished } from './making/finishing';

/** Packages the core may use; everything else would tie it to a place it runs in. */
const ALLOWED = new Set([
  'ml-matrix',
  'zod/mini',
  'zod/v4/locales/en.js',
  'immer',
  'colorjs.io/fn',
  'earcut',
  'fft.js',
]);

const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return sources(path);
    const forTests = /(\.test|[/]testing)(\.ts$|[/])/.test(path);
    return path.endsWith('.ts') && !forTests ? [path] : [];
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
  const document = sample();
  const { context } = sceneOf(document, document.builds[0]!);
  const defaults = form.defaults();
  const parameters = starterParameters(form, document, 'clerk');

  test('its defaults are valid and makeable, and so is what it starts with', () => {
    for (const each of [defaults, parameters]) {
      expect(readParameters(form, each).ok).toBe(true);
      expect(form.problems(each, context)).toEqual([]);
    }
  });
  test('it has drawing, steps and facts; what it cuts it says', () => {
    const resolved = form.resolve(parameters, context);
    const { views, board } = form.draw(parameters, context);
    expect(views.map(({ id }) => id)).toEqual(expect.arrayContaining(['front', 'section']));
    expect(board.outline.length).toBeGreaterThan(0);
    // Tape has rows, everything else lamps; what it draws and what it wires are the same things.
    expect(board.rows.length > 0).toBe(resolved.tape !== null && resolved.tape.rowsM.length > 0);
    if (resolved.tape) expect(board.rows).toHaveLength(resolved.tape.rowsM.length);
    else expect(board.lamps.length).toBe(Math.max(1, resolved.wiring.loads.length));
    expect(finished(resolved, context).length).toBeGreaterThan(3);
    expect(resolved.facts.length).toBeGreaterThan(3);
    for (const piece of resolved.pieces) expect(piece.count).toBeGreaterThan(0);
  });
  test('it resolves and draws with nothing chosen, without a number that is none', () => {
    const resolved = form.resolve(defaults, context);
    expect(JSON.stringify({ ...resolved, array: null })).not.toMatch(/null,null|NaN/);
    expect(JSON.stringify(form.draw(defaults, context))).not.toContain('null');
    expect(resolved.findings.some(({ severity }) => severity === 'unknown')).toBe(true);
  });
  test('every field names a parameter, every handle a measured field', () => {
    const names = Object.keys(defaults as object);
    for (const { parameter } of form.fields) expect(names).toContain(parameter);
    expect(form.fields.map(({ parameter }) => parameter).toSorted()).toEqual(names.toSorted());
    const measured = form.fields
      .filter(({ kind }) => kind === 'quantity')
      .map(({ parameter }) => parameter);
    const handles = form.draw(defaults, context).views.flatMap((view) => view.handles);
    expect(handles.length).toBeGreaterThan(0);
    for (const { parameter } of handles) expect(measured).toContain(parameter);
  });
  test('facts and findings have ids of their own', () => {
    const { facts, findings } = form.resolve(parameters, context);
    for (const list of [facts, findings]) {
      const ids = list.map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
    }
  });
  test('steps end as they must: looked over, powered up behind the gate, checked warm, metered', () => {
    const resolved = form.resolve(parameters, context);
    const steps = finished(resolved, context);
    // What comes with its own cord is wired by nobody: it is looked at, placed and metered.
    if (!resolved.wiring.cord.field) return expect(steps.at(-1)!.stage).toBe('meter');
    const at = (id: string) => steps.findIndex((step) => step.id === id);
    const order = [
      'wire-mains',
      'close-back',
      'fit-plug',
      'look-over',
      'power-up',
      'warm-checks',
      'meter',
    ].map(at);
    expect(order).not.toContain(-1);
    expect(order).toEqual(order.toSorted((a, b) => a - b));
  });
});

describe.each([...ACCESSORIES.values()])('accessory $id', (accessory) => {
  const document = sample();
  const clerk = document.builds[0]!;
  const { context } = sceneOf(document, clerk);
  const base = FORMS.get('bulb-ring')!.resolve(clerk.parameters, context);

  test('its defaults are valid, it draws, it says what to do', () => {
    const parameters = accessory.defaults();
    expect(readParameters(accessory, parameters).ok).toBe(true);
    const attached = accessory.attach(parameters, base, context);
    expect(attached.view.shapes.length).toBeGreaterThan(0);
    expect(attached.steps.length).toBeGreaterThan(0);
    expect(attached.facts.length).toBeGreaterThan(0);
    expect(JSON.stringify(attached)).not.toContain('NaN');
  });
  test('every field and handle names a parameter of its own', () => {
    const names = Object.keys(accessory.defaults() as object);
    expect(accessory.fields.map(({ parameter }) => parameter).toSorted()).toEqual(names.toSorted());
    const { handles } = accessory.attach(accessory.defaults(), base, context).view;
    for (const { parameter } of handles) expect(names).toContain(parameter);
  });
});
