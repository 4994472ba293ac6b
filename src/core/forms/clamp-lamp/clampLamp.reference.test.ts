import { demoBuild } from '../testing';
import { layerC } from './layout';

const lamp = (over: Record<string, unknown> = {}) => demoBuild('counter-lamp', over);
const bulb = (bulbId: string) => ({ groups: [{ bulbId, level: 1 }] });

describe('film on a lamp (docs/model/forms.md, power.md)', () => {
  test('plastic under a filament lamp is refused', () => {
    expect(
      lamp({ ...bulb('halogen-a55-42'), layer1PartId: 'curtain' }).severity('clamp-lamp.plastic'),
    ).toBe('stop');
  });
  test('paper that bears more than the estimate is a look', () => {
    const paper = lamp({ ...bulb('halogen-a55-42'), reflectorM: 0.3, layer1PartId: 'parchment' });
    expect(paper.severity('clamp-lamp.paper')).toBe('look');
  });
  test('an LED bulb under parchment is fine', () => {
    expect(lamp().severity('clamp-lamp.layer')).toBe('ok');
  });
  test('hotter than the layer bears is a stop', () => {
    // 20 W of fluorescent in a reflector of 6 cm.
    const tiny = lamp({
      ...bulb('spiral-cfl-20'),
      reflectorM: 0.06,
      depthM: 0.04,
      layer1PartId: 'curtain',
    });
    expect(tiny.severity('clamp-lamp.layer')).toBe('stop');
  });
  test('the estimate by hand: 25 °C + P/(h·A)', () => {
    const { parameters, context } = lamp();
    const r = 0.11;
    const area = Math.PI * r * r + Math.PI * r * Math.hypot(r, 0.12);
    expect(layerC(parameters as never, context)).toBeCloseTo(25 + (9 * 0.65) / (8 * area), 6);
  });
  test('no layer, nothing to say of it', () => {
    expect(lamp({ layer1PartId: null }).ids.filter((id) => /layer|paper|plastic/.test(id))).toEqual(
      [],
    );
  });
});

describe('the lamp', () => {
  test('layer: reflector and twice the tab', () => {
    expect(lamp().cloths[0]!.widthM).toBeCloseTo(0.22 + 0.06, 9);
  });
  test('too many watts, wrong base', () => {
    expect(lamp(bulb('incandescent-60-120')).ids).not.toContain('clamp-lamp.socket-watts.0');
    expect(lamp(bulb('candle-e14-5')).severity('clamp-lamp.base.0')).toBe('stop');
    const { document } = lamp();
    expect(document.shelf.bulbs.every(({ wattsW }) => wattsW <= 100)).toBe(true);
  });
  test('the mouth sees the bulb under its solid angle', () => {
    const h = 0.12 * 0.55;
    expect(lamp().resolved.mouth!.directShare).toBeCloseTo((1 - h / Math.hypot(h, 0.11)) / 2, 9);
  });
});
