import type { IncomingMessage } from 'node:http';
import { oddity } from './refusal';

const of = (method: string, url: string) => oddity({ method, url } as IncomingMessage)?.status;

test.each([
  ['GET', '/', undefined],
  ['PATCH', '/api/productions/night-ferry', undefined],
  ['GET', '/p/%C3%A9t%C3%A9?x=%ff', undefined],
  ['TRACE', '/', 405],
  ['CONNECT', 'elsewhere:443', 405],
  ['PROPFIND', '/', 405],
  ['GET', '/%ff', 400],
  ['GET', '/p/%', 400],
  ['GET', '/p/a%00b', 400],
  ['GET', '/..%5c..%5cetc', 400],
  ['GET', 'http://elsewhere.example/', 400],
  ['GET', `/${'x'.repeat(5000)}`, 414],
])('%s %s', (method, url, status) => {
  expect(of(method, url)).toBe(status);
});
