import type { Hatch } from '@/core/drawing/drawing';

/** Drawing units between strokes: near enough to read as a face, far enough to stay ink. */
const APART: Record<Hatch, number> = { wood: 11, metal: 6, plastic: 11, foam: 12 };

export const hatchId = (name: string, hatch: Hatch): string =>
  `hatch-${name.replace(/\W/g, '-')}-${hatch}`;

/** How cut faces are filled: wood and metal in slanting strokes, plastic the other way, foam in dots. */
export function Hatches({ name }: { name: string }) {
  return (
    <defs>
      {(Object.keys(APART) as Hatch[]).map((hatch) => (
        <pattern
          key={hatch}
          id={hatchId(name, hatch)}
          width={APART[hatch]}
          height={APART[hatch]}
          patternUnits="userSpaceOnUse"
          patternTransform={`rotate(${hatch === 'plastic' ? -45 : hatch === 'foam' ? 20 : 45})`}
        >
          {hatch === 'foam' ? (
            <circle cx={3} cy={3} r={1.5} fill="var(--ink-soft)" />
          ) : (
            <path d={`M0 0 V${APART[hatch]}`} stroke="var(--ink-soft)" strokeWidth={1.4} />
          )}
        </pattern>
      ))}
    </defs>
  );
}
