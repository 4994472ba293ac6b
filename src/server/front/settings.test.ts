import { readSettings, shareHost, UsageProblem } from './settings';

const net = (...addresses: string[]) => ({
  lo: [{ address: '127.0.0.1', internal: true }],
  some: addresses.map((address) => ({ address, internal: false })),
});
const host = (given: string, ...addresses: string[]) =>
  shareHost(given, net(...addresses) as unknown as Parameters<typeof shareHost>[1]);

test('the only private address is taken; of several one has to be named, and it must be our own', () => {
  expect(host('auto', '192.168.1.5', '203.0.113.9')).toBe('192.168.1.5');
  expect(() => host('auto')).toThrow('in no local network');
  expect(() => host('auto', '203.0.113.9')).toThrow('in no local network');
  expect(() => host('auto', '192.168.1.5', '10.0.0.7')).toThrow(
    '--share 192.168.1.5 or --share 10.0.0.7',
  );
  expect(host('10.0.0.7', '192.168.1.5', '10.0.0.7')).toBe('10.0.0.7');
  for (const strange of ['0.0.0.0', '8.8.8.8', '::', 'studio', '192.168.1.999'])
    expect(() => host(strange, '192.168.1.5')).toThrow(UsageProblem);
});

test.each(['0', '99999', '-1', '80.5', 'http', '', '1e3'])('port “%s” is refused', (PORT) => {
  expect(() => readSettings({ PORT } as unknown as NodeJS.ProcessEnv)).toThrow('is no port');
});

test('certificate and key come together, can be read, and are for sharing', () => {
  const given = (env: Record<string, string>) => () =>
    readSettings({ PORT: '4680', ...env } as unknown as NodeJS.ProcessEnv);
  expect(given({})()).toEqual({ port: 4680, share: null });
  expect(given({ LANTERN_JAR_SHARE: '127.0.0.2' })()).toEqual({
    port: 4680,
    share: { host: '127.0.0.2', certificate: null },
  });
  expect(given({ LANTERN_JAR_SHARE: '127.0.0.1' })).toThrow('this machine itself');
  expect(given({ LANTERN_JAR_SHARE: '127.0.0.2', LANTERN_JAR_CERT: 'a.pem' })).toThrow('both');
  expect(
    given({
      LANTERN_JAR_SHARE: '127.0.0.2',
      LANTERN_JAR_CERT: '/nowhere/a.pem',
      LANTERN_JAR_KEY: '/nowhere/b.pem',
    }),
  ).toThrow('cannot be read (ENOENT)');
  expect(given({ LANTERN_JAR_CERT: 'package.json', LANTERN_JAR_KEY: 'package.json' })).toThrow(
    'add it',
  );
});
