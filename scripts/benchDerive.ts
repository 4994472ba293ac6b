import { createHash } from 'node:crypto';
import type { Page } from '@playwright/test';
import { changeRecord, type Change } from '@/core/document/edit';
import type { Production } from '@/core/document/production';
import { removeBuild } from '@/core/document/records';
import { after } from '@/core/document/testing';
import { checkProduction } from '@/core/evaluate/checkProduction';
import { Derivations } from '@/core/evaluate/derive';
import { evaluate } from '@/core/evaluate/evaluate';
import { galleryFor } from '@/core/evaluate/gallery';
import { nightFerry } from '@/demo/nightFerry';
import type { Note } from './benchLight';

const demo = nightFerry();
/** As finely as the check of a whole production looks at light. */
const CELLS = { gridCells: 4 };

/** Least of several runs, ms: what the work costs, not what else the machine was doing. */
function least(runs: number, work: () => unknown): number {
  let best = Infinity;
  for (let run = 0; run < runs; run++) {
    const start = performance.now();
    work();
    best = Math.min(best, performance.now() - start);
  }
  return best;
}

const median = (values: number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Forty lights: the sample's, and copies of them. */
function fortyBuilds(): Production {
  const more = Array.from({ length: 40 - demo.builds.length }, (_, k) => ({
    ...demo.builds[k % demo.builds.length]!,
    id: `copy-${k}` as never,
  }));
  return { ...demo, builds: [...demo.builds, ...more] };
}

/** What one edit costs after the page has worked the light out once. */
function afterEdit(change: Change): { ms: number; worked: number } {
  const times: number[] = [];
  let worked = 0;
  for (let run = 0; run < 40; run++) {
    const derivations = new Derivations();
    evaluate(demo, 'clerk-pan', { derivations });
    const before = [...derivations.worked.values()].reduce((sum, count) => sum + count, 0);
    const next = after(demo, change);
    const start = performance.now();
    evaluate(next, 'clerk-pan', { derivations });
    times.push(performance.now() - start);
    worked = [...derivations.worked.values()].reduce((sum, count) => sum + count, 0) - before;
  }
  return { ms: median(times), worked };
}

/** The dearest check among the sample's builds after a change of its parameters, the rest of the page at rest. */
const slowestFindings = (): number =>
  Math.max(
    ...demo.builds.map((build) => {
      const changed = after(
        demo,
        changeRecord(
          { kind: 'build', id: build.id },
          (draft) => void (draft.site.attended = 'alone'),
        ),
      );
      const times = Array.from({ length: 15 }, () => {
        const derivations = new Derivations();
        checkProduction(demo, derivations);
        const start = performance.now();
        derivations.findings(
          changed,
          changed.builds.find(({ id }) => id === build.id)!,
          CELLS,
        );
        return performance.now() - start;
      });
      return median(times);
    }),
  );

function wiresOfSixty(): number {
  const ring = after(
    demo,
    changeRecord({ kind: 'build', id: 'clerk-ring' }, (draft) => {
      Object.assign(draft.parameters, { socketCount: 60, outerDiameterM: 3 });
    }),
  );
  const build = ring.builds.find(({ id }) => id === 'clerk-ring')!;
  return least(20, () => new Derivations().drawing(ring, build));
}

/** Numbers of the ground: derivations kept, edits by identity. */
export function benchDerive(note: Note) {
  const part = demo.builds.find(({ id }) => id === 'clerk-pan')!.parameters.layer1PartId;
  const typed = afterEdit(
    changeRecord({ kind: 'build', id: 'clerk-pan' }, (draft) => void (draft.note = 'a note')),
  );
  note('a note typed: results worked out', typed.worked, '', 0);
  const price = afterEdit(
    changeRecord({ kind: 'part', id: String(part) }, (draft) => void (draft.priceMinor! += 50)),
  );
  note('a price typed', price.ms, 'ms', 1);
  const cold = () => {
    for (const { id } of demo.builds) evaluate(demo, id);
  };
  const start = performance.now();
  cold();
  note('every build of the sample, first time in a process', performance.now() - start, 'ms', 600);
  note('every build of the sample, nothing kept', least(5, cold), 'ms', 600);
  const forty = fortyBuilds();
  note(
    'findings of 40 builds, nothing kept',
    least(7, () => checkProduction(forty)),
    'ms',
    40,
  );
  note('findings of the slowest build, its neighbours known', slowestFindings(), 'ms', 3);
  note('wires of 60 lamps, worked out and drawn', wiresOfSixty(), 'ms', 10);
  const kept = new Derivations();
  checkProduction(forty, kept);
  const noted = after(
    forty,
    changeRecord({ kind: 'build', id: 'clerk-pan' }, (draft) => void (draft.copies += 1)),
  );
  note(
    'findings of 40 builds after an edit',
    least(1, () => checkProduction(noted, kept)),
    'ms',
    40,
  );
  note(
    'gallery of 14 forms',
    least(5, () => galleryFor(demo, demo.shots[0]!.id)),
    'ms',
    400,
  );
  const change = removeBuild('clerk-ring')(demo);
  note('deleting one build: bytes of change', JSON.stringify(change).length, 'B', 300);
}

/** Journal bytes written for an edit, early and after two thousand; and a photograph put in. */
export async function benchGround(page: Page, origin: string, note: Note) {
  await page.goto(`${origin}/p/night-ferry/build?build=clerk-ring`);
  await page.locator('body[data-keys=heard][data-station=listening]:not([data-awaits])').waitFor();
  await page.evaluate(() => {
    const counted = { bytes: 0 };
    Object.assign(window, { counted });
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (value: unknown, key?: IDBValidKey) {
      counted.bytes += JSON.stringify(value).length;
      return put.call(this, value, key);
    };
  });
  const field = page.getByRole('textbox', { name: 'Ring width' });
  const bytes = () =>
    page.evaluate(() => (window as unknown as { counted: { bytes: number } }).counted.bytes);
  const one = async () => {
    await page.locator('[data-save=saved]').waitFor();
    const before = await bytes();
    await field.press('ArrowUp');
    await page.locator('[data-save=waiting]').waitFor();
    await page.locator('[data-save=saved]').waitFor();
    return (await bytes()) - before;
  };
  await one();
  const early = await one();
  for (let k = 0; k < 1000; k++) {
    await field.press('ArrowUp');
    await field.press('ArrowDown');
  }
  await page.locator('[data-save=saved]').waitFor({ timeout: 120_000 });
  note('journal bytes of an edit after 2,000, against the second', (await one()) / early, '×', 1.2);
  await page.getByRole('tab', { name: 'Photographs' }).click();
  await page.evaluate(() => {
    // A method: the runner would wrap a function of its own, and the page does not know the wrapper.
    const frames = {
      longest: 0,
      last: performance.now(),
      tick(now: number) {
        frames.longest = Math.max(frames.longest, now - frames.last);
        frames.last = now;
        requestAnimationFrame((next) => frames.tick(next));
      },
    };
    Object.assign(window, { frames });
    requestAnimationFrame((now) => {
      frames.last = now;
      frames.tick(now);
    });
  });
  const photograph = Buffer.concat([pngHead(), Buffer.alloc(20_000_000, 7)]);
  const start = performance.now();
  await page.locator('input[type=file]').setInputFiles({
    name: 'back.png',
    mimeType: 'image/png',
    buffer: photograph,
  });
  await page.evaluate(() => {
    (window as unknown as { frames: { longest: number } }).frames.longest = 0;
  });
  await page.locator('[data-picture]').first().waitFor({ timeout: 60_000 });
  note('20 MB photograph: kept after', performance.now() - start, 'ms', 5000);
  const longest = await page.evaluate(
    () => (window as unknown as { frames: { longest: number } }).frames.longest,
  );
  note('20 MB photograph: longest frame', longest, 'ms', 50);
  const hash = createHash('sha256').update(photograph).digest('hex');
  const back = await page.request.get(`${origin}/api/media/${hash}`);
  if (!(await back.body()).equals(photograph))
    throw new Error('It did not come back as it went in');
}

const pngHead = () =>
  Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
