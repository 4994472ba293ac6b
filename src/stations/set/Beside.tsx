'use client';
import { useMemo } from 'react';
import { keyFigures, type KeyFigures } from '@/core/set/keyFigures';
import { litOf, type Lit } from '@/core/set/readings';
import type { Setup } from '@/core/set/setup';
import { stopsFigure } from '@/core/quantity';
import { useProduction } from '../store/context';
import { CameraPicture } from './CameraPicture';
import { exposureOf } from './exposureOf';
import { lux } from './Line';
import { useLayers } from './useLayers';
import { useSolved } from './useSolved';

interface BesideProps {
  /** on the bench */
  setup: Setup;
  lit: readonly Lit[];
  /** held against it */
  other: Setup;
}

/** Another setup beside the one on the bench: its picture at its own exposure, and both in figures. */
export function Beside({ setup, lit, other }: BesideProps) {
  const shots = useProduction(({ document }) => document.shots);
  const { answer, busy } = useSolved(other, null);
  const layers = useLayers(answer?.picture ?? null);
  const otherLit = useMemo(() => litOf(other, answer?.lights ?? []), [other, answer?.lights]);
  const there = exposureOf(shots, other);
  return (
    <section
      aria-label={`${other.name}, beside it`}
      className="mt-2"
      data-beside={busy ? 'busy' : 'done'}
    >
      <h2 className="mb-1 text-[15px]">{other.name}</h2>
      <CameraPicture
        name={other.name}
        layers={layers}
        lit={otherLit}
        targetLx={there.greyLx}
        aloneId={null}
        busy={busy}
      />
      {answer && (
        <Compared
          here={keyFigures(setup, lit, exposureOf(shots, setup).targetLx)}
          there={keyFigures(other, otherLit, there.targetLx)}
          names={[setup.name, other.name]}
        />
      )}
    </section>
  );
}

type Row = readonly [term: string, of: (figures: KeyFigures) => string | null];
const ROWS: readonly Row[] = [
  ['At the face', ({ head }) => head && lux(head.frontLx)],
  [
    'Against what the shot wants',
    ({ head }) => (head?.stops == null ? null : `${stopsFigure(head.stops)} stops`),
  ],
  [
    'Key + fill : fill',
    ({ head }) =>
      head?.ratio == null ? null : `${head.ratio.toFixed(head.ratio < 10 ? 1 : 0)} : 1`,
  ],
  [
    'Mixed colour',
    ({ head }) => (head?.cctK == null ? null : `${Math.round(head.cctK / 10) * 10} K`),
  ],
  ['Backdrop, mean', ({ backdrop }) => backdrop && lux(backdrop.meanLx)],
  [
    'Backdrop, even within',
    ({ backdrop }) =>
      backdrop?.plusMinusStops == null ? null : `± ${backdrop.plusMinusStops.toFixed(2)} stops`,
  ],
  [
    'Backdrop against the face',
    ({ againstStops }) => (againstStops === null ? null : `${stopsFigure(againstStops)} stops`),
  ],
  ['Lights that are lit', ({ lit }) => String(lit)],
  ['All lamps', ({ wattsW }) => `${Math.round(wattsW)} W`],
];

function Compared({
  here,
  there,
  names,
}: {
  here: KeyFigures;
  there: KeyFigures;
  names: readonly [string, string];
}) {
  return (
    <table className="mt-2 w-full text-[13.5px]" data-compared>
      <thead>
        <tr className="text-ink-soft">
          <td />
          {names.map((name) => (
            <th key={name} scope="col" className="max-w-40 truncate pl-3 text-right font-normal">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {ROWS.map(([term, of]) => {
          const both = [of(here), of(there)];
          return both.every((words) => words === null) ? null : (
            <tr key={term} className="border-t border-line/60">
              <th scope="row" className="py-0.5 text-left font-normal text-ink-soft">
                {term}
              </th>
              {both.map((words, k) => (
                <td key={k} className="figure pl-3 text-right">
                  {words ?? '–'}
                </td>
              ))}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
