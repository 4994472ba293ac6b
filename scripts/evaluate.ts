import { readFileSync } from 'node:fs';
import { readDocumentText } from '@/core/document/read';
import { evaluate } from '@/core/evaluate/evaluate';
import { evaluateSimulated, printable } from '@/core/evaluate/simulated';
import { READOUT_RUN } from '@/core/light/transport/run';
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

/** Takes an option and its value out of the words. */
function option(name: string): string | undefined {
  const at = words.indexOf(name);
  return at >= 0 ? words.splice(at, 2)[1] : undefined;
}

/** Takes a word that stands alone out of the words. */
function flag(name: string): boolean {
  const at = words.indexOf(name);
  if (at >= 0) words.splice(at, 1);
  return at >= 0;
}

function wholeOption(name: string): number | undefined {
  const text = option(name);
  if (text === undefined) return undefined;
  const value = Number(text);
  return text !== '' && Number.isInteger(value)
    ? value
    : wrong(`${name} ${text}: give a whole number.`);
}

const buildId = option('--build');
const instant = flag('--instant');
const photons = wholeOption('--photons');
const seed = wholeOption('--seed') ?? READOUT_RUN.seed;
if (instant && photons !== undefined) wrong('--instant follows no photons: leave one out.');
const [file, ...others] = words;
if (!file || others.length > 0)
  wrong('Use: ./jar evaluate FILE|- [--build ID] [--photons N] [--seed N] [--instant]');

const read = readDocumentText(readInput(file!));
if (!read.ok) refuse(read.problems);
const ids = buildId ? [buildId] : read.value.builds.map(({ id }) => id as string);
const readouts = ids.map((id) => {
  const found = instant
    ? evaluate(read.value, id)
    : evaluateSimulated(
        read.value,
        id,
        { photons: photons ?? READOUT_RUN.photons, seed },
        { glow: true, orEstimate: photons === undefined },
      );
  return found.ok ? printable(found.value) : refuse(found.problems);
});
process.stdout.write(`${JSON.stringify(readouts, null, 2)}\n`);
