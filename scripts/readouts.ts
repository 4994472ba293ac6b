/**
 * Holds what is worked out against what was worked out before, number for number:
 *   npx tsx scripts/readouts.ts write FILE     every kept sample, the demo and 200 random builds
 *   npx tsx scripts/readouts.ts compare FILE   the same documents, read and worked out again
 * For changes that should change nothing; what differs is listed by its place.
 */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { gunzipSync, gzipSync } from 'node:zlib';
import fc from 'fast-check';
import { ACCESSORIES } from '@/core/accessories';
import type { Production } from '@/core/document/production';
import { readDocument } from '@/core/document/read';
import { evaluate } from '@/core/evaluate/evaluate';
import { FORMS } from '@/core/forms';
import { anyOf } from '@/core/forms/testing';
import { nightFerry } from '@/demo/nightFerry';

const SAMPLES = 'src/core/document/fixtures';
const RANDOM_BUILDS = 200;
const SEED = 20261126;

interface Kept {
  name: string;
  document: unknown;
  readouts: Record<string, unknown>;
}

/** The demo with random builds of every form in place of its own, each with up to two accessories. */
function randomProduction(): unknown {
  const demo = nightFerry();
  const any = (definition: { fields: Parameters<typeof anyOf>[0] }, count: number) =>
    fc.sample(anyOf(definition.fields, demo.shelf), { seed: SEED, numRuns: count });
  const forms = [...FORMS.values()];
  const accessories = [...ACCESSORIES.values()].flatMap((kind) =>
    any(kind, RANDOM_BUILDS).map((parameters) => ({ kind: kind.id, parameters })),
  );
  const builds = forms.flatMap((form) =>
    any(form, Math.ceil(RANDOM_BUILDS / forms.length)).map((parameters, k) => ({
      ...demo.builds[k % demo.builds.length]!,
      id: `random-${form.id}-${k}`,
      form: form.id,
      parameters,
      standing: 'an idea',
      signOffs: [],
      accessories: Array.from({ length: k % 3 }, (_, which) => ({
        id: `carried-${which}`,
        ...accessories[(k * 97 + which * 331) % accessories.length]!,
      })),
    })),
  );
  return { ...demo, builds: builds.slice(0, RANDOM_BUILDS), makings: [], pictures: [] };
}

const read = (name: string, document: unknown): Production => {
  const found = readDocument(structuredClone(document));
  if (!found.ok)
    throw new Error(`${name}: ${found.problems[0]!.path} ${found.problems[0]!.message}`);
  return found.value;
};

/** Everything said of every build, but the rooms: thousands of numbers that follow from the rest. */
function workedOut(name: string, document: unknown): Record<string, unknown> {
  const production = read(name, document);
  return Object.fromEntries(
    production.builds.map(({ id }) => {
      const found = evaluate(production, id, { glow: true });
      return [id, found.ok ? plain({ ...found.value, room: null }) : found.problems];
    }),
  );
}
/** As JSON has it: numbers that are none and functions as words. */
const plain = (value: unknown): unknown =>
  JSON.parse(
    JSON.stringify(value, (_, each) =>
      typeof each === 'number' && !Number.isFinite(each) ? String(each) : (each as unknown),
    ),
  );

const documents = (): [string, unknown][] => [
  ...readdirSync(SAMPLES).map((file): [string, unknown] => [
    file,
    JSON.parse(readFileSync(`${SAMPLES}/${file}`, 'utf8')),
  ]),
  ['demo', nightFerry()],
  ['random', randomProduction()],
];

function write(file: string): void {
  const kept = documents().map(([name, document]): Kept => ({
    name,
    document,
    readouts: workedOut(name, document),
  }));
  writeFileSync(file, gzipSync(JSON.stringify(kept)));
  console.log(
    `${kept.reduce((sum, { readouts }) => sum + Object.keys(readouts).length, 0)} builds`,
  );
}

/** A list by its records' own names, where they have any: one more finding is one difference. */
function named(list: readonly unknown[]): Record<string, unknown> {
  const nameOf = (each: unknown, k: number): string => {
    const { id, key, kind } = (each ?? {}) as Record<string, unknown>;
    return typeof id === 'string'
      ? id
      : typeof key === 'string'
        ? key
        : kind
          ? `${kind} ${k}`
          : String(k);
  };
  return Object.fromEntries(list.map((each, k) => [nameOf(each, k), each]));
}
const fields = (node: object): Record<string, unknown> =>
  Array.isArray(node) ? named(node) : (node as Record<string, unknown>);

/** Places where two pieces of plain data differ; sums in another order are the same. */
function* differences(was: unknown, is: unknown, at: string): Generator<string> {
  if (Object.is(was, is)) return;
  if (typeof was === 'number' && typeof is === 'number') {
    if (Math.abs(was - is) > 1e-9 * Math.max(Math.abs(was), Math.abs(is)))
      yield `${at}: ${was} → ${is}`;
    return;
  }
  if (was && is && typeof was === 'object' && typeof is === 'object') {
    const [before, now] = [fields(was), fields(is)];
    for (const name of new Set([...Object.keys(before), ...Object.keys(now)]))
      yield* differences(before[name], now[name], `${at}/${name}`);
    return;
  }
  yield `${at}: ${JSON.stringify(was)?.slice(0, 160)} → ${JSON.stringify(is)?.slice(0, 160)}`;
}

function compare(file: string): void {
  const kept = JSON.parse(gunzipSync(readFileSync(file)).toString()) as Kept[];
  let builds = 0;
  const found: string[] = [];
  for (const { name, document, readouts } of kept) {
    const now = workedOut(name, document);
    builds += Object.keys(readouts).length;
    for (const id of Object.keys(readouts))
      found.push(...differences(readouts[id], now[id], `${name}/${id}`));
  }
  for (const each of found) console.log(each);
  console.log(`${builds} builds, ${found.length} differences`);
}

const [task, file] = process.argv.slice(2);
if (file && task === 'write') write(file);
else if (file && task === 'compare') compare(file);
else {
  console.error('Use: npx tsx scripts/readouts.ts write|compare FILE');
  process.exit(2);
}
