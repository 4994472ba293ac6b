import { writeFileSync } from 'node:fs';
import { DEMO_FRAMES } from '../src/demo/photographs';
import { onPage, withDemo } from './demoServer';

/** Takes the frames of the demo's camera session with the simulated camera, in the light of the clerk's ring. */
void withDemo(() =>
  onPage({ route: '/p/night-ferry/meter?build=clerk-ring' }, async (page) => {
    const aside = page.getByRole('complementary', { name: 'Metering' });
    await aside.getByLabel('Meter').selectOption('frames');
    await aside.getByLabel('Of').selectOption('clerk-ring');
    await aside.getByRole('button', { name: 'Begin' }).click();
    await page.getByRole('button', { name: 'Simulated camera' }).click();
    await page.locator('[data-read="2"]').waitFor({ timeout: 60_000 });
    await page.getByText('Kept', { exact: true }).waitFor();
    const taken = (await page.evaluate(
      `fetch('/api/productions/night-ferry').then((a) => a.json()).then(async ({ document }) => {
        const { shots } = document.sessions.at(-1).frames;
        const inOrder = Object.values(shots).sort((a, b) => a.order - b.order);
        const bytes = (id) => {
          const { media } = document.pictures.find((picture) => picture.id === id);
          return fetch('/api/media/' + media).then((a) => a.arrayBuffer()).then((b) => [...new Uint8Array(b)]);
        };
        return Promise.all(inOrder.map(({ pictureId }) => bytes(pictureId)));
      })`,
    )) as number[][];
    DEMO_FRAMES.forEach(({ file }, k) =>
      writeFileSync(`src/demo/photographs/${file}`, Uint8Array.from(taken[k]!)),
    );
  }),
);
