import { nestedTooDeep } from '@/core/jsonDepth';
import { isOwnHost } from './hosts';

test.each([
  ['127.0.0.1:4680', true],
  ['localhost:4680', true],
  ['LOCALHOST', true],
  ['[::1]:4680', true],
  ['jar.attacker.example:4680', false],
  ['127.0.0.1.attacker.example', false],
  ['localhost.attacker.example', false],
  ['0.0.0.0:4680', false],
  ['', false],
  [null, false],
  ['not a host', false],
])('%s', (host, own) => {
  expect(isOwnHost(host, '')).toBe(own);
});

test('names given on purpose are answered too', () => {
  expect(isOwnHost('jar.lan:4680', 'studio.lan, jar.lan')).toBe(true);
  expect(isOwnHost('other.lan', 'studio.lan, jar.lan')).toBe(false);
});

test('nesting is told from the text: brackets in words do not count', () => {
  expect(nestedTooDeep('['.repeat(5000))).toBe(true);
  expect(nestedTooDeep('{"a":'.repeat(64) + '1')).toBe(false);
  expect(nestedTooDeep('{"a":'.repeat(65) + '1')).toBe(true);
  expect(nestedTooDeep(JSON.stringify({ words: '['.repeat(5000), more: '"[[' }))).toBe(false);
  expect(nestedTooDeep('[1],'.repeat(5000))).toBe(false);
});
