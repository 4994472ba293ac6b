import type { Paper } from './paper';

/** A part of a drawing that can be pressed; metres. */
export interface Spot {
  name: string;
  x: number;
  y: number;
  w: number;
  h: number;
  open: boolean;
  onPress: () => void;
}

/** A part of a drawing that is pressed to see more of it, by pointer or by keys. */
export function SpotMark({ spot, paper: { toX, toY, scale } }: { spot: Spot; paper: Paper }) {
  const { name, x, y, w, h, open, onPress } = spot;
  return (
    <rect
      role="button"
      tabIndex={0}
      aria-label={name}
      aria-expanded={open}
      x={toX(x)}
      y={toY(y + h)}
      width={w * scale}
      height={h * scale}
      fill={open ? 'var(--brass-bright)' : 'transparent'}
      fillOpacity={open ? 0.25 : 0}
      className="cursor-pointer"
      onClick={onPress}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        onPress();
      }}
    />
  );
}
