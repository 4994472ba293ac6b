import { turnDeg } from '@/core/set/pose';
import type { Thing } from '@/core/set/things';
import type { PlanView } from '@/core/set/planShape';

/** What is set on a thing when it is moved. */
export type Moves = Partial<
  Record<'xM' | 'yM' | 'zM' | 'panDeg' | 'tiltDeg' | 'alongM' | 'sillM' | 'bottomM', number>
>;

const STEP_M = 0.05;
const STEP_DEG = 5;

const snap = (value: number, step: number, fine: boolean): number => {
  const by = fine ? step / 5 : step;
  return Number((Math.round(value / by) * by).toFixed(4));
};

/**
 * Where a thing comes to when it is drawn about by so much.
 * @param fine  snaps five times finer
 */
export function moved(
  thing: Thing,
  view: PlanView,
  alongM: number,
  upM: number,
  fine: boolean,
): Moves | null {
  const to = (value: number, by: number) => snap(value + by, STEP_M, fine);
  if (thing.kind === 'window') {
    const level = thing.wall === 'left' || thing.wall === 'right';
    if (view === 'above') return { alongM: to(thing.alongM, level ? upM : alongM) };
    return level
      ? { alongM: to(thing.alongM, alongM), sillM: to(thing.sillM, upM) }
      : { sillM: to(thing.sillM, upM) };
  }
  if (view === 'above') return { xM: to(thing.xM, alongM), yM: to(thing.yM, upM) };
  const level = { yM: to(thing.yM, alongM) };
  if ('zM' in thing) return { ...level, zM: to(thing.zM, upM) };
  return thing.kind === 'backdrop'
    ? { ...level, bottomM: Math.max(0, to(thing.bottomM, upM)) }
    : level;
}

/** How a thing is turned so that it looks so far along and up the drawing; null for what is not turned there. */
export function turned(
  thing: Thing,
  view: PlanView,
  alongM: number,
  upM: number,
  fine: boolean,
): Moves | null {
  if (thing.kind === 'window' || Math.hypot(alongM, upM) < 0.02) return null;
  const degrees = (radians: number) => snap((radians * 180) / Math.PI, STEP_DEG, fine);
  if (view === 'above') return { panDeg: turnDeg(degrees(Math.atan2(-alongM, upM))) };
  if (!('tiltDeg' in thing)) return null;
  return { tiltDeg: degrees(Math.atan2(upM, Math.abs(alongM))) };
}

/** Arrows move, [ and ] turn, < and > tilt, Page Up and Page Down lift; Shift goes five times as far. */
export function keyMove(thing: Thing, view: PlanView, key: string, far: boolean): Moves | null {
  const [m, deg] = far ? [STEP_M * 5, STEP_DEG * 3] : [STEP_M, STEP_DEG];
  const tilt = (by: number): Moves | null =>
    'tiltDeg' in thing ? { tiltDeg: Math.min(90, Math.max(-90, thing.tiltDeg + by)) } : null;
  const pan = (by: number): Moves | null =>
    'panDeg' in thing ? { panDeg: turnDeg(thing.panDeg + by) } : null;
  switch (key) {
    case 'ArrowLeft':
      return moved(thing, view, -m, 0, true);
    case 'ArrowRight':
      return moved(thing, view, m, 0, true);
    case 'ArrowUp':
      return moved(thing, view, 0, m, true);
    case 'ArrowDown':
      return moved(thing, view, 0, -m, true);
    case 'PageUp':
      return 'zM' in thing ? { zM: snap(thing.zM + m, STEP_M, true) } : null;
    case 'PageDown':
      return 'zM' in thing ? { zM: snap(thing.zM - m, STEP_M, true) } : null;
    case '[':
    case '{':
      return pan(deg);
    case ']':
    case '}':
      return pan(-deg);
    case '.':
    case '>':
      return tilt(deg);
    case ',':
    case '<':
      return tilt(-deg);
    default:
      return null;
  }
}
