/**
 * Hours of use in minutes: a server killed in the middle of saves, the power cut between flushes, bad input
 * at every door, over and over until the time is up. `./jar soak [MINUTES]`; three of them in `./jar test`.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { cutThePower } from '@/server/storage/testing/cuts';
import { dice } from '@/server/storage/testing/powerCut';
import { readyFolder } from '@/server/storage/testing/readyFolder';
import { freePort } from '@/server/testing/freePort';
import { tryDoors } from '@/server/testing/tryDoors';

const DEFAULT_MINUTES = 60;
/** In one round: so long a server lives, so many windows write to it, so much of the rest. */
const [LIFE_MS, WRITERS, KILLS, SAVES, CUTS, INPUTS] = [[200, 2000], 4, 8, 15, 4, 2600] as const;
/** By hand, on a machine that does nothing else; in the tests of every day time is nobody's fault. */
const MOST_INPUT_MS = 1000;

interface Served {
  origin: string;
  child: ChildProcess;
  ended: Promise<void>;
}

/** @throws when it does not answer: a folder that does not open */
async function serve(folder: string): Promise<Served> {
  const port = await freePort();
  const child = spawn(process.execPath, ['.next/front.mjs'], {
    env: { ...process.env, LANTERN_JAR_DATA: folder, LANTERN_JAR_DEMO: '1', PORT: String(port) },
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let words = '';
  child.stderr!.on('data', (data) => (words += data));
  const ended = new Promise<void>((done) => child.once('exit', () => done()));
  const origin = `http://127.0.0.1:${port}`;
  for (let attempt = 0; attempt < 600; attempt++) {
    const up = await fetch(`${origin}/api/productions`).then(
      (answer) => answer.ok,
      () => false,
    );
    if (up) return { origin, child, ended };
    if (child.exitCode !== null) throw new Error(`the folder does not open: ${words.trim()}`);
    await new Promise((resume) => setTimeout(resume, 50));
  }
  throw new Error('the server does not answer within half a minute');
}

interface Stored {
  revision: number;
  document: { builds: { id: string; note: string }[] };
}
const stored = async (origin: string): Promise<Stored> =>
  (await (await fetch(`${origin}/api/productions/night-ferry`)).json()) as Stored;

/** Notes on a build of its own, one after another; what the server answered for. */
async function writer(origin: string, build: string, alive: () => boolean): Promise<number> {
  // It may be killed before it was ever asked.
  const begun = await stored(origin).catch((error: Error) => {
    if (alive()) throw error;
    return null;
  });
  if (!begun) return 0;
  let acknowledged = 0;
  let { revision } = begun;
  let found = begun.document.builds.find(({ id }) => id === build)!.note;
  for (let n = 1; alive(); n++) {
    const set = { do: 'set', kind: 'build', id: build, path: ['note'] };
    const edit = {
      id: `${build}-${n}-${Math.random().toString(36).slice(2, 10)}`,
      label: 'soak',
      commands: [{ ...set, value: `soak ${n}` }],
      inverse: [{ ...set, value: found }],
    };
    try {
      const answer = await fetch(`${origin}/api/productions/night-ferry`, {
        method: 'PATCH',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ client: build, baseRevision: revision, edits: [edit] }),
      });
      if (!answer.ok) throw new Error(`an edit of its own was refused: ${answer.status}`);
      revision = ((await answer.json()) as { revision: number }).revision;
      [acknowledged, found] = [n, `soak ${n}`];
    } catch (error) {
      if (alive() || !(error instanceof TypeError)) throw error;
    }
  }
  return acknowledged;
}

/** Notes that were answered for and are not there. */
async function missing(origin: string, acknowledged: ReadonlyMap<string, number>) {
  const { document } = await stored(origin);
  return [...acknowledged].flatMap(([id, answered]) => {
    const note = document.builds.find((build) => build.id === id)!.note;
    const kept = Number(/^soak (\d+)$/.exec(note)?.[1] ?? 0);
    return kept >= answered ? [] : [`${id}: save ${answered} was answered for, ${kept} is there`];
  });
}

/** Kills servers in the middle of saves, each found again by the next. @returns acknowledged saves, and what was lost of them */
async function killInARow(folder: string, times: number, random: () => number) {
  let served = await serve(folder);
  const lost: string[] = [];
  let saves = 0;
  const kill = async () => {
    served.child.kill('SIGKILL');
    await served.ended;
  };
  for (let n = 0; n < times; n++) {
    const builds = (await stored(served.origin)).document.builds.slice(0, WRITERS);
    let alive = true;
    const writers = builds.map(({ id }) => writer(served.origin, id, () => alive));
    const lifeMs = LIFE_MS[0] + random() * (LIFE_MS[1] - LIFE_MS[0]);
    await new Promise((resume) => setTimeout(resume, lifeMs));
    alive = false;
    const killed = kill();
    const answered = await Promise.all(writers);
    await killed;
    served = await serve(folder);
    lost.push(
      ...(await missing(served.origin, new Map(builds.map(({ id }, k) => [id, answered[k]!])))),
    );
    saves += answered.reduce((sum, each) => sum + each, 0);
  }
  await kill();
  return { saves, lost };
}

async function main() {
  const given = process.argv.slice(2).filter((word) => word !== '--untimed');
  const mostInputMs = given.length === process.argv.length - 2 ? MOST_INPUT_MS : Infinity;
  const minutes = Number(given[0] ?? DEFAULT_MINUTES);
  if (!(minutes > 0)) throw new Error('./jar soak takes minutes, a number above nought.');
  const seed = Number(given[1] ?? Date.now() % 1e9);
  const random = dice(seed);
  const until = Date.now() + minutes * 60_000;
  const totals = { kills: 0, killedSaves: 0, cuts: 0, cutSaves: 0, inputs: 0, slowestMs: 0 };
  const faults: string[] = [];
  let told = 0;
  const folder = await readyFolder();
  for (let round = 0; Date.now() < until; round++) {
    const killed = await killInARow(folder, KILLS, random).catch((error: Error) => ({
      saves: 0,
      lost: [error.message],
    }));
    totals.kills += KILLS;
    totals.killedSaves += killed.saves;
    faults.push(...killed.lost.map((words) => `kill ${round}: ${words}`));
    const cut = await cutThePower(SAVES, CUTS, seed + round);
    totals.cuts += cut.cuts;
    totals.cutSaves += cut.acknowledged;
    faults.push(...cut.lost);
    const tried = await tryDoors(INPUTS, seed + round, mostInputMs);
    totals.inputs += tried.inputs;
    totals.slowestMs = Math.max(totals.slowestMs, tried.slowestMs);
    faults.push(...tried.faults);
    for (; told < faults.length; told++) console.log(faults[told]);
    console.error(`round ${round + 1}: ${JSON.stringify(totals)}, ${faults.length} faults`);
  }
  rmSync(folder, { recursive: true, force: true });
  console.log(
    `${totals.kills} kills over ${totals.killedSaves} acknowledged saves, ${totals.cuts} power cuts, ${totals.inputs} bad inputs (the slowest ${totals.slowestMs.toFixed(0)} ms), seed ${seed}: ${faults.length} faults.`,
  );
  mkdirSync('.jar', { recursive: true });
  writeFileSync(
    '.jar/soak.json',
    JSON.stringify({ rounds: totals.kills + totals.cuts, faults: faults.length }),
  );
  process.exitCode = faults.length > 0 ? 1 : 0;
}

main().catch((error) => {
  console.error((error as Error).message);
  process.exitCode = 1;
});
