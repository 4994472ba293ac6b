import { spawnSync } from 'node:child_process';
import { expect, test } from '@playwright/test';

/** Addresses for documentation (RFC 5737) and a name that never resolves (RFC 6761). */
const OUT = ['http://192.0.2.1/', 'http://nowhere.invalid/', 'https://198.51.100.7:8443/'];

// The servers of every walk run with it (playwright.config.ts, server.ts): this shows that it bites.
for (const address of OUT)
  test(`a server that reaches for ${address} is ended and says where`, () => {
    const run = spawnSync(
      process.execPath,
      ['--import', './e2e/noNetwork.mjs', '-e', `fetch('${address}').catch(() => process.exit(0))`],
      { encoding: 'utf8' },
    );
    expect(run.status).toBe(9);
    expect(run.stderr).toContain(`An outgoing connection to ${new URL(address).hostname}`);
  });

test('its own machine it may speak to', () => {
  const program = `
    const server = require('http').createServer((_, out) => out.end('here')).listen(0, '127.0.0.1', async () => {
      const said = await (await fetch('http://127.0.0.1:' + server.address().port)).text();
      console.log(said);
      process.exit(0);
    });`;
  const run = spawnSync(process.execPath, ['--import', './e2e/noNetwork.mjs', '-e', program], {
    encoding: 'utf8',
  });
  expect([run.status, run.stdout.trim()]).toEqual([0, 'here']);
});
