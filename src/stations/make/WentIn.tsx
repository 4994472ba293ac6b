'use client';
import { useState } from 'react';
import type { Making } from '@/core/document/making';
import { formatMoney } from '@/core/quantity';
import { MoneyField, TextField } from '@/ui/fields/TextField';
import { useProduction } from '../store/context';
import type { InMaking } from './MakeStation';

/** Money really paid, beside what the shelf says. */
export function Paid({ at: { readouts, making, bench } }: { at: InMaking }) {
  const currency = useProduction((state) => state.document.currency);
  const money = (minor: number) => formatMoney(minor, currency);
  const lines = readouts.purchase.lines.filter(
    ({ packsNow, key }) => packsNow > 0 || paidFor(making, key),
  );
  const paid = Object.values(making.paid).reduce((sum, { minor }) => sum + minor, 0);
  return (
    <section>
      <h2 className="text-lg">Paid</h2>
      {lines.length === 0 ? (
        <p className="text-sm">Everything for it is on hand.</p>
      ) : (
        <>
          <ul className="mt-1 grid gap-2">
            {lines.map(({ key, name, spentNowMinor }) => (
              <li key={key} className="grid grid-cols-[minmax(0,1fr)_80px] items-end gap-3">
                <MoneyField
                  label={name}
                  valueMinor={paidFor(making, key)?.minor ?? null}
                  currency={currency}
                  emptyText="not yet"
                  onCommit={(minor) => void bench.pay(making, key, name, minor)}
                />
                <span className="figure pb-1 text-right text-[13px] text-ink-soft">
                  {money(spentNowMinor)}
                </span>
                {paidFor(making, key) && (
                  <TextField
                    label={`Shop of ${name}`}
                    value={paidFor(making, key)!.shop}
                    most={80}
                    mayBeEmpty
                    onCommit={(shop) => void bench.boughtAt(making, key, name, shop)}
                  />
                )}
              </li>
            ))}
          </ul>
          <p className="mt-1 text-sm">
            Paid so far <strong className="figure">{money(paid)}</strong> of{' '}
            <span className="figure">{money(readouts.purchase.spentNowMinor)}</span> planned.
          </p>
        </>
      )}
    </section>
  );
}

const paidFor = ({ paid }: Making, key: string) => paid[key];

/** What really went in, where that is other than the parts list says. */
export function Used({ at: { readouts, making, bench } }: { at: InMaking }) {
  const { lines } = readouts.purchase;
  const [key, setKey] = useState('');
  const [words, setWords] = useState('');
  const chosen = lines.find((line) => line.key === key) ?? lines[0];
  if (!chosen) return null;
  const write = () => {
    const said = words.trim();
    if (said !== '' && !bench.usedInstead(making, chosen.key, chosen.name, said)) setWords('');
  };
  return (
    <section data-used={Object.keys(making.used ?? {}).length}>
      <h2 className="text-lg">Parts really used</h2>
      <p className="text-sm">
        As listed{Object.keys(making.used ?? {}).length > 0 && ', but for these'}. What changes the
        drawing or the light is chosen in the tray, too.
      </p>
      <ul className="text-sm">
        {Object.entries(making.used ?? {}).map(([of, used]) => (
          <li key={of} className="flex items-baseline gap-2 border-b border-line py-1">
            <span className="flex-1">
              {used.words} <span className="text-ink-soft">instead of {used.name}</span>
            </span>
            <button
              type="button"
              className="press no-print !px-2 !py-0"
              onClick={() => void bench.usedInstead(making, of, used.name, '')}
            >
              As planned
            </button>
          </li>
        ))}
      </ul>
      <form
        className="no-print mt-2 grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_auto] items-end gap-3 max-md:grid-cols-1"
        onSubmit={(event) => {
          event.preventDefault();
          write();
        }}
      >
        <label className="text-sm text-ink-soft">
          Instead of
          <select
            className="field text-ink"
            value={chosen.key}
            onChange={(event) => setKey(event.target.value)}
          >
            {lines.map((line) => (
              <option key={line.key} value={line.key}>
                {line.name}
              </option>
            ))}
          </select>
        </label>
        <label className="text-sm text-ink-soft">
          Really used
          <input
            className="field text-ink"
            value={words}
            maxLength={200}
            onChange={(event) => setWords(event.target.value)}
          />
        </label>
        <button type="submit" className="press" disabled={words.trim() === ''}>
          Note it
        </button>
      </form>
    </section>
  );
}
