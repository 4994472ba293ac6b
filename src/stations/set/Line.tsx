import { show, showText } from '@/core/quantity';

export const lux = (value: number): string => showText(show(value, 'illuminance', 'metric'));
export const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** A figure and what it is of. */
export function Line({ term, words, mark }: { term: string; words: string; mark?: string }) {
  return (
    <div className="flex justify-between gap-3 border-b border-line/60 py-0.5">
      <dt className="text-ink-soft">{term}</dt>
      <dd className="figure text-right" data-figure={mark}>
        {words}
      </dd>
    </div>
  );
}
