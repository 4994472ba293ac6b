'use client';
import { lazyPanel } from '@/ui/lazyPanel';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { RIGHT_WORDS, type Right } from '@/core/document/rights';
import { Jar } from '@/ui/Jar';
import { Listening } from '@/ui/Listening';
import { Cover } from './Cover';
import { dayAndTime } from './dayAndTime';
import { requestJson } from './request';

const NewProductionDialog = lazyPanel(() => import('./NewProductionDialog'));

const ImportDialog = lazyPanel(() => import('./ImportDialog'));
const ShareDialog = lazyPanel(() => import('./ShareDialog'));
const BinDialog = lazyPanel(() => import('./BinDialog'));

interface ListedProduction {
  id: string;
  name: string;
  shots: number;
  builds: number;
  updatedAt: string;
}

interface ProductionsListProps {
  productions: ListedProduction[];
  /** productions in the bin */
  binned: number;
  /** whether devices of the network may be let in */
  shared: boolean;
  /** the device that looks, where it is not the bench itself */
  device: { name: string; right: Right } | null;
}

/** The wall of hooks: every production, and the ways to get another. */
export function ProductionsList(props: ProductionsListProps) {
  const { productions, shared, device } = props;
  const mayEdit = device === null || device.right === 'edit';
  const router = useRouter();
  const [panel, setPanel] = useState<'new' | 'import' | 'share' | 'bin' | null>(null);
  const [binned, setBinned] = useState<ListedProduction | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  const act = async (work: Promise<{ ok: boolean; message?: string }>, done: () => void) => {
    const outcome = await work;
    setProblem(outcome.ok ? null : (outcome.message ?? null));
    if (outcome.ok) done();
    router.refresh();
  };
  const bin = (production: ListedProduction) =>
    act(requestJson('DELETE', `/api/productions/${production.id}`), () => setBinned(production));
  const takeBack = (production: ListedProduction) =>
    act(requestJson('POST', `/api/productions/${production.id}/restore`, {}), () =>
      setBinned(null),
    );

  return (
    <main className="mx-auto max-w-6xl px-6 py-10">
      <Listening />
      <Greeting />
      <p className="mt-8 flex flex-wrap gap-3 empty:hidden">
        {mayEdit && (
          <>
            <button type="button" className="press press-main" onClick={() => setPanel('new')}>
              New production
            </button>
            <button type="button" className="press" onClick={() => setPanel('import')}>
              Import a file
            </button>
          </>
        )}
        {!device && shared && (
          <button type="button" className="press" onClick={() => setPanel('share')}>
            Share the bench
          </button>
        )}
        {!device && props.binned > 0 && (
          <button type="button" className="press" onClick={() => setPanel('bin')}>
            Bin ({props.binned})
          </button>
        )}
      </p>
      {device && (
        <p className="mt-4 text-ink-soft">
          “{device.name}” may {RIGHT_WORDS[device.right]}.
        </p>
      )}
      {binned && (
        <p role="status" className="mt-4 border border-line bg-raised p-3">
          “{binned.name}” is in the bin.{' '}
          <button type="button" className="press" onClick={() => takeBack(binned)}>
            Take it back
          </button>
        </p>
      )}
      {problem && (
        <p role="alert" className="mt-4 bg-stop-wash p-3">
          {problem}
        </p>
      )}
      <h2 className="mt-8 text-xl">Productions</h2>
      {productions.length === 0 && (
        <p className="mt-2 text-ink-soft">
          None yet. Start the application with <span className="figure">./jar demo</span> to get{' '}
          <em>Night Ferry</em>, or begin your own.
        </p>
      )}
      <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(min(100%,360px),1fr))] gap-5 border-t-2 border-line-strong pt-5">
        {productions.map((production) => (
          <OneProduction
            key={production.id}
            production={production}
            onDelete={mayEdit ? () => bin(production) : null}
          />
        ))}
      </ul>
      <p className="mt-8 max-w-2xl text-[13px] text-ink-soft">
        Mains, heat, heights and sheet metal hurt people. Lantern Jar checks what it can and says
        what it cannot; local codes and a competent person come first.
      </p>
      {panel === 'new' && <NewProductionDialog onClose={() => setPanel(null)} />}
      {panel === 'import' && <ImportDialog onClose={() => setPanel(null)} />}
      {panel === 'share' && <ShareDialog onClose={() => setPanel(null)} />}
      {panel === 'bin' && <BinDialog onClose={() => setPanel(null)} />}
    </main>
  );
}

const Greeting = () => (
  <header className="flex items-center gap-5">
    <div className="h-24">
      <Jar filled={0.7} cctK={2700} cracked={false} />
    </div>
    <div>
      <h1 className="text-4xl">Lantern Jar</h1>
      <p className="mt-1 max-w-xl text-ink-soft">
        Film lights from household parts: sized for the shot, drawn to the millimetre, checked for
        cord and breaker, priced, and judged against what a shop would sell you.
      </p>
    </div>
  </header>
);

interface OneProductionProps {
  production: ListedProduction;
  /** null where it is not for this device to delete */
  onDelete: (() => void) | null;
}

function OneProduction({ production, onDelete }: OneProductionProps) {
  return (
    <li
      data-production={production.id}
      className="grid grid-cols-[164px_minmax(0,1fr)] border border-line bg-raised"
    >
      <Cover id={production.id} name={production.name} changed={production.updatedAt} />
      <div className="flex min-w-0 flex-col p-3">
        <Link
          href={`/p/${production.id}/shot`}
          className="truncate font-display text-lg font-semibold underline decoration-brass-bright underline-offset-4"
        >
          {production.name}
        </Link>
        <p className="mt-1 text-[13px] text-ink-soft">
          {counted(production.shots, 'shot')}, {counted(production.builds, 'light')}
          <br />
          changed <time dateTime={production.updatedAt}>{dayAndTime(production.updatedAt)}</time>
        </p>
        <p className="mt-auto flex gap-2 pt-2 text-[13px]">
          <Link className="press" href={`/p/${production.id}/ask`}>
            What should I build?<span className="sr-only"> in {production.name}</span>
          </Link>
          <a className="press" href={`/api/productions/${production.id}/file`} download>
            Export<span className="sr-only"> {production.name}</span>
          </a>
          {onDelete && (
            <button type="button" className="press" onClick={onDelete}>
              Delete<span className="sr-only"> {production.name}</span>
            </button>
          )}
        </p>
      </div>
    </li>
  );
}

const counted = (count: number, noun: string) => `${count} ${noun}${count === 1 ? '' : 's'}`;
