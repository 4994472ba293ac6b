/** What is put into good input to make it bad: signs that readers trip over, numbers nobody has, and much of one thing. */
const NASTY = [
  '\0',
  '\ud800',
  '\ufeff',
  '\u202e',
  '\r',
  '\n\n',
  '"',
  "'",
  '<',
  '>',
  '&',
  '\\',
  '/../',
  '__proto__',
  'constructor',
  'prototype',
  'toString',
  'null',
  'NaN',
  'Infinity',
  '-Infinity',
  '1e308',
  '-1e308',
  '1e-320',
  '-0',
  '4294967296',
  '9007199254740993',
  '99999999999999999999',
  '0x10',
  '1_000',
  '1,000,000.00',
  '٣',
  '½',
  '{',
  '}',
  '[',
  ']',
  '[[[[[[[[',
  ',,,,,,,,',
  ';;;;',
  '\t\t\t\t',
  '>=',
  'CRI ',
  'lm ',
  '=cmd|',
  '%n%s',
  '%ff',
  'TILT=NONE',
  '[constructor]',
  '[__proto__]',
];

type Random = () => number;
const upTo = (random: Random, most: number) => Math.floor(random() * most);
const oneOf = <T>(random: Random, of: readonly T[]): T => of[upTo(random, of.length)]!;

/** Longest input that is tried; doors say themselves what is too much for them. */
const LONGEST = 300_000;

type Mutation = (text: string, random: Random, other: string) => string;
const MUTATIONS: readonly Mutation[] = [
  // A piece goes, is doubled, or comes many times over.
  (text, random) => {
    const [from, length] = [upTo(random, text.length), 1 + upTo(random, 40)];
    return text.slice(0, from) + text.slice(from + length);
  },
  (text, random) => {
    const [from, length] = [upTo(random, text.length), 1 + upTo(random, 60)];
    const piece = text.slice(from, from + length);
    const times = random() < 0.1 ? 2000 : 1 + upTo(random, 5);
    return text.slice(0, from) + piece.repeat(times) + text.slice(from);
  },
  (text, random) => {
    const at = upTo(random, text.length + 1);
    const times = random() < 0.1 ? 5000 : 1;
    return text.slice(0, at) + oneOf(random, NASTY).repeat(times) + text.slice(at);
  },
  // One sign is another.
  (text, random) => {
    const at = upTo(random, text.length);
    return text.slice(0, at) + String.fromCharCode(upTo(random, 256)) + text.slice(at + 1);
  },
  // A number is another one, or no number.
  (text, random) => {
    const numbers = [...text.matchAll(/-?\d+(\.\d+)?/g)];
    if (numbers.length === 0) return text + oneOf(random, NASTY);
    const found = oneOf(random, numbers);
    const rest = text.slice(found.index + found[0].length);
    return text.slice(0, found.index) + oneOf(random, NASTY) + rest;
  },
  // Cut off; the head of one and the tail of another.
  (text, random) => text.slice(0, upTo(random, text.length)),
  (text, random, other) =>
    text.slice(0, upTo(random, text.length)) + other.slice(upTo(random, other.length)),
];

/** A good input with one to four things wrong with it. */
export function mutated(samples: readonly string[], random: Random): string {
  let text = oneOf(random, samples);
  const times = 1 + upTo(random, 4);
  for (let n = 0; n < times; n++)
    text = oneOf(random, MUTATIONS)(text, random, oneOf(random, samples)).slice(0, LONGEST);
  return text;
}
