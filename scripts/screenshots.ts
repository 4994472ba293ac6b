import type { Page } from '@playwright/test';
import { onPage, withDemo } from './demoServer';

interface Picture {
  name: string;
  route: string;
  theme?: 'bench' | 'set';
  width?: number;
  before?: (page: Page) => Promise<void>;
}

const press = (name: RegExp) => (page: Page) => page.getByRole('button', { name }).first().click();
const turnTo = (name: RegExp) => (page: Page) => page.getByRole('tab', { name }).click();

/** Waits for the thorough cutting plan. */
const planned = (page: Page) => page.locator('[data-plan=thorough]').waitFor();

/** Waits until both heads are free of noise. */
const drawnClean = async (page: Page) => {
  await page.locator('[data-refined=true]').waitFor({ timeout: 60_000 });
  await page
    .locator('[data-picture=clean][data-fixture-picture=clean]')
    .waitFor({ timeout: 60_000 });
};

/** One current picture of each main view, from the demo data. */
const PICTURES: Picture[] = [
  {
    name: 'productions',
    route: '/',
    before: (page) => page.locator('[data-cover=drawn]').first().waitFor(),
  },
  { name: 'shot', route: '/p/night-ferry/shot?build=clerk-ring' },
  { name: 'shelf', route: '/p/night-ferry/shelf?build=clerk-ring' },
  {
    name: 'gallery',
    route: '/p/night-ferry/build?build=clerk-ring',
    before: async (page) => {
      await press(/^New light/)(page);
      await page.getByRole('button', { name: 'Start a foam box' }).waitFor();
    },
  },
  { name: 'build', route: '/p/night-ferry/build?build=clerk-ring' },
  {
    name: 'ask',
    route: '/p/night-ferry/ask?shot=clerk',
    before: async (page) => {
      await page.locator('[data-ask=done]').waitFor({ timeout: 60_000 });
      await page.locator('[data-answer="3"] [data-face=drawn]').waitFor({ timeout: 60_000 });
    },
  },
  {
    name: 'colour',
    route: '/p/night-ferry/shelf?build=lens-ring',
    before: async (page) => {
      await turnTo(/^Colour$/)(page);
      await page.locator('[data-patch]').first().waitFor();
    },
  },
  { name: 'wire', route: '/p/night-ferry/wire?build=warm-ring' },
  { name: 'wires', route: '/p/night-ferry/wire?build=deck-sky', before: turnTo(/^Wires$/) },
  { name: 'make', route: '/p/night-ferry/make?build=lens-ring' },
  { name: 'meter', route: '/p/night-ferry/meter' },
  {
    name: 'set',
    route: '/p/night-ferry/set?setup=clerk-glass',
    before: (page) => page.locator('[data-picture=clean]').waitFor({ timeout: 60_000 }),
  },
  {
    name: 'together',
    route: '/p/night-ferry/make?build=clerk-pan',
    before: async (page) => {
      await turnTo(/^How it goes together/)(page);
      await page.locator('canvas[data-drawn]').waitFor();
      await page.getByRole('slider', { name: /^Taken apart/ }).fill('0.6');
    },
  },
  {
    name: 'glow',
    route: '/p/night-ferry/glow?build=clerk-pan',
    before: async (page) => {
      await drawnClean(page);
      await page.locator('[data-variant]').first().waitFor();
    },
  },
  {
    name: 'mouth',
    route: '/p/night-ferry/glow?build=clerk-pan',
    theme: 'set',
    before: async (page) => {
      await turnTo(/^Its mouth/)(page);
      await page.locator('[data-refined=true]').waitFor();
    },
  },
  {
    name: 'backdrop',
    route: '/p/night-ferry/glow?build=sky-bank',
    before: async (page) => {
      await turnTo(/^Over the backdrop/)(page);
      await page.locator('[data-map]').waitFor();
    },
  },
  { name: 'cut', route: '/p/night-ferry/cut?build=sky-bank', before: planned },
  { name: 'verdict', route: '/p/night-ferry/verdict?build=clerk-ring' },
  { name: 'phone', route: '/p/night-ferry/build?build=clerk-ring', width: 390 },
];

const take = ({ name, before, ...at }: Picture) =>
  onPage(at, async (page) => {
    await before?.(page);
    await page.waitForTimeout(500);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
  });

void withDemo(async () => {
  const only = process.argv.slice(2);
  for (const picture of PICTURES)
    if (only.length === 0 || only.includes(picture.name)) await take(picture);
});
