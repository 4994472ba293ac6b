import { test as base, expect, type Locator, type Page } from '@playwright/test';
import { nightFerry } from '../src/demo/nightFerry';

export const STATIONS = [
  'shot',
  'shelf',
  'build',
  'glow',
  'wire',
  'cut',
  'make',
  'meter',
  'verdict',
  'set',
  // No station of its own: the question belongs to the shot.
  'ask',
] as const;

interface Given {
  /** id of a fresh copy of Night Ferry that no other test touches */
  ferry: string;
}

/** This machine, and the name the shared bench wears in its walk. */
const OWN_HOST = /^(127\.\d+\.\d+\.\d+|localhost|jar\.test)$/;

export const test = base.extend<Given>({
  // Nothing a page asks for may lie anywhere but here.
  page: async ({ page }, give) => {
    const foreign: string[] = [];
    page.on('request', (asked) => {
      const { protocol, hostname } = new URL(asked.url());
      if (/^(https?|wss?):$/.test(protocol) && !OWN_HOST.test(hostname)) foreign.push(asked.url());
    });
    await give(page);
    expect(foreign).toEqual([]);
  },
  ferry: async ({ request }, give) => {
    const answer = await request.post('/api/productions', { data: { document: nightFerry() } });
    await give(((await answer.json()) as { id: string }).id);
  },
});
export { expect, type Page };

/** A rung of the ladder, and the large figure on it. */
export const rung = (page: Page, id: string): Locator => page.locator(`[data-rung=${id}]`);
export const figure = (page: Page, id: string): Locator => rung(page, id).locator('[data-figure]');

/** Waits until the server has everything. */
export const kept = (page: Page) => expect(page.locator('[data-save=saved]')).toBeVisible();

/** The server's page stands at once; until its code is there it takes no typing. */
const listening = (page: Page) =>
  page.locator('body[data-keys=heard][data-station=listening]:not([data-awaits])').waitFor();

/** Opens a page and waits until it listens. */
export async function visit(page: Page, url: string) {
  await page.goto(url);
  await listening(page);
}

/** Opens the list of productions and waits until it listens. */
export async function visitList(page: Page) {
  await page.goto('/');
  await page.locator('body[data-station=listening]').waitFor();
}

export async function reload(page: Page) {
  await page.reload();
  await listening(page);
}

/** The command box: a few letters and Enter. */
export async function command(page: Page, words: string) {
  await page.keyboard.press('Control+k');
  await expect(page.getByPlaceholder('Type a few letters')).toBeFocused();
  await page.keyboard.type(words);
  await page.keyboard.press('Enter');
}

/** Types into a field and takes it with Enter. */
export async function put(page: Page, label: string, text: string) {
  const field = page.getByRole('textbox', { name: label, exact: true });
  await field.fill(text);
  await field.press('Enter');
}

export const stored = async (page: Page, id: string, origin = '') =>
  (await (await page.request.get(`${origin}/api/productions/${id}`)).json()) as {
    revision: number;
    document: ReturnType<typeof nightFerry>;
  };
