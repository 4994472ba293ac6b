import { writeFileSync } from 'node:fs';
import { nightFerry } from '../src/demo/nightFerry';
import { buildFile } from '../src/server/files/buildFile';
const d = nightFerry();
const [,, id, file, units] = process.argv;
const t=Date.now();
buildFile(d, id!, file as never, (units ?? 'metric') as never).then((f) => { writeFileSync('/tmp/out.pdf', f!.body); console.log(f!.name, Date.now()-t, 'ms', f!.body.length); });
