import { stopsFigure } from '@/core/quantity';
import { SCALE_STOPS, stopsCss } from './stopsColour';

/** What the colours of a map mean, in stops. */
export function StopsScale({ words }: { words: string }) {
  return (
    <p className="flex flex-wrap items-center justify-center gap-x-1 text-[12px] text-ink-soft">
      {[...SCALE_STOPS].reverse().map((stops) => (
        <span key={stops} className="flex items-center gap-1">
          <span
            aria-hidden
            className="inline-block h-3 w-5 border border-line-strong"
            style={{ background: stopsCss(stops) }}
          />
          <span className="figure">{stopsFigure(stops)}</span>
        </span>
      ))}
      <span className="pl-1">stops, {words}</span>
    </p>
  );
}
