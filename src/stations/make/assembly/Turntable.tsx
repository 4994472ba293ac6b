'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toDegrees } from '@/core/angle';
import { FROM_THE_RIGHT, type Eye } from '@/core/assembly/eye';
import type { Standing } from '@/core/assembly/standing';
import type { Model } from '@/core/assembly/model';
import { useDevice } from '@/ui/device';
import { AssemblyScene, type Inks } from './scene';

/** A pull over the picture's width turns it once round; a key by this much. */
const TURN_KEY_RAD = Math.PI / 24;
const MOST_ABOVE_RAD = Math.PI / 2;
const ZOOM_STEP = 1.15;
/** It rests when nothing moved for so long. */
const REST_MS = 180;
const [LEAST_ZOOM, MOST_ZOOM] = [0.5, 12];

interface Props {
  model: Model;
  standing: readonly Standing[];
  /** 0 as it is mounted, 1 fully taken apart */
  apart: number;
  label: string;
}

const TOKENS: Record<keyof Inks, string> = {
  ink: '--ink',
  soft: '--ink-soft',
  sheet: '--sheet',
  brass: '--brass',
  wash: '--brass-wash',
  glass: '--glass',
  tape: '--tape',
};

function inksOf(element: Element): Inks {
  const style = getComputedStyle(element);
  return Object.fromEntries(
    Object.entries(TOKENS).map(([name, token]) => [name, style.getPropertyValue(token).trim()]),
  ) as unknown as Inks;
}

/** A light on the turntable: pulled round, or turned with the arrow keys, plus and minus. */
export function Turntable({ model, standing, apart, label }: Props) {
  const { theme } = useDevice();
  const canvas = useRef<HTMLCanvasElement>(null);
  const scene = useRef<AssemblyScene | null>(null);
  const shown = useRef({ eye: FROM_THE_RIGHT as Eye, apart, zoom: 1, asked: 0, rests: 0 });
  const [trouble, setTrouble] = useState(false);

  const fit = useCallback((fine: boolean) => {
    const { width, height } = canvas.current!.getBoundingClientRect();
    scene.current?.resize(width, height, fine);
  }, []);

  const paint = useCallback(() => {
    const now = shown.current;
    // However many changes a frame brings, it is drawn once.
    if (now.asked) return;
    now.asked = requestAnimationFrame(() => {
      now.asked = 0;
      const draw = () => scene.current?.draw(now.eye, now.apart, now.zoom);
      // While it turns it is drawn as coarse as it may be; at rest its lines are smooth.
      if (!now.rests) fit(false);
      draw();
      clearTimeout(now.rests);
      now.rests = window.setTimeout(() => {
        now.rests = 0;
        fit(true);
        draw();
      }, REST_MS);
      if (scene.current && canvas.current) canvas.current.dataset.drawn = placeOf(now.eye);
    });
  }, [fit]);

  useEffect(() => {
    const element = canvas.current!;
    const now = shown.current;
    try {
      scene.current = new AssemblyScene(element, model);
    } catch {
      queueMicrotask(() => setTrouble(true));
      return;
    }
    const again = () => {
      now.rests = 0;
      paint();
    };
    const watch = new ResizeObserver(again);
    watch.observe(element);
    again();
    return () => {
      watch.disconnect();
      cancelAnimationFrame(now.asked);
      clearTimeout(now.rests);
      now.asked = 0;
      now.rests = 0;
      scene.current?.close();
      scene.current = null;
    };
  }, [model, paint]);

  useEffect(() => {
    shown.current.apart = apart;
    scene.current?.ink(inksOf(canvas.current!));
    scene.current?.stand(standing);
    paint();
  }, [model, standing, apart, theme, paint]);

  const turn = (byRad: number, upRad: number) => {
    const { eye } = shown.current;
    const above = Math.max(-MOST_ABOVE_RAD, Math.min(MOST_ABOVE_RAD, eye.aboveRad + upRad));
    shown.current.eye = { turnRad: eye.turnRad + byRad, aboveRad: above };
    paint();
  };
  const zoom = (by: number) => {
    const wanted = shown.current.zoom * by;
    shown.current.zoom = Math.max(LEAST_ZOOM, Math.min(MOST_ZOOM, wanted));
    paint();
  };
  const handlers = useTurning(canvas, turn, zoom);
  const look = (eye: Eye) => {
    shown.current.eye = eye;
    shown.current.zoom = 1;
    paint();
  };
  if (trouble)
    return (
      <p role="status" className="text-ink-soft">
        This browser shows no pictures in three dimensions. The steps and drawings say the same.
      </p>
    );
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <canvas
        ref={canvas}
        tabIndex={0}
        role="application"
        aria-label={`${label}. Arrow keys turn it, plus and minus bring it nearer.`}
        className="min-h-[260px] w-full flex-1 cursor-grab touch-none active:cursor-grabbing"
        {...handlers}
      />
      <p className="flex flex-wrap items-center gap-1 text-[13px]">
        <span className="mr-1 text-ink-soft">Seen from</span>
        {PLACES.map(([name, eye]) => (
          <button
            key={name}
            type="button"
            className="press !px-2 !py-0.5"
            onClick={() => look(eye)}
          >
            {name}
          </button>
        ))}
      </p>
    </div>
  );
}

/** Told to who walks the page without seeing it: from where it is drawn, in whole degrees. */
const placeOf = ({ turnRad, aboveRad }: Eye): string =>
  `${Math.round(toDegrees(turnRad))} ${Math.round(toDegrees(aboveRad))}`;

const PLACES: readonly (readonly [string, Eye])[] = [
  ['the corner', FROM_THE_RIGHT],
  ['the front', { turnRad: 0, aboveRad: 0 }],
  ['the side', { turnRad: Math.PI / 2, aboveRad: 0 }],
  ['behind', { turnRad: Math.PI, aboveRad: 0 }],
  ['above', { turnRad: 0, aboveRad: Math.PI / 2 }],
];

/** Pulling, pinching with the wheel, and keys. */
function useTurning(
  canvas: React.RefObject<HTMLCanvasElement | null>,
  turn: (byRad: number, upRad: number) => void,
  zoom: (by: number) => void,
) {
  const pulled = useRef<{ x: number; y: number } | null>(null);
  return {
    onPointerDown: (event: React.PointerEvent) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      pulled.current = { x: event.clientX, y: event.clientY };
    },
    onPointerMove: (event: React.PointerEvent) => {
      const from = pulled.current;
      if (!from) return;
      const once = (2 * Math.PI) / (canvas.current?.clientWidth || 1);
      turn(-(event.clientX - from.x) * once, (event.clientY - from.y) * once);
      pulled.current = { x: event.clientX, y: event.clientY };
    },
    onPointerUp: () => {
      pulled.current = null;
    },
    onPointerCancel: () => {
      pulled.current = null;
    },
    onWheel: (event: React.WheelEvent) => zoom(event.deltaY < 0 ? ZOOM_STEP : 1 / ZOOM_STEP),
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.key === 'ArrowLeft') turn(TURN_KEY_RAD, 0);
      else if (event.key === 'ArrowRight') turn(-TURN_KEY_RAD, 0);
      else if (event.key === 'ArrowUp') turn(0, TURN_KEY_RAD);
      else if (event.key === 'ArrowDown') turn(0, -TURN_KEY_RAD);
      else if (event.key === '+' || event.key === '=') zoom(ZOOM_STEP);
      else if (event.key === '-') zoom(1 / ZOOM_STEP);
      else return;
      event.preventDefault();
      event.stopPropagation();
    },
  };
}
