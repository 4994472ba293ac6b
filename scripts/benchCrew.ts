import { execFileSync } from 'node:child_process';
import type { Production } from '@/core/document/production';
import type { Note } from './benchLight';
import { largeProduction } from './largeProduction';
import { quantile } from './quantile';

const json = (method: string, body: unknown) => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});
interface Stored {
  revision: number;
  document: Production;
}
const stored = async (url: string) => (await (await fetch(url)).json()) as Stored;

/** One window's notes on one build, one after another. @returns milliseconds of each save */
async function saves(url: string, build: string, count: number, restMs: number): Promise<number[]> {
  let { revision } = await stored(url);
  const times: number[] = [];
  let found: string | null = null;
  for (let n = 0; n < count; n++) {
    const set = { do: 'set', kind: 'build', id: build, path: ['note'] };
    const value = `${build} ${n}`;
    const edit = {
      id: `${build}-${n}-${Math.random().toString(36).slice(2)}`,
      label: 'bench',
      commands: [{ ...set, value }],
      inverse: [found === null ? { ...set, value: '' } : { ...set, value: found }],
    };
    const start = performance.now();
    const answer = await fetch(
      url,
      json('PATCH', { client: build, baseRevision: revision, follows: true, edits: [edit] }),
    );
    const now = (await answer.json()) as { revision?: number; newer?: Stored };
    times.push(performance.now() - start);
    revision = now.revision ?? now.newer?.revision ?? revision;
    if (answer.ok) found = value;
    await new Promise((resume) => setTimeout(resume, restMs * (0.5 + Math.random())));
  }
  return times;
}

/** What it costs to keep: saves with flushing, a crew at once, a production of the largest kind. */
export async function benchCrew(origin: string, pid: number, note: Note): Promise<void> {
  const ferry = `${origin}/api/productions/night-ferry`;
  await saves(ferry, 'clerk-ring', 20, 0);
  const alone = await saves(ferry, 'clerk-ring', 100, 0);
  note('a save, flushed and answered, 95th percentile', quantile(alone, 0.95), 'ms', 60);
  const { document } = await stored(ferry);
  const crew = Array.from(
    { length: 20 },
    (_, n) => document.builds[n % document.builds.length]!.id,
  );
  const together = await Promise.all(crew.map((id) => saves(ferry, id, 10, 1500)));
  note(
    'twenty devices, a save every 1.5 s each, 95th percentile',
    quantile(together.flat(), 0.95),
    'ms',
    150,
  );
  const made = await fetch(
    `${origin}/api/productions`,
    json('POST', { document: largeProduction(300, 200, 5000) }),
  );
  const { id } = (await made.json()) as { id: string };
  const opened: number[] = [];
  for (let n = 0; n < 5; n++) {
    const start = performance.now();
    await (await fetch(`${origin}/p/${id}/build`)).text();
    opened.push(performance.now() - start);
  }
  note('300 lights, 200 setups, 5,000 readings: page sent', quantile(opened, 0.5), 'ms', 1500);
  const large = await saves(`${origin}/api/productions/${id}`, 'clerk-ring', 12, 0);
  note('300 lights, 200 setups, 5,000 readings: a save', quantile(large, 0.5), 'ms', 60);
  const rss = Number(execFileSync('ps', ['-o', 'rss=', '-p', String(pid)], { encoding: 'utf8' }));
  note('memory of the server after all that', rss / 1000, 'MB', 400);
}
