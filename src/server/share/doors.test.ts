import { askedFor, mayAsk } from './doors';

test.each([
  ['GET', '/p/night-ferry/make', 'read'],
  ['HEAD', '/', 'read'],
  ['GET', '/api/productions/night-ferry/file', 'read'],
  ['POST', '/api/productions/night-ferry/since', 'read'],
  ['PATCH', '/api/productions/night-ferry', 'tick'],
  ['PUT', `/api/media/${'a'.repeat(64)}`, 'tick'],
  ['PUT', `/api/media/${'a'.repeat(64)}/small`, 'tick'],
  ['DELETE', '/api/productions/night-ferry', 'edit'],
  ['POST', '/api/productions', 'edit'],
  ['PUT', '/api/shelf', 'edit'],
  ['POST', '/api/evaluate', 'edit'],
  ['POST', '/p/night-ferry', 'edit'],
  ['GET', '/api/share', 'bench'],
  ['DELETE', '/api/share/abc', 'bench'],
  ['GET', '/api/backup', 'bench'],
  ['POST', '/api/bin', 'bench'],
])('%s %s asks to %s', (method, path, asked) => {
  expect(askedFor(method, path)).toBe(asked);
});

test('each right holds what stands before it, none what is the bench’s own', () => {
  expect(mayAsk('read', 'read')).toBe(true);
  expect(mayAsk('read', 'tick')).toBe(false);
  expect(mayAsk('tick', 'tick')).toBe(true);
  expect(mayAsk('tick', 'edit')).toBe(false);
  expect(mayAsk('edit', 'edit')).toBe(true);
  for (const right of ['read', 'tick', 'edit'] as const) expect(mayAsk(right, 'bench')).toBe(false);
});
