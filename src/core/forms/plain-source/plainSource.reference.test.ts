import { evaluateKnown as evaluate } from '../../evaluate/testing';
import { demoBuild } from '../testing';

const plain = (over: Record<string, unknown> = {}) => demoBuild('dusk-window', over);

describe('a window', () => {
  test('Φ = π·L·A of a Lambertian opening', () => {
    expect(plain().fact('flux')).toBeCloseTo(Math.PI * 200 * 1 * 1.2, 6);
  });
  test('lux on its axis: E = π·L·(rectangle’s configuration factor)', () => {
    const { document } = plain();
    const found = evaluate(document, 'dusk-window');
    const lux = found.ok ? found.value.rungs[0]!.value! : NaN;
    // Rectangle 1 × 1.2 m, 1.6 m away: four corners of the parallel point factor.
    const [X, Y] = [0.5 / 1.6, 0.6 / 1.6];
    const [A, B] = [Math.sqrt(1 + X * X), Math.sqrt(1 + Y * Y)];
    const corner = ((X / A) * Math.atan(Y / A) + (Y / B) * Math.atan(X / B)) / (2 * Math.PI);
    expect(lux / (Math.PI * 200 * 4 * corner)).toBeCloseTo(1, 2);
  });
  test('draws no current, has no cord, changes by the minute', () => {
    const { resolved, ids } = plain();
    expect(resolved.wiring.loads).toEqual([]);
    expect(resolved.groups[0]!.unit.wattsW.value).toBe(0);
    expect(ids).toContain('plain.daylight');
  });
});

describe('whatever stands there', () => {
  test.each<[string, Record<string, unknown>, number]>([
    ['a bulb', { source: 'bulb', groups: [{ bulbId: 'globe-a60-9-2700', level: 1 }] }, 806],
    [
      'a dimmed bulb',
      { source: 'bulb', level: 0.5, groups: [{ bulbId: 'globe-a60-9-2700', level: 0.5 }] },
      201.5,
    ],
    ['a panel', { source: 'panel', panelId: 'panel-20' }, 1900],
    ['a work light', { source: 'work-light', workLightId: 'work-led-30' }, 2700],
    ['a tube', { source: 'tube', tubeId: 'led-tube-18' }, 1800],
  ])('%s gives its lumens', (_, over, lumens) => {
    const { resolved } = plain(over);
    expect(resolved.emitters.reduce((sum, each) => sum + each.luminousFluxLm, 0)).toBeCloseTo(
      lumens,
      6,
    );
    expect(resolved.groups).toHaveLength(1);
    expect(resolved.pieces).toEqual([]);
  });
  test('nothing chosen is an open question', () => {
    expect(plain({ source: 'panel' }).severity('plain.no-lamp')).toBe('unknown');
  });
});
