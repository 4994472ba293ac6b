import { readFileSync } from 'node:fs';
import { billOfMaterials, licenceList, readLock } from '../scripts/supply';

const lock = readLock(readFileSync('package-lock.json', 'utf8'));

/**
 * What may ship under MIT beside us: permissive licences, fonts under OFL, data under CC0 and CC-BY, and
 * libraries whose copyleft ends at their own files (MPL, LGPL; used as they come, from their own folder).
 */
const MAY_SHIP =
  /^\(?(MIT|MIT-0|ISC|0BSD|BSD-2-Clause|BSD-3-Clause|Apache-2\.0|BlueOak-1\.0\.0|OFL-1\.1|CC0-1\.0|CC-BY-4\.0|Python-2\.0|Unlicense|MPL-2\.0|LGPL-3\.0-or-later)( (AND|OR) .+)?\)?$/;

test('every package that ships states a licence we may ship it under', () => {
  const strange = lock.filter(({ dev, licence }) => !dev && !MAY_SHIP.test(licence));
  expect(strange.map(({ name, licence }) => `${name}: ${licence}`)).toEqual([]);
});

// `./jar` installs with --ignore-scripts, so none of them runs; each was looked at.
test('install scripts are answered for', () => {
  const answered: Record<string, string> = {
    '@parcel/watcher':
      'builds a watcher of its own where none is delivered; only a watching build wants it',
    '@swc/core': 'checks that the binary of this machine came along; the tests would say',
    esbuild: 'puts its binary in the place of its script to start quicker; works without',
    exifreader: 'makes a smaller copy of itself where package.json asks for one; ours does not',
  };
  const found = new Set(lock.filter((each) => each.hasInstallScript).map(({ name }) => name));
  expect([...found].sort()).toEqual(Object.keys(answered).sort());
  expect(readFileSync('jar', 'utf8')).toContain('npm ci --ignore-scripts');
});

test('everything was fetched with a checksum', () => {
  expect(
    lock.filter(({ integrity, bundled }) => !integrity && !bundled).map(({ name }) => name),
  ).toEqual([]);
});

test('the bill of materials and the list of licences are those of the lock file', () => {
  expect(readFileSync('docs/supply/bom.cdx.json', 'utf8')).toBe(billOfMaterials(lock));
  expect(readFileSync('docs/supply/licences.md', 'utf8')).toBe(licenceList(lock));
});
