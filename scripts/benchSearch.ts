import type { Browser, BrowserContextOptions } from '@playwright/test';
import { questionOf } from '@/core/evaluate/search/question';
import { refined } from '@/core/evaluate/search/refine';
import { search } from '@/core/evaluate/search/run';
import { doTask, tasksOf } from '@/core/evaluate/search/tasks';
import { nightFerry } from '@/demo/nightFerry';
import type { Note } from './benchLight';

const demo = nightFerry();

/** The search on one thread: what a single worker gets through. */
export async function benchSearch(note: Note) {
  const question = questionOf(demo, 'clerk')!;
  // The second time is what a warm worker does.
  for (const task of tasksOf(question).slice(0, 20)) doTask(task, question);
  const start = performance.now();
  let judgedBy = 0;
  const found = await search(
    question,
    [
      {
        judge: (task) => Promise.resolve(doTask(task, question)),
        refine: (light) => {
          judgedBy ||= performance.now();
          return Promise.resolve(refined(light, question));
        },
      },
    ],
    () => {},
    new AbortController().signal,
  );
  const seconds = ((judgedBy || performance.now()) - start) / 1000;
  note('search: designs judged', found!.judged, 'designs', 20_000, 'at least');
  note(
    'search: designs judged by one worker',
    found!.judged / seconds,
    'a second',
    2000,
    'at least',
  );
  note('search: short list simulated', performance.now() - judgedBy, 'ms', 2000);
}

/** The page: a figure of the question changed, with all workers warm. */
export async function benchSearchPage(
  browser: Browser,
  options: BrowserContextOptions,
  note: Note,
) {
  const page = await (await browser.newContext(options)).newPage();
  await page.goto('/p/night-ferry/ask?shot=clerk');
  await page.locator('[data-ask=done]').waitFor({ timeout: 60_000 });
  await page.evaluate(
    `window.marks = {}; window.frames = [];
     requestAnimationFrame(function tick(at) { frames.push(at); requestAnimationFrame(tick); });
     new MutationObserver(() => {
       const stage = document.querySelector('[data-ask]').dataset.ask;
       marks[stage] ??= performance.now();
     }).observe(document.querySelector('[data-ask]'), { attributes: true });`,
  );
  const field = page.getByRole('textbox', { name: 'Budget for this light' });
  await field.fill('95');
  const start = (await page.evaluate('frames.length = 0; performance.now()')) as number;
  await field.press('Enter');
  await page.locator('[data-ask=done]').waitFor({ timeout: 60_000 });
  await page.waitForFunction('marks.done');
  const { marks, frames } = (await page.evaluate('({ marks, frames })')) as {
    marks: Record<string, number>;
    frames: number[];
  };
  const since = (stage: string) => (marks[stage] ?? marks.done!) - start;
  note('search, page: first answers', since('judging'), 'ms', 500);
  note('search, page: front stable', since('simulating'), 'ms', 5000);
  note('search, page: answers simulated', since('done'), 'ms', 7000);
  const gaps = frames.slice(1).map((at, k) => at - frames[k]!);
  note('search, page: longest gap between frames', Math.max(...gaps), 'ms', 33);
  const verdict = await (await browser.newContext(options)).newPage();
  await verdict.goto('/p/night-ferry/verdict?build=clerk-ring');
  await verdict.getByRole('tab', { name: 'Side by side' }).click();
  for (const { id } of demo.builds.slice(1, 3))
    await verdict.getByLabel('One more light').selectOption(`build ${id}`);
  await verdict.locator('[data-side=done]').waitFor();
  const from = (await verdict.evaluate('performance.now()')) as number;
  await verdict.getByLabel('Light 1', { exact: true }).selectOption({ index: 4 });
  await verdict.locator('[data-side=done]').waitFor();
  note(
    'verdict: one of four exchanged, all figures',
    ((await verdict.evaluate('performance.now()')) as number) - from,
    'ms',
    1000,
  );
}
