import { rateLimit } from './rate';

test('so many pass in a stretch, the next is told how long to wait, then they pass again', () => {
  let now = 0;
  const { waitS } = rateLimit(3, 10_000, () => now);
  expect([waitS(), waitS(), waitS()]).toEqual([0, 0, 0]);
  now = 4000;
  expect(waitS()).toBe(6);
  now = 10_000;
  expect([waitS(), waitS(), waitS(), waitS()]).toEqual([0, 0, 0, 10]);
});
