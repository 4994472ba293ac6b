'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Production } from '@/core/document/production';
import { readDocumentText } from '@/core/document/read';
import { summarise } from '@/core/document/summary';
import type { Problem } from '@/core/result';
import { Dialog } from '@/ui/Dialog';
import { requestJson } from './request';

const MOST_BYTES = 4_000_000;

type Read = { document: Production } | { problems: Problem[] } | null;

/** Shows what a file holds, or line by line why it is refused, before anything changes. */
export default function ImportDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [read, setRead] = useState<Read>(null);
  const [problem, setProblem] = useState<string | null>(null);

  const look = async (file: File | undefined) => {
    setProblem(null);
    if (!file) return setRead(null);
    if (file.size > MOST_BYTES)
      return setRead({
        problems: [
          {
            code: 'too_big',
            path: '',
            message: `${file.name} has ${(file.size / 1e6).toFixed(1)} MB; a production has less than 4 MB.`,
          },
        ],
      });
    const found = readDocumentText(await file.text());
    setRead(found.ok ? { document: found.value } : { problems: found.problems });
  };
  const take = async (document: Production) => {
    const outcome = await requestJson('POST', '/api/productions', { document });
    if (outcome.ok && outcome.id) router.push(`/p/${outcome.id}/shot`);
    else setProblem(outcome.message ?? null);
  };
  return (
    <Dialog title="Import a production" open onClose={onClose}>
      <label className="block">
        <span className="block font-semibold">A file that Lantern Jar exported</span>
        <input
          type="file"
          accept=".json,application/json"
          className="field"
          onChange={(event) => look(event.target.files?.[0])}
        />
      </label>
      {read && 'problems' in read && (
        <div role="alert" className="mt-4 bg-stop-wash p-3 text-sm">
          <p className="font-semibold">Not taken; nothing has changed.</p>
          <ul className="list-disc pl-5">
            {read.problems.slice(0, 12).map((each, index) => (
              <li key={index}>
                {each.path && <span className="figure">{each.path}: </span>}
                {each.message}
              </li>
            ))}
          </ul>
          {read.problems.length > 12 && <p>and {read.problems.length - 12} more.</p>}
        </div>
      )}
      {read && 'document' in read && (
        <div className="mt-4">
          <p>
            Adds <strong>{read.document.name}</strong> as a production of its own:{' '}
            {summarise(read.document)}. Nothing you have is changed.
          </p>
          <p className="mt-3">
            <button type="button" className="press press-main" onClick={() => take(read.document)}>
              Add it
            </button>
          </p>
        </div>
      )}
      {problem && (
        <p role="alert" className="mt-3 bg-stop-wash p-3 text-sm">
          {problem}
        </p>
      )}
    </Dialog>
  );
}
