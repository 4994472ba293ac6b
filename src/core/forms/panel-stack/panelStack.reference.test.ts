import { extraction } from '../../light/mouth';
import { demoBuild } from '../testing';

const stack = (over: Record<string, unknown> = {}) => demoBuild('booth-stack', over);

test('panels stand over one another, from three on in two columns', () => {
  const places = (panelCount: number) =>
    stack({ panelCount }).resolved.emitters.map(({ positionM: [x, y] }) => [
      Number(x.toFixed(4)),
      Number(y.toFixed(4)),
    ]);
  expect(places(2)).toEqual([
    [0, 0.105],
    [0, -0.105],
  ]);
  expect(places(4)).toEqual([
    [-0.155, 0.105],
    [0.155, 0.105],
    [-0.155, -0.105],
    [0.155, -0.105],
  ]);
});

test('says what size was bought and what output was lost', () => {
  const { fact, resolved } = stack();
  expect(fact('size-bought')).toBeCloseTo((Math.PI * 0.45 ** 2) / (2 * 0.3 * 0.2), 6);
  expect(fact('output-lost')).toBeCloseTo(1 - extraction(resolved.mouth!), 12);
  expect(fact('output-lost')).toBeGreaterThan(0.2);
});

test('a shallow box sends more straight out than a deep one', () => {
  expect(stack({ boxDepthM: 0.2 }).resolved.mouth!.directShare).toBeGreaterThan(
    stack().resolved.mouth!.directShare,
  );
  // R = d: R²/(R² + d²) = ½.
  expect(stack().resolved.mouth!.directShare).toBeCloseTo(0.5, 9);
});

test('bracket: as large as the stack and 2 cm round it, a bolt for each panel and two of the spigot', () => {
  const [bracket] = stack().sheets;
  expect([bracket!.widthM, bracket!.heightM]).toEqual([
    expect.closeTo(0.34, 9),
    expect.closeTo(0.45, 9),
  ]);
  expect(bracket!.shapes.filter(({ layer }) => layer === 'drill')).toHaveLength(2 + 2);
  const bolts = stack().resolved.needs.filter(({ item }) => /^(bolt|machine-screw)$/.test(item.id));
  expect(bolts.map(({ quantity }) => quantity)).toEqual([2, 2]);
  // A camera thread for the panels; the rigid bracket does not fold with the box.
  expect(bolts[0]!.item).toMatchObject({ size: expect.stringMatching(/^1\/4-20 × /) });
  const { folded } = stack().resolved;
  expect(folded.widthM).toBeGreaterThanOrEqual(bracket!.widthM);
  expect(folded.heightM).toBeGreaterThanOrEqual(bracket!.heightM);
  expect(stack({ bracketPartId: null }).sheets).toEqual([]);
});

describe('mistakes it catches', () => {
  test('panels that do not go in', () => {
    expect(stack({ boxM: 0.4 }).problems).toEqual(['boxM stack']);
    expect(stack({ panelCount: 4, boxM: 0.7 }).problems).toEqual(['boxM stack']);
    expect(stack().limits.boxM!.min).toBeCloseTo(Math.hypot(0.3, 0.41), 9);
  });
  test('a mains dimmer in the cord', () => {
    expect(stack({ dimmerPartId: 'dimmer-trailing-400' }).ids).toContain('panel-stack.dimmer');
  });
  test('four at most', () => expect(stack().schemaTakes({ panelCount: 5 })).toBe(false));
});

test('the box brings its front along; what is hung over it is cut round, 4 cm turned over', () => {
  expect(demoBuild('booth-stack').cloths).toEqual([]);
  const { cloths, parameters } = demoBuild('booth-stack', { layer2PartId: 'silk' });
  expect(cloths).toHaveLength(1);
  expect(cloths[0]!.discM).toBeCloseTo((parameters.boxM as number) + 0.08, 9);
});
