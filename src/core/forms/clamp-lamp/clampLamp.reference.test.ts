import { demoBuild } from '../testing';
import { heatFindings } from '../../power/heat';
import { layerC } from './layout';

const lamp = (over: Record<string, unknown> = {}) => demoBuild('counter-lamp', over);
const bulb = (bulbId: string) => ({ groups: [{ bulbId, level: 1 }] });

/** What the heat engine says of it. */
const heat = (over: Record<string, unknown>) =>
  heatFindings(lamp(over).resolved).map(({ id, severity }) => `${id} ${severity}`);

describe('film on a lamp (docs/model/forms.md, power.md)', () => {
  test('plastic and paper on the rim of a filament lamp are refused', () => {
    for (const layer1PartId of ['curtain', 'parchment'])
      expect(heat({ ...bulb('halogen-a55-42'), layer1PartId })).toEqual(
        expect.arrayContaining(['heat.closed-filament stop', 'heat.clearance.layer stop']),
      );
  });
  test('an LED bulb under parchment is fine', () => {
    expect(heat({})).toEqual(['heat.enclosure ok']);
  });
  test('hotter than the layer bears is a stop', () => {
    // 20 W of fluorescent in a reflector of 6 cm.
    const tiny = { reflectorM: 0.06, depthM: 0.04, layer1PartId: 'curtain' };
    expect(heat({ ...bulb('spiral-cfl-20'), ...tiny })).toEqual(['heat.enclosure stop']);
  });
  test('the estimate by hand: 25 °C + P/(h·A)', () => {
    const { parameters, context } = lamp();
    const r = 0.11;
    const area = Math.PI * r * r + Math.PI * r * Math.hypot(r, 0.12);
    expect(layerC(parameters as never, context)).toBeCloseTo(25 + (9 * 0.65) / (8 * area), 6);
  });
  test('no layer, nothing to say of it', () => {
    expect(heat({ layer1PartId: null })).toEqual(['heat.open-air ok']);
  });
});

describe('the lamp', () => {
  test('layer: reflector and twice the tab', () => {
    expect(lamp().cloths[0]!.widthM).toBeCloseTo(0.22 + 0.06, 9);
  });
  test('too many watts, wrong base', () => {
    expect(lamp(bulb('incandescent-60-120')).ids).not.toContain('clamp-lamp.socket-watts.0');
    expect(lamp(bulb('candle-e14-5')).severity('clamp-lamp.base.0')).toBe('stop');
  });
  test('the mouth sees the bulb under its solid angle', () => {
    const h = 0.12 * 0.55;
    expect(lamp().resolved.mouth!.directShare).toBeCloseTo((1 - h / Math.hypot(h, 0.11)) / 2, 9);
  });
});
