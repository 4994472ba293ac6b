import { balanceAdvice, type RoomLight } from '@/core/colour/balance';
import { adviceText } from './adviceText';

const light = (over: Partial<RoomLight>): RoomLight => ({
  id: 'a',
  name: 'A',
  cctK: 4000,
  illuminanceLx: 100,
  filament: false,
  ...over,
});
const texts = (lights: RoomLight[], balanceK: number) =>
  balanceAdvice(lights, balanceK)!.sources.map(adviceText);

describe('what is said about light in the room', () => {
  test('one that fits is left in peace', () => {
    expect(texts([light({})], 4000)).toEqual(['Sits with the balance.']);
  });
  test('a strong warm lamp: gel it, or switch it off, with what each costs', () => {
    const [, lamp] = texts([light({ illuminanceLx: 300 }), light({ cctK: 2700 })], 4000);
    expect(lamp).toMatch(/^120 mired too warm, obvious\. Gel it (full|half) blue \(/);
    // A quarter of the light: log2(4/3) = 0.4 stops.
    expect(lamp).toContain('or switch it off (0.4 stops less).');
    expect(lamp).not.toContain('dim');
  });
  test('a filament too cold for the shot may be dimmed to it (docs/model/light.md: 20 % at 2295 K)', () => {
    const [lamp] = texts([light({ cctK: 2800, filament: true }), light({ cctK: 2295 })], 2295);
    expect(lamp).toContain('79 mired too cold, obvious.');
    expect(lamp).toContain('dim it to 20 % of its light');
  });
  test('little of it is accepted', () => {
    const [, dusk] = texts(
      [light({ illuminanceLx: 500 }), light({ cctK: 9000, illuminanceLx: 5 })],
      4000,
    );
    expect(dusk).toMatch(/Little of it, or near enough: accept it, or gel it/);
  });
  test('alone and far off, the camera follows it', () => {
    const [only] = texts([light({ cctK: 2700 })], 4000);
    expect(only).not.toContain('switch it off');
    expect(only).toMatch(/Gel it/);
  });
});
