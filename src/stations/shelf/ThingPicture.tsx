import type { Part } from '@/core/materials/part';
import { TAKES } from '@/core/materials/takes';
import type { Unit } from '@/core/units/unit';

type Thing = Unit | Part;

/** What a thing looks like, drawn in ink, so that it is known without reading. */
export function ThingPicture({ thing }: { thing: Thing }) {
  return (
    <svg
      viewBox="0 0 48 48"
      className="h-11 w-11 shrink-0"
      fill="none"
      stroke="currentColor"
      strokeWidth={1.6}
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden
    >
      {'category' in thing ? unitShape(thing) : partShape(thing)}
    </svg>
  );
}

const GLASS = 'var(--brass-wash)';
const CAP = (
  <>
    <path d="M20 36h8M20 39h8M21.5 42h5" />
  </>
);

function unitShape(unit: Unit) {
  switch (unit.category) {
    case 'bulb': {
      if (unit.spread.class === 'reflector')
        return (
          <>
            <path d="M12 12h24l-7 18v6H19v-6z" fill={GLASS} />
            {CAP}
          </>
        );
      if (unit.kind === 'corn' || unit.kind === 'cfl')
        return (
          <>
            <path d="M18 8h12v26H18z" fill={GLASS} />
            <path d="M18 14h12M18 20h12M18 26h12" />
            {CAP}
          </>
        );
      // Wider globes look wider: 45 to 125 mm.
      const radius = Math.min(16, Math.max(8, unit.globeDiameterM * 160));
      return (
        <>
          <circle cx={24} cy={33 - radius} r={radius} fill={GLASS} />
          {unit.kind !== 'led' && <path d="M22 28l-1-6 3 3 3-3-1 6" />}
          <path d="M20 32h8v4h-8z" fill="var(--sheet)" />
          {CAP}
        </>
      );
    }
    case 'strip':
      return (
        <>
          <circle cx={22} cy={24} r={16} fill={GLASS} />
          <circle cx={22} cy={24} r={5} />
          <circle cx={22} cy={24} r={11} strokeDasharray="1 3.6" strokeWidth={3} />
          <path d="M38 24v16h7" />
        </>
      );
    case 'tube':
      return (
        <>
          <path d="M5 20h38v8H5z" fill={GLASS} />
          <path d="M9 20v8M39 20v8M2 22h3M2 26h3M43 22h3M43 26h3" />
        </>
      );
    case 'work-light':
      return (
        <>
          <path d="M9 8h30v20H9z" fill={GLASS} />
          <path d="M13 12h22v12H13zM12 28l-4 12h32l-4-12" />
        </>
      );
    case 'panel':
      return (
        <>
          <path d="M7 9h34v26H7z" fill={GLASS} />
          <path d="M7 17.7h34M7 26.3h34M18.3 9v26M29.7 9v26" strokeWidth={0.8} />
        </>
      );
  }
}

function partShape(part: Part) {
  switch (part.role) {
    case 'sheet':
      return <path d="M6 16l22-8 14 24-22 8zM6 16v3l14 24v-3M20 43l22-8v-3" fill={GLASS} />;
    case 'stick':
      return (
        <>
          <path d="M6 38L36 8l5 5L11 43z" fill={GLASS} />
          <ellipse cx={38.5} cy={10.5} rx={3.6} ry={3.4} fill="var(--sheet)" />
        </>
      );
    case 'hardware':
      if (TAKES.vessel.fits(part))
        return (
          <>
            <ellipse cx={24} cy={17} rx={18} ry={7} fill={GLASS} />
            <path d="M6 17l3 14c2 6 28 6 30 0l3-14" />
          </>
        );
      return (
        <>
          <path d="M15 10h18v7H15z" fill={GLASS} />
          <path d="M20 17h8v18l-4 6-4-6zM20 22l8-3M20 28l8-3M20 34l8-3" />
        </>
      );
    case 'round':
      return <ellipse cx={24} cy={24} rx={18} ry={9} fill={GLASS} />;
    case 'cloth':
    case 'diffusion':
      return (
        <>
          <path d="M10 8h28v28c-4-3-8 3-14 0s-10 3-14 0z" fill={GLASS} />
          <path d="M8 8h32M18 8v26M28 8v27" strokeWidth={0.9} />
        </>
      );
    case 'cord':
      return <path d="M8 30a8 8 0 1 1 16 0 8 8 0 1 0 16 0M8 30v8M40 30v-9h-4M40 21h4" />;
    case 'plug':
      return (
        <>
          <path d="M14 18h20v12a10 10 0 0 1-20 0z" fill={GLASS} />
          <path d="M19 18V8M29 18V8M24 40v6" />
        </>
      );
    case 'socket':
      return (
        <>
          <path d="M15 8h18l-2 26H17z" fill={GLASS} />
          <ellipse cx={24} cy={8} rx={9} ry={3} fill="var(--sheet)" />
          <path d="M20 34v8h8v-8" />
        </>
      );
    case 'dimmer':
      return (
        <>
          <path d="M9 9h30v30H9z" fill={GLASS} />
          <circle cx={24} cy={24} r={9} fill="var(--sheet)" />
          <path d="M24 24l5-6" />
        </>
      );
    case 'supply':
    case 'ballast':
      return (
        <>
          <path d="M6 16h36v16H6z" fill={GLASS} />
          <path d="M12 21h14M12 26h9M42 20h4M42 28h4M6 24H2" />
        </>
      );
    case 'paint':
      return (
        <>
          <path d="M11 14h26v28H11z" fill={GLASS} />
          <path d="M11 14a13 5 0 0 1 26 0M13 12c2-10 20-10 22 0M11 24h26" />
        </>
      );
    case 'clamp-lamp':
      return (
        <>
          <path d="M8 30C8 16 20 8 30 10l6 6c0 10-10 20-22 20z" fill={GLASS} />
          <path d="M34 12l6-6M38 4l6 6M14 36l-4 4" />
        </>
      );
    case 'softbox':
      return (
        <>
          <path d="M24 5l13.5 5.5L43 24l-5.5 13.5L24 43l-13.5-5.5L5 24l5.5-13.5z" fill={GLASS} />
          <path d="M24 5v38M5 24h38" strokeWidth={0.8} />
        </>
      );
  }
}
