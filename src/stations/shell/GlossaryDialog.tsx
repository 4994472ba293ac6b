'use client';
import { useState } from 'react';
import { Dialog } from '@/ui/Dialog';
import { GLOSSARY } from '@/ui/glossary';
import { STATIONS } from './stations';

/** Every term of the trade and of this tool, and what the stations are for. */
export default function GlossaryDialog({ onClose }: { onClose: () => void }) {
  const [wanted, setWanted] = useState('');
  const terms = Object.entries(GLOSSARY)
    .filter(([term, words]) => `${term} ${words}`.toLowerCase().includes(wanted.toLowerCase()))
    .toSorted(([a], [b]) => a.localeCompare(b));
  return (
    <Dialog title="What the words mean" open onClose={onClose} place="side">
      <label className="block text-[13px] text-ink-soft">
        Look for
        <input
          className="field mt-1 text-ink"
          value={wanted}
          autoComplete="off"
          autoFocus
          onChange={(event) => setWanted(event.target.value)}
        />
      </label>
      <p role="status" className="sr-only">
        {terms.length} terms
      </p>
      <dl className="mt-3 text-sm" data-terms={terms.length}>
        {terms.map(([term, words]) => (
          <div key={term} className="border-b border-line py-2">
            <dt className="font-semibold">{term}</dt>
            <dd className="text-ink-soft">{words}</dd>
          </div>
        ))}
      </dl>
      {terms.length === 0 && <p className="mt-3">No such word here. Try a shorter one.</p>}
      <h3 className="mt-6 text-lg">The stations</h3>
      <dl className="text-sm">
        {STATIONS.map(({ id, name, key, question }) => (
          <div key={id} className="flex gap-3 border-b border-line py-1.5">
            <dt className="w-24 shrink-0 font-semibold">
              {name} <span className="figure font-normal text-ink-soft">{key}</span>
            </dt>
            <dd>{question}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
