import { DEMO_PHOTOGRAPHS, type DemoPhotograph } from '../src/demo/photographs';
import { onPage, withDemo } from './demoServer';

/** Draws the photographs of the demo's logs: the light as it stood at the step; what it does to a face where it is metered. */
const draw = ({ file, buildId, stepId }: DemoPhotograph) => {
  const path = `src/demo/photographs/${file}`;
  const face = stepId === 'meter';
  const route = `/p/night-ferry/${face ? 'glow' : 'make'}?build=${buildId}`;
  return onPage({ route }, async (page) => {
    if (face) {
      await page.getByRole('tab', { name: 'On a face' }).click();
      await page.locator('[data-refined=true]').waitFor({ timeout: 60_000 });
      const head = page.locator('canvas[data-picture=clean]');
      await head.waitFor({ timeout: 60_000 });
      await head.screenshot({ path });
      return;
    }
    // A photograph shows nothing that is still to come.
    await page.evaluate(
      `document.documentElement.style.setProperty('--ink-soft', getComputedStyle(document.documentElement).getPropertyValue('--sheet'))`,
    );
    await page.getByRole('tab', { name: 'How it goes together' }).click();
    const canvas = page.locator('canvas[data-drawn]');
    await canvas.waitFor();
    const shown = page.locator('[data-assembly-step]');
    const title = (await page.evaluate(
      `fetch('/api/productions/night-ferry').then((a) => a.json()).then(({ document }) => document.makings.find((each) => each.buildId === '${buildId}').ticks['${stepId}'].title)`,
    )) as string;
    for (let back = 0; back < 40; back++) {
      if ((await page.getByRole('heading', { name: title, exact: true }).count()) > 0) break;
      const before = await shown.getAttribute('data-assembly-step');
      await page.getByRole('button', { name: 'The step before' }).click();
      await page.locator(`[data-assembly-step]:not([data-assembly-step="${before}"])`).waitFor();
    }
    await page.waitForTimeout(1500);
    await canvas.screenshot({ path });
  });
};

void withDemo(async () => {
  for (const photograph of DEMO_PHOTOGRAPHS) await draw(photograph);
});
