import { expect } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { freePort } from '../src/server/testing/freePort';

interface Running {
  origin: string;
  process: ChildProcess;
  output: () => string;
  /** waits for the process to end by itself */
  ended: Promise<number | null>;
}

/**
 * Starts the production build on a data folder of its own, as `./jar demo` would; it is ended at once if it
 * ever goes out of this machine.
 */
export async function startServer(
  folder: string,
  port?: number,
  environment: Record<string, string> = {},
): Promise<Running> {
  const at = port ?? (await freePort());
  const child = spawn(process.execPath, ['--import', './e2e/noNetwork.mjs', '.next/front.mjs'], {
    env: {
      ...process.env,
      LANTERN_JAR_DATA: folder,
      LANTERN_JAR_DEMO: '1',
      PORT: String(at),
      ...environment,
    },
  });
  let output = '';
  child.stdout.on('data', (data) => (output += data));
  child.stderr.on('data', (data) => (output += data));
  const ended = new Promise<number | null>((done) => child.on('exit', done));
  return { origin: `http://127.0.0.1:${at}`, process: child, output: () => output, ended };
}

/** Waits until the server answers from its store. */
export const answering = ({ origin }: Running): Promise<void> =>
  expect(async () => {
    expect((await fetch(`${origin}/api/productions`)).ok).toBe(true);
  }, `${origin} answers`).toPass();
