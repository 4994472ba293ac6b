import type { SetWorking } from '@/core/evaluate/setup/workings';
import { show, showText } from '@/core/quantity';
import { useWhy } from './WhySheet';

export const lux = (value: number): string => showText(show(value, 'illuminance', 'metric'));
export const percent = (share: number): string => `${Math.round(share * 100)} %`;

interface LineProps {
  term: string;
  words: string;
  mark?: string;
  /** how it came about, for who asks */
  why?: (words: string) => SetWorking;
}

/** A figure and what it is of. */
export function Line({ term, words, mark, why }: LineProps) {
  const tell = useWhy();
  return (
    <div className="flex justify-between gap-3 border-b border-line/60 py-0.5">
      <dt className="text-ink-soft">{term}</dt>
      <dd className="figure text-right" data-figure={mark}>
        {why ? (
          <button
            type="button"
            aria-haspopup="dialog"
            aria-label={`${term}, ${words}: the working`}
            className="text-right underline decoration-line-strong decoration-dotted underline-offset-4"
            onClick={() => tell(why(words))}
          >
            {words}
          </button>
        ) : (
          words
        )}
      </dd>
    </div>
  );
}
