import { threeFigures } from '@/core/quantity';

interface DeviationProps {
  measured: number;
  forecast: number;
  /** standard uncertainty of the quotient, as a share */
  share: number;
  unit: string;
}

/** Less than two standard errors are no news. */
const NEWS = 2;

/** A reading beside its forecast: in stops, and in standard errors. */
export function Deviation({ measured, forecast, share, unit }: DeviationProps) {
  const stops = Math.log2(measured / forecast);
  const errors = Math.abs(Math.log(measured / forecast)) / Math.max(share, 1e-9);
  const way = stops < 0 ? 'under' : 'over';
  return (
    <p className="text-[14px]" data-deviation={stops.toFixed(2)}>
      Forecast{' '}
      <span className="figure">
        {threeFigures(forecast)} {unit}
      </span>
      :{' '}
      {errors < NEWS
        ? `as forecast, ${Math.abs(stops).toFixed(2)} stops ${way}, within its error`
        : `${Math.abs(stops).toFixed(2)} stops ${way}, ${errors.toFixed(1)} standard errors: look at the distance first, then at the label`}
      .
    </p>
  );
}
