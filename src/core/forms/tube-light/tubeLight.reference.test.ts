import { extraction } from '../../light/mouth';
import { demoBuild } from '../testing';

const light = (over: Record<string, unknown> = {}) =>
  demoBuild('corridor-line', { fillMode: 'count', tapeLengthM: 10, ...over });

describe('a metre and a half of tube, Ø 40 mm inside', () => {
  test('strand: 1500 − 2 × 15 = 1470 mm, cut at a mark: 1450', () => {
    const { fact } = light();
    expect(fact('room')).toBeCloseTo(1.47, 9);
    expect(fact('strand')).toBeCloseTo(1.45, 9);
    expect(fact('tape-used')).toBeCloseTo(2.9, 9);
    expect(light({ strands: 1 }).fact('tape-used')).toBeCloseTo(1.45, 9);
  });
  test('liner: π·Ø × turns wide and the overlap, length + 2 × fold (docs/model/forms.md)', () => {
    const { fact, cloths } = light({ linerTurns: 2 });
    expect(fact('liner-w')).toBeCloseTo(Math.PI * 0.04 * 2 + 0.005, 9);
    expect(fact('liner-l')).toBeCloseTo(1.52, 9);
    expect(cloths[0]!.heightM).toBeCloseTo(1.52, 9);
  });
  test('lined, it glows all round; bare with one strand it faces forwards', () => {
    expect(light().resolved.emitters[0]!.spread).toEqual({ class: 'tube' });
    const bare = light({ linerPartId: null, strands: 1 });
    expect(bare.resolved.emitters[0]!.spread).toEqual({ class: 'lambert' });
  });
  test('what the liner sends back meets it again: τ/(1 − ρd) of the light stays', () => {
    expect(extraction(light({}).resolved.mouth!)).toBeCloseTo(0.62 / 0.7, 9);
    expect(light({ linerPartId: null }).resolved.mouth).toBeNull();
  });
});

describe('mistakes it catches', () => {
  test.each<[Record<string, unknown>, string]>([
    [{ insideDiameterM: 0.009 }, 'insideDiameterM narrow'],
    [{ tubeLengthM: 0.1, capM: 0.04 }, 'tubeLengthM short'],
  ])('%j', (over, expected) => expect(light(over).problems).toContain(expected));
  test('longer than the tube is sold', () => {
    expect(light({ tubeLengthM: 2.5 }).severity('tube-light.stock')).toBe('stop');
    expect(light().ids).not.toContain('tube-light.stock');
  });
  test('dots on the wall, dots through the liner, a stripe', () => {
    expect(light({ linerPartId: null }).ids).toContain('tube-light.dots');
    expect(light({ insideDiameterM: 0.011, stripId: 'tape-24-60-5000' }).ids).toContain(
      'tube-light.near',
    );
    expect(light({ overlapM: 0.02 }).ids).toContain('tube-light.stripe');
  });
  test('coated tape may go straight in', () => {
    expect(light({ stripId: 'tape-coated-24' }).ids).not.toContain('tube-light.coated');
  });
});
