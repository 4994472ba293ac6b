'use client';
import type { Shot } from '@/core/location/shot';
import { show, showText } from '@/core/quantity';
import { useDevice } from '@/ui/device';

const LEFT = 40;
const RIGHT = 300;
const MIDDLE = 80;

/** Light and subject from above, to scale: how wide the light stands in the subject's eye. */
export function ShotSketch({ shot }: { shot: Shot }) {
  const { units } = useDevice();
  const across = 2 * Math.tan((Math.min(shot.softnessDeg, 170) * Math.PI) / 360) * shot.distanceM;
  const scale = Math.min(
    (RIGHT - LEFT) / shot.distanceM,
    140 / Math.max(across, shot.coverageWidthM),
  );
  const subjectX = LEFT + shot.distanceM * scale;
  const half = Math.max(2, (across * scale) / 2);
  const lit = Math.max(4, (shot.coverageWidthM * scale) / 2);
  const distance = showText(show(shot.distanceM, 'length', units));
  return (
    <figure>
      <svg
        viewBox="0 0 340 190"
        className="h-[170px] w-full"
        role="img"
        aria-label={`From above: light ${distance} from the subject, filling ${Math.round(shot.softnessDeg)} degrees`}
      >
        <path
          d={`M${subjectX} ${MIDDLE} L${LEFT} ${MIDDLE - half} V${MIDDLE + half} Z`}
          fill="var(--glow)"
          opacity="0.35"
        />
        <path
          d={`M${LEFT} ${MIDDLE - half} V${MIDDLE + half}`}
          stroke="var(--brass)"
          strokeWidth="6"
          strokeLinecap="round"
        />
        <path
          d={`M${subjectX} ${MIDDLE - lit} V${MIDDLE + lit}`}
          stroke="var(--ink)"
          strokeWidth="2"
          strokeDasharray="5 3"
        />
        <circle cx={subjectX} cy={MIDDLE} r="5" fill="var(--ink)" />
        <path
          d={`M${LEFT} 168 H${subjectX} M${LEFT - 5} 173 l10 -10 M${subjectX - 5} 173 l10 -10`}
          stroke="var(--ink-soft)"
        />
        <text
          x={(LEFT + subjectX) / 2}
          y="186"
          textAnchor="middle"
          fontSize="13"
          fill="var(--ink)"
          className="figure"
        >
          {distance}
        </text>
        <text
          x={LEFT + 10}
          y={MIDDLE - half - 4 < 12 ? 12 : MIDDLE - half - 4}
          fontSize="12"
          fill="var(--ink-soft)"
        >
          {Math.round(shot.softnessDeg)}°
        </text>
      </svg>
      <figcaption className="text-[13px] text-ink-soft">
        From above, to scale: the light that softness asks for, and the width to be lit.
      </figcaption>
    </figure>
  );
}
