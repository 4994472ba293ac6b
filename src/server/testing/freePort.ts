import { createServer } from 'node:net';

/** A free port, found by asking for one. */
export const freePort = () =>
  new Promise<number>((found) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => found(port));
    });
  });
