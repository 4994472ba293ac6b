/** Lets so many through in a stretch of time and then asks to wait; one for the whole server. */
interface RateLimit {
  /** seconds to wait, 0 when it may pass */
  waitS: () => number;
}

/** @param now  milliseconds, handed in so that tests need not wait */
export function rateLimit(most: number, withinMs: number, now: () => number = Date.now): RateLimit {
  let passed: number[] = [];
  return {
    waitS: () => {
      const at = now();
      passed = passed.filter((time) => at - time < withinMs);
      if (passed.length >= most) return Math.ceil((withinMs - (at - passed[0]!)) / 1000);
      passed.push(at);
      return 0;
    },
  };
}
