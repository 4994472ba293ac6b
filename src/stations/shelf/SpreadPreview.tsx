'use client';
import { toDegrees, toRadians } from '@/core/angle';
import { intensityPerLm, prepareSpread, type Spread } from '@/core/units/spread';

const SIZE = 120;
const STEP_DEG = 5;

/** Where a unit sends its light: intensity by direction, away from its base upwards. */
export function SpreadPreview({ spread }: { spread: Spread }) {
  const prepared = prepareSpread(spread);
  const steps = Array.from({ length: 180 / STEP_DEG + 1 }, (_, k) => toRadians(k * STEP_DEG));
  const values = steps.map((theta) => intensityPerLm(prepared, Math.cos(theta)));
  const most = Math.max(...values);
  const point = (theta: number, value: number, side: 1 | -1) => {
    const r = (SIZE * 0.46 * value) / most;
    return `${SIZE / 2 + side * r * Math.sin(theta)} ${SIZE / 2 - r * Math.cos(theta)}`;
  };
  const outline = [
    ...steps.map((theta, k) => point(theta, values[k]!, 1)),
    ...steps.map((theta, k) => point(theta, values[k]!, -1)).toReversed(),
  ];
  const half = steps[values.findIndex((value, k) => k > 0 && value < most / 2)];
  return (
    <figure className="flex items-center gap-3">
      <svg
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        width={SIZE}
        height={SIZE}
        role="img"
        aria-label={`Intensity by direction: ${Math.round(1000 * most)} candela for each thousand lumens at most`}
      >
        {[0.25, 0.5, 0.75, 1].map((part) => (
          <circle
            key={part}
            cx={SIZE / 2}
            cy={SIZE / 2}
            r={SIZE * 0.46 * part}
            fill="none"
            stroke="var(--line)"
          />
        ))}
        <path
          d={`M${outline.join('L')}Z`}
          fill="var(--glass)"
          stroke="var(--brass)"
          strokeWidth="1.5"
        />
        <circle cx={SIZE / 2} cy={SIZE / 2} r="2" fill="var(--ink)" />
      </svg>
      <figcaption className="text-[13px] text-ink-soft">
        Away from its base upwards. At most {Math.round(1000 * most)} cd for each 1000 lm
        {half !== undefined && `; half of that ${Math.round(toDegrees(half))}° off`}.
      </figcaption>
    </figure>
  );
}
