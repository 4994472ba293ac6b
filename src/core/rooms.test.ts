import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import rooms from './rooms.json';

/** Engines stand side by side: none reads another. */
const ENGINES = [
  'formats',
  'reading',
  'flicker',
  'power',
  'statics',
  'shop',
  'picture',
  'set',
  'verdict',
];
/** What plugs in is known to its registry and to nothing below it. */
const PLUGGED = ['forms', 'accessories'];

const CORE = 'src/core';
const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return entry.name === 'testing' ? [] : sources(path);
    return /^(?!.*\.test)(?!testing).*\.tsx?$/.test(entry.name) ? [path] : [];
  });
const files = sources(CORE);
const everything = sources('src');

/** The file an import leads to; types count as much as values. */
function target(from: string, spec: string): string {
  const stem = spec.startsWith('@/') ? join('src', spec.slice(2)) : join(dirname(from), spec);
  return [`${stem}.ts`, `${stem}.tsx`, join(stem, 'index.ts')].find(existsSync) ?? stem;
}
const importsOf = new Map(
  everything.map((file) => [
    file,
    [...readFileSync(file, 'utf8').matchAll(/from '((?:\.|@\/)[^']*)'/g)].map(([, spec]) =>
      target(file, spec!),
    ),
  ]),
);
/** The folder right under the core; the few files beside the folders are the ground floor. */
const roomOf = (file: string): string => {
  const [room, ...more] = relative(CORE, file).split('/');
  return more.length ? room! : 'ground';
};
const height = (room: string): number => rooms.indexOf(room);

test('every folder of the core is a room with a place', () => {
  const found = new Set(files.map(roomOf));
  found.delete('ground');
  expect([...found].toSorted()).toEqual(rooms.toSorted());
});

test('nothing is imported up through the rooms, types included', () => {
  const upward = files.flatMap((file) =>
    importsOf
      .get(file)!
      .filter((to) => height(roomOf(to)) > height(roomOf(file)))
      .map((to) => `${file} → ${to}`),
  );
  expect(upward).toEqual([]);
});

test('engines know no form, forms no engine, engines not each other', () => {
  const forbidden = files.flatMap((file) =>
    importsOf
      .get(file)!
      .filter((to) => {
        const [from, into] = [roomOf(file), roomOf(to)];
        if (from === into) return false;
        return ENGINES.includes(from) && (ENGINES.includes(into) || PLUGGED.includes(into));
      })
      .map((to) => `${file} → ${to}`),
  );
  expect(forbidden).toEqual([]);
});

test('no circle of imports anywhere, types included', () => {
  const done = new Set<string>();
  const circles: string[] = [];
  const walk = (file: string, way: readonly string[]): void => {
    const at = way.indexOf(file);
    if (at >= 0) return void circles.push([...way.slice(at), file].join(' → '));
    if (done.has(file)) return;
    done.add(file);
    for (const next of importsOf.get(file) ?? []) walk(next, [...way, file]);
  };
  for (const file of everything) walk(file, []);
  expect(circles).toEqual([]);
});

test('the test sees what it should: a known import, and many of them', () => {
  expect(importsOf.get(join(CORE, 'build/resolvedBuild.ts'))).toContain(
    join(CORE, 'findings/finding.ts'),
  );
  expect([...importsOf.values()].flat().length).toBeGreaterThan(900);
});
