import { cctCss } from '@/core/colour/display';

interface JarProps {
  /** light reached over light wanted; may be above 1 */
  filled: number;
  cctK: number | null;
  /** a stop finding is open */
  cracked: boolean;
}

const BODY =
  'M14 16 C8 20 8 24 8 30 V60 C8 66 11 68 17 68 H39 C45 68 48 66 48 60 V30 C48 24 48 20 42 16 Z';

/** Says what the jar shows, for those who cannot see it. */
export function jarWords({ filled, cctK, cracked }: JarProps): string {
  const level = filled > 0 ? `${Math.round(filled * 100)} % of the light wanted` : 'no light yet';
  const colour = cctK === null ? '' : `, ${Math.round(cctK)} K`;
  return `Jar: ${level}${colour}${cracked ? ', cracked: a stop is open' : ''}`;
}

/** The one ornament, and it works: level is light, hue is colour, a crack is a stop. */
export function Jar(props: JarProps) {
  const { filled, cctK, cracked } = props;
  const level = Math.min(1, Math.max(0, filled));
  const top = 67 - level * 45;
  const light = cctK === null ? 'var(--line)' : cctCss(cctK);
  return (
    <svg viewBox="0 0 56 76" role="img" aria-label={jarWords(props)} className="h-full w-auto">
      <defs>
        <clipPath id="jar-body">
          <path d={BODY} />
        </clipPath>
      </defs>
      <g clipPath="url(#jar-body)">
        <rect x="0" y={top} width="56" height="76" fill={light} opacity="0.9" />
        {level > 0 && <path d={`M0 ${top} q14 -4 28 0 t28 0 v4 h-56 z`} fill={light} />}
      </g>
      {filled > 1.02 && (
        <g fill="none" stroke={light} strokeWidth="2.5" strokeLinecap="round">
          <path d="M16 5 l-4 -4 M28 4 v-4 M40 5 l4 -4" />
        </g>
      )}
      <path d={BODY} fill="none" stroke="var(--ink)" strokeWidth="2" />
      <path
        d="M15 9 h26 v7 h-26 z"
        fill="var(--brass-bright)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <path
        d="M14 30 v22"
        stroke="var(--raised)"
        strokeWidth="2.5"
        strokeLinecap="round"
        opacity="0.7"
      />
      {cracked && (
        <path
          d="M38 18 l-6 12 l7 6 l-9 13 l4 7 l-5 11"
          fill="none"
          stroke="var(--stop)"
          strokeWidth="2.5"
        />
      )}
    </svg>
  );
}
