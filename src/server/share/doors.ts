import type { Right } from '@/core/document/rights';

/** What a request asks to do: something a right lets it, or what only the bench itself does. */
type Asked = Right | 'bench';

/** Requests that look like changes and are none. */
const ASKING = /^\/api\/productions\/[^/]+\/since$/;
const SAVING = /^\/api\/productions\/[^/]+$/;
const SENDING_PICTURES = /^\/api\/media\/[0-9a-f]+(\/small)?$/;
const BENCH_ONLY = /^\/api\/(share|backup|bin)(\/|$)/;

export const sendsPicture = (method: string, path: string): boolean =>
  method === 'PUT' && SENDING_PICTURES.test(path) && !path.endsWith('/small');

/** What is asked for by a method and a path; what is not known here is an edit. */
export function askedFor(method: string, path: string): Asked {
  if (BENCH_ONLY.test(path)) return 'bench';
  if (method === 'GET' || method === 'HEAD') return 'read';
  if (method === 'POST' && ASKING.test(path)) return 'read';
  // Which edits are for one who may tick is looked at where they are taken (core/document/rights.ts).
  if (method === 'PATCH' && SAVING.test(path)) return 'tick';
  if (method === 'PUT' && SENDING_PICTURES.test(path)) return 'tick';
  return 'edit';
}

const RANK: Record<Asked, number> = { read: 0, tick: 1, edit: 2, bench: 3 };

export const mayAsk = (right: Right, asked: Asked): boolean => RANK[asked] <= RANK[right];
