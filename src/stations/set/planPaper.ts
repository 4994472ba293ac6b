import type { Vector } from '@/core/light/vector';
import type { PlanView } from '@/core/set/planShape';
import type { Setup } from '@/core/set/setup';
import type { Thing } from '@/core/set/things';

/** Round the room, pixels. */
export const MARGIN = 26;

export interface Paper {
  h: (place: Vector) => number;
  v: (place: Vector) => number;
  scale: number;
  /** from pixels of the drawing to metres of the set, along the view's two axes */
  back: (px: number, py: number) => [number, number];
}

/** The largest scale at which a room lies on a drawing so wide and high, pixels. */
export function paperOf({ room }: Setup, view: PlanView, wide: number, high: number): Paper {
  const along = view === 'above' ? room.widthM : room.depthM;
  const up = view === 'above' ? room.depthM : room.heightM;
  const scale = Math.max(1, Math.min((wide - 2 * MARGIN) / along, (high - 2 * MARGIN) / up));
  const left = (wide - along * scale) / 2;
  const bottom = (high + up * scale) / 2;
  return {
    scale,
    h: (place) => left + place[view === 'above' ? 0 : 1] * scale,
    v: (place) => bottom - place[view === 'above' ? 1 : 2] * scale,
    back: (px, py) => [(px - left) / scale, (bottom - py) / scale],
  };
}

export const path = (line: readonly Vector[], { h, v }: Paper): string =>
  line.map((place, k) => `${k ? 'L' : 'M'}${h(place).toFixed(1)} ${v(place).toFixed(1)}`).join(' ');

/** What lies under what. */
export const RANK: Record<Thing['kind'], number> = {
  window: 0,
  socket: 0,
  table: 1,
  object: 1,
  backdrop: 2,
  glass: 3,
  card: 4,
  head: 5,
  light: 6,
};

export function strokeOf(thing: Thing): { stroke: string; wide: number; fill: string } {
  switch (thing.kind) {
    case 'light':
      return { stroke: 'var(--brass)', wide: 6, fill: 'none' };
    case 'head':
      return { stroke: 'var(--ink)', wide: 1.5, fill: 'var(--stuff)' };
    case 'backdrop':
      return {
        stroke: thing.surface === 'green' ? 'var(--ok)' : 'var(--ink)',
        wide: 5,
        fill: 'none',
      };
    case 'card':
      return {
        stroke: thing.card === 'black' ? 'var(--ink)' : 'var(--unknown)',
        wide: 4,
        fill: 'none',
      };
    case 'glass':
      return { stroke: 'var(--tape)', wide: 3, fill: 'none' };
    case 'window':
      return { stroke: 'var(--unknown)', wide: 4, fill: 'var(--glass)' };
    case 'table':
    case 'object':
      return { stroke: 'var(--line-strong)', wide: 1.5, fill: 'var(--stuff)' };
    case 'socket':
      return { stroke: 'var(--ink-soft)', wide: 2, fill: 'var(--raised)' };
  }
}
