import type { SetWorking } from '@/core/evaluate/setup/working';
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

/** Words that may be asked how they came about. */
export function Asked({
  words,
  of,
  why,
}: {
  words: string;
  /** what they are of, where that is not said in them */
  of?: string;
  why: (words: string) => SetWorking;
}) {
  const tell = useWhy();
  return (
    <button
      type="button"
      aria-haspopup="dialog"
      aria-label={`${of ? `${of}, ` : ''}${words}: the working`}
      className="text-inherit underline decoration-line-strong decoration-dotted underline-offset-4"
      onClick={() => tell(why(words))}
    >
      {words}
    </button>
  );
}

/** A figure and what it is of. */
export function Line({ term, words, mark, why }: LineProps) {
  return (
    <div className="flex justify-between gap-3 border-b border-line/60 py-0.5">
      <dt className="text-ink-soft">{term}</dt>
      <dd className="figure text-right" data-figure={mark}>
        {why ? <Asked words={words} of={term} why={why} /> : words}
      </dd>
    </div>
  );
}
