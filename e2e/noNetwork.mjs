// Loaded before a server under test (node --import): a connection to anywhere but this machine ends it.
import dns from 'node:dns';
import net from 'node:net';
import { writeSync } from 'node:fs';

const OWN = /^(127\.\d+\.\d+\.\d+|::1|::ffff:127\.\d+\.\d+\.\d+|localhost)$/;
const BROKEN = 9;

function refuse(where) {
  writeSync(2, `An outgoing connection to ${where}: nothing here may go out.\n`);
  process.exit(BROKEN);
}

const connect = net.Socket.prototype.connect;
net.Socket.prototype.connect = function (...given) {
  const [first] = Array.isArray(given[0]) ? given[0] : given;
  // A path is a pipe of this machine; a number alone is a port of it.
  const host =
    typeof first === 'object' && first !== null ? (first.path ? null : first.host) : given[1];
  if (typeof host === 'string' && !OWN.test(host)) refuse(host);
  return connect.apply(this, given);
};
for (const name of ['lookup', 'resolve', 'resolve4', 'resolve6']) {
  const ask = dns[name];
  dns[name] = (host, ...rest) => (OWN.test(host) ? ask(host, ...rest) : refuse(host));
}
