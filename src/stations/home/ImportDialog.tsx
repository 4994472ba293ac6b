'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { summarise } from '@/core/document/summary';
import { Dialog } from '@/ui/Dialog';
import { lookAt, takeIn, type Look, type Looked } from './importing';

/** Shows what a file holds, or line by line why it is refused, before anything changes. */
export default function ImportDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [read, setRead] = useState<Look | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [work, setWork] = useState<{ words: string; share: number } | null>(null);

  const under = async <T,>(words: string, work: (tell: (share: number) => void) => Promise<T>) => {
    setProblem(null);
    setWork({ words, share: 0 });
    try {
      return await work((share) => setWork({ words, share }));
    } catch (error) {
      setProblem((error as Error).message);
      return null;
    } finally {
      setWork(null);
    }
  };
  const look = async (file: File | undefined) => {
    setRead(null);
    if (file) setRead(await under('Looking at it', (tell) => lookAt(file, tell)));
  };
  const take = async (looked: Looked) => {
    const outcome = await under('Adding it', (tell) => takeIn(looked, tell));
    if (!outcome) return;
    if ('id' in outcome) router.push(`/p/${outcome.id}/shot`);
    else setProblem(outcome.message);
  };
  return (
    <Dialog title="Import a production" open onClose={onClose}>
      <label className="block">
        <span className="block font-semibold">A file that Lantern Jar exported</span>
        <span className="block text-sm text-ink-soft">JSON, or a zip with photographs</span>
        <input
          type="file"
          accept=".json,.zip,application/json,application/zip"
          className="field"
          onChange={(event) => void look(event.target.files?.[0])}
        />
      </label>
      {work && (
        <p role="status" className="mt-4">
          {work.words}, <span className="figure">{Math.round(work.share * 100)} %</span>
        </p>
      )}
      {read && 'problems' in read && <Refused problems={read.problems} />}
      {read && 'looked' in read && (
        <div className="mt-4">
          <Brings looked={read.looked} />
          <p className="mt-3">
            <button
              type="button"
              className="press press-main"
              disabled={work !== null}
              onClick={() => void take(read.looked)}
            >
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

const MOST_LISTED = 12;

function Listed({ lines }: { lines: readonly React.ReactNode[] }) {
  return (
    <>
      <ul className="list-disc pl-5">
        {lines.slice(0, MOST_LISTED).map((line, k) => (
          <li key={k}>{line}</li>
        ))}
      </ul>
      {lines.length > MOST_LISTED && <p>and {lines.length - MOST_LISTED} more.</p>}
    </>
  );
}

function Refused({ problems }: { problems: readonly { path: string; message: string }[] }) {
  return (
    <div role="alert" className="mt-4 bg-stop-wash p-3 text-sm">
      <p className="font-semibold">Not taken; nothing has changed.</p>
      <Listed
        lines={problems.map(({ path, message }) => (
          <>
            {path && <span className="figure">{path}: </span>}
            {message}
          </>
        ))}
      />
    </div>
  );
}

const counted = (count: number, noun: string) => `${count} ${noun}${count === 1 ? '' : 's'}`;

/** What would be added, and what of the file is left out or missing. */
function Brings({ looked: { document, zip, open, unknown } }: { looked: Looked }) {
  const { pictures } = document;
  const bytes = zip?.found.whole.reduce((sum, { sizeBytes }) => sum + sizeBytes, 0) ?? 0;
  const absent = zip ? zip.found.missing : pictures;
  const notes: string[] = [
    ...(absent.length > 0
      ? [
          `${counted(absent.length, 'photograph')} not in the file (${absent.map(({ name }) => name).join(', ')}): ${absent.length === 1 ? 'its caption stays' : 'their captions stay'}, the picture shows once it is put in again`,
        ]
      : []),
    ...(zip?.found.spoiled ?? []).map(({ name, why }) => `${name} is left out: ${why}`),
    ...(zip?.found.extra.length
      ? [`left out, because nothing names it: ${zip.found.extra.join(', ')}`]
      : []),
    ...unknown.map((path) => `${path} is left out: this version does not know it`),
    ...open,
  ];
  return (
    <>
      <p>
        Adds <strong>{document.name}</strong> as a production of its own: {summarise(document)}
        {zip && zip.found.whole.length > 0
          ? `, ${counted(zip.found.whole.length, 'photograph')} (${(bytes / 1e6).toFixed(1)} MB)`
          : ''}
        . Nothing you have is changed.
      </p>
      {notes.length > 0 && (
        <div className="mt-2 bg-brass-wash p-3 text-sm" data-import-notes>
          <Listed lines={notes} />
        </div>
      )}
    </>
  );
}
