import { useRef } from 'react';
import type { Handle } from '@/core/drawing/drawing';
import { pulledValue } from '@/core/drawing/pull';
import type { Limits } from '@/core/forms/form';
import { clamp } from '@/core/tolerance';
import type { Paper } from './paper';

export interface Grip {
  value: number;
  valueText: string;
  range: Limits;
  step: number;
}

export interface HandleMarkProps {
  handle: Handle;
  grip: Grip;
  paper: Paper;
  /** client pixels → metres on this view */
  toMetres: (clientX: number, clientY: number) => readonly [number, number];
  onPull: (parameter: string, value: number) => void;
  onSettle: (parameter: string) => void;
  onAbandon: () => void;
  onGrip: (parameter: string) => void;
}

interface Drag {
  from: readonly [number, number];
  startValue: number;
  frame: number | null;
  latest: number;
}

/** What pointer and keys do to the parameter behind a knob. */
function usePull(props: HandleMarkProps) {
  const { handle, grip, toMetres, onPull, onSettle, onAbandon, onGrip } = props;
  const drag = useRef<Drag | null>(null);
  const { parameter, pull } = handle;
  const start = (event: React.PointerEvent<SVGGElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = {
      from: toMetres(event.clientX, event.clientY),
      startValue: grip.value,
      frame: null,
      latest: grip.value,
    };
    onGrip(parameter);
  };
  const move = (event: React.PointerEvent) => {
    const held = drag.current;
    if (!held) return;
    const raw = pulledValue(
      pull,
      held.startValue,
      held.from,
      toMetres(event.clientX, event.clientY),
    );
    const snapped = Math.round(raw / grip.step) * grip.step;
    held.latest = clamp(Number(snapped.toPrecision(9)), grip.range.min, grip.range.max);
    // However many moves the pointer reports, one change a frame is enough.
    held.frame ??= requestAnimationFrame(() => {
      held.frame = null;
      onPull(parameter, held.latest);
    });
  };
  const end = (keep: boolean) => {
    const held = drag.current;
    drag.current = null;
    if (!held) return;
    if (held.frame !== null) {
      cancelAnimationFrame(held.frame);
      if (keep) onPull(parameter, held.latest);
    }
    if (keep) onSettle(parameter);
    else onAbandon();
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.key === 'Escape') return end(false);
    const forward = event.key === 'ArrowUp' || event.key === 'ArrowRight';
    if (!forward && event.key !== 'ArrowDown' && event.key !== 'ArrowLeft') return;
    event.preventDefault();
    const by = grip.step * (event.shiftKey ? 10 : 1) * (forward ? 1 : -1);
    onPull(
      parameter,
      clamp(Number((grip.value + by).toPrecision(9)), grip.range.min, grip.range.max),
    );
    onSettle(parameter);
  };
  return { start, move, end, onKeyDown };
}

/** A brass knob on the drawing: drag it, or focus it and use the arrow keys. */
export function HandleMark(props: HandleMarkProps) {
  const { handle, grip, paper, onGrip } = props;
  const { parameter } = handle;
  const [x, y] = [paper.toX(handle.at[0]), paper.toY(handle.at[1])];
  const px = paper.pixel;

  const pull = usePull(props);
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={handle.label}
      aria-valuenow={grip.value}
      aria-valuemin={grip.range.min}
      aria-valuemax={grip.range.max}
      aria-valuetext={grip.valueText}
      data-handle={parameter}
      onPointerDown={pull.start}
      onPointerMove={pull.move}
      onPointerUp={() => pull.end(true)}
      onPointerCancel={() => pull.end(false)}
      onFocus={() => onGrip(parameter)}
      onKeyDown={pull.onKeyDown}
      className="cursor-grab touch-none active:cursor-grabbing"
    >
      <title>{`${handle.label}: ${grip.valueText}`}</title>
      <circle cx={x} cy={y} r={14 * px} fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r={7 * px}
        fill="var(--brass-bright)"
        stroke="var(--ink)"
        strokeWidth={1.2 * px}
      />
      <path
        d={`M${x - 3 * px} ${y} h${6 * px} M${x} ${y - 3 * px} v${6 * px}`}
        stroke="var(--ink)"
        strokeWidth={px}
      />
    </g>
  );
}
