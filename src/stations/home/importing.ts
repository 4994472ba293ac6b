'use client';
import type { Production } from '@/core/document/production';
import { leftOut } from '@/core/document/leftOut';
import { MOST_DOCUMENT_BYTES, readDocumentText } from '@/core/document/read';
import { openReferences } from '@/core/document/references';
import type { Problem } from '@/core/result';
import { ask } from '@/workers/pool';
import type { ZippedProduction } from '@/workers/productionZip';
import { proxy } from 'comlink';
import { requestJson } from './request';
import { sendMedia } from '../store/media';

/** A film's worth of photographs; more than this is another kind of file. */
const MOST_ZIP_BYTES = 4_000_000_000;

/** What a file would bring, looked at before anything changes. */
export interface Looked {
  document: Production;
  /** null for a file of JSON alone, which brings no photographs */
  zip: { file: File; found: ZippedProduction } | null;
  /** references of lights to things that are not in the file, as sentences */
  open: string[];
  /** fields this version does not know, by their paths */
  unknown: string[];
}
export type Look = { looked: Looked } | { problems: Problem[] };

const tooBig = (file: File, most: string): Look => ({
  problems: [
    {
      code: 'too_big',
      path: '',
      message: `${file.name} has ${(file.size / 1e6).toFixed(1)} MB; ${most}.`,
    },
  ],
});

/** A zip says so in its first bytes, whatever it is called. */
async function isZip(file: File): Promise<boolean> {
  const head = new Uint8Array(await file.slice(0, 4).arrayBuffer());
  return head[0] === 0x50 && head[1] === 0x4b;
}

export async function lookAt(file: File, onProgress: (share: number) => void): Promise<Look> {
  if (await isZip(file)) {
    if (file.size > MOST_ZIP_BYTES) return tooBig(file, 'a production has less than 4 GB');
    const found = await ask(async (api) => api.productionZip(file, proxy(onProgress)), {
      priority: 'soon',
      patienceMs: 600_000,
    });
    if (!found.ok) return { problems: found.problems };
    const { document, unknown } = found.value;
    const open = openWords(document);
    return { looked: { document, zip: { file, found: found.value }, open, unknown } };
  }
  if (file.size > MOST_DOCUMENT_BYTES)
    return tooBig(file, `a production has less than ${MOST_DOCUMENT_BYTES / 1e6} MB`);
  const words = await file.text();
  const read = readDocumentText(words);
  if (!read.ok) return { problems: read.problems };
  const document = read.value;
  const unknown = leftOut(JSON.parse(words.replace(/^\ufeff/, '')), document);
  return { looked: { document, zip: null, open: openWords(document), unknown } };
}

const openWords = (document: Production): string[] =>
  openReferences(document).map(
    ({ build, ref, id }) => `“${build.name}” names a ${ref} “${id}” that is not in the file`,
  );

/** Adds it: photographs first, so that the production finds them when it opens. */
export async function takeIn(
  { document, zip }: Looked,
  onProgress: (share: number) => void,
): Promise<{ id: string } | { message: string }> {
  const media = zip?.found.whole ?? [];
  for (const [k, { media: hash, entry }] of media.entries()) {
    const bytes = await ask(async (api) => api.zippedPicture(zip!.file, entry), {
      priority: 'soon',
    });
    const sent = bytes.ok ? await sendMedia(hash, bytes.value) : bytes.problems[0]!.message;
    if (sent) return { message: `${entry}: ${sent} Nothing has been added.` };
    onProgress((k + 1) / (media.length + 1));
  }
  const outcome = await requestJson('POST', '/api/productions', { document });
  return outcome.ok && outcome.id
    ? { id: outcome.id }
    : { message: outcome.message ?? 'The server does not answer.' };
}
