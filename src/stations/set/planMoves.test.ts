import { newThing, type Thing } from '@/core/set/things';
import { keyMove, moved, turned } from './planMoves';

const light = newThing('light', 'l', 'Lamp', { xM: 2, yM: 1, zM: 1.7, panDeg: 175, tiltDeg: 88 });
const head = newThing('head', 'h', 'Head', { xM: 2, yM: 1 });
const window = newThing('window', 'w', 'Window', { wall: 'left', alongM: 2, sillM: 0.9 });
const backdrop = newThing('backdrop', 'b', 'Flat', { bottomM: 0.05 });

describe('drawn about', () => {
  test('snaps to 5 cm, five times finer with Shift', () => {
    expect(moved(light, 'above', 0.123, -0.04, false)).toEqual({ xM: 2.1, yM: 0.95 });
    expect(moved(light, 'above', 0.123, -0.04, true)).toEqual({ xM: 2.12, yM: 0.96 });
  });
  test('from the side what hangs goes up and down, what stands on the floor does not', () => {
    expect(moved(light, 'side', 0.2, 0.1, false)).toEqual({ yM: 1.2, zM: 1.8 });
    expect(moved(head, 'side', 0.2, 0.1, false)).toEqual({ yM: 1.2 });
    expect(moved(backdrop, 'side', 0, -1, false)).toMatchObject({ bottomM: 0 });
  });
  test('a window slides along its wall alone', () => {
    expect(moved(window, 'above', 5, 0.3, false)).toEqual({ alongM: 2.3 });
    expect(moved({ ...window, wall: 'back' } as Thing, 'above', 0.3, 5, false)).toEqual({
      alongM: 2.3,
    });
    expect(moved(window, 'side', 0.3, 0.1, false)).toEqual({ alongM: 2.3, sillM: 1 });
  });
});

describe('turned', () => {
  test.each([
    [0, 1, 0],
    [-1, 0, 90],
    [1, 0, -90],
    [0, -1, 180],
    [-1, 1, 45],
  ])('looking %d along and %d up the plan is %d°', (alongM, upM, panDeg) => {
    const found = turned(light, 'above', alongM, upM, false)!.panDeg!;
    expect(Math.abs(found)).toBe(Math.abs(panDeg));
    if (Math.abs(panDeg) < 180) expect(found).toBe(panDeg === 0 ? found : panDeg);
  });
  test('from the side it tilts, whichever way it looks; a head does not', () => {
    expect(turned(light, 'side', -1, 1, false)).toEqual({ tiltDeg: 45 });
    expect(turned(light, 'side', 1, -1, false)).toEqual({ tiltDeg: -45 });
    expect(turned(head, 'side', 1, 1, false)).toBeNull();
    expect(turned(window, 'above', 1, 1, false)).toBeNull();
  });
});

describe('keys', () => {
  test('arrows, and five times as far with Shift', () => {
    expect(keyMove(light, 'above', 'ArrowRight', false)).toEqual({ xM: 2.05, yM: 1 });
    expect(keyMove(light, 'above', 'ArrowUp', true)).toEqual({ xM: 2, yM: 1.25 });
  });
  test('turning goes on past half a turn, tilting ends straight up', () => {
    expect(keyMove(light, 'above', '[', true)).toEqual({ panDeg: -170 });
    expect(keyMove(light, 'above', '.', false)).toEqual({ tiltDeg: 90 });
    expect(keyMove(light, 'above', 'PageDown', false)).toEqual({ zM: 1.65 });
    expect(keyMove(head, 'above', 'PageUp', false)).toBeNull();
    expect(keyMove(light, 'above', 'x', false)).toBeNull();
  });
});
