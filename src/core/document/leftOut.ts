import { DOCUMENT_VERSION, type Production } from './production';

/** No more than this is told. */
const MOST_TOLD = 200;

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function collect(given: unknown, read: unknown, path: string, told: string[]): void {
  if (told.length >= MOST_TOLD) return;
  if (Array.isArray(given) && Array.isArray(read))
    given.forEach((each, n) => collect(each, read[n], `${path}${n}.`, told));
  else if (isObject(given) && isObject(read))
    for (const [key, value] of Object.entries(given))
      if (Object.hasOwn(read, key)) collect(value, read[key], `${path}${key}.`, told);
      else told.push(path + key);
}

/**
 * Fields of a file that this version does not know, by their paths (`builds.3.smell`): reading leaves them
 * out. Of an older version nothing is told, since what it calls otherwise is carried over.
 */
export function leftOut(given: unknown, read: Production): string[] {
  const told: string[] = [];
  if (isObject(given) && given.version === DOCUMENT_VERSION) collect(given, read, '', told);
  return told;
}
