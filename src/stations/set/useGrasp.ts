'use client';
import { useState } from 'react';
import type { Vector } from '@/core/light/vector';
import type { Thing } from '@/core/set/things';
import { moved, turned } from './planMoves';
import type { PlanView } from '@/core/set/planShape';
import type { SetEdits } from './useSetEdits';

export const along = (at: Vector, view: PlanView): number => at[view === 'above' ? 0 : 1];
export const up = (at: Vector, view: PlanView): number => at[view === 'above' ? 1 : 2];

type How = 'move' | 'turn';

/** Where a drag began. */
interface Grasp {
  pointer: number;
  fromH: number;
  fromV: number;
  thing: Thing;
}

interface Grasped {
  thing: Thing;
  at: Vector;
  view: PlanView;
  /** from pixels of the drawing to metres of the set */
  back: (px: number, py: number) => [number, number];
  edits: SetEdits;
  onPick: (id: string | null) => void;
  onDrag: (id: string | null) => void;
}

/** A thing of a plan, or the grip that turns it, in the hand: shown while it moves, kept when it is let go. */
export function useGrasp({ thing, at, view, back, edits, onPick, onDrag }: Grasped) {
  const [held, hold] = useState<Grasp | null>(null);
  const placeOf = (event: React.PointerEvent): [number, number] => {
    const box = event.currentTarget.closest('svg')!.getBoundingClientRect();
    return back(event.clientX - box.left, event.clientY - box.top);
  };
  const handlers = (how: How) => ({
    onPointerDown: (event: React.PointerEvent<SVGElement>) => {
      if (event.button !== 0) return;
      event.stopPropagation();
      event.currentTarget.setPointerCapture(event.pointerId);
      const [fromH, fromV] = placeOf(event);
      hold({ pointer: event.pointerId, fromH, fromV, thing });
      onPick(thing.id);
    },
    onPointerMove: (event: React.PointerEvent<SVGElement>) => {
      if (held?.pointer !== event.pointerId) return;
      const [nowH, nowV] = placeOf(event);
      const next =
        how === 'move'
          ? moved(held.thing, view, nowH - held.fromH, nowV - held.fromV, event.shiftKey)
          : turned(held.thing, view, nowH - along(at, view), nowV - up(at, view), event.shiftKey);
      if (!next) return;
      onDrag(thing.id);
      edits.preview(edits.changed(thing.id, (draft) => void Object.assign(draft, next)));
    },
    onPointerUp: (event: React.PointerEvent<SVGElement>) => {
      if (held?.pointer !== event.pointerId) return;
      hold(null);
      edits.settle(`${how} ${thing.name}`);
      onDrag(null);
    },
    onPointerCancel: () => {
      hold(null);
      edits.abandon();
      onDrag(null);
    },
  });
  return { move: handlers('move'), turn: handlers('turn') };
}
