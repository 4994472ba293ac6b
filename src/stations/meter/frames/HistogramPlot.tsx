import { BINS_A_STOP, DARKEST_STOP, HISTOGRAM_BINS, type FrameData } from '@/core/frames/frame';

const [WIDE, HIGH] = [300, 84];
const INKS = ['var(--ink-soft)', 'var(--brass)'] as const;

/** Two pictures' light laid over each other in stops about mid-grey. */
export function HistogramPlot({
  frames,
}: {
  frames: readonly { name: string; data: FrameData }[];
}) {
  const most = Math.max(...frames.flatMap(({ data }) => [...data.histogram.slice(1)]), 1e-6);
  const x = (bin: number) => (WIDE * bin) / HISTOGRAM_BINS;
  const path = (histogram: Float64Array) =>
    [...histogram]
      .map(
        (share, bin) =>
          `${bin ? 'L' : 'M'}${x(bin).toFixed(1)} ${(HIGH - (HIGH - 6) * Math.sqrt(Math.min(1, share / most))).toFixed(1)}`,
      )
      .join(' ');
  const stops = Array.from(
    { length: HISTOGRAM_BINS / BINS_A_STOP + 1 },
    (_, k) => DARKEST_STOP + k,
  );
  return (
    <figure className="text-[12.5px] text-ink-soft">
      <svg
        viewBox={`-12 0 ${WIDE + 24} ${HIGH + 20}`}
        className="w-full"
        role="img"
        aria-label={`How much of each picture lies at which light, in stops about mid-grey: ${frames.map(({ name }) => name).join(' and ')}`}
        data-histogram
      >
        {stops.map((stop, k) => (
          <g key={stop}>
            <path
              d={`M${x(k * BINS_A_STOP)} 0 V${HIGH}`}
              stroke="var(--line)"
              strokeWidth={stop === 0 ? 2 : 1}
            />
            {stop % 4 === 0 && (
              <text
                x={x(k * BINS_A_STOP)}
                y={HIGH + 15}
                fontSize="12.5"
                textAnchor="middle"
                fill="var(--ink-soft)"
              >
                {stop > 0 ? `+${stop}` : stop === 0 ? 'grey' : `−${-stop}`}
              </text>
            )}
          </g>
        ))}
        {frames.map(({ data, name }, k) => (
          <path
            key={name + String(k)}
            d={path(data.histogram)}
            fill="none"
            stroke={INKS[k % 2]}
            strokeWidth="1.5"
            strokeDasharray={k === 0 ? '5 3' : undefined}
          />
        ))}
      </svg>
      <figcaption>
        {frames.map(({ name }, k) => (
          <span key={name + String(k)} className="mr-3">
            {k === 0 ? '- - ' : '— '}
            {name}
          </span>
        ))}
        stops about mid-grey
      </figcaption>
    </figure>
  );
}
