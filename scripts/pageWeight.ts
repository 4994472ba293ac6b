import type { Page } from '@playwright/test';

interface PageWeight {
  route: string;
  scripts: number;
  /** bytes that came over the wire, compressed by the server */
  wireBytes: number;
}

/** Script bytes a browser with an empty cache takes in until the page's load event. */
export async function pageWeight(page: Page, route: string): Promise<PageWeight> {
  await page.goto(route, { waitUntil: 'load' });
  const sizes = await page.evaluate(() => {
    const loaded = performance.getEntriesByType('navigation')[0] as PerformanceNavigationTiming;
    return performance
      .getEntriesByType('resource')
      .filter((entry) => entry.startTime <= loaded.loadEventStart)
      .map((entry) => entry as PerformanceResourceTiming)
      .filter(({ initiatorType, name }) => initiatorType === 'script' || name.endsWith('.js'))
      .map(({ encodedBodySize }) => encodedBodySize);
  });
  return { route, scripts: sizes.length, wireBytes: sizes.reduce((sum, size) => sum + size, 0) };
}
