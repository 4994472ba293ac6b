import type { Readout } from '@/core/evaluate/readout';
import { showText } from '@/core/quantity';
import { clamp } from '@/core/tolerance';
import { shown, type Writing } from './showReadout';
import type { RungMarks } from './useRungMarks';

const [WIDE, HALF_STOPS] = [120, 1.5];
const at = (value: number, reference: number): number =>
  WIDE / 2 +
  (clamp(Math.log2(value / reference), -HALF_STOPS, HALF_STOPS) / HALF_STOPS) * (WIDE / 2 - 6);

/** A value with twice its standard error, on the line. */
function Bar({
  value,
  share,
  reference,
  y,
  ink,
}: {
  value: number;
  share: number;
  reference: number;
  y: number;
  ink: string;
}) {
  return (
    <path
      d={`M${at(value / (1 + 2 * share), reference)} ${y} H${at(value * (1 + 2 * share), reference)}`}
      stroke={ink}
      strokeWidth="2"
    />
  );
}

/** What the marks say, in words. */
export function marksText(
  { dimension: own }: Pick<Readout, 'dimension'>,
  { predicted, measured }: RungMarks,
  writing: Writing,
): string {
  const text = (figure: number, dimension = own) => showText(shown(figure, dimension, writing));
  return [
    predicted && `shelf ${text(predicted.value)}`,
    measured &&
      `${measured.simulated ? 'simulated meter' : 'metered'} ${text(measured.value, measured.dimension)}`,
  ]
    .filter(Boolean)
    .join(' · ');
}

/** Up to three marks beside a rung's figure: what the shelf says, what readings made of it, what a meter said. */
export function MarksLine({
  readout: { id, value, dimension },
  marks: { predicted, measured, share },
}: {
  readout: Readout;
  marks: RungMarks;
}) {
  // Stops are a difference already, and degrees no watts: such a meter's word stands beside the rung in words alone.
  const drawn = value !== null && value > 0 && dimension !== 'stops' && !measured?.dimension;
  return (
    <span
      className="ml-auto max-md:hidden"
      data-marks-of={id}
      data-measured={measured ? measured.value.toFixed(3) : undefined}
      data-predicted={predicted ? predicted.value.toFixed(3) : undefined}
    >
      {drawn && (
        <svg viewBox={`0 0 ${WIDE} 18`} width={WIDE} height="18" aria-hidden>
          <path d={`M4 9 H${WIDE - 4}`} stroke="var(--line-strong)" />
          {predicted && (
            <>
              {predicted.share !== null && (
                <Bar
                  value={predicted.value}
                  share={predicted.share}
                  reference={value}
                  y={4}
                  ink="var(--ink-soft)"
                />
              )}
              <circle
                cx={at(predicted.value, value)}
                cy="4"
                r="3"
                fill="var(--sheet)"
                stroke="var(--ink-soft)"
              />
            </>
          )}
          {share !== null && (
            <Bar value={value} share={share} reference={value} y={9} ink="var(--brass)" />
          )}
          <circle cx={at(value, value)} cy="9" r="3.5" fill="var(--brass)" />
          {measured && (
            <>
              <Bar {...measured} reference={value} y={14} ink="var(--ink)" />
              <path
                d={`M${at(measured.value, value)} 9.5 l4 7 h-8 Z`}
                fill={measured.simulated ? 'var(--sheet)' : 'var(--ink)'}
                stroke="var(--ink)"
              />
            </>
          )}
        </svg>
      )}
    </span>
  );
}
