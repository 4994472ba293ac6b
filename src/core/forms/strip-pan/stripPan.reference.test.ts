import { extraction } from '../../light/mouth';
import { INCH, demoBuild } from '../testing';

const pan = (over: Record<string, unknown> = {}) => demoBuild('clerk-pan', over);

describe('a pan of 14 × 3 in (common practice)', () => {
  const size = { diameterM: 14 * INCH, depthM: 3 * INCH, clampGapM: 0 };
  test('rim circumference 44 in', () => {
    expect(pan(size).fact('circumference')! / INCH).toBeCloseTo(43.98, 2);
  });
  test('turns of the rim from 5 m: 196.85 in / 43.98 in = 4.47', () => {
    expect(pan(size).fact('turns')).toBeCloseTo(4.47, 2);
  });
  test('a gap for the clamp makes the turns shorter, so there are more of them', () => {
    expect(pan({ ...size, clampGapM: 0.04 }).fact('turns')).toBeCloseTo(
      5 / (Math.PI * 14 * INCH - 0.04),
      2,
    );
  });
  test('rows that fit the depth: (76.2 − 10)/12 + 1 = 6', () => {
    const { resolved } = pan({ ...size, tapeLengthM: 400, rows: 60 });
    expect(new Set(resolved.emitters.map(({ positionM }) => positionM[2])).size).toBe(6);
  });
});

describe('rim or base', () => {
  test('on the rim diodes look across, on the base at the mouth', () => {
    const rim = pan().resolved.emitters[0]!;
    expect(rim.axis[2]).toBe(0);
    expect(rim.axis[0] * rim.positionM[0] + rim.axis[1] * rim.positionM[1]).toBeLessThan(0);
    expect(pan({ tapeOn: 'base' }).resolved.emitters[0]!.axis).toEqual([0, 0, 1]);
  });
  test('the base is brighter', () => {
    const rim = extraction(pan().resolved.mouth!);
    const base = extraction(pan({ tapeOn: 'base' }).resolved.mouth!);
    expect(base).toBeGreaterThan(rim);
  });
  test('bare diodes on the base are said', () => {
    expect(pan({ tapeOn: 'base', layer1PartId: null }).ids).toContain('strip-pan.bare');
    expect(pan({ tapeOn: 'rim', layer1PartId: null }).ids).not.toContain('strip-pan.bare');
  });
  test('circles on the base get shorter towards the middle', () => {
    const { resolved } = pan({ tapeOn: 'base', tapeLengthM: 3 });
    const radii = resolved.emitters.map(({ positionM }) => Math.hypot(positionM[0], positionM[1]));
    expect(radii[0]).toBeGreaterThan(radii.at(-1)!);
  });
});

describe('layers', () => {
  test('each one is a disc of Ø + 2 × tab', () => {
    const { cloths } = pan({ layer2PartId: 'silk' });
    expect(cloths).toHaveLength(2);
    expect(cloths[0]!.widthM).toBeCloseTo(0.356 + 0.04, 9);
  });
  test('more layers, less light, deeper front', () => {
    const [one, two] = [pan(), pan({ layer2PartId: 'silk' })];
    expect(extraction(two.resolved.mouth!)).toBeLessThan(extraction(one.resolved.mouth!));
    expect(two.resolved.frontM - one.resolved.frontM).toBeCloseTo(0.02, 9);
  });
  test('typical figures are said to be', () => {
    expect(pan().severity('strip-pan.typical-layers')).toBe('unknown');
    expect(pan({ layer1PartId: null }).ids).not.toContain('strip-pan.typical-layers');
  });
});

describe('pieces', () => {
  test('a bought pan is not cut', () => {
    expect(pan().sheets).toEqual([]);
    expect(pan().need('pan-36')).toBe(1);
  });
  test('from sheet: base and rim strip', () => {
    const { sheets, need } = pan({ panPartId: null, boardPartId: 'alu-1' });
    expect(sheets.map(({ name }) => name)).toEqual(['Base', 'Rim strip']);
    // The rim goes round the base: bent about its middle, 1 mm of sheet takes 3.1 mm more.
    expect(sheets[1]!.widthM).toBeCloseTo(Math.PI * 0.357 + 0.03, 9);
    expect(need('pan-36')).toBeUndefined();
  });
});

describe('mistakes it catches', () => {
  test.each<[Record<string, unknown>, string]>([
    [{ depthM: 0.009 }, 'depthM shallow'],
    [{ rowPitchM: 0.008 }, 'rowPitchM rows_overlap'],
    [{ clampGapM: 2 }, 'clampGapM gap'],
  ])('%j', (over, expected) => expect(pan(over).problems).toContain(expected));
  test('coated tape', () =>
    expect(pan({ stripId: 'tape-coated-24' }).severity('strip-pan.coated')).toBe('stop'));
  test('a tin pan is metal enough behind strong tape, a painted board is not', () => {
    expect(pan().ids).not.toContain('strip-pan.tape-heat');
    expect(pan({ finish: 'white-emulsion' }).ids).toContain('strip-pan.tape-heat');
  });
});
