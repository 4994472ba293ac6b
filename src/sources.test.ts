import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

const table = readFileSync('docs/sources.md', 'utf8');
const rows = table
  .split('\n')
  .filter((line) => line.startsWith('|') && !/^\|[ -]*\|[ -]*\|/.test(line))
  .slice(1)
  .map((line) => line.split('|').map((cell) => cell.trim()));

/** Places a row names: `core/power/heat.ts`, and more after a comma, of the same folder unless they say another. */
const placesOf = (cell: string): string[] =>
  [...cell.matchAll(/`([^`]+)`/g)].flatMap(([, quoted]) =>
    quoted!.split(',').map((each) => each.trim()),
  );

const sourceFiles = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    return entry.isDirectory() ? sourceFiles(path) : /\.(tsx?|mjs|cpp)$/.test(path) ? [path] : [];
  });

test('every row of docs/sources.md names a constant, a value, a place and a source', () => {
  expect(rows.length).toBeGreaterThan(90);
  for (const [, constant, value, place, source] of rows)
    for (const cell of [constant, value, place, source])
      expect(`${constant}: ${cell ? 'said' : 'missing'}`).toBe(`${constant}: said`);
});

test.each(rows.map(([, constant, , place]) => [constant!, place!]))(
  'docs/sources.md, “%s”: the code is where it says',
  (_constant, place) => {
    const places = placesOf(place);
    expect(places.length).toBeGreaterThan(0);
    for (const each of places)
      expect(`${each}: ${existsSync(join('src', each)) || existsSync(each)}`).toBe(`${each}: true`);
  },
);

test('what code and documents cite of docs/ is there', () => {
  const citing = ['src', 'scripts', 'e2e'].flatMap(sourceFiles);
  const cited = citing.flatMap((file) =>
    [...readFileSync(file, 'utf8').matchAll(/docs\/[\w./-]+\.md/g)].map(
      ([path]) => [file, path] as const,
    ),
  );
  expect(cited.length).toBeGreaterThan(60);
  for (const [file, path] of cited)
    expect(`${file} → ${path}: ${existsSync(path)}`).toBe(`${file} → ${path}: true`);
});

test('links between documents lead somewhere', () => {
  const documents = readdirSync('docs', { recursive: true })
    .map((name) => join('docs', String(name)))
    .filter((path) => path.endsWith('.md') && statSync(path).isFile());
  for (const file of [...documents, 'README.md'])
    for (const [, target] of readFileSync(file, 'utf8').matchAll(/\]\((?!https?:|#)([^)#]+)/g)) {
      const path = join(file, '..', target!);
      expect(`${file} → ${target}: ${existsSync(path)}`).toBe(`${file} → ${target}: true`);
    }
});

test('files that architecture.md speaks of are there', () => {
  const text = readFileSync('docs/architecture.md', 'utf8');
  const named = [...text.matchAll(/`([\w-]+(?:\/[\w.-]+)+\.(?:tsx?|mjs|json|sql))`/g)].map(
    ([, path]) => path!,
  );
  expect(named.length).toBeGreaterThan(20);
  const roots = ['', 'src', 'src/core', 'src/stations'];
  const gone = named.filter((path) => !roots.some((root) => existsSync(join(root, path))));
  expect(gone).toEqual([]);
});
