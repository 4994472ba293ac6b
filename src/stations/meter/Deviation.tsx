import { ORIGIN_WORDS, type Origin } from '@/core/origin';
import { threeFigures } from '@/core/quantity';

interface DeviationProps {
  measured: number;
  forecast: number;
  /** standard uncertainty of the quotient, as a share */
  share: number;
  unit: string;
  origin: Origin;
  /** where to look first when it is far off */
  lookAt: string;
}

/** Less than two standard errors are no news. */
const NEWS = 2;

/** A reading beside its forecast: in stops, and in standard errors. */
export function Deviation({ measured, forecast, share, unit, origin, lookAt }: DeviationProps) {
  const stops = Math.log2(measured / forecast);
  const errors = Math.abs(Math.log(measured / forecast)) / Math.max(share, 1e-9);
  const way = stops < 0 ? 'under' : 'over';
  return (
    <p className="text-[14px]" data-deviation={stops.toFixed(2)}>
      Forecast{' '}
      <span className="figure">
        {threeFigures(forecast)} {unit}
      </span>
      , {ORIGIN_WORDS[origin]}:{' '}
      {errors < NEWS
        ? `as forecast, ${Math.abs(stops).toFixed(2)} stops ${way}, within its error`
        : `${Math.abs(stops).toFixed(2)} stops ${way}, ${errors.toFixed(1)} standard errors: look at ${lookAt}`}
      .
    </p>
  );
}
