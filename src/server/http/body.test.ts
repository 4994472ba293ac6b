import * as z from 'zod';
import { StorageProblem } from '../storage/problem';
import { answering } from './answer';
import { withBody } from './body';

const post = (body: BodyInit, headers: Record<string, string> = {}) =>
  new Request('http://here/api', {
    method: 'POST',
    body,
    headers: { host: 'here', 'content-type': 'application/json', ...headers },
  });
const schema = z.object({ name: z.string() });
const send = async (request: Request) => {
  const answer = await withBody(request, schema, async ({ name }) => Response.json({ name }));
  return { status: answer.status, json: await answer.json() };
};

test('a good body reaches the handler', async () => {
  expect(await send(post('{"name":"ring"}'))).toEqual({ status: 200, json: { name: 'ring' } });
});
test('a wrong field is named', async () => {
  const { status, json } = await send(post('{"name":7}'));
  expect(status).toBe(400);
  expect(json.problems[0]).toMatchObject({ path: 'name', code: 'invalid_type' });
});
test.each([
  ['not JSON', post('{'), 400],
  ['no JSON type', post('{"name":"x"}', { 'content-type': 'text/plain' }), 400],
  ['another site', post('{"name":"x"}', { origin: 'http://elsewhere' }), 403],
  ['a hidden origin', post('{"name":"x"}', { origin: 'null' }), 403],
  ['9 MB of rubbish', post('x'.repeat(9_000_000)), 413],
])('%s is refused', async (_name, request, status) => {
  expect((await send(request)).status).toBe(status);
});
test('a broken store is a 503 with its own words; an unknown fault keeps its details', async () => {
  const quiet = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const own = new Request('http://127.0.0.1/', { headers: { host: '127.0.0.1' } });
  const locked = await answering(own, async () => {
    throw new StorageProblem('locked', 'in use');
  });
  expect([locked.status, (await locked.json()).title]).toEqual([503, 'in use']);
  const unknown = await answering(own, async () => {
    throw new Error('secret path');
  });
  expect(unknown.status).toBe(503);
  expect(await unknown.text()).not.toContain('secret');
  quiet.mockRestore();
});
