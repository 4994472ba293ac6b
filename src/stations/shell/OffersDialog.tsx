'use client';
import { useState } from 'react';
import type { Choice } from '@/core/document/edit';
import { Dialog } from '@/ui/Dialog';
import { useProduction, useProductionStore } from '../store/context';
import type { Offer, Stranded } from '../store/state';
import { download } from './actions';
import { ClashList } from './ClashList';

const MOST_LISTED = 12;

/** Changes that a closed window left behind before they were kept. */
export default function OffersDialog() {
  const store = useProductionStore();
  const offer = useProduction((state) => state.offers[0]);
  const stranded = useProduction((state) => state.stranded);
  if (offer)
    return (
      <Dialog title="Changes from a closed window" open waits>
        <OneOffer key={offer.window} offer={offer} />
      </Dialog>
    );
  if (!stranded) return null;
  return (
    <Dialog title="Changes from before an update" open waits>
      <StrandedChanges stranded={stranded} onDrop={() => store.getState().dropStranded()} />
    </Dialog>
  );
}

function Labels({ labels }: { labels: readonly string[] }) {
  return (
    <ul className="mt-2 list-disc pl-5 text-sm">
      {labels.slice(0, MOST_LISTED).map((label, k) => (
        <li key={k}>{label}</li>
      ))}
      {labels.length > MOST_LISTED && <li>and {labels.length - MOST_LISTED} more</li>}
    </ul>
  );
}

function OneOffer({ offer }: { offer: Offer }) {
  const store = useProductionStore();
  const document = useProduction((state) => state.document);
  const [choices, setChoices] = useState<Record<string, Choice>>({});
  const { moves, clashes, window } = offer;
  const open = clashes.filter(({ key }) => !choices[key]).length;
  return (
    <>
      <p>
        A window of this browser was closed before {moves.length === 1 ? 'a change' : 'changes'}{' '}
        made in it had been kept:
      </p>
      <Labels labels={moves.map(({ batch }) => batch.label)} />
      {clashes.length > 0 && (
        <p className="mt-3">
          Some of it has been changed since. Say which it shall be; the rest fits in.
        </p>
      )}
      <ClashList
        document={document}
        clashes={clashes}
        choices={choices}
        onChoose={(key, choice) => setChoices((before) => ({ ...before, [key]: choice }))}
      />
      <p className="mt-4 flex flex-wrap gap-3">
        <button
          type="button"
          className="press press-main"
          disabled={open > 0}
          onClick={() => store.getState().takeOffer(window, choices)}
        >
          Put them on top
        </button>
        <button type="button" className="press" onClick={() => store.getState().dropOffer(window)}>
          Throw them away
        </button>
      </p>
    </>
  );
}

function StrandedChanges({ stranded, onDrop }: { stranded: Stranded; onDrop: () => void }) {
  return (
    <>
      <p>
        An older version of Lantern Jar left changes in this browser that were never kept. The
        production has moved on since, and they name places in lists that may be others now; so they
        are not put in by themselves. Nothing is lost as long as you leave them here.
      </p>
      <Labels labels={stranded.labels} />
      <p className="mt-4 flex flex-wrap gap-3">
        <button
          type="button"
          className="press press-main"
          onClick={() =>
            download(
              'changes-before-update.json',
              JSON.stringify(stranded.raw, null, 2),
              'application/json',
            )
          }
        >
          Save them as a file
        </button>
        <button type="button" className="press" onClick={onDrop}>
          Throw them away
        </button>
      </p>
    </>
  );
}
