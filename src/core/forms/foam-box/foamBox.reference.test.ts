import { extraction } from '../../light/mouth';
import { INCH, demoBuild } from '../testing';

const box = (over: Record<string, unknown> = {}) => demoBuild('cabin-box', over);

describe('from a 36 in sheet with two 12 in wings, inset 2½ in (common practice)', () => {
  const flat = box({
    shapeBy: 'inset',
    frontWidthM: 36 * INCH,
    frontHeightM: 36 * INCH,
    wingM: 12 * INCH,
    insetM: 2.5 * INCH,
  });
  test('depth √(12² − 2½²) = 11.74 in, back 31 in', () => {
    expect(flat.fact('depth')! / INCH).toBeCloseTo(11.737, 3);
    expect(flat.sheets.find(({ name }) => name === 'Back plate')!.widthM / INCH).toBeCloseTo(31, 9);
  });
  test('the wing is the slant', () => {
    expect(flat.fact('slant-top')! / INCH).toBeCloseTo(12, 9);
    expect(flat.fact('slant-side')! / INCH).toBeCloseTo(12, 9);
  });
  test('panels are trapezoids of 36 and 31 in, 12 in high', () => {
    const [top] = flat.sheets;
    expect([top!.widthM / INCH, top!.heightM / INCH]).toEqual([
      expect.closeTo(36, 9),
      expect.closeTo(12, 9),
    ]);
    expect(top!.areaM2 / INCH ** 2).toBeCloseTo(((36 + 31) / 2) * 12, 6);
  });
});

describe('by back and depth: 600 front, 200 back, 350 deep', () => {
  test('true slant and angles', () => {
    const { fact } = box();
    expect(fact('slant-top')).toBeCloseTo(0.403113, 6);
    expect((fact('mitre')! * 180) / Math.PI).toBeCloseTo(52.125, 2);
    expect((fact('fold')! * 180) / Math.PI).toBeCloseTo(119.745, 2);
  });
  test('five panels and a layer', () => {
    const { sheets, cloths } = box();
    expect(sheets.reduce((sum, { count }) => sum + count, 0)).toBe(5);
    expect(cloths[0]!.widthM).toBeCloseTo(0.66, 9);
  });
  test('an oblong box has two slants', () => {
    const { fact } = box({ frontWidthM: 0.9 });
    expect(fact('slant-side')).toBeCloseTo(Math.hypot(0.35, 0.35), 9);
    expect(fact('slant-top')).toBeCloseTo(Math.hypot(0.35, 0.2), 9);
  });
});

describe('light', () => {
  test('the worked box of docs/model/transport.md comes near its simulated η = 0.6552', () => {
    const { resolved } = box({
      finish: 'foil',
      backWidthM: 0.12,
      backHeightM: 0.12,
      lampInM: 0.06,
      layer1PartId: 'parchment',
    });
    const mouth = {
      ...resolved.mouth!,
      layers: [{ ...resolved.mouth!.layers[0]!, transmittance: 0.62, backReflectance: 0.3 }],
    };
    expect(Math.abs(extraction(mouth) - 0.6552)).toBeLessThan(0.09);
  });
  test('share that goes straight out: solid angle of the front, half of everything when it touches', () => {
    const near = box({ lampInM: 0.349 }).resolved.mouth!.directShare;
    expect(near).toBeCloseTo(0.5, 1);
    expect(box().resolved.mouth!.directShare).toBeLessThan(near);
  });
  test('a layer takes light, a second one more', () => {
    const at = (over: Record<string, unknown>) => extraction(box(over).resolved.mouth!);
    expect(at({})).toBeLessThan(at({ layer1PartId: null }));
    expect(at({ layer2PartId: 'silk' })).toBeLessThan(at({}));
  });
});

describe('mistakes it catches', () => {
  test.each<[Record<string, unknown>, string]>([
    [{ holeDiameterM: 0.2 }, 'holeDiameterM hole'],
    [{ backWidthM: 0.7 }, 'backWidthM back'],
    [{ shapeBy: 'inset', wingM: 0.3, insetM: 0.3 }, 'insetM inset'],
    [{ shapeBy: 'inset', wingM: 0.5, insetM: 0.3 }, 'insetM inset-front'],
  ])('%j', (over, expected) => expect(box(over).problems).toContain(expected));
  test('a filament bulb is told where it closes the box: the enclosure is shut', () => {
    expect(box().resolved.enclosure).toMatchObject({ closed: true });
  });
  test('hole bigger than the plate stops at the handle too', () => {
    expect(box().limits.backWidthM!.min).toBeCloseTo(0.11, 9);
  });
  test('open front, shallow front, wrong base', () => {
    expect(box({ layer1PartId: null }).ids).toContain('foam-box.open');
    expect(box({ depthM: 0.15 }).ids).toContain('foam-box.shallow');
    expect(box({ socketPartId: 'socket-e14' }).severity('foam-box.base.0')).toBe('stop');
  });
});
