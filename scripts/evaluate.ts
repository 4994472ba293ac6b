import { readFileSync } from 'node:fs';
import { readDocumentText } from '@/core/document/read';
import { evaluate } from '@/core/evaluate/evaluate';
import type { Problem } from '@/core/result';

/** Says what is wrong, one line an issue, and ends with 2. */
function refuse(problems: readonly Problem[]): never {
  for (const { path, message } of problems) console.error(path ? `${path}: ${message}` : message);
  process.exit(2);
}

const wrong = (message: string) => refuse([{ code: 'usage', path: '', message }]);

function readInput(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    return wrong(`Cannot read ${file}: ${(error as Error).message}`);
  }
}

const words = process.argv.slice(2);
const at = words.indexOf('--build');
const buildId = at >= 0 ? words.splice(at, 2)[1] : undefined;
const [file, ...others] = words;
if (!file || others.length > 0) wrong('Use: ./jar evaluate FILE|- [--build ID]');

const read = readDocumentText(readInput(file!));
if (!read.ok) refuse(read.problems);
const ids = buildId ? [buildId] : read.value.builds.map(({ id }) => id as string);
const readouts = ids.map((id) => {
  const found = evaluate(read.value, id);
  return found.ok ? found.value : refuse(found.problems);
});
process.stdout.write(`${JSON.stringify(readouts, null, 2)}\n`);
