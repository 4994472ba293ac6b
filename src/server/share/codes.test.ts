import { codesOf, CODE_LIVES_MS, MOST_TRIES, TRIES_WITHIN_MS } from './codes';

const bench = () => {
  let now = 1e12;
  return { codes: codesOf(() => now), later: (ms: number) => (now += ms) };
};

test('a code lets one device in, once, however it is typed', () => {
  const { codes } = bench();
  const { code } = codes.make('tick');
  expect(code).toMatch(/^[A-Z2-9]{4}-[A-Z2-9]{4}$/);
  expect(code).not.toMatch(/[01OIL]/);
  expect(codes.take(` ${code.toLowerCase().replace('-', ' ')} `, 'a')).toEqual({
    kind: 'let in',
    right: 'tick',
  });
  expect(codes.take(code, 'a')).toEqual({ kind: 'wrong' });
});

test('after ten minutes it is good for nothing, and so is one that was taken back', () => {
  const { codes, later } = bench();
  const old = codes.make('edit').code;
  later(CODE_LIVES_MS);
  expect(codes.take(old, 'a').kind).toBe('wrong');
  const dropped = codes.make('read').code;
  codes.drop();
  expect(codes.take(dropped, 'b').kind).toBe('wrong');
});

test('five wrong tries from an address, thirty from all, and it is to wait; the right code too', () => {
  const { codes, later } = bench();
  const { code } = codes.make('read');
  for (let n = 0; n < MOST_TRIES.address; n++) codes.take(`AAAA-AAA${n}`, 'a');
  expect(codes.take(code, 'a')).toEqual({ kind: 'wait', seconds: TRIES_WITHIN_MS / 1000 });
  // Another address is not held up by it, until all together have tried too often.
  for (let n = MOST_TRIES.address; n < MOST_TRIES.all; n++) codes.take('WRONG', `address ${n}`);
  expect(codes.take(code, 'b').kind).toBe('wait');
  later(TRIES_WITHIN_MS);
  expect(codes.take('WRONG', 'b').kind).toBe('wrong');
});

test('no two codes are alike', () => {
  const { codes } = bench();
  const all = Array.from({ length: 500 }, () => codes.make('read').code);
  expect(new Set(all).size).toBe(500);
});
